/**
 * A tree as an icicle: a box an item, as wide as the pages of it and below, those below it under it. One scale for all
 * levels; children by size; those too narrow to be seen are one box, which says how many pages it is. The same facts give
 * the same picture, to the last digit.
 */
import { FORM, type MapFacts } from './map-facts.ts';
import type { MapTree } from './map-tree.ts';

export interface TreeBox {
    x: number;
    y: number;
    width: number;
    height: number;
    level: number;
    /** `gathered`: smaller ones side by side, with all below them; `rest`: what lies below the last level drawn; `missing`: meant, and no page. */
    kind: 'page' | 'folder' | 'gathered' | 'rest' | 'missing';
    /** Its page, or -1. */
    node: number;
    /** What tells it from others; of those gathered that of what they hang from. */
    key: string;
    name: string;
    /** Pages of it and below. */
    pages: number;
    /** Of those drawn in it, how many are not linked from where they lie. */
    cuts: number;
    /** Place of its section among those of the facts. */
    section: number;
    /** Number of the box it hangs from, -1 for the first. */
    above: number;
}

/** Pages that the tree does not have, as cells at the foot: those that links do not reach, or that are not meant. */
export interface LooseCells {
    pitch: number;
    perCell: number;
    x: Float32Array;
    y: Float32Array;
    /** First of its nodes in `order`; one more at the end. */
    start: Uint32Array;
    order: Uint32Array;
    /** Cells of each island, and those linked by nobody or from islands of one: told where each page has its own. */
    groups: { from: number; to: number; isIsland: boolean }[];
}

export interface TreeLayout {
    width: number;
    height: number;
    /** With all pages of each, drawn alone or not. */
    levels: { y: number; height: number; pages: number }[];
    boxes: TreeBox[];
    /** The box in which each node is drawn; -1 for none. */
    boxOf: Int32Array;
    /** What lies above the item that is gone into, from the root, of many the last; that item behind them. */
    trail: { name: string; key: string; pages: number }[];
    loose: LooseCells | null;
}

export interface TreeSize {
    width: number;
    height: number;
}

const LEAST_WIDTH = 9;
const LEAST_LEVEL = 22;
const MOST_LEVEL = 84;
const LOW_LEVEL = 18;
const MOST_TRAIL = 8;
const LOOSE_PITCH = 10;
const MOST_LOOSE_ROWS = 3;
const LOOSE_GAP = 16;
/** Its name stands beside it in two lines. */
const LEAST_TAIL = 32;
const PAGES_PER_CELL = [1, 2, 4, 10, 20, 50, 100, 200, 500, 1_000, 2_000, 5_000, 10_000];

interface Weighed {
    pages: Uint32Array;
    /** Of its own page, or of what holds the most pages below it. */
    section: Uint32Array;
    /** Levels below it. */
    below: Uint32Array;
    /** Items below item `n`: `children[start[n]] …`, by pages, then in their own order. */
    start: Uint32Array;
    children: Uint32Array;
    roots: number[];
}

/**
 * @param at key of the item that is gone into; the whole tree where there is none of that key
 * O(items log children + boxes)
 */
export function treeLayout(tree: MapTree, facts: MapFacts, size: TreeSize, at: string | null): TreeLayout {
    const weighed = weigh(tree, facts);
    const into = at === null ? -1 : itemOfKey(tree, at);
    const isIn = new Uint8Array(facts.count);
    for (const node of tree.node) if (node >= 0) isIn[node] = 1;
    const loose = looseCells(facts, isIn, size.width);
    const tail = loose ? LOOSE_GAP + Math.max(LEAST_TAIL, rowsOf(loose) * LOOSE_PITCH) : 0;
    const roots = into === -1 ? weighed.roots : [into];
    const shown = roots.reduce((sum, item) => sum + weighed.pages[item]!, 0);
    const deepest = roots.reduce((most, item) => Math.max(most, weighed.below[item]!), 0);
    const room = Math.max(2 * LEAST_LEVEL, size.height - tail);
    const count = Math.max(1, Math.min(deepest + 1, Math.floor(room / LEAST_LEVEL)));
    const boxes: TreeBox[] = [];
    const boxOf = new Int32Array(facts.count).fill(-1);
    const scale = size.width / Math.max(1, shown);
    /** Items whose box is made, with their place; grows while it is gone through. */
    const open: { item: number; box: number; x: number; level: number }[] = [];

    const place = (item: number, x: number, level: number, above: number, prefix: string): void => {
        // A folder that holds one folder and nothing else is one with it.
        let [own, name] = [item, prefix + tree.nameOf(item)];
        for (let only = onlyChild(tree, weighed, own); only !== -1; only = onlyChild(tree, weighed, own)) {
            own = only;
            name += tree.nameOf(own);
        }
        const node = tree.node[own]!;
        const isLast = level === count - 1 && weighed.start[own + 1]! > weighed.start[own]!;
        boxes.push({
            x,
            y: 0,
            width: weighed.pages[own]! * scale,
            height: 0,
            level,
            kind: isLast ? 'rest' : node >= 0 ? 'page' : tree.weight ? 'missing' : 'folder',
            node,
            key: tree.keyOf(own),
            name,
            pages: weighed.pages[own]!,
            cuts: 0,
            section: weighed.section[own]!,
            above,
        });
        const box = boxes.length - 1;
        if (node >= 0) boxOf[node] = box;
        if (isLast) hold(tree, weighed, own, box, boxOf);
        else open.push({ item: own, box, x, level });
    };
    const placeAll = (items: ArrayLike<number>, left: number, level: number, above: number): void => {
        let x = left;
        let index = 0;
        for (; index < items.length; index++) {
            const wide = weighed.pages[items[index]!]! * scale;
            if (wide < LEAST_WIDTH) break;
            place(items[index]!, x, level, above, '');
            x += wide;
        }
        // By size: from the first that is too narrow on all are.
        let pages = 0;
        for (let rest = index; rest < items.length; rest++) pages += weighed.pages[items[rest]!]!;
        if (pages === 0) return;
        const first = items[index]!;
        boxes.push({
            x,
            y: 0,
            width: pages * scale,
            height: 0,
            level,
            kind: 'gathered',
            node: -1,
            key: above === -1 ? '' : boxes[above]!.key,
            name: '',
            pages,
            cuts: 0,
            section: weighed.section[first]!,
            above,
        });
        for (let rest = index; rest < items.length; rest++) {
            const own = items[rest]!;
            if (tree.node[own]! >= 0) boxOf[tree.node[own]!] = boxes.length - 1;
            hold(tree, weighed, own, boxes.length - 1, boxOf);
        }
    };
    placeAll(Uint32Array.from(roots), 0, 0, -1);
    for (let next = 0; next < open.length; next++) {
        const { item, box, x, level } = open[next]!;
        placeAll(weighed.children.subarray(weighed.start[item], weighed.start[item + 1]), x, level + 1, box);
    }
    const { isCut } = tree;
    if (isCut) {
        boxOf.forEach((box, node) => {
            if (box >= 0 && isCut(node)) boxes[box]!.cuts++;
        });
    }
    const levels = levelsOf(count, boxes, room);
    for (const box of boxes) ({ y: box.y, height: box.height } = levels[box.level]!);
    for (const [level, pages] of pagesByLevel(tree, roots).entries()) if (levels[level]) levels[level].pages = pages;
    const bottom = levels.reduce((sum, own) => sum + own.height, 0);
    if (loose) for (let cell = 0; cell < loose.y.length; cell++) loose.y[cell]! += bottom + LOOSE_GAP;
    return {
        width: size.width,
        height: bottom + tail,
        levels,
        boxes,
        boxOf,
        trail: trailOf(tree, weighed, into),
        loose,
    };
}

/** Levels on which something is drawn share the room; those below, of which all is gathered above, are low. */
function levelsOf(count: number, boxes: readonly TreeBox[], room: number): TreeLayout['levels'] {
    const drawn = boxes.reduce((most, { level }) => Math.max(most, level + 1), 1);
    const low = Math.min(LOW_LEVEL, Math.floor((room - drawn * LEAST_LEVEL) / Math.max(1, count - drawn)));
    const high = Math.min(MOST_LEVEL, Math.floor((room - (count - drawn) * low) / drawn));
    let y = 0;
    return Array.from({ length: count }, (_, level) => {
        const height = level < drawn ? high : low;
        y += height;
        return { y: y - height, height, pages: 0 };
    });
}

function weigh({ parent, node, weight }: MapTree, facts: MapFacts): Weighed {
    const count = parent.length;
    const pages = new Uint32Array(count);
    const below = new Uint32Array(count);
    const section = new Uint32Array(count);
    const start = new Uint32Array(count + 1);
    const roots: number[] = [];
    for (let item = count - 1; item >= 0; item--) {
        pages[item]! += weight ? weight[item]! : Number(node[item]! >= 0);
        const above = parent[item]!;
        if (above < 0) continue;
        pages[above]! += pages[item]!;
        below[above] = Math.max(below[above]!, below[item]! + 1);
        start[above + 1]!++;
    }
    for (let item = 0; item < count; item++) {
        start[item + 1]! += start[item]!;
        if (parent[item]! < 0) roots.push(item);
    }
    const children = new Uint32Array(start[count]!);
    const next = start.slice(0, count);
    for (let item = 0; item < count; item++) if (parent[item]! >= 0) children[next[parent[item]!]!++] = item;
    const bySize = (a: number, b: number): number => pages[b]! - pages[a]! || a - b;
    for (let item = 0; item < count; item++) {
        if (start[item + 1]! - start[item]! > 1) children.subarray(start[item], start[item + 1]).sort(bySize);
    }
    for (let item = count - 1; item >= 0; item--) {
        if (node[item]! >= 0) section[item] = facts.section[node[item]!]!;
        else if (start[item + 1]! > start[item]!) section[item] = section[children[start[item]!]!]!;
    }
    return { pages, section, below, start, children, roots: roots.sort(bySize) };
}

/** Pages of each level below some items; folders that are one box with the one in them count as they stand. */
function pagesByLevel({ parent, node }: MapTree, roots: readonly number[]): number[] {
    const level = new Int32Array(parent.length).fill(-1);
    const pages: number[] = [];
    for (const root of roots) level[root] = 0;
    for (let item = 0; item < parent.length; item++) {
        const above = parent[item]!;
        if (level[item] === -1 && above >= 0 && level[above]! >= 0) level[item] = level[above]! + 1;
        if (level[item]! >= 0 && node[item]! >= 0) pages[level[item]!] = (pages[level[item]!] ?? 0) + 1;
    }
    return Array.from(pages, (own) => own ?? 0);
}

/** The one item below a folder that is no page, where there is one alone and it is none either; else -1. Never of what is meant. */
function onlyChild({ node, weight }: MapTree, { start, children }: Weighed, item: number): number {
    if (weight || node[item]! >= 0 || start[item + 1]! - start[item]! !== 1) return -1;
    const only = children[start[item]!]!;
    return node[only]! < 0 ? only : -1;
}

/** Says of all pages below an item in which box they are. */
function hold({ node }: MapTree, { start, children }: Weighed, item: number, box: number, boxOf: Int32Array): void {
    const open = [item];
    for (let own = open.pop(); own !== undefined; own = open.pop()) {
        if (node[own]! >= 0 && boxOf[node[own]!] === -1) boxOf[node[own]!] = box;
        for (let at = start[own]!; at < start[own + 1]!; at++) open.push(children[at]!);
    }
}

function itemOfKey(tree: MapTree, key: string): number {
    for (let item = 0; item < tree.parent.length; item++) if (tree.keyOf(item) === key) return item;
    return -1;
}

function trailOf(tree: MapTree, { pages }: Weighed, into: number): TreeLayout['trail'] {
    const above: number[] = [];
    for (let item = into; item >= 0; item = tree.parent[item]!) {
        above.push(item);
    }
    above.reverse();
    const told = above.length > MOST_TRAIL ? [above[0]!, ...above.slice(1 - MOST_TRAIL)] : above;
    return told.map((item) => ({ name: tree.nameOf(item), key: tree.keyOf(item), pages: pages[item]! }));
}

/** Pages that the tree does not have: those of an island side by side, then in the order of their addresses. */
function looseCells({ count, form, island }: MapFacts, isIn: Uint8Array, width: number): LooseCells | null {
    const nodes: number[] = [];
    for (let node = 0; node < count; node++) if (form[node]! <= FORM.unreached && isIn[node] === 0) nodes.push(node);
    if (nodes.length === 0) return null;
    nodes.sort((a, b) => island[a]! - island[b]! || a - b);
    const across = Math.max(1, Math.floor(width / LOOSE_PITCH));
    const most = across * MOST_LOOSE_ROWS;
    const perCell =
        PAGES_PER_CELL.find((own) => Math.ceil(nodes.length / own) <= most) ?? Math.ceil(nodes.length / most);
    const cells = Math.ceil(nodes.length / perCell);
    return {
        pitch: LOOSE_PITCH,
        perCell,
        x: Float32Array.from({ length: cells }, (_, cell) => (cell % across) * LOOSE_PITCH),
        y: Float32Array.from({ length: cells }, (_, cell) => Math.floor(cell / across) * LOOSE_PITCH),
        start: Uint32Array.from({ length: cells + 1 }, (_, cell) => Math.min(nodes.length, cell * perCell)),
        order: Uint32Array.from(nodes),
        groups: perCell === 1 ? groupsOf(nodes, island) : [],
    };
}

function groupsOf(nodes: readonly number[], island: Int32Array): LooseCells['groups'] {
    const groups: LooseCells['groups'] = [];
    nodes.forEach((node, cell) => {
        const last = groups.at(-1);
        if (last && island[nodes[cell - 1]!] === island[node]) last.to = cell + 1;
        else groups.push({ from: cell, to: cell + 1, isIsland: island[node]! >= 0 });
    });
    return groups;
}

const rowsOf = ({ y, pitch }: LooseCells): number => (y.length === 0 ? 0 : y.at(-1)! / pitch + 1);
