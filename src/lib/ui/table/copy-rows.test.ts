import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { copyRows, MOST_COPIED } from './copy-rows.ts';

let copied = '';
beforeEach(() => {
    vi.stubGlobal('navigator', { clipboard: { writeText: (text: string) => Promise.resolve(void (copied = text)) } });
});
afterEach(() => vi.unstubAllGlobals());

type Row = Record<string, string | number | boolean | null>;

/** A table of so many rows, each made from its number; it notes the windows that are asked for. */
function table(total: number, row: (n: number) => Row) {
    const windows: [number, number][] = [];
    return {
        windows,
        fetchWindow: (from: number, count: number) => {
            windows.push([from, count]);
            const rows = Array.from({ length: Math.max(0, Math.min(count, total - from)) }, (_, at) => ({
                record: row(from + at),
            }));
            return Promise.resolve({ total, rows });
        },
    };
}

describe('copyRows', () => {
    it('copies names and values, each row once and in order', async () => {
        const { fetchWindow, windows } = table(1_203, (n) => ({
            url: `/p${n}`,
            depth: n % 7,
            indexable: n % 2 === 0,
            title: null,
        }));
        expect(await copyRows(['url', 'depth', 'indexable', 'title'], fetchWindow)).toBe('1203 rows copied.');
        const lines = copied.split('\n');
        expect(lines[0]).toBe('url\tdepth\tindexable\ttitle');
        expect(lines).toHaveLength(1_204);
        lines.slice(1).forEach((line, n) => expect(line).toBe(`/p${n}\t${n % 7}\t${n % 2 === 0}\t`));
        expect(windows.map(([from]) => from)).toEqual([0, 500, 1_000]);
    });

    it('says how many of many it copied', async () => {
        const { fetchWindow } = table(7_000, (n) => ({ url: `/p${n}` }));
        expect(await copyRows(['url'], fetchWindow)).toBe(`${MOST_COPIED} of 7000 rows copied.`);
        expect(copied.split('\n')).toHaveLength(MOST_COPIED + 1);
    });

    it.each(['=1+1', '+1', '-cmd', '@SUM(A1)'])('lets no text become a formula: %s', async (title) => {
        await copyRows(['title', 'depth'], table(1, () => ({ title, depth: -1 })).fetchWindow);
        expect(copied.split('\n')[1]).toBe(`'${title}\t-1`);
    });

    it('parts no value by a tab or a line end within it', async () => {
        await copyRows(['title', 'h1'], table(1, () => ({ title: 'a\tb\r\nc', h1: '\n=1' })).fetchWindow);
        expect(copied.split('\n')).toHaveLength(2);
        expect(copied.split('\n')[1]).toBe('a b c\t =1');
    });
});
