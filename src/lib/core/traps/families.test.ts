import { describe, expect, it } from 'vitest';
import { signatureOf, type Signature } from '../doubles/signature.ts';
import { Families, type FamilyDecisions } from './families.ts';
import { familyPatterns } from './patterns.ts';

const O = 'https://a.example';

function patternOf(path: string, shape: string): string | undefined {
    return familyPatterns(O + path).find((found) => found.shape === shape)?.pattern;
}

describe('familyPatterns', () => {
    it.each([
        ['/tools/?kind=saw&sort=price', 'query', 'a.example/tools/?{query}'],
        ['/tools/?sort=price', 'query', 'a.example/tools/?{query}'],
        ['/shop/12/?a=1', 'query', 'a.example/shop/{n}/?{query}'],
        ['/calendar/2027/04/', 'number', 'a.example/calendar/{n}/{n}/'],
        ['/calendar/2027-04-01', 'number', 'a.example/calendar/{n}'],
        ['/guides/saw/', 'folder', 'a.example/guides/{any}'],
        ['/a/b/a/b/a/b/x', 'repeat', 'a.example/{a/b repeated}/{any}'],
        ['/x/y/y/y/', 'repeat', 'a.example/x/{y repeated}/{any}'],
        ['/page?PHPSESSID=0af3', 'session', 'a.example/{any}?PHPSESSID={session}'],
        ['/page;jsessionid=0AF3?x=1', 'session', 'a.example/{any};{session}'],
        [`/page?k=${'0a'.repeat(16)}`, 'session', 'a.example/{any}?k={session}'],
    ])('%s has the %s family %s', (path, shape, pattern) => {
        expect(patternOf(path, shape)).toBe(pattern);
    });

    it.each([
        ['/11/11/11/', 'repeat'],
        ['/a/b/a/b', 'repeat'],
        ['/a?id=12345', 'session'],
        ['/a?q=a-long-word-that-somebody-wrote', 'session'],
        ['/', 'folder'],
    ])('%s has no %s family', (path, shape) => {
        expect(patternOf(path, shape)).toBeUndefined();
    });
});

/** A site as a function: the links of each page and its text; read in the order in which it becomes known. */
function crawl(
    links: (url: string) => string[],
    text: (url: string) => string,
    options: { limit?: number; most?: number; decisions?: FamilyDecisions } = {},
): { read: string[]; families: Families } {
    const families = new Families(options.limit ?? 200, options.decisions);
    const known = new Set([`${O}/`]);
    const queue = [`${O}/`];
    const read: string[] = [];
    families.seen(`${O}/`);
    for (let at = 0; at < queue.length && read.length < (options.most ?? 2_000); at++) {
        const url = queue[at]!;
        if (families.take(url)) continue;
        read.push(url);
        const fresh = [...new Set(links(url))].filter((link) => !known.has(link));
        for (const link of fresh) {
            known.add(link);
            queue.push(link);
        }
        const signature: Signature | null = signatureOf(text(url));
        families.settled(url, fresh, signature);
    }
    return { read, families };
}

const closed = (families: Families) => families.list().filter((family) => family.state === 'closed');
const same = (): string => 'The tool library lends tools to all who ask for them, every day but Sunday.';
/** A text of its own for every page. */
function own(url: string): string {
    let state = 7;
    for (const char of url) state = (state * 31 + char.charCodeAt(0)) % 2_147_483_647;
    return Array.from({ length: 60 }, () => `w${(state = (state * 16_807) % 2_147_483_647) % 9_999}`).join(' ');
}

const month = (url: string): [number, number] => {
    const [, year = '2026', number = '1'] = /(\d+)\/(\d+)\/$/.exec(url) ?? [];
    return [Number(year), Number(number)];
};

describe('traps close', () => {
    it('a calendar without end, at the limit and not a page later', () => {
        const { read, families } = crawl(
            (url) => {
                const [year, number] = month(url);
                const next = number === 12 ? [year + 1, 1] : [year, number + 1];
                return [`${O}/`, `${O}/calendar/${next[0]}/${next[1]}/`];
            },
            (url) =>
                `Events in month ${month(url).join(' ')}. There is nothing on in this month, come back another time.`,
        );
        expect(read).toHaveLength(201);
        expect(closed(families)).toMatchObject([
            { pattern: 'a.example/calendar/{n}/{n}/', read: 200, seen: 201, reason: 'counter' },
        ]);
    });

    it('filters that multiply', () => {
        // Five filters of six values each: 16,806 combinations.
        const { read, families } = crawl((url) => {
            const chosen = new URL(url).searchParams;
            const links: string[] = [];
            for (const name of ['a', 'b', 'c', 'd', 'e']) {
                if (chosen.has(name)) continue;
                for (let value = 0; value < 6; value++)
                    links.push(
                        `${O}/tools/?${[...`${chosen}&${name}=${value}`.replace(/^&/, '').split('&')].sort().join('&')}`,
                    );
            }
            return links;
        }, own);
        expect(read.filter((url) => url.includes('?'))).toHaveLength(200);
        expect(closed(families)).toMatchObject([{ pattern: 'a.example/tools/?{query}', reason: 'combinations' }]);
    });

    it('a path that goes round', () => {
        const { read, families } = crawl((url) => [`${url}a/b/`], own);
        expect(read.length).toBeLessThanOrEqual(204);
        expect(closed(families)).toMatchObject([{ reason: 'repeat', read: 200 }]);
    });

    it('a session id that is new on every page', () => {
        let sessions = 0;
        const { read, families } = crawl(() => [1, 2].map((n) => `${O}/p${n}?sid=${(sessions += 1)}`), own);
        expect(read.length).toBeLessThanOrEqual(201);
        expect(closed(families)[0]).toMatchObject({ pattern: 'a.example/{any}?sid={session}', reason: 'session' });
    });

    it('a folder that makes up ever new names for the same page', () => {
        let names = 0;
        const { read, families } = crawl(
            () => [`${O}/more/${(names += 7919).toString(36).replace(/\d/g, 'x')}${'q'.repeat(names % 97)}/`],
            same,
        );
        expect(read.length).toBeLessThanOrEqual(201);
        expect(closed(families)).toMatchObject([{ pattern: 'a.example/more/{any}', reason: 'near-doubles' }]);
    });
});

describe('what stays open', () => {
    it('a flat folder of distinct pages that link on and on', () => {
        const { read, families } = crawl((url) => {
            const n = Number(/(\d+)$/.exec(url)?.[1] ?? 0);
            return n < 600 ? [`${O}/shop/item-${n + 1}`, `${O}/shop/item-${n + 2}`] : [];
        }, own);
        expect(read).toHaveLength(602);
        expect(closed(families)).toEqual([]);
    });

    it('a paginated archive: it leads to what is new', () => {
        const { read, families } = crawl((url) => {
            const n = Number(/page=(\d+)/.exec(url)?.[1] ?? 0);
            if (!url.includes('page=') && url !== `${O}/`) return [];
            return [
                `${O}/journal/${'abcdefghij'[n % 10]}${'k'.repeat(1 + (n % 60))}${'l'.repeat(n % 7)}/`,
                ...(n < 400 ? [`${O}/journal/?page=${n + 1}`] : []),
            ];
        }, own);
        expect(read.filter((url) => url.includes('page='))).toHaveLength(400);
        expect(closed(families)).toEqual([]);
    });

    it('a list of things that a second parameter names', () => {
        const { families, read } = crawl((url) => {
            const n = Number(/t=(\d+)/.exec(url)?.[1] ?? 0);
            return n < 500 ? [1, 2, 3].map((step) => `${O}/forum?f=${n % 4}&t=${n * 3 + step}`) : [];
        }, own);
        expect(read.length).toBeGreaterThan(1_000);
        expect(closed(families)).toEqual([]);
    });

    it('a large family that is all known and breeds no more', () => {
        const all = Array.from({ length: 300 }, (_, n) => `${O}/tools/?a=${n % 20}&b=${Math.floor(n / 20)}`);
        const { read, families } = crawl((url) => (url === `${O}/` ? all : [`${O}/`]), same);
        expect(read).toHaveLength(301);
        expect(closed(families)).toEqual([]);
    });

    it('numbered chapters, each with a text of its own', () => {
        const { read, families } = crawl((url) => {
            const n = Number(/(\d+)$/.exec(url)?.[1] ?? 0);
            return n < 500 ? [`${O}/book/chapter-${n + 1}`] : [];
        }, own);
        expect(read).toHaveLength(501);
        expect(closed(families)).toEqual([]);
    });

    it('everything, with the limit 0', () => {
        const { read } = crawl((url) => [`${url}a/`], same, { limit: 0, most: 700 });
        expect(read).toHaveLength(700);
    });
});

describe('by hand', () => {
    const chain = (url: string): string[] => [`${O}/c/${Number(/(\d+)$/.exec(url)?.[1] ?? 0) + 1}`];

    it('a closed family is opened', () => {
        const decisions = { opened: ['a.example/c/{n}'], closed: [] };
        const { read, families } = crawl(chain, same, { decisions, most: 500 });
        expect(read).toHaveLength(500);
        expect(families.list()).toMatchObject([{ pattern: 'a.example/c/{n}', state: 'open', byHand: true }]);
    });

    it('an open family is closed, and not one member of it is read', () => {
        const decisions = { opened: [], closed: ['a.example/c/{n}'] };
        const { read, families } = crawl(chain, same, { decisions });
        expect(read).toEqual([`${O}/`]);
        expect(families.list()).toMatchObject([{ read: 0, seen: 1, state: 'closed', reason: 'hand', byHand: true }]);
    });
});

it('closes the same families at the same page in every run', () => {
    const run = () => crawl((url) => [`${url}a/b/`, `${O}/n/${url.length}`], same).read;
    expect(run()).toEqual(run());
});
