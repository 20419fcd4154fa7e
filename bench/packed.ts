/** The packed survey of a large site: its size, opening it, sets on it, and a page of the tables. */
import { deflateRawSync, inflateRawSync } from 'node:zlib';
import { packRows } from '../src/lib/core/packed/pack-survey.ts';
import { PackedSurvey, type PackedHead, type Part } from '../src/lib/core/packed/packed-survey.ts';
import { RowColumns } from '../src/lib/core/packed/row-columns.ts';
import { decodeSections, encodeSections } from '../src/lib/core/packed/sections.ts';
import type { ListedLink } from '../src/lib/core/survey/survey-rows.ts';
import { unreadPage } from '../src/lib/core/survey/survey-rows.ts';
import { evaluateSet } from '../src/lib/core/sets/evaluate-set.ts';
import { fieldsOf, PRIORITY } from '../src/lib/core/sets/fields.ts';
import { linkWindowRows } from '../src/lib/core/sets/link-window.ts';
import { inOrder, pageColumns, placesBy } from '../src/lib/core/sets/page-columns.ts';
import { pageSheet } from '../src/lib/core/packed/page-sheet.ts';
import { parseSet } from '../src/lib/core/sets/parse-set.ts';
import { countPages } from '../src/lib/core/areas/count-pages.ts';
import { jobsOf } from '../src/lib/core/areas/jobs.ts';
import { pageLinksOf } from '../src/lib/core/areas/page-links.ts';
import { followedDepths } from '../src/lib/core/areas/reach.ts';
import { lostTargets, misfitList } from '../src/lib/core/areas/weight.ts';
import { siteMeasures } from '../src/lib/core/packed/site-measures.ts';
import { numbers } from '../demo/big-site.ts';
import type { BenchOptions } from './bench.ts';
import { fastest, line, ratio } from './measure.ts';

const ORIGIN = 'https://www.big.example';
const WORDS = 'oak ash elm beech pine larch yew lime alder birch maple walnut cherry pear apple plum'.split(' ');
const MENU = 20;
/** Links of the running text of each page: with the menu, 40 occurrences a page. */
const OWN = 20;
const CHUNK = 4 * 1024 * 1024;
const RUNS = 7;

/** Rows of a site: a menu on every page, links of its own on each, titles, sections. Taken in one by one, as from a database. */
function rowsOf(pages: number): RowColumns {
    const next = numbers(5);
    const rows = new RowColumns();
    const link = (target: number, anchor: string): ListedLink => ({
        kind: 'a',
        target,
        text: '',
        fragment: '',
        anchor,
        name: '',
        rel: '',
    });
    const word = (): string => WORDS[next() % WORDS.length]!;
    const sections = 40;
    for (let n = 0; n < pages; n++) {
        const path = n === 0 ? '/' : `/section-${n % sections}/${word()}-${word()}-${n}/`;
        rows.address({ id: n, url: ORIGIN + path, internal: true });
        rows.page({
            ...unreadPage(n),
            seq: n,
            status: n % 97 === 5 ? 404 : 200,
            mediaType: 'text/html',
            title: `${word()} ${word()} ${word()} ${n}`,
            h1: `${word()} ${word()}`,
            language: 'en',
            words: next() % 900,
            bytes: 8_000 + (next() % 40_000),
            milliseconds: 20 + (next() % 200),
            readAt: 1_780_000_000_000 + n * 40,
            robotsAllowed: true,
        });
    }
    rows.list({ id: 0, links: Array.from({ length: MENU }, (_, item) => link(item, `Menu ${item}`)) });
    rows.block({ id: 0, region: 'nav', place: 'body nav ul', list: 0, name: 'menu' });
    for (let n = 0; n < pages; n++) {
        const id = n + 1;
        const own = Array.from({ length: OWN }, () => {
            const near = (n + (next() % 400) * sections) % pages;
            return link(next() % 8 === 0 ? next() % pages : near, `${word()} ${word()}`);
        });
        rows.list({ id, links: own });
        rows.block({
            id,
            region: 'main',
            place: 'body main p',
            list: id,
            name: id.toString(16).padStart(16, '0'),
        });
        rows.pageBlock({ page: n, ordinal: 0, block: 0, layout: 0, line: 12 });
        rows.pageBlock({ page: n, ordinal: 1, block: id, layout: id, line: 40 });
    }
    return rows;
}

export async function packedBench(options: BenchOptions): Promise<void> {
    const pages = options.pages ?? 100_000;
    const rows = rowsOf(pages);
    const began = performance.now();
    const { parts } = packRows({ start: `${ORIGIN}/`, state: 'finished', cut: [] }, rows);
    line(
        `packing ${pages.toLocaleString('en')} pages, ${(pages * (MENU + OWN)).toLocaleString('en')} occurrences`,
        `${(performance.now() - began).toFixed(0)} ms`,
    );

    const stored = new Map<Part, { chunks: Buffer[]; size: number }>();
    let bytes = 0;
    for (const [part, sections] of parts) {
        const whole = encodeSections(sections);
        const chunks: Buffer[] = [];
        for (let at = 0; at < whole.length; at += CHUNK) {
            chunks.push(deflateRawSync(whole.subarray(at, at + CHUNK), { level: 4 }));
        }
        const size = chunks.reduce((sum, chunk) => sum + chunk.length, 0);
        line(`  part ${part}`, `${(whole.length / 1e6).toFixed(1)} MB, stored ${(size / 1e6).toFixed(1)} MB`);
        bytes += size;
        stored.set(part, { chunks, size: whole.length });
    }
    line('stored', `${(bytes / 1e6).toFixed(1)} MB`);

    const inflate = (): Map<Part, Uint8Array<ArrayBuffer>> => {
        const all = new Map<Part, Uint8Array<ArrayBuffer>>();
        for (const [part, { chunks, size }] of stored) {
            const whole = new Uint8Array(size);
            let at = 0;
            for (const chunk of chunks) {
                const piece = inflateRawSync(chunk);
                whole.set(piece, at);
                at += piece.length;
            }
            all.set(part, whole);
        }
        return all;
    };
    const inflating = await fastest(RUNS, () => void inflate());
    const open = (): PackedSurvey => {
        const packed = new PackedSurvey(parts.get('core')!.head as PackedHead);
        for (const [part, whole] of inflate()) packed.add(part, decodeSections(whole));
        return packed;
    };
    const opening = await fastest(RUNS, () => void open());
    line('inflating its bytes', `${inflating.toFixed(1)} ms`);
    line('opening it: inflating, checking, columns', `${opening.toFixed(1)} ms`);
    line('ratio, opening to inflating', ratio(opening, inflating));

    const survey = open();
    const fields = [...fieldsOf(survey), PRIORITY];
    const timeOf = async (text: string): Promise<{ took: number; found: number }> => {
        const parsed = parseSet(text, fields);
        if (!parsed.ok) throw new Error(parsed.say);
        let found = 0;
        const took = await fastest(RUNS, () => {
            found = evaluateSet(parsed.set, { survey }).count();
        });
        return { took, found };
    };
    const depth = Int32Array.from(survey.numbers('depth'));
    const words = Int32Array.from(survey.numbers('words'));
    const status = Int32Array.from(survey.numbers('status'));
    // Each run of the loop does what a set is: the pages, one by one, and how many.
    const byHand = await fastest(RUNS * 3, () => {
        const found = new Uint32Array(survey.count);
        let length = 0;
        for (let node = 0; node < survey.count; node++) {
            if (depth[node]! > 2 && words[node]! >= 0 && words[node]! < 300 && status[node] === 200)
                found[length++] = node;
        }
        if (length < 0) throw new Error();
    });
    const plain = await timeOf('depth > 2 and words < 300 and status = 200');
    line('set of three comparisons', `${plain.took.toFixed(3)} ms, ${plain.found.toLocaleString('en')} pages`);
    line('the same as a loop written by hand', `${byHand.toFixed(3)} ms`);
    line('ratio, set to loop', ratio(plain.took, byHand));
    for (const text of [
        'title has "walnut"',
        'links to (error)',
        'linked from (section is section-7) via main',
        'linked only from (section is section-7)',
        'within 2 clicks of (error)',
        'behind (depth = 2)',
        'links to (all) with anchor "oak"',
    ]) {
        const { took, found } = await timeOf(text);
        line(`  ${text}`, `${took.toFixed(1)} ms, ${found.toLocaleString('en')} pages`);
    }

    const priority = Uint8Array.from({ length: survey.count }, (_, node) => (node % 50 === 1 ? 1 + (node % 3) : 0));
    const columns = pageColumns(survey);
    const all = evaluateSet({ kind: 'all' }, { survey }).nodes();
    for (const id of ['standing', 'title', 'gate', 'incoming_pages']) {
        const column = columns.get(id)!;
        const started = performance.now();
        placesBy(survey, column);
        const first = performance.now() - started;
        const took = await fastest(RUNS, () => {
            const nodes = inOrder(all, placesBy(survey, column), true);
            for (const node of nodes.subarray(0, 100)) for (const { value } of columns.values()) value(node);
        });
        line(`  page of the Pages table by ${id}`, `${took.toFixed(1)} ms; ${first.toFixed(0)} ms at first`);
    }
    const set = evaluateSet({ kind: 'all' }, { survey });
    for (const column of ['source', 'anchor', 'target', 'template', 'followed'] as const) {
        const started = performance.now();
        const window = (from: number): number =>
            linkWindowRows(survey, set, { side: 'from', kind: 'a' }, { column, descending: true }, from, 100).total;
        const total = window(0);
        const first = performance.now() - started;
        const took = await fastest(RUNS, () => void window(0));
        const deep = await fastest(RUNS, () => void window(Math.floor(total / 2)));
        line(
            `  page of ${total.toLocaleString('en')} links by ${column}`,
            `${took.toFixed(1)} ms, half way ${deep.toFixed(1)} ms; ${first.toFixed(0)} ms at first`,
        );
    }
    for (const [name, make] of [
        ['counts', () => countPages(survey)],
        ['measures of the site', () => siteMeasures(survey)],
        ['jobs', () => jobsOf(survey, 4)],
        ['where weight is lost', () => lostTargets(survey)],
        ['misfits', () => misfitList(survey, priority)],
        ['depths along followed links', () => followedDepths(survey)],
        ['links of the start page, summed up', () => pageLinksOf(survey, 0)],
    ] as [string, () => unknown][]) {
        const started = performance.now();
        make();
        const first = performance.now() - started;
        const took = await fastest(3, () => void make());
        line(`  areas: ${name}`, `${first.toFixed(0)} ms at first, then ${took.toFixed(1)} ms`);
    }
    const sheet = await fastest(RUNS, () => void pageSheet(survey, 0));
    line('  sheet of the start page', `${sheet.toFixed(1)} ms`);
}
