/** Rarer rules of the areas, each at the case it is for and at its near miss. */
import { describe, expect, it } from 'vitest';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { pageLinks } from '../model/page-links.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { type TextFacts } from '../columns/survey-facts.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { siteMeasures } from './site-measures.ts';
import { lostUrls } from '../packed/model-of.ts';
import { modelOf } from '../packed/model-of.ts';
import { againstIntended, readOutline } from '../compare/intended.ts';
import { pageFindings } from '../../../../tests/support/checks.ts';
import { pageLinksOf } from './page-links.ts';
import { lostTargets, misfitList } from './weight.ts';
import { told } from '../../../../tests/support/problems.ts';

const pack = (site: Site, facts?: TextFacts): PackedSurvey => packSurvey(site.measure(), facts).survey;
const node = (survey: PackedSurvey, path: string): number => survey.nodeOf(`${ORIGIN}${path}`);

describe('where weight is lost', () => {
    it('is told dearest first, then by pages, then by URL', () => {
        const site = new Site().known('/', 'manual');
        site.page('/', [{ to: '/a' }, { to: '/b' }, { to: '/dear' }]);
        site.page('/a', [{ to: '/x1' }, { to: '/x2' }]).page('/b', [{ to: '/x1' }, { to: '/x2' }]);
        for (const path of ['/dear', '/x1', '/x2']) site.page(path, [], { status: 404, words: null });
        const lost = lostTargets(pack(site));
        const costs = lost.map(({ cost }) => cost);
        expect(costs).toEqual([...costs].sort((a, b) => b - a));
        expect(lost.map(({ url }) => url.slice(ORIGIN.length))).toEqual(['/x1', '/x2', '/dear']);
    });

    it.each(['no-such-host', 'refused', 'timeout', 'tls', 'lost', 'broken-reply'] as const)(
        'to what failed with %s',
        (notRead) => {
            const site = new Site().known('/', 'manual').page('/', [{ to: '/x' }]);
            site.page('/x', [], { status: null, notRead, failure: told('no'), contentType: '', words: null });
            const survey = pack(site);
            expect(lostUrls(survey)[node(survey, '/x')]).toBe(1);
            expect(survey.measured.leak).toBeGreaterThan(0);
        },
    );

    it.each(['limit', 'stopped', 'trap', 'action', 'later'] as const)('not to what was left: %s', (notRead) => {
        const site = new Site().known('/', 'manual').page('/', [{ to: '/x' }]);
        site.page('/x', [], { status: null, notRead, contentType: '', words: null });
        expect(lostUrls(pack(site))[1]).toBe(0);
    });
});

describe('misfits', () => {
    it('are given weight by reached pages of their section only', () => {
        const site = new Site().known('/', 'manual');
        site.page('/', [{ to: '/s/starved' }, { to: '/s/giver' }, { to: '/s/b' }, { to: '/s/c' }]);
        site.page('/s/starved')
            .page('/s/giver', [{ to: '/s/b' }, { to: '/s/c' }])
            .page('/s/b', [{ to: '/s/c' }]);
        site.page('/s/c', [{ to: '/s/b' }]);
        // Indexable and high, but nobody gets there: an island that links to itself.
        site.page('/s/island', [{ to: '/s/isle' }])
            .page('/s/isle', [{ to: '/s/island' }])
            .known('/s/island')
            .known('/s/isle');
        const survey = pack(site);
        const priority = new Uint8Array(survey.count);
        priority[node(survey, '/s/starved')] = 1;
        const { starved } = misfitList(survey, priority);
        expect(starved).toHaveLength(1);
        const givers = starved[0]!.from.map(({ url }) => url.slice(ORIGIN.length));
        expect(givers.length).toBeGreaterThan(0);
        expect(givers).not.toContain('/s/island');
        expect(givers).not.toContain('/s/isle');
    });
});

describe('the list of misfits', () => {
    it('names the most overfed first, and of more than twelve the twelve that stand highest', () => {
        const site = new Site().known('/', 'manual');
        const fat = Array.from({ length: 14 }, (_, n) => `/fat/${n}`);
        const first = ['/first/a', '/first/b', '/first/c'];
        // One more page links to each than to the one before; to the pages that matter only the start page.
        const feeders = Array.from({ length: 40 }, (_, n) => `/feed/${n}`);
        site.page(
            '/',
            [...fat, ...first, ...feeders].map((to) => ({ to })),
        );
        for (const path of [...fat, ...first]) site.page(path);
        feeders.forEach((path, n) =>
            site.page(
                path,
                fat.filter((_, at) => n <= at * 2 + 10).map((to) => ({ to })),
            ),
        );
        const survey = pack(site);
        const priority = new Uint8Array(survey.count);
        for (const path of first) priority[node(survey, path)] = 1;
        const { overfed, overfedTotal } = misfitList(survey, priority);
        const highest = [...fat].reverse().map((path) => ORIGIN + path);
        expect(overfed.map(({ url }) => url)).toEqual(highest.slice(0, 12));
        expect(overfedTotal).toBeGreaterThanOrEqual(14);
    });
});

describe('choke points', () => {
    it('are no start pages, of which everything hangs', () => {
        const site = new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/hub' }])
            .page('/hub', [{ to: '/leaf' }])
            .page('/leaf');
        const { chokePoints } = siteMeasures(pack(site));
        expect(chokePoints.map((point) => point.url.slice(ORIGIN.length))).toEqual(['/hub']);
    });
});

describe('links without those of shared blocks', () => {
    it('leave out blocks of two pages and keep those of one', () => {
        const site = new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/own' }])
            .page('/a')
            .page('/own')
            .page('/shared');
        site.share(['/', '/a'], [{ to: '/shared' }]);
        const survey = pack(site);
        const targets = (ownOnly: boolean): string[] => {
            const { start, targets: to } = pageLinks(modelOf(survey), {
                ownOnly: ownOnly ? survey.numbers('block_pages') : undefined,
            });
            return [...to.subarray(start[0]!, start[1]!)].map((of) => survey.url(of).slice(ORIGIN.length));
        };
        expect(targets(true)).toEqual(['/own']);
        expect(targets(false)).toEqual(['/own', '/shared']);
    });
});

describe('followed links', () => {
    it('leave out those of a page that says nofollow of all its links', () => {
        const site = new Site().known('/', 'manual').page('/', [{ to: '/a' }, { to: '/b', rel: 'nofollow' }]);
        site.page('/a', [{ to: '/b' }], { nofollow: true }).page('/b', [{ to: '/a' }]);
        const survey = pack(site);
        const paths = survey.count;
        const edges = (followed: boolean): string[] => {
            const { start, targets } = pageLinks(modelOf(survey), { followed });
            const short = (of: number): string => survey.url(of).slice(ORIGIN.length);
            return Array.from({ length: paths }, (_, of) =>
                [...targets.subarray(start[of]!, start[of + 1]!)].map((to) => `${short(of)} ${short(to)}`),
            ).flat();
        };
        expect(edges(false)).toEqual(['/ /a', '/ /b', '/a /b', '/b /a']);
        expect(edges(true)).toEqual(['/ /a', '/b /a']);
    });
});

describe('findings of a page', () => {
    const says = (survey: PackedSurvey, path: string): string[] =>
        pageFindings(survey, node(survey, path), null).map(({ say }) => say);

    it('tell that only nofollow links lead there', () => {
        const site = new Site().known('/', 'manual').page('/', [{ to: '/a', rel: 'nofollow' }, { to: '/b' }]);
        const survey = pack(site.page('/a').page('/b'));
        expect(says(survey, '/a')).toContain('Reached by links that say nofollow only.');
        expect(says(survey, '/b')).not.toContain('Reached by links that say nofollow only.');
    });

    it.each([
        [49, true],
        [50, false],
    ])('tell of a main text of %i words: %s', (words, isTold) => {
        const site = new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/a' }])
            .page('/a');
        const main = new Map([[site.id('/a'), { hash: 'x', words, signature: null }]]);
        const survey = pack(site, { body: new Map(), main } as TextFacts);
        expect(says(survey, '/a').includes(`Its main text has ${words} words.`)).toBe(isTold);
    });
});

describe('findings of a page, further', () => {
    const says = (survey: PackedSurvey, path: string): string[] =>
        pageFindings(survey, node(survey, path), null).map(({ say }) => say);

    it('tell of the very same body, else of the same main text', () => {
        const site = new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/a' }, { to: '/b' }, { to: '/c' }, { to: '/d' }]);
        for (const path of ['/a', '/b', '/c', '/d']) site.page(path);
        const text = (hash: string) => ({ hash, words: 90, signature: null });
        const main = new Map([
            [site.id('/a'), text('one')],
            [site.id('/b'), text('one')],
            [site.id('/c'), text('two')],
            [site.id('/d'), text('two')],
        ]);
        const body = new Map([
            [site.id('/a'), 'x'],
            [site.id('/b'), 'x'],
            [site.id('/c'), 'y'],
            [site.id('/d'), 'z'],
        ]);
        const survey = pack(site, { body, main } as TextFacts);
        const doubles = (path: string): string[] =>
            says(survey, path).filter((say) => say.startsWith('Another page has'));
        expect(doubles('/a')).toEqual(['Another page has the very same body.']);
        expect(doubles('/c')).toEqual(['Another page has the same main text.']);
        expect(doubles('/')).toEqual([]);
    });

    it.each([
        [6, []],
        [7, ['Something was found of 1 more of its links.']],
    ])('name six bad links and count the rest: %i', (count, rest) => {
        const gone = Array.from({ length: count }, (_, n) => `/gone${n}`);
        const site = new Site().known('/', 'manual').page(
            '/',
            gone.map((to) => ({ to })),
        );
        for (const path of gone) site.page(path, [], { status: 404, words: null });
        const said = says(pack(site), '/');
        expect(said.filter((say) => say.startsWith('Links to /gone'))).toHaveLength(6);
        expect(said.filter((say) => say.includes(' more of its links'))).toEqual(rest);
    });
});

describe('what a page feeds', () => {
    it('is told by its links: no canonical, no link to itself, none that leads elsewhere', () => {
        const site = new Site().known('/', 'manual');
        site.page('/', [
            { to: '/a' },
            { to: '/', anchor: 'here' },
            { to: '/b', kind: 'canonical' },
            { to: 'https://other.example/' },
        ]);
        const survey = pack(site.page('/a').page('/b').known('/b'));
        const { feeds } = pageLinksOf(survey, node(survey, '/'));
        expect(feeds.map(({ pages, links }) => [pages, links])).toEqual([[1, 1]]);
    });
});

describe('an intended structure', () => {
    /** `/` -> /a -> /b -> /c, one click each. */
    const chain = pack(
        new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/a' }])
            .page('/a', [{ to: '/b' }])
            .page('/b', [{ to: '/c' }])
            .page('/c'),
    );
    const partings = (outline: string): string[] => {
        const read = readOutline(outline);
        if (!read.ok) throw new Error(read.say);
        return againstIntended(chain, read.pages).map(({ parting }) => parting);
    };

    it('counts clicks from the start page where the list begins with it', () => {
        expect(partings('/\n  /a\n    /b\n      /c')).toEqual(Array(4).fill('as intended'));
        // Two clicks away, and one level above it by a list that says nothing of its parent.
        expect(partings('/\n/b')).toEqual(['as intended', 'deeper']);
    });

    it('gives one click more where the list begins below the start page', () => {
        expect(partings('/a\n  /b\n    /c')).toEqual(Array(3).fill('as intended'));
        expect(partings('/b\n  /c')).toEqual(['deeper', 'deeper']);
        expect(partings('/c')).toEqual(['deeper']);
    });
});
