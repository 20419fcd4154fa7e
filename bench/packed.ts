/** The packed survey of a large site: its size, opening it, sets on it, and a page of the tables. */
import { deflateRawSync, inflateRawSync } from 'node:zlib';
import { packRows } from '../src/lib/core/pack/pack-survey.ts';
import type { PackedSurvey } from '../src/lib/core/packed/packed-survey.ts';
import { packedOf } from '../src/lib/wire/packed-head.ts';
import { type Part } from '../src/lib/core/columns/column.ts';
import { decodeSections, encodeSections } from '../src/lib/core/packed/sections.ts';
import { evaluateSet } from '../src/lib/core/sets/evaluate-set.ts';
import { fieldsOf } from '../src/lib/core/sets/fields.ts';
import { linkWindowRows } from '../src/lib/core/sets/link-window.ts';
import { inOrder, pageColumns, placesBy } from '../src/lib/core/sets/page-columns.ts';
import { pageSheet } from '../src/lib/core/areas/page-sheet.ts';
import { parseSet } from '../src/lib/core/sets/parse-set.ts';
import { countPages } from '../src/lib/core/areas/count-pages.ts';
import { causesOf } from '../src/lib/core/checks/causes.ts';
import { siteView } from '../src/lib/core/checks/site-findings.ts';
import { pageLinksOf } from '../src/lib/core/areas/page-links.ts';
import { followedDepths } from '../src/lib/core/areas/reach.ts';
import { lostTargets, misfitList } from '../src/lib/core/areas/weight.ts';
import { templateHolds } from '../src/lib/core/measures/held-by-template.ts';
import { blockTemplates } from '../src/lib/core/measures/templates.ts';
import { ways } from '../src/lib/core/measures/ways.ts';
import { modelOf } from '../src/lib/core/packed/model-of.ts';
import { siteMeasures } from '../src/lib/core/areas/site-measures.ts';
import type { BenchOptions } from './bench.ts';
import { OWN, rowsOf } from './made-columns.ts';
import { MADE_ORIGIN, occurrencesOf } from './made-rows.ts';
import { fastest, line, memoryInUse, ratio } from './measure.ts';

const CHUNK = 4 * 1024 * 1024;
const RUNS = 7;

/** What a survey says it takes in memory, against what it does: freshly opened, and after it was looked at. */
async function estimate(open: () => PackedSurvey): Promise<void> {
    // Buffers are let go of behind a collection, not in it.
    const settled = async (): Promise<number> => {
        for (let bytes = Infinity; ;) {
            await new Promise((resolve) => setTimeout(resolve, 200));
            const now = memoryInUse();
            if (Math.abs(now - bytes) < 1e5) return now;
            bytes = now;
        }
    };
    const before = await settled();
    const survey = open();
    const tell = async (when: string): Promise<void> => {
        const real = (await settled()) - before;
        line(
            `memory of a survey ${when}: told`,
            `${(survey.bytes / 1e6).toFixed(1)} MB of ${(real / 1e6).toFixed(1)} MB`,
        );
        line('  ratio, told to real', ratio(survey.bytes, real));
    };
    await tell('that was opened');
    siteMeasures(survey);
    causesOf(viewOf(survey));
    for (const column of pageColumns(survey).values()) placesBy(survey, column);
    for (const name of ['url', 'title', 'h1', 'description'] as const) survey.texts(name).lower();
    await tell('ordered by every column');
}

function onceTimed(work: () => void): number {
    const began = performance.now();
    work();
    return performance.now() - began;
}

const GOALS = { all: 4, first: null, second: null, third: null };
const viewOf = (survey: PackedSurvey) => siteView(survey, { goals: GOALS, priority: new Uint8Array(survey.count) });

/** Parts as they are stored: deflated piece by piece, with their sizes unpacked. */
type Stored = Map<Part, { chunks: Buffer[]; size: number }>;

/** Packs the made rows and tells how long that takes; nothing of it stays but what is stored. */
function storedParts(pages: number): Stored {
    const rows = rowsOf(pages);
    const began = performance.now();
    const { parts, survey: packed } = packRows({ start: `${MADE_ORIGIN}/`, state: 'finished', cut: [] }, rows);
    line(
        `packing ${pages.toLocaleString('en')} pages, ${(pages * occurrencesOf(OWN)).toLocaleString('en')} occurrences`,
        `${(performance.now() - began).toFixed(0)} ms`,
    );

    const model = modelOf(packed);
    const grouping = onceTimed(() => void blockTemplates(model));
    const { templates } = blockTemplates(model);
    ways(model);
    const holding = onceTimed(() => void templateHolds(model));
    line(`  of it: grouping ${templates.length.toLocaleString('en')} templates`, `${grouping.toFixed(0)} ms`);
    line('  of it: which of them alone lead somewhere', `${holding.toFixed(0)} ms`);

    const stored: Stored = new Map();
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
    return stored;
}

export async function packedBench(options: BenchOptions): Promise<void> {
    const pages = options.pages ?? 100_000;
    const stored = storedParts(pages);
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
        const packed = packedOf(new Map([...inflate()].map(([part, whole]) => [part, decodeSections(whole)])));
        if (!packed) throw new Error('no survey of ours');
        return packed;
    };
    const opening = await fastest(RUNS, () => void open());
    line('inflating its bytes', `${inflating.toFixed(1)} ms`);
    line('opening it: inflating, checking, columns', `${opening.toFixed(1)} ms`);
    line('ratio, opening to inflating', ratio(opening, inflating));

    await estimate(open);
    const survey = open();
    const fields = fieldsOf(survey);
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
        ['causes', () => causesOf(viewOf(survey))],
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
