/**
 * Which column of a table holds the URL, which the page that links, and which others are numbers or dates worth
 * keeping: a guess from its head and first rows, to be shown and changed before anything is imported.
 */
import { readAddress } from '../address/address.ts';
import type { ListCell, ListColumn } from './evidence-lists.ts';

export interface ColumnMapping {
    hasHeader: boolean;
    /** Index of the column with the URL. */
    url: number;
    /** Index of the column with the page that links; null where there is none. */
    source: number | null;
    /** Further columns that are kept, with their names. */
    kept: (ListColumn & { index: number })[];
}

export type MappingGuess = { ok: true; mapping: ColumnMapping } | { ok: false; say: string };

const SEPARATORS = [',', ';', '\t', '|'] as const;
/** A share of the cells must be of a type for the column to be. */
const MOST = 0.9;

/** The separator by which the first lines fall into the same number of columns, more than one; `,` where none does. */
export function guessSeparator(text: string): string {
    const lines = text
        .split(/\r\n|\r|\n/)
        .filter((line) => line.trim() !== '')
        .slice(0, 20);
    let best = ',';
    let most = 0;
    for (const separator of SEPARATORS) {
        const counts = lines.map((line) => countOutsideQuotes(line, separator));
        const first = counts[0] ?? 0;
        if (first === 0) continue;
        // Commas also stand in URLs and titles: what is the same in every line weighs more than what is frequent.
        const same = counts.filter((count) => count === first).length / counts.length;
        const score = same * 100 + Math.min(first, 50) / 50;
        if (score > most) {
            most = score;
            best = separator;
        }
    }
    return best;
}

function countOutsideQuotes(line: string, separator: string): number {
    let count = 0;
    let quoted = false;
    for (const char of line) {
        if (char === '"') quoted = !quoted;
        else if (char === separator && !quoted) count++;
    }
    return count;
}

/** Whether a cell is a URL or a path of the site. A bare host counts where it has a path behind it. */
export function looksLikeUrl(cell: string): boolean {
    const text = cell.trim();
    if (/\s/.test(text) || text === '') return false;
    if (/^https?:\/\//i.test(text)) return readAddress(text).ok;
    return /^\/(?!\/)/.test(text) || /^[a-z0-9-]+(?:\.[a-z0-9-]+)+\/\S*$/i.test(text);
}

/**
 * @param rows the first rows, the head among them
 * @param belongs tells the hosts of the site, so that of two columns with URLs the one with our pages is the target
 * @param wantsSource the list is one of links: a page that links and one it links to
 */
export function guessMapping(
    rows: readonly (readonly string[])[],
    belongs: (url: string) => boolean,
    wantsSource: boolean,
): MappingGuess {
    const width = Math.max(0, ...rows.map((row) => row.length));
    if (rows.length === 0 || width === 0) return { ok: false, say: 'The file holds no rows.' };
    const first = rows[0] ?? [];
    const hasHeader = !first.some(looksLikeUrl) && rows.length > 1;
    const body = hasHeader ? rows.slice(1) : rows;
    const cellsOf = (index: number): string[] =>
        body.map((row) => (row[index] ?? '').trim()).filter((cell) => cell !== '');
    const share = (index: number, test: (cell: string) => boolean): number => {
        const cells = cellsOf(index);
        return cells.length === 0 ? 0 : cells.filter(test).length / cells.length;
    };
    const indexes = Array.from({ length: width }, (_, index) => index);
    const withUrls = indexes.filter((index) => share(index, looksLikeUrl) >= 0.5);
    if (withUrls.length === 0) {
        return {
            ok: false,
            say: 'No column holds addresses: a URL with http or https, or a path that begins with a slash.',
        };
    }
    const own = (index: number): number =>
        share(index, (cell) => cell.startsWith('/') || (looksLikeUrl(cell) && belongs(absolute(cell, ''))));
    const byOwn = [...withUrls].sort((a, b) => own(b) - own(a) || a - b);
    const url = byOwn[0] ?? 0;
    const source = wantsSource ? (withUrls.find((index) => index !== url) ?? null) : null;
    if (wantsSource && source === null) {
        return {
            ok: false,
            say: 'Only one column holds addresses; links from other sites need two: the page that links, and the page it links to.',
        };
    }
    const kept = indexes
        .filter((index) => index !== url && index !== source && !withUrls.includes(index))
        .flatMap((index) => {
            const type = typeOf(cellsOf(index));
            const named = hasHeader ? (first[index] ?? '').trim() : '';
            return type === null ? [] : [{ index, type, name: (named || `column ${index + 1}`).slice(0, 60) }];
        });
    return { ok: true, mapping: { hasHeader, url, source, kept } };
}

function typeOf(cells: string[]): ListColumn['type'] | null {
    if (cells.length === 0) return null;
    if (cells.filter((cell) => readNumber(cell) !== null).length >= cells.length * MOST) return 'number';
    if (cells.filter((cell) => readDate(cell) !== null).length >= cells.length * MOST) return 'date';
    return null;
}

/** A number as tables write it: `12`, `1,234`, `1 234.5`, `1'234`, `12 %`; not what only might be one. */
export function readNumber(cell: string): ListCell {
    const text = cell.trim().replace(/\s?%$/, '').replace(/^\+/, '');
    const plain = /^-?\d{1,3}(?:[ \u00a0\u202f,'’]\d{3})+(?:\.\d+)?$/.test(text)
        ? text.replace(/[ \u00a0\u202f,'’]/g, '')
        : text;
    if (!/^-?\d+(?:\.\d+)?(?:[eE][+-]?\d+)?$/.test(plain)) return null;
    const value = Number(plain);
    return Number.isFinite(value) ? value : null;
}

/** An ISO 8601 date or moment (`2026-03-02`, `2026-03-02T10:00:00+01:00`, a blank for the T), without zone as UTC. */
export function readDate(cell: string): ListCell {
    const match =
        /^(\d{4})[-/](\d{2})[-/](\d{2})(?:[T ](\d{2}):(\d{2})(?::(\d{2})(?:\.\d+)?)?\s?(Z|[+-]\d{2}:?\d{2})?)?$/.exec(
            cell.trim(),
        );
    if (!match) return null;
    const [, year, month, day, hour = '0', minute = '0', second = '0', zone = 'Z'] = match;
    const date = Date.UTC(Number(year), Number(month) - 1, Number(day), Number(hour), Number(minute), Number(second));
    const read = new Date(date);
    if (read.getUTCMonth() !== Number(month) - 1 || read.getUTCDate() !== Number(day)) return null;
    if (zone === 'Z') return date;
    const [, sign, zoneHour, zoneMinute] = /^([+-])(\d{2}):?(\d{2})$/.exec(zone) ?? [];
    return date - (Number(zoneHour) * 60 + Number(zoneMinute)) * 60_000 * (sign === '-' ? -1 : 1);
}

/** A cell as an absolute URL: a path belongs to the site's start, a bare host gets https. */
export function absolute(cell: string, start: string): string {
    const text = cell.trim();
    if (/^https?:\/\//i.test(text)) return text;
    if (/^\/(?!\/)/.test(text)) return start === '' ? text : new URL(text, start).href;
    return looksLikeUrl(text) ? `https://${text}` : text;
}
