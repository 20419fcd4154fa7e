/** The sitemaps of a site: found by robots lines and at the usual places, read as evidence, indexes followed once. */
import { createGunzip } from 'node:zlib';
import { Readable } from 'node:stream';
import { readAddress } from '../../core/address/address.ts';
import { isRedirectStatus } from '../../core/gates/gates.ts';
import { MAX_SITEMAP_BYTES, readSitemap, type SitemapEntry } from '../../core/sitemap/read-sitemap.ts';
import type { FileRow } from '../../core/survey/survey-rows.ts';
import { charsetOf } from './charset.ts';
import { filesOfIndex, indexText } from './earlier-run.ts';
import type { Answer, NoAnswer } from './fetch-url.ts';

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
    /** Empty when it may be asked for, else why not. */
    closed: (url: string) => Promise<string>;
    stopped: () => boolean;
    /** What an earlier run stored of a file: its row and entries; null when it is to be asked for. */
    stored: (url: string) => Promise<{ row: FileRow; entries: SitemapEntry[] } | null>;
}

/** At most this many files of one site are read. */
const MAX_FILES = 2_000;
const MAX_REDIRECTS = 5;
export const USUAL_PLACES = ['/sitemap.xml', '/sitemap_index.xml'];

/** Reads all sitemaps that start from the sources, one after the other. */
export async function* readSitemaps(sources: SitemapSource[], access: SitemapAccess): AsyncGenerator<ReadSitemapFile> {
    const queue = sources.map((source) => ({ ...source, inIndex: false }));
    const seen = new Set<string>();
    for (let at = 0; at < queue.length && seen.size < MAX_FILES && !access.stopped(); at++) {
        const source = queue[at]!;
        if (seen.has(source.url)) continue;
        seen.add(source.url);
        const known = await access.stored(source.url);
        if (known) {
            if (!source.inIndex) {
                for (const entry of filesOfIndex(known.row)) {
                    queue.push({ ...entry, namedBy: source.url, inIndex: true });
                }
            }
            yield { ...known, answer: null };
            continue;
        }
        const row: FileRow = { kind: 'sitemap', url: source.url, status: null, note: '', entries: null, text: '' };
        if (!access.belongs(source.url)) {
            row.note = 'lies on a host that does not belong to the site; not read';
            yield { row, entries: [], answer: null };
            continue;
        }
        const shut = await access.closed(source.url);
        if (shut !== '') {
            row.note = `closed by robots.txt; not read: ${shut}`;
            yield { row, entries: [], answer: null };
            continue;
        }
        const { first, last, lastUrl } = await follow(source.url, access);
        row.status = first.ok ? first.status : null;
        if (!last.ok) row.note = last.say;
        else if (last.status !== 200) row.note = `answered ${last.status}`;
        else {
            const text = await unpackedText(last);
            if (!text.ok) row.note = text.say;
            else {
                const file = readSitemap(text.text, lastUrl);
                const troubles = file.troubles.map((trouble) => trouble.say);
                const bytes = text.cut ? [`The file is larger than 50 MiB unpacked; the rest was not read.`] : [];
                if (file.kind === 'sitemapindex' && source.inIndex)
                    troubles.push('An index inside an index is not read.');
                const isReadable = file.kind !== 'unknown';
                row.entries =
                    isReadable && (file.entries.length > 0 || file.troubles.length === 0) ? file.entries.length : null;
                row.note = [
                    file.kind === 'sitemapindex'
                        ? `index of ${file.entries.length}`
                        : file.kind === 'unknown'
                          ? 'not read'
                          : `${file.entries.length} addresses${file.kind === 'text' ? ' in a plain list' : file.kind === 'feed' ? ' in a feed' : ''}`,
                    ...(lastUrl === source.url ? [] : [`redirects to ${lastUrl}`]),
                    ...bytes,
                    ...troubles,
                ]
                    .join('. ')
                    .slice(0, 2_000);
                if (file.kind === 'sitemapindex') {
                    row.entries = null;
                    row.text = indexText(file.entries);
                    if (!source.inIndex) {
                        for (const entry of file.entries) {
                            queue.push({ url: entry.url, namedBy: source.url, line: entry.line, inIndex: true });
                        }
                    }
                    yield { row, entries: [], answer: first };
                    continue;
                }
                yield { row, entries: file.entries, answer: first };
                continue;
            }
        }
        yield { row, entries: [], answer: first };
    }
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
        if (!target.ok || !access.belongs(target.address.url) || (await access.closed(target.address.url)) !== '')
            break;
        lastUrl = target.address.url;
        last = await access.fetch(lastUrl);
    }
    return { first, last, lastUrl };
}

/** Text of a sitemap; gzip is told by its first bytes, whatever the name, and unpacked up to the protocol's size. */
export async function unpackedText(
    answer: Answer,
): Promise<{ ok: true; text: string; cut: boolean } | { ok: false; say: string }> {
    let bytes: Uint8Array = answer.body;
    let cut = answer.bodyTrouble !== '';
    if (bytes[0] === 0x1f && bytes[1] === 0x8b) {
        const pieces: Uint8Array[] = [];
        let size = 0;
        try {
            const unpacking = Readable.from([bytes]).pipe(createGunzip());
            for await (const piece of unpacking as AsyncIterable<Uint8Array>) {
                pieces.push(piece);
                size += piece.length;
                if (size >= MAX_SITEMAP_BYTES) {
                    cut = true;
                    break;
                }
            }
        } catch (error) {
            if (size === 0) return { ok: false, say: `the gzip file is broken: ${(error as Error).message}` };
            cut = true;
        }
        bytes = Buffer.concat(pieces).subarray(0, MAX_SITEMAP_BYTES);
    }
    const declared =
        charsetOf(answer.headers.get('content-type')?.[0] ?? '') ??
        /^<\?xml[^>]*encoding\s*=\s*["']([\w.:-]+)["']/.exec(
            Buffer.from(bytes.subarray(0, 200)).toString('latin1'),
        )?.[1];
    let decoder: TextDecoder;
    try {
        decoder = new TextDecoder(declared ?? 'utf-8');
    } catch {
        decoder = new TextDecoder('utf-8');
    }
    return { ok: true, text: decoder.decode(bytes), cut };
}
