import { describe, expect, it } from 'vitest';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import type { RobotVisits } from '../evidence/robot-visits.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { evaluateSet } from '../sets/evaluate-set.ts';
import { parseSet } from '../sets/parse-set.ts';
import { spentView } from '../views/spent.ts';
import { askedByRobots, spentOf } from './spent.ts';

const site = new Site()
    .known('/', 'manual')
    .page('/', [{ to: '/a' }, { to: '/quiet' }, { to: '/shut' }, { to: '/f?x=1' }, { to: '/later' }, { to: '/old' }])
    .page('/a', [{ to: '/b' }, { to: '/style.css', kind: 'style' }])
    .page('/b')
    .page('/lone')
    .known('/lone')
    .page('/quiet', [], { noindex: true })
    .page('/shut', [], { status: null, notRead: 'robots', robotsAllowed: false, words: null })
    .page('/f?x=1', [], { status: null, notRead: 'trap', words: null })
    .page('/later', [], { status: null, notRead: 'limit', words: null })
    .page('/old', [], { status: 301, words: null });
site.rows.pages.find(({ address }) => address === site.id('/old'))!.redirectTo = site.id('/a');
const { survey } = packSurvey(site.measure());

/** Requests of robots: who, what, and how often it was answered fine, by a redirect, by an error. */
function log(...asked: [robot: string, path: string, fine: number, redirect?: number, error?: number][]): RobotVisits {
    const robots = [...new Set(asked.map(([robot]) => robot))];
    const urls = [...new Set(asked.map(([, path]) => ORIGIN + path))];
    return {
        robots,
        urls,
        robot: asked.map(([robot]) => robots.indexOf(robot)),
        url: asked.map(([, path]) => urls.indexOf(ORIGIN + path)),
        fine: asked.map(([, , fine]) => fine),
        redirect: asked.map(([, , , redirect = 0]) => redirect),
        error: asked.map(([, , , , error = 0]) => error),
        first: 10,
        last: 20,
        left: 0,
    };
}

describe('where robots spend their visits', () => {
    const one = log(
        ['Otter', '/', 4],
        ['Otter', '/a', 3, 0, 1],
        ['Otter', '/quiet', 2],
        ['Otter', '/shut', 1],
        ['Otter', '/f?x=1', 5],
        ['Otter', '/later', 1],
        ['Otter', '/style.css', 2],
        ['Otter', '/img/saw.webp?v=2', 1],
        ['Otter', '/never/heard', 1],
        ['Otter', '/old', 0, 6],
        ['Badger', '/old', 1],
        ['Badger', '/a', 2],
    );
    const spent = spentOf(survey, [one, { ...log(['Badger', '/gone', 0, 0, 7]), first: 5, last: 15 }]);

    it('is told by what each URL is, and by how it was answered then', () => {
        expect(Object.fromEntries(spent.rows.map(({ on, requests, urls }) => [on, [requests, urls]]))).toEqual({
            indexable: [9, 2],
            noindex: [2, 1],
            robots: [1, 1],
            family: [5, 1],
            'not-known': [1, 1],
            resource: [3, 2],
            unheard: [1, 1],
            // One was answered although the survey found a redirect there: it stops there all the same.
            redirect: [7, 1],
            error: [8, 2],
        });
        expect(spent.requests).toBe(37);
        expect(spent.rows.reduce((sum, { requests }) => sum + requests, 0)).toBe(37);
        expect(spent.rows.find(({ on }) => on === 'indexable')!.most).toEqual({ url: `${ORIGIN}/a`, requests: 5 });
        expect([spent.first, spent.last]).toEqual([5, 20]);
    });

    it('is told robot by robot', () => {
        expect(spent.robots).toEqual([
            { name: 'Otter', requests: 27, indexable: 7, redirect: 6, error: 1, pages: 2 },
            { name: 'Badger', requests: 10, indexable: 2, redirect: 0, error: 7, pages: 1 },
        ]);
    });

    it('names the indexable pages that nobody asked for, by depth and by standing', () => {
        expect(spent.indexable).toBe(4);
        expect(spent.never.map((node) => survey.url(node))).toEqual([`${ORIGIN}/b`, `${ORIGIN}/lone`]);
        expect(spent.byDepth).toEqual([
            { depth: 0, pages: 1, never: 0, requests: 4 },
            { depth: 1, pages: 1, never: 0, requests: 5 },
            { depth: 2, pages: 1, never: 1, requests: 0 },
            { depth: null, pages: 1, never: 1, requests: 0 },
        ]);
        expect(spent.byStanding.reduce((sum, { pages }) => sum + pages, 0)).toBe(4);
        expect(spent.byStanding.reduce((sum, { requests }) => sum + requests, 0)).toBe(9);
    });

    it('shows numbers that are the sizes of their sets', () => {
        const view = spentView(survey, [one], 1).spent!;
        const size = (line: string): number => {
            const parsed = parseSet(line);
            if (!parsed.ok) throw new Error(parsed.say);
            return evaluateSet(parsed.set, { survey, asked: askedByRobots(survey, [one]) }).count();
        };
        const sets = [view.never, ...view.rows.map(({ urls }) => urls), ...view.byDepth.map(({ never }) => never)];
        expect(sets.filter(({ set }) => set !== null).length).toBeGreaterThan(4);
        for (const { pages, set } of sets) if (set !== null) expect(size(set), set).toBe(pages);
    });

    it('is not known without a log that tells who asked', () => {
        expect(spentView(survey, [], 2)).toEqual({ given: 2, logs: 0, spent: null });
        const parsed = parseSet('asked for by robots');
        expect(() => parsed.ok && evaluateSet(parsed.set, { survey })).toThrow('No access log');
    });
});
