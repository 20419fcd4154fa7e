/** What `bench map` runs in the browser: the map of made pages laid out and drawn, again and again. */
import { depthLayout } from '../src/lib/core/map/depth-layout.ts';
import type { MapFacts } from '../src/lib/core/map/map-facts.ts';
import type { MapTree } from '../src/lib/core/map/map-tree.ts';
import { treeLayout } from '../src/lib/core/map/tree-layout.ts';
import { penOn } from '../src/lib/ui/map/canvas-pen.ts';
import { drawOver } from '../src/lib/ui/map/draw-over.ts';
import { Palette, type MapLook } from '../src/lib/ui/map/map-look.ts';
import { drawMoves, movesBetween, type Moves } from '../src/lib/ui/map/morph.ts';
import { sceneOf, type MapScene } from '../src/lib/ui/map/map-scene.ts';

export interface FrameTimes {
    what: string;
    marks: number;
    /** Milliseconds, the middle of the runs. */
    layout: number;
    frame: number;
    /** The same canvas filled once, and each mark's place filled in one colour. */
    bare: number;
    filled: number;
    /** A frame of the way from the map by depth to this one, and the places in it filled in one colour. */
    way: number;
    wayFilled: number;
    /** What lies above drawn anew for another place under the pointer. */
    hover: number;
}

const RUNS = 41;
const WIDTH = 1_000;
const HEIGHT = 520;

/** Pages of a made site: a tree of five sections, some held by pages of a list, as many as are asked for. */
export function madeFacts(count: number): { facts: MapFacts; parent: Int32Array } {
    const parent = new Int32Array(count).fill(-1);
    const depth = new Int32Array(count);
    const section = new Uint32Array(count);
    for (let node = 1; node < count; node++) {
        // Each page has some dozen below it, every hundredth a chain: as deep as real sites are.
        parent[node] = node % 100 === 0 ? node - 1 : Math.floor((node - 1) / 12);
        depth[node] = depth[parent[node]!]! + 1;
        section[node] = node <= 12 ? node % 9 : section[parent[node]!]!;
    }
    const load = new Uint32Array(count);
    for (let node = count - 1; node > 0; node--) load[parent[node]!]! += load[node]! + 1;
    const facts: MapFacts = {
        count,
        form: Uint8Array.from({ length: count }, (_, node) => (node % 97 === 1 ? 1 : node % 211 === 2 ? 2 : 0)),
        depth,
        section,
        sections: Array.from({ length: 9 }, (_, number) => `section-${number}`),
        standing: Float64Array.from({ length: count }, (_, node) => ((node * 7_919) % 1_000) / 100),
        load,
        gate: new Uint8Array(count).fill(5),
        island: new Int32Array(count).fill(-1),
        apart: new Uint8Array(count),
    };
    for (let node = 0; node < count; node++) if (facts.form[node] === 2) depth[node] = -1;
    return { facts, parent };
}

const middle = (values: number[]): number => values.sort((a, b) => a - b)[values.length >> 1]!;

function timed(run: () => void): number {
    const begun = performance.now();
    run();
    return performance.now() - begun;
}

export function frameTimes(count: number): FrameTimes[] {
    const { facts, parent } = madeFacts(count);
    const tree: MapTree = {
        parent,
        node: Int32Array.from({ length: count }, (_, node) => (facts.form[node] === 2 ? -1 : node)),
        nameOf: (item) => `page-${item}/`,
        keyOf: (item) => `https://made.example/page-${item}/`,
    };
    const size = { width: WIDTH, height: HEIGHT, nameWidth: () => 90 };
    const pictures: { what: string; lay: () => MapScene }[] = [
        { what: 'by depth, whole', lay: () => sceneOf({ by: 'depth', facts, layout: depthLayout(facts, size) }) },
        {
            what: 'by depth, eight times as high',
            lay: () => sceneOf({ by: 'depth', facts, layout: depthLayout(facts, { ...size, height: 8 * HEIGHT }) }),
        },
        { what: 'by branch', lay: () => sceneOf({ by: 'branch', facts, layout: treeLayout(tree, facts, size, null) }) },
    ];
    return pictures.map(({ what, lay }) => ({ what, ...timesOf(lay, pictures[0]!.lay(), facts) }));
}

interface Box {
    x: number;
    y: number;
    width: number;
    height: number;
}

function fillAll(brush: CanvasRenderingContext2D, boxes: readonly Box[]): void {
    brush.fillStyle = 'rgb(1 2 3)';
    for (const { x, y, width, height } of boxes) brush.fillRect(x, y, width - 1, height - 1);
}

/** Where pages are on their way. */
function placesOn({ nodes, places }: Moves, share: number): Box[] {
    const part = (of: number): number => places[of]! + (places[of + 4]! - places[of]!) * share;
    return Array.from(nodes, (_, at) => ({
        x: part(8 * at),
        y: part(8 * at + 1),
        width: Math.max(2, part(8 * at + 2)),
        height: Math.max(2, part(8 * at + 3)),
    }));
}

function timesOf(lay: () => MapScene, before: MapScene, facts: MapFacts): Omit<FrameTimes, 'what'> {
    const grey = (value: number): [number, number, number] => [value, value, value];
    const palette = new Palette({
        paper: grey(250),
        ink: grey(30),
        faint: grey(120),
        edge: grey(140),
        mark: [30, 70, 140],
        hues: Array.from({ length: 9 }, (_, hue) => [40 + 20 * hue, 90, 200 - 15 * hue] as const),
        isDark: false,
    });
    let scene = lay();
    const layout = middle(Array.from({ length: 5 }, () => timed(() => (scene = lay()))));
    const window = { left: 0, top: 0, right: WIDTH, bottom: Math.min(scene.height, 2_400) };
    const canvas = document.createElement('canvas');
    const shown = { width: WIDTH, height: window.bottom };
    const look: MapLook = {
        classes: Uint8Array.from(facts.standing, (value) => Math.min(4, Math.floor(value / 2))),
        entries: Array.from({ length: 5 }, (_, tone) => ({ tone, isMarked: false })),
        lit: null,
        nameOf: () => 'a page of this name/',
        window,
    };
    /** With one point read back, so that all of it has been drawn. */
    const drawn = (draw: (on: NonNullable<ReturnType<typeof penOn>>) => void): number => {
        const on = penOn(canvas, shown, 1)!;
        return timed(() => {
            draw(on);
            on.brush.getImageData(0, 0, 1, 1);
        });
    };
    const bare = middle(
        Array.from({ length: RUNS }, () => drawn(({ pen }) => pen.fill(0, 0, WIDTH, window.bottom, 'rgb(1 2 3)'))),
    );
    const places = new Map<string, { x: number; y: number; width: number; height: number }>();
    for (let node = 0; node < facts.count; node++) {
        const place = scene.places.of(node);
        if (place && place.y < window.bottom) places.set(`${place.x} ${place.y}`, place);
    }
    const all = [...places.values()];
    // In turns, for the machine is now faster, now slower.
    const [frames, fills, moving, moved]: number[][] = [[], [], [], []];
    const moves = movesBetween(before.places, scene.places, facts);
    for (let run = 0; run < RUNS; run++) {
        const share = (run + 0.5) / RUNS;
        frames!.push(drawn(({ pen }) => scene.draw(pen, palette, look)));
        fills!.push(drawn(({ brush }) => fillAll(brush, all)));
        moving!.push(drawn(({ pen }) => drawMoves(pen, moves, share, facts, palette, look)));
        moved!.push(drawn(({ brush }) => fillAll(brush, placesOn(moves, share))));
    }
    let at = 0;
    const hover = middle(
        Array.from({ length: RUNS }, () =>
            drawn(({ pen }) => {
                const point = all[(at += 7) % all.length]!;
                const place = scene.places.at(point.x + 1, point.y + 1);
                drawOver(pen, palette, { way: [], chosen: null, at: place, drag: [], runs: 'in gutters' });
            }),
        ),
    );
    return {
        marks: all.length,
        layout,
        frame: middle(frames!),
        bare,
        filled: middle(fills!),
        way: middle(moving!),
        wayFilled: middle(moved!),
        hover,
    };
}

Object.assign(globalThis, { frameTimes });
