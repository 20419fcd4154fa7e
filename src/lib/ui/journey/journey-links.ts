/** The addresses of a walk: one step further, back, from the beginning; the steps stand in the address by their pages. */
import { pageKey } from '../../core/address/page-key.ts';
import { queryOf } from '../view/address.ts';

export interface JourneyLinks {
    /** One step further, to a page. */
    on: (url: string) => string;
    /** As far as a step, counted from 0. */
    until: (step: number) => string;
    /** From a page, by its URL; from the start page for null. */
    from: (url: string | null) => string;
    as: (walker: string) => string;
}

/** @param keys of the steps @param start URL of the survey's start page */
export function journeyLinks(at: URL, keys: readonly string[], start: string): JourneyLinks {
    const href = (steps: readonly string[], walker: string | null = at.searchParams.get('as')): string => {
        const params = new URLSearchParams(at.searchParams);
        params.delete('trail');
        params.delete('page');
        if (walker === null || walker === 'reader') params.delete('as');
        else params.set('as', walker);
        // One parameter: no address of a page holds a space, and of several of one name a router sees no order.
        if (steps.length > 0) params.set('trail', steps.join(' '));
        return at.pathname + queryOf(params);
    };
    return {
        on: (url) => href([...keys, pageKey(url, start)]),
        until: (step) => href(keys.slice(0, step + 1)),
        from: (url) => href(url === null ? [] : [pageKey(url, start)]),
        as: (walker) => href(keys, walker),
    };
}
