import { describe, expect, it } from 'vitest';
import { lehmer } from '../graph/graphs.fixture.ts';
import { UNREACHED } from '../graph/depth.ts';
import { pageSheet } from './page-sheet.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { Bits } from '../sets/bits.ts';
import { evaluateSet } from '../sets/evaluate-set.ts';
import { fieldsOf } from '../sets/fields.ts';
import { parseSet } from '../sets/parse-set.ts';
import { linksOfPage } from '../../../../tests/support/reference/link-records.ts';
import { countSurvey } from '../../../../tests/support/reference/count-survey.ts';
import { ORIGIN, Site, type SmallLink } from '../../../../tests/support/small-site.ts';
import { countPages } from './count-pages.ts';
import { pageFindings } from '../../../../tests/support/checks.ts';
import { pageLinksOf } from './page-links.ts';
import { beyondGoal, followedDepths, islandsOf, offeredGoal } from './reach.ts';
import { sinceBaseline } from './since-baseline.ts';
import { lostTargets, misfitList, standingAgainst } from './weight.ts';
import { told } from '../../../../tests/support/problems.ts';

const pack = (site: Site): PackedSurvey => packSurvey(site.measure()).survey;
const node = (survey: PackedSurvey, path: string): number => survey.nodeOf(`${ORIGIN}${path}`);
const pathOf = (survey: PackedSurvey, of: number): string => survey.url(of).replace(ORIGIN, '');

function sizeOf(survey: PackedSurvey, line: string): number {
    const parsed = parseSet(line, fieldsOf(survey));
    if (!parsed.ok) throw new Error(`${line}: ${parsed.say}`);
    return evaluateSet(parsed.set, { survey, priority: new Uint8Array(survey.count) }).count();
}

/** Sites with everything that is counted: redirects, errors, orphans, closed pages, evidence, a menu, nofollow. */
function anySite(seed: number): Site {
    const next = lehmer(seed);
    const site = new Site().known('/', 'manual');
    const paths = Array.from({ length: 24 }, (_, n) => (n === 0 ? '/' : `/${['a', 'b', 'c'][n % 3]}/p${n}`));
    paths.forEach((path, n) => {
        const links: SmallLink[] = Array.from({ length: next(5) }, () => ({
            to: paths[next(paths.length)]!,
            anchor: ['Saw', 'Oak', ''][next(3)]!,
            rel: next(6) === 0 ? 'nofollow' : '',
        }));
        if (n % 9 === 4) site.page(path, [], { status: 404, words: null });
        else if (n % 11 === 5)
            site.page(path, [], { status: 301, words: null, redirectTo: site.id(paths[next(paths.length)]!) });
        else if (n % 13 === 6)
            site.page(path, [], { status: null, robotsAllowed: false, notRead: 'robots', words: null });
        else site.page(path, links, { noindex: next(7) === 0, noindexReason: told('meta'), title: `T ${next(9)}` });
        if (next(2) === 0) site.known(path, (['sitemap', 'log', 'visits'] as const)[next(3)]!);
    });
    return site.share(paths.slice(0, 10), [{ to: paths[3]! }, { to: paths[4]!, anchor: 'Broken' }, { to: '/' }]);
}
const SEEDS = [1, 7, 19, 40, 88];

describe('the counts of an area', () => {
    it('are those of the export', () => {
        for (const seed of SEEDS) {
            const measured = anySite(seed).measure();
            const { links: _, ...wanted } = countSurvey(measured);
            const told = countPages(packSurvey(measured).survey);
            // Groups of equal size may come in any order.
            const sorted = (groups: typeof told.evidence) =>
                [...groups].sort((a, b) => (a.evidence.join() < b.evidence.join() ? -1 : 1));
            expect({ ...told, evidence: sorted(told.evidence), orphanEvidence: sorted(told.orphanEvidence) }).toEqual({
                ...wanted,
                evidence: sorted(wanted.evidence),
                orphanEvidence: sorted(wanted.orphanEvidence),
            });
        }
    });

    it('of a set and of the rest make those of the whole', () => {
        for (const seed of SEEDS) {
            const survey = pack(anySite(seed));
            const some = Bits.of(
                survey.count,
                Array.from({ length: survey.count }, (_, n) => n).filter((n) => n % 3 === 1),
            );
            const [all, one, other] = [countPages(survey), countPages(survey, some), countPages(survey, some.not())];
            for (const name of ['known', 'read', 'pages', 'reached', 'indexable', 'gateUnknown'] as const) {
                expect(one[name] + other[name], name).toBe(all[name]);
            }
            all.depths.forEach(({ depth, pages }) => {
                expect((one.depths[depth]?.pages ?? 0) + (other.depths[depth]?.pages ?? 0)).toBe(pages);
            });
        }
    });
});

describe('reach', () => {
    it('counts followed links alone where it is asked to', () => {
        const survey = pack(
            new Site()
                .known('/', 'manual')
                .page('/', [{ to: '/a', rel: 'nofollow' }, { to: '/b' }])
                .page('/a', [{ to: '/c' }])
                .page('/b', [{ to: '/c' }])
                .page('/c', [{ to: '/a' }]),
        );
        const depth = followedDepths(survey);
        expect(['/', '/a', '/b', '/c'].map((path) => depth[node(survey, path)])).toEqual([0, 3, 1, 2]);
    });

    it('offers the depth that nine of ten pages lie within, and tells what lies beyond a goal', () => {
        // One start page, eight at depth 1, one at depth 2, two at depth 3.
        const first = Array.from({ length: 8 }, (_, n) => `/f${n}`);
        const site = new Site().known('/', 'manual').page(
            '/',
            first.map((to) => ({ to })),
        );
        first.forEach((path, n) => site.page(path, n === 0 ? [{ to: '/deep' }] : []));
        site.page('/deep', [{ to: '/x' }, { to: '/y' }])
            .page('/x')
            .page('/y');
        const survey = pack(site);
        // 12 reached: the 11th of them in order lies at depth 3.
        expect(offeredGoal(survey)).toBe(3);
        const priority = new Uint8Array(survey.count);
        priority[node(survey, '/x')] = 1;
        expect(beyondGoal(survey, 1, priority)).toEqual({ goal: 1, all: 3, byPriority: [2, 1, 0, 0] });
        expect(beyondGoal(survey, 3, priority).all).toBe(0);
    });

    it('names islands by the page most of them link to', () => {
        const survey = pack(
            new Site()
                .known('/', 'manual')
                .page('/')
                .page('/i1', [{ to: '/hub' }])
                .page('/i2', [{ to: '/hub' }])
                .page('/hub', [{ to: '/i1' }])
                .page('/p1', [{ to: '/p2' }])
                .page('/p2', [{ to: '/p1' }])
                .page('/lone'),
        );
        expect(islandsOf(survey).map(({ url, pages }) => [url.replace(ORIGIN, ''), pages])).toEqual([
            ['/hub', 3],
            ['/p1', 2],
        ]);
    });

    it('tells which pages one template alone leads to, as a set', () => {
        const pages = ['/', '/a', '/b'];
        const site = new Site().known('/', 'manual');
        site.page('/', [{ to: '/a' }, { to: '/b' }])
            .page('/a', [{ to: '/both' }])
            .page('/b');
        site.page('/only', [{ to: '/below' }])
            .page('/below')
            .page('/both');
        const survey = pack(site.share(pages, [{ to: '/only' }, { to: '/both' }]));
        const template = survey.measured.templates.find(({ holds }) => holds > 0)!;
        // /only and what hangs below it; /both has a link of its own besides.
        expect(template.holds).toBe(2);
        const line = `held by template ${JSON.stringify(template.name)}`;
        const parsed = parseSet(line);
        if (!parsed.ok) throw new Error(parsed.say);
        const found = evaluateSet(parsed.set, { survey }).nodes();
        expect([...found].map((of) => pathOf(survey, of)).sort()).toEqual(['/below', '/only']);
    });
});

describe('weight', () => {
    it('that is lost is what the links of each page throw away', () => {
        for (const seed of SEEDS) {
            const measured = anySite(seed).measure();
            const survey = packSurvey(measured).survey;
            const lost = lostTargets(survey);
            // All that is lost is the leak of the site.
            const all = lost.reduce((sum, { cost }) => sum + cost, 0);
            const ranked = sizeOf(survey, 'standing >= 0');
            expect(all / Math.max(1, ranked)).toBeCloseTo(survey.measured.leak, 10);
            // Pages that link there, counted from the links as exported, redirects followed by hand.
            const end = (url: string): string => {
                let at = url;
                for (let hops = 0; hops < 30; hops++) {
                    const page = measured.pages[survey.nodeOf(at)];
                    if (page?.redirectTo == null) return at;
                    at = measured.urlById.get(page.redirectTo)!;
                }
                return url;
            };
            const pages = new Map<string, Set<string>>();
            for (let source = 0; source < measured.count; source++) {
                if (measured.pages[source]?.status !== 200) continue;
                for (const link of linksOfPage(measured, source)) {
                    if (link.kind !== 'a' || link.followed !== true) continue;
                    const target = end(String(link.target));
                    if (!pages.has(target)) pages.set(target, new Set());
                    if (target !== link.source) pages.get(target)!.add(String(link.source));
                }
            }
            for (const target of lost) expect(target.pages, target.url).toBe(pages.get(target.url)!.size);
        }
    });

    it('counts links outside shared blocks', () => {
        const site = new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/a' }, { to: '/a' }, { to: 'mailto:x@y.example' }]);
        site.page('/a', [], {}).page('/gone', [], { status: 404, words: null });
        const survey = pack(site.share(['/', '/a'], [{ to: '/' }, { to: '/gone' }, { to: '/a' }]));
        expect(sizeOf(survey, 'own links = 2')).toBe(1);
        expect(sizeOf(survey, 'own links = 0')).toBe(1);
        expect(sizeOf(survey, 'not own links >= 0')).toBe(1);
    });

    it('could come to starved pages from pages of their section that stand higher and do not link there', () => {
        const site = new Site().known('/', 'manual');
        site.page('/', [{ to: '/s/a' }, { to: '/s/b' }, { to: '/t/z' }]);
        site.page('/s/a', [{ to: '/s/b' }]).page('/s/b', [{ to: '/s/poor' }, { to: '/s/a' }]);
        site.page('/s/poor', [{ to: '/' }]).page('/t/z', [{ to: '/s/a' }]);
        const survey = pack(site);
        const priority = new Uint8Array(survey.count);
        priority[node(survey, '/s/poor')] = 1;
        const { starved, starvedTotal } = misfitList(survey, priority);
        expect(starvedTotal).toBe(1);
        // /s/b links there already, and /t/z is of another section.
        expect(starved[0]!.from.map(({ url }) => url.replace(ORIGIN, ''))).toEqual(['/s/a']);
    });

    it('stands beside what is known of pages, largest first; unknown, nothing and unranked left out', () => {
        const survey = pack(
            new Site()
                .known('/', 'manual')
                .page('/', [{ to: '/a' }, { to: '/e' }, { to: '/none' }])
                .page('/a')
                .page('/none')
                .page('/e', [], { status: 404 }),
        );
        const values = new Float64Array(survey.count).fill(NaN);
        values[node(survey, '/')] = 3;
        values[node(survey, '/a')] = 9;
        values[node(survey, '/e')] = 50;
        values[node(survey, '/none')] = 0;
        expect(standingAgainst(survey, values).map((point) => [pathOf(survey, point.node), point.value])).toEqual([
            ['/a', 9],
            ['/', 3],
        ]);
    });
});

describe('what changed since the baseline', () => {
    it('is told of counts and of what became of orphans', () => {
        const before = new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/a' }])
            .page('/a')
            .page('/o1')
            .page('/o2')
            .page('/o3');
        const after = new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/a' }, { to: '/o1' }])
            .page('/a')
            .page('/o1')
            .page('/o2')
            .page('/o4')
            .page('/o3', [], { status: 404, words: null });
        const { rows, orphans } = sinceBaseline(pack(before), pack(after));
        expect(orphans).toEqual({ before: 3, reached: 1, gone: 1, still: 1, new: 1 });
        const row = (name: string) => rows.find((item) => item.name === name)!;
        expect([row('pages').before, row('pages').after]).toEqual([5, 5]);
        expect([row('reached').before, row('reached').after]).toEqual([2, 3]);
        expect([row('not reached').before, row('not reached').after]).toEqual([3, 2]);
        expect([row('errors').before, row('errors').after]).toEqual([0, 1]);
        expect([row('mean depth').before, row('mean depth').after]).toEqual([0.5, 2 / 3]);
    });

    it('says nothing of orphans where one survey is partial', () => {
        const whole = pack(new Site().known('/', 'manual').page('/').page('/o'));
        const partial = packSurvey(
            new Site()
                .known('/', 'manual')
                .page('/')
                .page('/o')
                .measure({ cut: ['max-pages'] }),
        ).survey;
        const { orphans, rows } = sinceBaseline(partial, whole);
        expect(orphans).toBeNull();
        expect(rows.find(({ name }) => name === 'not reached')).toMatchObject({ before: null, after: 1 });
    });
});

describe('the links of a page', () => {
    it('sum up to what is counted of it, and their groups are sets of their size', () => {
        for (const seed of SEEDS) {
            const measured = anySite(seed).measure();
            const survey = packSurvey(measured).survey;
            for (let of = 0; of < survey.count; of++) {
                const { called, fedBy, feeds } = pageLinksOf(survey, of);
                expect(called.reduce((sum, { links }) => sum + links, 0)).toBe(measured.incomingLinks[of]);
                expect(fedBy.reduce((sum, { links }) => sum + links, 0)).toBe(measured.incomingLinks[of]);
                for (const group of [...fedBy, ...feeds]) {
                    expect(group.pages).toBeGreaterThan(0);
                    // A page can feed one by its text and by a template as well: the text's set holds both.
                    const size = sizeOf(survey, group.set);
                    if (group.isTemplate) expect(size, group.set).toBe(group.pages);
                    else expect(size, group.set).toBeGreaterThanOrEqual(group.pages);
                }
            }
        }
    });
});

describe('the findings of a page', () => {
    it('are those that were planted, gravest first, and none where nothing is wrong', () => {
        const site = new Site().known('/', 'manual');
        const whole = (h1: string) => ({ h1, description: 'What is here.', language: 'en' });
        site.page('/', [{ to: '/good' }, { to: '/bad' }, { to: '/good2' }], whole('x'))
            .page('/good', [{ to: '/good2' }, { to: '/' }], whole('y'))
            .page('/good2', [{ to: '/' }, { to: '/good' }], whole('z'));
        site.page('/bad', [{ to: '/gone' }, { to: '/gone' }, { to: '/moved' }], {
            title: '',
            language: 'en',
            noindex: true,
            noindexReason: told('x'),
        });
        site.page('/gone', [], { status: 404, words: null });
        site.page('/moved', [], { status: 301, words: null, redirectTo: site.id('/') });
        for (const path of ['/', '/good', '/good2', '/bad']) site.known(path, 'sitemap');
        const survey = pack(site);
        const foundAt = (path: string, goal: number | null = null): string[] =>
            pageFindings(survey, node(survey, path), goal).map(({ severity, say }) => `${severity}: ${say}`);
        expect(foundAt('/bad', 0)).toEqual([
            'fault: Listed in a sitemap, and stops at noindex.',
            'fault: Has no title.',
            'fault: Links to /gone, which answers 404.',
            'risk: One reached page alone links here with a followed link.',
            'risk: Lies 1 click deep; the goal is 0.',
            'risk: Links to /moved, which redirects.',
            'remark: Has no h1.',
        ]);
        expect(foundAt('/good2')).toEqual([]);
        // A link that is found wrong stands where the sheet of the page has it.
        const place = pageFindings(survey, node(survey, '/bad'), null).find(({ say }) => say.includes('/gone'))!.place!;
        const sheet = pageSheet(survey, node(survey, '/bad'));
        expect(sheet.outgoing.find(({ url }) => url.endsWith('/gone'))!.place).toEqual(place);
    });

    it('of a page that links do not reach say so', () => {
        const survey = pack(
            new Site()
                .known('/', 'manual')
                .page('/', [{ to: '/x' }])
                .page('/x')
                .page('/lone', [{ to: '/' }], { h1: 'h', description: 'What is here.', language: 'en' }),
        );
        expect(survey.numbers('depth')[node(survey, '/lone')]).toBe(UNREACHED);
        expect(pageFindings(survey, node(survey, '/lone'), null).map(({ say }) => say)).toEqual([
            'No other page that was read links here.',
        ]);
    });
});
