/**
 * Pages of a stem as bytes: of each the distance to the one before (from -1), doubled, and one more where it has the stem
 * more than once; then how often. Both as numbers of seven bits a byte, the lowest first, the top bit set while more
 * follow. Most pages of most stems take one byte.
 */

export interface Postings {
    /** Ascending. */
    nodes: Uint32Array;
    /** How often each has the stem, from 1. */
    times: Uint8Array;
}

export const NOBODY: Postings = { nodes: new Uint32Array(0), times: new Uint8Array(0) };

export class PostingWriter {
    #bytes: Uint8Array;
    #size = 0;

    /** @param expected pages of all stems together */
    constructor(expected: number) {
        this.#bytes = new Uint8Array(Math.max(64, expected * 2));
    }

    /** Writes one stem. @returns bytes of all so far */
    stem(nodes: Uint32Array, times: Uint8Array): number {
        let before = -1;
        for (let at = 0; at < nodes.length; at++) {
            const often = times[at]!;
            this.#number((nodes[at]! - before) * 2 + (often > 1 ? 1 : 0));
            if (often > 1) this.#number(often);
            before = nodes[at]!;
        }
        return this.#size;
    }

    #number(value: number): void {
        if (this.#size + 5 > this.#bytes.length) {
            const grown = new Uint8Array(this.#bytes.length * 2);
            grown.set(this.#bytes);
            this.#bytes = grown;
        }
        let rest = value;
        for (; rest > 127; rest = Math.floor(rest / 128)) this.#bytes[this.#size++] = (rest & 127) | 128;
        this.#bytes[this.#size++] = rest;
    }

    get bytes(): Uint8Array {
        return this.#bytes.slice(0, this.#size);
    }
}

/** @param count pages of the stem */
export function readPostings(bytes: Uint8Array, count: number): Postings {
    const nodes = new Uint32Array(count);
    const times = new Uint8Array(count);
    let place = 0;
    const number = (): number => {
        let value = 0;
        for (let scale = 1; ; scale *= 128) {
            const byte = bytes[place++] ?? 0;
            value += (byte & 127) * scale;
            if (byte < 128) return value;
        }
    };
    let before = -1;
    for (let at = 0; at < count; at++) {
        const value = number();
        before += Math.floor(value / 2);
        nodes[at] = before;
        times[at] = value % 2 === 1 ? number() : 1;
    }
    return { nodes, times };
}
