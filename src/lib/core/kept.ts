/**
 * What is worked out of a survey once and kept for as long as the survey is, with its size: whoever keeps surveys in
 * memory has to know how much they take.
 */

/**
 * All that is kept, and what tells several of a kind apart. That comes from declarations and from the survey itself
 * (columns, numbers of templates and files), never from what somebody typed: that could be anything, and all of it
 * would stay.
 */
export interface KeptKinds {
    'alternates in order': [];
    'blocks by template': [];
    choices: [field: string];
    codes: [field: string];
    'called in text': [];
    'column list': [];
    completeness: [given: string];
    'delayed refreshes': [];
    'external hosts': [];
    fields: [];
    'first variants': [];
    flag: [name: string];
    /** The origins are those of the robots.txt files of the survey. */
    'host urls': [origin: string, others: string];
    'followed in': [];
    'given to': [];
    'head links': [];
    'has marks': [];
    'held by template': [template: number];
    islands: [];
    length: [field: string];
    'link keys': [];
    'links in text': [];
    'links asked for': [kind: number, followed: boolean];
    'links in': [];
    'listed by sitemap': [file: number];
    lists: [followed: boolean];
    'language codes': [];
    'losing variants': [];
    'lost targets': [];
    'no overlay': [];
    problems: [column: string];
    'lost urls': [];
    lower: [field: string];
    markup: [];
    'meant variants': [];
    'named in list': [list: number];
    'names of lists': [];
    'names of links': [followed: boolean];
    'near links': [kind: string];
    'nearest pages': [];
    'nodes by name': [];
    'offered goal': [];
    'orphan roots': [];
    'outgoing links': [];
    'own links': [];
    'page counts': [];
    'pages whose links count': [followed: boolean];
    'pages by robots rule': [];
    places: [column: string];
    'places of lists': [];
    'places of links': [column: string];
    'section ranks': [];
    'sections by size': [];
    sequences: [];
    since: [baseline: number, revision: number];
    'site names': [];
    'site measures': [];
    'small map': [by: string];
    'redirect ways': [];
    'sitemap entries': [];
    'sitemap notes': [];
    'targets by words': [];
    'template words': [];
    'thrown away': [];
    'template list': [];
    texts: [field: string];
    'without templates': [];
    wide: [field: string];
    'winning variants': [];
    'widely shared': [];
}

/** What is kept by more than the survey. */
export type LatestKind = 'found' | 'causes' | 'empty anchors' | 'names of pages' | 'shared wordings';

interface Account {
    values: Map<string, unknown>;
    bytes: number;
}

const accounts = new WeakMap<object, Account>();

function accountOf(survey: object): Account {
    let account = accounts.get(survey);
    if (!account) accounts.set(survey, (account = { values: new Map(), bytes: 0 }));
    return account;
}

/** @param by what tells it from others of its kind: the same gives the same thing again */
export function once<K extends keyof KeptKinds, T>(survey: object, what: K, by: KeptKinds[K], make: () => T): T {
    const account = accountOf(survey);
    const key = `${what} ${by.join(' ')}`;
    if (!account.values.has(key)) {
        const value = make();
        account.values.set(key, value);
        account.bytes += sizeOf(value);
    }
    return account.values.get(key) as T;
}

/**
 * The same of what goes by more than the survey (goals, priorities, what was accepted): only the last is kept, and made
 * again when any of that has changed.
 */
export function latest<T>(survey: object, what: LatestKind, of: string, make: () => T): T {
    const account = accountOf(survey);
    const key = `latest ${what}`;
    const before = account.values.get(key) as { of: string; value: T; bytes: number } | undefined;
    if (before?.of === of) return before.value;
    const value = make();
    const bytes = sizeOf(value);
    account.bytes += bytes - (before?.bytes ?? 0);
    account.values.set(key, { of, value, bytes });
    return value;
}

/** Counts bytes that are kept for a survey elsewhere: texts that were decoded, lists that were loaded. */
export function countKept(survey: object, bytes: number): void {
    accountOf(survey).bytes += bytes;
}

/** Bytes of all that is kept for a survey beside its columns. */
export function keptBytes(survey: object): number {
    return accounts.get(survey)?.bytes ?? 0;
}

/** Of a text, an object, an entry of a map or a set: what the engine needs beside the characters, fields, key and value. */
const OVERHEAD = 24;
const WORD = 8;
/** Of a text in a list, beside its characters. */
export const BYTES_PER_TEXT = OVERHEAD + WORD;

/**
 * Bytes a value takes, near enough to decide by: typed arrays to the byte, equal texts once, what cannot be looked into
 * as nothing. A thing that keeps something to itself says how much it is (`byteLength`). O(parts of the value).
 */
export function sizeOf(value: unknown): number {
    const seen = new Set<unknown>();
    const open: unknown[] = [value];
    let bytes = 0;
    while (open.length > 0) {
        const next = open.pop();
        if (typeof next === 'string') {
            if (next === '' || seen.has(next)) continue;
            seen.add(next);
            bytes += OVERHEAD + next.length;
        } else if (typeof next === 'object' && next !== null) {
            if (seen.has(next)) continue;
            seen.add(next);
            bytes += OVERHEAD;
            if ('byteLength' in next && typeof next.byteLength === 'number') bytes += next.byteLength;
            else if (next instanceof Map) {
                bytes += next.size * (OVERHEAD + 2 * WORD);
                for (const [key, own] of next) open.push(key, own);
            } else if (next instanceof Set) {
                bytes += next.size * (OVERHEAD + WORD);
                for (const own of next) open.push(own);
            } else {
                const parts: unknown[] = Array.isArray(next) ? next : Object.values(next);
                bytes += parts.length * WORD;
                for (const part of parts) if (typeof part === 'string' || typeof part === 'object') open.push(part);
            }
        }
    }
    return bytes;
}
