import { describe, expect, it } from 'vitest';
import { compareKnocks } from './compare-knocks.ts';
import type { DoorFacts, DoorPage, DoorReport, DoorSitemap } from './door-report.ts';
import { judgeDoor } from './judge-door.ts';

const URL = 'https://www.site.example/';

function page(change: Partial<DoorPage> = {}): DoorPage {
    return {
        url: URL,
        hops: [
            {
                url: URL,
                status: change.status === undefined ? 200 : change.status,
                to: '',
                by: '',
                failure: change.failure ?? '',
            },
        ],
        status: 200,
        failure: '',
        mediaType: 'text/html',
        title: 'Start',
        language: 'en',
        words: 100,
        links: 9,
        scripts: 0,
        noindex: null,
        noindexInBody: null,
        canonical: null,
        refresh: null,
        closedBy: '',
        isLeft: false,
        ...change,
    };
}

function report(change: Partial<DoorFacts> = {}): DoorReport {
    const facts: DoorFacts = {
        url: URL,
        at: Date.UTC(2026, 2, 3),
        agent: 'EdgeMap/0.1',
        token: 'edgemap',
        otherAgent: 'other',
        keepsOut: false,
        variants: [],
        robots: {
            url: `${URL}robots.txt`,
            status: 404,
            bytes: 0,
            note: '',
            closes: 'nothing',
            rule: '',
            line: 0,
            group: '',
            rules: 0,
            sitemaps: [],
            crawlDelay: null,
        },
        start: page(),
        startAsOther: page(),
        samples: [],
        differences: [],
        sitemaps: [],
        expected: null,
        neighbours: [],
        ...change,
    };
    return { facts, verdict: judgeDoor(facts) };
}
const noindex = { say: 'meta robots says noindex', where: 'line 3' };
const canonical = { say: 'https://other.example/', where: 'line 4' };
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
    const down = { ...ROBOTS, status: 503, closes: 'unreachable' as const, note: 'answered 503' };

    it('is told once: a server that answers nothing but errors', () => {
        const { verdict } = report({
            robots: down,
            start: page({ status: 503, noindex, canonical }),
            startAsOther: page({ status: 503 }),
        });
        expect(verdict.bolts.map(({ kind }) => kind)).toEqual(['status']);
        expect(verdict.say).toBe('The door is shut by status 503: the start page answers 503.');
    });

    it('is told once: a host that does not answer', () => {
        const silent = page({ status: null, failure: 'refused', words: null, links: null });
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

describe('compareKnocks', () => {
    it('tells of a sitemap that is gone, and of one that came', () => {
        const sitemap: DoorSitemap = {
            url: `${URL}map.xml`,
            found: 'in robots.txt',
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
