/** Faults of what links say, of how they stand in their markup, and of parts of the site, each with its near miss. */
import { NOTHING_BESIDE } from '$lib/core/checks/beside.ts';
import { fitsOf } from '$lib/core/subjects/anchor-fit.ts';
import { WordIndex, WordIndexMaker } from '$lib/core/text/word-index.ts';
import { LINK_MARK } from '$lib/core/page/links.ts';
import type { FindingParams } from '$lib/core/words/finding-params.ts';
import { plain, whole, type Planted } from './planted-site.ts';
import type { SmallLink } from './small-site.ts';

type PlantedOf<I extends keyof FindingParams> = { [K in I]: () => Planted };

const { looked, picture, heading, hidden, twin } = LINK_MARK;

/** `/c` has the one link to a page of the site, `/d` the other, and `/e` another near miss. */
function links(at: Partial<SmallLink>, not: Partial<SmallLink>, never?: Partial<SmallLink>): Planted {
    const to = '/a/one';
    const site = whole()
        .page('/c', [{ to, ...at }], plain)
        .page('/d', [{ to, ...not }], plain);
    if (never) site.page('/e', [{ to, ...never }], plain);
    return { site, at: '/c', not: '/d', ...(never ? { never: '/e' } : {}) };
}

const words = (count: number): string => Array.from({ length: count }, (_, n) => `w${n}`).join(' ');
const german = { ...plain, language: 'de-AT' };

export const PLANTED_ANCHORS: PlantedOf<
    | 'anchor-empty'
    | 'image-without-alt'
    | 'name-only'
    | 'anchor-generic'
    | 'anchor-url'
    | 'anchor-long'
    | 'anchor-off-subject'
    | 'same-words'
    | 'many-names'
    | 'self-link'
    | 'twin-links'
> = {
    'anchor-empty': () =>
        links(
            { anchor: '' },
            { anchor: '', name: 'Fees' },
            // Read by a version that did not look: nobody knows whether a picture stands there.
            { anchor: '', marks: 0 },
        ),
    'image-without-alt': () =>
        links({ anchor: '', marks: looked | picture }, { anchor: 'Saw', marks: looked | picture }, { anchor: '' }),
    'name-only': () => links({ anchor: '', name: 'Fees' }, { anchor: 'Our fees', name: 'Fees' }, { anchor: '' }),
    'anchor-generic': () => {
        const site = whole()
            .page('/c', [{ to: '/a/one', anchor: '» Read more …' }], plain)
            .page('/d', [{ to: '/a/one', anchor: 'Read more about saws' }], plain)
            // Says nothing in English; in German it is a word like any other.
            .page('/e', [{ to: '/a/one', anchor: 'More' }], german);
        return { site, at: '/c', not: '/d', never: '/e' };
    },
    'anchor-url': () => links({ anchor: 'https://site.example/a/one' }, { anchor: 'see https://site.example/a/one' }),
    'anchor-long': () =>
        links({ anchor: words(16), marks: looked | heading }, { anchor: words(15) }, { anchor: 'x'.repeat(100) }),
    'anchor-off-subject': () => {
        const site = whole()
            .page('/w', [], { ...plain, title: 'Whetting stones' })
            .page('/c', [{ to: '/w', anchor: 'the harbour master' }], plain)
            // A word of its title; one of its text only; nothing at all, which is another fault.
            .page('/d', [{ to: '/w', anchor: 'a whetting stone' }], plain)
            .page('/e', [{ to: '/w', anchor: 'oil' }], plain);
        return {
            site,
            at: '/c',
            not: '/d',
            never: '/e',
            beside: {
                ...NOTHING_BESIDE,
                anchorFits: (survey) => {
                    const words = new WordIndexMaker();
                    for (let node = 0; node < survey.count; node++) {
                        const isTarget = survey.url(node).endsWith('/w');
                        words.add(node, isTarget ? 'Stones want oil before they bite.' : `Text of page ${node}.`, 'en');
                    }
                    return fitsOf(survey, new WordIndex(words.done(survey.count)));
                },
            },
        };
    },
    'same-words': () => {
        const say = (to: string, anchor = 'Fees'): SmallLink[] => [{ to, anchor }];
        const site = whole()
            .page('/old', [], { status: 301, words: null })
            .page('/c', say('/a/one'), plain)
            .page('/e', say('/a/two'), plain)
            // “More” stands for any page, and is told as such; a number names nothing.
            .page('/d', [...say('/a/one', 'more'), ...say('/a/one', '2')], plain)
            .page('/f', [...say('/a/two', 'more'), ...say('/a/two', '2')], plain)
            // Three addresses of one page: a redirect to it, and another way to write it.
            .page('/g', say('/a/one', 'Saws'), plain)
            .page('/h', say('/old', 'Saws'), plain)
            .page('/i', say('http://site.example/a/one', 'Saws'), plain);
        site.rows.pages.find(({ address }) => address === site.id('/old'))!.redirectTo = site.id('/a/one');
        site.rows.addresses[site.id('http://site.example/a/one')]!.internal = true;
        return { site, at: '/c', not: '/d', never: '/g' };
    },
    'many-names': () => {
        const site = whole();
        for (let n = 0; n < 13; n++) {
            const own: SmallLink[] = [{ to: '/a/one', anchor: `One ${n}` }];
            // One more than these is the menu's.
            if (n < 11) own.push({ to: '/a/two', anchor: `Two ${n}` });
            site.page(`/n${n}`, own, plain);
        }
        return { site, at: '/a/one', not: '/a/two' };
    },
    'self-link': () => ({
        // The menu of `whole` leads from each of its pages to itself.
        site: whole()
            .page('/c', [{ to: '/c' }], plain)
            .page('/d', [{ to: '/d', fragment: 'main' }], plain),
        at: '/c',
        not: '/d',
        never: '/a/one',
    }),
    'twin-links': () => links({ marks: looked | twin }, {}),
};

const out = 'https://other.example/a';

export const PLANTED_PARTS: PlantedOf<
    | 'external-new'
    | 'external-hidden'
    | 'noscript-only'
    | 'lost-section'
    | 'design-apart'
    | 'trap-family'
    | 'intended-parts'
> = {
    'external-new': () => ({
        ...links({ to: 'https://new.example/' }, { to: out }),
        beside: { ...NOTHING_BESIDE, hostsBefore: new Set(['other.example']) },
    }),
    'external-hidden': () => links({ to: out, marks: looked | hidden }, { marks: looked | hidden }, { to: out }),
    'noscript-only': () => links({ to: '/plain', kind: 'noscript' }, { kind: 'noscript' }),
    'lost-section': () => ({
        site: whole()
            .page('/lost/one', [], plain)
            .known('/lost/one')
            .page('/lost/two', [], plain)
            .known('/lost/two')
            // One URL alone is an orphan, and no section.
            .page('/single/one', [], plain)
            .known('/single/one'),
        at: '/lost/one',
        not: '/single/one',
    }),
    'design-apart': () => {
        const site = whole();
        const paths = Array.from({ length: 200 }, (_, n) => `/p/${n}`);
        for (const path of paths) site.page(path, [], plain);
        site.share(paths, [{ to: '/a/one', anchor: 'Frame' }], 'header');
        for (let n = 0; n < 10; n++) site.page(`/old/${n}`, [], plain);
        site.page('/p/print/', [], plain);
        return { site, at: '/old/3', not: '/p/3', never: '/p/print/' };
    },
    'trap-family': () => ({
        site: whole().page('/c', [], plain).page('/d', [], plain),
        at: '/c',
        not: '/d',
        beside: {
            ...NOTHING_BESIDE,
            families: ['/c', '/d'].map((path) => ({
                pattern: `site.example${path}?{query}`,
                example: `https://site.example${path}`,
                read: 200,
                reason: 'combinations' as const,
                // What somebody closed by hand is known to them.
                byHand: path === '/d',
            })),
        },
    }),
    'intended-parts': () => ({
        site: whole().page('/c', [], plain).known('/c'),
        at: '/c',
        not: '/a/one',
        beside: {
            ...NOTHING_BESIDE,
            intended: ['/', '/a/one', '/c'].map((label, place) => ({
                label,
                parent: place === 0 ? null : 0,
                priority: null,
            })),
        },
    }),
};
