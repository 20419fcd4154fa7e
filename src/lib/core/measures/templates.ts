/**
 * Templates: blocks with the same region and place whose link lists share at least 80 % of the shorter one. A menu whose
 * current entry is plain text is one template of several blocks. What is wrong in one is mended once.
 */
import { LINK_KINDS, REGIONS } from '../page/links.ts';
import { TO_SELF, type GraphModel } from '../model/graph-model.ts';
import { perModel } from '../model/per-model.ts';
import { linkCounts } from './link-counts.ts';

const SHARED_LINKS = 0.8;
/** Representatives a block is compared with for each of its links: those on most pages. */
const MOST_COMPARED = 40;
/** Representatives a link has room for at first. */
const FEW = 4;
const A = LINK_KINDS.indexOf('a');

export interface Template {
    /** Its block on most pages. */
    block: number;
    /** Name of that block: equal in other surveys of the site. */
    name: string;
    region: string;
    place: string;
    /** Pages it stands on. */
    pages: number;
}

export interface BlockTemplates {
    /** Those that stand on two or more pages whose links count, those on most pages first. */
    templates: Template[];
    /** Number of the template of each block, -1 for none. */
    of: Int32Array;
}

/** Needs the texts of links. O(blocks x links), each block being compared with a bounded number of others. */
export const blockTemplates = perModel((model: GraphModel): BlockTemplates => {
    const { pageStart, pageBlocks, blockRegion, blockList, listStart, kind, isPage } = model;
    const { blockPages } = linkCounts(model);
    const texts = model.texts.links();
    const placeOf = texts.blockPlace;
    const grouping = new BlockGroups(linkKeys(model), listStart);
    const byPlace = new Map<number, number[]>();
    for (let block = 0; block < blockList.length; block++) {
        if (blockPages[block] === 0) continue;
        // Heads and resources are shared as well, and nobody clicks them.
        let hasLink = false;
        const list = blockList[block]!;
        for (let link = listStart[list]!; !hasLink && link < listStart[list + 1]!; link++) hasLink = kind[link] === A;
        if (!hasLink) continue;
        const key = placeOf[block]! * REGIONS.length + blockRegion[block]!;
        const same = byPlace.get(key);
        if (same) same.push(block);
        else byPlace.set(key, [block]);
    }

    // Numbers of blocks go by which answer came first: what is alike is told apart by where it stands first instead.
    const first = new Uint32Array(blockList.length);
    for (let at = pageBlocks.length - 1; at >= 0; at--) first[pageBlocks[at]!] = at;
    const groupOf = new Int32Array(blockList.length).fill(-1);
    /** First block of each group: the one on most pages. */
    const firsts: number[] = [];
    for (const blocks of byPlace.values()) {
        const sizeOf = (block: number): number => listStart[blockList[block]! + 1]! - listStart[blockList[block]!]!;
        blocks.sort((a, b) => blockPages[b]! - blockPages[a]! || sizeOf(b) - sizeOf(a) || first[a]! - first[b]!);
        for (const group of grouping.of(blocks, blockList)) {
            for (const block of group) groupOf[block] = firsts.length;
            firsts.push(group[0]!);
        }
    }

    // Pages of a group: each counts once, whatever number of its blocks it carries.
    const pages = new Uint32Array(firsts.length);
    const lastPage = new Int32Array(firsts.length).fill(-1);
    for (let node = 0; node < model.count; node++) {
        if (isPage[node] !== 1) continue;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const group = groupOf[pageBlocks[at]!]!;
            if (group === -1 || lastPage[group] === node) continue;
            lastPage[group] = node;
            pages[group]!++;
        }
    }
    const found = firsts.flatMap((block, group) =>
        pages[group]! < 2 ? [] : [{ group, block, name: texts.blockName(block), pages: pages[group]! }],
    );
    found.sort((a, b) => b.pages - a.pages || (a.name < b.name ? -1 : 1));
    const numberOf = new Int32Array(firsts.length).fill(-1);
    found.forEach(({ group }, number) => (numberOf[group] = number));
    return {
        templates: found.map(({ block, name, pages: own }) => ({
            block,
            name,
            region: REGIONS[blockRegion[block]!] ?? 'other',
            place: texts.placeName(block),
            pages: own,
        })),
        of: groupOf.map((group) => (group === -1 ? -1 : numberOf[group]!)),
    };
});

/** A number for each link, equal for links of one kind to one target and fragment, whatever their anchors. */
export function linkKeys({ target, kind, texts }: GraphModel): { of: Uint32Array; count: number } {
    const { addresses, text, textCount, fragment, fragmentCount } = texts.links();
    const targets = addresses + 1 + textCount;
    // Nearly all links are `a` links without a fragment: their targets are their numbers. The others come behind.
    const others = new Map<number, number>();
    const of = Uint32Array.from(target, (to, link) => {
        // Addresses, the page itself, and behind them what is no address, by its text.
        const place = to >= 0 ? to : to === TO_SELF ? addresses : addresses + 1 + text[link]!;
        if (kind[link] === A && fragment[link] === 0) return place;
        const key = (kind[link]! * targets + place) * fragmentCount + fragment[link]!;
        let number = others.get(key);
        if (number === undefined) others.set(key, (number = targets + others.size));
        return number;
    });
    return { of, count: targets + others.size };
}

/**
 * Groups blocks of one place: those on most pages first, each put to the first representative it is like. Comparing two
 * lists is counting the links they share.
 */
class BlockGroups {
    readonly #keys: Uint32Array;
    readonly #listStart: ArrayLike<number>;
    /**
     * The first groups whose representative has a link, within one place: where they begin in the pool, and how many
     * they are. A link has room for a few, and moves to room for all once it needs it.
     */
    readonly #begin: Uint32Array;
    readonly #length: Uint8Array;
    #pool = new Uint32Array(1024);
    #poolEnd = 0;
    /** The last list a link was seen in, so that it counts once; and the last place. */
    readonly #seenInList: Int32Array;
    readonly #seenInPlace: Int32Array;
    #lists = 0;
    #places = 0;

    constructor({ of, count }: { of: Uint32Array; count: number }, listStart: ArrayLike<number>) {
        this.#keys = of;
        this.#listStart = listStart;
        this.#begin = new Uint32Array(count);
        this.#length = new Uint8Array(count);
        this.#seenInList = new Int32Array(count);
        this.#seenInPlace = new Int32Array(count);
    }

    /** @returns the groups, each with its representative first */
    of(blocks: readonly number[], blockList: ArrayLike<number>): number[][] {
        const place = ++this.#places;
        const groups: { size: number; blocks: number[] }[] = [];
        /** Links shared with each group, for the block at hand; zero again after it. */
        const shared = new Uint32Array(blocks.length);
        const keys: number[] = [];
        const touched: number[] = [];
        for (const block of blocks) {
            this.#distinctKeys(blockList[block]!, keys);
            touched.length = 0;
            for (const key of keys) {
                if (this.#seenInPlace[key] !== place) continue;
                const pool = this.#pool;
                const begin = this.#begin[key]!;
                const end = begin + this.#length[key]!;
                for (let entry = begin; entry < end; entry++)
                    if (shared[pool[entry]!]!++ === 0) touched.push(pool[entry]!);
            }
            let found = -1;
            for (const group of touched) {
                const least = Math.min(keys.length, groups[group]!.size);
                if (shared[group]! >= least * SHARED_LINKS && (found === -1 || group < found)) found = group;
                shared[group] = 0;
            }
            if (found !== -1) groups[found]!.blocks.push(block);
            else {
                for (const key of keys) this.#remember(key, groups.length, place);
                groups.push({ size: keys.length, blocks: [block] });
            }
        }
        return groups.map((group) => group.blocks);
    }

    #distinctKeys(list: number, keys: number[]): void {
        const stamp = ++this.#lists;
        keys.length = 0;
        for (let link = this.#listStart[list]!; link < this.#listStart[list + 1]!; link++) {
            const key = this.#keys[link]!;
            if (this.#seenInList[key] === stamp) continue;
            this.#seenInList[key] = stamp;
            keys.push(key);
        }
    }

    #remember(key: number, group: number, place: number): void {
        if (this.#seenInPlace[key] !== place) {
            this.#seenInPlace[key] = place;
            this.#begin[key] = this.#room(FEW);
            this.#length[key] = 0;
        }
        const length = this.#length[key]!;
        if (length >= MOST_COMPARED) return;
        if (length === FEW) {
            const begin = this.#room(MOST_COMPARED);
            this.#pool.copyWithin(begin, this.#begin[key]!, this.#begin[key]! + length);
            this.#begin[key] = begin;
        }
        this.#pool[this.#begin[key]! + length] = group;
        this.#length[key] = length + 1;
    }

    /** Where so many free places of the pool begin. */
    #room(places: number): number {
        const begin = this.#poolEnd;
        this.#poolEnd += places;
        if (this.#poolEnd > this.#pool.length) {
            const grown = new Uint32Array(this.#pool.length * 2);
            grown.set(this.#pool);
            this.#pool = grown;
        }
        return begin;
    }
}
