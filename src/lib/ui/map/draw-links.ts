/** Links over the map: those of one page, those of a set, and from section to section as ribbons. */
import type { MapBundle, SetLinks, ColumnFlow } from '../../core/map/map-links.ts';
import type { MapColumn } from '../../core/map/depth-layout.ts';
import { counted } from '../parts/format.ts';
import type { Palette } from './map-look.ts';
import type { MapPlace, MapPlaces } from './map-place.ts';
import type { Pen, Point, TextWeight } from './pen.ts';

/** Of a template that more pages have, links are one trunk. */
const MOST_SINGLE = 8;
/** Links of the pages' own, beyond which no eye follows one. */
const MOST_BOWS = 300;
const MOST_RIBBONS = 14;
const WIDEST = 16;

const middle = ({ x, y, width, height }: MapPlace): Point => ({ x: x + Math.min(width, 14) / 2, y: y + height / 2 });

/** Links of a page: to it as lines, from it dashed; those of a template on many pages as a trunk with its number. */
export function drawPageLinks(
    pen: Pen,
    palette: Palette,
    places: MapPlaces,
    page: MapPlace,
    bundles: readonly MapBundle[],
): void {
    const here = middle(page);
    /** Written last, so that no later trunk covers one. */
    const told: { words: string; at: Point }[] = [];
    for (const { direction, nodes, template, region } of bundles) {
        const dash = direction === 'out' ? { dash: [5, 3] } : {};
        const found = placesOf(places, nodes);
        if (template === null || found.length <= MOST_SINGLE) {
            for (const place of found.slice(0, MOST_BOWS)) {
                const there = middle(place);
                const [from, to] = direction === 'in' ? [there, here] : [here, there];
                pen.bow(from, bentBetween(from, to), to, { colour: palette.mark, wide: 1.2, share: 0.7, ...dash });
            }
            continue;
        }
        // Where most of them are: the one in the middle of their row of places, by height and then across.
        const sorted = [...found].sort((a, b) => a.y - b.y || a.x - b.x);
        const there = middle(sorted[sorted.length >> 1]!);
        for (const { x, y, width, height } of found.slice(0, MOST_BOWS)) {
            pen.outline(x - 1, y - 1, Math.min(width, 30) + 1, height + 1, {
                colour: palette.mark,
                wide: 1,
                share: 0.5,
            });
        }
        const wide = Math.min(8, 2 + Math.log2(found.length) / 2);
        const bent = bentBetween(there, here, 30 + 14 * told.length);
        pen.bow(there, bent, here, { colour: palette.paper, wide: wide + 3 });
        pen.bow(there, bent, here, { colour: palette.mark, wide, share: 0.75, ...dash });
        const words = `${counted(nodes.length, 'page')} ${direction === 'in' ? 'by' : 'in'} ${template === '' ? region : template}`;
        told.push({ words, at: halfway(there, bent, here) });
    }
    const labels = new Labels(pen, palette);
    for (const { words, at } of told) labels.add(words, at, 'plain');
}

/** Where pages are drawn, each place once: some stand for several. */
function placesOf(places: MapPlaces, nodes: Iterable<number>): MapPlace[] {
    const found = new Map<string, MapPlace>();
    for (const node of nodes) {
        const place = places.of(node);
        if (place) found.set(`${place.x} ${place.y}`, place);
    }
    return [...found.values()];
}

/** Bent to the side, more the further it goes, so that lines to and fro lie apart. */
function bentBetween(from: Point, to: Point, least = 12): Point {
    const [dx, dy] = [to.x - from.x, to.y - from.y];
    const far = Math.hypot(dx, dy) || 1;
    const bend = Math.min(90, least + far * 0.15);
    return { x: (from.x + to.x) / 2 - (dy / far) * bend, y: (from.y + to.y) / 2 + (dx / far) * bend };
}

export function drawSetLinks(pen: Pen, palette: Palette, places: MapPlaces, { from, to }: SetLinks): void {
    from.forEach((source, at) => {
        const [a, b] = [places.of(source), places.of(to[at]!)];
        if (!a || !b) return;
        const [start, end] = [middle(a), middle(b)];
        pen.bow(start, bentBetween(start, end), end, { colour: palette.mark, wide: 1, share: 0.45 });
        pen.fill(end.x - 1.5, end.y - 1.5, 3, 3, palette.mark);
    });
}

/**
 * The ribbons from section to section that carry most: as wide as their links, in the hue they come from, in a frame as
 * wide as they would be if the links of each section went everywhere alike.
 */
export function drawRibbons(
    pen: Pen,
    palette: Palette,
    columns: readonly MapColumn[],
    hues: readonly number[],
    { links, expected, columns: count }: ColumnFlow,
    size: { width: number; height: number },
): void {
    const all = Array.from({ length: count * count }, (_, at) => ({ from: Math.floor(at / count), to: at % count, at }))
        .filter(({ from, to, at }) => from !== to && Math.max(links[at]!, expected[at]!) > 0)
        .sort(
            (a, b) => Math.max(links[b.at]!, expected[b.at]!) - Math.max(links[a.at]!, expected[a.at]!) || a.at - b.at,
        )
        .slice(0, MOST_RIBBONS);
    const most = Math.max(1, ...all.map(({ at }) => Math.max(links[at]!, expected[at]!)));
    pen.cover(0.72);
    pen.fill(0, 0, size.width, size.height, palette.paper);
    pen.cover(1);
    const centre = (column: number): number => columns[column]!.x + columns[column]!.width / 2;
    const told: { words: string; at: Point }[] = [];
    for (const { from, to, at } of all) {
        const isRight = to > from;
        // Those that go back lie lower: to and fro never in one place.
        const [a, b] = [centre(from) + (isRight ? 3 : -3), centre(to) + (isRight ? -3 : 3)];
        const span = Math.abs(b - a) / Math.max(1, size.width);
        const deep = Math.min(size.height * 0.9, 50 + span * size.height * 1.3 + (isRight ? 0 : 46));
        const [start, end, towards] = [
            { x: a, y: 3 },
            { x: b, y: 3 },
            { x: (a + b) / 2, y: deep * 1.6 },
        ];
        const wide = (value: number): number => (WIDEST * value) / most;
        if (expected[at]! > 0) {
            pen.bow(start, towards, end, { colour: palette.inked(0.6), wide: wide(expected[at]!) + 2 });
            pen.bow(start, towards, end, { colour: palette.paper, wide: wide(expected[at]!) });
        }
        if (links[at]! > 0) {
            pen.bow(start, towards, end, {
                colour: palette.hue(hues[from]!, 1),
                wide: Math.max(1, wide(links[at]!)),
                share: 0.8,
            });
        }
        const words = `${links[at]!.toLocaleString('en')} ${isRight ? '→' : '←'}`;
        told.push({ words, at: halfway(start, towards, end) });
    }
    const labels = new Labels(pen, palette);
    for (const { words, at } of told) labels.add(words, { x: at.x - pen.widthOf(words, 'bold') / 2, y: at.y }, 'bold');
}

/** The middle of a bow. */
const halfway = (from: Point, towards: Point, to: Point): Point => ({
    x: (from.x + 2 * towards.x + to.x) / 4,
    y: (from.y + 2 * towards.y + to.y) / 4,
});

const LABEL = 15;
const APART = 4;

/** Words over the map that never overlap: what comes later and has no room is left out. */
class Labels {
    readonly #pen: Pen;
    readonly #palette: Palette;
    readonly #taken: { x: number; y: number; wide: number }[] = [];

    constructor(pen: Pen, palette: Palette) {
        this.#pen = pen;
        this.#palette = palette;
    }

    /** @param at the left end of the words, and their middle */
    add(words: string, { x, y }: Point, weight: TextWeight): void {
        const wide = this.#pen.widthOf(words, weight);
        const isTaken = this.#taken.some(
            (own) => Math.abs(own.y - y) < LABEL && x < own.x + own.wide + APART && x + wide + APART > own.x,
        );
        if (isTaken) return;
        this.#taken.push({ x, y, wide });
        this.#pen.fill(x - 2, y - 8, wide + 4, LABEL, this.#palette.paper);
        this.#pen.text(words, x, y, this.#palette.ink, weight);
    }
}
