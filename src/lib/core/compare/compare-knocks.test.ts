import { describe, expect, it } from 'vitest';
import {
    DOOR_URL as URL,
    doorFacts as facts,
    doorPage as page,
    doorReport as report,
} from '../../../../tests/support/door.ts';
import { compareKnocks } from './compare-knocks.ts';
import type { DoorFacts } from '../door/door-report.ts';
import { realOrigin } from '../door/judge-door.ts';
import { doorSentence, toldVerdict } from '../words/door.ts';
import { told } from '../../../../tests/support/problems.ts';

const variant = (origin: string, lands: string, canonical = ''): DoorFacts['variants'][number] => ({
    origin,
    hops: [],
    lands,
    canonical,
    certificate: null,
});

describe('judgeDoor', () => {
    it('is shut by one noindex alone, and half open where most pages behind it are open', () => {
        const noindex = { say: told('meta robots says noindex'), where: [] };
        const shut = report({ start: page({ noindex }), samples: [page({ noindex }), page({ noindex }), page()] });
        expect(shut.verdict.state).toBe('shut');
        const half = report({ start: page({ noindex }), samples: [page({ noindex }), page(), page()] });
        expect(half.verdict.state).toBe('half');
        expect(doorSentence(half)).toContain('2 of 3 pages behind it may be indexed');
    });

    it('is half open where the start page is open and most of what lies behind is not', () => {
        const half = report({ samples: [page({ status: 500 }), page({ status: 403 }), page()] });
        expect(half.verdict).toMatchObject({ state: 'half', bolts: [] });
        expect(doorSentence(half)).toContain('only 1 of the 3 pages');
    });

    it('does not take words a person sees for what is missing', () => {
        expect(report({ start: page({ words: 0, links: 0 }) }).verdict.bolts[0]?.kind).toBe('empty');
        expect(report({ start: page({ words: 0, links: 3 }) }).verdict.bolts).toEqual([]);
    });

    it('names the real origin: where all lead, else what all canonicals name, else none', () => {
        const both = ['https://a.example', 'https://www.a.example'] as const;
        expect(realOrigin({ variants: both.map((origin) => variant(origin, both[1])) })).toBe(both[1]);
        const apart = both.map((origin) => variant(origin, origin, `${both[0]}/`));
        expect(realOrigin({ variants: apart })).toBe(both[0]);
        expect(realOrigin({ variants: both.map((origin) => variant(origin, origin, `${origin}/`)) })).toBe('');
        expect(realOrigin({ variants: [variant(both[0], ''), variant(both[1], both[1])] })).toBe(both[1]);
    });

    it('warns of a certificate that ends soon', () => {
        const certificate = {
            isTrusted: true,
            trouble: '' as const,
            issuer: 'A',
            names: [],
            validTo: Date.UTC(2026, 2, 10),
            isPinned: false,
        };
        const verdict = toldVerdict(report({ variants: [{ ...variant(URL, URL), certificate }] }));
        expect(verdict.remarks).toContain('A certificate ends in 7 days.');
    });
});

describe('compareKnocks', () => {
    it('finds nothing between equal knocks', () => {
        expect(compareKnocks(report(), report({ at: Date.UTC(2026, 3, 1) }))).toEqual([]);
    });

    it('tells what was mended and what came', () => {
        const before = report({
            robots: { ...facts().robots, status: 200, closes: 'site', rule: 'Disallow: /', line: 2, group: '*' },
            start: page({ closedBy: told('Disallow: /') }),
        });
        const now = report({ expected: 40, start: page({ title: 'New start' }) });
        const changes = compareKnocks(before, now);
        expect(changes).toContainEqual({ what: 'the door', before: 'shut', now: 'open' });
        expect(changes).toContainEqual({ what: 'what shuts', before: 'robots.txt', now: 'nothing' });
        expect(changes).toContainEqual({ what: 'robots.txt answers', before: '200', now: '404' });
        expect(changes).toContainEqual({
            what: 'rule for the start page',
            before: 'Disallow: / (line 2)',
            now: 'none',
        });
        expect(changes).toContainEqual({ what: 'title', before: 'Start', now: 'New start' });
        expect(changes).toContainEqual({ what: 'addresses in sitemaps', before: 'none could be read', now: '40' });
        expect(changes.length).toBe(7);
    });
});
