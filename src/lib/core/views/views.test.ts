import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { randomSite } from '../../../../tests/support/random-site.ts';
import { checkView, nodesAbout, withGoal } from '../../../../tests/support/checks.ts';
import { nodesIn, sizeFound } from '../../../../tests/support/sets.ts';
import { rule } from '../../../../tests/support/problems.ts';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import type { RobotsText } from '../checks/check.ts';
import { problem, writeProblem, type ProblemText } from '../problems/problem.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { packedOf } from '../../wire/packed-head.ts';
import { Bits } from '../sets/bits.ts';
import { AREAS, viewNamed, VIEWS } from './areas.ts';
import { countPages } from '../areas/count-pages.ts';
import { linksInView } from './links-in.ts';
import { orphansView } from './orphans.ts';
import { briefView } from './brief.ts';
import { reachView } from './reach.ts';
import { weightView } from './weight.ts';
import { contradictions } from './contradictions.ts';
import { canonicalsView } from './canonicals.ts';
import { causesView, causesWith } from './causes.ts';
import { checksView, type CheckRow } from './checks.ts';
import { siteFindings } from '../checks/site-findings.ts';
import { gatesView } from './gates.ts';
import { robotsView } from './robots.ts';

const survey = packSurvey(randomSite(7, 200).measure()).survey;
const none = new Uint8Array(survey.count);
const size = (line: string, priority = none): number => nodesIn(survey, line, priority).length;

/** All pairs of a set and a number of pages anywhere in a view model. */
function countedSets(value: unknown, found: { set: string; pages: number }[] = []): { set: string; pages: number }[] {
    if (typeof value !== 'object' || value === null) return found;
    const { set, pages } = value as { set?: unknown; pages?: unknown };
    if (typeof set === 'string' && typeof pages === 'number') found.push({ set, pages });
    for (const part of Object.values(value)) countedSets(part, found);
    return found;
}

describe('the view model of Weight', () => {
    const view = weightView({ survey, priority: none, within: null, against: null });

    it('gives every number with the set it counts', () => {
        const counted = countedSets(view).filter(({ set }) => set !== view.top?.set);
        expect(counted.length).toBeGreaterThan(4);
        for (const { set, pages } of counted) expect(size(set), set).toBe(pages);
        // The top tenth begins at a standing that several may have.
        expect(Math.abs(size(view.top!.set) - view.top!.pages)).toBeLessThanOrEqual(2);
    });

    it('shares out all pages and all standing over the sections, as their sets hold them', () => {
        const sum = (of: (section: (typeof view.sections)[number]) => number): number =>
            view.sections.reduce((all, section) => all + of(section), 0);
        expect(sum(({ pages }) => pages)).toBe(view.ranked.pages);
        expect(sum(({ shareOfPages }) => shareOfPages)).toBeCloseTo(1, 10);
        expect(sum(({ shareOfStanding }) => shareOfStanding)).toBeCloseTo(1, 8);
        for (const { ranked, pages, section } of view.sections) if (ranked) expect(size(ranked), section).toBe(pages);
    });

    it('tells the flow from section to section by sets that hold its pages', () => {
        // Nine sections are listed, the smaller ones together: of twelve the last four.
        const site = new Site().known('/', 'manual');
        const sections = Array.from({ length: 12 }, (_, n) => `/s${n}/`);
        sections.forEach((folder, n) => {
            const own = Array.from({ length: 14 - n }, (_, page) => `${folder}${page}`);
            own.forEach((path, page) => site.page(path, [{ to: own[0]! }, { to: `/s${(n * 5 + page) % 12}/0` }]));
        });
        const even = packSurvey(
            site
                .page(
                    '/',
                    sections.map((folder) => ({ to: `${folder}0` })),
                )
                .measure(),
        ).survey;
        const {
            sections: listed,
            flow,
            flowSets,
        } = weightView({ survey: even, priority: none, within: null, against: null });
        expect(listed.at(-1)).toMatchObject({ section: '5 others', ranked: null });
        flow.links.forEach((row, from) =>
            row.forEach((links, to) => {
                const pages = nodesIn(even, flowSets[from]![to]!).length;
                expect(pages === 0, flowSets[from]![to]).toBe(links === 0);
                expect(pages).toBeLessThanOrEqual(links);
            }),
        );
    });

    it('says what it was not asked, and what the current set holds', () => {
        expect(view.misfits).toBeNull();
        expect(view.inSet).toBeNull();
        const priority = none.slice().fill(1, 0, 20);
        const within = Bits.of(survey.count, nodesIn(survey, 'section is guides'));
        const asked = weightView({ survey, priority, within, against: 'nothing of that name' });
        expect(asked.prioritised).toBe(20);
        expect(asked.misfits!.starvedTotal).toBe(size('starved', priority));
        const guides = asked.sections.find(({ section }) => section === 'guides')!;
        expect(asked.inSet!.shareOfPages).toBeCloseTo(guides.shareOfPages, 10);
        expect(asked.inSet!.shareOfStanding).toBeCloseTo(guides.shareOfStanding, 10);
    });
});

describe('the view model of the Brief', () => {
    const checks = withGoal(survey, 2);
    const request = { checks, priority: none, within: null, isEnded: true, baseline: null };
    const view = briefView(request);

    it('gives every job with the set it concerns', () => {
        const counted = countedSets(view.jobs);
        expect(counted.length).toBeGreaterThan(3);
        for (const { set, pages } of counted) expect(sizeFound(checks, set), set).toBe(pages);
    });

    it('counts as the sets count', () => {
        expect(view.counts.pages).toBe(size('page'));
        expect(view.counts.reached).toBe(size('page and reached'));
        expect(view.counts.orphans!.all).toBe(size('orphan'));
        for (const { from, to, pages } of view.depths) expect(pages).toBe(size(`page and depth from ${from} to ${to}`));
    });

    it('tells of a set beside the whole, and of jobs only when nothing changes any more', () => {
        const within = Bits.of(survey.count, nodesIn(survey, 'section is tools'));
        const part = briefView({ ...request, within });
        expect(part.counts).toEqual(view.counts);
        expect(part.inSet!.pages).toBe(size('page and section is tools'));
        expect(part.depthsInSet!.map(({ from, to }) => [from, to])).toEqual(
            part.depths.map(({ from, to }) => [from, to]),
        );
        expect(briefView({ ...request, isEnded: false }).jobs).toBeNull();
    });

    it('compares with a baseline, and with itself finds nothing changed', () => {
        const again: PackedSurvey = packSurvey(randomSite(7, 200).measure()).survey;
        const { since } = briefView({ ...request, baseline: { survey: again, id: 1, revision: 1 } });
        for (const { before, after, name } of since!.rows) expect(after, name).toBe(before);
        expect(since!.orphans).toMatchObject({ reached: 0, gone: 0, new: 0 });
    });
});

describe('the view model of Reach', () => {
    const goals = { all: 2, first: 1, second: null, third: 3 };
    const priority = none.map((_, node) => node % 4);
    const request = { survey, priority, within: null, goals, followedOnly: false };
    const view = reachView(request);

    it('gives every number with the set it counts', () => {
        const counted = countedSets(view);
        expect(counted.length).toBeGreaterThan(12);
        for (const { set, pages } of counted) expect(size(set, priority), set).toBe(pages);
        expect(view.beyond.map(({ priority: of, goal }) => [of, goal])).toEqual([
            [null, 2],
            [1, 1],
            [3, 3],
        ]);
    });

    it('counts depths along followed links where it is asked to, and tells the rest as it is', () => {
        const followed = reachView({ ...request, followedOnly: true });
        const depths = survey.numbers('followed_depth');
        const isPage = survey.numbers('page');
        for (const { from, to, pages } of followed.depths) {
            const there = [...depths].filter((depth, node) => isPage[node] === 1 && depth >= from && depth <= to);
            expect(pages).toBe(there.length);
        }
        expect(followed.counts).toEqual(view.counts);
        expect(followed.deep).toBeNull();
    });

    it('lays the current set beside the whole, depth by depth', () => {
        const within = Bits.of(survey.count, nodesIn(survey, 'section is journal'));
        const part = reachView({ ...request, within });
        part.depthsInSet!.forEach(({ from, to, pages }) =>
            expect(pages).toBe(size(`page and section is journal and depth from ${from} to ${to}`)),
        );
        expect(part.orphansInSet).toBe(size('orphan and section is journal'));
    });
});

describe('the view model of orphans', () => {
    const all = size('orphan');
    const view = orphansView(survey, countPages(survey), 0);

    it('counts what its sets hold', () => {
        expect(all).toBeGreaterThan(5);
        const { counts } = view;
        expect([counts.all, counts.strict, counts.adrift, counts.indexable, counts.inIslands]).toEqual(
            ['orphan', 'strict orphan', 'adrift', 'orphan and indexable', 'orphan and in an island'].map((line) =>
                size(line),
            ),
        );
        expect(counts.listing).toBe(size('listing only'));
        expect(counts.decline).toBe(size('decline only'));
        expect(counts.behindRefresh).toBe(size('orphan and behind a refresh'));
    });

    it('shares them out over their sections, and shows them from where it is told', () => {
        for (const { section, pages } of view.bySection) expect(size(`orphan and section is "${section}"`)).toBe(pages);
        expect(view.bySection.reduce((sum, { pages }) => sum + pages, 0)).toBe(all);
        const urls = nodesIn(survey, 'orphan').map((node) => survey.url(node));
        expect(view.orphans.map(({ url }) => url)).toEqual(urls);
        expect(orphansView(survey, countPages(survey), 3).orphans.map(({ url }) => url)).toEqual(urls.slice(3));
        expect(orphansView(survey, countPages(survey), 10_000).orphans).toEqual([]);
    });
});

describe('the view model of links from other sites', () => {
    const site = new Site()
        .known('/', 'manual')
        .page('/', [{ to: '/a' }, { to: '/old' }, { to: '/gone' }])
        .page('/a');
    const { survey: own } = packSurvey(
        site
            .page('/gone', [], { status: 404, words: null })
            .page('/old', [], { status: 301, words: null, redirectTo: site.id('/a') })
            .measure(),
    );
    const row = (source: string, path: string) => ({ url: `https://site.example${path}`, source, cells: [] });
    const rows = [
        row('https://one.example/x', '/a'),
        row('https://one.example/y', '/gone'),
        row('https://two.example/', '/gone'),
        row('https://two.example/', '/old'),
        row('https://three.example/', '/nowhere'),
    ];

    it('tells how many land how, from how many hosts, and shows those that go astray', () => {
        const view = linksInView(own, rows, null);
        expect(view).toMatchObject({
            given: true,
            total: 5,
            hosts: 3,
            targets: 4,
            counts: { page: 1, error: 2, redirect: 1, unknown: 1 },
        });
        expect(view.links.map(({ landing }) => landing)).toEqual(['error', 'error', 'redirect', 'unknown']);
        expect(linksInView(own, rows, 'page').links).toHaveLength(1);
        expect(linksInView(packSurvey(site.measure()).survey, [], null)).toMatchObject({
            given: false,
            total: 0,
            hosts: 0,
        });
    });
});

describe('the registry of areas', () => {
    const routes = join(import.meta.dirname, '../../../routes/sites/[site]/[survey]');

    it('has a route for every view, and every view in one area', () => {
        const there = readdirSync(routes).filter((name) => statSync(join(routes, name)).isDirectory());
        // The source of a page is a view of no area.
        expect([...VIEWS.map(({ id }) => id), 'source'].sort()).toEqual(there.sort());
        for (const { id } of VIEWS) expect(viewNamed(id)?.view.id).toBe(id);
        expect(viewNamed('source')).toBeNull();
    });

    it('gives every area a name, a question and a key of its own', () => {
        for (const of of ['name', 'question', 'key'] as const) {
            const all = AREAS.map((area) => area[of]);
            expect(new Set(all).size, of).toBe(all.length);
        }
        for (const { question } of AREAS) expect(question).not.toMatch(/^[A-Z]|[.!]$/);
    });

    it('is the only list: the frame, the keys and the tests that look at every view take their areas from it', () => {
        const root = join(import.meta.dirname, '../../../..');
        const users = [
            'src/routes/sites/[site]/[survey]/+layout.svelte',
            'src/lib/ui/frame/KeyList.svelte',
            'tests/browser/accessibility.test.ts',
        ];
        for (const user of users) expect(readFileSync(join(root, user), 'utf8'), user).toContain('core/views/areas.ts');
        // Nothing else lists them: a file that names three areas in one line of code would be a second list.
        const files = ['src/routes', 'src/lib/ui', 'src/lib/server'].flatMap((folder) =>
            readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' }).map((name) => join(folder, name)),
        );
        for (const file of files.filter((name) => /\.(?:ts|svelte)$/.test(name) && !name.includes('.test.'))) {
            const lines = readFileSync(join(root, file), 'utf8').split('\n');
            for (const line of lines) {
                const named = AREAS.filter(({ name }) => line.includes(`'${name}'`) || line.includes(`${name}:`));
                expect(named.length, `${file}: ${line}`).toBeLessThan(3);
            }
        }
    });
});

describe('the view model of Canonicals', () => {
    it('gives every number of a cluster with the set it counts, and parts all pages', () => {
        const view = canonicalsView(survey);
        const counted = countedSets(view.clusters);
        for (const { set, pages } of counted) expect(size(set), set).toBe(pages);
        expect(view.elsewhere + view.itself + view.none + view.several).toBe(size('page'));
        const drawn = view.clusters.reduce((sum, { pages }) => sum + pages, 0);
        expect(view.more > 0 || drawn === view.elsewhere).toBe(true);
    });

    it('says of each what answers where its canonical leads, and what its pages hold', () => {
        const plan = new Site().known('/', 'manual').known('/a');
        const id = (path: string): number => plan.id(path);
        for (const path of ['/', '/a', '/b', '/c', '/d', '/e', '/f', '/self']) id(path);
        plan.page('/', [{ to: '/a' }, { to: '/b' }])
            .page('/a', [], { canonicals: [id('/self')] })
            .page('/b', [], { canonicals: [id('/self')] })
            .page('/c', [], { canonicals: [id('/gone')] })
            .page('/d', [], { canonicals: [id('/a')] })
            .page('/e', [], { canonicals: [id('https://other.example/')] })
            .page('/f', [], { canonicals: [id('/self'), id('/')] })
            .page('/self', [], { canonicals: [id('/self')] })
            .page('/gone', [], { status: 404, words: null });
        const packed = packSurvey(plan.measure()).survey;
        const view = canonicalsView(packed);
        expect(view).toMatchObject({ elsewhere: 5, itself: 1, none: 1, several: 1, bad: 3, more: 0 });
        const ends = view.clusters.map(({ url, end, pages, linked, listed }) => [
            url.replace(ORIGIN, ''),
            end,
            pages,
            linked,
            listed,
        ]);
        expect(ends[0]).toEqual(['/self', 'fine', 2, 2, 1]);
        expect(ends.slice(1).sort()).toEqual([
            ['/a', 'names another', 1, 0, 0],
            ['/gone', 'error', 1, 0, 0],
            ['https://other.example/', 'outside', 1, 0, 0],
        ]);
        const standing = packed.numbers('standing');
        const [a, b] = ['/a', '/b'].map((path) => standing[packed.nodeOf(`${ORIGIN}${path}`)]!);
        expect(view.clusters[0]!.standing).toBeCloseTo(a! + b!, 9);
    });
});

describe('the view models of Causes and Checks', () => {
    const checks = withGoal(survey, 2);
    const view = causesView(checks);
    const register = checksView(checks);

    it('give every number with the set it counts', () => {
        for (const counted of [countedSets(view), countedSets(register.families)]) {
            expect(counted.length).toBeGreaterThan(10);
            for (const { set, pages } of counted) expect(sizeFound(checks, set), set).toBe(pages);
        }
    });

    it('tell how many faulty URLs the first edits leave without a fault', () => {
        // One after the other: the sets of the edits, and what else is a fault of the same URLs.
        const faulty = new Map<number, Set<string>>();
        for (const placed of siteFindings(checks)) {
            const { finding, cause } = placed;
            if (finding.severity !== 'fault') continue;
            for (const node of nodesAbout(survey, placed)) {
                faulty.set(node, (faulty.get(node) ?? new Set()).add(cause));
            }
        }
        const first = view.rows.slice(0, 3).map(({ key }) => key);
        expect(view.rows[2]!.severity).toBe('fault');
        const mended = [...faulty.values()].filter((causes) => [...causes].every((cause) => first.includes(cause)));
        expect(view.first).toEqual({ edits: 3, mended: mended.length, of: faulty.size });
    });

    it('are searched by the words of what is done, where, and what follows', () => {
        const [some] = view.rows;
        expect(causesWith(view.rows, `${some!.say.toUpperCase()}  ${some!.follows[0]!.check}`)).toContainEqual(some);
        expect(causesWith(view.rows, '')).toEqual(view.rows);
        expect(causesWith(view.rows, 'no such words anywhere')).toEqual([]);
    });

    it('count what is accepted apart, of pages and of files', () => {
        const robots = [
            { url: `${ORIGIN}/robots.txt`, status: 200, problems: [], text: 'User-agent: *\nDisallow: /never-met\n' },
        ];
        const key = '/robots.txt robots-rule-idle';
        const settings = {
            off: new Set<never>(),
            thresholds: new Map(),
            accepted: { causes: new Map([[key, 'kept on purpose']]), findings: new Map() },
        };
        const row = (said: object): CheckRow =>
            checksView(checkView(survey, { robots, ...said }))
                .families.flatMap((family) => family.checks)
                .find(({ id }) => id === 'robots-rule-idle')!;
        expect(row({})).toMatchObject({ pages: 1, accepted: 0 });
        expect(row({ settings })).toMatchObject({ pages: 0, accepted: 1 });
        const accepted = causesView(checkView(survey, { robots, settings })).accepted.map((cause) => cause.accepted);
        expect(accepted).toEqual(['kept on purpose']);
    });

    it('say of a check whether it is off, unknown here, or has a threshold of the site', () => {
        const settings = {
            off: new Set(['thin-hold'] as const),
            thresholds: new Map([['few-words', 7] as const]),
            accepted: { causes: new Map(), findings: new Map() },
        };
        const partial = packSurvey(randomSite(7, 200).measure({ cut: ['stopped'], state: 'stopped' })).survey;
        const rows = checksView(checkView(partial, { settings })).families.flatMap((family) => family.checks);
        const row = (id: string): CheckRow => rows.find((item) => item.id === id)!;
        expect(row('thin-hold')).toMatchObject({ isOff: true, pages: 0 });
        expect(row('few-words').threshold).toMatchObject({ value: 50, own: 7 });
        expect(row('orphan-strict').unknown).toBe('partial');
        expect(row('dead-end').unknown).toBeNull();
        expect(register.total.checks).toBe(rows.length);
    });
});

describe('the view model of Gates', () => {
    const view = gatesView(checkView(survey), null, { agent: '', token: 'edgemap' });

    it('tells of each gate what stops there, all of it, and what of it is listed', () => {
        for (const { gate, urls, listed } of view.rows) {
            expect(urls, gate).toBe(size(`gate is ${gate}`));
            expect(listed, gate).toBe(size(`gate is ${gate} and in sitemap`));
        }
        const all = view.rows.reduce((sum, { urls }) => sum + urls, 0);
        expect(all + view.counts.indexable + view.counts.gateUnknown).toBe(survey.count);
    });

    it('quotes an alternate that stops with the reason, and a closed page that has a priority', () => {
        const site = new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/fr/old', kind: 'hreflang', name: 'fr' }, { to: '/shut' }, { to: '/closed' }])
            .page('/fr/old', [], { status: 410, words: null });
        for (const path of ['/shut', '/closed']) {
            site.page(path, [], {
                status: null,
                notRead: 'robots',
                robotsAllowed: false,
                robotsRule: rule(`Disallow: ${path}`, `${ORIGIN}/robots.txt`, 2),
            });
        }
        const packed = packSurvey(site.measure()).survey;
        const priority = new Uint8Array(packed.count);
        priority[packed.nodeOf(`${ORIGIN}/shut`)] = 2;
        const found = contradictions(checkView(packed, { priority }));
        expect(found.map(({ kind, pages, says }) => [kind, pages, says[0].text, says[1].text])).toEqual([
            ['alternate-stopped', 1, `<link rel="alternate" hreflang="fr" href="${ORIGIN}/fr/old">`, 'status 410'],
            ['closed-wanted', 1, 'It has a priority.', 'Disallow: /shut'],
        ]);
    });

    it('quotes both sources of what cannot both be meant, and leaves alone what can', () => {
        const rows = new Site().known('/', 'manual').known('/shut').known('/quiet').known('/other').known('/fine');
        const other = rows.id('/fine');
        const facts = (reason: ProblemText) => ({ noindex: true, noindexReason: reason });
        const meta = writeProblem(problem('noindex-meta', { name: 'robots', says: 'noindex' }));
        const site = rows
            .page('/', [{ to: '/shut' }])
            .page('/shut', [], {
                status: null,
                notRead: 'robots',
                robotsAllowed: false,
                robotsRule: rule('Disallow: /shut', `${ORIGIN}/robots.txt`, 4),
            })
            .page('/quiet', [], facts(meta))
            .page('/other', [], { canonicals: [other] })
            .page('/fine', [], { canonicals: [other] })
            .page('/unlisted', [], { ...facts(meta), canonicals: [other] });
        const packed = packSurvey(site.measure()).survey;
        const found = contradictions(checkView(packed));
        expect(
            Object.fromEntries(found.map(({ kind, pages, url }) => [kind, `${pages} ${url.slice(ORIGIN.length)}`])),
        ).toEqual({
            'listed-closed': '1 /shut',
            'listed-noindexed': '1 /quiet',
            'listed-elsewhere': '1 /other',
            'noindexed-elsewhere': '1 /unlisted',
        });
        const [sitemap, robots] = found.find(({ kind }) => kind === 'listed-closed')!.says;
        expect(sitemap).toMatchObject({ text: `<loc>${ORIGIN}/shut</loc>` });
        expect(robots).toEqual({ source: `${ORIGIN}/robots.txt`, line: 4, text: 'Disallow: /shut' });
        const elsewhere = found.find(({ kind }) => kind === 'listed-elsewhere')!.says[1];
        expect(elsewhere.text).toBe(`<link rel="canonical" href="${ORIGIN}/fine">`);
    });
});

describe('the view model of Robots, where nobody brought the links', () => {
    it('is told all the same', () => {
        const { survey: whole, parts } = packSurvey(new Site().known('/', 'manual').page('/').measure());
        const bare = packedOf(new Map([...parts].filter(([part]) => part !== 'links')))!;
        expect(bare.has('links')).toBe(false);
        const robots = [
            { url: `${ORIGIN}/robots.txt`, status: 200, problems: [], text: 'User-agent: *\nDisallow: a\n' },
        ];
        const told = (of: PackedSurvey) =>
            robotsView(checkView(of, { robots }), { origin: null, agent: 'edgemap', token: 'edgemap' }).file!.findings;
        expect(told(bare)).toEqual(told(whole));
        expect(told(bare).length).toBeGreaterThan(0);
    });
});

describe('the view model of Robots', () => {
    const FILE = 'User-agent: *\nDisallow: /members/\nAllow: /members/join\n\nUser-agent: Otter\nDisallow: /\n';
    const closed = (line: number, written: 'Disallow: /members/' | 'Allow: /members/join') => ({
        robotsAllowed: written.startsWith('Allow'),
        robotsRule: rule(written, `${ORIGIN}/robots.txt`, line),
    });
    const packed = packSurvey(
        new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/members/' }, { to: '/members/join' }])
            .page('/members/', [], { status: null, notRead: 'robots', ...closed(2, 'Disallow: /members/') })
            .page('/members/join', [], closed(3, 'Allow: /members/join'))
            .measure(),
    ).survey;
    const file: RobotsText = { url: `${ORIGIN}/robots.txt`, status: 200, problems: [], text: FILE };
    const view = (agent: string, robots = [file]) =>
        robotsView(checkView(packed, { robots: robots }), {
            origin: null,
            agent,
            token: 'edgemap',
        });

    it('gives every number of a rule with the set it counts', () => {
        const told = view('edgemap').file!;
        expect(told.closed).toEqual({ pages: 1, set: `closed by robots and origin is ${ORIGIN}` });
        const counted = countedSets(told).filter(({ pages }) => pages > 0);
        expect(counted.length).toBeGreaterThan(3);
        for (const { set, pages } of counted) expect(nodesIn(packed, set), set).toHaveLength(pages);
        expect(told.most?.line).toBe(2);
        expect(told.named).toEqual(['otter']);
    });

    it('tells of a very long file the lines that do something, and how it begins', () => {
        const idle = Array.from({ length: 5_000 }, (_, n) => `Disallow: /idle-${n}/`);
        const text = [
            'User-agent: *',
            ...idle.slice(0, 3_000),
            'Disallow: /members/',
            'noindex: /x',
            ...idle.slice(3_000),
            `Sitemap: ${ORIGIN}/sitemap.xml`,
            '',
        ].join('\n');
        const { lines, closed: all, findings, moreFindings } = view('edgemap', [{ ...file, text }]).file!;
        expect(all.pages).toBe(2);
        expect(lines.map(({ line }) => line)).toEqual([
            ...Array.from({ length: 12 }, (_, n) => n + 1),
            3_002,
            3_003,
            5_004,
        ]);
        // Each idle rule may be a finding of its own.
        expect(findings.length).toBeLessThanOrEqual(60);
        expect(findings.length + moreFindings).toBeGreaterThan(0);
    });

    it('tells the lines of a long file that do most, where all do something', () => {
        const rules = Array.from({ length: 1_000 }, (_, n) => `Disallow: /p-${n}$`);
        const site = new Site().known('/', 'manual').page(
            '/',
            rules.map((_, n) => ({ to: `/p-${n}` })),
        );
        rules.forEach((_, n) => site.page(`/p-${n}`));
        // The last rule closes two pages, the others one each.
        site.page('/twice-1').page('/twice-2').known('/twice-1').known('/twice-2');
        const text = ['User-agent: *', ...rules, 'Disallow: /twice', ''].join('\n');
        const of = checkView(packSurvey(site.measure()).survey, { robots: [{ ...file, text }] });
        const { lines } = robotsView(of, { origin: null, agent: 'edgemap', token: 'edgemap' }).file!;
        expect(lines).toHaveLength(400);
        expect(lines.at(-1)).toMatchObject({ line: 1_002, rule: { decides: { pages: 2 } } });
        expect(lines.map(({ line }) => line)).toEqual(lines.map(({ line }) => line).sort((a, b) => a - b));
    });

    it('tells of a Sitemap line what was found there', () => {
        const site = new Site()
            .known('/', 'manual')
            .known('/a')
            .page('/', [{ to: '/a' }])
            .page('/a')
            .sitemap();
        const listed = packSurvey(site.measure()).survey;
        const text = `Sitemap: ${ORIGIN}/sitemap.xml\nSitemap: ${ORIGIN}/never-asked.xml\n`;
        const of = checkView(listed, { robots: [{ ...file, text }] });
        const { lines } = robotsView(of, { origin: null, agent: 'edgemap', token: 'edgemap' }).file!;
        expect(lines.map(({ sitemap }) => sitemap)).toEqual([{ status: 200, entries: 1, files: null }, null, null]);
    });

    it('judges for another agent, and claims no set of what was not decided for it', () => {
        const told = view('otter').file!;
        expect(told.closed).toEqual({ pages: 3, set: null });
        expect(told.lines.filter(({ speaks, kind }) => speaks && kind !== 'blank').map(({ line }) => line)).toEqual([
            5, 6,
        ]);
    });

    it('closes all where the file cannot be had, and has nothing to show where there is none', () => {
        const why = problem('robots-error', { file: file.url, status: 503 });
        const down = { ...file, text: '', status: 503, problems: [problem('all-closed', { why })] };
        expect(view('edgemap', [down]).file?.closed.pages).toBe(3);
        expect(view('edgemap', []).file).toBeNull();
    });
});
