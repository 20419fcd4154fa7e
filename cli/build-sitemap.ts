/** `edgemap build-sitemap FILE`: sitemaps of a list of addresses, or of a `pages.csv`, without a survey and a database. */
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { parse } from 'csv-parse/sync';
import { readAddress } from '../src/lib/core/address/address.ts';
import { buildSitemap, type EntryToList } from '../src/lib/core/sitemap/build-sitemap.ts';
import { counted } from '../src/lib/core/words/numbers.ts';
import { refusedWords } from '../src/lib/core/words/sitemap-build.ts';
import { UserError } from '../src/lib/server/process/data-folder.ts';
import { readWords } from './read-words.ts';
import { EXIT, UsageError } from './usage.ts';

const OPTIONS = {
    data: { type: 'string' },
    at: { type: 'string' },
    out: { type: 'string' },
    split: { type: 'string' },
    gzip: { type: 'boolean' },
    gate: { type: 'string', multiple: true },
    status: { type: 'string', multiple: true },
} as const;

/** Lines or rows that are named one by one where they are no address. */
const MOST_NAMED = 5;

interface Listed {
    entries: EntryToList[];
    /** Lines that hold no address, with what stands there. */
    bad: { line: number; text: string }[];
    /** Rows of a `pages.csv` that were not asked for. */
    left: number;
}

export function buildSitemapCommand(words: string[]): number {
    const { values, positionals } = readWords(words, OPTIONS);
    const [from, ...more] = positionals;
    const { at: folder, out, split = 'size' } = values;
    if (from === undefined || more.length > 0 || folder === undefined || out === undefined) {
        throw new UsageError(
            'Say which list, where its sitemap will stand and where it is written: ./edgemap build-sitemap out/pages.csv --at https://www.site.example/ --out maps/',
        );
    }
    if (split !== 'size' && split !== 'section') throw new UsageError('--split is size or section.');
    const address = readAddress(folder);
    if (!address.ok || !address.address.url.endsWith('/')) {
        throw new UsageError(`--at is the address of a folder, with a slash at its end, not "${folder}".`);
    }
    const at = address.address.url;
    const listed = readList(from, at, values.gate ?? ['indexable'], values.status ?? []);
    const { files, entries, refused } = buildSitemap(listed.entries, { at, split, gzip: values.gzip === true });
    for (const { line, text } of listed.bad.slice(0, MOST_NAMED)) console.error(`Line ${line} is no address: ${text}`);
    if (listed.bad.length > MOST_NAMED) console.error(`and ${counted(listed.bad.length - MOST_NAMED, 'line')} more`);
    for (const why of new Set(refused.map((item) => item.why))) {
        const own = refused.filter((item) => item.why === why);
        console.error(
            `Left out: ${counted(own.length, 'address', 'addresses')} ${refusedWords(why, at)}, such as ${own[0]!.url}`,
        );
    }
    if (files.length === 0) throw new UserError(`Nothing of ${from} can be listed at ${at}.`);
    try {
        mkdirSync(out, { recursive: true });
        for (const { name, text } of files)
            writeFileSync(join(out, name), name.endsWith('.gz') ? gzipSync(text) : text);
    } catch (error) {
        throw new UserError(`The folder ${out} cannot be written: ${(error as Error).message}`);
    }
    const left = listed.left === 0 ? '' : `; ${counted(listed.left, 'row')} of other gates or status codes left out`;
    console.log(`${counted(entries, 'address', 'addresses')} in ${counted(files.length, 'file')} in ${out}${left}`);
    for (const file of files) console.log(`  ${file.name}  ${file.entries.toLocaleString('en')}`);
    return EXIT.done;
}

function readList(path: string, at: string, gates: readonly string[], statuses: readonly string[]): Listed {
    let text: string;
    try {
        text = readFileSync(path, 'utf8').replace(/^\uFEFF/, '');
    } catch (error) {
        throw new UserError(`The file ${path} cannot be read: ${(error as Error).message}`);
    }
    const [head = ''] = text.split(/\r?\n/, 1);
    return /(?:^|,)"?url"?(?:,|$)/.test(head) ? fromTable(path, text, gates, statuses) : fromLines(text, at);
}

/** One address to a line; blank lines and those that begin with # say nothing. */
function fromLines(text: string, at: string): Listed {
    const listed: Listed = { entries: [], bad: [], left: 0 };
    text.split(/\r?\n/).forEach((line, number) => {
        const written = line.trim();
        if (written === '' || written.startsWith('#')) return;
        const address = readAddress(written, at);
        if (address.ok) listed.entries.push({ url: address.address.url, lastmod: '' });
        else listed.bad.push({ line: number + 1, text: written });
    });
    return listed;
}

/** Rows of a `pages.csv` at those gates, and with those status codes where any is asked for; `lastmod` is taken along. */
function fromTable(path: string, text: string, gates: readonly string[], statuses: readonly string[]): Listed {
    let rows: { record: Record<string, string>; info: { lines: number } }[];
    try {
        rows = parse(text, { columns: true, info: true, relax_column_count: true, skip_empty_lines: true });
    } catch (error) {
        throw new UserError(`The file ${path} is no CSV: ${(error as Error).message}`);
    }
    const listed: Listed = { entries: [], bad: [], left: 0 };
    for (const { record, info } of rows) {
        const { url = '', gate, status, lastmod = '' } = record;
        const isAsked =
            (gate === undefined || gates.includes(gate) || gates.includes('any')) &&
            (statuses.length === 0 || statuses.includes(status ?? ''));
        const address = readAddress(url);
        if (!isAsked) listed.left++;
        else if (address.ok) listed.entries.push({ url: address.address.url, lastmod });
        else listed.bad.push({ line: info.lines, text: url });
    }
    return listed;
}
