/** Addresses from the frame around a view: other views, sets, pages, surveys. What is looked at goes along. */
import { pageKey } from '../../core/address/page-key.ts';
import { quoted } from '../../core/sets/tokens.ts';
import { viewNamed, type AreaView } from '../../core/views/areas.ts';
import { aroundHref, journeyHref, proposalsHref, queryOf, sourceHref, withParams, withSheet } from '../view/address.ts';

export interface FrameLinks {
    /** Addresses of the site, and of the survey. */
    site: string;
    base: string;
    /** What is shown, below the survey. */
    part: string;
    /** Where a view is, with the current set if it takes one. */
    view: (view: AreaView) => string;
    /** Where a set is shown: in the view that is open if it takes sets, else among the pages. */
    set: (text: string) => string;
    links: (line: string, side: 'from' | 'to') => string;
    /** The view with a page's sheet; without one; with one pinned beside; without that. */
    page: (url: string) => string;
    withoutPage: string;
    pinned: (url: string) => string;
    withoutPinned: string;
    source: (url: string, line: number) => string;
    /** Links that others could give a page, and that its own text could give. */
    around: (url: string) => string;
    journey: (url: string) => string;
    proposals: (url: string) => string;
    outward: (url: string) => string;
    /** The same view of another survey, or of a page in it. */
    survey: (number: number, url?: string) => string;
    /** The newest revision of the survey that is shown. */
    newest: string;
    /** What a note is about. */
    note: (about: string, subject: string) => string;
}

/**
 * @param at address of the view
 * @param set line of the current set; empty for all
 */
export function frameLinks(
    at: URL,
    site: { id: number; start: string },
    survey: { number: number; path: string },
    set: string,
): FrameLinks {
    const ofSite = `/sites/${site.id}`;
    const base = `${ofSite}/${survey.path}`;
    const part = at.pathname.slice(base.length + 1);
    const shown = viewNamed(part)?.view;

    function setHref(text: string): string {
        const stays = shown?.takesSet ?? false;
        const params = new URLSearchParams(stays ? at.searchParams : undefined);
        params.delete('page');
        if (text === '') params.delete('set');
        else params.set('set', text);
        return `${stays ? at.pathname : `${base}/pages`}${queryOf(params)}`;
    }

    function inSurvey(number: number, url?: string): string {
        const params = new URLSearchParams();
        for (const name of ['set', 'page', 'pin']) {
            const value = at.searchParams.get(name);
            if (value !== null) params.set(name, value);
        }
        if (url !== undefined) params.set('page', pageKey(url, site.start));
        return `${ofSite}/${number}/${shown?.id ?? 'brief'}${queryOf(params)}`;
    }

    const withPage = (url: string): string => withSheet(at, url, site.start);

    return {
        site: ofSite,
        base,
        part,
        view: ({ id, takesSet }) => `${base}/${id}${takesSet && set !== '' ? `?${new URLSearchParams({ set })}` : ''}`,
        set: setHref,
        links: (line, side) => `${base}/links?${new URLSearchParams({ set: line, side })}`,
        page: withPage,
        withoutPage: withParams(at, { page: null }),
        pinned: (url) => withParams(at, { pin: pageKey(url, site.start) }),
        withoutPinned: withParams(at, { pin: null }),
        source: (url, line) => sourceHref(base, url, site.start, line),
        around: (url) => aroundHref(base, url, site.start),
        journey: (url) => journeyHref(base, url, site.start),
        proposals: (url) => proposalsHref(base, 'of', url, site.start),
        outward: (url) => proposalsHref(base, 'text', url, site.start),
        survey: inSurvey,
        newest: `${ofSite}/${survey.number}/${part}${at.search}`,
        note: (about, subject) => {
            if (about === 'page') return withPage(subject);
            if (about === 'section') return setHref(`section is ${quoted(subject)}`);
            return subject === '' ? `${base}/brief` : setHref(subject);
        },
    };
}
