/**
 * Reads a sitemap (protocol 0.9): `urlset`, `sitemapindex`, and the other forms the protocol takes, a plain list of
 * addresses and an RSS or Atom feed. Entries come out as written and resolved; troubles come out as data with their
 * line, in the order met. Entities beyond XML's own five are never expanded.
 */
import { SaxesParser } from 'saxes';
import { readAddress } from '../address/address.ts';
import type { EntryAlternates } from './alternates.ts';
import { problem, type Problem, type ProblemParams } from '../problems/problem.ts';

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
    | 'encoding'
    | 'broken-text'
    | 'cut'
    | 'bare-ampersand'
    | 'bad-address'
    | 'relative'
    | 'blank'
    | 'two-locs'
    | 'no-loc'
    | 'nested'
    | 'loop'
    | 'too-many'
    | 'too-long'
    | 'with-fragment'
    | 'odd-values';

/** What is wrong with it, and on which line; none for the file as a whole. */
export type SitemapTrouble = Problem<SitemapTroubleCode>;

export interface SitemapFile {
    kind: 'urlset' | 'sitemapindex' | 'text' | 'feed' | 'unknown';
    entries: SitemapEntry[];
    troubles: SitemapTrouble[];
    /** Languages named for entries, of those that name any. */
    alternates: EntryAlternates[];
}

/** At most this many troubles are listed one by one; the rest would be more of the same. */
const MAX_TROUBLES = 100;

/**
 * @param text the file, unpacked and decoded
 * @param base URL of the file, to resolve addresses that are (wrongly) relative
 */
export function readSitemap(text: string, base: string): SitemapFile {
    const file: SitemapFile = { kind: 'unknown', entries: [], troubles: [], alternates: [] };
    const trouble: Report = (code, line, params) => {
        if (file.troubles.length >= MAX_TROUBLES) return;
        file.troubles.push(problem(code, params, line) as SitemapTrouble);
    };
    if (text.trim() === '') {
        trouble('empty', 0, { what: 'file' });
        return file;
    }
    if (/^\uFEFF?\s*(?:<!doctype html|<html)/i.test(text)) {
        trouble('html', 1, {});
        return file;
    }

    if (/^\uFEFF?\s*https?:/i.test(text)) return readAddressList(text.replace(/^\uFEFF/, ''), base, file, trouble);
    if (/^\uFEFF?\s*(?:<\?xml[^>]*>\s*)?(?:<!--[^]*?-->\s*)*<(?:rss|feed|rdf:RDF)[\s>]/.test(text.slice(0, 4_096))) {
        return readFeed(text, base, file, trouble);
    }

    const values: OddValues = new Map();
    readXml(text, base, file, trouble, values);
    // Told once each, before what is told entry by entry.
    for (const [tag, { written, line, entries }] of values) {
        file.troubles.unshift(problem('odd-values', { tag, written, entries }, line) as SitemapTrouble);
    }
    if (file.kind !== 'unknown' && file.entries.length === 0 && file.troubles.length === 0) {
        trouble('empty', 0, { what: 'list' });
    }
    return file;
}

/** What the protocol takes for an entry beside its address (protocol 0.9, "XML tag definitions"). */
const VALUES = {
    changefreq: /^(?:always|hourly|daily|weekly|monthly|yearly|never)$/,
    priority: /^(?:0(?:\.\d+)?|1(?:\.0+)?|\.\d+)$/,
} as const;
type ValueTag = keyof typeof VALUES;
const isValueTag = (tag: string): tag is ValueTag => Object.hasOwn(VALUES, tag);

/** By their element: the first value that is none, its line, and how many entries have one. */
type OddValues = Map<ValueTag, { written: string; line: number; entries: number }>;

function noteValue(values: OddValues, tag: ValueTag, written: string, line: number): void {
    if (VALUES[tag].test(written)) return;
    const known = values.get(tag);
    if (known) known.entries++;
    else values.set(tag, { written: written.slice(0, 60), line, entries: 1 });
}

const XHTML = 'http://www.w3.org/1999/xhtml';
/** Languages kept of one entry: there are not so many with regions that a site has pages in. */
const MOST_ALTERNATES = 200;

/** An entry while its elements are read. */
interface OpenEntry {
    locs: string[];
    values: Record<ValueTag, string | null>;
    alternates: EntryAlternates['alternates'];
    lastmod: string;
    line: number;
    /** Where its content begins in the file. */
    from: number;
}

/**
 * Reads the XML of a sitemap. Where it is broken, the break is told and reading goes on at the next entry, as if the
 * file began there; O(characters), for each restart lies behind the one before.
 */
function readXml(written: string, base: string, file: SitemapFile, trouble: Report, values: OddValues): void {
    const text = escapeEntities(written, trouble);
    /** The root's open tag as it stands in the file: an entry alone would have lost its namespaces. */
    let root = '';
    for (let from = 0, line = 1; ;) {
        const run = readEntries(root, text, from, line, base, file, trouble, values);
        if (run.ended || file.kind === 'unknown') return;
        root ||= text.slice(run.rootFrom, run.rootTo);
        const next = new RegExp(`<(?:[\\w.-]+:)?${ENTRY_OF[file.kind as 'urlset']}(?=[\\s>])`, 'g');
        next.lastIndex = Math.max(run.brokeAt, from + 1);
        const found = next.exec(text);
        if (!found || file.troubles.length >= MAX_TROUBLES) return;
        line += linesIn(text, from, found.index);
        from = found.index;
    }
}

const ENTRY_OF = { urlset: 'url', sitemapindex: 'sitemap' } as const;

function linesIn(text: string, from: number, to: number): number {
    let lines = 0;
    for (let at = text.indexOf('\n', from); at !== -1 && at < to; at = text.indexOf('\n', at + 1)) lines++;
    return lines;
}

interface Run {
    /** Nothing more is to be read: the end was reached, or the file is full. */
    ended: boolean;
    /** Where the entry that is broken begins: behind it the next one is looked for. */
    brokeAt: number;
    rootFrom: number;
    rootTo: number;
}

/** Reads entries from a place on, with the root's tag put before, to the end or to where the XML breaks. */
function readEntries(
    root: string,
    text: string,
    from: number,
    firstLine: number,
    base: string,
    file: SitemapFile,
    trouble: Report,
    values: OddValues,
): Run {
    const parser = new SaxesParser({ xmlns: true, position: false });
    const before = firstLine - 1 - linesIn(root, 0, root.length);
    const lineNow = (): number => parser.line + before;
    const place = (): number => from + parser.position - root.length;
    /** Names of open elements; one of another namespace than the root's is none of ours. */
    const path: string[] = [];
    let namespace = '';
    let entry: OpenEntry | null = null;
    let stopped = false;
    const run: Run = { ended: true, brokeAt: text.length, rootFrom: 0, rootTo: 0 };

    parser.on('doctype', () => {
        trouble('doctype', lineNow(), {});
    });
    parser.on('opentagstart', () => {
        if (path.length === 0 && root === '') run.rootFrom = text.lastIndexOf('<', parser.position - 1);
    });
    parser.on('opentag', (tag) => {
        if (path.length === 0) {
            namespace = tag.uri;
            if (root === '') {
                run.rootTo = parser.position;
                if (tag.local === 'urlset' || tag.local === 'sitemapindex') {
                    file.kind = tag.local;
                    if (tag.uri !== SITEMAP_NAMESPACE) {
                        trouble('namespace', lineNow(), { found: tag.uri, due: SITEMAP_NAMESPACE });
                    }
                } else {
                    trouble('not-a-sitemap', lineNow(), { tag: tag.name });
                    stopped = true;
                }
            }
        }
        path.push(tag.uri === namespace ? tag.local : '');
        if (path.length === 2 && isEntry(path[1]!, file.kind))
            entry = {
                locs: [],
                values: { changefreq: null, priority: null },
                alternates: [],
                lastmod: '',
                line: lineNow(),
                from: place(),
            };
        else if (path.length === 3 && path[2] === 'loc') entry?.locs.push('');
        else if (path.length === 3 && entry && isValueTag(path[2]!)) entry.values[path[2]] ??= '';
        else if (path.length === 3 && tag.uri === XHTML && tag.local === 'link' && entry)
            noteAlternate(entry, tag.attributes, base);
    });
    const words = (value: string): void => {
        if (!entry || path.length !== 3) return;
        if (path[2] === 'loc') entry.locs[entry.locs.length - 1] += value;
        else if (path[2] === 'lastmod') entry.lastmod += value;
        else if (isValueTag(path[2]!)) entry.values[path[2]] = (entry.values[path[2]] ?? '') + value;
    };
    parser.on('text', words);
    parser.on('cdata', words);
    parser.on('closetag', () => {
        path.pop();
        if (stopped || path.length !== 1 || !entry) return;
        const { locs, lastmod, line, values: said, alternates } = entry;
        for (const tag of ['changefreq', 'priority'] as const) {
            if (said[tag] !== null) noteValue(values, tag, said[tag].trim(), line);
        }
        entry = null;
        const [written = ''] = locs.map((loc) => loc.trim()).filter((loc) => loc !== '');
        if (locs.length > 1) {
            trouble('two-locs', line, { locs: locs.length });
        }
        if (written === '') trouble('no-loc', line, { of: 'sitemap' });
        else if (!addEntry(file, { written, lastmod, line }, base, trouble)) stopped = true;
        else if (alternates.length > 0 && file.entries.at(-1)?.line === line) {
            file.alternates.push({ line, url: file.entries.at(-1)!.url, alternates });
        }
    });
    parser.on('error', (error) => {
        if (stopped) return;
        // What is left open is only noticed lines later; the entry it stands in is the better place to look.
        const line = entry?.line ?? lineNow();
        trouble('not-xml', line, { cause: error.message, isReadOn: true });
        run.ended = false;
        run.brokeAt = entry?.from ?? place();
        stopped = true;
    });

    // In pieces, so that a broken or endless file is not read to its end.
    if (root !== '') parser.write(root);
    for (let at = from; at < text.length && !stopped; at += 65_536) parser.write(text.slice(at, at + 65_536));
    if (!stopped) parser.close();
    return run;
}

function noteAlternate(entry: OpenEntry, attributes: Record<string, unknown>, base: string): void {
    const of = (name: string): string => {
        const own = attributes[name];
        const value = typeof own === 'object' && own !== null && 'value' in own ? own.value : own;
        return typeof value === 'string' ? value.trim() : '';
    };
    const [rel, code, href] = [of('rel').toLowerCase(), of('hreflang').toLowerCase(), of('href')];
    if (!rel.split(/\s+/).includes('alternate') || code === '' || /\s/.test(code)) return;
    const found = readAddress(href, base);
    if (!found.ok || entry.alternates.length >= MOST_ALTERNATES) return;
    entry.alternates.push({ code: code.slice(0, 40), url: found.address.url });
}

const XML_ENTITIES = /^&(?:amp|lt|gt|quot|apos|#\d{1,7}|#x[\da-fA-F]{1,6});/;

/**
 * An `&` that begins no entity becomes `&amp;`, and is told with its line. CDATA sections, comments
 * and processing instructions are left as they are.
 */
function escapeEntities(text: string, trouble: Report): string {
    if (!text.includes('&')) return text;
    const pieces: string[] = [];
    let from = 0;
    let line = 1;
    let counted = 0;
    const special = /<!\[CDATA\[|<!--|<\?|&/g;
    for (let found = special.exec(text); found; found = special.exec(text)) {
        const at = found.index;
        const end = { '<![CDATA[': ']]>', '<!--': '-->', '<?': '?>' }[found[0]];
        if (end !== undefined) {
            const close = text.indexOf(end, at + found[0].length);
            if (close === -1) break;
            special.lastIndex = close + end.length;
            continue;
        }
        const ahead = text.slice(at, at + 40);
        if (XML_ENTITIES.test(ahead)) continue;
        // One with a name we do not know is an error of its own: nobody can say what it stands for.
        if (/^&[A-Za-z][\w.-]*;/.test(ahead)) continue;
        line += linesIn(text, counted, at);
        counted = at;
        trouble('bare-ampersand', line, { text: ahead.split(/[\s<]/, 1)[0]! });
        pieces.push(text.slice(from, at), '&amp;');
        from = at + 1;
    }
    if (from === 0) return text;
    pieces.push(text.slice(from));
    return pieces.join('');
}

type Report = <C extends SitemapTroubleCode>(code: C, line: number, params: ProblemParams[C]) => void;

/** Adds one address as written; false when the file is full. */
function addEntry(
    file: SitemapFile,
    entry: { written: string; lastmod: string; line: number },
    base: string,
    trouble: Report,
): boolean {
    const { written, lastmod, line } = entry;
    if (file.entries.length >= MAX_SITEMAP_ENTRIES) {
        trouble('too-many', line, {});
        return false;
    }
    if (written.length >= MAX_LOC_LENGTH) trouble('too-long', line, {});
    if (/\s/.test(written)) trouble('blank', line, { written: written.slice(0, 200) });
    const found = readAddress(written, base);
    if (found.ok && !/^[a-z][a-z\d+.-]*:/i.test(written)) {
        trouble('relative', line, { written: written.slice(0, 200), readAs: found.address.url });
    }
    if (found.ok && written.includes('#')) trouble('with-fragment', line, { written: written.slice(0, 200) });
    if (found.ok) file.entries.push({ url: found.address.url, lastmod: lastmod.trim().slice(0, 64), line });
    else trouble('bad-address', line, { written: written.slice(0, 200), isHttp: true });
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
            trouble('bad-address', line, { written: written.slice(0, 200), isHttp: false });
        } else if (!addEntry(file, { written, lastmod: '', line }, base, trouble)) break;
    }
    return file;
}

/** RSS 2.0 (`item` with `link`, `pubDate`), RSS 1.0 and Atom 1.0 (RFC 4287: `entry` with `link href`, `updated`). */
function readFeed(text: string, base: string, file: SitemapFile, trouble: Report): SitemapFile {
    file.kind = 'feed';
    const parser = new SaxesParser({ xmlns: false, position: false });
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
        if (done.written === '') trouble('no-loc', done.line, { of: 'feed' });
        else if (!addEntry(file, done, base, trouble)) stopped = true;
    });
    parser.on('error', (error) => {
        if (!stopped) {
            trouble('not-xml', parser.line, { cause: error.message, isReadOn: false });
        }
        stopped = true;
    });
    for (let at = 0; at < text.length && !stopped; at += 65_536) parser.write(text.slice(at, at + 65_536));
    if (!stopped) parser.close();
    if (file.entries.length === 0 && file.troubles.length === 0) trouble('empty', 0, { what: 'feed' });
    return file;
}

function isEntry(local: string, kind: SitemapFile['kind']): boolean {
    return (kind === 'urlset' && local === 'url') || (kind === 'sitemapindex' && local === 'sitemap');
}
