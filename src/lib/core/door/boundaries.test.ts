import { describe, expect, it } from 'vitest';
import { DOOR_URL as URL, doorPage as page, doorReport as report } from '../../../../tests/support/door.ts';
import { compareKnocks } from '../compare/compare-knocks.ts';
import { doorSentence } from '../words/door.ts';
import type { DoorSitemap } from './door-report.ts';
import { told } from '../../../../tests/support/problems.ts';

const noindex = { say: told('meta robots says noindex'), where: [] };
const canonical = { say: 'https://other.example/', where: [{ in: 'canonical', line: 4 } as const] };
const ROBOTS = report().facts.robots;

describe('exactly half of the pages behind the start page', () => {
    const half = [page(), page({ noindex })];

    it('are not most of them: a noindex on the start page shuts', () => {
        expect(report({ start: page({ noindex }), samples: half }).verdict.state).toBe('shut');
    });

    it('are not enough: an open start page is a half open door', () => {
        expect(report({ samples: half }).verdict.state).toBe('half');
        expect(report({ samples: [...half, page()] }).verdict.state).toBe('open');
    });
});

describe('a canonical elsewhere', () => {
    it('shuts nothing: the door is half open', () => {
        expect(report({ start: page({ canonical }) }).verdict.state).toBe('half');
        expect(report({ start: page({ canonical, noindex }) }).verdict.state).toBe('shut');
    });
});

describe('one cause', () => {
    const down = { ...ROBOTS, status: 503, closes: 'unreachable' as const, note: told('answered 503') };

    it('is told once: a server that answers nothing but errors', () => {
        const silent = report({
            robots: down,
            start: page({ status: 503, noindex, canonical }),
            startAsOther: page({ status: 503 }),
        });
        expect(silent.verdict.bolts.map(({ kind }) => kind)).toEqual(['status']);
        expect(doorSentence(silent)).toBe('The door is shut by status 503: the start page answers 503.');
    });

    it('is told once: a host that does not answer', () => {
        const silent = page({ status: null, failure: told('refused'), words: null, links: null });
        const { verdict } = report({
            robots: { ...ROBOTS, status: null, closes: 'unreachable' },
            start: silent,
            startAsOther: silent,
        });
        expect(verdict.bolts).toHaveLength(1);
    });

    it('is not taken for another: a robots.txt that fails beside a start page that answers', () => {
        expect(report({ robots: down }).verdict.bolts.map(({ kind }) => kind)).toEqual(['robots']);
    });
});

describe('a bolt behind another', () => {
    it.each([
        ['start', true],
        ['nothing', false],
    ] as const)('robots.txt closing %s: noindex and canonical are hidden behind it, %s', (closes, isHidden) => {
        const { verdict } = report({ robots: { ...ROBOTS, closes }, start: page({ noindex, canonical }) });
        const behind = verdict.bolts.filter(({ kind }) => kind !== 'robots');
        expect(behind.map(({ kind }) => kind)).toEqual(['noindex', 'canonical']);
        expect(behind.map((bolt) => bolt.isHidden)).toEqual([isHidden, isHidden]);
    });
});

describe('compareKnocks', () => {
    it('tells of a sitemap that is gone, and of one that came', () => {
        const sitemap: DoorSitemap = {
            url: `${URL}map.xml`,
            found: { by: 'line', file: 'robots.txt', line: 1 },
            kind: 'urlset',
            entries: 3,
            bytes: 9,
            steps: [],
        };
        const one = report({ sitemaps: [sitemap] });
        const gone = { what: `sitemap ${URL}map.xml`, before: '3 entries', now: 'not found' };
        expect(compareKnocks(one, report())).toContainEqual(gone);
        expect(compareKnocks(report(), one)).toContainEqual({ ...gone, before: 'not found', now: '3 entries' });
        expect(compareKnocks(one, one)).toEqual([]);
    });
});
