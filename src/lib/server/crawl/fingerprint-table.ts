/**
 * Numbers for contents, given on first sight. Contents are told apart by the first 128 bits of their SHA-256, kept in
 * typed columns: about 40 bytes each however long the content, so that a worker's memory does not grow with what it
 * reads. Two different contents under one number would need a collision nobody has ever been able to make.
 *
 * Invariant: an open-addressing table of at most 60 % load; slot i is free while `ids[i]` is 0, else it holds number
 * `ids[i] - 1` and the four words of its fingerprint at `words[4 i]`.
 */
import { hash } from 'node:crypto';

export class FingerprintTable {
    #words = new Uint32Array(4 * 1024);
    #ids = new Uint32Array(1024);
    /** Numbers given. */
    size = 0;

    /** @returns the number of a content, and whether it was given just now */
    number(content: string): { id: number; isNew: boolean } {
        const print = hash('sha256', content, 'buffer');
        const slot = this.#find(
            print.readUInt32LE(0),
            print.readUInt32LE(4),
            print.readUInt32LE(8),
            print.readUInt32LE(12),
        );
        const known = this.#ids[slot]!;
        if (known !== 0) return { id: known - 1, isNew: false };
        const id = this.size++;
        for (let word = 0; word < 4; word++) this.#words[slot * 4 + word] = print.readUInt32LE(word * 4);
        this.#ids[slot] = id + 1;
        if (this.size > this.#ids.length * 0.6) this.#grow();
        return { id, isNew: true };
    }

    /** Gives a content the number it has in stored rows; numbers must come in ascending order without gaps. */
    restore(content: string, id: number): void {
        const given = this.number(content);
        if (given.id !== id) throw new Error(`content ${id} of the stored rows equals content ${given.id}`);
    }

    #find(a: number, b: number, c: number, d: number): number {
        const mask = this.#ids.length - 1;
        const words = this.#words;
        for (let slot = a & mask; ; slot = (slot + 1) & mask) {
            if (this.#ids[slot] === 0) return slot;
            const at = slot * 4;
            if (words[at] === a && words[at + 1] === b && words[at + 2] === c && words[at + 3] === d) return slot;
        }
    }

    #grow(): void {
        const words = this.#words;
        const ids = this.#ids;
        this.#words = new Uint32Array(words.length * 2);
        this.#ids = new Uint32Array(ids.length * 2);
        for (let from = 0; from < ids.length; from++) {
            if (ids[from] === 0) continue;
            const at = from * 4;
            const slot = this.#find(words[at]!, words[at + 1]!, words[at + 2]!, words[at + 3]!);
            this.#ids[slot] = ids[from]!;
            this.#words.set(words.subarray(at, at + 4), slot * 4);
        }
    }
}
