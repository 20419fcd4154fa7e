import { describe, expect, it } from 'vitest';
import { breather } from './breather.ts';

/** Computes for about a tenth of a millisecond. */
function work(): void {
    const until = performance.now() + 0.1;
    while (performance.now() < until);
}

describe('breather', () => {
    it('lets others have their turn in the middle of long work', async () => {
        let turns = 0;
        const timer = setInterval(() => turns++, 1);
        const breathe = breather(2);
        for (let piece = 0; piece < 1_000; piece++) {
            work();
            await breathe();
        }
        clearInterval(timer);
        expect(turns).toBeGreaterThan(5);
    });

    it('costs no turn while the work is short', () => {
        const breathe = breather(60_000);
        for (let piece = 0; piece < 10_000; piece++) expect(breathe()).toBeUndefined();
    });
});
