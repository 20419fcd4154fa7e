/**
 * The big site: the same kind of website as the demo's, at any size, made from a seed. Every page is made when it is
 * asked for, from its number alone, so that a million of them cost no memory.
 *
 * Page n > 0 is linked from page floor((n - 1) / 8), so all pages are reached and the depth is about log8 of the size.
 */
import type { StandInSite } from './stand-in.ts';

export interface BigSiteOptions {
    pages: number;
    /** Any number: another seed, another text and other related pages. */
    seed?: number;
    /** Bytes of a page, about. */
    bytes?: number;
    /** Links of the menu and footer, the same on every page. */
    menu?: number;
    /** Links to related pages, other ones on every page. */
    related?: number;
    origin?: string;
}

const CHILDREN = 8;
const WORDS =
    'tool ladder saw bench clamp drill plane guide branch loan shelf edge grain board hinge wall roof garden river mill station meadow harbour school bakery member fee deposit repair oak ash pine slate lime copper steel rope pump brush stone level square line cut join lift clean finish measure borrow return count name handle winter summer weekend counter kettle van'.split(
        ' ',
    );

/** A fixed sequence of 32-bit numbers from a seed (mulberry32, Tommy Ettinger). */
export function numbers(seed: number): () => number {
    let state = seed >>> 0;
    return () => {
        state = (state + 0x6d2b79f5) >>> 0;
        let mixed = Math.imul(state ^ (state >>> 15), state | 1);
        mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
        return (mixed ^ (mixed >>> 14)) >>> 0;
    };
}

export interface BigSite {
    site: StandInSite;
    /** The page with a number, as HTML. */
    page: (number: number) => string;
    pathOf: (number: number) => string;
}

export function bigSite(options: BigSiteOptions): BigSite {
    const { pages, seed = 1, bytes = 28_000, menu = 60, related = 20 } = options;
    const sections = Math.max(1, Math.min(24, Math.floor(pages / 50)));
    const pathOf = (number: number): string => (number === 0 ? '/' : `/section-${number % sections}/page-${number}/`);
    const next = numbers(seed);
    const sentence = (): string => {
        const words = Array.from({ length: 8 + (next() % 9) }, () => WORDS[next() % WORDS.length]!);
        return `${words[0]!.charAt(0).toUpperCase()}${words.join(' ').slice(1)}.`;
    };
    // Paragraphs are made once; each page takes others of them, in another order.
    const paragraphs = Array.from({ length: 400 }, () => Array.from({ length: 4 }, sentence).join(' '));
    const link = (number: number): string =>
        `<a href="${pathOf(number)}">${WORDS[number % WORDS.length]} ${number}</a>`;
    const shared = Array.from({ length: menu }, (_, index) => `<li>${link((index * 7) % pages)}</li>`);
    const header = `<nav><ul>${shared.slice(0, Math.ceil(menu * 0.7)).join('\n')}</ul></nav>`;
    const footer = `<footer><ul>${shared.slice(Math.ceil(menu * 0.7)).join('\n')}</ul></footer>`;

    const page = (number: number): string => {
        const own = numbers(seed * 1_000_003 + number);
        const children: string[] = [];
        for (let child = number * CHILDREN + 1; child <= number * CHILDREN + CHILDREN && child < pages; child++) {
            children.push(`<li>${link(child)}</li>`);
        }
        const others = Array.from({ length: related }, () => `<li>${link(own() % pages)}</li>`);
        const head = `<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><title>Page ${number}</title>
<meta name="description" content="About page ${number}"><link rel="canonical" href="${options.origin ?? ''}${pathOf(number)}"></head>\n<body>\n<header>${header}</header>\n<main><h1>Page ${number}</h1>\n<ul>${children.join('')}</ul>\n`;
        const tail = `<aside><h2>Related</h2><ul>${others.join('\n')}</ul></aside></main>\n${footer}\n</body></html>\n`;
        let text = '';
        while (head.length + text.length + tail.length < bytes) {
            text += `<p>${paragraphs[own() % paragraphs.length]!}</p>\n`;
            if (text.length > bytes) break;
        }
        return head + text + tail;
    };

    const site: StandInSite = ({ path }) => {
        const number = path === '/' ? 0 : Number(/^\/section-\d+\/page-(\d+)\/$/.exec(path)?.[1] ?? NaN);
        if (!(number < pages) || pathOf(number) !== path) {
            return { status: 404, headers: { 'content-type': 'text/plain' }, body: 'no such page\n' };
        }
        return { status: 200, headers: { 'content-type': 'text/html; charset=utf-8' }, body: page(number) };
    };
    return { site, page, pathOf };
}
