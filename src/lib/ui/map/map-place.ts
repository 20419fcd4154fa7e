/** What stands at a point of the map, whatever it is arranged by. */
export interface MapPlace {
    /** Its pages, the first drawn first; of a folder that is no page those below it are not among them. */
    nodes: ArrayLike<number>;
    x: number;
    y: number;
    width: number;
    height: number;
    /** A folder that is no page, or pages that are too narrow to be seen: told by their name and number. */
    group: { name: string; pages: number } | null;
    /** Key to go into it by; null where there is nothing to go into. */
    into: string | null;
}

export type Step = 'left' | 'right' | 'up' | 'down';
export const ARROWS: Record<string, Step> = {
    ArrowLeft: 'left',
    ArrowRight: 'right',
    ArrowUp: 'up',
    ArrowDown: 'down',
};

export interface MapPlaces {
    at(x: number, y: number): MapPlace | null;
    /** Where a page is drawn; null where it is not. */
    of(node: number): MapPlace | null;
    /** The next place from one, by the arrow keys; itself where there is none. */
    next(from: MapPlace, step: Step): MapPlace;
    /** Pages within a rectangle, by the middles of what they are drawn as; or within an outline. */
    within(isIn: (x: number, y: number) => boolean): number[];
    /** Where the keys begin. */
    first(): MapPlace | null;
}
