/** What lies over the map: the way to the open page, what is pointed at, and what is dragged over. */
import type { Palette } from './map-look.ts';
import type { MapPlace } from './map-place.ts';
import type { Pen, Point } from './pen.ts';

export interface MapOver {
    /** Places from the start page to the one whose sheet is open; of a very long way its two ends. */
    way: readonly (readonly MapPlace[])[];
    chosen: MapPlace | null;
    at: MapPlace | null;
    /** Corners of what is dragged over. */
    drag: readonly Point[];
    /** The way runs in the gutter left of each column, or down the left edges of boxes. */
    runs: 'in gutters' | 'in boxes';
}

/** From the edge of a cell to the line of a way. */
const GUTTER = 5;

export function drawOver(pen: Pen, palette: Palette, { way, chosen, at, drag, runs }: MapOver): void {
    for (const run of way) if (run.length > 1) drawWay(pen, run, palette, runs);
    if (chosen) ring(pen, chosen, 3, palette);
    if (at) ring(pen, at, 2, palette);
    if (drag.length < 2) return;
    pen.line([...drag, drag[0]!], { colour: palette.mark, wide: 1.5, dash: [4, 3] });
}

function ring(pen: Pen, { x, y, width, height }: MapPlace, wide: number, palette: Palette): void {
    for (const [colour, line] of [
        [palette.paper, wide + 2],
        [palette.mark, wide],
    ] as const) {
        // Around the page, so that none of it is covered.
        const out = 2 + line / 2;
        pen.outline(x - out, y - out, width - 1.2 + 2 * out, height - 1.2 + 2 * out, { colour, wide: line });
    }
}

/** The way to a page, with a knot a step, so that it covers nothing. */
function drawWay(pen: Pen, steps: readonly MapPlace[], palette: Palette, runs: MapOver['runs']): void {
    const points = steps.map(({ x, y, height }) => ({
        x: runs === 'in gutters' ? x - GUTTER : x + 3,
        y: y + Math.min(height, runs === 'in gutters' ? 12 : 56) / 2,
    }));
    const line: Point[] = [];
    points.forEach((point, step) => {
        const before = points[step - 1];
        if (before && runs === 'in gutters') {
            // Across just above the page, then down to it.
            const turn = point.x === before.x ? point.y : point.y - 8;
            line.push({ x: before.x, y: turn }, { x: point.x, y: turn });
        } else if (before) line.push({ x: point.x, y: before.y });
        line.push(point);
    });
    for (const [colour, wide] of [
        [palette.paper, 6],
        [palette.mark, 2.5],
    ] as const) {
        pen.line(line, { colour, wide });
    }
    for (const { x, y } of points) pen.fill(x - 3, y - 3, 6, 6, palette.mark);
}
