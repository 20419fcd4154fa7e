/** Columns of numbers that grow while rows come in. */

type Numbers = Uint8Array | Int32Array | Uint32Array;

export class GrowingColumn<T extends Numbers> {
    #values: T;
    readonly #make: (length: number) => T;
    length = 0;

    /** @param make an array of so many zeros */
    constructor(make: (length: number) => T) {
        this.#make = make;
        this.#values = make(1024);
    }

    push(value: number): void {
        if (this.length === this.#values.length) this.#grow(this.length * 2);
        this.#values[this.length++] = value;
    }

    /** Sets the value at an index, which may lie beyond the end; what lies between is 0. */
    set(index: number, value: number): void {
        if (index >= this.#values.length) this.#grow(Math.max(index + 1, this.#values.length * 2));
        this.#values[index] = value;
        if (index >= this.length) this.length = index + 1;
    }

    at(index: number): number {
        return index < this.length ? this.#values[index]! : 0;
    }

    /** What is there so far, as a view: a column that grows later leaves it behind. */
    values(): T {
        return this.#values.subarray(0, this.length) as T;
    }

    #grow(length: number): void {
        const grown = this.#make(length);
        grown.set(this.#values);
        this.#values = grown;
    }
}

export const bytesColumn = (): GrowingColumn<Uint8Array> => new GrowingColumn((length) => new Uint8Array(length));
export const wholeColumn = (): GrowingColumn<Uint32Array> => new GrowingColumn((length) => new Uint32Array(length));
export const signedColumn = (): GrowingColumn<Int32Array> => new GrowingColumn((length) => new Int32Array(length));
