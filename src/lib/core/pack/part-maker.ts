/** A part of a packed survey in the making: named columns, each as narrow as its numbers allow. */
import type { FactColumn } from '../columns/column.ts';
import type { SurveyFacts } from '../columns/survey-facts.ts';
import { narrowed, type NumberColumn } from '../number-column.ts';
import { packTexts, TextNumbers } from '../packed/text-table.ts';

export class PartMaker {
    readonly columns = new Map<string, NumberColumn>();

    /** A fact of every page, as it is declared. */
    fact(column: FactColumn, facts: SurveyFacts): void {
        const { id } = column;
        if (column.isKnown?.(facts) === false) return;
        if (column.form === 'texts') this.texts(id, column.from(facts));
        else if (column.form === 'choices' || column.form === 'problems') this.choices(id, column.from(facts));
        else if (column.form === 'fractions') this.fractions(id, Float64Array.from(column.from(facts)));
        else if (column.form === 'numbers') this.numbers(id, column.from(facts));
    }

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
