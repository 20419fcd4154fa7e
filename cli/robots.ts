/** `edgemap robots FILE|URL`: what a robots.txt says of URLs, without a survey and without a database. */
import { readFileSync } from 'node:fs';
import { readAddress } from '../src/lib/core/address/address.ts';
import { PRODUCT_TOKEN } from '../src/lib/core/page/directives.ts';
import { readProblems } from '../src/lib/core/problems/problem.ts';
import { deciderOf, quoteRule } from '../src/lib/core/robots/decide.ts';
import { readRobots, robotsText, rulesFor } from '../src/lib/core/robots/read-robots.ts';
import { productToken, robotsLines } from '../src/lib/core/robots/robots-lines.ts';
import { counted } from '../src/lib/core/words/numbers.ts';
import { noteWords, problemWords } from '../src/lib/core/words/problems.ts';
import { robotsLineRemark } from '../src/lib/core/words/robots.ts';
import { RobotsFiles } from '../src/lib/server/crawl/robots-files.ts';
import { UserError } from '../src/lib/server/process/data-folder.ts';
import { CLIENT_OPTIONS, withClient, type ClientOptions } from './one-client.ts';
import { readWords } from './read-words.ts';
import { EXIT, UsageError } from './usage.ts';

const OPTIONS = {
    data: { type: 'string' },
    agent: { type: 'string' },
    url: { type: 'string', multiple: true },
    json: { type: 'boolean' },
    ...CLIENT_OPTIONS,
} as const;

/** One URL and what decides for it, as it is given out (`docs/formats.md`). */
interface RobotsVerdictRow {
    url: string;
    allowed: boolean;
    /** `Disallow: /a`; empty where no rule fits. */
    rule: string;
    line: number | null;
}

interface RobotsReport {
    file: string;
    agent: string;
    /** What was found; of a file on disk empty. */
    note: string;
    /** The agents of the group that speaks to it; empty where none does. */
    group: string[];
    rules: number;
    urls: RobotsVerdictRow[];
    /** Lines that say nothing, or not what they seem to. */
    remarks: { line: number; text: string; say: string }[];
}

/** A robots.txt, from a disk or from a site. */
interface RobotsSource {
    text: string;
    note: string;
    /** Where relative URLs are taken from. */
    origin: string;
    /** Everything is closed, because the file cannot be had: why; empty where it can. */
    unreachable: string;
}

export async function robotsCommand(words: string[]): Promise<number> {
    const { values, positionals } = readWords(words, OPTIONS);
    const [from, ...more] = positionals;
    if (from === undefined || more.length > 0) {
        throw new UsageError('Say which file or site: ./edgemap robots robots.txt --url /a, or a URL in its place.');
    }
    const agent = productToken(values.agent ?? PRODUCT_TOKEN);
    if (agent === '') throw new UsageError(`--agent "${values.agent}" is no product token: letters, "-" and "_".`);
    const source = /^https?:\/\//i.test(from) ? await askFor(from, values) : readFrom(from);
    const report = reportOf(from, agent, source, values.url ?? []);
    console.log(values.json === true ? JSON.stringify(report, null, 2) : robotsReportText(report));
    return EXIT.done;
}

function readFrom(path: string): RobotsSource {
    let bytes: Uint8Array;
    try {
        bytes = readFileSync(path);
    } catch (error) {
        throw new UserError(`The file ${path} cannot be read: ${(error as Error).message}`);
    }
    const text = robotsText(bytes, (kept) => new TextDecoder('utf-8').decode(kept));
    return { text, note: '', origin: 'https://site.example', unreachable: '' };
}

function askFor(url: string, options: ClientOptions): Promise<RobotsSource> {
    return withClient(url, options, async (client, settings, origin) => {
        const files = new RobotsFiles(
            (asked) => client.fetchFile(asked),
            settings.token,
            () => undefined,
        );
        const { row, unreachable } = await files.of(origin);
        return {
            text: row.text,
            note: noteWords(readProblems(row.note)),
            origin,
            unreachable: unreachable === null ? '' : problemWords(unreachable),
        };
    });
}

function reportOf(file: string, agent: string, source: RobotsSource, asked: readonly string[]): RobotsReport {
    const read = readRobots(source.text);
    const rules = rulesFor(read, agent);
    const decide = deciderOf(rules);
    const named = read.groups.filter((group) => group.agents.includes(agent));
    const speaking = named.length > 0 ? named : read.groups.filter((group) => group.agents.includes('*'));
    return {
        file,
        agent,
        note: source.note,
        group: [...new Set(speaking.flatMap((group) => group.agents))],
        rules: rules.length,
        urls: asked.map((url) => {
            const address = readAddress(url, `${source.origin}/`);
            if (!address.ok) throw new UsageError(`--url "${url}" is no address of a page, nor a path.`);
            if (source.unreachable !== '') return { url, allowed: false, rule: source.unreachable, line: null };
            const { allowed, rule } = decide(address.address.url);
            return { url, allowed, rule: rule ? quoteRule(rule) : '', line: rule?.line ?? null };
        }),
        remarks: robotsLines(source.text).flatMap((line) => {
            const say = robotsLineRemark(line);
            return say === '' ? [] : [{ line: line.line, text: line.text.trim().slice(0, 200), say }];
        }),
    };
}

/** The report as lines: a verdict for each URL, in the order given, then what of the file says nothing. */
export function robotsReportText(report: RobotsReport): string {
    const group = report.group.length === 0 ? 'no group speaks to it' : `group for ${report.group.join(', ')}`;
    const lines = [`${report.file}, for ${report.agent}: ${group}, ${counted(report.rules, 'rule')}`];
    if (report.note !== '') lines.push(`  ${report.note}`);
    for (const { url, allowed, rule, line } of report.urls) {
        const why = rule === '' ? 'no rule fits' : `${rule}${line === null ? '' : ` (line ${line})`}`;
        lines.push(`${allowed ? 'open  ' : 'closed'}  ${url}  ${why}`);
    }
    for (const { line, text, say } of report.remarks) lines.push(`line ${line}: ${say}: ${text}`);
    return lines.join('\n');
}
