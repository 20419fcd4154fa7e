/** The word index: what it takes to make it, against merely counting the words of the same texts, and how large it is. */
import { deflateRawSync } from 'node:zlib';
import { countWords } from '../src/lib/core/page/word-breaks.ts';
import { encodeSections } from '../src/lib/core/packed/sections.ts';
import { WordIndexMaker } from '../src/lib/core/text/word-index.ts';
import type { BenchOptions } from './bench.ts';
import { line, memoryInUse } from './measure.ts';

/** Words of a language, and of one text; the commonest words make half of every text (Zipf). */
const VOCABULARY = 40_000;
const WORDS = 300;
const SYLLABLES = [
    'la',
    'der',
    'sa',
    'ring',
    'to',
    'ol',
    'ben',
    'ch',
    'mit',
    'er',
    'ing',
    'ed',
    'pla',
    'ner',
    'wo',
    'od',
];

/** Texts whose commonest words make half of each (Zipf), the same for the same seed. */
export function madeText(words: readonly string[], seed: number): () => string {
    let state = seed;
    // mulberry32: a product of plain numbers beyond 2^53 would fall into a short circle.
    const next = (): number => {
        state = (state + 0x6d2b79f5) | 0;
        let mixed = Math.imul(state ^ (state >>> 15), state | 1);
        mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
        return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
    };
    return () =>
        Array.from({ length: WORDS }, (_, n) => {
            const word = words[Math.floor(VOCABULARY ** next()) - 1] ?? words[0]!;
            return n % 12 === 11 ? `${word}.` : word;
        }).join(' ');
}

export function vocabulary(): string[] {
    return Array.from({ length: VOCABULARY }, (_, n) => {
        let word = '';
        for (let rest = n + 16; rest > 0; rest = Math.floor(rest / 16)) word += SYLLABLES[rest % 16]!;
        return word;
    });
}

export async function wordsBench(options: BenchOptions): Promise<void> {
    const words = vocabulary();
    for (const pages of options.pages === null ? [10_000, 100_000] : [options.pages]) {
        const text = madeText(words, 1);
        const texts = Array.from({ length: pages }, text);
        const before = memoryInUse();
        let counted = performance.now();
        let all = 0;
        for (const item of texts) all += countWords(item);
        counted = performance.now() - counted;
        let made = performance.now();
        const maker = new WordIndexMaker();
        texts.forEach((item, node) => maker.add(node, item, 'en'));
        const sections = maker.done(pages);
        made = performance.now() - made;
        const bytes = encodeSections(sections);
        const packed = deflateRawSync(bytes, { level: 1 });
        line(
            `${pages.toLocaleString('en')} pages, ${all.toLocaleString('en')} words`,
            [
                `${(made / 1000).toFixed(1)} s`,
                `${(made / counted).toFixed(1)} times counting them`,
                `${(bytes.length / 1e6).toFixed(1)} MB, ${(packed.length / 1e6).toFixed(1)} MB kept`,
                `${((memoryInUse() - before) / 1e6).toFixed(0)} MB held`,
            ].join(', '),
        );
    }
}
