import { describe, expect, it } from 'vitest';
import { Progress } from './progress.ts';

const TOLD = {
    doing: 'pages',
    read: 3,
    found: 4,
    rate: 0,
    level: 1,
    closedByRobots: 0,
    failures: 0,
    waiting: null,
    hosts: [],
    recentFailures: [],
    families: [],
    actions: 0,
    trapped: 0,
    checks: { done: 0, open: 0 },
};

describe('what a survey told of its levels', () => {
    it('is ranges of depths', () => {
        const levels = [{ from: 0, to: 0, read: 1, seen: 1 }];
        expect(Progress.parse({ ...TOLD, levels }).levels).toEqual(levels);
        expect(Progress.parse({ ...TOLD, levels: [] }).levels).toEqual([]);
    });

    it('is made ranges of where an older version told each level by itself', () => {
        const levels = Array.from({ length: 100 }, (_, level) => ({ level, read: level % 2, seen: 2 }));
        const ranges = Progress.parse({ ...TOLD, levels }).levels;
        expect(ranges[1]).toEqual({ from: 1, to: 1, read: 1, seen: 2 });
        expect(ranges.slice(40)).toEqual([
            { from: 40, to: 79, read: 20, seen: 80 },
            { from: 80, to: 99, read: 10, seen: 40 },
        ]);
    });
});
