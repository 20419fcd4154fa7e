import { describe, expect, it } from 'vitest';
import { startIn } from './liveness.ts';

/** A line of /proc/PID/stat: fields 1 to 22 as proc(5) numbers them. */
const stat = (name: string, state: string, threads: number, started: number): string =>
    `4711 (${name}) ${state} 1 4711 4711 0 -1 4194560 900 0 0 0 12 3 0 0 20 0 ${threads} 0 ${started} 1000 50 18446744073709551615\n`;

describe('a process in /proc', () => {
    it.each([
        ['runs', stat('node', 'R', 11, 5_000), 5_000],
        ['is stopped', stat('node', 'T', 11, 5_000), 5_000],
        ['has a name with brackets and spaces', stat('a) Z 1 (b', 'S', 1, 77), 77],
        ['has ended and was not waited for', stat('node', 'Z', 1, 5_000), null],
        // The first thread is a zombie, the others hold its ports and files still.
        ['is ending', stat('node', 'Z', 4, 5_000), 5_000],
    ])('%s', (_, text, started) => {
        expect(startIn(text)).toBe(started);
    });
});
