/**
 * What is pointed at on the map, dragged over and pinched. Plain dragging with a mouse draws a rectangle or an outline
 * around pages; a finger moves the picture, as it does everywhere, and two fingers draw it larger or smaller.
 */
import type { MapPlace, MapPlaces } from './map-place.ts';
import type { Point } from './pen.ts';

export type DragShape = 'rectangle' | 'outline';

/** So far a press moves before it is a drag. */
const LEAST_DRAG = 6;
/** Points of an outline stand at least so far apart. */
const LEAST_STEP = 3;

export interface PointerWishes {
    places: () => MapPlaces;
    shape: () => DragShape;
    /** Where an event is on the picture. */
    pointOf: (event: PointerEvent) => Point;
    onPoint: (place: MapPlace | null) => void;
    onPress: (place: MapPlace | null) => void;
    onDragged: (nodes: number[]) => void;
    /** Two fingers, so many times as far apart as at first; `isOver` when they are let go. */
    onPinch: (ratio: number, isOver: boolean) => void;
}

export class MapPointer {
    /** Corners of what is dragged over. */
    drag = $state.raw<Point[]>([]);
    readonly #wishes: PointerWishes;
    #from: Point | null = null;
    #fingers: { id: number; at: Point }[] = [];
    #apart = 0;

    constructor(wishes: PointerWishes) {
        this.#wishes = wishes;
    }

    down = (event: PointerEvent): void => {
        if (event.pointerType === 'touch') {
            this.#fingers.push({ id: event.pointerId, at: { x: event.clientX, y: event.clientY } });
            if (this.#fingers.length === 2) this.#apart = this.#distance();
        }
        if (event.button !== 0) return;
        this.#from = this.#wishes.pointOf(event);
        // Let go of outside the picture, it is let go of all the same.
        if (event.pointerType !== 'touch') (event.currentTarget as Element).setPointerCapture(event.pointerId);
    };

    move = (event: PointerEvent): void => {
        const finger = this.#fingers.find(({ id }) => id === event.pointerId);
        if (finger) {
            finger.at = { x: event.clientX, y: event.clientY };
            if (this.#apart > 0) this.#wishes.onPinch(this.#distance() / this.#apart, false);
            return;
        }
        const point = this.#wishes.pointOf(event);
        if (!this.#from || (this.drag.length === 0 && far(point, this.#from) <= LEAST_DRAG)) {
            this.#wishes.onPoint(this.#wishes.places().at(point.x, point.y));
            return;
        }
        this.drag = this.#wishes.shape() === 'rectangle' ? corners(this.#from, point) : this.#further(point);
        this.#wishes.onPoint(null);
    };

    up = (event: PointerEvent): void => {
        if (this.#endPinch(event)) return;
        const [around, from] = [this.drag, this.#from];
        [this.drag, this.#from] = [[], null];
        if (from === null) return;
        if (around.length > 2) {
            this.#wishes.onDragged(this.#wishes.places().within((x, y) => isInside(around, x, y)));
            return;
        }
        const point = this.#wishes.pointOf(event);
        this.#wishes.onPress(this.#wishes.places().at(point.x, point.y));
    };

    /** The browser took it over, to move what is shown. */
    cancel = (event: PointerEvent): void => {
        this.#endPinch(event);
        [this.drag, this.#from] = [[], null];
    };

    #endPinch(event: PointerEvent): boolean {
        const wasPinched = this.#apart > 0;
        if (wasPinched) {
            this.#wishes.onPinch(this.#distance() / this.#apart, true);
            [this.#apart, this.#from] = [0, null];
        }
        this.#fingers = this.#fingers.filter(({ id }) => id !== event.pointerId);
        return wasPinched;
    }

    #further(point: Point): Point[] {
        const last = this.drag.at(-1) ?? this.#from!;
        if (this.drag.length > 0 && far(point, last) < LEAST_STEP) return this.drag;
        return [...(this.drag.length === 0 ? [this.#from!] : this.drag), point];
    }

    #distance(): number {
        const [a, b] = this.#fingers;
        return a && b ? Math.max(1, far(a.at, b.at)) : this.#apart;
    }
}

const far = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);

const corners = (a: Point, b: Point): Point[] => [a, { x: b.x, y: a.y }, b, { x: a.x, y: b.y }];

/** Inside of a closed outline, by how often a ray to the right crosses it (Jordan curve theorem). */
export function isInside(around: readonly Point[], x: number, y: number): boolean {
    let isIn = false;
    around.forEach((a, at) => {
        const b = around[(at + 1) % around.length]!;
        if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) isIn = !isIn;
    });
    return isIn;
}
