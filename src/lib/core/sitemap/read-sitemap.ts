/**
 * Reads a sitemap (protocol 0.9): `urlset`, `sitemapindex`, and the other forms the protocol takes, a plain list of
 * addresses and an RSS or Atom feed. Entries come out as written and resolved; troubles come out as data with their
 * line, in the order met. Entities beyond XML's own five are never expanded.
 */
import { SaxesParser } from 'saxes';
import { readAddress } from '../address/address.ts';

export const SITEMAP_NAMESPACE = 'http://www.sitemaps.org/schemas/sitemap/0.9';
/** Limits of the protocol for one file. */
export const MAX_SITEMAP_ENTRIES = 50_000;
export const MAX_SITEMAP_BYTES = 52_428_800;
const MAX_LOC_LENGTH = 2_048;

export interface SitemapEntry {
    /** URL in our spelling, without fragment. */
    url: string;
    /** As written, trimmed; empty when missing. */
    lastmod: string;
    line: number;
}

export type SitemapTroubleCode =
    | 'empty'
    | 'html'
    | 'not-xml'
    | 'not-a-sitemap'
    | 'namespace'
    | 'doctype'
    | 'bad-address'
    | 'no-loc'
    | 'too-many'
    | 'too-long';

export interface SitemapTrouble {
    code: SitemapTroubleCode;
    /** From 1; 0 for the file as a whole. */
    line: number;
    /** A plain sentence: what is wrong there. */
    say: string;
}

export interface SitemapFile {
    kind: 'urlset' | 'sitemapindex' | 'text' | 'feed' | 'unknown';
    entries: SitemapEntry[];
    troubles: SitemapTrouble[];
}

/** At most this many troubles are listed one by one; the rest would be more of the same. */
const MAX_TROUBLES = 100;

/**
 * @param text the file, unpacked and decoded
 * @param base URL of the file, to resolve addresses that are (wrongly) relative
 */
export function readSitemap(text: string, base: string): SitemapFile {
    const file: SitemapFile = { kind: 'unknown', entries: [], troubles: [] };
    const trouble = (code: SitemapTroubleCode, line: number, say: string): void => {
        if (file.troubles.length < MAX_TROUBLES) file.troubles.push({ code, line, say });
    };
    if (text.trim() === '') {
        trouble('empty', 0, 'The file is empty.');
        return file;
    }
    if (/^\uFEFF?\s*(?:<!doctype html|<html)/i.test(text)) {
        trouble('html', 1, 'The file is an HTML page, not a sitemap.');
        return file;
    }

    if (/^\uFEFF?\s*https?:/i.test(text)) return readAddressList(text.replace(/^\uFEFF/, ''), base, file, trouble);
    if (/^\uFEFF?\s*(?:<\?xml[^>]*>\s*)?(?:<!--[^]*?-->\s*)*<(?:rss|feed|rdf:RDF)[\s>]/.test(text.slice(0, 4_096))) {
        return readFeed(text, base, file, trouble);
    }

    const parser = new SaxesParser({ xmlns: true });
    const path: string[] = [];
    let loc = '';
    let lastmod = '';
    let entryLine = 0;
    let stopped = false;

    parser.on('doctype', () => {
        trouble('doctype', parser.line, 'The file has a DOCTYPE; what it declares was not read.');
    });
    parser.on('opentag', (tag) => {
        const local = tag.uri === SITEMAP_NAMESPACE || path.length < 3 ? tag.local : tag.name;
        if (path.length === 0) {
            if (local === 'urlset' || local === 'sitemapindex') {
                file.kind = local;
                if (tag.uri !== SITEMAP_NAMESPACE) {
                    trouble('namespace', parser.line, `The namespace is "${tag.uri}", not "${SITEMAP_NAMESPACE}".`);
                }
            } else {
                trouble(
                    'not-a-sitemap',
                    parser.line,
                    `The file starts with <${tag.name}>, not <urlset> or <sitemapindex>.`,
                );
                stopped = true;
            }
        }
        path.push(local);
        if (path.length === 2 && isEntry(local, file.kind)) {
            loc = '';
            lastmod = '';
            entryLine = parser.line;
        }
    });
    parser.on('text', (value) => {
        if (path.length !== 3) return;
        if (path[2] === 'loc') loc += value;
        else if (path[2] === 'lastmod') lastmod += value;
    });
    parser.on('cdata', (value) => {
        if (path.length === 3 && path[2] === 'loc') loc += value;
    });
    parser.on('closetag', () => {
        const local = path.pop() ?? '';
        if (stopped || path.length !== 1 || !isEntry(local, file.kind)) return;
        const written = loc.trim();
        if (written === '') {
            trouble('no-loc', entryLine, 'An entry has no address (no <loc>).');
            return;
        }
        if (!addEntry(file, { written, lastmod, line: entryLine }, base, trouble)) stopped = true;
    });
    parser.on('error', (error) => {
        if (!stopped) {
            const what = error.message.replace(/^\d+:\d+:\s*/, '').replace(/\.$/, '');
            // A bad entity is only noticed lines later; the entry it stands in is the better place to look.
            const line = path.length >= 2 ? entryLine : parser.line;
            trouble('not-xml', line, `The XML is broken at line ${line}: ${what}. What stood before it was read.`);
        }
        stopped = true;
    });

    // In pieces, so that a broken or endless file is not read to its end.
    for (let at = 0; at < text.length && !stopped; at += 65_536) parser.write(text.slice(at, at + 65_536));
    if (!stopped) parser.close();
    if (file.kind !== 'unknown' && file.entries.length === 0 && file.troubles.length === 0) {
        trouble('empty', 0, 'The file lists no address.');
    }
    return file;
}

type Report = (code: SitemapTroubleCode, line: number, say: string) => void;

/** Adds one address as written; false when the file is full. */
function addEntry(
    file: SitemapFile,
    entry: { written: string; lastmod: string; line: number },
    base: string,
    trouble: Report,
): boolean {
    const { written, lastmod, line } = entry;
    if (file.entries.length >= MAX_SITEMAP_ENTRIES) {
        trouble('too-many', line, 'The file lists more than 50,000 addresses; the rest was not read.');
        return false;
    }
    if (written.length >= MAX_LOC_LENGTH) trouble('too-long', line, 'An address has 2,048 characters or more.');
    const found = readAddress(written, base);
    if (found.ok) file.entries.push({ url: found.address.url, lastmod: lastmod.trim().slice(0, 64), line });
    else trouble('bad-address', line, `"${written.slice(0, 200)}" is no usable address.`);
    return true;
}

/** A text file with one address in a line. */
function readAddressList(text: string, base: string, file: SitemapFile, trouble: Report): SitemapFile {
    file.kind = 'text';
    let line = 0;
    for (let at = 0; at < text.length;) {
        const end = text.indexOf('\n', at);
        const written = text.slice(at, end === -1 ? text.length : end).trim();
        at = end === -1 ? text.length : end + 1;
        line++;
        if (written === '') continue;
        if (!/^https?:/i.test(written)) {
            trouble('bad-address', line, `"${written.slice(0, 200)}" is no address with http or https.`);
        } else if (!addEntry(file, { written, lastmod: '', line }, base, trouble)) break;
    }
    return file;
}

/** RSS 2.0 (`item` with `link`, `pubDate`), RSS 1.0 and Atom 1.0 (RFC 4287: `entry` with `link href`, `updated`). */
function readFeed(text: string, base: string, file: SitemapFile, trouble: Report): SitemapFile {
    file.kind = 'feed';
    const parser = new SaxesParser({ xmlns: false });
    const path: string[] = [];
    let entry: { written: string; lastmod: string; line: number } | null = null;
    let stopped = false;
    const local = (name: string): string => name.slice(name.indexOf(':') + 1);
    parser.on('opentag', (tag) => {
        const name = local(tag.name);
        if (name === 'item' || name === 'entry') entry = { written: '', lastmod: '', line: parser.line };
        else if (name === 'link' && entry && path.at(-1) === 'entry') {
            const { href, rel } = tag.attributes;
            if (typeof href === 'string' && (rel === undefined || rel === 'alternate') && entry.written === '') {
                entry.written = href.trim();
            }
        }
        path.push(name);
    });
    const words = (value: string): void => {
        if (!entry || (path.at(-2) !== 'item' && path.at(-2) !== 'entry')) return;
        const name = path.at(-1);
        if (name === 'link' && path.at(-2) === 'item') entry.written += value;
        else if (name === 'pubDate' || name === 'updated' || name === 'date') entry.lastmod += value;
    };
    parser.on('text', words);
    parser.on('cdata', words);
    parser.on('closetag', (tag) => {
        path.pop();
        const name = local(tag.name);
        if (stopped || !entry || (name !== 'item' && name !== 'entry')) return;
        const done = { ...entry, written: entry.written.trim() };
        entry = null;
        if (done.written === '') trouble('no-loc', done.line, 'An entry of the feed has no link.');
        else if (!addEntry(file, done, base, trouble)) stopped = true;
    });
    parser.on('error', (error) => {
        if (!stopped) {
            const what = error.message.replace(/^\d+:\d+:\s*/, '').replace(/\.$/, '');
            trouble(
                'not-xml',
                parser.line,
                `The XML is broken at line ${parser.line}: ${what}. What stood before it was read.`,
            );
        }
        stopped = true;
    });
    for (let at = 0; at < text.length && !stopped; at += 65_536) parser.write(text.slice(at, at + 65_536));
    if (!stopped) parser.close();
    if (file.entries.length === 0 && file.troubles.length === 0) trouble('empty', 0, 'The feed lists no address.');
    return file;
}

function isEntry(local: string, kind: SitemapFile['kind']): boolean {
    return (kind === 'urlset' && local === 'url') || (kind === 'sitemapindex' && local === 'sitemap');
}
