/** `edgemap sitemap FILE|URL`: a sitemap put to the test, without a survey and without a database. */
import { readFileSync } from 'node:fs';
import { basename } from 'node:path';
import { readAddress } from '../src/lib/core/address/address.ts';
import { isRedirectStatus } from '../src/lib/core/gates/gates.ts';
import { writeProblem } from '../src/lib/core/problems/problem.ts';
import { bareKnock, sitemapSteps, type SitemapKnock } from '../src/lib/core/sitemap/judge-sitemap.ts';
import { MAX_SITEMAP_BYTES, readSitemap } from '../src/lib/core/sitemap/read-sitemap.ts';
import { counted } from '../src/lib/core/words/numbers.ts';
import { SITEMAP_KINDS, toldStep, type ToldStep } from '../src/lib/core/words/sitemap-steps.ts';
import { sitemapText } from '../src/lib/server/crawl/sitemap-text.ts';
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

const MAX_HOPS = 5;
/** What is said of a knock at a door, and not of one file. */
const NOT_OF_A_FILE: readonly string[] = ['found', 'host', 'robots'];

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

const knockAt = (url: string): SitemapKnock => bareKnock(url, { by: 'usual', others: false });

async function readFrom(path: string, place: string | null): Promise<SitemapKnock> {
    let body: Uint8Array;
    try {
        body = readFileSync(path);
    } catch (error) {
        throw new UserError(`The file ${path} cannot be read: ${(error as Error).message}`);
    }
    const url = place ?? `https://site.example/${encodeURIComponent(basename(path))}`;
    const knock = knockAt(url);
    knock.hops.push({ url, status: 200, failure: '' });
    await take(knock, { body, headers: new Map<string, string[]>(), bodyTrouble: null });
    return knock;
}

async function take(knock: SitemapKnock, answer: Parameters<typeof sitemapText>[0]): Promise<void> {
    const text = await sitemapText(answer);
    if (!text.ok) {
        knock.bodyTrouble = text.problem;
        return;
    }
    knock.bytes = text.bytes;
    knock.file = readSitemap(text.text, knock.hops.at(-1)?.url ?? knock.url);
    knock.file.troubles.unshift(...text.troubles);
}

function askFor(url: string, options: ClientOptions): Promise<SitemapKnock> {
    return withClient(url, options, async (client) => {
        const knock = knockAt(url);
        for (let at = url; knock.hops.length <= MAX_HOPS;) {
            const answer = await client.fetchFile(at, MAX_SITEMAP_BYTES);
            const failure = answer.ok ? '' : writeProblem(answer.problem);
            knock.hops.push({ url: at, status: answer.ok ? answer.status : null, failure });
            if (!answer.ok) return knock;
            if (!isRedirectStatus(answer.status)) {
                knock.contentType = answer.headers.get('content-type')?.[0] ?? '';
                if (answer.status === 200) await take(knock, answer);
                return knock;
            }
            const target = readAddress(answer.headers.get('location')?.[0] ?? '', at);
            if (!target.ok) return knock;
            at = target.address.url;
        }
        return knock;
    });
}

function reportOf(file: string, at: string | null, knock: SitemapKnock): SitemapReport {
    return {
        file,
        at,
        kind: SITEMAP_KINDS[knock.file?.kind ?? 'missing'],
        entries: knock.file?.entries.length ?? 0,
        bytes: knock.bytes,
        steps: sitemapSteps(knock)
            .map(toldStep)
            .filter(
                ({ test }) => !NOT_OF_A_FILE.includes(test) && (at !== null || (test !== 'place' && test !== 'answer')),
            ),
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
