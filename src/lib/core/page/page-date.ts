/** When a page was last changed, by what it says itself and by the header of its answer. */
import type { PageDate } from './document-facts.ts';

/** Dates that say when a page was changed, and those that say when it was made public, in small letters. */
const CHANGED = new Set([
    'datemodified',
    'article:modified_time',
    'og:updated_time',
    'last-modified',
    'dc.modified',
    'dcterms.modified',
    'revised',
]);
const PUBLISHED = new Set([
    'datepublished',
    'article:published_time',
    'date',
    'pubdate',
    'dc.date',
    'dc.issued',
    'dcterms.date',
    'dcterms.issued',
]);

/** A day, with a time where it has one and says its zone (W3C NOTE-datetime); a time without a zone is left out. */
const DAY_AND_TIME = /^(\d{4}-\d{2}-\d{2})(?:[T ]\d{2}:\d{2}(?::\d{2}(?:\.\d+)?)?(Z|[+-]\d{2}:\d{2})?)?$/;

/** UTC, milliseconds since 1970; null for what is no day of the calendar. */
function momentOf(written: string): number | null {
    const [whole, day, zone] = DAY_AND_TIME.exec(written.trim()) ?? [];
    if (whole === undefined || day === undefined) return null;
    const at = Date.parse(`${day}T00:00:00Z`);
    // A day that the calendar does not have is moved on to one it has.
    if (Number.isNaN(at) || new Date(at).toISOString().slice(0, 10) !== day) return null;
    const exact = zone === undefined ? at : Date.parse(whole.replace(' ', 'T'));
    return Number.isNaN(exact) ? at : exact;
}

/** The latest date the page gives as that of a change, else as that of its publication; null for neither. */
export function pageDate(dates: readonly PageDate[]): number | null {
    for (const meant of [CHANGED, PUBLISHED]) {
        const found = dates
            .filter(({ what }) => meant.has(what.toLowerCase()))
            .flatMap(({ value }) => momentOf(value) ?? []);
        if (found.length > 0) return Math.max(...found);
    }
    return null;
}

/** `Last-Modified` (RFC 9110 8.8.2) as UTC, milliseconds since 1970; null for what is no date. */
export function lastModified(header: string): number | null {
    // The three forms of RFC 9110 5.6.7 begin with the name of a day; anything else a parser might take is none of them.
    if (!/^(?:mon|tue|wed|thu|fri|sat|sun)/i.test(header.trim())) return null;
    const at = Date.parse(header);
    return Number.isNaN(at) ? null : at;
}
