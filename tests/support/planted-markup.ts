/** Faults of links, of markup, and of groups of pages that name each other, each with its near miss. */
import { idHashes } from '$lib/core/page/fragments.ts';
import { problem, writeProblem, type Problem } from '$lib/core/problems/problem.ts';
import type { FindingParams } from '$lib/core/words/finding-params.ts';
import { plain, shared, signatureOfWords, whole, type Planted } from './planted-site.ts';
import { ORIGIN, type SmallLink } from './small-site.ts';

type PlantedOf<I extends keyof FindingParams> = { [K in I]: () => Planted };

/** `/c` has the one link, `/d` the other. */
function links(at: SmallLink, not: SmallLink): Planted {
    return { site: whole().page('/c', [at], plain).page('/d', [not], plain), at: '/c', not: '/d' };
}

/** The same where both ends were asked for and answered so. */
function answered(kind: SmallLink['kind'] & string, at: number | null, not: number | null): Planted {
    const planted = links({ to: 'https://other.example/a', kind }, { to: 'https://other.example/b', kind });
    const { site } = planted;
    for (const [path, status] of [
        ['https://other.example/a', at],
        ['https://other.example/b', not],
    ] as const) {
        site.rows.checks.push({
            address: site.id(path),
            kind: kind === 'a' ? 'external' : 'resource',
            status,
            notRead: status === null ? 'timeout' : '',
            failure: '',
            contentType: '',
            redirectTo: null,
            milliseconds: 1,
            readAt: 0,
        });
    }
    return planted;
}

export const PLANTED_LINK_ENDS: PlantedOf<
    | 'link-malformed'
    | 'link-to-private'
    | 'fragment-missing'
    | 'external-error'
    | 'resource-error'
    | 'resource-insecure'
    | 'frame'
> = {
    'link-malformed': () => ({
        ...links({ to: '', kind: 'other', text: 'https://' }, { to: '', kind: 'other', text: 'tel:+44 1632 960000' }),
        never: '/a/one',
    }),
    'link-to-private': () => {
        const planted = links({ to: 'http://192.168.1.20/plan' }, { to: 'http://192.169.1.20/plan' });
        // A canonical is no link that readers follow; that it names no address is told as such.
        const canonical: SmallLink = { to: '', kind: 'other', text: 'file:///srv/a.html', rel: 'canonical' };
        return { ...planted, site: planted.site.page('/e', [canonical], plain), never: '/e' };
    },
    'fragment-missing': () => ({
        ...links({ to: '/a/one', fragment: 'fees' }, { to: '/a/one', fragment: 'f%C3%A9es:~:text=x' }),
        texts: (id) => ({
            body: new Map(),
            main: new Map(),
            ids: new Map([[id('/a/one'), idHashes(['top-of-page', 'fées'])!]]),
        }),
    }),
    'external-error': () => answered('a', 404, 200),
    'resource-error': () => answered('img', null, 304),
    'resource-insecure': () =>
        links({ to: 'http://other.example/x.js', kind: 'script' }, { to: 'http://other.example/x', kind: 'a' }),
    frame: () => links({ to: '/a/one', kind: 'iframe' }, { to: 'https://other.example/', kind: 'iframe' }),
};

/** `/c` has the one markup, `/d` the other, or none. */
function markup(at: Problem, not?: Problem): Planted {
    const site = whole()
        .page('/c', [], { ...plain, markup: writeProblem(at) })
        .page('/d', [], { ...plain, markup: not ? writeProblem(not) : '' });
    return { site, at: '/c', not: '/d' };
}

/** What makes these of a document is tested with `core/page/markup.ts`. */
export const PLANTED_MARKUP: PlantedOf<
    | 'title-several'
    | 'h1-several'
    | 'head-broken'
    | 'directive-in-body'
    | 'directive-unknown'
    | 'canonical-ignored'
    | 'structured-data-broken'
> = {
    'title-several': () => markup(problem('titles', { titles: 2 }), problem('h1s', { h1s: 2 })),
    'h1-several': () => markup(problem('h1s', { h1s: 2 }), problem('titles', { titles: 2 })),
    'head-broken': () =>
        markup(problem('head-closed', { tag: 'div', lost: 'link' }), problem('canonical-in-body', { written: '/a' })),
    'directive-in-body': () => markup(problem('robots-in-body', { says: 'noindex' })),
    'directive-unknown': () => markup(problem('directive-unknown', { token: 'no-index' })),
    'canonical-ignored': () =>
        markup(problem('canonical-unreadable', { written: 'file:///a' }), problem('titles', { titles: 2 })),
    'structured-data-broken': () => markup(problem('data-untyped', {})),
};

const hreflang = (to: string, name: string): SmallLink => ({ to, name, kind: 'hreflang' });

export const PLANTED_GROUPS: PlantedOf<
    | 'soft-404'
    | 'refresh-delayed'
    | 'canonical-unlike'
    | 'canonical-of-sequence'
    | 'variant-doubles'
    | 'hreflang-code'
    | 'hreflang-no-return'
    | 'hreflang-to-stopped'
    | 'hreflang-several'
    | 'hreflang-no-self'
    | 'language-differs'
    | 'sequence-one-way'
    | 'sequence-broken'
> = {
    'soft-404': () => ({
        site: whole()
            .page('/c', [], { ...plain, title: 'Not found' })
            .page('/d', [], { ...plain, title: 'Lost and not found: a year at the desk' }),
        at: '/c',
        not: '/d',
        words: new Map([
            ['/c', 149],
            ['/d', 150],
        ]),
    }),
    'refresh-delayed': () => links({ to: '/a/one', kind: 'meta-refresh' }, { to: '/d', kind: 'meta-refresh' }),
    'canonical-unlike': () => {
        const site = whole();
        const canonicals = [site.id('/a/one')];
        site.page('/c', [], { ...plain, canonicals }).page('/d', [], { ...plain, canonicals });
        const main = (words: string) => ({ hash: words, words: 80, signature: signatureOfWords(words) });
        return {
            site,
            at: '/c',
            not: '/d',
            texts: (id) => ({
                body: new Map(),
                main: new Map([
                    [id('/a/one'), main('saw')],
                    [id('/c'), main('kiln')],
                    [id('/d'), main('saw')],
                ]),
            }),
        };
    },
    'canonical-of-sequence': () => {
        const site = whole();
        const [first, back]: [string, (to: string) => SmallLink[]] = ['/list/1', (to) => [{ to, kind: 'prev' }]];
        const canonicals = [site.id(first)];
        site.page(first, [{ to: '/c', kind: 'next' }], plain)
            .page('/c', back(first), { ...plain, canonicals })
            // Says nothing of one before it: it may be the same list in another order.
            .page('/d', [], { ...plain, canonicals });
        return { site, at: '/c', not: '/d' };
    },
    'variant-doubles': () => ({
        // More links name the one with the slash.
        site: whole()
            .page('/a/one', [{ to: '/c/' }], plain)
            .page('/c', [], plain)
            .page('/c/', [], plain)
            .page('/d', [], plain)
            .page('/D', [{ to: '/d' }], plain),
        at: '/c',
        not: '/D',
        never: '/c/',
        texts: shared('main', ['/c', '/c/']),
    }),
    'hreflang-code': () => links(hreflang('/a/one', 'english'), hreflang('/a/one', 'EN-gb')),
    'hreflang-no-return': () => ({
        site: whole()
            .page('/c', [hreflang('/c', 'en'), hreflang('/fr', 'fr')], plain)
            .page('/fr', [hreflang('/fr', 'fr'), hreflang('/d', 'en')], plain)
            .page('/d', [hreflang('/d', 'en'), hreflang('/fr', 'fr'), hreflang('/gone', 'cy')], plain)
            .page('/gone', [], { status: 404, words: null }),
        at: '/c',
        not: '/d',
    }),
    'hreflang-to-stopped': () => ({
        site: whole()
            .page('/c', [hreflang('/gone', 'cy')], plain)
            .page('/gone', [], { status: 404, words: null })
            .page('/d', [hreflang('/d', 'en'), hreflang('https://other.example/', 'cy')], plain),
        at: '/c',
        not: '/d',
    }),
    'hreflang-several': () => ({
        site: whole()
            .page('/c', [hreflang('/a/one', 'fr'), hreflang('/a/two', 'FR')], plain)
            .page('/d', [hreflang('/a/one', 'fr'), hreflang('/a/one', 'fr'), hreflang('/a/two', 'fr-CA')], plain),
        at: '/c',
        not: '/d',
    }),
    'hreflang-no-self': () => ({
        site: whole()
            .page('/c', [hreflang('/a/one', 'fr')], plain)
            .page('/d', [hreflang('/a/one', 'fr'), hreflang('/d', 'en')], plain),
        at: '/c',
        not: '/d',
        never: '/a/two',
    }),
    'language-differs': () => ({
        site: whole()
            .page('/c', [hreflang('/c', 'cy')], plain)
            .page('/d', [hreflang('/d', 'en-GB'), hreflang('/d', 'x-default')], plain),
        at: '/c',
        not: '/d',
    }),
    'sequence-one-way': () => ({
        site: whole()
            .page('/c', [{ to: '/a/one', kind: 'next' }], plain)
            .page('/d', [{ to: '/e', kind: 'next' }], plain)
            .page('/e', [{ to: '/d', kind: 'prev' }], plain),
        at: '/c',
        not: '/d',
        never: '/e',
    }),
    'sequence-broken': () => ({
        site: whole()
            .page('/c', [{ to: '/gone', kind: 'next' }], plain)
            .page('/gone', [], { status: 404, words: null })
            .page('/d', [{ to: `${ORIGIN}/waits`, kind: 'next' }], plain)
            .known('/waits'),
        at: '/c',
        not: '/d',
    }),
};
