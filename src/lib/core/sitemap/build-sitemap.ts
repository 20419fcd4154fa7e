/** Writes sitemaps by the protocol (0.9, sitemaps.org/protocol): lists of at most so many entries, and an index over several. */
import { originOf, pathOf } from '../address/address.ts';
import { sectionOf } from '../address/section.ts';
import { MAX_SITEMAP_BYTES, MAX_SITEMAP_ENTRIES, SITEMAP_NAMESPACE } from './read-sitemap.ts';
import type { Refused } from '../words/sitemap-params.ts';
import { isW3cDate } from './w3c-date.ts';

/** Addresses of this length or more are not taken (protocol 0.9, "loc"). */
const MAX_LOC = 2_048;

export interface EntryToList {
    url: string;
    /** W3C date and time; empty for none. */
    lastmod: string;
    /** The same page in other languages, as it names them. */
    alternates?: readonly Alternate[];
}

export interface Alternate {
    /** A language, or `x-default`. */
    code: string;
    url: string;
}

export interface SitemapPlan {
    /** Address of the folder that the files will stand in, with its slash. */
    at: string;
    /** By size alone, or a list for each section (the first folder of the path). */
    split: 'size' | 'section';
    /** Files are packed: their names end in `.gz`. */
    gzip: boolean;
    /** Entries of one list; the protocol's limit where it is left out. */
    most?: number;
}

export interface BuiltFile {
    /** Beside the others in the folder of the plan. */
    name: string;
    kind: 'urlset' | 'sitemapindex';
    text: string;
    entries: number;
}

export interface BuiltSitemap {
    /** The index first, where there is one; else the one list. None where nothing can be listed. */
    files: BuiltFile[];
    entries: number;
    refused: { url: string; why: Refused }[];
}

/**
 * Lists addresses, each once, in the order of their characters; a date that is none is left out. An address of another
 * origin than the files, or above their folder, would not count (protocol 0.9, "Sitemap file location"): it is refused.
 * O(n log n)
 */
export function buildSitemap(entries: readonly EntryToList[], plan: SitemapPlan): BuiltSitemap {
    const refused: BuiltSitemap['refused'] = [];
    const taken = new Map<string, Omit<EntryToList, 'url'>>();
    for (const { url, lastmod, alternates = [] } of entries) {
        const why = refusal(url, plan.at);
        if (why !== null) refused.push({ url, why });
        else if (!taken.has(url)) taken.set(url, { lastmod: isW3cDate(lastmod) ? lastmod : '', alternates });
    }
    const sorted = [...taken].sort(([a], [b]) => (a < b ? -1 : 1));
    const lists = plan.split === 'section' ? bySection(sorted) : [{ name: '', own: sorted }];
    const files = lists.flatMap(({ name, own }) => listsOf(name, own, plan));
    const ending = plan.gzip ? '.xml.gz' : '.xml';
    if (files.length === 1) files[0]!.name = `sitemap${ending}`;
    return {
        files: files.length > 1 ? [indexOf(files, plan.at, `sitemap${ending}`), ...files] : files,
        entries: taken.size,
        refused,
    };
}

function refusal(url: string, at: string): Refused | null {
    if (url.length >= MAX_LOC) return 'too-long';
    if (originOf(url) !== originOf(at)) return 'other-origin';
    return pathOf(url).startsWith(pathOf(at)) ? null : 'above';
}

type Listed = [url: string, said: Omit<EntryToList, 'url'>];

function bySection(entries: readonly Listed[]): { name: string; own: Listed[] }[] {
    const sections = new Map<string, Listed[]>();
    for (const entry of entries) {
        const section = sectionOf(entry[0]);
        const own = sections.get(section);
        if (own) own.push(entry);
        else sections.set(section, [entry]);
    }
    const names = new Set<string>();
    return [...sections].map(([section, own]) => ({ name: nameFor(section, names), own }));
}

/** A name for a file, of plain letters; a second one of the same name has a number. */
function nameFor(section: string, taken: Set<string>): string {
    const plain =
        section === '/'
            ? 'root'
            : section
                  .toLowerCase()
                  .replace(/[^a-z0-9]+/g, '-')
                  .replace(/^-+|-+$/g, '');
    const base = plain.slice(0, 60) || 'section';
    let name = base;
    for (let number = 2; taken.has(name); number++) name = `${base}-${number}`;
    taken.add(name);
    return name;
}

const HEAD = `<?xml version="1.0" encoding="UTF-8"?>\n`;
/** Languages are said in elements of XHTML; a list that says none does without its name. */
const XHTML = ' xmlns:xhtml="http://www.w3.org/1999/xhtml"';
const listOpen = (says: string): string => `${HEAD}<urlset xmlns="${SITEMAP_NAMESPACE}"${says}>\n`;
const LIST_CLOSE = '</urlset>\n';
const INDEX = { open: `${HEAD}<sitemapindex xmlns="${SITEMAP_NAMESPACE}">\n`, close: '</sitemapindex>\n' };

/** Lists of one name: as few as the limits of the protocol allow. */
function listsOf(name: string, entries: readonly Listed[], plan: SitemapPlan): BuiltFile[] {
    const most = Math.min(plan.most ?? MAX_SITEMAP_ENTRIES, MAX_SITEMAP_ENTRIES);
    const open = listOpen(entries.some(([, { alternates }]) => alternates!.length > 0) ? XHTML : '');
    const room = MAX_SITEMAP_BYTES - open.length - LIST_CLOSE.length;
    const parts: string[][] = [];
    let bytes = 0;
    for (const [url, { lastmod, alternates }] of entries) {
        const line = entryText('url', url, lastmod, alternates);
        // Addresses are plain characters: as many bytes.
        if (parts.length === 0 || parts.at(-1)!.length >= most || bytes + line.length > room) {
            parts.push([]);
            bytes = 0;
        }
        parts.at(-1)!.push(line);
        bytes += line.length;
    }
    const ending = plan.gzip ? '.xml.gz' : '.xml';
    return parts.map((lines, part) => ({
        name: `${['sitemap', name, parts.length > 1 || name === '' ? String(part + 1) : ''].filter(Boolean).join('-')}${ending}`,
        kind: 'urlset' as const,
        text: open + lines.join('') + LIST_CLOSE,
        entries: lines.length,
    }));
}

function indexOf(files: readonly BuiltFile[], at: string, name: string): BuiltFile {
    const lines = files.map((file) => entryText('sitemap', at + file.name, ''));
    return { name, kind: 'sitemapindex', text: INDEX.open + lines.join('') + INDEX.close, entries: files.length };
}

const ESCAPES: Readonly<Record<string, string>> = {
    '&': '&amp;',
    '<': '&lt;',
    '>': '&gt;',
    "'": '&apos;',
    '"': '&quot;',
};

/** Escaped as the protocol asks ("Entity escaping"), and of ASCII alone. */
const escaped = (text: string): string => encodeOdd(text).replace(/[&<>'"]/g, (sign) => ESCAPES[sign]!);

/** One entry, its languages behind what is of the protocol. */
function entryText(
    tag: 'url' | 'sitemap',
    url: string,
    lastmod: string,
    alternates: readonly Alternate[] = [],
): string {
    const date = lastmod === '' ? '' : `<lastmod>${lastmod}</lastmod>`;
    const links = alternates
        .map(({ code, url: to }) => `<xhtml:link rel="alternate" hreflang="${escaped(code)}" href="${escaped(to)}"/>`)
        .join('');
    return `<${tag}><loc>${escaped(url)}</loc>${date}${links}</${tag}>\n`;
}

/** Characters beyond ASCII, and those XML does not know, as percent-encoded octets. */
const encodeOdd = (url: string): string =>
    url.replace(/[^\x21-\x7e]+/g, (some) => encodeURIComponent(some.replace(/\p{Surrogate}/gu, '\ufffd')));
