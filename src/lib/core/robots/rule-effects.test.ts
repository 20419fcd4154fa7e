import { describe, expect, it } from 'vitest';
import { deciderOf } from './decide.ts';
import { matcherOf } from './edit-robots.ts';
import { readRobots, rulesFor } from './read-robots.ts';
import { closedUrls, robotsEffects } from './rule-effects.ts';

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
