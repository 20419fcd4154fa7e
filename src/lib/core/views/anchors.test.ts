import { describe, expect, it } from 'vitest';
import { randomSite } from '../../../../tests/support/random-site.ts';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { fitsOf } from '../subjects/anchor-fit.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import { calledBy, eachCall } from '../text/called.ts';
import { listPlaces } from '../text/link-words.ts';
import { GENERIC_WORDS } from '../text/generic-words.ts';
import { WordIndex, WordIndexMaker } from '../text/word-index.ts';
import { Bits } from '../sets/bits.ts';
import { linkRows } from '../sets/link-rows.ts';
import { linkWindowRows } from '../sets/link-window.ts';
import { linksThatSay, type LinkSays } from '../subjects/link-says.ts';
import { anchorsView, type AnchorsAsked } from './anchors.ts';
import { sameWordsView, sharedWordings } from './same-words.ts';

const english = { language: 'en' };

/** Every page is about its title, in a text of its own. */
function shown(survey: PackedSurvey, more: Partial<AnchorsAsked> = {}) {
    const maker = new WordIndexMaker();
    for (let node = 0; node < survey.count; node++) maker.add(node, `Text of ${survey.texts('title').at(node)}`, 'en');
    const words = new WordIndex(maker.done(survey.count));
    const fits = fitsOf(survey, words);
    const plain = {
        survey,
        words,
        fits,
        said: new Map(),
        generic: GENERIC_WORDS,
        within: null,
        order: 'trouble',
        from: 0,
        of: -1,
    } as const;
    return anchorsView({ ...plain, ...more });
}

const site = new Site()
    .known('/', 'manual')
    .page(
        '/',
        [
            { to: '/saws', anchor: 'hand saws' },
            { to: '/glue', anchor: 'here' },
            { to: '/glue', anchor: 'the harbour' },
        ],
        english,
    )
    .page(
        '/a',
        [
            { to: '/saws', anchor: 'hand saws' },
            { to: '/glue', anchor: 'Glue' },
        ],
        english,
    )
    .page(
        '/b',
        [
            { to: '/glue', anchor: 'hand saws' },
            { to: '/doubled', anchor: 'Glue' },
        ],
        english,
    )
    .page('/saws', [], { ...english, title: 'Hand saws' })
    .page('/glue', [{ to: '/glue', anchor: 'Glue' }], { ...english, title: 'Glue and clamps' })
    .page('/doubled', [], { ...english, title: 'Glue and clamps' });
site.share(
    ['/', '/a', '/b'],
    [
        { to: '/saws', anchor: 'Read more' },
        { to: '/glue', anchor: '' },
        { to: '/a', anchor: 'Page a' },
    ],
);
const { survey } = packSurvey(site.measure());

describe('profiles', () => {
    it('count links of running text alone, by how they stand to their target', () => {
        const { counts, rows } = shown(survey);
        // Five and one of texts; the menu's nine and the link of a page to itself are none.
        expect(counts).toEqual({ links: 7, nothing: 1, judged: 7, fits: 4, shared: 2 });
        expect(rows.map(({ url, links, fits }) => [url.slice(ORIGIN.length), links, fits])).toEqual([
            ['/glue', 4, 0.25],
            ['/saws', 2, 1],
            ['/doubled', 1, 1],
        ]);
    });

    it('are in the order that is asked for, and those of a set alone', () => {
        const urls = (more: Partial<AnchorsAsked>): string[] =>
            shown(survey, more).rows.map(({ url }) => url.slice(ORIGIN.length));
        expect(urls({ order: 'links' })[0]).toBe('/glue');
        expect(urls({ within: { has: (node) => survey.url(node).endsWith('/saws') } })).toEqual(['/saws']);
    });

    it('of one page have its anchors worst first, each with where it stands', () => {
        const of = survey.nodeOf(`${ORIGIN}/glue`);
        const { chosen } = shown(survey, { of });
        expect(chosen!.anchors.map(({ text, fit, links }) => [text, fit, links])).toEqual([
            ['here', 'nothing', 1],
            ['hand saws', 'off', 1],
            ['the harbour', 'off', 1],
            ['Glue', 'fits', 1],
        ]);
        expect(chosen!.anchors[1]!.places.map(({ url, at }) => [url, at])).toEqual([[`${ORIGIN}/b`, 0]]);
        expect([chosen!.rank, chosen!.before, chosen!.next]).toEqual([1, null, `${ORIGIN}/saws`]);
    });

    it('tell of menus what says little, once', () => {
        expect(shown(survey).shared.map(({ text, says, targets, pages }) => [text, says, targets, pages])).toEqual([
            ['', 'nothing', 1, 3],
            ['Read more', 'little', 1, 3],
        ]);
    });

    it('say that nothing is known of fits where the words of the survey are not', () => {
        const { isJudged, counts, rows } = shown(survey, { words: null, fits: null });
        expect([isJudged, counts.nothing, counts.fits, rows[0]!.fits]).toEqual([false, 1, 0, null]);
    });
});

describe('the numbers of the headline', () => {
    it('are the rows of links that say so, on random sites', () => {
        for (let seed = 1; seed <= 10; seed++) {
            const { survey: random } = packSurvey(randomSite(seed).measure());
            const maker = new WordIndexMaker();
            for (let node = 0; node < random.count; node++) {
                maker.add(node, `Text of ${random.texts('title').at(node)}`, random.word('language', node));
            }
            const words = new WordIndex(maker.done(random.count));
            const fits = fitsOf(random, words);
            const { counts } = shown(random, { words, fits });
            const rows = (says: LinkSays) => {
                const only = linksThatSay(random, says, fits, GENERIC_WORDS);
                const query = { side: 'to', kind: 'a', only } as const;
                const all = linkRows(random, Bits.all(random.count), query);
                const { target, isPage } = linkGraphOf(random);
                for (const [row, link] of all.link.entries()) {
                    expect(target[link]).not.toBe(all.source[row]);
                    expect(isPage[all.source[row]!]).toBe(1);
                }
                const order = { column: 'anchor', descending: false } as const;
                expect(linkWindowRows(random, Bits.all(random.count), query, order, 0, 5).total).toBe(all.link.length);
                return all.link.length;
            };
            expect([rows('any'), rows('nothing'), rows('fits')], `seed ${seed}`).toEqual([
                counts.links,
                counts.nothing,
                counts.fits,
            ]);
            expect(rows('loose') + rows('off') + rows('unknown')).toBe(counts.links - counts.nothing - counts.fits);
        }
    });
});

describe('one wording for several pages', () => {
    it('is told with the links to each, the commonest first; patterns of a template last', () => {
        const { wordings, total } = sameWordsView(survey, null, 0, GENERIC_WORDS);
        expect(
            wordings.map(({ text, targets }) => [
                text,
                targets.map(({ url, links }) => [url.slice(ORIGIN.length), links]),
            ]),
        ).toEqual([
            [
                'hand saws',
                [
                    ['/saws', 2],
                    ['/glue', 1],
                ],
            ],
            // Each of its pages once.
            [
                'Glue',
                [
                    ['/doubled', 1],
                    ['/glue', 1],
                ],
            ],
        ]);
        expect(total).toBe(2);
    });

    it('is none of several addresses of one page: by redirect, canonical or how they are written', () => {
        const doubled = new Site()
            .known('/', 'manual')
            .page('/', [
                { to: '/oil', anchor: 'Oil' },
                { to: '/oil/', anchor: 'Oil' },
                { to: '/old', anchor: 'Oil' },
                { to: '/saw', anchor: 'Saw' },
            ])
            .page('/a', [{ to: '/b', anchor: 'Saw' }])
            .page('/old', [], { status: 301, contentType: '', redirectTo: 0 });
        for (const path of ['/oil', '/oil/', '/saw', '/b']) doubled.page(path);
        doubled.rows.pages.find(({ address }) => address === doubled.id('/old'))!.redirectTo = doubled.id('/oil');
        const { survey: told } = packSurvey(doubled.measure());
        expect(sameWordsView(told, null, 0, GENERIC_WORDS).wordings.map(({ text }) => text)).toEqual(['Saw']);
        expect(sharedWordings(told, GENERIC_WORDS)).toBe(1);
    });

    it('is as many as a plain count finds on random sites', () => {
        for (let seed = 1; seed <= 15; seed++) {
            const { survey: random } = packSurvey(randomSite(seed).measure());
            const { pages } = calledBy(random);
            expect(pages.length).toBeGreaterThan(0);
            expect(sharedWordings(random, GENERIC_WORDS), `seed ${seed}`).toBe(
                sameWordsView(random, null, 0, GENERIC_WORDS).total,
            );
        }
    });
});

describe('links of running text', () => {
    it('are told by target as a plain count has them, page by page, on random sites', () => {
        let all = 0;
        for (let seed = 1; seed <= 20; seed++) {
            const { survey: random } = packSurvey(randomSite(seed).measure());
            const { start, pages } = calledBy(random);
            const { inText } = listPlaces(random);
            const { isPage, pageStart, pageBlocks, blockList, listStart, target, kind } = linkGraphOf(random);
            const plain = new Array<number>(random.count).fill(0);
            const told = new Array<number>(random.count).fill(0);
            for (let page = 0; page < random.count; page++) {
                if (isPage[page] !== 1) continue;
                for (let at = pageStart[page]!; at < pageStart[page + 1]!; at++) {
                    const list = blockList[pageBlocks[at]!]!;
                    for (let link = listStart[list]!; inText[list] === 1 && link < listStart[list + 1]!; link++) {
                        const to = target[link]!;
                        if (kind[link] === 0 && to >= 0 && to < random.count && to !== page) plain[to]!++;
                    }
                }
            }
            for (let node = 0; node < random.count; node++) {
                let links = 0;
                for (let at = start[node]!; at < start[node + 1]!; at++) links += pages[at]!;
                expect(links, `seed ${seed}, ${random.url(node)}`).toBe(plain[node]);
                eachCall(
                    random,
                    node,
                    () => true,
                    () => told[node]!++,
                );
                all += links;
            }
            expect(told).toEqual(plain);
        }
        expect(all).toBeGreaterThan(100);
    });
});
