import { describe, expect, it } from 'vitest';
import { deciderOf, quoteRule } from './decide.ts';
import { crawlDelayFor, MAX_ROBOTS_BYTES, readRobots, robotsText, rulesFor } from './read-robots.ts';

const ORIGIN = 'https://site.example';

function verdict(robots: string, path: string, agent = 'edgemap') {
    return deciderOf(rulesFor(readRobots(robots), agent))(`${ORIGIN}${path}`);
}

function allowed(robots: string, path: string, agent?: string): boolean {
    return verdict(robots, path, agent).allowed;
}

describe('groups', () => {
    it('takes the group that names the agent, any case, and not the one for everybody', () => {
        const robots = 'User-agent: *\nDisallow: /\n\nUser-Agent: EDGEMAP\nDisallow: /a';
        expect(allowed(robots, '/b')).toBe(true);
        expect(allowed(robots, '/a')).toBe(false);
        expect(allowed(robots, '/b', 'other')).toBe(false);
    });

    it('merges all groups of one agent (RFC 9309 2.2.1)', () => {
        const robots =
            'user-agent: edgemap\ndisallow: /a\n\nuser-agent: x\ndisallow: /c\n\nuser-agent: edgemap\ndisallow: /b';
        expect([allowed(robots, '/a'), allowed(robots, '/b'), allowed(robots, '/c')]).toEqual([false, false, true]);
    });

    it('gives one group to several agents', () => {
        const robots = 'user-agent: x\nuser-agent: edgemap\nuser-agent: y\ndisallow: /a';
        expect(allowed(robots, '/a')).toBe(false);
    });

    it('is not split by other records', () => {
        const robots = 'user-agent: edgemap\nsitemap: https://site.example/s.xml\ncrawl-delay: 5\ndisallow: /a';
        expect(allowed(robots, '/a')).toBe(false);
        expect(readRobots(robots).sitemaps).toEqual([{ href: 'https://site.example/s.xml', line: 2 }]);
    });

    it('leaves out rules that stand before any agent, empty rules and comments', () => {
        const robots = 'disallow: /a\nuser-agent: * # all\ndisallow:\ndisallow: /b # not this';
        expect([allowed(robots, '/a'), allowed(robots, '/b'), allowed(robots, '/c')]).toEqual([true, false, true]);
    });

    it('reads a product token up to what is none of its characters', () => {
        expect(allowed('user-agent: EdgeMap/0.1 (+info)\ndisallow: /', '/x')).toBe(false);
    });

    it('reads any line end, with its line numbers', () => {
        const { rule } = verdict('user-agent: *\rdisallow: /a\r\n\ndisallow: /b', '/b');
        expect(rule).toEqual({ allow: false, pattern: '/b', line: 4 });
        expect(rule && quoteRule(rule)).toBe('Disallow: /b');
    });

    it('finds rules in a file that is really HTML', () => {
        expect(allowed('<html>\nUser-agent: *\nDisallow: /a\n</html>', '/a')).toBe(false);
    });
});

describe('matching', () => {
    // The examples of RFC 9309, sections 2.2.3 and 5.1 and 5.2.
    it('wins by the longest match', () => {
        const robots = 'user-agent: edgemap\nallow: /example/page/\ndisallow: /example/page/disallowed.gif';
        expect(allowed(robots, '/example/page/disallowed.gif')).toBe(false);
        expect(allowed(robots, '/example/page/other.gif')).toBe(true);
    });

    it('lets allow win a tie', () => {
        expect(allowed('user-agent: *\ndisallow: /a\nallow: /a', '/ab')).toBe(true);
    });

    it.each([
        ['/fish', ['/fish', '/fish.html', '/fishheads', '/fish?id=1'], ['/Fish.asp', '/catfish', '/']],
        ['/fish*', ['/fish', '/fishheads/yummy.html'], ['/catfish']],
        ['/fish/', ['/fish/', '/fish/salmon.htm'], ['/fish', '/fish.html']],
        ['/*.php', ['/x.php', '/folder/any.php?p', '/a.php5'], ['/', '/windows.PHP']],
        ['/*.php$', ['/x.php', '/folder/x.php'], ['/x.php?p', '/x.php/', '/x.php5']],
        ['/fish*.php', ['/fish.php', '/fishheads/catfish.php?p'], ['/Fish.PHP']],
        ['/a*b*c$', ['/abc', '/axbxc', '/abcbc'], ['/abcd', '/acb']],
        ['/$', ['/'], ['/a']],
        ['*', ['/', '/a'], []],
        // By the grammar a pattern starts with a slash or a wildcard: this one decides nothing.
        ['fish', [], ['/fish', '/a/fish']],
        ['/path/file-with-a-%2A.html', ['/path/file-with-a-*.html'], ['/path/file-with-a-x.html']],
        ['/path/foo-%24', ['/path/foo-$', '/path/foo-$x'], ['/path/foo-']],
        ['/foo/bar/U+E38384', ['/foo/bar/U+E38384'], []],
        ['/foo/bar/ツ', ['/foo/bar/%E3%83%84'], []],
        ['/foo/bar/%E3%83%84', ['/foo/bar/%e3%83%84'], []],
        ['/foo/bar/%62%61%7A', ['/foo/bar/baz'], []],
        [
            '/foo/bar?baz=https://foo.bar',
            ['/foo/bar?baz=https%3A%2F%2Ffoo.bar', '/foo/bar?baz=https://foo.bar'],
            ['/foo/bar?baz=x'],
        ],
        ['/*http:', ['/go?to=http://x'], ['/go']],
    ])('%s', (pattern, matching, others) => {
        const robots = `user-agent: *\ndisallow: ${pattern}`;
        for (const path of matching) expect(allowed(robots, path), path).toBe(false);
        for (const path of others) expect(allowed(robots, path), path).toBe(true);
    });

    it('never closes /robots.txt itself', () => {
        expect(allowed('user-agent: *\ndisallow: /', '/robots.txt')).toBe(true);
        expect(allowed('user-agent: *\ndisallow: /', '/robots.txt2')).toBe(false);
    });

    it('agrees with a slow matcher on random patterns', () => {
        // Obvious second implementation: the pattern as a regular expression over the whole path.
        const slow = (pattern: string, path: string): boolean => {
            const anchored = pattern.endsWith('$');
            const body = (anchored ? pattern.slice(0, -1) : pattern)
                .replace(/[.+?^${}()|[\]\\]/g, '\\$&')
                .replaceAll('*', '.*');
            return new RegExp(`^${body}${anchored ? '$' : ''}`).test(path);
        };
        let state = 7;
        const next = (below: number): number => (state = (state * 48271) % 2147483647) % below;
        const word = (letters: string, length: number): string =>
            Array.from({ length }, () => letters[next(letters.length)]).join('');
        for (let round = 0; round < 3000; round++) {
            const pattern = `/${word('ab*/', next(6))}${next(3) === 0 ? '$' : ''}`;
            const path = `/${word('ab/', next(7))}`;
            expect(!allowed(`user-agent: *\ndisallow: ${pattern}`, path), `${pattern} on ${path}`).toBe(
                slow(pattern, path),
            );
        }
    });

    it('stays quick on a pattern made to be slow', () => {
        const robots = `user-agent: *\ndisallow: /${'*a'.repeat(200)}b$`;
        expect(allowed(robots, `/${'a'.repeat(4000)}`)).toBe(true);
    });
});

describe('robotsText', () => {
    const decode = (bytes: Uint8Array): string => new TextDecoder().decode(bytes);

    it('takes a BOM away', () => {
        expect(robotsText(new TextEncoder().encode('\uFEFFuser-agent: *'), decode)).toBe('user-agent: *');
    });

    it('cuts at the last whole line within 500 KiB', () => {
        const line = 'disallow: /abcdefgh\n';
        const text = line.repeat(Math.ceil((MAX_ROBOTS_BYTES + 1000) / line.length));
        const kept = robotsText(new TextEncoder().encode(text), decode);
        expect(kept.length).toBe(Math.floor(MAX_ROBOTS_BYTES / line.length) * line.length);
        expect(kept.endsWith('\n')).toBe(true);
    });
});

describe('Crawl-delay', () => {
    it.each([
        ['User-agent: *\nCrawl-delay: 2.5', 2.5],
        ['User-agent: other\nCrawl-delay: 9\n\nUser-agent: *\nDisallow:', null],
        ['User-agent: edgemap\nCrawl-delay: 1\nUser-agent: EdgeMap\nCrawl-delay: 3', 3],
        ['User-agent: *\nCrawl-delay: soon', null],
        ['User-agent: *\nCrawl-delay: -1', null],
        ['Crawl-delay: 4\nUser-agent: *', null],
    ])('%j asks for %s', (text, delay) => {
        expect(crawlDelayFor(readRobots(text), 'edgemap')).toBe(delay);
    });

    it('neither ends a list of agents nor splits a group (RFC 9309 2.2.4)', () => {
        const file = readRobots(
            'User-agent: a\nCrawl-delay: 1\nUser-agent: edgemap\nDisallow: /x\nCrawl-delay: 2\nDisallow: /y',
        );
        expect(rulesFor(file, 'edgemap').map((rule) => rule.pattern)).toEqual(['/x', '/y']);
    });
});
