/** Draws the two layers of the picture, each when what it shows has changed: pages below, what lies over them above. */
import { onDestroy, untrack } from 'svelte';
import type { MapBundle } from '../../core/map/map-links.ts';
import type { MapAnswer } from '../../workers/map-answers.ts';
import { penOn } from './canvas-pen.ts';
import { drawPageLinks } from './draw-links.ts';
import { drawOver } from './draw-over.ts';
import type { MapLook, Palette } from './map-look.ts';
import type { MapPlace } from './map-place.ts';
import type { MapScene } from './map-scene.ts';
import { pointsFor, type MapView } from './map-view.svelte.ts';
import { drawMoves, movesBetween, MOVING_TIME } from './morph.ts';
import type { Pen, Point } from './pen.ts';

export interface Shown {
    map: MapAnswer;
    scene: MapScene;
    look: Omit<MapLook, 'window'>;
    palette: Palette;
    /** Draws links that go by what the map is of; null for none. */
    under: ((pen: Pen) => void) | null;
    way: readonly (readonly MapPlace[])[];
    chosen: MapPlace | null;
    at: MapPlace | null;
    drag: readonly Point[];
    /** Links of one page, by its node. */
    bundles: { of: number; told: readonly MapBundle[] } | null;
}

export const isStill = (): boolean => matchMedia('(prefers-reduced-motion: reduce)').matches;

export class PictureDrawing {
    canvas = $state<HTMLCanvasElement>();
    over = $state<HTMLCanvasElement>();
    readonly #view: MapView;
    readonly #shown: () => Shown;
    #before: MapScene | null = null;
    #frame = 0;

    /** @param onScene what is done when another picture is drawn */
    constructor(view: MapView, shown: () => Shown, onScene: () => void) {
        this.#view = view;
        this.#shown = shown;
        $effect(() => view.resize(shown().scene));
        $effect(() => {
            const { scene } = shown();
            const before = this.#before;
            this.#before = scene;
            if (before === scene || before === null) return;
            this.#stop();
            untrack(() => {
                onScene();
                if (!isStill()) this.#move(before);
            });
        });
        $effect(() => this.#draw());
        $effect(() => this.#drawAbove());
        onDestroy(() => this.#stop());
    }

    #stop(): void {
        cancelAnimationFrame(this.#frame);
        this.#frame = 0;
    }

    /** A pen whose corner is that of the picture, on an empty layer; null where there is none. */
    #penOn(layer: HTMLCanvasElement | undefined): Pen | null {
        const { left, top, right, bottom } = this.#view.window;
        if (!layer) return null;
        const size = { width: right - left, height: bottom - top };
        const on = penOn(layer, size, pointsFor(size.width, size.height));
        on?.brush.translate(-left, -top);
        return on?.pen ?? null;
    }

    #draw(): void {
        const { scene, palette, look } = this.#shown();
        const { window } = this.#view;
        if (this.#frame !== 0) return;
        const pen = this.#penOn(this.canvas);
        if (pen) scene.draw(pen, palette, { ...look, window });
    }

    #drawAbove(): void {
        const { scene, palette, under, map, way, chosen, at, drag, bundles } = this.#shown();
        const pen = this.#penOn(this.over);
        if (!pen) return;
        under?.(pen);
        const page = at ?? chosen;
        if (bundles && page && bundles.of === page.nodes[0]) {
            drawPageLinks(pen, palette, scene.places, page, bundles.told);
        }
        const runs = map.by === 'depth' ? 'in gutters' : 'in boxes';
        drawOver(pen, palette, { way, chosen, at, drag, runs });
    }

    /** Shows pages on their way from where they were. */
    #move(before: MapScene): void {
        const { scene, map, palette, look } = this.#shown();
        const moves = movesBetween(before.places, scene.places, map.facts);
        const begun = performance.now();
        const frame = (now: number): void => {
            const share = Math.min(1, Math.max(0, now - begun) / MOVING_TIME);
            if (share >= 1) {
                this.#frame = 0;
                return this.#draw();
            }
            const pen = this.#penOn(this.canvas);
            if (pen) drawMoves(pen, moves, share, map.facts, palette, { ...look, window: this.#view.window });
            this.#frame = requestAnimationFrame(frame);
        };
        this.#frame = requestAnimationFrame(frame);
    }
}
