import { pathOf } from './address.ts';

/**
 * Section of a page: the first path segment if a slash follows it, else `/`. Language prefixes count as segments and
 * the case is kept (`measures.md`, "URLs and belonging").
 */
export function sectionOf(url: string): string {
    const path = pathOf(url).split('?', 1)[0] ?? '/';
    const slash = path.indexOf('/', 1);
    return slash > 1 ? path.slice(1, slash) : '/';
}
