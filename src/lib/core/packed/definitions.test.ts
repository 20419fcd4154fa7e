import { describe, expect, it } from 'vitest';
import { countPages } from '../areas/count-pages.ts';
import { linksOfNode } from '../areas/link-records.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import type { PackedSurvey } from './packed-survey.ts';
import { pageSheet } from '../areas/page-sheet.ts';
import { sectionOrder } from '../areas/section-order.ts';
import { lehmer } from '../graph/graphs.fixture.ts';
import { Bits } from '../sets/bits.ts';
import { inOrder, pageColumns, placesBy } from '../sets/page-columns.ts';
import { setLine, setQuery, type PageFilter } from '../sets/page-filter.ts';
import { PAGE_COLUMNS } from '../../../../tests/support/reference/page-record.ts';
import type { SurveyInfo } from '../survey/survey-rows.ts';
import { holdAgainst } from '../../../../tests/support/reference/compare.ts';
import type { MeasuredSurvey } from '../../../../tests/support/reference/measured-survey.ts';
import { randomSite } from '../../../../tests/support/random-site.ts';
import { nodesOfLine } from '../../../../tests/support/sets.ts';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { told } from '../../../../tests/support/problems.ts';

/**
 * / -> /a (twice), /old, outside, itself; /old redirects to /b; /b -> /c (nofollow); /island <-> /isle, in the sitemap;
 * /lone in the sitemap only; /closed closed by robots, linked from /a; /gone answers 404 and links to /ghost.
 */
function sample(): Site {
    return new Site()
        .known('/', 'manual')
        .page('/', [
            { to: '/a', anchor: 'A', line: 11 },
            { to: '/a', anchor: 'A', line: 15 },
            { to: '/old' },
            { to: 'https://other.example/' },
            { to: '/' },
            { to: 'mailto:x@site.example' },
        ])
        .page('/a', [{ to: '/closed' }, { to: '/gone' }, { to: '/', anchor: 'Home' }])
        .page('/old', [], { status: 301, words: null, redirectTo: 0 })
        .page('/b', [{ to: '/c', rel: 'nofollow' }])
        .page('/c', [], { noindex: true, noindexReason: told('meta robots says noindex') })
        .page('/island', [{ to: '/isle' }])
        .page('/isle', [{ to: '/island' }, { to: '/a' }])
        .page('/lone')
        .page('/closed', [], {
            status: null,
            notRead: 'robots',
            robotsAllowed: false,
            robotsRule: told('Disallow: /closed'),
            words: null,
        })
        .page('/gone', [{ to: '/ghost' }], { status: 404 })
        .known('/island')
        .known('/lone');
}

/** Packed, and held against the plain measuring of the same rows. */
function packed(measured: MeasuredSurvey): PackedSurvey {
    const { survey } = packSurvey(measured);
    holdAgainst(measured, survey);
    return survey;
}

function rowsOf(info: Partial<SurveyInfo> = {}): MeasuredSurvey {
    const site = sample();
    const old = site.rows.pages.find((page) => page.address === site.id('/old'))!;
    old.redirectTo = site.id('/b');
    site.rows.files.push({
        kind: 'sitemap',
        url: `${ORIGIN}/sitemap.xml`,
        status: 200,
        note: '',
        entries: 2,
        text: '',
    });
    return site.measure(info);
}

const finished = (info: Partial<SurveyInfo> = {}): PackedSurvey => packed(rowsOf(info));
const urlsOf = (survey: PackedSurvey): string[] => survey.texts('url').all();

function column(survey: PackedSurvey, name: (typeof PAGE_COLUMNS)[number]): Record<string, unknown> {
    const { value } = pageColumns(survey).get(name)!;
    return Object.fromEntries(urlsOf(survey).map((url, node) => [url.slice(ORIGIN.length), value(node)]));
}

describe('a packed survey', () => {
    it('knows the URLs that something speaks of, and no others', () => {
        expect(urlsOf(finished()).map((url) => url.slice(ORIGIN.length))).toEqual([
            '/',
            '/a',
            '/b',
            '/c',
            '/closed',
            '/gone',
            '/island',
            '/isle',
            '/lone',
            '/old',
        ]);
    });

    it('counts depth in clicks, redirects free', () => {
        expect(column(finished(), 'depth')).toEqual({
            '/': 0,
            '/a': 1,
            '/old': 1,
            '/b': 1,
            '/c': 2,
            '/closed': 2,
            '/gone': 2,
            '/island': null,
            '/isle': null,
            '/lone': null,
        });
    });

    it('counts links as defined: occurrences, any rel, self links and error pages left out', () => {
        const survey = finished();
        expect(column(survey, 'incoming_links')).toMatchObject({
            '/': 1,
            '/a': 3,
            '/old': 1,
            '/b': 0,
            '/c': 1,
            '/closed': 1,
            '/island': 1,
            '/lone': 0,
        });
        expect(column(survey, 'incoming_pages')).toMatchObject({ '/a': 2, '/c': 1 });
        expect(column(survey, 'incoming_followed')).toMatchObject({ '/a': 3, '/c': 0 });
        // Two to /a, one to /old, one outside; not the link to itself, not the mail address.
        expect(column(survey, 'outgoing_links')).toMatchObject({ '/': 4, '/a': 3, '/gone': 0, '/closed': null });
    });

    it('tells strict orphans from those adrift, and errors and closed pages from both', () => {
        const survey = finished();
        expect(column(survey, 'orphan')).toEqual({
            '/': false,
            '/a': false,
            '/old': false,
            '/b': false,
            '/c': false,
            '/closed': false,
            '/gone': false,
            '/island': true,
            '/isle': true,
            '/lone': true,
        });
        expect(countPages(survey).orphans).toEqual({ all: 3, strict: 1, adrift: 2, indexable: 3, inSitemap: 2 });
    });

    it('says nothing of orphans in a survey that was cut short', () => {
        for (const info of [
            { cut: ['max-pages' as const] },
            { state: 'stopped' as const },
            { state: 'running' as const },
        ]) {
            const survey = finished(info);
            expect(new Set(Object.values(column(survey, 'orphan')))).toEqual(new Set([null]));
            expect(countPages(survey).orphans).toBeNull();
            expect(column(survey, 'reached')['/lone']).toBeNull();
            expect(column(survey, 'reached')['/a']).toBe(true);
        }
    });

    it('puts evidence together, nothing from a page about itself', () => {
        const evidence = column(finished(), 'evidence');
        expect(evidence).toEqual({
            '/': 'link manual',
            '/a': 'link',
            '/old': 'link',
            '/b': 'redirect',
            '/c': 'link',
            '/closed': 'link',
            '/gone': 'link',
            '/island': 'link sitemap',
            '/isle': 'link',
            '/lone': 'sitemap',
        });
        const own = packed(
            new Site()
                .known('/', 'manual')
                .page('/', [{ to: '/', kind: 'canonical' }, { to: '/' }])
                .measure(),
        );
        expect(column(own, 'evidence')).toEqual({ '/': 'manual' });
    });

    it('knows what is in the sitemap only where one could be read', () => {
        expect(column(finished(), 'in_sitemap')).toMatchObject({ '/lone': true, '/a': false });
        expect(column(packed(sample().measure()), 'in_sitemap')).toMatchObject({ '/lone': null, '/a': null });
    });

    it('does not reach through a page that is closed to us, though it was read', () => {
        const survey = packed(
            new Site()
                .known('/', 'manual')
                .page('/', [{ to: '/in' }])
                .page('/in', [{ to: '/behind' }], { robotsAllowed: false, robotsRule: told('Disallow: /in') })
                .page('/behind')
                .measure(),
        );
        expect(column(survey, 'depth')).toEqual({ '/': 0, '/in': 1, '/behind': null });
        expect(column(survey, 'orphan')['/behind']).toBe(true);
    });
});

describe('on sites that look random', () => {
    it('a packed survey says of every page and link what plain measuring of the rows says', () => {
        for (let seed = 1; seed <= 60; seed++) {
            const site = randomSite(seed * 37, 40);
            const next = lehmer(seed);
            const some = (): string => ['/', '/guides/page-3', '/tools/page-7', '/journal/page-11'][next(4)]!;
            // What random pages lack: refreshes, links elsewhere, resources, a block that stands twice on a page.
            for (const page of site.rows.pages) {
                if (page.status !== 200 || next(8) !== 0) continue;
                page.instantRefresh = site.id(some());
            }
            site.share(
                ['/', '/guides/page-0', '/guides/page-0', '/tools/page-1'],
                [
                    { to: 'https://other.example/x', anchor: 'Elsewhere' },
                    { to: '/logo.png', kind: 'img' },
                    { to: 'mailto:desk@site.example', kind: 'other' },
                    { to: some(), anchor: 'Twice' },
                    { to: some(), anchor: 'Twice', kind: 'hreflang' },
                ],
                'footer',
            );
            const starts = next(2) === 0 ? [] : [`${ORIGIN}${some()}`, `${ORIGIN}/never-met`];
            holdAgainst(site.measure({ starts, cut: next(4) === 0 ? ['max-pages'] : [] }));
        }
    });
});

describe('counts', () => {
    it('add up', () => {
        const survey = finished();
        const counts = countPages(survey);
        const sum = (values: Record<string, number>): number => Object.values(values).reduce((a, b) => a + b, 0);
        expect(sum(counts.byGate) + counts.gateUnknown).toBe(survey.count);
        expect(sum(counts.byStatus) + sum(counts.byNotRead)).toBe(survey.count);
        expect(counts.evidence.reduce((total, group) => total + group.urls, 0)).toBe(survey.count);
        expect(counts.depths).toEqual([
            { depth: 0, pages: 1, indexable: 1 },
            { depth: 1, pages: 2, indexable: 2 },
            { depth: 2, pages: 1, indexable: 0 },
        ]);
        expect(counts.beside).toEqual({ redirects: 1, failures: 1, otherTypes: 0, notRead: 1 });
        expect(counts.reached + (counts.orphans?.all ?? 0)).toBe(counts.pages);
        expect(counts.meanDepth).toBe((0 + 1 + 1 + 2) / 4);
    });
});

describe('links as records', () => {
    const linksOf = (path: string) => {
        const rows = rowsOf();
        const survey = packed(rows);
        return linksOfNode(survey, survey.nodeOf(`${ORIGIN}${path}`), (id) => rows.layoutById.get(id));
    };

    it('puts equal links of a block together with the first line', () => {
        const links = linksOf('/');
        expect(links[0]).toMatchObject({
            target: `${ORIGIN}/a`,
            anchor: 'A',
            occurrences: 2,
            line: 11,
            block: 'block0',
            region: 'main',
            internal: true,
            target_status: 200,
            href: '/a',
            followed: true,
        });
        expect(links.find((link) => link.kind === 'a' && link.target === 'https://other.example/')).toMatchObject({
            internal: false,
            target_status: null,
        });
        expect(links).toHaveLength(5);
    });

    it('writes a redirect as a link, and keeps those of error pages', () => {
        const survey = finished();
        const all = urlsOf(survey).flatMap((url) => linksOf(url.slice(ORIGIN.length)));
        expect(all.filter((link) => link.kind === 'redirect')).toEqual([
            expect.objectContaining({ source: `${ORIGIN}/old`, target: `${ORIGIN}/b`, line: null, block: '' }),
        ]);
        expect(all.some((link) => link.source === `${ORIGIN}/gone` && link.target === `${ORIGIN}/ghost`)).toBe(true);
    });
});

describe('page sheet', () => {
    const survey = finished();
    const sheetOf = (path: string) => pageSheet(survey, survey.nodeOf(`${ORIGIN}${path}`));

    it('tells the way here, redirects and anchors included', () => {
        expect(
            sheetOf('/c').way.map((step) => [
                step.url.slice(ORIGIN.length),
                step.depth,
                step.by,
                step.anchor,
                // Where the link stands: block of the page, link of the block; its line is in the rows.
                step.place?.at ?? null,
            ]),
        ).toEqual([
            ['/', 0, 'start', '', null],
            ['/old', 1, 'link', '/old', 2],
            ['/b', 1, 'redirect', '', null],
            ['/c', 2, 'link', '/c', 0],
        ]);
        expect(sheetOf('/lone').way).toEqual([]);
    });

    it('opens the gates passed, walls off where it stops, and leaves open what nobody asked', () => {
        const states = (path: string): string =>
            sheetOf(path)
                .gates.map((gate) => gate.state[0])
                .join('');
        expect(states('/a')).toBe('ooooooo');
        expect(states('/c')).toBe('oooooso');
        expect(states('/closed')).toBe('osuuuuu');
        expect(states('/old')).toBe('ooosuuu');
        expect(sheetOf('/c').verdict).toBe('Stops at noindex: meta robots says noindex.');
    });

    it('walls off where it stops, and shuts what would stop it next', () => {
        const site = new Site().known('/', 'manual').page('/', [{ to: '/x' }, { to: '/y' }]);
        site.page('/y').page('/x', [{ to: '/y', kind: 'canonical' }], {
            noindex: true,
            noindexReason: told('meta robots says noindex'),
            canonicals: [site.id('/y')],
        });
        const survey = packSurvey(site.measure()).survey;
        const { gates } = pageSheet(survey, survey.nodeOf(`${ORIGIN}/x`));
        expect(gates.map(({ gate, state }) => `${gate} ${state}`)).toEqual([
            'scope open',
            'robots open',
            'response open',
            'redirect open',
            'type open',
            'noindex stop',
            'canonical shut',
        ]);
    });

    it('lists links in and out', () => {
        expect(sheetOf('/a').incoming.map((link) => [link.url.slice(ORIGIN.length), link.occurrences])).toEqual([
            ['/', 2],
            ['/isle', 1],
        ]);
        expect(sheetOf('/b').outgoing.map((link) => [link.url.slice(ORIGIN.length), link.followed])).toEqual([
            ['/c', false],
        ]);
    });
});

describe('sets that numbers stand for', () => {
    const survey = rowsOf();
    const paths = (filter: PageFilter): string[] =>
        nodesOfLine(survey, setLine(filter)).map((node) => survey.urls[node]!.slice(ORIGIN.length));

    it.each<[PageFilter, string[]]>([
        [{ text: 'ISL' }, ['/island', '/isle']],
        [{ text: 'title of /b' }, ['/b']],
        [{ depth: 1 }, ['/a', '/b', '/old']],
        [{ depth: 'none', read: 'pages' }, ['/island', '/isle', '/lone']],
        [{ gate: 'robots' }, ['/closed']],
        [{ gate: 'indexable', reached: true }, ['/', '/a', '/b']],
        [{ orphan: 'any' }, ['/island', '/isle', '/lone']],
        [{ orphan: 'strict' }, ['/lone']],
        [{ orphan: 'adrift', known: 'sitemap' }, ['/island']],
        [{ evidence: ['sitemap'] }, ['/lone']],
        [{ read: 'unread' }, ['/closed']],
        [{ reason: 'robots' }, ['/closed']],
        [{}, ['/', '/a', '/b', '/c', '/closed', '/gone', '/island', '/isle', '/lone', '/old']],
    ])('%j', (filter, expected) => {
        expect(paths(filter)).toEqual(expected);
    });

    it('are nothing in an address where nothing is narrowed', () => {
        expect(setQuery(setLine({}))).toBe('');
        expect(new URLSearchParams(setQuery(setLine({ section: 'a "b"' }))).get('set')).toBe('section is "a \\"b\\""');
    });

    it('come in an order either way, the unknown last', () => {
        const found = packed(survey);
        const depth = pageColumns(found).get('depth')!;
        const all = Bits.all(found.count).nodes();
        const order = (descending: boolean) =>
            [...inOrder(all, placesBy(found, depth), descending)].map((node) => depth.value(node));
        expect(order(false)).toEqual([0, 1, 1, 1, 2, 2, 2, null, null, null]);
        expect(order(true)).toEqual([2, 2, 2, 1, 1, 1, 0, null, null, null]);
    });
});

describe('the order of sections', () => {
    it('is that of the first survey, with what came since behind it', () => {
        const site = (sizes: Record<string, number>): PackedSurvey => {
            const made = new Site().known('/', 'manual').page('/', []);
            for (const [section, pages] of Object.entries(sizes)) {
                for (let n = 0; n < pages; n++) made.page(`/${section}/${n}`).known(`/${section}/${n}`);
            }
            return packSurvey(made.measure()).survey;
        };
        const march = site({ guides: 2, tools: 5, news: 3 });
        const june = site({ guides: 9, tools: 4, shop: 6, archive: 6 });
        expect(sectionOrder(march, march)).toEqual(['tools', 'news', 'guides', '/']);
        expect(sectionOrder(march, june)).toEqual(['tools', 'news', 'guides', '/', 'archive', 'shop']);
    });
});
