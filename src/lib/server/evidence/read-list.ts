/**
 * Reads a list of URLs from a file: an access log, a table, plain lines; gzip or not. The file is read as a stream, so
 * its size does not matter; what is kept of it is one row per URL.
 */
import type { LineFault } from '../../core/evidence/line-fault.ts';
import { problem, writeProblem, type Problem, type ProblemText } from '../../core/problems/problem.ts';
import { lineFaultWords } from '../../core/words/evidence.ts';
import { isUtf8 } from 'node:buffer';
import { createReadStream } from 'node:fs';
import { open } from 'node:fs/promises';
import { basename } from 'node:path';
import { Readable } from 'node:stream';
import { createGunzip } from 'node:zlib';
import { parse, type CsvError } from 'csv-parse';
import { readAddress } from '../../core/address/address.ts';
import { applyUrlRules, type UrlRules } from '../../core/address/url-rules.ts';
import {
    absolute,
    guessMapping,
    guessSeparator,
    readDate,
    readNumber,
    type ColumnMapping,
} from '../../core/evidence/column-mapping.ts';
import type { ListCell, ListColumn, ListKind, ListRow } from '../../core/evidence/evidence-lists.ts';
import { robotFinder } from '../../core/evidence/robot-agents.ts';
import type { RobotVisits } from '../../core/evidence/robot-visits.ts';
import { VisitGatherer } from './gather-visits.ts';
import { breather } from '../process/breather.ts';
import { AccessLogReader, type BadLine } from '../../core/formats/access-log.ts';

export interface ListContext {
    /** Start URL of the site: paths belong to its origin. */
    start: string;
    belongs: (url: string) => boolean;
    rules: UrlRules;
}

/** What was read of a file. */
export interface ReadList {
    columns: ListColumn[];
    rows: ListRow[];
    lines: number;
    bad: number;
    badLines: BadLine[];
    notes: ProblemText[];
    /** What robots asked for, of an access log that tells who asked; null of any other list. */
    robots: RobotVisits | null;
    /** Why it may not be what it was taken for, as a sentence; empty where there is no doubt. */
    doubt: string;
}

export type ReadResult = { ok: true; read: ReadList } | { ok: false; say: string };

/** A table as it is shown before it is imported. */
export interface TablePreview {
    separator: string;
    rows: string[][];
    mapping: ColumnMapping;
}

const BAD_LINES_KEPT = 10_000;
/** Lines by which a file is judged: where most of them cannot be read, it is asked about before it is taken. */
const JUDGED_LINES = 1_000;
const SAMPLE_BYTES = 262_144;
const SAMPLE_ROWS = 50;
const LONGEST_RECORD = 1_000_000;
/** URLs of one import; a list beyond is cut, and says so. */
const MOST_ROWS = 2_000_000;
/** A file that unpacks to more than this is not a list anybody meant. */
const MOST_UNPACKED = 200_000_000_000;

/** The bytes of a file, unpacked where they are gzip; told by the first bytes, whatever the name. */
async function openBytes(path: string): Promise<{ stream: Readable; isGzip: boolean }> {
    const file = await open(path, 'r');
    const head = Buffer.alloc(2);
    try {
        await file.read(head, 0, 2, 0);
    } finally {
        await file.close();
    }
    const plain = createReadStream(path, { highWaterMark: 262_144 });
    if (head[0] !== 0x1f || head[1] !== 0x8b) return { stream: plain, isGzip: false };
    const gunzip = createGunzip();
    plain.on('error', (error) => gunzip.destroy(error));
    return { stream: plain.pipe(gunzip), isGzip: true };
}

/** The first bytes of a file, unpacked. */
async function sampleOf(path: string): Promise<Buffer> {
    const { stream } = await openBytes(path);
    const pieces: Buffer[] = [];
    let size = 0;
    try {
        for await (const piece of stream as AsyncIterable<Buffer>) {
            pieces.push(piece);
            size += piece.length;
            if (size >= SAMPLE_BYTES) break;
        }
    } finally {
        stream.destroy();
    }
    return Buffer.concat(pieces).subarray(0, SAMPLE_BYTES);
}

/** Name of the encoding a text file is in: by its BOM, else UTF-8 where its first bytes are, else windows-1252. */
function encodingOf(sample: Buffer): string {
    if (sample[0] === 0xff && sample[1] === 0xfe) return 'utf-16le';
    if (sample[0] === 0xfe && sample[1] === 0xff) return 'utf-16be';
    // The sample may end in the middle of a letter.
    const whole = sample.length < SAMPLE_BYTES ? [0] : [0, 1, 2, 3];
    return whole.some((less) => isUtf8(sample.subarray(0, sample.length - less))) ? 'utf-8' : 'windows-1252';
}

/** What a table looks like and how its columns would be taken. */
export async function previewTable(
    path: string,
    kind: ListKind,
    context: ListContext,
): Promise<{ ok: true; preview: TablePreview } | { ok: false; say: string }> {
    let sample: Buffer;
    try {
        sample = await sampleOf(path);
    } catch (error) {
        return { ok: false, say: `${basename(path)} cannot be read: ${(error as Error).message}.` };
    }
    if (sample.length === 0) return { ok: false, say: `${basename(path)} is empty.` };
    if (sample.subarray(0, 8_000).includes(0) && encodingOf(sample) === 'utf-8') {
        return { ok: false, say: `${basename(path)} is no text: it holds NUL bytes. Give a CSV file or plain lines.` };
    }
    const text = new TextDecoder(encodingOf(sample)).decode(sample).replace(/^\uFEFF/, '');
    // The last line may be cut.
    const lineEnd = text.lastIndexOf('\n');
    const whole = sample.length < SAMPLE_BYTES || lineEnd === -1 ? text : text.slice(0, lineEnd);
    const separator = guessSeparator(whole);
    const rows: string[][] = [];
    const parser = Readable.from([whole]).pipe(parse({ ...csvOptions(separator), to: SAMPLE_ROWS }));
    try {
        for await (const record of parser as AsyncIterable<{ record: string[] }>) rows.push(record.record);
    } catch (error) {
        return { ok: false, say: `${basename(path)} cannot be read as a table: ${(error as Error).message}.` };
    }
    const guess = guessMapping(rows, context.belongs, kind === 'external');
    if (!guess.ok) return { ok: false, say: `${basename(path)}: ${guess.say}` };
    return { ok: true, preview: { separator, rows, mapping: guess.mapping } };
}

function csvOptions(separator: string) {
    return {
        delimiter: separator,
        bom: true,
        relax_column_count: true,
        relax_quotes: true,
        skip_empty_lines: true,
        skip_records_with_error: true,
        max_record_size: LONGEST_RECORD,
        info: true,
    } as const;
}

/** Gathers rows by URL: numbers of the same URL add up, of dates the last counts. */
class RowGatherer {
    readonly read: ReadList;
    readonly #context: ListContext;
    readonly #rows = new Map<string, ListRow>();
    /** Among the first lines that hold anything. */
    #badAtFirst = 0;
    #isFull = false;
    #goodAtFirst = 0;

    constructor(columns: ListColumn[], context: ListContext) {
        this.read = { columns, rows: [], lines: 0, bad: 0, badLines: [], notes: [], robots: null, doubt: '' };
        this.#context = context;
    }

    bad(line: number, why: LineFault, text: string): void {
        this.read.bad++;
        if (this.#badAtFirst + this.#goodAtFirst < JUDGED_LINES) this.#badAtFirst++;
        if (this.read.badLines.length < BAD_LINES_KEPT) {
            this.read.badLines.push({ line, why, text: text.slice(0, 500) });
        }
    }

    /** A line that could be read. */
    good(): void {
        if (this.#badAtFirst + this.#goodAtFirst < JUDGED_LINES) this.#goodAtFirst++;
    }

    /** @returns why the URL cannot be taken; null when it was */
    add(written: string, source: string, cells: ListCell[]): LineFault | null {
        const { start, belongs, rules } = this.#context;
        let read;
        try {
            read = readAddress(absolute(written, start));
        } catch {
            read = { ok: false as const };
        }
        if (!read.ok) return 'bad-address';
        const url = belongs(read.address.url) ? applyUrlRules(read.address.url, rules) : read.address.url;
        let from = '';
        if (source !== '') {
            const linking = readAddress(absolute(source, start));
            if (!linking.ok) return 'bad-source';
            from = linking.address.url;
        }
        const key = from === '' ? url : `${url} ${from}`;
        const known = this.#rows.get(key);
        if (known) {
            cells.forEach((cell, index) => {
                const before = known.cells[index] ?? null;
                if (cell === null) return;
                known.cells[index] =
                    before === null
                        ? cell
                        : this.read.columns[index]?.type === 'date'
                          ? Math.max(before, cell)
                          : before + cell;
            });
        } else if (this.#rows.size >= MOST_ROWS) {
            if (!this.#isFull) this.read.notes.push(writeProblem(problem('list-cut', { most: MOST_ROWS })));
            this.#isFull = true;
        } else this.#rows.set(key, { url, source: from, cells });
        return null;
    }

    done(): ReadList {
        this.read.rows = [...this.#rows.values()];
        const judged = this.#badAtFirst + this.#goodAtFirst;
        if (this.#badAtFirst * 2 > judged) {
            const number = (value: number): string => value.toLocaleString('en');
            const [first] = this.read.badLines;
            this.read.doubt = `${number(this.#badAtFirst)} of the first ${number(judged)} lines cannot be read; line ${number(first?.line ?? 0)}: ${lineFaultWords(first?.why ?? '')}.`;
        }
        return this.read;
    }
}

/** What the reader of CSV finds wrong with a row, by its own codes. */
const CSV_FAULTS: Partial<Record<string, LineFault>> = {
    CSV_QUOTE_NOT_CLOSED: 'quote-open',
    CSV_INVALID_CLOSING_QUOTE: 'quote-inside',
    INVALID_OPENING_QUOTE: 'quote-inside',
    CSV_MAX_RECORD_SIZE: 'row-too-long',
};

/** Reads a table with the columns as they were shown. */
export async function readTable(
    path: string,
    separator: string,
    mapping: ColumnMapping,
    context: ListContext,
): Promise<ReadResult> {
    const gather = new RowGatherer(
        mapping.kept.map(({ name, type }) => ({ name, type })),
        context,
    );
    const breathe = breather();
    try {
        const encoding = encodingOf(await sampleOf(path));
        const { stream } = await openBytes(path);
        const parser = parse({
            ...csvOptions(separator),
            on_skip: (error: CsvError | undefined, raw: string | undefined) => {
                const line = typeof error?.lines === 'number' ? error.lines : gather.read.lines + 1;
                gather.bad(line, CSV_FAULTS[error?.code ?? ''] ?? 'row-broken', raw ?? '');
                return undefined;
            },
        });
        Readable.from(decoded(stream, encoding))
            .on('error', (error) => parser.destroy(error))
            .pipe(parser);
        let first = true;
        for await (const { record, info } of parser as AsyncIterable<{ record: string[]; info: { lines: number } }>) {
            gather.read.lines = info.lines;
            if (first && mapping.hasHeader) {
                first = false;
                continue;
            }
            first = false;
            const written = (record[mapping.url] ?? '').trim();
            const source = mapping.source === null ? '' : (record[mapping.source] ?? '').trim();
            const text = (): string => record.join(separator);
            if (written === '') gather.bad(info.lines, 'no-address', text());
            else if (mapping.source !== null && source === '') gather.bad(info.lines, 'no-source', text());
            else {
                const cells = mapping.kept.map(({ index, type }) =>
                    (type === 'date' ? readDate : readNumber)(record[index] ?? ''),
                );
                const why = gather.add(written, source, cells);
                if (why !== null) gather.bad(info.lines, why, text());
                else gather.good();
                await breathe();
            }
        }
    } catch (error) {
        return { ok: false, say: brokenFile(path, error) };
    }
    const read = gather.done();
    if (read.rows.length === 0 && read.bad > 0) {
        return {
            ok: false,
            say: `${basename(path)} holds no address that can be read. Line ${read.badLines[0]?.line ?? 0}: ${lineFaultWords(read.badLines[0]?.why ?? '')}.`,
        };
    }
    return { ok: true, read };
}

async function* decoded(stream: Readable, encoding: string): AsyncGenerator<string> {
    const decoder = new TextDecoder(encoding);
    for await (const piece of bounded(stream)) yield decoder.decode(piece, { stream: true });
    yield decoder.decode();
}

async function* bounded(stream: Readable): AsyncGenerator<Buffer> {
    let size = 0;
    for await (const piece of stream as AsyncIterable<Buffer>) {
        size += piece.length;
        if (size > MOST_UNPACKED) throw new Error('it unpacks to more than 200 GB');
        yield piece;
    }
}

function brokenFile(path: string, error: unknown): string {
    const message = error instanceof Error ? error.message : String(error);
    return `${basename(path)} could not be read to its end: ${message}. Nothing of it was imported.`;
}

/** Columns an access log gives. */
export const LOG_COLUMNS: ListColumn[] = [
    { name: 'hits', type: 'number' },
    { name: 'robot hits', type: 'number' },
    { name: 'last seen', type: 'date' },
];

/** Reads an access log. @param robotWords parts of agent names that make a robot */
export async function readLog(path: string, robotWords: readonly string[], context: ListContext): Promise<ReadResult> {
    const breathe = breather();
    const gather = new RowGatherer(LOG_COLUMNS, context);
    const log = new AccessLogReader({
        isRobot: robotFinder(robotWords),
        onGood: () => gather.good(),
        onBad: ({ line, why, text }) => gather.bad(line, why, text),
        mostTargets: MOST_ROWS,
    });
    try {
        const { stream } = await openBytes(path);
        for await (const piece of bounded(stream)) {
            log.push(piece);
            await breathe();
        }
        log.end();
    } catch (error) {
        return { ok: false, say: brokenFile(path, error) };
    }
    const { counts } = log;
    if (counts.lines === 0) return { ok: false, say: `${basename(path)} is empty.` };
    if (counts.counted + counts.otherMethod + counts.otherStatus === 0) {
        return {
            ok: false,
            say: `${basename(path)} is no access log in Common or Combined Log Format: not one of its ${counts.lines.toLocaleString('en')} lines can be read.${gather.read.badLines[0] ? ` Line ${gather.read.badLines[0].line}: ${lineFaultWords(gather.read.badLines[0].why)}.` : ''}`,
        };
    }
    const { origin } = new URL(context.start);
    const writtenOf = (host: string, target: string): string | null => {
        if (/^https?:\/\//i.test(target)) return target;
        return target.startsWith('/') ? `${host === '' ? origin : originOfHost(host, origin)}${target}` : null;
    };
    let unusable = 0;
    for (const { host, target, hits, robotHits, lastSeen } of log.targets()) {
        const written = writtenOf(host, target);
        if (written === null || gather.add(written, '', [hits, robotHits, lastSeen]) !== null) unusable++;
        await breathe();
    }
    const visits = new VisitGatherer(context);
    for (const { agent, host, target, fine, redirect, error } of log.visits()) {
        const written = writtenOf(host, target);
        if (written !== null) visits.add(agent, written, [fine, redirect, error]);
        await breathe();
    }
    const read = gather.done();
    read.robots = visits.done(log.robots);
    read.lines = counts.lines;
    const { counted, lines, otherStatus, otherMethod } = counts;
    const notes: Problem[] = [problem('log-counted', { counted, lines, otherStatus, otherMethod })];
    if (counts.first <= counts.last) notes.push(problem('log-span', { first: counts.first, last: counts.last }));
    if (unusable > 0) notes.push(problem('log-unusable', { targets: unusable }));
    if (log.overflowed) notes.push(problem('list-cut', { most: MOST_ROWS }));
    read.notes.push(...notes.map((note) => writeProblem(note)));
    return { ok: true, read };
}

/** Origin of a virtual host as logged, `host` or `host:port`; its scheme is that of the port, else the site's. */
function originOfHost(host: string, siteOrigin: string): string {
    const scheme = host.endsWith(':443') ? 'https:' : host.endsWith(':80') ? 'http:' : new URL(siteOrigin).protocol;
    return `${scheme}//${host.replace(/:(?:443|80)$/, '')}`;
}

/** Addresses typed in, one to a line. */
export function readTyped(text: string, context: ListContext): ReadList {
    const gather = new RowGatherer([], context);
    text.split(/\r\n|\r|\n/).forEach((line, index) => {
        if (line.trim() === '') return;
        gather.read.lines++;
        const why = gather.add(line.trim(), '', []);
        if (why !== null) gather.bad(index + 1, why, line);
    });
    return gather.done();
}

/** URLs in our spelling already: those another survey knows. */
export function readUrls(urls: Iterable<string>, context: ListContext): ReadList {
    const gather = new RowGatherer([], context);
    for (const url of urls) {
        gather.read.lines++;
        gather.add(url, '', []);
    }
    return gather.done();
}

/** Reads a file of a kind as the command line gives it: columns as guessed. */
export async function readListFile(
    path: string,
    kind: ListKind,
    context: ListContext,
    robotWords: readonly string[],
): Promise<ReadResult> {
    if (kind === 'log') return readLog(path, robotWords, context);
    const table = await previewTable(path, kind, context);
    if (!table.ok) return table;
    const { separator, mapping } = table.preview;
    return readTable(path, separator, mapping, context);
}
