/** Draws the map by depth. What is drawn is told by its layout alone: the same layout, the same picture. */
import type { DepthLayout, MapBar, MapUnread } from '../../core/map/depth-layout.ts';
import { NAMED_PITCH } from '../../core/map/depth-layout.ts';
import { FORM, gateAt, type MapFacts } from '../../core/map/map-facts.ts';
import { count } from '../parts/format.ts';
import { GATE_GLYPHS } from '../parts/gate-glyphs.ts';
import { drawGround } from './draw-ground.ts';
import { DIMMED, fillOf, hueOfSection, isLit, MadeOfLook, type MapLook, type Palette } from './map-look.ts';
import { cutTo, isSeen, type Pen } from './pen.ts';

const GAP = 1.2;
/** From this pitch on a cell has an outline. */
const OUTLINED_PITCH = 8;
/** From this pitch on what is stopped bears the glyph of its gate. */
const GLYPH_PITCH = 9;
const EDGE_SHARE = 0.75;

export interface Drawn<L> {
    facts: MapFacts;
    layout: L;
}

const CELL_GROUPS = new MadeOfLook<DepthLayout, CellGroup[]>();

export function drawDepth(pen: Pen, drawn: Drawn<DepthLayout>, palette: Palette, look: MapLook): void {
    const { facts, layout } = drawn;
    const { columns, bands, bars, unread, width } = layout;
    const hues = columns.map((_, column) => hueAt(facts, layout, column));
    drawGround(
        pen,
        bands.filter(({ from }) => from >= 0),
        width,
        palette,
    );
    drawCells(pen, drawn, palette, look, hues);
    drawIslands(pen, drawn, palette);
    for (const held of bars) {
        if (!isSeen(look.window, held.x, held.y, held.width, held.height)) continue;
        pen.cover(isLit(look, [held.node], 0, 1) ? 1 : DIMMED);
        drawBar(pen, drawn, palette, look, held, hues[held.column]!);
    }
    pen.cover(1);
    for (const own of unread) drawUnread(pen, own, palette);
    // Heads of columns: a line in their hue.
    columns.forEach(({ x, width: wide }, column) => pen.fill(x, 0, wide, 2, palette.hue(hues[column]!, 1)));
}

/** Place among the hues of a column; the last for those together, and for sections without one. */
export function hueAt(facts: MapFacts, { columns }: DepthLayout, column: number): number {
    const { section } = columns[column]!;
    return section === null ? 8 : hueOfSection(facts.sections.indexOf(section));
}

/** Cells that look the same: pages that may be indexed by their colour, the others together. */
interface CellGroup {
    isLit: boolean;
    /** Null for what stops or is unreached. */
    colour: string | null;
    edge: string;
    cells: number[];
}

/**
 * Cells never lie over each other, so they are drawn colour by colour: a colour that is set anew for each rectangle takes
 * time of its own.
 */
function groupsOf(layout: DepthLayout, palette: Palette, look: MapLook, hues: readonly number[]): CellGroup[] {
    const { cells, order } = layout;
    const groups = new Map<string, CellGroup>();
    for (let cell = 0; cell < cells.x.length; cell++) {
        const [from, to] = [cells.start[cell]!, cells.start[cell + 1]!];
        const hue = hues[cells.column[cell]!]!;
        const lit = isLit(look, order, from, to);
        const isIndexable = cells.form[cell] === FORM.indexable;
        const colour = isIndexable ? fillOf(palette, look, order, from, to, hue) : null;
        const key = `${lit} ${isIndexable ? hue : ''} ${colour}`;
        let group = groups.get(key);
        if (!group) {
            groups.set(key, (group = { isLit: lit, colour, edge: palette.hue(hue, EDGE_SHARE), cells: [] }));
        }
        group.cells.push(cell);
    }
    return [...groups.values()];
}

function drawCells(
    pen: Pen,
    { facts, layout }: Drawn<DepthLayout>,
    palette: Palette,
    look: MapLook,
    hues: readonly number[],
): void {
    const { cells, pitch, order } = layout;
    const size = pitch - GAP;
    const { top, bottom } = look.window;
    const ink = { colour: palette.ink, wide: 1 };
    const groups = CELL_GROUPS.of(layout, [look.classes, look.entries, look.lit, palette], () =>
        groupsOf(layout, palette, look, hues),
    );
    for (const { isLit, colour, edge, cells: own } of groups) {
        pen.cover(isLit ? 1 : DIMMED);
        for (const cell of own) {
            const [x, y] = [cells.x[cell]!, cells.y[cell]!];
            if (y >= bottom || y + size <= top) continue;
            if (colour === null) drawStopped(x, y, cell);
            else if (pitch < OUTLINED_PITCH) pen.fill(x, y, size, size, colour);
            else pen.fill(x, y, size, size, edge);
        }
        // One rectangle in another: strokes take several times as long.
        if (colour === null || pitch < OUTLINED_PITCH) continue;
        for (const cell of own) {
            const [x, y] = [cells.x[cell]!, cells.y[cell]!];
            if (y < bottom && y + size > top) pen.fill(x + 1, y + 1, size - 2, size - 2, colour);
        }
    }
    pen.cover(1);

    function drawStopped(x: number, y: number, cell: number): void {
        const form = cells.form[cell];
        pen.fill(x, y, size, size, palette.paper);
        if (form === FORM.unreached) pen.hatch(x, y, size, size, palette.ink, 3);
        pen.outline(x, y, size, size, ink);
        const gate = gateAt(facts.gate[order[cells.start[cell]!]!]!);
        if (form === FORM.stopped && gate && pitch >= GLYPH_PITCH) {
            pen.glyph(GATE_GLYPHS[gate], x + 1, y + 1, size - 2, palette.ink);
        }
    }
}

/** A frame around the pages of each island, where each of them has a cell. */
function drawIslands(
    pen: Pen,
    { facts, layout: { cells, order, pitch, perCell } }: Drawn<DepthLayout>,
    palette: Palette,
): void {
    if (perCell > 1) return;
    const islandOf = (cell: number): number =>
        cells.form[cell] === FORM.unreached ? facts.island[order[cells.start[cell]!]!]! : -1;
    for (let from = 0; from < cells.x.length; from++) {
        const island = islandOf(from);
        if (island < 0) continue;
        let to = from + 1;
        const isBeside = (cell: number): boolean => islandOf(cell) === island && cells.y[cell] === cells.y[from];
        while (to < cells.x.length && isBeside(to)) to++;
        const wide = cells.x[to - 1]! - cells.x[from]! + pitch - GAP;
        pen.outline(cells.x[from]! - 2, cells.y[from]! - 2, wide + 4, pitch - GAP + 4, {
            colour: palette.ink,
            wide: 1.5,
        });
        from = to - 1;
    }
}

/** A page that holds many: filled so far as what it holds is of its section, with its name and that number. */
function drawBar(
    pen: Pen,
    { facts, layout: { pitch } }: Drawn<DepthLayout>,
    palette: Palette,
    look: MapLook,
    { node, x, y, width, height, share, isStart }: MapBar,
    hue: number,
): void {
    const of = (part: number): string => (isStart ? palette.inked(part) : palette.hue(hue, part));
    pen.fill(x, y, width, height, palette.paper);
    pen.fill(x, y, width * share, height, of(0.28));
    const head = Math.min(pitch, width, 8);
    pen.fill(x, y, head, height, isStart ? of(0.95) : fillOf(palette, look, [node], 0, 1, hue));
    pen.outline(x, y, head, height, { colour: of(0.95), wide: 1 });
    pen.outline(x, y, width, height, { colour: of(0.8), wide: 1 });
    if (pitch < NAMED_PITCH) return;
    const number = count(facts.load[node]!);
    const own = pen.widthOf(number, 'bold');
    if (own + 16 > width) return;
    const middle = y + height / 2 + 0.5;
    pen.text(number, x + width - own - 4, middle, palette.ink, 'bold');
    const name = cutTo(pen, look.nameOf(node), width - own - 24);
    if (name !== null) pen.text(name, x + 12, middle, palette.ink);
}

function drawUnread(pen: Pen, { x, y, width, height, urls }: MapUnread, palette: Palette): void {
    pen.hatch(x, y, width, height, palette.inked(0.3), 5);
    pen.outline(x, y, width, height, { colour: palette.edge, wide: 1, dash: [3, 3] });
    const number = count(urls);
    const words = pen.widthOf(`${number} not read`) + 16 > width ? number : `${number} not read`;
    pen.fill(x + 4, y + 8, Math.min(width - 8, pen.widthOf(words) + 8), 14, palette.paper);
    pen.text(words, x + 8, y + 15, palette.ink);
}
