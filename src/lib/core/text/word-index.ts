/**
 * The word index of a survey: for each stem the pages whose main text has it, and how often. A part of the packed survey
 * of its own (`words`), made behind the others; sentences are cut from received sources when they are asked for.
 *
 * Columns: `stem` (texts, in the order of their UTF-16 units), `posting_start` (one more than stems, in bytes of
 * `posting`), `posting` (of each stem its pages, ascending, as `posting-bytes.ts` writes them), `posting_pages` (how many
 * each stem has), `words` (words of each node's main text that are no stop words), `length` (of each node's text as a
 * vector of stems), `heading_start` and `heading` (numbers of the stems of each node's headings), `fit` (of each link
 * how its words stand to its target, `subjects/anchor-fit.ts`; made where the links are known).
 */
import { bytesColumn, wholeColumn } from '../growing-column.ts';
import { narrowed, type NumberColumn } from '../number-column.ts';
import { packTexts, TextTable } from '../packed/text-table.ts';
import type { Sections } from '../packed/sections.ts';
import { languageOf, type TextLanguage } from './language.ts';
import { NOBODY, PostingWriter, readPostings, type Postings } from './posting-bytes.ts';
import { stemmerOf } from './stems.ts';
import { stopWordsOf } from './stop-words.ts';
import { eachWord } from './words.ts';

/** Raised when stems are made or kept otherwise: an index of another version is made anew. */
export const WORDS_VERSION = 3;

export interface WordsHead {
    words: number;
    /** Nodes of the survey it belongs to. */
    count: number;
}

const MOST_TIMES = 255;
/** Different stems of a page's headings that are kept. */
const MOST_HEADING_STEMS = 48;

/** Number of what is no stem to be looked for. */
const STOP = -1;
/** Words of one language whose number is remembered; texts use few words again and again. */
const MOST_WORDS = 500_000;

/** Takes main texts in, one after the other, and makes the part of them. */
export class WordIndexMaker {
    readonly #numbers = new Map<string, number>();
    readonly #readers = new Map<TextLanguage | null, (word: string) => number>();
    /** Stem and times of each posting, text by text. */
    readonly #stems = wholeColumn();
    readonly #times = bytesColumn();
    /** Of each text its key, its words, and where its postings end. */
    readonly #keys = wholeColumn();
    readonly #words = wholeColumn();
    readonly #ends = wholeColumn();
    /** Numbers of the stems of each text's headings. */
    readonly #headings = new Map<number, number[]>();

    /**
     * Each text once, in any order.
     * @param key of the page it is of: its node, or what `done` makes one of
     * @param tag language the page says it is in (BCP 47)
     * @param headings their texts
     */
    add(key: number, text: string, tag: string, headings: readonly string[] = []): void {
        const numberOf = this.#reader(tag);
        const times = new Map<number, number>();
        let words = 0;
        eachWord(text, tag, (word) => {
            const number = numberOf(word);
            if (number === STOP) return;
            words++;
            times.set(number, (times.get(number) ?? 0) + 1);
        });
        const heads = new Set<number>();
        for (const heading of headings) {
            if (heads.size >= MOST_HEADING_STEMS) break;
            eachWord(heading, tag, (word) => {
                const number = numberOf(word);
                if (number !== STOP && heads.size < MOST_HEADING_STEMS) heads.add(number);
            });
        }
        if (heads.size > 0) this.#headings.set(this.#keys.length, [...heads]);
        for (const [number, count] of times) {
            this.#stems.push(number);
            this.#times.push(Math.min(MOST_TIMES, count));
        }
        this.#keys.push(key);
        this.#words.push(words);
        this.#ends.push(this.#stems.length);
    }

    /**
     * O(postings + stems log stems + texts log texts).
     * @param count nodes of the survey
     * @param nodeOf the node of a key; a text without one is left out
     */
    done(count: number, nodeOf: (key: number) => number | undefined = (key) => key): Sections {
        const texts = this.#textsByNode(nodeOf);
        const stems = this.#stemsOf(texts);
        const rank = new Uint32Array(this.#numbers.size);
        stems.forEach(({ number }, at) => (rank[number] = at));
        const [numbers, counts, ends] = [this.#stems.values(), this.#times.values(), this.#ends.values()];
        const pages = new Uint32Array(stems.length);
        const eachPosting = (take: (rank: number, at: number, node: number) => void): void => {
            for (const { text, node } of texts) {
                for (let at = text === 0 ? 0 : ends[text - 1]!; at < ends[text]!; at++) {
                    take(rank[numbers[at]!]!, at, node);
                }
            }
        };
        eachPosting((stem) => void pages[stem]!++);
        const start = new Uint32Array(stems.length + 1);
        for (let at = 0; at < stems.length; at++) start[at + 1] = start[at]! + pages[at]!;
        const next = start.slice();
        const posting = new Uint32Array(start[stems.length]!);
        const times = new Uint8Array(posting.length);
        // Texts come in the order of their nodes, and so do the postings of each stem.
        eachPosting((stem, at, node) => {
            const to = next[stem]!++;
            posting[to] = node;
            times[to] = counts[at]!;
        });
        const words = new Uint32Array(count);
        for (const { text, node } of texts) words[node] = this.#words.at(text);
        const withWords = words.reduce((sum, own) => sum + Number(own > 0), 0);
        const written = new PostingWriter(posting.length);
        const length = new Float32Array(count);
        const begins = new Uint32Array(stems.length + 1);
        for (let stem = 0; stem < stems.length; stem++) {
            const rare = rarity(withWords, pages[stem]!);
            for (let at = start[stem]!; at < start[stem + 1]!; at++) {
                length[posting[at]!]! += termWeight(times[at]!, rare) ** 2;
            }
            begins[stem + 1] = written.stem(
                posting.subarray(start[stem], start[stem + 1]),
                times.subarray(start[stem], start[stem + 1]),
            );
        }
        for (let node = 0; node < length.length; node++) length[node] = Math.sqrt(length[node]!);
        const packed = packTexts(stems.map(({ stem }) => stem));
        const columns = new Map<string, NumberColumn>([
            ['stem:bytes', packed.bytes],
            ['stem:ends', narrowed(packed.ends)],
            ['posting_start', narrowed(begins)],
            ['posting_pages', narrowed(pages)],
            ['posting', written.bytes],
            ['words', narrowed(words)],
            ['length', length],
            ...this.#headingColumns(count, texts, rank),
        ]);
        const head: WordsHead = { words: WORDS_VERSION, count };
        return { head, columns };
    }

    /** Texts that are of a node, in the order of those. */
    #textsByNode(nodeOf: (key: number) => number | undefined): { text: number; node: number }[] {
        return Array.from(this.#keys.values(), (key, text) => ({ text, node: nodeOf(key) ?? -1 }))
            .filter(({ node }) => node >= 0)
            .sort((a, b) => a.node - b.node);
    }

    /** Stems with their numbers, in the order of their characters; those of texts that are left out are not among them. */
    #stemsOf(texts: readonly { text: number }[]): { stem: string; number: number }[] {
        let stems = Array.from(this.#numbers, ([stem, number]) => ({ stem, number }));
        if (texts.length < this.#keys.length) {
            const used = new Uint8Array(stems.length);
            for (const { text } of texts) {
                const own = this.#stems
                    .values()
                    .subarray(text === 0 ? 0 : this.#ends.at(text - 1), this.#ends.at(text));
                for (const number of own) used[number] = 1;
                for (const number of this.#headings.get(text) ?? []) used[number] = 1;
            }
            stems = stems.filter(({ number }) => used[number] === 1);
        }
        return stems.sort((a, b) => (a.stem < b.stem ? -1 : 1));
    }

    #headingColumns(
        count: number,
        texts: readonly { text: number; node: number }[],
        rank: Uint32Array,
    ): [string, NumberColumn][] {
        const start = new Uint32Array(count + 1);
        const all: number[] = [];
        let done = 0;
        for (const { text, node } of texts) {
            start.fill(all.length, done + 1, node + 1);
            for (const number of this.#headings.get(text) ?? []) all.push(rank[number]!);
            done = node;
        }
        start.fill(all.length, done + 1);
        return [
            ['heading_start', narrowed(start)],
            ['heading', narrowed(Uint32Array.from(all))],
        ];
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

/** The index as it is asked. */
export class WordIndex {
    readonly count: number;
    readonly #stems: TextTable;
    readonly #columns: Sections['columns'];
    #pages = -1;
    /** Pages of stems that were asked about, by the stem's place. */
    readonly #read = new Map<number, Uint32Array>();
    #readPages = 0;
    /** Where stems stand that were asked about: each look decodes a dozen texts. */
    readonly #places = new Map<string, number>();

    /** @throws Error where the part is of another version, or misses a column */
    constructor({ head, columns }: Sections) {
        const { words, count } = head as Partial<WordsHead>;
        if (words !== WORDS_VERSION || typeof count !== 'number') throw new Error('the word index is another one');
        this.count = count;
        this.#columns = columns;
        this.#stems = new TextTable(this.#column('stem:bytes') as Uint8Array, this.#column('stem:ends'));
        for (const name of ['posting_start', 'posting_pages', 'posting', 'words', 'length']) this.#column(name);
    }

    /** Stems of all texts. */
    get stems(): number {
        return this.#stems.length;
    }

    /** Words of a page's main text that are no stop words. */
    wordsAt(node: number): number {
        return this.#column('words')[node]!;
    }

    /** Pages that have a stem, ascending, and how often each; none where nobody has it. O(log stems + pages). */
    postings(stem: string): Postings {
        const at = this.#find(stem);
        if (at === -1) return NOBODY;
        const start = this.#column('posting_start');
        const bytes = this.#column('posting') as Uint8Array;
        return readPostings(bytes.subarray(start[at]!, start[at + 1]!), this.#column('posting_pages')[at]!);
    }

    /** How many pages have a stem. O(log stems). */
    pagesOf(stem: string): number {
        const at = this.#find(stem);
        return at === -1 ? 0 : this.#column('posting_pages')[at]!;
    }

    /** Whether the text of a page has a stem; each stem's pages are kept ready, so that asking about many is quick. */
    isOn(stem: string, node: number): boolean {
        const at = this.#find(stem);
        if (at === -1) return false;
        let pages = this.#read.get(at);
        if (!pages) {
            pages = this.postings(stem).nodes;
            this.#readPages += pages.length;
            if (this.#readPages > MOST_READ) {
                this.#read.clear();
                this.#readPages = pages.length;
            }
            this.#read.set(at, pages);
        }
        return holds(pages, node);
    }

    /** Length of each page's text as a vector of stems, each by how often it is there and how rare it is (`termWeight`). */
    get lengths(): NumberColumn {
        return this.#column('length');
    }

    /** Stems of the headings of a page, the first of them. */
    headingsOf(node: number): string[] {
        const start = this.#column('heading_start');
        const own = this.#column('heading').subarray(start[node], start[node + 1]);
        return Array.from(own, (stem) => this.#stems.at(stem));
    }

    /** Of each link how its words stand to its target; null where that was not made. */
    get fits(): NumberColumn | null {
        return this.#columns.get('fit') ?? null;
    }

    /** Pages that have a main text. */
    get pages(): number {
        if (this.#pages === -1) {
            this.#pages = 0;
            const words = this.#column('words');
            for (let node = 0; node < this.count; node++) if (words[node]! > 0) this.#pages++;
        }
        return this.#pages;
    }

    /** How rare a stem is: the logarithm of all pages over those that have it. */
    rarityOf(stem: string): number {
        return rarity(this.pages, this.pagesOf(stem));
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
        let place = this.#places.get(stem);
        if (place === undefined) {
            if (this.#places.size >= MOST_PLACES) this.#places.clear();
            this.#places.set(stem, (place = this.#search(stem)));
        }
        return place;
    }

    #search(stem: string): number {
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

/** Pages of stems that are kept ready, all together. */
const MOST_READ = 8_000_000;
/** Stems whose place is remembered. */
const MOST_PLACES = 100_000;
const LEAST_RARITY = 0.05;

/** @param having pages that have a stem; of none the most there can be */
export function rarity(pages: number, having: number): number {
    return Math.max(LEAST_RARITY, Math.log((pages + 1) / (having + 0.5)));
}

/** Weight of a stem in a text: its rarity, and a little more the more often it is there. */
export const termWeight = (times: number, rare: number): number => (1 + Math.log(times)) * rare;

function holds(list: Uint32Array, node: number): boolean {
    let low = 0;
    let high = list.length;
    while (low < high) {
        const middle = (low + high) >> 1;
        if (list[middle]! < node) low = middle + 1;
        else high = middle;
    }
    return list[low] === node;
}
