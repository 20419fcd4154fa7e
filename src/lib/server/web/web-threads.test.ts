import { describe, expect, it } from 'vitest';
import { chosen, isCarrying, WebThread, WebThreads } from './web-threads.ts';

const thread = (name: string): WebThread =>
    new WebThread('views', `/nowhere/${name}.sock`, 'none.js', 1, () => undefined);
const NOW = 1_000_000;

describe('the thread for a view', () => {
    it('is the same for a survey, whatever is looked at', () => {
        const threads = [thread('1'), thread('2')];
        for (let view = 0; view < 3; view++) {
            expect(chosen(threads, 8, NOW)).toBe(threads[0]);
            expect(chosen(threads, 9, NOW)).toBe(threads[1]);
        }
    });

    it('is the other one where that is at work, unless both are', () => {
        const threads = [thread('1'), thread('2')];
        const done = threads[0]!.began(NOW - 100);
        expect(chosen(threads, 8, NOW)).toBe(threads[1]);
        // A request that just came is no work yet.
        expect(chosen(threads, 9, NOW)).toBe(threads[1]);
        const other = threads[1]!.began(NOW - 100);
        expect(chosen(threads, 8, NOW)).toBe(threads[0]);
        other();
        done();
        threads[0]!.began(NOW - 20);
        expect(chosen(threads, 8, NOW)).toBe(threads[0]);
    });
});

describe('what is carried', () => {
    it.each([
        ['GET', '/api/v1/sites/1/surveys/2/links.csv', true],
        ['GET', '/api/v1/sites/1/surveys/2/pages.ndjson', true],
        ['GET', '/api/v1/sites/1/surveys/2/graph.graphml', true],
        ['GET', '/api/v1/sites/1/surveys/2/summary.json', true],
        ['POST', '/api/v1/sites/1/surveys/2/evidence', true],
        ['POST', '/api/v1/sites/1/surveys/2/evidence/abc', true],
        ['POST', '/api/v1/sites/1/surveys/2/resume', true],
        ['GET', '/api/v1/sites/1/surveys/2/evidence', false],
        ['GET', '/sites/1/2/evidence', false],
        ['GET', '/api/v1/sites/1/surveys/2/pages', false],
        ['POST', '/api/v1/sites/1/sets', false],
    ])('%s %s: %s', (method, path, isIt) => {
        expect(isCarrying(method, path)).toBe(isIt);
        const threads = new WebThreads('/nowhere', 'none.js', 1, () => undefined);
        expect(threads.for(method, path).duty).toBe(isIt ? 'carrying' : 'views');
    });
});
