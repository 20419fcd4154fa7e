/**
 * The word index of a survey: for each stem the pages whose main text has it, and how often. A part of the packed survey
 * of its own (`words`), made behind the others; sentences are cut from stored texts when they are asked for.
 *
 * Columns: `stem` (texts, in the order of their UTF-16 units), `posting_start` (one more than stems), `posting` (nodes,
 * ascending within a stem), `posting_times` (1 to 255), `words` (words of each node's main text that are no stop words).
 */
import { narrowed, type NumberColumn } from '../number-column.ts';
import { packTexts, TextTable } from '../packed/text-table.ts';
import type { Sections } from '../packed/sections.ts';
import { languageOf, type TextLanguage } from './language.ts';
import { stemmerOf } from './stems.ts';
import { stopWordsOf } from './stop-words.ts';
import { eachWord } from './words.ts';

/** Raised when stems are made or kept otherwise: an index of another version is made anew. */
export const WORDS_VERSION = 1;

export interface WordsHead {
    words: number;
    /** Nodes of the survey it belongs to. */
    count: number;
}

const MOST_TIMES = 255;

/** Whole numbers that grow. */
class Growing {
    #values = new Uint32Array(4_096);
    size = 0;

    push(value: number): void {
        if (this.size === this.#values.length) {
            const grown = new Uint32Array(this.size * 2);
            grown.set(this.#values);
            this.#values = grown;
        }
        this.#values[this.size++] = value;
    }

    get values(): Uint32Array {
        return this.#values.subarray(0, this.size);
    }
}

/** Number of what is no stem to be looked for. */
const STOP = -1;
/** Words of one language whose number is remembered; texts use few words again and again. */
const MOST_WORDS = 500_000;

/** Takes main texts in, one after the other, and makes the part of them. */
export class WordIndexMaker {
    readonly #count: number;
    readonly #numbers = new Map<string, number>();
    readonly #readers = new Map<TextLanguage | null, (word: string) => number>();
    /** Stem, node and times of each posting, in the order of the texts. */
    readonly #stems = new Growing();
    readonly #nodes = new Growing();
    readonly #times = new Growing();
    readonly #words: Uint32Array;

    /** @param count nodes of the survey */
    constructor(count: number) {
        this.#count = count;
        this.#words = new Uint32Array(count);
    }

    /**
     * Each node once, in any order.
     * @param tag language the page says it is in (BCP 47)
     */
    add(node: number, text: string, tag: string): void {
        const numberOf = this.#reader(tag);
        const times = new Map<number, number>();
        let words = 0;
        eachWord(text, tag, (word) => {
            const number = numberOf(word);
            if (number === STOP) return;
            words++;
            times.set(number, (times.get(number) ?? 0) + 1);
        });
        this.#words[node] = words;
        for (const [number, count] of times) {
            this.#stems.push(number);
            this.#nodes.push(node);
            this.#times.push(Math.min(MOST_TIMES, count));
        }
    }

    /** O(postings + stems log stems). */
    done(): Sections {
        const stems = [...this.#numbers.keys()];
        const order = stems.map((_, number) => number).sort((a, b) => (stems[a]! < stems[b]! ? -1 : 1));
        const rank = new Uint32Array(stems.length);
        order.forEach((number, at) => (rank[number] = at));
        const start = new Uint32Array(stems.length + 1);
        for (const number of this.#stems.values) start[rank[number]! + 1]!++;
        for (let at = 0; at < stems.length; at++) start[at + 1]! += start[at]!;
        const next = start.slice();
        const posting = new Uint32Array(this.#stems.size);
        const times = new Uint8Array(this.#stems.size);
        const [numbers, nodes, counts] = [this.#stems.values, this.#nodes.values, this.#times.values];
        // By node first, then by stem without changing that order: two passes, each over numbers that are small.
        for (const at of orderedBy(nodes, this.#count)) {
            const to = next[rank[numbers[at]!]!]!++;
            posting[to] = nodes[at]!;
            times[to] = counts[at]!;
        }
        const { bytes, ends } = packTexts(order.map((number) => stems[number]!));
        const columns = new Map<string, NumberColumn>([
            ['stem:bytes', bytes],
            ['stem:ends', narrowed(ends)],
            ['posting_start', narrowed(start)],
            ['posting', narrowed(posting)],
            ['posting_times', times],
            ['words', narrowed(this.#words)],
        ]);
        const head: WordsHead = { words: WORDS_VERSION, count: this.#count };
        return { head, columns };
    }

    /** Numbers of the stems of a language's words; each word is looked into once. */
    #reader(tag: string): (word: string) => number {
        const language = languageOf(tag);
        let known = this.#readers.get(language);
        if (!known) {
            const stops = stopWordsOf(language);
            const stem = stemmerOf(language);
            const numbers = new Map<string, number>();
            known = (word) => {
                let number = numbers.get(word);
                if (number === undefined) {
                    number = stops.has(word.toLowerCase()) ? STOP : this.#numberOf(stem(word));
                    if (numbers.size < MOST_WORDS) numbers.set(word, number);
                }
                return number;
            };
            this.#readers.set(language, known);
        }
        return known;
    }

    #numberOf(stem: string): number {
        if (stem === '') return STOP;
        let number = this.#numbers.get(stem);
        if (number === undefined) this.#numbers.set(stem, (number = this.#numbers.size));
        return number;
    }
}

/** Places of numbers below `most`, in ascending order of what stands there (counting sort). O(numbers + most). */
function orderedBy(numbers: Uint32Array, most: number): Uint32Array {
    const next = new Uint32Array(most + 1);
    for (const value of numbers) next[value + 1]!++;
    for (let at = 0; at < most; at++) next[at + 1]! += next[at]!;
    const order = new Uint32Array(numbers.length);
    for (let at = 0; at < numbers.length; at++) order[next[numbers[at]!]!++] = at;
    return order;
}

/** The index as it is asked. */
export class WordIndex {
    readonly count: number;
    readonly #stems: TextTable;
    readonly #columns: Sections['columns'];

    /** @throws Error where the part is of another version, or misses a column */
    constructor({ head, columns }: Sections) {
        const { words, count } = head as Partial<WordsHead>;
        if (words !== WORDS_VERSION || typeof count !== 'number') throw new Error('the word index is another one');
        this.count = count;
        this.#columns = columns;
        this.#stems = new TextTable(this.#column('stem:bytes') as Uint8Array, this.#column('stem:ends'));
        for (const name of ['posting_start', 'posting', 'posting_times', 'words']) this.#column(name);
    }

    /** Stems of all texts. */
    get stems(): number {
        return this.#stems.length;
    }

    /** Words of a page's main text that are no stop words. */
    wordsAt(node: number): number {
        return this.#column('words')[node]!;
    }

    /** Pages that have a stem, ascending, and how often each; none where nobody has it. O(log stems). */
    postings(stem: string): { nodes: NumberColumn; times: NumberColumn } {
        const at = this.#find(stem);
        const start = this.#column('posting_start');
        const [from, to] = at === -1 ? [0, 0] : [start[at]!, start[at + 1]!];
        return {
            nodes: this.#column('posting').subarray(from, to),
            times: this.#column('posting_times').subarray(from, to),
        };
    }

    /** Pages that have all words, as stems of a language; ascending. No word is on every page. O(shortest list · words · log). */
    pagesWith(words: readonly string[], tag: string): number[] {
        const stem = stemmerOf(languageOf(tag));
        const lists = [...new Set(words.map(stem))].map((word) => this.postings(word).nodes);
        lists.sort((a, b) => a.length - b.length);
        const [shortest, ...others] = lists;
        if (!shortest) return [];
        return Array.from(shortest).filter((node) => others.every((list) => holds(list, node)));
    }

    #column(name: string): NumberColumn {
        const column = this.#columns.get(name);
        if (!column) throw new Error(`the word index has no column ${name}`);
        return column;
    }

    /** Place of a stem; -1 for none. */
    #find(stem: string): number {
        let low = 0;
        let high = this.#stems.length;
        while (low < high) {
            const middle = (low + high) >> 1;
            if (this.#stems.at(middle) < stem) low = middle + 1;
            else high = middle;
        }
        return low < this.#stems.length && this.#stems.at(low) === stem ? low : -1;
    }
}

function holds(list: NumberColumn, node: number): boolean {
    let low = 0;
    let high = list.length;
    while (low < high) {
        const middle = (low + high) >> 1;
        if (list[middle]! < node) low = middle + 1;
        else high = middle;
    }
    return list[low] === node;
}
