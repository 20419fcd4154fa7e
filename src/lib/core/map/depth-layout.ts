/**
 * The map by depth: a band a depth, a column a section, a cell a page, in as large cells as fit. The same facts give the
 * same picture, to the last digit.
 */
import { FORM, type MapFacts } from './map-facts.ts';

export interface MapSize {
    width: number;
    height: number;
    /** How wide the name of a section is. */
    nameWidth: (section: string) => number;
    /** What pages of one block go by. */
    order?: 'standing' | 'url';
}

export interface MapColumn {
    /** Null for those beyond the first, together. */
    section: string | null;
    /** Sections it stands for. */
    sections: number;
    x: number;
    width: number;
    /** Pages in it, reached or not. */
    pages: number;
}

export interface MapBand {
    /** Depths it stands for; both -1 for what links do not reach. */
    from: number;
    to: number;
    y: number;
    height: number;
    pages: number;
    /** Of what is no page: how many stop at each gate, by its number. */
    aside: number[];
}

/** A page that holds many: a bar across its column. */
export interface MapBar {
    node: number;
    column: number;
    band: number;
    x: number;
    y: number;
    width: number;
    height: number;
    /** Part of the bar that is filled: its load among the pages of the column; of the start page all. */
    share: number;
    /** The start page: it reaches across all columns. */
    isStart: boolean;
}

/** URLs that are known and were not read, of one column. */
export interface MapUnread {
    column: number;
    x: number;
    y: number;
    width: number;
    height: number;
    urls: number;
}

export interface DepthLayout {
    width: number;
    height: number;
    /** From one cell to the next. */
    pitch: number;
    /** Pages a cell stands for, at most. */
    perCell: number;
    columns: MapColumn[];
    bands: MapBand[];
    bars: MapBar[];
    unread: MapUnread[];
    /** Nodes in the order they are drawn, cell by cell. */
    order: Uint32Array;
    cells: {
        x: Float32Array;
        y: Float32Array;
        /** First of its nodes in `order`; one more at the end. */
        start: Uint32Array;
        column: Uint16Array;
        band: Uint16Array;
        /** Its form, by number: all of its pages are alike in it. */
        form: Uint8Array;
    };
}

const MOST_COLUMNS = 8;
const COLUMN_GAP = 10;
const LEAST_COLUMN = 40;
/** Of a column with several bars: their names are read. */
const NAMED_COLUMN = 96;
const OTHERS_COLUMN = 76;
const LARGEST_PITCH = 18;
const LEAST_PITCH = 7;
const DENSE_PITCH = 6;
const PAGES_PER_CELL = [1, 2, 4, 10, 20, 50, 100, 200, 500, 1_000, 2_000, 5_000];
/** A band with nothing above its floor. */
const BAND_PADDING = 6;
const LEAST_BAND = 16;
/** Bands that are told one by one; a deeper site has some that stand for several depths. */
const MOST_BANDS = 40;
const BAR = 17;
const DENSE_BAR = 6;
/** From this pitch on a bar holds its name. */
export const NAMED_PITCH = 9;
const LEAST_LOAD = 3;
/** Of all reached pages. */
const LEAST_SHARE = 0.004;
const MOST_BARS = 48;
const MOST_IN_BLOCK = 4;
const UNREAD_HEIGHT = 30;
/** The share of the window that bands without pages may take. */
const ROOM = 0.6;

/** Pages of one column and band, in the order they are drawn. */
interface Block {
    column: number;
    band: number;
    bars: number[];
    /** Bars left free above it: that of the start page, which reaches across. */
    lead: number;
    /** Runs of one form, each in its order. */
    runs: { form: number; nodes: number[] }[];
}

/** O(nodes log nodes + pitches tried · columns · bands). */
export function depthLayout(facts: MapFacts, size: MapSize): DepthLayout {
    const { columns, columnOf } = columnsOf(facts);
    const { bands, bandOf } = bandsOf(facts);
    const { start, bars } = barsOf(facts);
    const blocks = blocksOf(facts, columns.length, columnOf, bands, bandOf, bars, start, size.order ?? 'standing');
    const unread = new Uint32Array(columns.length);
    facts.form.forEach((form, node) => {
        if (form === FORM.unread) unread[columnOf(node)]!++;
    });
    const tail = unread.some((urls) => urls > 0) ? UNREAD_HEIGHT + 2 * BAND_PADDING : 0;
    // Where bars stand below each other their names are what tells them apart.
    const barsIn = new Uint32Array(columns.length);
    for (const node of bars) if (node !== start) barsIn[columnOf(node)]!++;
    const least = columns.map(({ section }, column) =>
        Math.max(
            barsIn[column]! > 2 ? NAMED_COLUMN : LEAST_COLUMN,
            section === null ? OTHERS_COLUMN : size.nameWidth(section),
        ),
    );
    const tried = fitting(blocks, columns.length, bands.length, { ...size, height: size.height - tail }, least);
    return placed(facts, size, columns, bands, blocks, tried, unread, tail, start);
}

export interface DepthTable {
    columns: { section: string | null; sections: number; pages: number }[];
    /** Pages of each column; both depths -1 for what links do not reach. */
    rows: { from: number; to: number; pages: number; cells: number[] }[];
}

/** The same as a table: pages by depth and section. O(nodes) */
export function depthTable(facts: MapFacts): DepthTable {
    const { columns, columnOf } = columnsOf(facts);
    const { bands, bandOf } = bandsOf(facts);
    const rows = bands.map(({ from, to }) => ({ from, to, pages: 0, cells: columns.map(() => 0) }));
    for (let node = 0; node < facts.count; node++) {
        if (facts.form[node]! > FORM.unreached) continue;
        const row = rows[bandOf(node)]!;
        row.pages++;
        row.cells[columnOf(node)]!++;
    }
    return {
        columns: columns.map(({ section, sections, pages }) => ({ section, sections, pages })),
        rows,
    };
}

function columnsOf(facts: MapFacts): { columns: MapColumn[]; columnOf: (node: number) => number } {
    const { form, section, sections } = facts;
    const pages = new Uint32Array(sections.length);
    const unread = new Uint32Array(sections.length);
    for (let node = 0; node < facts.count; node++) {
        if (form[node]! <= FORM.unreached) pages[section[node]!]!++;
        else if (form[node] === FORM.unread) unread[section[node]!]!++;
    }
    const shown = sections.map((_, place) => place).filter((place) => pages[place]! > 0 || unread[place]! > 0);
    // By pages; the site's order breaks ties, so that the same site has the same columns.
    shown.sort((a, b) => pages[b]! - pages[a]! || a - b);
    const first = shown.slice(0, shown.length === MOST_COLUMNS + 1 ? MOST_COLUMNS + 1 : MOST_COLUMNS);
    const rest = shown.slice(first.length);
    const columns = first.map((place): MapColumn => ({
        section: sections[place]!,
        sections: 1,
        x: 0,
        width: 0,
        pages: pages[place]!,
    }));
    if (rest.length > 0) {
        const all = rest.reduce((sum, place) => sum + pages[place]!, 0);
        columns.push({ section: null, sections: rest.length, x: 0, width: 0, pages: all });
    }
    const place = new Uint16Array(sections.length).fill(Math.max(0, columns.length - 1));
    first.forEach((own, column) => (place[own] = column));
    return { columns, columnOf: (node) => place[section[node]!]! };
}

/** Bands in their order: one a depth, of a very deep site several depths each, then what is not reached. */
function bandsOf({ count, depth, form }: MapFacts): { bands: MapBand[]; bandOf: (node: number) => number } {
    let deepest = -1;
    let isUnreached = false;
    for (let node = 0; node < count; node++) {
        if (form[node] === FORM.unread) continue;
        if (depth[node]! > deepest) deepest = depth[node]!;
        if (depth[node]! < 0) isUnreached = true;
    }
    const single = deepest < MOST_BANDS ? deepest + 1 : MOST_BANDS / 2;
    const step = deepest < MOST_BANDS ? 1 : Math.ceil((deepest + 1 - single) / (MOST_BANDS / 2));
    const bands: MapBand[] = [];
    const add = (from: number, to: number): void => {
        bands.push({ from, to, y: 0, height: 0, pages: 0, aside: [] });
    };
    for (let from = 0; from < single; from++) add(from, from);
    for (let from = single; from <= deepest; from += step) add(from, Math.min(deepest, from + step - 1));
    if (isUnreached) add(-1, -1);
    const last = bands.length - 1;
    return {
        bands,
        bandOf: (node) => {
            const own = depth[node]!;
            if (own < 0) return last;
            return own < single ? own : single + Math.floor((own - single) / step);
        },
    };
}

/**
 * Pages that are drawn as bars: the start page, and those that hold most, some dozens at most, few of each depth and
 * section. On a large site only those that hold a good share of it.
 */
function barsOf({ count, form, depth, section, load }: MapFacts): { start: number; bars: Set<number> } {
    const held: number[] = [];
    const bars = new Set<number>();
    let [reached, start] = [0, -1];
    for (let node = 0; node < count; node++) {
        if (form[node]! > FORM.stopped) continue;
        reached++;
        // Of several start pages the first.
        if (depth[node] === 0 && start === -1) bars.add((start = node));
        else if (load[node]! >= LEAST_LOAD) held.push(node);
    }
    held.sort((a, b) => load[b]! - load[a]! || a - b);
    const inBlock = new Map<string, number>();
    for (const node of held) {
        if (bars.size > MOST_BARS || load[node]! < reached * LEAST_SHARE) break;
        const block = `${depth[node]} ${section[node]}`;
        const before = inBlock.get(block) ?? 0;
        if (before >= MOST_IN_BLOCK) continue;
        inBlock.set(block, before + 1);
        bars.add(node);
    }
    return { start, bars };
}

function blocksOf(
    { count, form, standing, load, gate, island }: MapFacts,
    columns: number,
    columnOf: (node: number) => number,
    bands: MapBand[],
    bandOf: (node: number) => number,
    bars: ReadonlySet<number>,
    start: number,
    order: 'standing' | 'url',
): Block[] {
    const blocks = new Map<number, Block>();
    const forms = new Map<number, Map<number, number[]>>();
    for (let node = 0; node < count; node++) {
        const own = form[node]!;
        if (own === FORM.unread) continue;
        const band = bandOf(node);
        if (own === FORM.aside) {
            const { aside } = bands[band]!;
            aside[gate[node]!] = (aside[gate[node]!] ?? 0) + 1;
            continue;
        }
        bands[band]!.pages++;
        const key = band * columns + columnOf(node);
        let block = blocks.get(key);
        if (!block) {
            block = { column: columnOf(node), band, bars: [], lead: 0, runs: [] };
            blocks.set(key, block);
            forms.set(key, new Map());
        }
        if (bars.has(node)) block.bars.push(node);
        else {
            const runs = forms.get(key)!;
            const run = runs.get(own);
            if (run) run.push(node);
            else runs.set(own, [node]);
        }
    }
    for (const [key, block] of blocks) {
        // The start page first: its bar reaches across all columns.
        block.bars.sort((a, b) => Number(b === start) - Number(a === start) || load[b]! - load[a]! || a - b);
        block.lead = block.band === 0 && start !== -1 && !block.bars.includes(start) ? 1 : 0;
        const runs = [...forms.get(key)!].sort(([a], [b]) => a - b);
        // Nodes are in the order of URLs: that breaks ties. Islands are held together.
        block.runs = runs.map(([own, nodes]) => ({
            form: own,
            nodes: nodes.sort(
                (a, b) => island[a]! - island[b]! || (order === 'url' ? 0 : standing[b]! - standing[a]!) || a - b,
            ),
        }));
    }
    return [...blocks.values()].sort((a, b) => a.band - b.band || a.column - b.column);
}

interface Tried {
    pitch: number;
    perCell: number;
    bar: number;
    widths: number[];
    heights: number[];
}

/** The largest cells whose whole height fits; the smallest there are where none does. */
function fitting(blocks: readonly Block[], columns: number, bands: number, size: MapSize, least: number[]): Tried {
    let last: Tried | null = null;
    // Bands alone may fill the window: then the picture is taller than it, and pages have room all the same.
    const bare = bands * LEAST_BAND;
    const room = bare > ROOM * size.height ? bare + ROOM * size.height : size.height;
    for (const perCell of PAGES_PER_CELL) {
        const from = perCell === 1 ? LARGEST_PITCH : DENSE_PITCH;
        const to = perCell === 1 ? LEAST_PITCH : DENSE_PITCH;
        for (let pitch = from; pitch >= to; pitch -= 0.5) {
            last = tried(blocks, columns, bands, size, least, pitch, perCell);
            if (last.heights.reduce((sum, height) => sum + height, 0) <= room) return last;
        }
    }
    return last!;
}

const cellsOf = ({ runs }: Block, perCell: number): number =>
    runs.reduce((sum, { nodes }) => sum + Math.ceil(nodes.length / perCell), 0);

/** Widths given to whichever column saves the most height, one cell at a time. */
function tried(
    blocks: readonly Block[],
    columns: number,
    bands: number,
    { width }: MapSize,
    least: readonly number[],
    pitch: number,
    perCell: number,
): Tried {
    const bar = pitch >= NAMED_PITCH ? BAR : DENSE_BAR;
    const gaps = COLUMN_GAP * Math.max(0, columns - 1);
    const wanted = least.reduce((sum, own) => sum + own, 0);
    // Where not even the names fit, all are narrowed alike.
    const shrink = Math.min(1, Math.max(0, width - gaps) / Math.max(1, wanted));
    const perRow = least.map((own) => Math.max(1, Math.floor((own * shrink) / pitch)));
    const heightOf = (block: Block, across: number): number =>
        (block.lead + block.bars.length) * bar + Math.ceil(cellsOf(block, perCell) / across) * pitch;
    const heights = new Array<number>(bands).fill(0);
    const second = new Array<number>(bands).fill(0);
    const tallest = new Array<number>(bands).fill(-1);
    const measure = (): void => {
        heights.fill(0);
        second.fill(0);
        tallest.fill(-1);
        for (const block of blocks) {
            const own = heightOf(block, perRow[block.column]!);
            if (own > heights[block.band]!) {
                second[block.band] = heights[block.band]!;
                heights[block.band] = own;
                tallest[block.band] = block.column;
            } else if (own > second[block.band]!) second[block.band] = own;
        }
    };
    measure();
    const byColumn: Block[][] = Array.from({ length: columns }, () => []);
    for (const block of blocks) byColumn[block.column]!.push(block);
    let left = width - gaps - perRow.reduce((sum, across) => sum + across * pitch, 0);
    const step = Math.max(1, Math.round(14 / pitch));
    while (left >= pitch * step) {
        let [best, saves] = [-1, 0];
        for (let column = 0; column < columns; column++) {
            let own = 0;
            for (const block of byColumn[column]!) {
                if (tallest[block.band] !== column) continue;
                const after = Math.max(heightOf(block, perRow[column]! + step), second[block.band]!);
                own += heights[block.band]! - after;
            }
            if (own > saves) [best, saves] = [column, own];
        }
        // Nothing is saved by one step: the column with the most pages a row gets it.
        if (best === -1) {
            let most = 0;
            for (let column = 0; column < columns; column++) {
                const cells = byColumn[column]!.reduce((sum, block) => sum + cellsOf(block, perCell), 0);
                const dense = cells / perRow[column]!;
                if (dense > most) [best, most] = [column, dense];
            }
        }
        if (best === -1) break;
        perRow[best]! += step;
        left -= pitch * step;
        measure();
    }
    return {
        pitch,
        perCell,
        bar,
        widths: perRow.map((across) => across * pitch),
        heights: heights.map((height) => Math.max(LEAST_BAND, height + BAND_PADDING)),
    };
}

function placed(
    facts: MapFacts,
    { width }: MapSize,
    columns: MapColumn[],
    bands: MapBand[],
    blocks: readonly Block[],
    { pitch, perCell, bar, widths, heights }: Tried,
    unread: Uint32Array,
    tail: number,
    start: number,
): DepthLayout {
    let x = 0;
    columns.forEach((column, index) => {
        column.x = x;
        column.width = widths[index]!;
        x += column.width + COLUMN_GAP;
    });
    let y = 0;
    bands.forEach((band, index) => {
        band.y = y;
        band.height = heights[index]!;
        y += band.height;
    });
    const cells = blocks.reduce((sum, block) => sum + cellsOf(block, perCell), 0);
    const pages = blocks.reduce((sum, { runs }) => sum + runs.reduce((own, { nodes }) => own + nodes.length, 0), 0);
    const made: DepthLayout['cells'] = {
        x: new Float32Array(cells),
        y: new Float32Array(cells),
        start: new Uint32Array(cells + 1),
        column: new Uint16Array(cells),
        band: new Uint16Array(cells),
        form: new Uint8Array(cells),
    };
    const order = new Uint32Array(pages);
    const bars: MapBar[] = [];
    let [cell, next] = [0, 0];
    for (const { column, band, bars: held, lead, runs } of blocks) {
        const own = columns[column]!;
        let top = bands[band]!.y + BAND_PADDING / 2 + lead * bar;
        for (const node of held) {
            const isStart = node === start;
            bars.push({
                node,
                column,
                band,
                x: isStart ? 0 : own.x,
                y: top,
                width: isStart ? Math.max(1, x - COLUMN_GAP) : own.width,
                height: bar - 2,
                share: isStart ? 1 : Math.min(1, facts.load[node]! / Math.max(1, own.pages)),
                isStart,
            });
            top += bar;
        }
        const perRow = Math.max(1, Math.round(own.width / pitch));
        let at = 0;
        for (const { form, nodes } of runs) {
            for (let from = 0; from < nodes.length; from += perCell) {
                made.x[cell] = own.x + (at % perRow) * pitch;
                made.y[cell] = top + Math.floor(at / perRow) * pitch;
                made.start[cell] = next;
                made.column[cell] = column;
                made.band[cell] = band;
                made.form[cell] = form;
                for (let index = from; index < Math.min(nodes.length, from + perCell); index++)
                    order[next++] = nodes[index]!;
                cell++;
                at++;
            }
        }
    }
    made.start[cell] = next;
    const blocksUnread: MapUnread[] = [];
    unread.forEach((urls, column) => {
        const own = columns[column]!;
        if (urls === 0) return;
        blocksUnread.push({ column, x: own.x, y: y + BAND_PADDING, width: own.width, height: UNREAD_HEIGHT, urls });
    });
    return {
        width: Math.max(width, x - COLUMN_GAP),
        height: y + tail,
        pitch,
        perCell,
        columns,
        bands,
        bars,
        unread: blocksUnread,
        order,
        cells: made,
    };
}
