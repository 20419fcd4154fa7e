/**
 * Numbers for byte strings, given on first sight, without making a string of each: a line of a log costs a look, not
 * an allocation. Open addressing over the stored bytes themselves, compared in full.
 *
 * Invariant: slot i is free while `slots[i]` is 0, else it holds number `slots[i] - 1`, whose bytes stand in `bytes`
 * from `starts[number]` to `starts[number + 1]`.
 */
export class ByteTable {
    #slots = new Int32Array(4096);
    #hashes = new Int32Array(1024);
    #starts = new Float64Array(1025);
    #bytes = new Uint8Array(65_536);
    /** Numbers given. */
    size = 0;

    /** Number of the bytes between two places of a buffer. O(length). */
    number(from: Uint8Array, start: number, end: number): number {
        // FNV-1a (Fowler, Noll, Vo), 32 bit.
        let hash = 0x811c9dc5;
        for (let at = start; at < end; at++) hash = Math.imul(hash ^ from[at]!, 0x01000193);
        const mask = this.#slots.length - 1;
        for (let slot = (hash ^ (hash >>> 15)) & mask; ; slot = (slot + 1) & mask) {
            const known = this.#slots[slot]! - 1;
            if (known === -1) return this.#add(from, start, end, hash, slot);
            if (this.#hashes[known] === hash && this.#equals(known, from, start, end)) return known;
        }
    }

    /** The bytes of a number, as a view. */
    bytesOf(number: number): Uint8Array {
        return this.#bytes.subarray(this.#starts[number]!, this.#starts[number + 1]!);
    }

    #equals(number: number, from: Uint8Array, start: number, end: number): boolean {
        const own = this.#starts[number]!;
        if (this.#starts[number + 1]! - own !== end - start) return false;
        const bytes = this.#bytes;
        for (let at = start, other = own; at < end; at++, other++) if (from[at] !== bytes[other]) return false;
        return true;
    }

    #add(from: Uint8Array, start: number, end: number, hash: number, slot: number): number {
        const number = this.size++;
        const own = this.#starts[number]!;
        const length = end - start;
        if (own + length > this.#bytes.length) {
            const grown = new Uint8Array(Math.max(this.#bytes.length * 2, own + length));
            grown.set(this.#bytes);
            this.#bytes = grown;
        }
        for (let at = start, to = own; at < end; at++, to++) this.#bytes[to] = from[at]!;
        if (number >= this.#hashes.length) {
            const starts = new Float64Array(this.#hashes.length * 2 + 1);
            starts.set(this.#starts);
            this.#starts = starts;
            const hashes = new Int32Array(this.#hashes.length * 2);
            hashes.set(this.#hashes);
            this.#hashes = hashes;
        }
        this.#starts[number + 1] = own + length;
        this.#hashes[number] = hash;
        this.#slots[slot] = number + 1;
        if (this.size * 2 > this.#slots.length) this.#grow();
        return number;
    }

    #grow(): void {
        this.#slots = new Int32Array(this.#slots.length * 4);
        const mask = this.#slots.length - 1;
        for (let number = 0; number < this.size; number++) {
            const hash = this.#hashes[number]!;
            let slot = (hash ^ (hash >>> 15)) & mask;
            while (this.#slots[slot] !== 0) slot = (slot + 1) & mask;
            this.#slots[slot] = number + 1;
        }
    }
}
