/** `edgemap sitemap FILE|URL`: a sitemap put to the test, without a survey and without a database. */
import { readFileSync } from 'node:fs';
import { basename } from 'node:path';
import { readAddress } from '../src/lib/core/address/address.ts';
import type { SitemapKnock } from '../src/lib/core/sitemap/judge-sitemap.ts';
import { counted } from '../src/lib/core/words/numbers.ts';
import { SITEMAP_KINDS, type ToldStep } from '../src/lib/core/words/sitemap-steps.ts';
import { knockOfBytes, knockOfUrl, stepsOfFile } from '../src/lib/server/crawl/sitemap-knock.ts';
import { UserError } from '../src/lib/server/process/data-folder.ts';
import { CLIENT_OPTIONS, withClient, type ClientOptions } from './one-client.ts';
import { readWords } from './read-words.ts';
import { EXIT, UsageError } from './usage.ts';

const OPTIONS = {
    data: { type: 'string' },
    at: { type: 'string' },
    json: { type: 'boolean' },
    ...CLIENT_OPTIONS,
} as const;

/** As it is given out (`docs/formats.md`). */
interface SitemapReport {
    file: string;
    /** The address it is judged at; null where nobody said: its entries are not compared with it. */
    at: string | null;
    kind: string;
    entries: number;
    bytes: number | null;
    steps: ToldStep[];
}

export async function sitemapCommand(words: string[]): Promise<number> {
    const { values, positionals } = readWords(words, OPTIONS);
    const [from, ...more] = positionals;
    if (from === undefined || more.length > 0) {
        throw new UsageError('Say which file or address: ./edgemap sitemap sitemap.xml --at https://www.site.example/');
    }
    const isUrl = /^https?:\/\//i.test(from);
    if (isUrl && values.at !== undefined)
        throw new UsageError('--at is of use with a file only: an address is its own.');
    const at = isUrl ? from : (values.at ?? null);
    const address = at === null ? null : readAddress(at);
    if (address?.ok === false) throw new UsageError(`"${at}" is no address. It begins with https://`);
    const place = address?.ok ? address.address.url : null;
    const knock = isUrl ? await askFor(place!, values) : await readFrom(from, place);
    const report = reportOf(from, place, knock);
    console.log(values.json === true ? JSON.stringify(report, null, 2) : sitemapReportText(report));
    return report.steps.some(({ ok }) => ok === false) ? EXIT.noSurvey : EXIT.done;
}

async function readFrom(path: string, place: string | null): Promise<SitemapKnock> {
    let body: Uint8Array;
    try {
        body = readFileSync(path);
    } catch (error) {
        throw new UserError(`The file ${path} cannot be read: ${(error as Error).message}`);
    }
    return knockOfBytes(body, place ?? `https://site.example/${encodeURIComponent(basename(path))}`);
}

const askFor = (url: string, options: ClientOptions): Promise<SitemapKnock> =>
    withClient(url, options, (client) => knockOfUrl(client, url));

function reportOf(file: string, at: string | null, knock: SitemapKnock): SitemapReport {
    return {
        file,
        at,
        kind: SITEMAP_KINDS[knock.file?.kind ?? 'missing'],
        entries: knock.file?.entries.length ?? 0,
        bytes: knock.bytes,
        steps: stepsOfFile(knock, at !== null),
    };
}

/** The report as lines: what it is, then every test that was made. */
export function sitemapReportText({ file, at, kind, entries, steps }: SitemapReport): string {
    const verdict = ({ ok }: ToldStep): string => (ok === false ? 'fails' : ok === null ? 'odd  ' : 'fine ');
    return [
        `${file}: ${kind}, ${counted(entries, 'usable entry', 'usable entries')}`,
        ...steps.map((step) => `${verdict(step)}  ${step.tried}: ${step.seen}`),
        ...(at === null
            ? ['Where its entries may lie was not looked at: say with --at at which address it stands.']
            : []),
    ].join('\n');
}
