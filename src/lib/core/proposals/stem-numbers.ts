/** Numbers for stems, so that texts can be held against each other without looking at letters. */
import { stemmerOf } from '../text/stems.ts';
import { stopWordsOf } from '../text/stop-words.ts';
import type { TextLanguage } from '../text/language.ts';

/** Of a word that says nothing: a stop word, or none to be looked for. */
export const NOTHING = -1;

export class StemNumbers {
    readonly #numbers = new Map<string, number>();
    readonly #stems: string[] = [];
    readonly #readers = new Map<TextLanguage | null, (word: string) => number>();

    /** Numbers of the stems of words of a language. */
    of(language: TextLanguage | null): (word: string) => number {
        let known = this.#readers.get(language);
        if (!known) {
            const stops = stopWordsOf(language);
            const stem = stemmerOf(language);
            known = (word) => (stops.has(word.toLowerCase()) ? NOTHING : this.numberOf(stem(word)));
            this.#readers.set(language, known);
        }
        return known;
    }

    numberOf(stem: string): number {
        if (stem === '') return NOTHING;
        let number = this.#numbers.get(stem);
        if (number === undefined) {
            this.#numbers.set(stem, (number = this.#stems.length));
            this.#stems.push(stem);
        }
        return number;
    }

    stemOf(number: number): string {
        return this.#stems[number] ?? '';
    }

    get size(): number {
        return this.#stems.length;
    }
}
