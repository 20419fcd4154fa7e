/** Sites with one fault planted for a check, and its near miss beside it. */
import { signatureOf } from '$lib/core/doubles/signature.ts';
import type { Beside } from '$lib/core/checks/beside.ts';
import type { TextFacts } from '$lib/core/columns/survey-facts.ts';
import type { PageRow } from '$lib/core/survey/survey-rows.ts';
import { Site } from './small-site.ts';

const ALL = ['/', '/a/one', '/a/two', '/b/three'];
export const plain: Partial<PageRow> = {
    title: 'Own title',
    h1: 'Own heading',
    description: 'What is here.',
    language: 'en',
    words: 80,
    markup: '',
};

/** A site with nothing wrong: four pages, each linked from two others at least, all in the sitemap. */
export function whole(): Site {
    const site = new Site().known('/', 'manual');
    for (const path of ALL) {
        site.page(path, [], { ...plain, title: `Title ${path}`, h1: `Heading of ${path}` }).known(path);
    }
    site.share(ALL, [{ to: '/' }, { to: '/a/one' }, { to: '/a/two' }, { to: '/b/three' }]);
    return site.sitemap();
}

export interface Planted {
    site: Site;
    /** Priorities by path. */
    priority?: Record<string, number>;
    /** Where it fires, and where it looks like it and must not. */
    at: string;
    not: string;
    /** Another near miss. */
    never?: string;
    goal?: number;
    beside?: Beside;
    words?: Map<string, number>;
    /** What is told of the texts of pages, by their paths. */
    texts?: (id: (path: string) => number) => TextFacts;
}

export type Canonicals = (id: (path: string) => number) => number[];

/** `/c` with canonicals where the check fires, `/d` with others where it must not; what they may name stands around. */
export function canonicals(at: Canonicals, not: Canonicals, facts: Partial<PageRow> = {}): Planted {
    const site = whole();
    const id = (path: string): number => site.id(path);
    for (const path of ['/c', '/d', '/hands-on', '/hands-back', '/itself']) site.id(path);
    site.page('/gone', [], { status: 404, words: null })
        .page('/old', [], { status: 301, words: null, redirectTo: id('/a/one') })
        .page('/shut', [], { status: null, notRead: 'robots', robotsAllowed: false, words: null })
        .page('/quiet', [], { ...plain, noindex: true })
        .page('/hands-on', [], { ...plain, canonicals: [id('/a/one')] })
        .page('/hands-back', [], { ...plain, canonicals: [id('/c')] })
        .page('/itself', [], { ...plain, canonicals: [id('/itself')] })
        .page('/c', [], { ...plain, ...facts, canonicals: at(id) })
        .page('/d', [], { ...plain, ...facts, canonicals: not(id) });
    return { site, at: '/c', not: '/d' };
}

/** Redirects from one path to another; the check fires at `/c` and must not at `/d`. */
export function redirects(ways: [from: string, to: string][]): Planted {
    const site = whole();
    for (const [from, to] of ways) site.page(from, [], { status: 301, words: null, redirectTo: site.id(to) });
    return { site, at: '/c', not: '/d' };
}

export const signatureOfWords = (words: string) =>
    signatureOf(Array.from({ length: 80 }, (_, n) => `${words}${n}`).join(' '));

/** `/a/one` and `/a/two` share a body, a main text, or nearly the main text. */
export function shared(what: 'body' | 'main' | 'near', paths = ['/a/one', '/a/two']): Planted['texts'] {
    return (id) => {
        const body = new Map(paths.map((path) => [id(path), 'one hash']));
        const signature = signatureOfWords('word');
        const main = new Map(
            [...body].map(([page, hash]) =>
                what === 'near'
                    ? [page, { hash: `hash ${page}`, words: 80, signature }]
                    : [page, { hash, words: 80, signature: null }],
            ),
        );
        return what === 'body' ? { body, main } : { body: new Map(), main };
    };
}
