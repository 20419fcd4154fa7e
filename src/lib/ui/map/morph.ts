/** Pages on their way from one arrangement of the map to another, so that the eye keeps the one it was on. */
import type { MapPlaces } from './map-place.ts';
import { fillOf, hueOfSection, type MapLook, type Palette } from './map-look.ts';
import type { Pen } from './pen.ts';
import { FORM, type MapFacts } from '../../core/map/map-facts.ts';

/** Pages that are seen to move: of more every so many-th, or a frame would take too long. */
const MOST_MOVING = 5_000;
export const MOVING_TIME = 420;

export interface Moves {
    nodes: Uint32Array;
    /** x, y, width and height of each before, then after: eight numbers a page. */
    places: Float32Array;
}

/** Pages that are drawn in both. */
export function movesBetween(before: MapPlaces, after: MapPlaces, facts: MapFacts): Moves {
    const pages: number[] = [];
    for (let node = 0; node < facts.count; node++) if (facts.form[node]! <= FORM.unreached) pages.push(node);
    const step = Math.max(1, Math.ceil(pages.length / MOST_MOVING));
    const nodes: number[] = [];
    const places: number[] = [];
    for (let at = 0; at < pages.length; at += step) {
        const [a, b] = [before.of(pages[at]!), after.of(pages[at]!)];
        if (!a || !b) continue;
        nodes.push(pages[at]!);
        for (const { x, y, width, height } of [a, b]) places.push(x, y, Math.min(width, 40), Math.min(height, 20));
    }
    return { nodes: Uint32Array.from(nodes), places: Float32Array.from(places) };
}

/** @param share of the way that they have gone, from 0 to 1 */
export function drawMoves(
    pen: Pen,
    { nodes, places }: Moves,
    share: number,
    facts: MapFacts,
    palette: Palette,
    look: MapLook,
): void {
    // Fast in the middle, slow at both ends.
    const gone = share * share * (3 - 2 * share);
    nodes.forEach((node, at) => {
        const part = (of: number): number => {
            const from = places[8 * at + of]!;
            return from + (places[8 * at + 4 + of]! - from) * gone;
        };
        const hue = hueOfSection(facts.section[node]!);
        const [x, y, width, height] = [part(0), part(1), Math.max(1, part(2) - 1), Math.max(1, part(3) - 1)];
        if (facts.form[node] === FORM.indexable)
            pen.fill(x, y, width, height, fillOf(palette, look, nodes, at, at + 1, hue));
        else pen.outline(x, y, width, height, { colour: palette.ink, wide: 1 });
    });
}
