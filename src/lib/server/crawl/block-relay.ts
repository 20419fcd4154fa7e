/**
 * Blocks on their way from a parse thread to the thread that numbers them. A menu is the same on thousands of pages: it
 * is handed over whole twice, and after that by a number, and whoever receives it gets the very same object again.
 * Twice, because most blocks are met once: only of one that looks like one before is it worth writing out all it says.
 *
 * Both ends hold what was handed over, within a bound, and forget it at the same message.
 */
import type { FoundBlock } from '../../core/page/links.ts';

/** A block as it is handed over. */
export interface RelayedBlock {
    /** Its number between the two ends; 0 for a block that is not remembered. */
    number: number;
    /** Whole, until it has a number. */
    block: FoundBlock | null;
    /** Line of its first link on this page. */
    line: number;
}

export interface Relay {
    blocks: RelayedBlock[];
    /** The receiver has to forget everything before it takes these. */
    forget: boolean;
}

/** A block on one page. The same content is the same object, whose own lines are those of the page it came from. */
export interface PlacedBlock {
    block: FoundBlock;
    /** Line of its first link on this page. */
    line: number;
}

/** Characters of remembered blocks, and blocks, at one end: as much as the menus of a large site. */
const MOST_CHARACTERS = 1_000_000;
const MOST_BLOCKS = 2_000;
/** Looks of blocks that are remembered, a few hundred bytes each. */
const MOST_LOOKS = 8_000;

export class BlockSender {
    readonly #looks = new Set<string>();
    readonly #numbers = new Map<string, number>();
    #characters = 0;

    send(blocks: FoundBlock[]): Relay {
        const forget = this.#characters > MOST_CHARACTERS || this.#numbers.size > MOST_BLOCKS;
        if (forget) {
            this.#numbers.clear();
            this.#characters = 0;
        }
        return { blocks: blocks.map((block) => this.#send(block)), forget };
    }

    #send(block: FoundBlock): RelayedBlock {
        const line = block.links[0]?.line ?? 0;
        // Links of the head and of headers speak of the page itself: they are never the same on two pages.
        if (block.links[0]?.kind !== 'a' || this.#isNew(lookOf(block, line))) return { number: 0, block, line };
        const key = contentOf(block, line);
        const known = this.#numbers.get(key);
        if (known !== undefined) return { number: known, block: null, line };
        const number = this.#numbers.size + 1;
        this.#numbers.set(key, number);
        this.#characters += key.length;
        return { number, block, line };
    }

    #isNew(look: string): boolean {
        if (this.#looks.has(look)) return false;
        if (this.#looks.size >= MOST_LOOKS) this.#looks.clear();
        this.#looks.add(look);
        return true;
    }
}

export class BlockReceiver {
    #blocks: FoundBlock[] = [];

    /** @throws Error when a number was never handed over: the two ends do not belong together */
    receive({ blocks, forget }: Relay): PlacedBlock[] {
        if (forget) this.#blocks = [];
        return blocks.map(({ number, block, line }) => {
            if (block !== null && number > 0) this.#blocks[number - 1] = block;
            const known = block ?? this.#blocks[number - 1];
            if (!known) throw new Error(`block ${number} was never handed over`);
            return { block: known, line };
        });
    }
}

/**
 * A little of what `contentOf` tells, for next to nothing: equal blocks look alike, others hardly ever. Joined, for a text
 * that is put together otherwise holds its parts, and they the document they were cut from.
 */
function lookOf({ links }: FoundBlock, first: number): string {
    const last = links[links.length - 1];
    const { target, column, line } = last ?? { target: '', column: 0, line: first };
    return [links.length, links[0]?.target, target, column, line - first].join(' ');
}

/** All of a block but where it stands on its page; blocks of equal content, and only they, give equal text. */
function contentOf({ region, place, links }: FoundBlock, first: number): string {
    return JSON.stringify([
        region,
        place,
        links.map((link) => [
            link.kind,
            link.target,
            link.isAddress,
            link.fragment,
            link.anchor,
            link.name,
            link.rel,
            link.marks,
            link.href,
            link.line - first,
            link.column,
        ]),
    ]);
}
