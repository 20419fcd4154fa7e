/**
 * The sitemaps of a site: found by robots lines and at the usual places, read as evidence. Indexes are followed, also
 * where one names another, which the protocol does not allow and sites do all the same.
 */
import { readAddress } from '../../core/address/address.ts';
import { isRedirectStatus } from '../../core/gates/gates.ts';
import { alternatesText } from '../../core/sitemap/alternates.ts';
import { readSitemap, type SitemapEntry, type SitemapFile } from '../../core/sitemap/read-sitemap.ts';
import { problem, writeProblems, type Problem } from '../../core/problems/problem.ts';
import type { FileRow } from '../../core/survey/survey-rows.ts';
import { filesOfIndex, indexText } from './earlier-run.ts';
import type { Answer, NoAnswer } from './fetch-url.ts';
import { sitemapText } from './sitemap-text.ts';

export interface SitemapSource {
    url: string;
    /** robots.txt that names it; empty for a usual place. */
    namedBy: string;
    line: number;
}

export interface ReadSitemapFile {
    row: FileRow;
    entries: SitemapEntry[];
    /** The answer to the file's own URL. */
    answer: Answer | NoAnswer | null;
}

export interface SitemapAccess {
    fetch: (url: string) => Promise<Answer | NoAnswer>;
    /** Whether a URL belongs to the site; others are not asked for. */
    belongs: (url: string) => boolean;
    /** Null when it may be asked for, else why not. */
    closed: (url: string) => Promise<Problem | null>;
    stopped: () => boolean;
    /** What an earlier run stored of a file: its row and entries; null when it is to be asked for. */
    stored: (url: string) => Promise<{ row: FileRow; entries: SitemapEntry[] } | null>;
}

/** At most this many files of one site are read. */
const MAX_FILES = 2_000;
/** Indexes within one another. */
const MOST_WITHIN = 5;
const MAX_REDIRECTS = 5;
/** Characters in which the languages of entries are kept, of all files together. */
const MOST_ALTERNATES = 8_000_000;
export const USUAL_PLACES = ['/sitemap.xml', '/sitemap_index.xml'];

/** A file to be read, and the indexes that lead to it, outermost first. */
interface Wanted extends SitemapSource {
    within: readonly string[];
}

/** Reads all sitemaps that start from the sources, one after the other. */
export async function* readSitemaps(sources: SitemapSource[], access: SitemapAccess): AsyncGenerator<ReadSitemapFile> {
    const room = { left: MOST_ALTERNATES };
    const queue: Wanted[] = sources.map((source) => ({ ...source, within: [] }));
    const seen = new Set<string>();
    for (let at = 0; at < queue.length && !access.stopped(); at++) {
        const wanted = queue[at]!;
        if (seen.has(wanted.url)) continue;
        if (seen.size >= MAX_FILES) {
            const left = new Set(
                queue
                    .slice(at)
                    .map(({ url }) => url)
                    .filter((url) => !seen.has(url)),
            ).size;
            const note = writeProblems([problem('sitemaps-left', { left, most: MAX_FILES })]);
            yield { row: { ...emptyRow(wanted.url), note }, entries: [], answer: null };
            return;
        }
        seen.add(wanted.url);
        const found = await readOne(wanted, access, room);
        if (!access.stopped()) {
            for (const { url, line } of filesOfIndex(found.row)) {
                if (wanted.within.length >= MOST_WITHIN) break;
                queue.push({ url, namedBy: wanted.url, line, within: [...wanted.within, wanted.url] });
            }
        }
        yield found;
    }
}

function emptyRow(url: string): FileRow {
    return { kind: 'sitemap', url, status: null, note: '', entries: null, text: '' };
}

async function readOne(wanted: Wanted, access: SitemapAccess, room: { left: number }): Promise<ReadSitemapFile> {
    const known = await access.stored(wanted.url);
    if (known) return { ...known, answer: null };
    const row = emptyRow(wanted.url);
    const unread = (why: Problem): ReadSitemapFile => ({
        row: { ...row, note: writeProblems([why]) },
        entries: [],
        answer: null,
    });
    if (!access.belongs(wanted.url)) return unread(problem('sitemap-elsewhere', {}));
    const shut = await access.closed(wanted.url);
    if (shut !== null) return unread(problem('sitemap-closed', { why: shut }));
    const { first, last, lastUrl } = await follow(wanted.url, access);
    row.status = first.ok ? first.status : null;
    const noted = (what: Problem): ReadSitemapFile => ({
        row: { ...row, note: writeProblems([what]) },
        entries: [],
        answer: first,
    });
    if (!last.ok) return noted(last.problem);
    if (last.status !== 200) return noted(problem('answered', { status: last.status }));
    const text = await sitemapText(last);
    if (!text.ok) return noted(text.problem);
    const file = readSitemap(text.text, lastUrl);
    file.troubles.unshift(...text.troubles);
    if (file.kind === 'sitemapindex') judgeNesting(file, wanted);
    // A file without an entry is told as such, and is no sitemap that was read.
    row.entries = file.entries.length > 0 ? file.entries.length : null;
    row.note = writeProblems(notesOf(file, lastUrl === wanted.url ? '' : lastUrl));
    if (file.kind !== 'sitemapindex') {
        row.text = alternatesText(file.alternates, room.left);
        room.left -= row.text.length;
        return { row, entries: file.entries, answer: first };
    }
    row.entries = null;
    row.text = indexText(file.entries);
    return { row, entries: [], answer: first };
}

/** Tells of an index that another names, and of one that leads back to those that lead to it. */
function judgeNesting(file: SitemapFile, { url, within }: Wanted): void {
    const parent = within.at(-1);
    if (parent !== undefined) {
        const isFollowed = within.length < MOST_WITHIN;
        file.troubles.push(problem('nested', { by: parent, most: MOST_WITHIN, isFollowed }));
    }
    for (const entry of file.entries) {
        if (entry.url !== url && !within.includes(entry.url)) continue;
        file.troubles.push(problem('loop', { to: entry.url }, entry.line));
    }
}

/** Troubles told of one file in its row; a column holds no more. */
const MOST_TROUBLES = 40;

/** What is told of a file: its kind and size, where it leads, then its troubles. */
function notesOf({ kind, entries, troubles }: SitemapFile, redirectsTo: string): Problem[] {
    const what =
        kind === 'sitemapindex'
            ? problem('sitemap-index', { files: entries.length })
            : problem('sitemap-read', { form: kind, entries: entries.length });
    const way = redirectsTo === '' ? [] : [problem('sitemap-redirects', { to: redirectsTo })];
    return [what, ...way, ...troubles.slice(0, MOST_TROUBLES)];
}

async function follow(
    url: string,
    access: SitemapAccess,
): Promise<{ first: Answer | NoAnswer; last: Answer | NoAnswer; lastUrl: string }> {
    const first = await access.fetch(url);
    let last = first;
    let lastUrl = url;
    for (let hops = 0; last.ok && isRedirectStatus(last.status) && hops < MAX_REDIRECTS; hops++) {
        const target = readAddress(last.headers.get('location')?.[0] ?? '', lastUrl);
        if (!target.ok || !access.belongs(target.address.url) || (await access.closed(target.address.url)) !== null)
            break;
        lastUrl = target.address.url;
        last = await access.fetch(lastUrl);
    }
    return { first, last, lastUrl };
}
