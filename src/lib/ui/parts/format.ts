/** Numbers, dates and addresses as they are shown. */
import { headOf, tailOf } from '../../core/page/cut-text.ts';

const NUMBER = new Intl.NumberFormat('en');
const DATE = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' });
const MOMENT = new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
    timeZone: 'UTC',
});

export function count(value: number): string {
    return NUMBER.format(value);
}

/** A share that adds up on the way down: 100% only where nothing is left, 0% only where nothing was. */
export function shareSoFar(part: number, whole: number): string {
    const percent = (part / Math.max(1, whole)) * 100;
    if (part > 0 && percent < 0.5) return '<1%';
    if (part < whole && percent > 99) return `${(Math.floor(percent * 10) / 10).toFixed(1)}%`;
    return `${Math.round(percent)}%`;
}

/** A name within a sentence: a small first letter, unless the name begins with an abbreviation. */
export function lowerFirst(name: string): string {
    return /^.[A-Z]/.test(name) ? name : name.charAt(0).toLowerCase() + name.slice(1);
}

/** "1 page", "23 pages". */
export function counted(value: number, one: string, many = `${one}s`): string {
    return `${NUMBER.format(value)} ${value === 1 ? one : many}`;
}

export function day(moment: number | null): string {
    return moment === null ? '' : DATE.format(moment);
}

/** With the zone, because times are kept in UTC. */
export function moment(value: number | null): string {
    return value === null ? '' : `${MOMENT.format(value)} UTC`;
}

export interface AddressParts {
    /** Scheme and host where they are not the site's own; else empty. */
    host: string;
    /** Up to and with the last slash before the last part. */
    folder: string;
    last: string;
}

/** An address taken apart for showing: the main host is said once elsewhere, others are written out. */
export function addressParts(url: string, mainOrigin: string): AddressParts {
    const isMain = url === mainOrigin || url.startsWith(`${mainOrigin}/`);
    const match = /^(https?:\/\/[^/]*)(.*)$/.exec(url);
    const host = isMain ? '' : (match?.[1] ?? '');
    const path = (match?.[2] ?? url) || '/';
    const query = path.indexOf('?');
    const before = query === -1 ? path : path.slice(0, query);
    const cut = before.endsWith('/') && query === -1 ? before.slice(0, -1).lastIndexOf('/') : before.lastIndexOf('/');
    return { host, folder: path.slice(0, cut + 1), last: path.slice(cut + 1) };
}

/** Cut in the middle, so that both the folder and the end stay readable. */
export function cutMiddle(text: string, most: number): string {
    if (text.length <= most) return text;
    const head = Math.ceil((most - 1) * 0.45);
    return `${headOf(text, head)}…${tailOf(text, most - 1 - head)}`;
}

/** Letters of a sentence that are shown: addresses and words of a site in it may be as long as it likes. */
const MOST_OF_SENTENCE = 320;

/** A sentence as it is shown; whoever needs the whole of it has it in the exports. */
export const cutSentence = (text: string): string => cutMiddle(text, MOST_OF_SENTENCE);

/**
 * A change as people write it: with a sign, a minus of its own, and 0 for what rounds to nothing.
 * @param by the change; text how it is written, digits and a hyphen
 */
export function signed(by: number, text: string): string {
    if (Number(text.replaceAll(',', '')) === 0) return '0';
    return by > 0 ? `+${text}` : text.replace('-', '−');
}

/** A share from 0 to 1 in percent, with so many places. */
export function percent(share: number, places = 0): string {
    return `${(share * 100).toFixed(places)}%`;
}

/** The day a survey stands for: that of its story where it has one. */
export function surveyDay({ createdAt, asOf }: { createdAt: number; asOf: string }): string {
    return day(asOf === '' ? createdAt : Date.parse(asOf));
}

/** Words of the register as a screen shows them: the docs mark code in them, a screen does not. */
export const withoutMarks = (text: string): string => text.replaceAll('`', '');
