import { describe, expect, it } from 'vitest';
import { Site } from '../../../../tests/support/small-site.ts';
import { lehmer } from '../graph/graphs.fixture.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { align } from './align.ts';

/** A survey that knows the start page and some of sixty URLs, of two hosts and with letters beyond ASCII in code units. */
function survey(seed: number, share: number): PackedSurvey {
    const next = lehmer(seed);
    const site = new Site().known('/', 'manual').page('/');
    for (let n = 0; n < 60; n++) {
        if (next(100) >= share) continue;
        const path = n % 3 === 0 ? `/a/${n}` : n % 3 === 1 ? `/%C3%A4${n}` : `/Z?n=${n}`;
        site.page(path).known(path);
    }
    return packSurvey(site.measure()).survey;
}

describe('two surveys', () => {
    it('are matched as looking each URL up would, either way, whatever each knows', () => {
        for (const [one, other] of [
            [50, 50],
            [100, 30],
            [0, 80],
            [0, 0],
            [100, 100],
        ]) {
            for (const seed of [2, 5, 11]) {
                const [a, b] = [survey(seed, one!), survey(seed * 31, other!)];
                for (const [from, to] of [
                    [a, b],
                    [b, a],
                ] as const) {
                    const plain = Array.from({ length: from.count }, (_, node) => to.nodeOf(from.url(node)));
                    expect([...align(from, to)]).toEqual(plain);
                }
            }
        }
    });

    it('are matched once, and take no more when others come in the place of one that runs', () => {
        const [a, b] = [survey(1, 50), survey(2, 50)];
        expect(align(a, b)).toBe(align(a, b));
        expect(align(a, b)).not.toBe(align(b, a));
        const before = a.bytes;
        for (let pack = 0; pack < 20; pack++) align(a, survey(3 + pack, 50));
        expect(a.bytes).toBe(before);
        expect([...align(a, b)]).toEqual(Array.from({ length: a.count }, (_, node) => b.nodeOf(a.url(node))));
    });
});
