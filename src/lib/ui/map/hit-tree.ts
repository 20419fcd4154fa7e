/** What stands at a point of an icicle, and where a page is drawn in it. */
import type { TreeBox, TreeLayout } from '../../core/map/tree-layout.ts';
import type { MapPlace, MapPlaces, Step } from './map-place.ts';

export class TreePlaces implements MapPlaces {
    readonly #layout: TreeLayout;
    /** Numbers of the boxes of each level, from left to right. */
    readonly #byLevel: number[][];
    /** Nodes of box `n`: `#nodes[#start[n]] …`. */
    readonly #start: Uint32Array;
    readonly #nodes: Uint32Array;
    readonly #looseOf = new Map<number, number>();

    constructor(layout: TreeLayout) {
        this.#layout = layout;
        const { boxes, boxOf, levels, loose } = layout;
        this.#byLevel = levels.map(() => []);
        boxes.forEach(({ level }, box) => this.#byLevel[level]!.push(box));
        for (const own of this.#byLevel) own.sort((a, b) => boxes[a]!.x - boxes[b]!.x);
        this.#start = new Uint32Array(boxes.length + 1);
        for (const box of boxOf) if (box >= 0) this.#start[box + 1]!++;
        for (let box = 0; box < boxes.length; box++) this.#start[box + 1]! += this.#start[box]!;
        this.#nodes = new Uint32Array(this.#start.at(-1)!);
        const next = this.#start.slice();
        boxOf.forEach((box, node) => {
            if (box >= 0) this.#nodes[next[box]!++] = node;
        });
        if (loose) {
            for (let cell = 0; cell < loose.x.length; cell++) {
                for (let at = loose.start[cell]!; at < loose.start[cell + 1]!; at++) {
                    this.#looseOf.set(loose.order[at]!, cell);
                }
            }
        }
    }

    at(x: number, y: number): MapPlace | null {
        const { levels, boxes, loose } = this.#layout;
        const level = levels.findIndex((own) => y >= own.y && y < own.y + own.height);
        if (level !== -1) {
            const own = this.#byLevel[level]!;
            // The last that begins at or left of it.
            let [low, high] = [0, own.length];
            while (low < high) {
                const middle = (low + high) >> 1;
                if (boxes[own[middle]!]!.x <= x) low = middle + 1;
                else high = middle;
            }
            const box = own[low - 1];
            return box !== undefined && x < boxes[box]!.x + boxes[box]!.width ? this.#place(box) : null;
        }
        if (!loose) return null;
        for (let cell = 0; cell < loose.x.length; cell++) {
            const [left, top] = [loose.x[cell]!, loose.y[cell]!];
            if (x >= left && x < left + loose.pitch && y >= top && y < top + loose.pitch) return this.#cell(cell);
        }
        return null;
    }

    of(node: number): MapPlace | null {
        const box = this.#layout.boxOf[node] ?? -1;
        if (box >= 0) return this.#place(box);
        const cell = this.#looseOf.get(node);
        return cell === undefined ? null : this.#cell(cell);
    }

    next(from: MapPlace, step: Step): MapPlace {
        const { boxes, loose } = this.#layout;
        const cell = loose ? loose.x.findIndex((x, at) => x === from.x && loose.y[at] === from.y) : -1;
        if (loose && cell !== -1) {
            if (step === 'down') return from;
            if (step === 'up') {
                const lowest = this.#byLevel.findLast((own) => own.length > 0);
                return lowest ? this.#place(lowest[0]!) : from;
            }
            const beside = step === 'left' ? cell - 1 : cell + 1;
            return beside >= 0 && beside < loose.x.length ? this.#cell(beside) : from;
        }
        const own = boxes.findIndex(({ x, y, width }) => x === from.x && y === from.y && width === from.width);
        const box = boxes[own];
        if (!box) return this.first() ?? from;
        if (step === 'up') return box.above >= 0 ? this.#place(box.above) : from;
        if (step === 'down') {
            const below = boxes.findIndex(({ above }) => above === own);
            if (below !== -1) return this.#place(below);
            return loose && loose.x.length > 0 ? this.#cell(0) : from;
        }
        const level = this.#byLevel[box.level]!;
        const beside = level[level.indexOf(own) + (step === 'left' ? -1 : 1)];
        return beside === undefined ? from : this.#place(beside);
    }

    within(isIn: (x: number, y: number) => boolean): number[] {
        const { boxes, loose } = this.#layout;
        const nodes: number[] = [];
        boxes.forEach(({ x, y, width, height }, box) => {
            if (isIn(x + width / 2, y + height / 2)) nodes.push(...this.#nodesOf(box));
        });
        if (!loose) return nodes;
        for (let cell = 0; cell < loose.x.length; cell++) {
            if (isIn(loose.x[cell]! + loose.pitch / 2, loose.y[cell]! + loose.pitch / 2)) {
                nodes.push(...loose.order.subarray(loose.start[cell], loose.start[cell + 1]));
            }
        }
        return nodes;
    }

    first(): MapPlace | null {
        return this.#layout.boxes.length > 0 ? this.#place(0) : this.#layout.loose ? this.#cell(0) : null;
    }

    #nodesOf(box: number): Uint32Array {
        return this.#nodes.subarray(this.#start[box], this.#start[box + 1]);
    }

    #place(number: number): MapPlace {
        const box = this.#layout.boxes[number]!;
        const { x, y, width, height, node, kind, key, pages, above } = box;
        // Where there is nothing below, or it is where the picture begins, there is nothing to go into.
        const into = kind === 'gathered' ? this.#keyAbove(box) : above >= 0 && pages > Number(node >= 0) ? key : null;
        const isPage = node >= 0 && kind !== 'gathered';
        return {
            nodes: isPage ? [node] : kind === 'gathered' ? this.#nodesOf(number) : [],
            x,
            y,
            width,
            height,
            group: isPage ? null : { name: nameOf(box), pages },
            into,
        };
    }

    /** Into what those gathered hang from, unless that is where the picture begins: nearer than that there is nothing. */
    #keyAbove({ above, key }: TreeBox): string | null {
        return above >= 0 && this.#layout.boxes[above]!.above >= 0 ? key : null;
    }

    #cell(cell: number): MapPlace {
        const { x, y, pitch, start, order } = this.#layout.loose!;
        return {
            nodes: order.subarray(start[cell], start[cell + 1]),
            x: x[cell]!,
            y: y[cell]!,
            width: pitch,
            height: pitch,
            group: null,
            into: null,
        };
    }
}

const nameOf = ({ kind, name, pages }: TreeBox): string =>
    kind === 'gathered' ? (pages === 1 ? 'one smaller' : 'smaller ones, side by side') : name;
