/** The map as a picture to keep: with its title, scale, heads and legend, as points or as vectors. */
import type { MapAnswer } from '../../workers/map-answers.ts';
import type { ShadeEntry } from '../../core/map/shading.ts';
import { count } from '../parts/format.ts';
import { penOn } from './canvas-pen.ts';
import { hueAt } from './draw-depth.ts';
import { columnName, depthName } from './map-sets.ts';
import { SHARES, type MapLook, type Palette } from './map-look.ts';
import type { MapScene } from './map-scene.ts';
import { cutTo, type Pen } from './pen.ts';
import { SvgPen } from './svg-pen.ts';

export interface MapSheet {
    /** The site, and which survey of it. */
    title: string;
    map: MapAnswer;
    scene: MapScene;
    palette: Palette;
    look: Omit<MapLook, 'window'>;
    shading: { name: string; entries: readonly (ShadeEntry & { pages: number })[] };
}

const MARGIN = 16;
const SCALE = 52;
const SUMS = 70;
const TITLE = 28;
const HEADS = 22;
const LEGEND = 34;
/** More cells than this are no file that anything opens well. */
export const MOST_VECTOR_PAGES = 20_000;
/** Points of the picture of points, for one of the screen. */
const SHARP = 2;
const MOST_POINTS = 60_000_000;

const sizeOf = ({ scene }: MapSheet): { width: number; height: number } => ({
    width: scene.width + SCALE + SUMS + 2 * MARGIN,
    height: scene.height + TITLE + HEADS + LEGEND + 2 * MARGIN,
});

/** @throws Error where the browser has nothing to draw on */
export async function mapPng(sheet: MapSheet): Promise<Blob> {
    const size = sizeOf(sheet);
    const points = Math.min(SHARP, Math.sqrt(MOST_POINTS / (size.width * size.height)));
    const canvas = new OffscreenCanvas(1, 1);
    const on = penOn(canvas, size, points);
    if (!on) throw new Error('no canvas');
    drawSheet(on.pen, sheet);
    return canvas.convertToBlob({ type: 'image/png' });
}

/** @throws Error where the browser has nothing to measure words on */
export function mapSvg(sheet: MapSheet): Blob {
    const { width, height } = sizeOf(sheet);
    const measure = penOn(new OffscreenCanvas(1, 1), { width: 1, height: 1 }, 1);
    if (!measure) throw new Error('no canvas');
    const pen = new SvgPen(width, height, (words, weight) => measure.pen.widthOf(words, weight));
    drawSheet(pen, sheet);
    return new Blob([pen.file(sheet.title)], { type: 'image/svg+xml' });
}

function drawSheet(pen: Pen, sheet: MapSheet): void {
    const { title, map, scene, palette, look } = sheet;
    const { width, height } = sizeOf(sheet);
    pen.fill(0, 0, width, height, palette.paper);
    pen.text(title, MARGIN, MARGIN + 8, palette.ink, 'bold');
    const top = MARGIN + TITLE + HEADS;
    if (map.by === 'depth') {
        map.layout.columns.forEach((column, at) => {
            const x = MARGIN + SCALE + column.x;
            pen.fill(x, top - HEADS + 2, 10, 10, palette.hue(hueAt(map.facts, map.layout, at), 1));
            const name = cutTo(pen, `${columnName(column)}  ${count(column.pages)}`, column.width - 14);
            pen.text(name ?? count(column.pages), x + 14, top - HEADS + 7, palette.ink);
        });
    }
    for (const { y, height: high, say, pages } of rungsOf(map)) {
        pen.fill(MARGIN + 40, top + y, 5, high - 1, say === '' ? palette.paper : palette.inked(0.5));
        pen.text(say, MARGIN + 12, top + y + 8, palette.ink);
        pen.text(count(pages), MARGIN + SCALE + scene.width + 12, top + y + 8, palette.ink);
    }
    pen.moved(MARGIN + SCALE, top, () =>
        scene.draw(pen, palette, { ...look, window: { left: 0, top: 0, right: scene.width, bottom: scene.height } }),
    );
    drawLegend(pen, sheet, top + scene.height + 20);
}

function rungsOf(map: MapAnswer): { y: number; height: number; say: string; pages: number }[] {
    return map.by === 'depth'
        ? map.layout.bands.map((band) => ({ y: band.y, height: band.height, say: depthName(band), pages: band.pages }))
        : map.layout.levels.map(({ y, height, pages }, level) => ({ y, height, say: String(level), pages }));
}

function drawLegend(pen: Pen, { palette, shading, map }: MapSheet, y: number): void {
    let x = MARGIN + SCALE;
    const say = (words: string, draw?: (x: number) => void): void => {
        draw?.(x);
        if (draw) x += 15;
        pen.text(words, x, y, palette.ink);
        x += pen.widthOf(words) + 14;
    };
    say(`shade: ${shading.name}`);
    for (const { say: name, pages, tone, isMarked } of shading.entries) {
        const colour = isMarked ? palette.mark : palette.inked(tone < 0 ? 0.06 : (SHARES[tone] ?? 1) * 0.8);
        say(`${name} ${count(pages)}`, (at) => {
            pen.fill(at, y - 5, 11, 11, colour);
            pen.outline(at, y - 5, 11, 11, { colour: palette.edge, wide: 1 });
        });
    }
    const perCell = map.by === 'depth' ? map.layout.perCell : (map.layout.loose?.perCell ?? 1);
    if (perCell > 1) say(`one cell, up to ${count(perCell)} pages`);
}
