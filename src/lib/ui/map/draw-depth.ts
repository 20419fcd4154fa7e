/** Draws the map by depth. What is drawn is told by its layout alone: the same layout, the same picture. */
import type { DepthLayout } from '../../core/map/depth-layout.ts';
import { NAMED_PITCH } from '../../core/map/depth-layout.ts';
import { FORM, gateAt, type MapFacts } from '../../core/map/map-facts.ts';
import { GATE_GLYPHS } from '../parts/gate-glyphs.ts';
import { css, mixed, STEPS, stepOf, type MapColours, type Rgb } from './map-colours.ts';

export const MAP_SHADES = ['standing', 'depth', 'section'] as const;
export type MapShade = (typeof MAP_SHADES)[number];

export interface MapLook {
    shade: MapShade;
    /** 1 for each node of the current set; null where all are. */
    lit: Uint8Array | null;
    /** Letter of a bar: what stands on it. */
    nameOf: (node: number) => string;
}

const GAP = 1.2;
/** From this pitch on a cell has an outline. */
const OUTLINED_PITCH = 8;
/** From this pitch on what is stopped bears the glyph of its gate. */
const GLYPH_PITCH = 9;
const DIMMED = 0.3;
const GROUND = 0.1;

export function drawDepth(
    brush: CanvasRenderingContext2D,
    { facts, layout }: { facts: MapFacts; layout: DepthLayout },
    colours: MapColours,
    look: MapLook,
): void {
    const { cells, columns, bands, bars, unread, pitch, order } = layout;
    const hue = (column: number): Rgb => colours.hues[hueAt(facts, layout, column)]!;
    drawGround(brush, layout, colours);
    const size = pitch - GAP;
    const isLit = (from: number, to: number): boolean => {
        if (look.lit === null) return true;
        for (let at = from; at < to; at++) if (look.lit[order[at]!] === 1) return true;
        return false;
    };
    const deepest = Math.max(1, ...bands.map(({ to }) => to));
    for (let cell = 0; cell < cells.x.length; cell++) {
        const [x, y, form] = [cells.x[cell]!, cells.y[cell]!, cells.form[cell]!];
        const [from, to] = [cells.start[cell]!, cells.start[cell + 1]!];
        const own = hue(cells.column[cell]!);
        brush.globalAlpha = isLit(from, to) ? 1 : DIMMED;
        const colour = mixed(own, colours.paper, shareOf(facts, order, from, to, look.shade, deepest));
        if (form === FORM.indexable) {
            brush.fillStyle = css(colour);
            brush.fillRect(x, y, size, size);
            if (pitch >= OUTLINED_PITCH) outline(brush, x, y, size, size, css(mixed(own, colours.paper, 0.75)));
        } else if (form === FORM.unreached) {
            brush.fillStyle = css(colours.paper);
            brush.fillRect(x, y, size, size);
            hatch(brush, x, y, size, size, css(colours.ink), 3);
            outline(brush, x, y, size, size, css(colours.ink));
        } else {
            brush.fillStyle = css(colours.paper);
            brush.fillRect(x, y, size, size);
            outline(brush, x, y, size, size, css(colours.ink));
            if (pitch >= GLYPH_PITCH) glyph(brush, facts.gate[order[from]!]!, x, y, size, css(colours.ink));
        }
    }
    brush.globalAlpha = 1;
    for (const held of bars) {
        const own = held.isStart ? colours.ink : hue(held.column);
        brush.globalAlpha = look.lit === null || look.lit[held.node] === 1 ? 1 : DIMMED;
        const { x, y, width, height } = held;
        brush.fillStyle = css(colours.paper);
        brush.fillRect(x, y, width, height);
        brush.fillStyle = css(mixed(own, colours.paper, 0.28));
        brush.fillRect(x, y, width * held.share, height);
        const head = Math.min(pitch, width);
        brush.fillStyle = css(mixed(own, colours.paper, 0.95));
        brush.fillRect(x, y, Math.min(head, 8), height);
        outline(brush, x, y, width, height, css(mixed(own, colours.paper, 0.8)));
        if (pitch >= NAMED_PITCH) label(brush, held, look.nameOf(held.node), facts.load[held.node]!, css(colours.ink));
    }
    brush.globalAlpha = 1;
    for (const { x, y, width, height, urls } of unread) {
        hatch(brush, x, y, width, height, css(mixed(colours.ink, colours.paper, 0.3)), 5);
        brush.setLineDash([3, 3]);
        outline(brush, x, y, width, height, css(colours.edge));
        brush.setLineDash([]);
        const number = urls.toLocaleString('en');
        brush.font = '11px sans-serif';
        const words = brush.measureText(`${number} not read`).width + 16 > width ? number : `${number} not read`;
        const wide = Math.min(width - 8, brush.measureText(words).width + 8);
        brush.fillStyle = css(colours.paper);
        brush.fillRect(x + 4, y + 8, wide, 14);
        brush.fillStyle = css(colours.ink);
        brush.fillText(words, x + 8, y + 19, width - 12);
    }
    // Heads of columns: a line in their hue.
    columns.forEach(({ x, width }, column) => {
        brush.fillStyle = css(hue(column));
        brush.fillRect(x, 0, width, 2);
    });
}

/** Place among the hues of a column; the last for those together, and for sections without one. */
export function hueAt(facts: MapFacts, { columns }: DepthLayout, column: number): number {
    const { section } = columns[column]!;
    const place = section === null ? -1 : facts.sections.indexOf(section);
    return place >= 0 && place < 8 ? place : 8;
}

function drawGround(brush: CanvasRenderingContext2D, { bands, width }: DepthLayout, colours: MapColours): void {
    const reached = bands.filter(({ from }) => from >= 0);
    const ground = colours.isDark ? 0.12 : GROUND;
    reached.forEach(({ y, height }, band) => {
        const share = reached.length < 2 ? 0 : band / (reached.length - 1);
        brush.fillStyle = css(
            mixed(mixed(colours.mark, colours.ink, 1 - 0.5 * share), colours.paper, ground * (0.4 + share)),
        );
        brush.fillRect(0, y, width, height);
        brush.fillStyle = css(mixed(colours.edge, colours.paper, 0.3));
        brush.fillRect(0, y + height - 0.5, width, 0.5);
    });
}

function shareOf(
    { standing, depth }: MapFacts,
    order: Uint32Array,
    from: number,
    to: number,
    shade: MapShade,
    deepest: number,
): number {
    if (shade === 'section') return STEPS[3];
    const middle = order[(from + to - 1) >> 1]!;
    if (shade === 'depth') return 0.25 + 0.75 * Math.min(1, Math.max(0, depth[middle]!) / deepest);
    return STEPS[stepOf(standing[middle]!)]!;
}

function outline(brush: CanvasRenderingContext2D, x: number, y: number, width: number, height: number, colour: string) {
    brush.strokeStyle = colour;
    brush.lineWidth = 1;
    brush.strokeRect(x + 0.5, y + 0.5, Math.max(0, width - 1), Math.max(0, height - 1));
}

/** The glyph of a gate, drawn on twelve units, in a cell. */
function glyph(
    brush: CanvasRenderingContext2D,
    code: number,
    x: number,
    y: number,
    size: number,
    colour: string,
): void {
    const gate = gateAt(code);
    if (!gate) return;
    brush.save();
    brush.translate(x + 1, y + 1);
    brush.scale((size - 2) / 12, (size - 2) / 12);
    brush.strokeStyle = colour;
    brush.lineWidth = 1.8;
    brush.stroke(new Path2D(GATE_GLYPHS[gate]));
    brush.restore();
}

function hatch(
    brush: CanvasRenderingContext2D,
    x: number,
    y: number,
    width: number,
    height: number,
    colour: string,
    step: number,
): void {
    brush.save();
    brush.beginPath();
    brush.rect(x, y, width, height);
    brush.clip();
    brush.strokeStyle = colour;
    brush.lineWidth = 0.9;
    brush.beginPath();
    for (let at = x - height; at < x + width; at += step) {
        brush.moveTo(at, y + height);
        brush.lineTo(at + height, y);
    }
    brush.stroke();
    brush.restore();
}

/** The name of a bar, cut where it does not fit, and its number; of four letters or fewer only the number. */
function label(
    brush: CanvasRenderingContext2D,
    { x, y, width, height }: { x: number; y: number; width: number; height: number },
    name: string,
    load: number,
    colour: string,
): void {
    brush.fillStyle = colour;
    brush.textBaseline = 'middle';
    const number = load.toLocaleString('en');
    brush.font = '600 11px sans-serif';
    const own = brush.measureText(number).width;
    const middle = y + height / 2 + 0.5;
    if (own + 16 > width) return;
    brush.fillText(number, x + width - own - 4, middle);
    brush.font = '11px sans-serif';
    const room = width - own - 24;
    let cut = name;
    if (brush.measureText(cut).width > room) {
        while (cut.length > 0 && brush.measureText(`${cut}…`).width > room) cut = cut.slice(0, -1);
        if (cut.length <= 4) return;
        cut = `${cut}…`;
    }
    brush.fillText(cut, x + 12, middle);
    brush.textBaseline = 'alphabetic';
}
