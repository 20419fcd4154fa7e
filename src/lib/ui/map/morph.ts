/** Pages on their way from one arrangement of the map to another, so that the eye keeps the one it was on. */
import type { MapPlaces } from './map-place.ts';
import { fillOf, hueOfSection, MadeOfLook, type MapLook, type Palette } from './map-look.ts';
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

/** Pages that are filled with one colour; null for those that are drawn by their outline. */
type Coloured = Map<string | null, number[]>;
const BY_COLOUR = new MadeOfLook<Moves, Coloured>();

function byColour({ nodes }: Moves, { form, section }: MapFacts, palette: Palette, look: MapLook): Coloured {
    const groups: Coloured = new Map();
    nodes.forEach((node, at) => {
        const isFilled = form[node] === FORM.indexable;
        const hue = hueOfSection(section[node]!);
        const colour = isFilled ? fillOf(palette, look, nodes, at, at + 1, hue) : null;
        const own = groups.get(colour);
        if (own) own.push(at);
        else groups.set(colour, [at]);
    });
    return groups;
}

/** @param share of the way that they have gone, from 0 to 1 */
export function drawMoves(
    pen: Pen,
    moves: Moves,
    share: number,
    facts: MapFacts,
    palette: Palette,
    look: MapLook,
): void {
    const { places } = moves;
    // Fast in the middle, slow at both ends.
    const gone = share * share * (3 - 2 * share);
    const groups = BY_COLOUR.of(moves, [look.classes, look.entries, palette], () =>
        byColour(moves, facts, palette, look),
    );
    const part = (first: number): number => places[first]! + (places[first + 4]! - places[first]!) * gone;
    const ink = { colour: palette.ink, wide: 1 };
    for (const [colour, own] of groups) {
        for (const at of own) {
            const [x, y] = [part(8 * at), part(8 * at + 1)];
            const width = Math.max(1, part(8 * at + 2) - 1);
            const height = Math.max(1, part(8 * at + 3) - 1);
            if (colour === null) pen.outline(x, y, width, height, ink);
            else pen.fill(x, y, width, height, colour);
        }
    }
}
