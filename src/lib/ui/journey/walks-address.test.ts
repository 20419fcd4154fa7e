import { describe, expect, it } from 'vitest';
import { walksOf } from './walks-address.ts';

const of = (query: string) => walksOf(new URLSearchParams(query));

describe('random walks in the address', () => {
    it('are the usual ones where nothing is said', () => {
        expect(of('')).toEqual({ walks: 10_000, clicks: 20, seed: 11, deadEnds: true, until: '' });
    });

    it('are those that are said, within what can be waited for', () => {
        expect(of('walks=500&clicks=5&seed=0&ends=left&until=/a/')).toEqual({
            walks: 500,
            clicks: 5,
            seed: 0,
            deadEnds: false,
            until: '/a/',
        });
        expect(of('walks=1e12&clicks=0&seed=-3')).toMatchObject({ walks: 250_000, clicks: 1, seed: 0 });
        expect(of('walks=many&clicks=&seed=2.9')).toMatchObject({ walks: 10_000, clicks: 20, seed: 2 });
    });
});
