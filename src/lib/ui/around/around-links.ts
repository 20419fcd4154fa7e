/** The addresses of *Around a page*: another page in the middle, other steps, kinds and directions. */
import { pageKey } from '../../core/address/page-key.ts';
import { queryOf, withParams } from '../view/address.ts';

export interface AroundLinks {
    /** Another page in the middle; what else was chosen stays. */
    around: (url: string) => string;
    with: (change: Record<string, string | null>) => string;
    kinds: (kinds: readonly string[]) => string;
    /** Paths to a page, and those that leave one out. */
    to: (url: string, without: string | null) => string;
}

/** @param start URL of the survey's start page */
export function aroundLinks(at: URL, start: string): AroundLinks {
    return {
        around: (url) => withParams(at, { of: pageKey(url, start), page: null, to: null, without: null }),
        with: (change) => withParams(at, change),
        kinds: (kinds) => {
            const params = new URLSearchParams(at.searchParams);
            params.delete('kind');
            for (const kind of kinds) params.append('kind', kind);
            return at.pathname + queryOf(params);
        },
        to: (url, without) =>
            withParams(at, { to: pageKey(url, start), without: without === null ? null : pageKey(without, start) }),
    };
}
