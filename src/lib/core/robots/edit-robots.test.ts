import { describe, expect, it } from 'vitest';
import { deciderOf } from './decide.ts';
import { matcherOf, patternsOf, robotsOptions, withRules, type RobotsWish } from './edit-robots.ts';
import { readRobots, rulesFor } from './read-robots.ts';

const ORIGIN = 'https://site.example';

/** The site as one asks for it: what the file closes, and what is chosen. */
function options(text: string, paths: string[], make: RobotsWish['make'], chosen: string[], agent = '*') {
    const urls = paths.map((path) => `${ORIGIN}${path}`);
    return robotsOptions(text, matcherOf(urls), {
        make,
        agent,
        chosen: Uint8Array.from(paths, (path) => (chosen.includes(path) ? 1 : 0)),
    });
}

const isOpen = (text: string, path: string, agent = 'edgemap'): boolean =>
    deciderOf(rulesFor(readRobots(text), agent))(`${ORIGIN}${path}`).allowed;

describe('closing and opening', () => {
    const paths = ['/', '/guides/', '/guides/search', '/guides/saws', '/guides/shears', '/tools/saw'];

    it('closes a folder with the one line that names it', () => {
        const [first] = options('User-agent: *\nDisallow: /tools/saw\n', paths, 'closed', paths.slice(1, 5));
        expect(first?.added).toEqual([{ allow: false, pattern: '/guides/' }]);
        expect(first?.text).toBe('User-agent: *\nDisallow: /tools/saw\nDisallow: /guides/\n');
    });

    it('keeps open what is not chosen: the folder will not do, the page alone has to be named', () => {
        const [first] = options('', paths, 'closed', ['/guides/search']);
        expect(first?.added).toEqual([{ allow: false, pattern: '/guides/search$' }]);
        expect(first?.text).toBe('User-agent: *\nDisallow: /guides/search$\n');
    });

    it('narrows a rule that closes too much, before it adds a line for each page', () => {
        const text = 'User-agent: *\nDisallow: /guides/s # the search page\n';
        const [narrow, more] = options(text, paths, 'open', ['/guides/saws', '/guides/shears']);
        expect(narrow?.removed.map(({ line }) => line)).toEqual([2]);
        expect(narrow?.added).toEqual([{ allow: false, pattern: '/guides/search$' }]);
        expect(more?.added).toEqual([
            { allow: true, pattern: '/guides/saws$' },
            { allow: true, pattern: '/guides/shears$' },
        ]);
    });

    it('has nothing to do where all is as asked, and nothing to offer where nothing can be done', () => {
        expect(options('User-agent: *\nDisallow: /tools/', paths, 'closed', ['/tools/saw'])).toEqual([]);
        expect(options('', ['/', '/robots.txt'], 'closed', ['/robots.txt'])).toEqual([]);
    });

    it('lets an agent that is named keep the rules that held for it', () => {
        const text = 'User-agent: *\nDisallow: /tools/\n';
        const [first] = options(text, paths, 'closed', ['/guides/saws'], 'Otter');
        expect(first?.text).toBe(`${text}\nUser-agent: Otter\nDisallow: /tools/\nDisallow: /guides/saws$\n`);
        expect(isOpen(first!.text, '/tools/saw', 'otter')).toBe(false);
        expect(isOpen(first!.text, '/guides/saws', 'edgemap')).toBe(true);
    });

    it('stands in the last group of the agent, before what follows it', () => {
        const text = 'User-agent: *\nDisallow: /a\n\nSitemap: https://site.example/s.xml\nUser-agent: x\nDisallow: /\n';
        expect(withRules(text, '*', [], [{ allow: false, pattern: '/b' }])).toBe(
            'User-agent: *\nDisallow: /a\nDisallow: /b\n\nSitemap: https://site.example/s.xml\nUser-agent: x\nDisallow: /\n',
        );
    });
});

describe('on random files and wishes', () => {
    let state = 11;
    const next = (below: number): number => (state = (state * 48271) % 2147483647) % below;
    const path = (): string => {
        const folders = Array.from({ length: next(3) }, () => `${'abc'[next(3)]}/`).join('');
        const name = ['', 'x', 'y.pdf', 'z.html'][next(4)]!;
        return `/${folders}${name}${['', '', '?p=1', '?q=2&p=3', '?p=*$'][next(5)]!}`;
    };

    it('makes exactly what was asked, and leaves all else as it was', () => {
        let offered = 0;
        for (let round = 0; round < 400; round++) {
            const paths = [...new Set(Array.from({ length: 14 }, path))];
            const rules = Array.from(
                { length: next(4) },
                () =>
                    `${next(3) === 0 ? 'Allow' : 'Disallow'}: ${['/', '/a/', '/b', '/*.pdf', '/*?p=', '/a/x$'][next(6)]!}`,
            );
            const text = `User-agent: *\n${rules.join('\n')}\n`;
            const chosen = paths.filter(() => next(3) === 0);
            const make = next(2) === 0 ? 'closed' : 'open';
            for (const option of options(text, paths, make, chosen)) {
                offered++;
                for (const one of paths) {
                    const asked = chosen.includes(one) ? make === 'open' : isOpen(text, one);
                    expect(isOpen(option.text, one), `${text}${make} ${chosen.join(' ')}: ${one}\n${option.text}`).toBe(
                        asked,
                    );
                }
            }
        }
        expect(offered).toBeGreaterThan(200);
    });

    it('takes as few lines, and of as few the fewest characters, as trying all patterns finds', () => {
        let compared = 0;
        for (let round = 0; round < 60; round++) {
            const paths = [...new Set(Array.from({ length: 5 }, path))];
            const chosen = paths.filter(() => next(2) === 0);
            if (chosen.length === 0) continue;
            const [first] = options('', paths, 'closed', chosen);
            const patterns = [
                ...new Set(chosen.flatMap((one) => patternsOf(one.replaceAll('*', '%2A').replaceAll('$', '%24')))),
            ];
            let best: [number, number] = [Infinity, Infinity];
            const sizes = (some: string[]): [number, number] => [some.length, some.join('').length];
            const try_ = (some: string[], from: number): void => {
                const text = `User-agent: *\n${some.map((pattern) => `Disallow: ${pattern}`).join('\n')}`;
                const [lines, characters] = sizes(some);
                if (lines > best[0] || (lines === best[0] && characters >= best[1])) return;
                if (paths.every((one) => isOpen(text, one) !== chosen.includes(one))) best = [lines, characters];
                if (some.length < 3) {
                    for (let at = from; at < patterns.length; at++) try_([...some, patterns[at]!], at + 1);
                }
            };
            try_([], 0);
            if (best[0] === Infinity) continue;
            compared++;
            const { added } = first!;
            expect(sizes(added.map(({ pattern }) => pattern)), `${paths.join(' ')}: ${chosen.join(' ')}`).toEqual(best);
        }
        expect(compared).toBeGreaterThan(30);
    });
});
