import { limitsOf } from '../checks/limits.ts';
import { describe, expect, it } from 'vitest';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { islandsOf } from './reach.ts';
import { variantKey } from '../address/variants.ts';
import { setLine, type PageFilter } from '../sets/page-filter.ts';
import { nodesOfLine } from '../../../../tests/support/sets.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { sitemapFiles } from './sitemap-files.ts';
import type { SurveyInfo } from '../survey/survey-rows.ts';
import { limitSentence } from '../words/limits.ts';
import { completenessOf, evidenceMatrix } from './completeness.ts';
import { type Evidence, EVIDENCE, evidenceNames } from '../evidence/evidence.ts';
import { GivenFacts, matchList } from './list-matches.ts';
import type { EvidenceList, ListKind, ListRow } from '../evidence/evidence-lists.ts';
import { linksIn } from './links-in.ts';
import { NearestPages } from './nearest.ts';
import { isListing } from '../evidence/listing.ts';
import { told } from '../../../../tests/support/problems.ts';

const pack = (site: Site, info: Partial<SurveyInfo> = {}): PackedSurvey => packSurvey(site.measure(info)).survey;
const paths = (survey: PackedSurvey, nodes: number[]): string[] =>
    nodes.map((node) => survey.url(node).replace(ORIGIN, ''));
const nodeOf = (survey: PackedSurvey, path: string): number => survey.nodeOf(`${ORIGIN}${path}`);
/** Paths of the URLs a line of the set language names. */
const named = (site: Site, line: string, info: Partial<SurveyInfo> = {}): string[] =>
    paths(pack(site, info), nodesOfLine(site.measure(info), line));

/**
 * / -> /a/, /list?page=2, and nofollow /declined; the list -> /only-listed; /old/ and below are known from the log
 * only and link to each other; /lone in the sitemap; /shut closed; /new known only since.
 */
function sample(): Site {
    return new Site()
        .known('/', 'manual')
        .page('/', [{ to: '/a/' }, { to: '/list?page=2' }, { to: '/declined', rel: 'nofollow' }, { to: '/shut' }])
        .page('/a/', [{ to: '/a/deep' }])
        .page('/a/deep', [{ to: '/' }], { title: 'Sharpening a plane iron', h1: 'Plane irons' })
        .page('/list?page=2', [{ to: '/only-listed' }])
        .page('/only-listed')
        .page('/declined')
        .page('/old/', [{ to: '/old/x/one' }])
        .page('/old/x/one', [{ to: '/old/' }, { to: '/a/' }])
        .page('/lone', [], { title: 'How to set a plane iron' })
        .page('/shut', [], {
            status: null,
            notRead: 'robots',
            robotsAllowed: false,
            robotsRule: told('Disallow: /shut'),
        })
        .page('/new', [], { status: null, notRead: 'later', robotsAllowed: null })
        .known('/old/', 'log')
        .known('/old/x/one', 'log')
        .known('/lone')
        .known('/new', 'visits');
}

function said(survey: PackedSurvey, given: Set<Evidence>): string[] {
    const { notRead, notAsked } = completenessOf(survey, given);
    return limitsOf(survey, notRead, notAsked).map(limitSentence);
}

describe('completenessOf', () => {
    const complete = completenessOf(pack(sample()), new Set(['log', 'visits']));

    it('counts every intersection of evidence, largest first', () => {
        const counted = Object.fromEntries(complete.matrix.map((item) => [item.evidence.join(' '), item.urls]));
        expect(counted).toEqual({ link: 6, 'link log': 2, 'link manual': 1, sitemap: 1, visits: 1 });
        expect(complete.matrix.map((item) => item.urls)).toEqual([6, 2, 1, 1, 1]);
        expect(complete.matrix[0]).toMatchObject({ urls: 6, pages: 5 });
    });

    it('counts parts of the site, and what was not read by reason', () => {
        expect(complete.sections).toEqual([
            { name: '/', known: 7, read: 5, pages: 5, reached: 4 },
            { name: 'a', known: 2, read: 2, pages: 2, reached: 2 },
            { name: 'old', known: 2, read: 2, pages: 2, reached: 0 },
        ]);
        expect(complete.origins).toEqual([{ name: ORIGIN, known: 11, read: 9, pages: 9, reached: 6 }]);
        expect(complete.notRead).toEqual([
            { reason: 'later', urls: 1 },
            { reason: 'robots', urls: 1 },
        ]);
    });

    it('counts folders one level below the sections', () => {
        // One URL alone is its own folder in many a site: only two make one to be told of.
        expect(complete.folders).toEqual([]);
        const two = completenessOf(pack(sample().page('/old/x/two').known('/old/x/two', 'log')), new Set());
        expect(two.folders).toEqual([{ name: '/old/x/', known: 2, read: 2, pages: 2, reached: 0 }]);
    });

    it('finds the highest folder that no link path touches', () => {
        expect(complete.lost).toEqual([{ folder: '/old/', origin: ORIGIN, urls: 2, pages: 2, evidence: ['log'] }]);
    });

    it('says what cannot be claimed, and what nobody gave it', () => {
        expect(complete.notAsked).toEqual(['search', 'external']);
        expect(said(pack(sample()), new Set(['log', 'visits']))).toEqual([
            '1 URL is closed by robots.txt: what it holds and where it links is not known.',
            '1 URL became known after the survey; whether it answers is not known until it is read.',
            'No sitemap could be read, so pages that only a sitemap would know are missing.',
            'Nobody gave it what a search index lists or links from other sites: pages that only those would know are missing.',
        ]);
        expect(said(pack(sample(), { cut: ['max-pages'] }), new Set())[0]).toContain('cut short (max-pages)');
    });
});

describe('evidenceMatrix', () => {
    it('agrees with counting by hand over random masks', () => {
        let state = 1;
        const masks = Uint16Array.from({ length: 5_000 }, () => {
            state = (Math.imul(state, 1_103_515_245) + 12_345) >>> 0;
            return (state >>> 8) % (1 << EVIDENCE.length);
        });
        const plain = new Map<string, [number, number]>();
        masks.forEach((mask, node) => {
            const key = evidenceNames(mask).join(' ');
            const counts = plain.get(key) ?? [0, 0];
            counts[0]++;
            if (node % 3 === 0) counts[1]++;
            plain.set(key, counts);
        });
        const matrix = evidenceMatrix(masks, (node) => node % 3 === 0);
        expect(new Map(matrix.map((item) => [item.evidence.join(' '), [item.urls, item.pages]]))).toEqual(plain);
        expect(matrix.every((item, index) => index === 0 || matrix[index - 1]!.urls >= item.urls)).toBe(true);
        // Of as many URLs, what is known by less comes first.
        const [link, sitemap] = [1, 2];
        const tie = evidenceMatrix([link | sitemap, link], () => true);
        expect(tie.map(({ evidence }) => evidence.length)).toEqual([1, 2]);
    });
});

describe('kinds of orphans', () => {
    it('are told apart: strict, adrift, islands, listing-only and decline-only', () => {
        expect(named(sample(), 'strict orphan')).toEqual(['/lone']);
        expect(named(sample(), 'adrift')).toEqual(['/old/', '/old/x/one']);
        expect(islandsOf(pack(sample()))).toMatchObject([{ pages: 2 }]);
        expect(named(sample(), 'in an island')).toEqual(['/old/', '/old/x/one']);
        expect(named(sample(), 'listing only')).toEqual(['/only-listed']);
        expect(named(sample(), 'decline only')).toEqual(['/declined']);
    });

    it('are not known in a partial survey', () => {
        const cut: Partial<SurveyInfo> = { cut: ['max-pages'] };
        for (const line of ['orphan', 'in an island', 'listing only', 'decline only']) {
            expect(named(sample(), line, cut), line).toEqual([]);
        }
    });

    it('a redirect of the start page is no link', () => {
        const site = new Site()
            .known('/', 'manual')
            .page('/', [], { status: 301 })
            .page('/home', [{ to: '/x' }])
            .page('/x');
        site.rows.pages[0]!.redirectTo = site.id('/home');
        for (const line of ['orphan', 'decline only']) expect(named(site, line), line).toEqual([]);
    });

    it.each([
        ['/journal/page/3/', true],
        ['/journal?page=2', true],
        ['/tag/saws/', true],
        ['/journal/2026/03/', true],
        ['/guides/page-turning', false],
        ['/tools?kind=2', false],
        ['/', false],
    ])('%s is a listing: %s', (path, is) => expect(isListing(`${ORIGIN}${path}`)).toBe(is));
});

describe('what lists say', () => {
    const list = (kind: ListKind, name: string, rows: ListRow[]): EvidenceList => ({
        id: 1,
        kind,
        name,
        at: 0,
        outcome: {
            columns: [
                { name: 'visits', type: 'number' },
                { name: 'last', type: 'date' },
            ],
            lines: 0,
            rows: rows.length,
            bad: 0,
            notes: [],
            bare: null,
        },
        rows,
    });
    const row = (path: string, cells: (number | null)[], source = ''): ListRow => ({
        url: path.startsWith('http') ? path : `${ORIGIN}${path}`,
        source,
        cells,
    });

    it('is counted by what became of it', () => {
        const rows = [row('/a/', [1, 2]), row('/new', [3, null]), row('/shut', []), row('https://other.example/', [])];
        const { unmatched, ...counts } = matchList(pack(sample()), rows);
        expect(counts).toEqual({ read: 1, notRead: 2, later: 1 });
        expect(unmatched.map((item) => item.url)).toEqual(['https://other.example/']);
    });

    it('is told page by page: values of each list, links one by one', () => {
        const facts = new GivenFacts([
            list('visits', 'v.csv', [row('/a/', [7, null]), row('/new', [null, 5])]),
            list('external', 'x.csv', [
                row('/a/', [1, 1], 'https://one.example/'),
                row('/a/', [], 'https://two.example/'),
            ]),
        ]);
        expect(facts.of(`${ORIGIN}/a/`)).toEqual([
            {
                kind: 'visits',
                name: 'v.csv',
                values: [{ column: 'visits', type: 'number', value: 7 }],
                sources: [],
                links: 0,
            },
            {
                kind: 'external',
                name: 'x.csv',
                values: [],
                sources: ['https://one.example/', 'https://two.example/'],
                links: 2,
            },
        ]);
        expect(facts.of(`${ORIGIN}/never`)).toEqual([]);
    });
});

describe('sets of places', () => {
    const survey = sample().measure();

    it.each<[PageFilter, number]>([
        [{ section: 'old' }, 2],
        [{ folder: 'https://site.example/old/' }, 2],
        [{ path: '/old/x/' }, 1],
        [{ origin: 'https://site.example' }, 11],
        [{ orphan: 'island' }, 2],
        [{ orphan: 'listing' }, 1],
        [{ orphan: 'decline' }, 1],
        [{ known: 'log' }, 2],
        [{ unknown: 'link' }, 2],
        [{ gate: 'stopped' }, 1],
        [{ reason: 'later' }, 1],
        [{ sitemap: 'https://site.example/sitemap.xml' }, 1],
    ])('%j', (filter, size) => {
        expect(nodesOfLine(survey, setLine(filter))).toHaveLength(size);
    });
});

describe('sitemapFiles', () => {
    it('keeps membership file by file, and compares it with what may be indexed', () => {
        const site = sample();
        site.rows.files.push(
            ...['a', 'b'].map((name) => ({
                kind: 'sitemap' as const,
                url: `${ORIGIN}/${name}.xml`,
                status: 200,
                note: told(''),
                entries: 2,
                text: '',
            })),
        );
        const listed = (path: string, name: string): void =>
            void site.rows.evidence.push({
                address: site.id(path),
                evidence: 'sitemap',
                source: `${ORIGIN}/${name}.xml`,
                line: 1,
                lastmod: '',
            });
        listed('/a/', 'a');
        listed('/a/', 'a');
        listed('/shut', 'a');
        listed('/a/', 'b');
        const found = sitemapFiles(pack(site));
        expect(
            found.files.map(({ url, members, indexable, only }) => [url.slice(-5), members, indexable, only]),
        ).toEqual([
            ['a.xml', 2, 1, 1],
            ['b.xml', 1, 1, 0],
        ]);
        // /a/, /shut, and /lone of the sample's own sitemap; all other pages that were read stand in none.
        expect(found).toMatchObject({ listed: 3, listedNotIndexable: 1, indexableNotListed: 7 });
    });
});

describe('NearestPages', () => {
    const survey = pack(sample());

    it('finds the page that speaks of the same, by its rare words', () => {
        const [first] = new NearestPages(survey).of(nodeOf(survey, '/lone'));
        expect(paths(survey, [first!.node])).toEqual(['/a/deep']);
        expect(first!.words).toEqual(expect.arrayContaining(['plane', 'iron']));
        expect(first!.sameFolder).toBe(false);
    });

    it('offers only pages that links reach and that may be indexed, never the page itself', () => {
        // Four pages speak of the very same: one of them is a place for a link.
        const title = 'Sharpening a chisel';
        const alike = pack(
            new Site()
                .known('/', 'manual')
                .page('/', [{ to: '/reached' }, { to: '/noindexed' }], { title: 'Start' })
                .page('/reached', [], { title })
                .page('/noindexed', [], { title, noindex: true, noindexReason: told('meta') })
                .page('/orphan', [], { title })
                .page('/lone', [], { title })
                .known('/orphan')
                .known('/lone'),
        );
        const near = new NearestPages(alike).of(nodeOf(alike, '/lone'), 50);
        expect(
            paths(
                alike,
                near.filter(({ words }) => words.length > 0).map(({ node }) => node),
            ),
        ).toEqual(['/reached']);
        expect(near.map(({ node }) => node)).not.toContain(nodeOf(alike, '/lone'));
    });
});

describe('links from other sites', () => {
    it('land on pages, redirects, errors, losing variants, closed and unknown URLs', () => {
        const site = sample()
            .page('/moved', [], { status: 301 })
            .page('/gone', [], { status: 404 })
            .page('/A/', [], {})
            .known('/moved', 'external')
            .known('/gone', 'external')
            .known('/A/', 'external');
        const survey = (() => {
            site.rows.pages.find((page) => page.address === site.id('/moved'))!.redirectTo = site.id('/a/');
            return pack(site);
        })();
        const landing = linksIn(
            survey,
            ['/a/', '/moved', '/gone', '/A/', '/shut', '/new', '/never-heard-of'].map((path) => ({
                url: `${ORIGIN}${path}`,
                source: 'https://other.example/',
                cells: [],
            })),
        );
        expect(landing.map((item) => item.landing)).toEqual([
            'page',
            'redirect',
            'error',
            'variant',
            'closed',
            'not read',
            'unknown',
        ]);
        expect(landing[1]).toMatchObject({ hops: 1, ends: `${ORIGIN}/a/` });
        expect(landing[3]).toMatchObject({ ends: `${ORIGIN}/a/` });
        expect(landing.map(({ isKnown }) => isKnown)).toEqual([true, true, true, true, true, true, false]);
    });

    it.each([
        ['https://www.a.example/X/', 'http://a.example/x', true],
        ['https://a.example/x/index.html', 'https://a.example/x/', true],
        ['https://a.example//x', 'https://a.example/x', true],
        ['https://a.example/x?b=2&a=1', 'https://a.example/x?a=1&b=2', true],
        ['https://a.example/', 'https://www.a.example', true],
        ['https://a.example/x', 'https://a.example/y', false],
        ['https://a.example/x?a=1', 'https://a.example/x', false],
        ['https://b.example/', 'https://a.example/', false],
    ])('%s and %s are variants: %s', (a, b, are) => expect(variantKey(a) === variantKey(b)).toBe(are));
});
