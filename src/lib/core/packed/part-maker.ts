/** A part of a packed survey in the making: named columns, each as narrow as its numbers allow. */
import { narrowed, type NumberColumn } from './sections.ts';
import { packTexts, TextNumbers } from './text-table.ts';

export class PartMaker {
    readonly columns = new Map<string, NumberColumn>();

    numbers(name: string, values: ArrayLike<number>): void {
        this.columns.set(name, narrowed(values));
    }

    /** Fractions, or numbers that may be missing (NaN). */
    fractions(name: string, values: Float64Array): void {
        this.columns.set(name, values);
    }

    texts(name: string, values: readonly string[]): void {
        const { bytes, ends } = packTexts(values);
        this.columns.set(`${name}:bytes`, bytes);
        this.columns.set(`${name}:ends`, narrowed(ends));
    }

    /** Texts of which many are the same: their number per entry, and each once. */
    choices(name: string, values: readonly string[]): void {
        const numbers = new TextNumbers();
        this.numbered(
            name,
            values.map((value) => numbers.of(value)),
            numbers,
        );
    }

    /** The same where the numbers were given already. */
    numbered(name: string, codes: ArrayLike<number>, numbers: TextNumbers): void {
        this.numbers(name, codes);
        this.texts(`${name}_words`, numbers.texts);
    }
}
