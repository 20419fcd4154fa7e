/** What lies over the map: the way to the open page, what is pointed at, and what is dragged over. */
import type { MapPlace } from './hit-depth.ts';
import { css, type MapColours } from './map-colours.ts';

export interface MapOver {
    /** Places from the start page to the one whose sheet is open. */
    way: readonly MapPlace[];
    chosen: MapPlace | null;
    at: MapPlace | null;
    drag: { left: number; top: number; right: number; bottom: number } | null;
}

/** From the edge of a cell to the line of a way. */
const GUTTER = 5;

export function drawOver(
    brush: CanvasRenderingContext2D,
    colours: MapColours,
    { way, chosen, at, drag }: MapOver,
): void {
    if (way.length > 1) drawWay(brush, way, colours);
    if (chosen) ring(brush, chosen, 3, colours);
    if (at) ring(brush, at, 2, colours);
    if (!drag) return;
    brush.fillStyle = css(colours.mark);
    brush.globalAlpha = 0.15;
    brush.fillRect(drag.left, drag.top, drag.right - drag.left, drag.bottom - drag.top);
    brush.globalAlpha = 1;
}

function ring(brush: CanvasRenderingContext2D, place: MapPlace, wide: number, colours: MapColours): void {
    for (const [colour, line] of [
        [colours.paper, wide + 2],
        [colours.mark, wide],
    ] as const) {
        brush.strokeStyle = css(colour);
        brush.lineWidth = line;
        brush.strokeRect(place.x - 2, place.y - 2, place.width + 2.8, place.height + 2.8);
    }
}

/** The way to a page: in the gutter left of each column, with a knot a step, so that it covers nothing. */
function drawWay(
    brush: CanvasRenderingContext2D,
    steps: readonly { x: number; y: number; height: number }[],
    colours: MapColours,
): void {
    const points = steps.map(({ x, y, height }) => ({ x: x - GUTTER, y: y + Math.min(height, 12) / 2 }));
    for (const [colour, wide] of [
        [colours.paper, 6],
        [colours.mark, 2.5],
    ] as const) {
        brush.strokeStyle = css(colour);
        brush.lineWidth = wide;
        brush.lineJoin = 'round';
        brush.beginPath();
        points.forEach((point, step) => {
            const before = points[step - 1];
            if (!before) brush.moveTo(point.x, point.y);
            else {
                // Across just above the page, then down to it.
                const turn = point.x === before.x ? point.y : point.y - 8;
                brush.lineTo(before.x, turn);
                brush.lineTo(point.x, turn);
                brush.lineTo(point.x, point.y);
            }
        });
        brush.stroke();
    }
    brush.fillStyle = css(colours.mark);
    for (const { x, y } of points) brush.fillRect(x - 3, y - 3, 6, 6);
}
