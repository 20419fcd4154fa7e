/** Where pages lead that name one other each: redirects, canonicals. Linear in the pages, however long the chains. */

/** What a page names; below 0 where it names nothing, `count` or more where that is no page of the graph. */
export type Next = (node: number) => number;

/**
 * The circles that pages run in by what they name, each once, in the order in which it is run through. O(count)
 */
export function circlesOf(count: number, next: Next): number[][] {
    const [UNSEEN, DONE] = [0, -1];
    /** Number of the walk that met a page, from 1 on; `DONE` once that walk has ended. */
    const met = new Int32Array(count).fill(UNSEEN);
    const circles: number[][] = [];
    for (let start = 0, walk = 1; start < count; start++, walk++) {
        const way: number[] = [];
        let at = start;
        while (at >= 0 && at < count && met[at] === UNSEEN) {
            met[at] = walk;
            way.push(at);
            at = next(at);
        }
        if (at >= 0 && at < count && met[at] === walk) circles.push(way.slice(way.indexOf(at)));
        for (const node of way) met[node] = DONE;
    }
    return circles;
}

/** How a page gets to where what it names ends. */
export interface PointedWay {
    /** Where it ends: what names nothing, or is no page; of a circle the first page that is met twice. */
    end: number;
    hops: number;
    isLoop: boolean;
    /** The first page on the way, behind the page itself, that is marked; -1 for none. */
    marked: number;
}

/** Of every page that names something its way to the end. O(count) */
export function pointedWays(count: number, next: Next, isMarked: (node: number) => boolean): Map<number, PointedWay> {
    const ways = new Map<number, PointedWay>();
    for (const circle of circlesOf(count, next)) {
        // Twice around, backwards: the first that is marked behind each, which never is the page itself.
        let marked = -1;
        for (let at = 2 * circle.length - 1; at >= 0; at--) {
            const node = circle[at % circle.length]!;
            const way = { end: node, hops: circle.length, isLoop: true, marked: marked === node ? -1 : marked };
            if (at < circle.length) ways.set(node, way);
            if (isMarked(node)) marked = node;
        }
    }
    for (let start = 0; start < count; start++) {
        const open: number[] = [];
        let at = start;
        while (at >= 0 && at < count && !ways.has(at) && next(at) >= 0) {
            open.push(at);
            at = next(at);
        }
        for (let node = open.pop(); node !== undefined; node = open.pop()) {
            const to = next(node);
            const onward = ways.get(to) ?? { end: to, hops: 0, isLoop: false, marked: -1 };
            ways.set(node, {
                ...onward,
                hops: onward.hops + 1,
                marked: to < count && isMarked(to) ? to : onward.marked,
            });
        }
    }
    return ways;
}
