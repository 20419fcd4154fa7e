import { describe, expect, it } from 'vitest';
import { PostingWriter, readPostings } from './posting-bytes.ts';

describe('pages of a stem as bytes', () => {
    it('take one byte for most of them', () => {
        const writer = new PostingWriter(0);
        expect(writer.stem(Uint32Array.of(0, 5, 6, 60), Uint8Array.of(1, 1, 1, 1))).toBe(4);
        expect([...writer.bytes]).toEqual([2, 10, 2, 108]);
    });

    it('come back as they were, on random pages far apart and often named', () => {
        let seed = 5;
        const next = (most: number): number => (seed = (seed * 1_103_515_245 + 12_345) % 2_147_483_648) % most;
        for (let round = 0; round < 200; round++) {
            const writer = new PostingWriter(3);
            const stems = Array.from({ length: 1 + next(6) }, () => {
                const nodes = [
                    ...new Set(Array.from({ length: next(50) }, () => next(round % 2 ? 2_000_000_000 : 90))),
                ];
                nodes.sort((a, b) => a - b);
                return { nodes, times: nodes.map(() => 1 + (next(3) === 0 ? next(255) : 0)) };
            });
            const ends = stems.map(({ nodes, times }) => writer.stem(Uint32Array.from(nodes), Uint8Array.from(times)));
            const { bytes } = writer;
            stems.forEach(({ nodes, times }, stem) => {
                const read = readPostings(bytes.subarray(ends[stem - 1] ?? 0, ends[stem]), nodes.length);
                expect([...read.nodes]).toEqual(nodes);
                expect([...read.times]).toEqual(times);
            });
        }
    });
});
