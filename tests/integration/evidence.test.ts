/** Lists from elsewhere: read from real files of many forms, given before a survey and added after it. */
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { evidenceNames } from '$lib/core/evidence/evidence.ts';
import { DEFAULT_ROBOT_WORDS } from '$lib/core/evidence/robot-agents.ts';
import type { ListKind } from '$lib/core/evidence/evidence-lists.ts';
import { linksIn } from '$lib/core/areas/links-in.ts';
import { packSurvey } from '$lib/core/pack/pack-survey.ts';
import { NO_URL_RULES } from '$lib/core/address/url-rules.ts';
import { measureSurvey } from '../support/reference/measured-survey.ts';
import { nodeOfUrl } from '../support/reference/node-of-url.ts';
import { makeList, bareCount } from '$lib/server/evidence/make-list.ts';
import { readListFile, readTyped, previewTable, type ListContext } from '$lib/server/evidence/read-list.ts';
import {
    addList,
    giveList,
    listedUrls,
    evidenceLists,
    listRevisions,
    loadBadLines,
    loadLists,
    loadVisits,
} from '$lib/server/store/evidence-store.ts';
import { loadRows } from '$lib/server/store/rows-store.ts';
import { getSurvey, infoOf, resumeSurvey } from '$lib/server/store/survey-store.ts';
import { evidenceOf, EVIDENCE_FILES } from '../../demo/make-evidence.ts';
import { EDITIONS } from '../../demo/fernhollow/editions.ts';
import { nodesOfLine } from '../support/sets.ts';
import { openInstance, temporaryFolder, type Instance } from '../support/instance.ts';
import { openSurvey, tableSite } from '../support/survey.ts';

const ORIGIN = 'https://www.site.example';
const CONTEXT: ListContext = {
    start: `${ORIGIN}/`,
    belongs: (url) => url.startsWith(`${ORIGIN}/`),
    rules: NO_URL_RULES,
};

let folder = '';
let instance: Instance;
beforeAll(async () => {
    folder = temporaryFolder('lists');
    instance = await openInstance();
});
afterAll(async () => {
    await instance.close();
    rmSync(folder, { recursive: true, force: true });
});

function file(name: string, content: string | Buffer): string {
    const path = join(folder, name);
    writeFileSync(path, content);
    return path;
}

async function read(kind: ListKind, content: string | Buffer, name = 'list.csv') {
    const result = await readListFile(file(name, content), kind, CONTEXT, DEFAULT_ROBOT_WORDS);
    return result.ok
        ? result.read
        : {
              say: result.say,
              rows: [],
              bad: 0,
              badLines: [],
              lines: 0,
              columns: [],
              notes: [],
              robots: null,
              doubt: '',
          };
}

describe('tables', () => {
    it.each<[string, string | Buffer]>([
        ['commas', 'url,visits\n/a,3\n/b,4\n'],
        ['semicolons', 'url;visits\n/a;3\n/b;4\n'],
        ['tabs', 'url\tvisits\n/a\t3\n/b\t4\n'],
        ['bars', 'url|visits\n/a|3\n/b|4\n'],
        ['quotes', '"url","visits"\n"/a","3"\n"/b","4"\n'],
        ['a byte order mark and Windows line ends', '\uFEFFurl,visits\r\n/a,3\r\n/b,4\r\n'],
        ['UTF-16', Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from('url,visits\n/a,3\n/b,4\n', 'utf16le')])],
        ['gzip', gzipSync('url,visits\n/a,3\n/b,4\n')],
        ['gzip of several members', Buffer.concat([gzipSync('url,visits\n/a,3\n'), gzipSync('/b,4\n')])],
        ['no row of names', '/a,3\n/b,4\n'],
        ['the address in the second column', 'visits,page\n3,/a\n4,/b\n'],
        ['rows of different lengths', 'url,visits\n/a,3,x\n/b,4\n'],
        ['no line end at the end', 'url,visits\n/a,3\n/b,4'],
        ['empty lines', '\nurl,visits\n\n/a,3\n\n/b,4\n\n'],
    ])('parted by or with %s', async (_name, content) => {
        const { rows } = await read('visits', content);
        expect(rows.map(({ url, cells }) => [url, cells[0]])).toEqual([
            [`${ORIGIN}/a`, 3],
            [`${ORIGIN}/b`, 4],
        ]);
    });

    it('reads letters outside ASCII in the charset the file has', async () => {
        const plain = 'url,titel\n/stra\u00dfe,\u00e4\n';
        for (const content of [Buffer.from(plain, 'utf8'), Buffer.from(plain, 'latin1')]) {
            expect((await read('visits', content)).rows.map((row) => row.url)).toEqual([`${ORIGIN}/stra%C3%9Fe`]);
        }
    });

    it('adds up what is said of one address, and keeps the last date', async () => {
        const { rows, columns } = await read(
            'visits',
            'url,visits,last\n/a,3,2026-03-01\n/a#top,4,2026-03-09\nhttps://www.site.example/a,,2026-02-01\n',
        );
        expect(columns).toEqual([
            { name: 'visits', type: 'number' },
            { name: 'last', type: 'date' },
        ]);
        expect(rows).toEqual([{ url: `${ORIGIN}/a`, source: '', cells: [7, Date.UTC(2026, 2, 9)] }]);
    });

    it('keeps bad rows with their line and reason, and reads on', async () => {
        const { rows, bad, badLines } = await read('visits', 'url,n\n/a,1\n,2\nhttp://[,3\n/b,4\n');
        expect(rows.map((row) => row.url)).toEqual([`${ORIGIN}/a`, `${ORIGIN}/b`]);
        expect(bad).toBe(2);
        expect(badLines.map(({ line, why }) => [line, why])).toEqual([
            [3, 'no-address'],
            [4, 'bad-address'],
        ]);
    });

    it('keeps links of other sites one by one', async () => {
        const { rows } = await read(
            'external',
            'target,source\n/a,https://one.example/\n/a,https://two.example/\n/a,https://one.example/\n',
        );
        expect(rows.map(({ url, source }) => [url, source])).toEqual([
            [`${ORIGIN}/a`, 'https://one.example/'],
            [`${ORIGIN}/a`, 'https://two.example/'],
        ]);
    });

    it.each<[string, ListKind, string | Buffer, RegExp]>([
        ['is empty', 'visits', '', /is empty/],
        ['holds no address', 'visits', 'a,b\n1,2\n', /No column holds addresses/],
        ['has one column of addresses where two are due', 'external', 'url\n/a\n', /Only one column/],
        ['is no text', 'visits', Buffer.alloc(2_000), /NUL bytes/],
        [
            'is broken gzip',
            'visits',
            Buffer.concat([Buffer.from([0x1f, 0x8b]), Buffer.from('nonsense')]),
            /cannot be read/,
        ],
        ['is an HTML page as a log', 'log', '<!doctype html><title>x</title>\n<p>y\n', /no access log/],
        ['is an empty log', 'log', '', /is empty/],
    ])('a file that %s is refused in a sentence', async (_name, kind, content, say) => {
        const result = await read(kind, content);
        expect(result).toMatchObject({ rows: [] });
        expect('say' in result && result.say).toMatch(say);
    });

    it('shows what it would take each column for before anything is imported', async () => {
        const shown = await previewTable(file('p.csv', 'page;hits\n/a;1\n'), 'visits', CONTEXT);
        expect(shown).toMatchObject({
            ok: true,
            preview: {
                separator: ';',
                rows: [
                    ['page', 'hits'],
                    ['/a', '1'],
                ],
                mapping: { url: 0, hasHeader: true },
            },
        });
    });

    it('takes a line of a hundred megabytes for a bad one', async () => {
        const alone = await read('log', gzipSync(Buffer.alloc(100_000_000, 'x')), 'long.log.gz');
        expect('say' in alone && alone.say).toMatch(/not one of its 1 lines can be read.*longer than 64 KiB/);
        const log = `1.2.3.4 - - [10/Oct/2026:13:55:36 +0200] "GET /a HTTP/1.1" 200 1 "-" "B"\n`;
        const mixed = await read(
            'log',
            gzipSync(
                Buffer.concat([Buffer.from(log), Buffer.alloc(100_000_000, 'x'), Buffer.from('\n'), Buffer.from(log)]),
            ),
            'mixed.log.gz',
        );
        expect(mixed.rows.map((row) => [row.url, row.cells[0]])).toEqual([[`${ORIGIN}/a`, 2]]);
        expect(mixed.bad).toBe(1);
    });

    it('reads what is typed in, line by line', () => {
        const typed = readTyped('/a\n\n https://www.site.example/b \nwhat is this\n', CONTEXT);
        expect(typed.rows.map((row) => row.url)).toEqual([`${ORIGIN}/a`, `${ORIGIN}/b`]);
    });
});

const page = (title: string, ...links: string[]): string =>
    `<title>${title}</title>${links.map((href) => `<a href="${href}">x</a>`).join(' ')}`;
const SITE = tableSite({
    '/': page('Home', '/a', '/old'),
    '/a': page('A', '/'),
    '/old': { status: 301, headers: { location: '/a' } },
    '/hidden': page('Hidden', '/hidden/more'),
    '/hidden/more': page('More'),
    '/visited': page('Visited'),
    '/robots.txt': 'User-agent: *\nDisallow: /shut\n',
});

describe('what robots asked for', () => {
    const line = (path: string, status: number, agent: string): string =>
        `1.2.3.4 - - [10/Oct/2026:13:55:36 +0200] "GET ${path} HTTP/1.1" ${status} 1 "-" "${agent}"`;
    const TEXT = [
        line('/a?utm=1', 200, 'AnyAgent/5 (compatible; OtterBot/2.1)'),
        line('/a', 304, 'AnyAgent/5 (compatible; OtterBot/3.0)'),
        line('/gone', 404, 'HeronCrawler/1'),
        line('/a', 200, 'AnyBrowser/14'),
    ].join('\n');

    it('is kept with the log, by name and in the spelling of the site, and read back as it was', async () => {
        const log = await readListFile(file('robots.log', TEXT), 'log', CONTEXT, DEFAULT_ROBOT_WORDS);
        if (!log.ok) throw new Error(log.say);
        const survey = await openSurvey(instance, SITE);
        const { db } = instance.store;
        expect(await loadVisits(db, survey.id, 1)).toEqual([]);
        await giveList(db, survey.id, makeList('log', 'robots.log', log.read));
        const [visits, ...more] = await loadVisits(db, survey.id, 1);
        expect(more).toEqual([]);
        const told = Array.from(visits!.robot, (robot, at) => [
            visits!.robots[robot],
            visits!.urls[visits!.url[at]!]!.replace(ORIGIN, ''),
            visits!.fine[at],
            visits!.redirect[at],
            visits!.error[at],
        ]);
        expect(told.sort()).toEqual([
            ['HeronCrawler', '/gone', 0, 0, 1],
            ['OtterBot', '/a', 1, 0, 0],
            ['OtterBot', '/a?utm=1', 1, 0, 0],
        ]);
        expect(visits!.first).toBe(Date.UTC(2026, 9, 10, 11, 55, 36));
        // A revision before the list had none of it.
        expect(await loadVisits(db, survey.id, 0)).toEqual([]);
        await survey.close();
    });
});

describe('a survey with evidence', () => {
    const LOG = ['/a', '/hidden', '/gone', '/shut'].map(
        (path) => `1.2.3.4 - - [10/Oct/2026:13:55:36 +0200] "GET ${path} HTTP/1.1" 200 1 "-" "B"`,
    );

    it('reads what only other evidence knows, follows what is found there, and asks for nothing closed', async () => {
        const survey = await openSurvey(instance, SITE);
        const log = await read('log', LOG.join('\n'), 'access.log');
        const links = await read(
            'external',
            'from,to\nhttps://o.example/,/old\nhttps://o.example/2,/shut\nhttps://o.example/,https://elsewhere.example/\n',
        );
        await giveList(instance.store.db, survey.id, makeList('log', 'access.log', log));
        await giveList(instance.store.db, survey.id, makeList('external', 'links.csv', links));
        const { survey: made, measured, log: asked } = await survey.run();
        await survey.close();
        expect(made).toMatchObject({ state: 'finished', revision: 1, cut: [] });
        const evidence = Object.fromEntries(
            measured.urls.map((url, node) => [
                url.replace(ORIGIN, ''),
                evidenceNames(measured.evidence[node]!).join(' '),
            ]),
        );
        expect(evidence).toEqual({
            '/': 'link manual',
            '/a': 'link redirect log',
            '/old': 'link external',
            '/hidden': 'log',
            '/hidden/more': 'link',
            '/gone': 'log',
            '/shut': 'log external',
        });
        const at = (line: string): string[] =>
            nodesOfLine(measured, line).map((node) => measured.urls[node]!.replace(ORIGIN, ''));
        expect(at('strict orphan')).toEqual(['/hidden']);
        expect(at('adrift')).toEqual(['/hidden/more']);
        expect(asked.some((entry) => entry.url.endsWith('/shut'))).toBe(false);
        expect(linksIn(packSurvey(measured).survey, links.rows).map((item) => item.landing)).toEqual([
            'redirect',
            'closed',
            'unknown',
        ]);
        const urls: string[] = [];
        for await (const known of listedUrls(instance.store.db, survey.id))
            urls.push(`${known.evidence} ${known.url.replace(ORIGIN, '')}`);
        expect(urls).toEqual([
            'log /a',
            'log /hidden',
            'log /gone',
            'log /shut',
            'external /old',
            'external /shut',
            'external https://elsewhere.example/',
        ]);
    });

    it('takes more when it has ended: a new revision, what it said before kept, and what is new read on demand', async () => {
        const { db } = instance.store;
        const survey = await openSurvey(instance, SITE);
        const first = await survey.run();
        const visits = await read(
            'visits',
            'url,visits\n/a,9\n/visited,4\n/gone,1\nbad one,2\nhttps://elsewhere.example/,3\n',
        );
        const made = makeList('visits', 'visits.csv', visits);
        const known = new Map(first.measured.rows.addresses.map((row) => [row.url, row.id]));
        const fresh = [`${ORIGIN}/visited`, `${ORIGIN}/gone`];
        const added = await addList(db, survey.id, made, fresh, known, { pages: 2 });
        expect(added).toEqual({ ok: true, revision: 2 });
        expect(await listRevisions(db, survey.id)).toMatchObject([{ number: 1, summary: { pages: 2 } }]);

        // Known, and not read: no page is asked for by adding a list.
        const before = survey.standIn.log.length;
        const { measured: then } = await measure(survey.id);
        const visited = nodeOfUrl(then, `${ORIGIN}/visited`)!;
        expect(then.pages[visited]).toMatchObject({ status: null, notRead: 'later' });
        expect(evidenceNames(then.evidence[nodeOfUrl(then, `${ORIGIN}/a`)!]!)).toEqual(['link', 'redirect', 'visits']);
        expect(then.complete).toBe(true);
        expect(survey.standIn.log.length).toBe(before);

        await resumeSurvey(db, survey.id);
        const { survey: on, measured } = await survey.run();
        await survey.close();
        expect(on).toMatchObject({ state: 'finished', revision: 3 });
        expect(measured.pages[nodeOfUrl(measured, `${ORIGIN}/visited`)!]).toMatchObject({
            status: 200,
            title: 'Visited',
        });
        expect(measured.pages[nodeOfUrl(measured, `${ORIGIN}/gone`)!]).toMatchObject({ status: 404 });
        // Nothing was read twice.
        const asked = survey.standIn.log.map((entry) => new URL(entry.url).pathname);
        expect(asked.filter((path) => path === '/a').length).toBe(1);
        const [list] = await loadLists(db, survey.id);
        expect(list).toMatchObject({ kind: 'visits', name: 'visits.csv', outcome: { bad: 1, rows: 4 } });
        expect(await loadBadLines(db, survey.id, list!.id)).toEqual([
            { line: 5, why: 'bad-address', text: 'bad one,2' },
        ]);
    });

    it('takes nothing while it is under way, and a bare count without a list', async () => {
        const { db } = instance.store;
        const survey = await openSurvey(instance, SITE);
        const count = bareCount('search', 'the index of the county', 480, '2026-03-02');
        expect(await addList(db, survey.id, count, [], new Map(), {})).toMatchObject({ ok: false });
        await survey.run();
        await survey.close();
        expect(await addList(db, survey.id, count, [], new Map(), {})).toMatchObject({ ok: true, revision: 2 });
        expect((await evidenceLists(db, survey.id))[0]?.outcome.bare).toEqual({ count: 480, day: '2026-03-02' });
    });
});

async function measure(surveyId: number) {
    const survey = (await getSurvey(instance.store.db, surveyId))!;
    return { measured: measureSurvey(infoOf(survey), await loadRows(instance.store.db, surveyId)) };
}

describe('the lists of the demo', () => {
    it.each(EDITIONS)('of %s are as they are made, and can be read', async (edition) => {
        const made = evidenceOf(edition);
        for (const kind of ['log', 'visits', 'search', 'external'] as const) {
            const path = join('demo/evidence', edition, EVIDENCE_FILES[kind]);
            expect(readFileSync(path, 'utf8') === made[kind], `${path} is out of date: npm run demo-evidence`).toBe(
                true,
            );
            const result = await readListFile(
                path,
                kind,
                { ...CONTEXT, start: 'https://www.fernhollow-tools.example/' },
                DEFAULT_ROBOT_WORDS,
            );
            expect(result.ok && result.read.rows.length, kind).toBeGreaterThan(30);
        }
    });
});
