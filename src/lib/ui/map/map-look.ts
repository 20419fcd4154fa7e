/** How pages look on the map: the hue of their section in the lightness of what is shaded by. */
import { NO_CLASS } from '../../core/sets/classes.ts';
import { css, mixed, type MapColours } from './map-colours.ts';
import type { Window } from './pen.ts';

export interface LookEntry {
    /** Step of lightness, from 0; negative where nothing is known. */
    tone: number;
    isMarked: boolean;
}

export interface MapLook {
    /** Number of the entry of each node, `NO_CLASS` for none; null where all look alike. */
    classes: Uint8Array | null;
    entries: readonly LookEntry[];
    /** 1 for each node of the current set; null where all are. */
    lit: Uint8Array | null;
    nameOf: (node: number) => string;
    window: Window;
}

/** Shares of the hue, the lightest first. */
export const SHARES = [0.24, 0.42, 0.62, 0.82, 1] as const;
const SHARE_OF_NONE = 0.1;
const SHARE_OF_ALL = 0.82;
export const DIMMED = 0.25;

/** Colours as they are written, each made once. */
export class Palette {
    readonly colours: MapColours;
    readonly #made = new Map<number, string>();
    readonly paper: string;
    readonly ink: string;
    readonly edge: string;
    readonly mark: string;

    constructor(colours: MapColours) {
        this.colours = colours;
        this.paper = css(colours.paper);
        this.ink = css(colours.ink);
        this.edge = css(colours.edge);
        this.mark = css(colours.mark);
    }

    /** Ink over paper. */
    inked(share: number): string {
        return this.#of(-1, share);
    }

    /** The hue of a section over paper. @param hue place among the hues */
    hue(hue: number, share: number): string {
        return this.#of(hue, share);
    }

    #of(hue: number, share: number): string {
        const key = (hue + 1) * 1_000 + Math.round(share * 100);
        let made = this.#made.get(key);
        if (made === undefined) {
            const { hues, ink, paper } = this.colours;
            made = css(mixed(hue < 0 ? ink : hues[Math.min(hue, hues.length - 1)]!, paper, share));
            this.#made.set(key, made);
        }
        return made;
    }
}

/** Colour of pages that are drawn as one: that of the marked among them, else of the one in the middle. */
export function fillOf(
    palette: Palette,
    { classes, entries }: MapLook,
    nodes: ArrayLike<number>,
    from: number,
    to: number,
    hue: number,
): string {
    if (classes === null) return palette.hue(hue, SHARE_OF_ALL);
    let own = classes[nodes[(from + to - 1) >> 1]!]!;
    for (let at = from; at < to && !entries[own]?.isMarked; at++) {
        const other = classes[nodes[at]!]!;
        if (entries[other]?.isMarked) own = other;
    }
    return shadeOf(palette, own === NO_CLASS ? undefined : entries[own], hue);
}

/**
 * What is made of a layout and of how its pages look, kept until either is another: a picture is drawn again and again
 * while it is moved, and what goes through all pages need not be.
 */
export class MadeOfLook<L extends object, T> {
    readonly #known = new WeakMap<L, { by: readonly unknown[]; made: T }>();

    /** @param by what it goes by beside the layout, each compared as it is */
    of(layout: L, by: readonly unknown[], make: () => T): T {
        const known = this.#known.get(layout);
        if (known?.by.every((item, at) => item === by[at])) return known.made;
        const made = make();
        this.#known.set(layout, { by, made });
        return made;
    }
}

/** Colour of an entry of the legend in a section; that of what nothing is known of for none. */
export function shadeOf(palette: Palette, entry: LookEntry | undefined, hue: number): string {
    if (!entry || entry.tone < 0) return palette.hue(hue, SHARE_OF_NONE);
    return entry.isMarked ? palette.mark : palette.hue(hue, SHARES[entry.tone] ?? SHARE_OF_ALL);
}

export function isLit({ lit }: MapLook, nodes: ArrayLike<number>, from: number, to: number): boolean {
    if (lit === null) return true;
    for (let at = from; at < to; at++) if (lit[nodes[at]!] === 1) return true;
    return false;
}

/** Place among the hues of a section; the last for those without one. */
export const hueOfSection = (section: number): number => (section < 8 ? section : 8);
