import { describe, expect, it } from 'vitest';
import { CRAWL_STEPS } from '../survey/progress.ts';
import { STEP_WORDS, spaceWords, waitWords } from './progress.ts';

const MIB = 1024 * 1024;

describe('the words of a running survey', () => {
    it('has words of its own for every step', () => {
        expect(new Set(CRAWL_STEPS.map((step) => STEP_WORDS[step])).size).toBe(CRAWL_STEPS.length);
    });

    it('names the host that rests, why and for how long', () => {
        const why = { code: 'answered', status: 503 } as const;
        expect(waitWords({ code: 'rest', host: 'a.example', why, seconds: 7 })).toBe(
            'a.example answered 503; going on in 7 s',
        );
    });

    it('names the host that gets fewer connections, and how many of how many', () => {
        const why = { code: 'slower', times: 5 } as const;
        expect(waitWords({ code: 'slowed', host: 'a.example', why, allowed: 2, of: 4 })).toBe(
            'a.example takes 5 times as long to answer as at first: 2 of 4 connections',
        );
    });

    it('tells what is needed only where that is known', () => {
        expect(spaceWords({ free: 200 * MIB, need: 0 })).toBe(
            'The disk with the data folder has 200 MB left. The survey is laid aside when it is full; nothing is lost then.',
        );
        expect(spaceWords({ free: 200 * MIB, need: 5_000 * MIB })).toMatch(
            /200 MB left\. What is known so far takes about 5,000 MB more\. The survey/,
        );
    });
});
