import { describe, expect, it } from 'vitest';
import { signatureOf } from '../doubles/signature.ts';
import { sketchOf } from '../doubles/sketch.ts';
import { Families, type FamilyDecisions } from './families.ts';
import { familyPatterns } from './patterns.ts';

const O = 'https://a.example';

function patternOf(path: string, shape: string): string | undefined {
    return familyPatterns(O + path).find((found) => found.shape === shape)?.pattern;
}

describe('familyPatterns', () => {
    it.each([
        ['/a/b/c', ['/a/{below} b', '/a/b/{below} c']],
        // A segment may be empty: it is a folder too.
        ['/a//b/c', ['/a/{below} ', '/a//{below} b', '/a//b/{below} c']],
        ['//x', ['//{below} x']],
        ['/page', []],
        ['/', []],
    ])('%s lies below each of its folders but the root', (path, below) => {
        const subtrees = familyPatterns(O + path).filter(({ shape }) => shape === 'subtree');
        expect(subtrees.map(({ pattern, values }) => `${pattern.replace('a.example', '')} ${values[0]}`)).toEqual(
            below,
        );
    });

    it.each([
        ['/tools/?kind=saw&sort=price', 'query', 'a.example/tools/?{query}'],
        ['/tools/?sort=price', 'query', 'a.example/tools/?{query}'],
        ['/shop/12/?a=1', 'query', 'a.example/shop/{n}/?{query}'],
        ['/calendar/2027/04/', 'number', 'a.example/calendar/{n}/{n}/'],
        ['/calendar/2027-04-01', 'number', 'a.example/calendar/{n}'],
        ['/guides/saw/', 'folder', 'a.example/guides/{any}'],
        ['/a/b/a/b/a/b/x', 'repeat', 'a.example/{a/b repeated}/{any}'],
        ['/x/y/y/y/', 'repeat', 'a.example/x/{y repeated}/{any}'],
        ['/heap/a/x/', 'subtree', 'a.example/heap/{below}'],
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
        ['/heap', 'subtree'],
    ])('%s has no %s family', (path, shape) => {
        expect(patternOf(path, shape)).toBeUndefined();
    });
});

/** A site as a function: the links of each page and its text; read in the order in which it becomes known. */
function crawl(
    links: (url: string) => string[],
    text: (url: string) => string,
    options: { limit?: number; growth?: number; most?: number; decisions?: FamilyDecisions; listed?: string[] } = {},
): { read: string[]; families: Families } {
    const families = new Families(options.limit ?? 200, options.decisions, options.growth ?? 0);
    const known = new Set([`${O}/`]);
    const queue = [`${O}/`];
    const read: string[] = [];
    families.seen(`${O}/`);
    for (const url of options.listed ?? []) {
        families.seen(url);
        known.add(url);
        queue.push(url);
    }
    for (let at = 0; at < queue.length && read.length < (options.most ?? 2_000); at++) {
        const url = queue[at]!;
        if (families.take(url)) continue;
        read.push(url);
        const fresh = [...new Set(links(url))].filter((link) => !known.has(link));
        for (const link of fresh) {
            known.add(link);
            queue.push(link);
        }
        const said = text(url);
        families.settled(url, fresh, { signature: signatureOf(said), sketch: sketchOf(said, url) });
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

/** `/heap/a/` where every page links `a/` and `../x/`: the segments come in every order. */
const heap = (url: string): string[] =>
    url === `${O}/` ? [`${O}/heap/a/`] : ['a/', '../x/'].map((href) => new URL(href, url).href);
const heapText = (url: string): string => `Heap ${url.slice(O.length).replaceAll('/', ' ')} go on a x`;

describe('subtrees that grow', () => {
    it('close as one family, whatever the order of their segments', () => {
        const { read, families } = crawl(heap, heapText, { most: 20_000 });
        expect(read.length).toBeLessThanOrEqual(220);
        expect(closed(families)).toMatchObject([
            { pattern: 'a.example/heap/{below}', shape: 'subtree', reason: 'nothing-new' },
        ]);
    });

    it('close by number where their texts are all different: nobody knows why, and it ends all the same', () => {
        const { read, families } = crawl(heap, own, { growth: 600, most: 20_000 });
        expect(read.length).toBeGreaterThan(600);
        expect(read.length).toBeLessThanOrEqual(660);
        expect(closed(families)).toMatchObject([{ pattern: 'a.example/heap/{below}', reason: 'number' }]);
        expect(crawl(heap, own, { most: 1_000 }).read).toHaveLength(1_000);
    });

    it('close where a path only goes on, with other names each time', () => {
        const { read, families } = crawl(
            (url) =>
                url === `${O}/` ? [`${O}/deep/`] : [`${url}${'kjqz'[url.length % 4]}${'v'.repeat(url.length % 5)}/`],
            heapText,
            { most: 5_000 },
        );
        expect(read.length).toBeLessThanOrEqual(202);
        expect(closed(families)).toMatchObject([{ pattern: 'a.example/deep/{below}' }]);
    });

    it('close below what stands beside them: the pages of the folder above are read', () => {
        const pages = Array.from(
            { length: 300 },
            (_, n) => `${O}/docs/page-${'abcdefghij'[n % 10]}${'k'.repeat(n / 10)}/`,
        );
        const { read, families } = crawl(
            (url) => {
                if (url === `${O}/`) return [pages[0]!];
                const at = pages.indexOf(url);
                if (at === -1) return ['a/', '../x/'].map((href) => new URL(href, url).href);
                // The last page comes after 3,000 pages of the trap would have.
                return [...(at === 20 ? [`${O}/docs/heap/a/`] : []), ...pages.slice(at + 1, at + 2)];
            },
            (url) => (pages.includes(url) ? own(url) : heapText(url)),
            { most: 20_000 },
        );
        expect(read.filter((url) => pages.includes(url))).toHaveLength(300);
        expect(read.length).toBeLessThan(300 + 400);
        expect(closed(families).map((family) => family.pattern)).toEqual(['a.example/docs/heap/{below}']);
    });

    it('stay open where a sitemap names their pages: none of them is new on a page', () => {
        const chapters = Array.from({ length: 900 }, (_, n) => `${O}/book/chapter-${n}/`);
        const next = (url: string): string[] => {
            const at = chapters.indexOf(url);
            return at + 1 < chapters.length ? [chapters[at + 1]!] : [];
        };
        expect(crawl(next, own, { growth: 600, most: 2_000 }).read).toHaveLength(601);
        const { read, families } = crawl(next, own, { growth: 600, most: 2_000, listed: chapters.slice(1) });
        expect(read).toHaveLength(901);
        expect(closed(families)).toEqual([]);
    });

    it('stay open where one page in ten leads to nothing new, however many there are', () => {
        const { read } = crawl(
            (url) => {
                const n = Number(/(\d+)\/$/.exec(url)?.[1] ?? 0);
                return n % 10 === 9 ? [] : [1, 2].map((step) => `${O}/w/${n * 2 + step}/`);
            },
            own,
            { growth: 400, most: 1_500 },
        );
        expect(read).toHaveLength(1_500);
    });
});

/** A calendar by query: each month leads to the next and to two of its days, each day back to its month. */
function queryCalendar(url: string): string[] {
    const query = new URL(url).searchParams;
    const [year, number] = (query.get('month') ?? query.get('day') ?? '2026-03').split('-').map(Number) as [
        number,
        number,
    ];
    const name = (y: number, m: number): string => `${y}-${String(m).padStart(2, '0')}`;
    if (query.has('day')) return [`${O}/calendar?month=${name(year, number)}`];
    const next = number === 12 ? name(year + 1, 1) : name(year, number + 1);
    return [
        `${O}/calendar?month=${next}`,
        `${O}/calendar?day=${name(year, number)}-01`,
        `${O}/calendar?day=${name(year, number)}-02`,
    ];
}

describe('an index of many short pages', () => {
    it('stays open: what it leads to leads on to nothing', () => {
        // Like the reference of a library: twelve modules of 400 functions, each told in the same few words.
        const { read, families } = crawl(
            (url) => {
                const depth = url.slice(O.length).split('/').length - 2;
                if (depth === 0) return [`${O}/core/index/`];
                if (url.endsWith('/index/'))
                    return Array.from({ length: 12 }, (_, n) => `${O}/core/mod${'abcdefghijkl'[n]}/`);
                if (depth === 2)
                    return Array.from(
                        { length: 400 },
                        (_, n) => `${url}fn-${'abcdefghij'[n % 10]}${'k'.repeat(n / 10)}/`,
                    );
                return [`${O}/core/index/`];
            },
            (url) => (/fn-/.test(url) ? 'This function is only available here.' : own(url)),
            { growth: 2_000, most: 20_000 },
        );
        expect(read).toHaveLength(2 + 12 + 12 * 400);
        expect(closed(families)).toEqual([]);
    });
});

describe('calendars by query', () => {
    it('close where each month leads to all its days', () => {
        const { read, families } = crawl(
            (url) => {
                const [next, ,] = queryCalendar(url);
                const month = new URL(url).searchParams.get('month');
                if (month === null) return url === `${O}/` ? [`${O}/calendar?month=2026-03`] : [];
                return [next!, ...Array.from({ length: 30 }, (_, day) => `${O}/calendar?day=${month}-${day + 1}`)];
            },
            () => 'Nothing is on.',
            { most: 20_000 },
        );
        expect(read.length).toBeLessThanOrEqual(400);
        expect(closed(families)).toMatchObject([{ pattern: 'a.example/calendar?{query}', reason: 'nothing-new' }]);
    });

    const MONTHS = 'January February March April May June July August September October November December'.split(' ');
    it.each([
        [
            'say nothing but the date',
            (url: string) => `${MONTHS[url.charCodeAt(url.length - 1) % 12]} ${url.slice(-10)}`,
        ],
        [
            'say ten words',
            (url: string) => `Events in ${MONTHS[url.length % 12]} ${url.slice(-7)}: there is nothing on yet`,
        ],
        ['say nothing at all', () => ''],
    ])('close where their pages %s', (_, text) => {
        const { read, families } = crawl(queryCalendar, text, { most: 20_000 });
        expect(read.length).toBeLessThanOrEqual(202);
        expect(closed(families)).toMatchObject([{ pattern: 'a.example/calendar?{query}', reason: 'nothing-new' }]);
    });

    it('stay open where each page tells of something else', () => {
        expect(crawl(queryCalendar, own, { most: 900 }).read).toHaveLength(900);
    });
});

describe('counters', () => {
    /** Ten words all pages share, and ten of their own: alike by half, and no near-doubles. */
    const alike = (url: string): string =>
        `${'there is nothing on in this month come back later '.repeat(3)}${own(url).split(' ').slice(0, 6).join(' ')}`;
    const chain = (step: number) => (url: string) => [`${O}/n/${Number(/(\d+)$/.exec(url)?.[1] ?? 0) + step}`];

    it.each([1, 12])('close with steps of %i: a calendar shows a year of months', (step) => {
        expect(closed(crawl(chain(step), alike).families)).toMatchObject([
            { pattern: 'a.example/n/{n}', reason: 'counter' },
        ]);
    });

    it('stay open with longer steps', () => {
        expect(closed(crawl(chain(13), alike, { most: 500 }).families)).toEqual([]);
    });

    it('stay open where a page in five leads to something else that is new', () => {
        const { families } = crawl(
            (url) => {
                const n = Number(/\/n\/(\d+)$/.exec(url)?.[1] ?? 0);
                return url.includes('/event')
                    ? []
                    : [`${O}/n/${n + 1}`, ...(n % 5 === 0 ? [`${O}/event-${'x'.repeat(n / 5)}`] : [])];
            },
            alike,
            { most: 600 },
        );
        expect(closed(families)).toEqual([]);
    });
});

describe('the list of families', () => {
    it('has closed ones first, then the largest, then by name; each with what it is', () => {
        const { families } = crawl(
            (url) =>
                url === `${O}/`
                    ? [`${O}/c/1`, `${O}/b?x=1`, `${O}/a?x=1`]
                    : [
                          url
                              .replace(/\d+$/, (n) => String(Number(n) + 1))
                              .slice(0, url.includes('/c/') ? 99 : url.length + 1),
                      ],
            own,
            { limit: 40, most: 200, decisions: { opened: ['a.example/a?{query}'], closed: ['a.example/b?{query}'] } },
        );
        const list = families.list();
        expect(list[0]).toMatchObject({ pattern: 'a.example/b?{query}', state: 'closed' });
        expect(list.slice(1).map(({ seen }) => seen)).toEqual(
            list
                .slice(1)
                .map(({ seen }) => seen)
                .sort((a, b) => b - a),
        );
        expect(families.list(1)).toHaveLength(1);
    });
});

describe('what stays open', () => {
    it('a directory listing of 3,000 documents, each with a line of its own or none', () => {
        const documents = Array.from(
            { length: 3_000 },
            (_, n) => `${O}/files/${'abcdefghij'[n % 10]}${'k'.repeat(n % 37)}-${n}.html`,
        );
        for (const text of [own, () => '']) {
            const { read, families } = crawl(
                (url) => (url === `${O}/` ? [`${O}/files/`] : url === `${O}/files/` ? documents : [`${O}/files/`]),
                text,
                { growth: 2_000, most: 20_000 },
            );
            expect(read).toHaveLength(3_002);
            expect(closed(families)).toEqual([]);
        }
    });

    it('a paginated archive that shows pictures only: it leads to entries elsewhere', () => {
        const { read, families } = crawl(
            (url) => {
                const n = Number(/page=(\d+)/.exec(url)?.[1] ?? 0);
                if (!url.includes('page=') && url !== `${O}/`) return [];
                return [
                    `${O}/film-${'xyz'[n % 3]}${'q'.repeat(n / 3)}`,
                    ...(n < 600 ? [`${O}/films/?page=${n + 1}`] : []),
                ];
            },
            () => '',
            { growth: 2_000, most: 20_000 },
        );
        expect(read.filter((url) => url.includes('page='))).toHaveLength(600);
        expect(closed(families)).toEqual([]);
    });

    it('a catalogue by parameter whose products each say something', () => {
        const { read, families } = crawl(
            (url) => {
                const n = Number(/id=(\d+)/.exec(url)?.[1] ?? 0);
                return n < 1_500 ? [`${O}/shop/product?id=${n + 1}`, `${O}/shop/product?id=${n + 2}`] : [];
            },
            (url) => `Price and delivery, add to the basket. ${own(url).split(' ').slice(0, 8).join(' ')}`,
            { growth: 2_000, most: 20_000 },
        );
        expect(read).toHaveLength(1_502);
        expect(closed(families)).toEqual([]);
    });

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
