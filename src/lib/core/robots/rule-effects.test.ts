import { describe, expect, it } from 'vitest';
import { deciderOf } from './decide.ts';
import { matcherOf } from './edit-robots.ts';
import { readRobots, rulesFor } from './read-robots.ts';
import { closedUrls, robotsEffects, UrlMatcher } from './rule-effects.ts';

const ORIGIN = 'https://site.example';
const FILE = `User-agent: *
Disallow: /members/
Allow: /members/join/
Disallow: /members/reserve/
Disallow: /members/
Disallow: members
Disallow: /print$
`;
const PATHS = ['/', '/members/', '/members/join/', '/members/join/now', '/members/reserve/1', '/robots.txt'];

describe('what each rule does', () => {
    const rules = rulesFor(readRobots(FILE), 'edgemap');
    const urls = PATHS.map((path) => `${ORIGIN}${path}`);
    const effects = robotsEffects(rules, matcherOf(urls));
    const ofLine = (line: number) => effects.rules.find(({ rule }) => rule.line === line)!;

    it('decides where it is the longest that fits, and names the line that hides it elsewhere', () => {
        expect(ofLine(2)).toMatchObject({ decides: 1, loses: 3, hiddenBy: 3 });
        expect(ofLine(3)).toMatchObject({ decides: 2, loses: 0, hiddenBy: null });
        expect(ofLine(4)).toMatchObject({ decides: 1, loses: 0 });
    });

    it('never decides where the same stands before it, where it has no slash, and where nothing is so named', () => {
        expect(ofLine(5)).toMatchObject({ decides: 0, loses: 4 });
        expect(ofLine(6)).toMatchObject({ decides: 0, loses: 0 });
        expect(ofLine(7)).toMatchObject({ decides: 0, loses: 0 });
    });

    it('says of every URL what the decider says', () => {
        const decide = deciderOf(rules);
        expect([...effects.decidedBy].map((place) => rules[place] ?? null)).toEqual(
            urls.map((url) => decide(url).rule),
        );
        expect([...closedUrls(rules, matcherOf(urls))]).toEqual(urls.map((url) => (decide(url).allowed ? 0 : 1)));
    });
});

describe('many URLs that many rules are asked about', () => {
    const urls = matcherOf(PATHS.map((path) => `${ORIGIN}${path}`)).urls;

    it('tell of the bytes they remember, once a pattern', () => {
        let kept = 0;
        const matcher = new UrlMatcher(urls, (bytes) => (kept += bytes));
        const rules = rulesFor(readRobots(FILE), 'edgemap');
        robotsEffects(rules, matcher);
        const first = kept;
        expect(first).toBeGreaterThan(0);
        robotsEffects(rules, matcher);
        expect(kept).toBe(first);
        robotsEffects([{ allow: false, pattern: '/never-met', line: 1 }], matcher);
        expect(kept).toBeGreaterThan(first);
    });

    it('remember no more than they may, however many patterns are typed, and answer as before', () => {
        let [kept, most] = [0, 0];
        const matcher = new UrlMatcher(urls, (bytes) => (most = Math.max(most, (kept += bytes))));
        const rule = (pattern: string) => [{ allow: false, pattern, line: 1 }];
        for (let typed = 0; typed < 140_000; typed++) robotsEffects(rule(`/members/${typed}`), matcher);
        expect(most).toBeLessThanOrEqual(32 * 1024 * 1024);
        expect(kept).toBeLessThan(most);
        expect(robotsEffects(rule('/members/'), matcher).rules[0]).toMatchObject({ decides: 4 });
    });
});
