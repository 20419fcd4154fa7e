/** The addresses that a view links to: sets among the pages, and the sheets of pages beside what is looked at. */
import { setQuery } from '../../core/sets/page-filter.ts';
import { proposalsHref, sourceHref, withSheet } from './address.ts';

export interface ViewLinks {
    /** Address of the survey. */
    base: string;
    /** Scheme and host of the start page: what addresses may leave out. */
    origin: string;
    /** A set among the pages, by its line. */
    set: (line: string) => string;
    /** The sheet of a page, beside this view. */
    page: (url: string) => string;
    /** The source of a page as received, at a line. */
    source: (url: string, line: number) => string;
    /** Proposals of links to a page. */
    proposals: (url: string) => string;
}

/** @param at address of the view */
export function viewLinks(
    at: URL,
    { site, survey, origin }: { site: { id: number; start: string }; survey: { path: string }; origin: string },
): ViewLinks {
    const base = `/sites/${site.id}/${survey.path}`;
    return {
        base,
        origin,
        set: (line) => `${base}/pages${setQuery(line)}`,
        page: (url) => withSheet(at, url, site.start),
        source: (url, line) => sourceHref(base, url, site.start, line),
        proposals: (url) => proposalsHref(base, 'of', url, site.start),
    };
}
