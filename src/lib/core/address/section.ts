import { pathOf } from './address.ts';

/** Folders a URL lies in: slashes of its path after the first; `/a/b/c` and `/a/b/` have two. */
export function folderDepth(url: string): number {
    const path = pathOf(url).split('?', 1)[0] ?? '/';
    return path.split('/').length - 2;
}

/** The folder a URL lies in, with its origin: up to and with the last slash of its path. */
export function folderOf(url: string): string {
    const query = url.indexOf('?');
    const end = query === -1 ? url.length : query;
    return url.slice(0, url.lastIndexOf('/', end - 1) + 1);
}

/**
 * Section of a page: the first path segment if a slash follows it, else `/`. Language prefixes count as segments and
 * the case is kept (`measures.md`, "URLs and belonging").
 */
export function sectionOf(url: string): string {
    const path = pathOf(url).split('?', 1)[0] ?? '/';
    const slash = path.indexOf('/', 1);
    return slash > 1 ? path.slice(1, slash) : '/';
}
