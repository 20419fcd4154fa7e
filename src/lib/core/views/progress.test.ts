import { describe, expect, it } from 'vitest';
import type { SurveyProgress } from '../survey/progress.ts';
import { canGoOn, progressView } from './progress.ts';

const TOLD: SurveyProgress = {
    doing: 'pages',
    read: 40,
    unanswered: 3,
    found: 100,
    rate: 4,
    level: 2,
    levels: [],
    closedByRobots: 5,
    failures: 0,
    waiting: null,
    warning: null,
    hosts: [],
    recentFailures: [],
    families: [],
    actions: 2,
    trapped: 10,
    checks: { done: 0, open: 0 },
};

describe('what is left to read', () => {
    it('is what was found without what answered, did not answer, or was left alone', () => {
        // 100 - 40 - 3 - (5 + 2 + 10) = 40, at 4 a second 10 seconds.
        expect(progressView(TOLD)).toMatchObject({ unread: 40, secondsLeft: 10 });
    });

    it('is never less than nothing, and takes an unknown time at a standstill', () => {
        expect(progressView({ ...TOLD, found: 10 }).unread).toBe(0);
        expect(progressView({ ...TOLD, rate: 0 }).secondsLeft).toBeNull();
    });
});

describe('what is shown', () => {
    it('scales levels by the widest row of them', () => {
        const levels = [1, 90, 2].map((seen, level) => ({ from: level, to: level, read: 1, seen }));
        expect(progressView({ ...TOLD, levels }).widest).toBe(90);
        expect(progressView({ ...TOLD, levels: [] }).widest).toBe(1);
    });
});

describe('going on', () => {
    it('is offered while something is left, and not while it is read', () => {
        expect(canGoOn('running', [])).toBe(false);
        expect(canGoOn('waiting', ['stopped'])).toBe(false);
        expect(canGoOn('finished', [])).toBe(false);
        expect(canGoOn('finished', ['max-pages'])).toBe(true);
        expect(canGoOn('stopped', ['stopped'])).toBe(true);
        expect(canGoOn('paused', [])).toBe(true);
        expect(canGoOn('failed', ['failed'])).toBe(true);
    });

    it('has nothing to go on with in a spot survey that is done', () => {
        expect(canGoOn('finished', ['spot'])).toBe(false);
    });
});
