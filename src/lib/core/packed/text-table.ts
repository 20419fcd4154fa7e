/** Texts as one column of bytes and one of ends: nothing is decoded before it is looked at. */
import { BYTES_PER_TEXT } from '../kept.ts';
import type { NumberColumn } from '../number-column.ts';

const decoder = new TextDecoder('utf-8', { ignoreBOM: true });

export class TextTable {
    readonly length: number;
    readonly #bytes: Uint8Array;
    readonly #ends: NumberColumn;
    #all: string[] | null = null;
    #lower: string[] | null = null;
    readonly #onKeep: (bytes: number) => void;

    /**
     * @param ends where each text ends in the bytes; the first begins at 0
     * @param onKeep told of the bytes of texts that stay decoded
     */
    constructor(bytes: Uint8Array, ends: NumberColumn, onKeep: (bytes: number) => void = () => undefined) {
        this.#onKeep = onKeep;
        this.#bytes = bytes;
        this.#ends = ends;
        this.length = ends.length;
    }

    /** Bytes of all texts as they are kept decoded: their characters, and what the engine needs for each. */
    get #keptBytes(): number {
        return this.#bytes.length + this.length * BYTES_PER_TEXT;
    }

    /** The text of that number; empty beyond the end. */
    at(index: number): string {
        if (this.#all) return this.#all[index] ?? '';
        if (index < 0 || index >= this.length) return '';
        const from = index === 0 ? 0 : this.#ends[index - 1]!;
        const to = this.#ends[index]!;
        return from === to ? '' : decoder.decode(this.#bytes.subarray(from, to));
    }

    /** All texts, decoded once. O(bytes) at first. */
    all(): string[] {
        if (this.#all) return this.#all;
        // One decoding of everything and cuts by place are quicker than one decoding for each; bytes and characters
        // have the same places only where all is ASCII.
        const whole = decoder.decode(this.#bytes);
        const texts = new Array<string>(this.length);
        if (whole.length === this.#bytes.length) {
            for (let index = 0, from = 0; index < this.length; index++) {
                texts[index] = whole.slice(from, this.#ends[index]!);
                from = this.#ends[index]!;
            }
        } else for (let index = 0; index < this.length; index++) texts[index] = this.at(index);
        this.#all = texts;
        this.#onKeep(this.#keptBytes);
        return texts;
    }

    /** All texts in small letters, for looking something up in any case. */
    lower(): string[] {
        if (this.#lower) return this.#lower;
        this.#lower = this.all().map((text) => text.toLowerCase());
        this.#onKeep(this.#keptBytes);
        return this.#lower;
    }
}

/** Texts -> bytes and ends. O(characters). */
export function packTexts(texts: readonly string[]): { bytes: Uint8Array; ends: Uint32Array } {
    const encoder = new TextEncoder();
    let bytes = new Uint8Array(Math.max(64, texts.length * 32));
    const ends = new Uint32Array(texts.length);
    let length = 0;
    for (let index = 0; index < texts.length; index++) {
        const text = texts[index]!;
        // A UTF-16 unit takes at most three bytes.
        if (length + text.length * 3 > bytes.length) {
            const grown = new Uint8Array(Math.max(bytes.length * 2, length + text.length * 3));
            grown.set(bytes.subarray(0, length));
            bytes = grown;
        }
        length += encoder.encodeInto(text, bytes.subarray(length)).written;
        ends[index] = length;
    }
    return { bytes: bytes.slice(0, length), ends };
}

/** Gives each different text a number, in the order met; the empty text has number 0. */
export class TextNumbers {
    readonly #numbers = new Map<string, number>([['', 0]]);
    readonly texts: string[] = [''];

    of(text: string): number {
        let number = this.#numbers.get(text);
        if (number === undefined) {
            number = this.texts.length;
            this.#numbers.set(text, number);
            this.texts.push(text);
        }
        return number;
    }
}
