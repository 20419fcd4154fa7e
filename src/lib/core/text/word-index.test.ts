import { describe, expect, it } from 'vitest';
import { decodeSections, encodeSections } from '../packed/sections.ts';
import { WordIndex, WordIndexMaker } from './word-index.ts';

type Text = readonly [node: number, text: string, tag: string];

function indexOf(count: number, texts: readonly Text[]): WordIndex {
    const maker = new WordIndexMaker();
    for (const text of texts) maker.add(...text);
    // As it lies in the database.
    return new WordIndex(decodeSections(encodeSections(maker.done(count))));
}

const of = (index: WordIndex, stem: string): [number, number][] => {
    const { nodes, times } = index.postings(stem);
    return Array.from(nodes, (node, at) => [node, times[at]!]);
};

describe('the word index', () => {
    const index = indexOf(6, [
        [4, 'The ladders of Fernhollow, and how a ladder is hired.', 'en-GB'],
        [1, 'Hire a saw; hiring saws is easy.', 'en'],
        [3, 'Les échelles sont prêtées. Une échelle!', 'fr'],
        [2, 'Ysgol ac ysgol', 'cy'],
    ]);

    it('tells of each stem the pages that have it, in their order, and how often', () => {
        expect(of(index, 'ladder')).toEqual([[4, 2]]);
        expect(of(index, 'hire')).toEqual([
            [1, 2],
            [4, 1],
        ]);
        expect(of(index, 'ysgol')).toEqual([[2, 2]]);
        expect(of(index, 'échel')).toEqual([[3, 2]]);
        expect(of(index, 'the')).toEqual([]);
        expect(of(index, 'nobody')).toEqual([]);
        expect(of(index, '')).toEqual([]);
    });

    it('counts the words that are no stop words', () => {
        // ladders, Fernhollow, ladder, hired; hire, saw, hiring, saws, easy; page 0 and 5 have no text.
        expect([0, 1, 4, 5].map((node) => index.wordsAt(node))).toEqual([0, 5, 4, 0]);
    });

    it('finds pages that have all of some words, whatever their form', () => {
        expect(index.pagesWith(['hires'], 'en')).toEqual([1, 4]);
        expect(index.pagesWith(['Hiring', 'ladders'], 'en')).toEqual([4]);
        expect(index.pagesWith(['hire', 'nobody'], 'en')).toEqual([]);
        expect(index.pagesWith([], 'en')).toEqual([]);
    });

    it('holds what counting word by word finds, on made-up texts in any order', () => {
        const words = ['saw', 'zebra', 'ladder', 'wood', 'ünder', 'glue', 'rust', 'nail'];
        let seed = 3;
        const next = (most: number): number => (seed = (seed * 1_103_515_245 + 12_345) % 2_147_483_648) % most;
        for (let round = 0; round < 30; round++) {
            const count = 1 + next(40);
            const texts = Array.from({ length: count }, (_, node): Text => [
                node,
                Array.from({ length: next(300) }, () => words[next(words.length)]!).join(' '),
                'cy',
            ]).sort(() => next(3) - 1);
            const made = indexOf(count, texts);
            for (const word of words) {
                const plain = texts
                    .map(([node, text]): [number, number] => [
                        node,
                        text.split(' ').filter((item) => item === word).length,
                    ])
                    .filter(([, times]) => times > 0)
                    .map(([node, times]): [number, number] => [node, Math.min(255, times)])
                    .sort((a, b) => a[0] - b[0]);
                expect(of(made, word)).toEqual(plain);
            }
        }
    });

    it('is the same bytes whatever texts are called by until their nodes are known, and without those that get none', () => {
        const texts = [
            ['the saw and its blade', ['Saw', 'Sharpening']],
            ['a ladder, hired by the day', ['Ladder']],
            ['only here: zebra and quagga', ['Zebra', 'Heading of nobody']],
            ['glue for the saw and the ladder', []],
        ] as const;
        const nodes = [2, 0, undefined, 4];
        const early = new WordIndexMaker();
        // Called by a number that has nothing to do with nodes, and in another order.
        for (const at of [2, 3, 0, 1]) early.add(1_000 - 7 * at, texts[at]![0], 'en', texts[at]![1]);
        const late = new WordIndexMaker();
        texts.forEach(([text, headings], at) => {
            if (nodes[at] !== undefined) late.add(nodes[at], text, 'en', headings);
        });
        const made = early.done(6, (key) => nodes[(1_000 - key) / 7]);
        expect(Buffer.from(encodeSections(made)).equals(Buffer.from(encodeSections(late.done(6))))).toBe(true);
        expect(of(new WordIndex(made), 'zebra')).toEqual([]);
    });

    it('is refused in another version, or where a column is missing', () => {
        const made = new WordIndexMaker().done(2);
        expect(new WordIndex(made).stems).toBe(0);
        expect(() => new WordIndex({ ...made, head: { words: 99, count: 2 } })).toThrow('another');
        made.columns.delete('posting');
        expect(() => new WordIndex(made)).toThrow('posting');
    });
});
