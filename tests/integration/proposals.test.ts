/** Anchors and link proposals, over the API of the running application: planted sentences, and what must stay quiet. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startStandIn, type StandIn, type StandInSite } from '../../demo/stand-in.ts';
import type { KeptChange } from '$lib/wire/laid-change.ts';
import type { LinksInSentences, OutwardProposals, TargetProposals } from '$lib/wire/proposals.ts';
import type { ProposalRun } from '$lib/wire/proposal-run.ts';
import { holdDatabase } from '$lib/server/process/database-process.ts';
import { openDataFolder } from '$lib/server/process/data-folder.ts';
import { openStore } from '$lib/server/store/connect.ts';
import {
    latestProposalRun,
    openTargets,
    saveFound,
    startProposalRun,
    takeProposalRun,
} from '$lib/server/store/proposal-run-store.ts';
import { doProposalRun } from '$lib/server/jobs/proposal-run.ts';
import { deleteSurveys, listSurveys } from '$lib/server/store/survey-store.ts';
import { startApplication } from '../support/application.ts';
import { ask as askAt, type HttpAnswer } from '../support/ask.ts';
import { runCommand, until } from '../support/command.ts';
import { redirectTo, tableSite } from '../support/survey.ts';

const MENU = '<nav><a href="/">Home</a> <a href="/all">All pages</a></nav>';
/** Words that stand on no other page, so that a page has a text of its own. */
const FILLER = 'Doors, hinges and drawers of every sort are mended here on Tuesdays by people who like doing it.';
const page = (title: string, body: string, head = '', lang = 'en'): string =>
    `<!doctype html><html lang="${lang}"><head><title>${title}</title>${head}</head><body>${MENU}<main><h1>${title}</h1>${body}</main></body></html>`;
const ALL = [
    'speaks',
    'says-so-too',
    'heading',
    'code',
    'quote',
    'linked-words',
    'noindexed',
    'has-it',
    'by-redirect',
    'shared-1',
    'shared-2',
    'full',
    'wrong-words',
    'german',
    'german-too',
    'japanese',
    'japanese-too',
    'arabic',
    'arabic-too',
    'welsh',
    'welsh-too',
    'french',
    'french-too',
];
/** More pages than are read at first speak of one. */
const MANY = Array.from({ length: 45 }, (_, n) => `neighbour-${n}`);
const SHARED =
    '<aside><ul><li>Grinding a scythe is told <a href="/speaks">there</a></li><li><a href="/full">Full</a></li></ul></aside>';
const PAGES = tableSite({
    '/': page('Start', `<p>${FILLER} <a href="/all">All pages are listed</a>.</p>`),
    '/all': page(
        'All pages',
        `<ul>${[...ALL, ...MANY].map((name) => `<li><a href="/${name}">${name}</a></li>`).join('')}</ul>`,
    ),
    // Known by the sitemap only: links are sought for it.
    '/scythe': page('Grinding a scythe', '<p>Peen the edge first, then whet it along the blade with a wet stone.</p>'),
    '/speaks': page(
        'The meadow',
        '<p>Mow while the dew is on.</p><p>Before the first cut, spend an hour on grinding the scythe, and the rest goes by itself.</p>',
    ),
    '/says-so-too': page('June', '<p>A scythe wants grinding twice in a summer. Hay wants sun.</p>'),
    '/heading': page('Tools', '<h2>Grinding a scythe</h2><p>Come on Tuesdays and somebody will show it to you.</p>'),
    '/code': page('Notes', '<p>What the machine said:</p><pre>grinding a scythe is done with a stone</pre>'),
    '/quote': page(
        'Letters',
        '<p>She wrote:</p><blockquote>I like grinding a scythe more than anything else.</blockquote>',
    ),
    '/linked-words': page(
        'Links',
        '<p>We once wrote of <a href="/speaks">grinding a scythe</a> in the meadow book.</p>',
    ),
    '/noindexed': page(
        'Hidden',
        '<p>Grinding a scythe is a thing for old men.</p>',
        '<meta name="robots" content="noindex">',
    ),
    '/has-it': page(
        'Linked',
        '<p>How <a href="/scythe-old-way">this is done</a>: grinding a scythe takes an hour.</p>',
    ),
    '/scythe-old-way': redirectTo('/scythe'),
    '/by-redirect': page(
        'Also linked',
        '<p>Of grinding a scythe we know much, <a href="/scythe-old-way">as here</a>.</p>',
    ),
    '/shared-1': page('Shared one', `<p>${FILLER} First.</p>${SHARED}`),
    '/shared-2': page('Shared two', `<p>${FILLER} Second.</p>${SHARED}`),
    '/full': page('Full', '<p><a href="/speaks">Every sentence on grinding a scythe is a link here already.</a></p>'),
    '/wrong-words': page(
        'Wrong',
        '<p>Read <a href="/says-so-too">about the old harbour master</a>, then <a href="/speaks">click here</a>, then of <a href="/speaks">the meadow</a>.</p>',
    ),
    '/loft': page('Laying loft boards', '<p>Measure twice before the first cut, and leave a gap.</p>'),
    ...Object.fromEntries(
        MANY.map((name, n) => [
            `/${name}`,
            page(`Neighbour ${n}`, `<p>Our loft boards were laid by number ${n} in the spring.</p>`),
        ]),
    ),
    '/de-sense': page('Sense dengeln', '<p>Erst dengeln, dann mit dem nassen Stein wetzen.</p>', '', 'de'),
    '/german': page('Wiese', '<p>Vor dem Mähen haben wir lange die Sensen gedengelt und gewetzt.</p>', '', 'de'),
    '/german-too': page('Heu', '<p>Heu braucht Sonne, Wind und Leute, die früh aufstehen.</p>', '', 'de'),
    '/fr-faux': page('Aiguiser une faux', '<p>On bat la lame, puis on passe la pierre mouillée.</p>', '', 'fr'),
    '/french': page('Le pré', '<p>Avant de couper le pré, il faut aiguiser les faux avec soin.</p>', '', 'fr'),
    '/french-too': page('Le foin', '<p>Le foin veut du soleil et du vent pendant trois jours.</p>', '', 'fr'),
    '/ja-kama': page('鎌の研ぎ方', '<p>砥石を水で濡らしてから刃を当てます。</p>', '', 'ja'),
    '/japanese': page('草刈り', '<p>朝の草刈りの前に、鎌の研ぎ方を覚えておくと仕事が楽になります。</p>', '', 'ja'),
    '/japanese-too': page('干し草', '<p>干し草には三日間の太陽と風がどうしても必要です。</p>', '', 'ja'),
    '/ar-minjal': page('شحذ المنجل', '<p>بلل الحجر بالماء ثم مرر الشفرة عليه.</p>', '', 'ar'),
    '/arabic': page('المرج', '<p>قبل حصاد المرج يجب شحذ المنجل جيدا في الصباح الباكر.</p>', '', 'ar'),
    '/arabic-too': page('القش', '<p>يحتاج القش إلى الشمس والريح ثلاثة أيام كاملة.</p>', '', 'ar'),
    '/cy-pladur': page('Hogi pladur', '<p>Curwch y llafn yn gyntaf, wedyn gwlychwch y garreg.</p>', '', 'cy'),
    '/welsh': page('Y ddôl', '<p>Cyn torri gwair mae angen hogi pladur yn ofalus yn y bore.</p>', '', 'cy'),
    '/welsh-too': page('Y gwair', '<p>Mae angen haul a gwynt am dri diwrnod ar y gwair.</p>', '', 'cy'),
});

const UNLINKED = ['scythe', 'loft', 'de-sense', 'fr-faux', 'ja-kama', 'ar-minjal', 'cy-pladur'];
const SITE: StandInSite = (request) => {
    if (request.path !== '/sitemap.xml') return PAGES(request);
    const entries = UNLINKED.map((name) => `<url><loc>http://${String(request.headers?.host)}/${name}</loc></url>`);
    const body = `<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${entries.join('')}</urlset>`;
    return { status: 200, headers: { 'content-type': 'application/xml' }, body };
};

let data: string;
let standIn: StandIn;
let app: Awaited<ReturnType<typeof startApplication>>;

const ask = (path: string): Promise<HttpAnswer> => askAt(app.address, `/api/v1/sites/1/${path}`);
const say = (method: string, path: string, body?: unknown): Promise<HttpAnswer> =>
    askAt(app.address, `/api/v1/sites/1/${path}`, {
        method,
        headers: { 'content-type': 'application/json', origin: app.address },
        ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
const read = async <T>(path: string): Promise<T> => JSON.parse((await ask(path)).body) as T;
const proposalsFor = (key: string): Promise<TargetProposals> =>
    read<TargetProposals>(`surveys/1/proposals?for=${encodeURIComponent(key)}`);
const pathOf = (url: string): string => new globalThis.URL(url).pathname;
const sourcesFor = async (key: string): Promise<string[]> =>
    (await proposalsFor(key)).proposals.map(({ source }) => pathOf(source)).sort();
const urlOf = (path: string): string => `http://127.0.0.1:${standIn.port}${path}`;

beforeAll(async () => {
    data = mkdtempSync(join(tmpdir(), 'edgemap-proposals-'));
    standIn = await startStandIn(SITE);
    const made = await runCommand(['survey', urlOf('/'), '--export', join(data, 'export'), '--data', data]);
    expect(made.code, made.out + made.err).toBe(0);
    app = await startApplication(['start'], data);
});
afterAll(async () => {
    await app.close();
    await standIn.close();
    rmSync(data, { recursive: true, force: true });
});

describe('proposals for a page', () => {
    it('are the sentences that speak of it, and nothing from headings, code, quotations, links, shared blocks, stopped or linking pages', async () => {
        expect(await sourcesFor('/scythe')).toEqual(['/says-so-too', '/speaks']);
    });

    it('show the sentence in its place, with the words and why', async () => {
        const { proposals, subject } = await proposalsFor('/scythe');
        const at = proposals.findIndex(({ source }) => pathOf(source) === '/speaks');
        const { passage, words, anchor, from, to, line, heading, before, parts } = proposals[at]!;
        expect(passage.slice(words[anchor[0]]!.from, words[anchor[1] - 1]!.to)).toBe('grinding the scythe');
        expect(passage.slice(from, to)).toBe(
            'Before the first cut, spend an hour on grinding the scythe, and the rest goes by itself.',
        );
        expect([line, heading, before]).toEqual([1, 'The meadow', 'Mow while the dew is on.']);
        expect(subject).toEqual(expect.arrayContaining(['grinding', 'scythe']));
        expect(parts.map(({ part }) => part)).toEqual([
            'speaks',
            'rare',
            'about',
            'alike',
            'near',
            'company',
            'high',
            'brief',
        ]);
        expect(parts.every(({ value, why }) => value >= 0 && value <= 1 && why !== '')).toBe(true);
    });

    it('say what the link would do: by the survey, links by redirects counted', async () => {
        const orphan = await proposalsFor('/cy-pladur');
        expect(orphan.needs).toContain('Orphan');
        // Start 0, the list 1, its page 2: a link there makes the orphan 3 clicks deep.
        expect(orphan.effects[0]).toMatchObject({ linksIn: [0, 1], depth: [null, 3], isOrphan: true });
        expect(orphan.effects[0]!.standing[1]).toBeGreaterThan(orphan.effects[0]!.standing[0]);
        const reached = await proposalsFor('/scythe');
        expect(reached.needs).toBe('2 pages link to it.');
        expect(reached.effects[0]).toMatchObject({ linksIn: [2, 3], isOrphan: false });
    });

    it.each([
        ['/de-sense', '/german'],
        ['/fr-faux', '/french'],
        ['/ja-kama', '/japanese'],
        ['/ar-minjal', '/arabic'],
        ['/cy-pladur', '/welsh'],
    ])('in other languages are found by the forms of their words: %s', async (target, source) => {
        expect(await sourcesFor(target)).toEqual([source]);
    });

    it('where no sentence fits are the nearest places, with what they share', async () => {
        const { proposals, nearest } = await proposalsFor('/shared-1');
        expect(proposals).toEqual([]);
        expect([pathOf(nearest[0]!.url), nearest[0]!.why]).toEqual(['/shared-2', 'same folder; shared']);
    });

    it('are given for the likeliest pages first, which says that there may be more', async () => {
        const first = await read<TargetProposals>('surveys/1/proposals?for=/loft&first=1');
        const all = await proposalsFor('/loft');
        // Forty of the forty-five pages are read at first; so many are shown of all of them.
        expect([first.isWhole, first.proposals.length, first.nearest]).toEqual([false, 40, []]);
        expect([all.isWhole, all.proposals.length]).toEqual([true, 40]);
        // Of a target of which few pages speak the first are all there is.
        expect(await read<TargetProposals>('surveys/1/proposals?for=/scythe&first=1')).toEqual(
            await proposalsFor('/scythe'),
        );
    });

    it('are refused where no page is named, or none is known', async () => {
        expect((await ask('surveys/1/proposals')).status).toBe(400);
        expect((await ask('surveys/1/proposals?for=/nowhere')).status).toBe(404);
    });
});

describe('what is answered', () => {
    it('refused is never shown again, put off comes last, and both can be taken back', async () => {
        const body = { source: urlOf('/speaks'), target: urlOf('/scythe') };
        expect((await say('POST', 'proposal-answers', { ...body, answer: 'refused' })).status).toBe(200);
        expect(await sourcesFor('/scythe')).toEqual(['/says-so-too']);
        await say('POST', 'proposal-answers', { ...body, answer: 'later' });
        const told = await proposalsFor('/scythe');
        expect(told.proposals.map(({ source }) => pathOf(source))).toEqual(['/says-so-too', '/speaks']);
        expect([told.refused, told.later]).toEqual([0, 1]);
        await say('POST', 'proposal-answers', { ...body, answer: 'open' });
        expect((await proposalsFor('/scythe')).later).toBe(0);
        expect((await say('POST', 'proposal-answers', { ...body, answer: 'perhaps' })).status).toBe(400);
    });

    it('taken is a change laid aside, counted, exported, and can be dropped', async () => {
        const change = {
            kind: 'add',
            page: urlOf('/speaks'),
            line: 1,
            newAnchor: '=grinding, "the" scythe',
            newTarget: urlOf('/scythe'),
            sentence: 'Spend an hour on grinding the scythe.',
        };
        const kept = JSON.parse(
            (await say('POST', 'laid-changes?survey=1', { changes: [change] })).body,
        ) as KeptChange[];
        expect(kept).toHaveLength(1);
        const told = await proposalsFor('/scythe');
        expect(told.taken).toBe(1);
        expect(told.proposals.map(({ source }) => pathOf(source))).toEqual(['/says-so-too']);
        // With the one taken before.
        expect(told.effects[0]).toMatchObject({ linksIn: [3, 4] });
        // The same link said again takes its place.
        const again = JSON.parse(
            (await say('POST', 'laid-changes', { changes: [{ ...change, newAnchor: 'scythe' }, change] })).body,
        ) as KeptChange[];
        expect(again.map(({ newAnchor }) => newAnchor)).toEqual(['=grinding, "the" scythe']);
        const csv = (await ask('laid-changes.csv')).body;
        expect(csv.split('\r\n')[0]).toBe('kind,page,line,block,old_anchor,new_anchor,old_target,new_target,sentence');
        // A cell that a spreadsheet would take for a formula is told as text.
        expect(csv).toContain(`add,${urlOf('/speaks')},1,,,"'=grinding, ""the"" scythe",,${urlOf('/scythe')},`);
        expect(JSON.parse((await say('DELETE', `laid-changes?id=${again[0]!.id}`)).body)).toEqual([]);
        expect((await say('DELETE', 'laid-changes?id=x')).status).toBe(400);
    });

    it.each([
        [{ kind: 'add', page: 'ftp://x/', newAnchor: 'a', newTarget: 'b' }, 'on which page'],
        [{ kind: 'add', page: 'https://a.example/', newAnchor: 'a' }, 'where the link'],
        [
            { kind: 'add', page: `https://a.example/${'é'.repeat(3_000)}`, newAnchor: 'a', newTarget: 'b' },
            '4,096 bytes',
        ],
        [{ kind: 'add', page: 'https://a.example/', newTarget: 'https://a.example/b' }, 'which words'],
        [{ kind: 'reword', page: 'https://a.example/', newAnchor: 'a' }, 'which link'],
    ])('a change that says too little is refused in a sentence: %j', async (change, said) => {
        const answer = await say('POST', 'laid-changes', { changes: [change] });
        expect([answer.status, answer.body]).toEqual([400, expect.stringContaining(said)]);
    });
});

describe('subjects and wanted links', () => {
    it('said of a page its subject counts before its own words, and is taken back', async () => {
        const subject = urlOf('/says-so-too');
        await say('PUT', 'subjects', { subjects: [{ by: 'page', subject, words: ['dew', 'mow'] }] });
        const told = await proposalsFor('/says-so-too');
        expect([told.subjectFrom, told.subject]).toEqual(['page', ['dew', 'mow']]);
        expect(told.proposals.map(({ source }) => pathOf(source))).toContain('/speaks');
        await say('PUT', 'subjects', { subjects: [{ by: 'page', subject, words: [] }] });
        expect((await proposalsFor('/says-so-too')).subjectFrom).toBe('worked out');
    });

    it('said of a set it is that of its pages', async () => {
        const line = 'url has "/says-so"';
        await say('PUT', 'subjects', { subjects: [{ by: 'set', subject: line, words: ['harbour'] }] });
        expect(await proposalsFor('/says-so-too')).toMatchObject({ subject: ['harbour'], subjectFrom: 'set' });
        expect((await proposalsFor('/speaks')).subjectFrom).toBe('worked out');
        await say('PUT', 'subjects', { subjects: [{ by: 'set', subject: line, words: [] }] });
    });

    it('wanted links are kept by priority, and told of a target', async () => {
        expect((await say('PUT', 'wanted-links', { first: 5, second: null, third: null, others: 3 })).status).toBe(200);
        expect(await proposalsFor('/scythe')).toMatchObject({ wanted: 3, has: 2 });
        expect((await say('PUT', 'wanted-links', { first: 0, second: null, third: null, others: null })).status).toBe(
            400,
        );
        await say('PUT', 'wanted-links', { first: null, second: null, third: null, others: null });
        expect((await proposalsFor('/scythe')).wanted).toBeNull();
    });
});

describe('words that say nothing', () => {
    interface Links {
        total: number;
        rows: { source: string; record: { anchor: string } }[];
    }
    const saying = async (says: string): Promise<string[]> =>
        (await read<Links>(`surveys/1/links?side=to&says=${says}`)).rows
            .map(({ source, record }) => `${pathOf(source)} ${record.anchor}`)
            .sort();
    const found = async (): Promise<number> =>
        (await read<{ total: number }>(`surveys/1/pages?set=${encodeURIComponent('has finding "anchor-generic"')}`))
            .total;

    it('are the site’s: added, they are found, counted and no name any more; taken back, all is as before', async () => {
        const change = { language: 'en', text: ' The meadow. ', isGeneric: true };
        const [nothing, fits] = [await saying('nothing'), await saying('fits')];
        expect(nothing).toEqual(['/wrong-words click here']);
        expect(fits).toContain('/wrong-words the meadow');
        expect(await read('surveys/1/generic-words?text=the+meadow&language=en')).toEqual({ links: 1, targets: 1 });
        expect(await read('surveys/1/generic-words?text=the+meadow&language=de')).toEqual({ links: 0, targets: 0 });
        const kept = await say('PUT', 'generic-words', change);
        expect(JSON.parse(kept.body)).toEqual([{ language: 'en', text: 'the meadow', isGeneric: true }]);
        expect(await saying('nothing')).toEqual(['/wrong-words click here', '/wrong-words the meadow']);
        expect(await saying('fits')).toEqual(fits.filter((row) => row !== '/wrong-words the meadow'));
        await say('PUT', 'generic-words', { language: 'en', text: 'click here', isGeneric: false });
        expect(await saying('nothing')).toEqual(['/wrong-words the meadow']);
        expect(await found()).toBe(1);
        await say('PUT', 'generic-words', { ...change, isGeneric: null });
        expect(await found()).toBe(0);
        await say('PUT', 'generic-words', { language: 'en', text: 'click here', isGeneric: null });
        expect([await saying('nothing'), await saying('fits')]).toEqual([nothing, fits]);
        expect(await read('generic-words')).toEqual([]);
    });

    it('are at most 500 of a site: one more is refused with a sentence, one said anew is not', async () => {
        for (let n = 0; n < 500; n++) {
            await say('PUT', 'generic-words', { language: 'en', text: `word ${n}`, isGeneric: true });
        }
        const more = await say('PUT', 'generic-words', { language: 'en', text: 'word 500', isGeneric: true });
        expect([more.status, more.body]).toEqual([400, expect.stringContaining('at most 500')]);
        const anew = await say('PUT', 'generic-words', { language: 'en', text: 'word 3', isGeneric: false });
        expect(anew.status).toBe(200);
        for (let n = 0; n < 500; n++) {
            await say('PUT', 'generic-words', { language: 'en', text: `word ${n}`, isGeneric: null });
        }
        expect(await read('generic-words')).toEqual([]);
    });

    it.each([
        [{ language: 'en', text: ' … ', isGeneric: true }, 'with a letter or a number among them'],
        [{ language: 'en', text: 'x'.repeat(41), isGeneric: true }, 'at most 40 characters'],
        [{ language: 'English', text: 'here', isGeneric: true }, 'first subtag'],
        [{}, ''],
    ])('that cannot be are refused with a sentence: %j', async (change, said) => {
        const answer = await say('PUT', 'generic-words', change);
        expect([answer.status, answer.body]).toEqual([400, expect.stringContaining(said)]);
    });
});

describe('all targets of a set', () => {
    const runOf = () => read<ProposalRun | null>('surveys/1/proposal-run');
    const ended = (): Promise<ProposalRun> =>
        until('the end of the run', async () => {
            const run = await runOf();
            return run && run.state !== 'waiting' && run.state !== 'running' ? run : undefined;
        });
    const csv = async (): Promise<string[]> => (await ask('surveys/1/proposals.csv')).body.trim().split(/\r?\n/);

    it('are looked through behind, and what is found is what each shows when it is opened', async () => {
        expect(await runOf()).toBeNull();
        expect((await ask('surveys/1/proposals.csv')).status).toBe(404);
        const begun = await say('POST', 'surveys/1/proposal-run', { set: 'indexable and not url has "neighbour"' });
        expect(JSON.parse(begun.body)).toMatchObject({ line: 'indexable and not url has "neighbour"', done: 0 });
        const run = await ended();
        expect([run.state, run.done, run.trouble]).toEqual(['done', run.targets, '']);
        const rows = await csv();
        expect(rows[0]).toBe('target,page,line,anchor,sentence,score');
        for (const path of ['/scythe', '/cy-pladur', '/ja-kama', '/speaks', '/code']) {
            const shown = (await proposalsFor(path)).proposals;
            const own = rows.filter((row) => row.startsWith(`${urlOf(path)},`));
            expect(
                own.map((row) => row.split(',')[1]),
                path,
            ).toEqual(shown.slice(0, 5).map(({ source }) => source));
        }
        expect(rows.find((row) => row.includes('/speaks,1,grinding the scythe,'))).toContain(
            '"Before the first cut, spend an hour on grinding the scythe, and the rest goes by itself."',
        );
        const found = new Map<string, number>();
        for (const row of rows.slice(1)) found.set(row.split(',')[0]!, (found.get(row.split(',')[0]!) ?? 0) + 1);
        expect(run.withSentences).toBe(found.size);
    });

    it('leave out what was refused, and may be whatever lacks links', async () => {
        await say('POST', 'proposal-answers', {
            answer: 'refused',
            source: urlOf('/welsh'),
            target: urlOf('/cy-pladur'),
        });
        await say('POST', 'surveys/1/proposal-run', { set: '' });
        expect((await ended()).state).toBe('done');
        const rows = await csv();
        expect(rows.some((row) => row.startsWith(`${urlOf('/cy-pladur')},`))).toBe(false);
        expect(rows.some((row) => row.startsWith(`${urlOf('/ja-kama')},`))).toBe(true);
        await say('POST', 'proposal-answers', { answer: 'open', source: urlOf('/welsh'), target: urlOf('/cy-pladur') });
    });

    it.each([
        ['depth > ', 'This set cannot be read'],
        ['noindex', 'No page of this set may be indexed'],
        [17, 'Say for which set'],
    ])('are refused with a sentence where there are none: %s', async (set, said) => {
        const answer = await say('POST', 'surveys/1/proposal-run', { set });
        expect([answer.status, answer.body]).toEqual([400, expect.stringContaining(said)]);
    });

    it('go on after a restart where a worker that died has left them', async () => {
        const paths = ['/scythe', '/cy-pladur', '/ja-kama', '/gone-meanwhile'];
        await app.stop();
        const hold = await holdDatabase(openDataFolder(data));
        const store = openStore(hold.access);
        const [survey] = await listSurveys(store.db, 1);
        const { id: surveyId, siteId, revision } = survey!;
        const targets = paths.map(urlOf);
        await startProposalRun(store.db, { siteId, surveyId, revision, line: 'all', targets });
        const dead = '999999:1';
        const run = (await takeProposalRun(store.db, dead, () => false))!;
        // Nobody else has it while its worker lives.
        expect(await takeProposalRun(store.db, 'other:1', () => false)).toBeNull();
        await saveFound(store.db, run.id, 0, { sentences: 77, best: [] });
        // Of another revision nothing was looked for.
        expect(await latestProposalRun(store.db, { id: surveyId, revision: revision + 1 })).toBeNull();
        await store.close();
        await hold.release();
        app = await startApplication(['start'], data);
        const told = await ended();
        expect([told.state, told.done, told.targets]).toEqual(['done', 4, 4]);
        // What was done is not done again: the made-up number stays.
        expect(told.sentences).toBe(77 + 1 + 1);
    });

    it('are given up where each who takes them ends, and go with their survey', async () => {
        await app.stop();
        const hold = await holdDatabase(openDataFolder(data));
        const store = openStore(hold.access);
        const { db } = store;
        const other = { siteId: 1, surveyId: 4_711, revision: 1, line: 'all', targets: [urlOf('/scythe')] };
        await startProposalRun(db, other);
        const owners = ['9:1', '9:2', '9:3', '9:4', '9:5', '9:6'];
        const taken = [];
        for (const owner of owners) taken.push((await takeProposalRun(db, owner, () => true))!);
        expect(taken.map(({ isGivenUp }) => isGivenUp)).toEqual([false, false, false, false, false, true]);
        await doProposalRun(store, taken[5]!, owners[5]!);
        const told = (await latestProposalRun(db, { id: 4_711, revision: 1 }))!;
        expect([told.state, told.done]).toEqual(['failed', 0]);
        expect(told.trouble).toContain('it was begun several times');
        await deleteSurveys(db, [4_711]);
        expect(await latestProposalRun(db, { id: 4_711, revision: 1 })).toBeNull();
        expect(await openTargets(db, told.id, 10)).toEqual([]);
        await store.close();
        await hold.release();
        app = await startApplication(['start'], data);
    });

    it('can be stopped: what was found stays', async () => {
        await say('POST', 'surveys/1/proposal-run', { set: 'indexable' });
        const stopped = JSON.parse((await say('DELETE', 'surveys/1/proposal-run')).body) as ProposalRun;
        expect(['stopped', 'done']).toContain(stopped.state);
        expect(stopped.targets).toBeGreaterThan(50);
        const later = (await runOf())!;
        expect([later.state, later.endedAt]).toEqual([stopped.state, stopped.endedAt]);
    });
});

describe('outward', () => {
    const targetsOf = ({ proposals }: OutwardProposals): string[] => proposals.map(({ target }) => pathOf(target));

    it('a page could lead to what its text calls by name, and does not lead to yet', async () => {
        const told = await read<OutwardProposals>('surveys/1/proposals/outward?of=/speaks');
        expect(targetsOf(told)).toContain('/scythe');
        expect(targetsOf(await read<OutwardProposals>('surveys/1/proposals/outward?of=/full'))).toEqual([]);
    });

    it('so could a text that is no page yet, as text and as HTML', async () => {
        const text = 'A new page\n\nWe spent the day grinding a scythe and drinking tea.';
        const plain = JSON.parse((await say('POST', 'surveys/1/proposals/outward', { text })).body) as OutwardProposals;
        // Another page is called by these words too, by a link of another's text.
        expect(targetsOf(plain)).toEqual(['/scythe', '/speaks']);
        expect(plain.proposals[0]!.line).toBe(3);
        const html =
            '<h2>Grinding a scythe</h2><p>We spent the day <a href="/x">grinding a scythe</a> and drinking tea.</p>';
        const marked = JSON.parse(
            (await say('POST', 'surveys/1/proposals/outward', { text: html })).body,
        ) as OutwardProposals;
        expect(targetsOf(marked)).toEqual([]);
        expect((await say('POST', 'surveys/1/proposals/outward', { text: '' })).status).toBe(400);
    });

    it('other pages that the same words fit are offered, without the one in hand', async () => {
        const query = new URLSearchParams({
            words: 'grinding a scythe',
            source: urlOf('/german-too'),
            target: urlOf('/speaks'),
        });
        const others = await read<{ url: string }[]>(`surveys/1/proposals/other?${query}`);
        expect(pathOf(others[0]!.url)).toBe('/scythe');
        expect(others.map(({ url }) => pathOf(url))).not.toContain('/speaks');
    });
});

describe('anchors', () => {
    it('that call a page are told with their sentences', async () => {
        const query = new URLSearchParams({ to: '/says-so-too', anchor: 'about the old harbour master' });
        const { links, more } = await read<LinksInSentences>(`surveys/1/anchor-sentences?${query}`);
        expect(more).toBe(0);
        expect(links.map(({ page: on, sentence, from, to }) => [pathOf(on), sentence.slice(from, to)])).toEqual([
            ['/wrong-words', 'about the old harbour master'],
        ]);
        expect(links[0]!.sentence).toBe('Read about the old harbour master, then click here, then of the meadow.');
    });

    it('are held against the subject of their target: fits, off it, says nothing', async () => {
        const shown = async (key: string): Promise<string> =>
            (await askAt(app.address, `/sites/1/1/anchors?of=${encodeURIComponent(key)}`)).body;
        const off = await shown('/says-so-too');
        expect(off).toContain('about the old harbour master');
        expect(off).toMatch(/shares nothing with/);
        const meadow = await shown('/speaks');
        expect(meadow).toMatch(/“click here”[\s\S]{0,400}says nothing of it/);
        expect(meadow).toMatch(/“the meadow”[\s\S]{0,400}shares: meadow/);
    });
});
