/**
 * Reads a sitemap (protocol 0.9): `urlset` and `sitemapindex`. Entries come out as written and resolved; troubles come
 * out as data with their line, in the order met. Entities beyond XML's own five are never expanded.
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
    kind: 'urlset' | 'sitemapindex' | 'unknown';
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
        if (file.entries.length >= MAX_SITEMAP_ENTRIES) {
            trouble('too-many', entryLine, 'The file lists more than 50,000 addresses; the rest was not read.');
            stopped = true;
            return;
        }
        if (written.length >= MAX_LOC_LENGTH) {
            trouble('too-long', entryLine, 'An address has 2,048 characters or more.');
        }
        const found = readAddress(written, base);
        if (!found.ok) {
            trouble('bad-address', entryLine, `"${written.slice(0, 200)}" is no usable address.`);
            return;
        }
        file.entries.push({ url: found.address.url, lastmod: lastmod.trim().slice(0, 64), line: entryLine });
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

function isEntry(local: string, kind: SitemapFile['kind']): boolean {
    return (kind === 'urlset' && local === 'url') || (kind === 'sitemapindex' && local === 'sitemap');
}
