/** A set of nodes as bits: 32 to a word, so that and, or and not of 100,000 pages are 3,125 steps. */
export class Bits {
    readonly size: number;
    readonly words: Uint32Array;

    constructor(size: number) {
        this.size = size;
        this.words = new Uint32Array((size + 31) >>> 5);
    }

    /** Bytes it takes. */
    get byteLength(): number {
        return this.words.byteLength;
    }

    static of(size: number, nodes: Iterable<number>): Bits {
        const bits = new Bits(size);
        for (const node of nodes) bits.add(node);
        return bits;
    }

    static all(size: number): Bits {
        return new Bits(size).not();
    }

    has(node: number): boolean {
        return ((this.words[node >>> 5]! >>> (node & 31)) & 1) === 1;
    }

    add(node: number): void {
        this.words[node >>> 5]! |= 1 << (node & 31);
    }

    /** A new set: in both. */
    and(other: Bits): Bits {
        const bits = new Bits(this.size);
        for (let at = 0; at < bits.words.length; at++) bits.words[at] = this.words[at]! & other.words[at]!;
        return bits;
    }

    /** A new set: in either. */
    or(other: Bits): Bits {
        const bits = new Bits(this.size);
        for (let at = 0; at < bits.words.length; at++) bits.words[at] = this.words[at]! | other.words[at]!;
        return bits;
    }

    /** A new set: all nodes that are not in this one. */
    not(): Bits {
        const bits = new Bits(this.size);
        for (let at = 0; at < bits.words.length; at++) bits.words[at] = ~this.words[at]!;
        const rest = this.size & 31;
        if (rest !== 0) bits.words[bits.words.length - 1]! &= (1 << rest) - 1;
        return bits;
    }

    count(): number {
        let count = 0;
        for (let at = 0; at < this.words.length; at++) {
            let word = this.words[at]!;
            word -= (word >>> 1) & 0x55555555;
            word = (word & 0x33333333) + ((word >>> 2) & 0x33333333);
            count += Math.imul((word + (word >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
        }
        return count;
    }

    /** Its nodes, ascending. */
    nodes(): Uint32Array {
        const nodes = new Uint32Array(this.count());
        let length = 0;
        for (let at = 0; at < this.words.length; at++) {
            for (let word = this.words[at]!; word !== 0; word &= word - 1) {
                nodes[length++] = (at << 5) + (31 - Math.clz32(word & -word));
            }
        }
        return nodes;
    }
}
