import { describe, expect, it } from 'vitest';
import { packSurvey } from '../pack/pack-survey.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { lehmer } from '../graph/graphs.fixture.ts';
import { pageRecord } from '../../../../tests/support/reference/page-record.ts';
import type { MeasuredSurvey } from '../../../../tests/support/reference/measured-survey.ts';
import { LISTS, randomSite } from '../../../../tests/support/random-site.ts';
import { Site, ORIGIN } from '../../../../tests/support/small-site.ts';
import { Bits } from './bits.ts';
import { evaluateSet, partsFor, SetUnknown } from './evaluate-set.ts';
import { fieldsOf } from './fields.ts';
import { parseSet } from './parse-set.ts';
import { printSet } from './print-set.ts';
import { needsMore } from './set-expression.ts';

/** What plain loops need: pages as records, links one by one. */
interface Plain {
    survey: MeasuredSurvey;
    packed: PackedSurvey;
    record: (node: number) => ReturnType<typeof pageRecord>;
    links: { from: number; to: number; region: string; anchor: string; followed: boolean }[];
}

function plainOf(site: Site): Plain {
    const survey = site.measure();
    const { packed } = { packed: packSurvey(survey).survey };
    const links: Plain['links'] = [];
    for (const item of site.rows.pageBlocks) {
        const from = survey.nodeOf[item.page]!;
        const page = survey.pages[from];
        if (page?.status !== 200) continue;
        const block = site.rows.blocks[item.block]!;
        for (const link of site.rows.lists[block.list]!.links) {
            const to = link.target === null ? -1 : survey.nodeOf[link.target]!;
            if (link.kind !== 'a' || to < 0 || to === from) continue;
            const followed = link.rel === '' && !page.nofollow;
            links.push({ from, to, region: block.region, anchor: link.anchor, followed });
        }
    }
    return { survey, packed, record: (node) => pageRecord(survey, node), links };
}

type Test = (node: number, of: Plain) => boolean;

const guides: Test = (node, { record }) => record(node).section === 'guides';
const linksInto = (of: Plain, to: Test, link: (link: Plain['links'][number]) => boolean = () => true): Test => {
    const found = new Set(of.links.filter((item) => link(item) && to(item.to, of)).map(({ from }) => from));
    return (node) => found.has(node);
};
const linkedBy = (of: Plain, from: Test, link: (link: Plain['links'][number]) => boolean = () => true): Test => {
    const found = new Set(of.links.filter((item) => link(item) && from(item.from, of)).map(({ to }) => to));
    return (node) => found.has(node);
};
const num = (value: unknown): number => (typeof value === 'number' ? value : NaN);
const has = (value: unknown, part: string): boolean =>
    typeof value === 'string' && value.toLowerCase().includes(part.toLowerCase());

/** Each expression beside a plain loop that says the same. */
const EXPRESSIONS: [string, (of: Plain) => Test][] = [
    ['all', () => () => true],
    ['', () => () => true],
    [
        'depth > 1',
        () =>
            (n, { record }) =>
                num(record(n).depth) > 1,
    ],
    [
        'depth >= 1 and depth <= 2',
        () =>
            (n, { record }) =>
                [1, 2].includes(num(record(n).depth)),
    ],
    [
        'depth from 1 to 2',
        () =>
            (n, { record }) =>
                [1, 2].includes(num(record(n).depth)),
    ],
    [
        'depth is 0',
        () =>
            (n, { record }) =>
                record(n).depth === 0,
    ],
    [
        'depth is not 1',
        () =>
            (n, { record }) =>
                record(n).depth !== null && record(n).depth !== 1,
    ],
    [
        'depth != 1',
        () =>
            (n, { record }) =>
                record(n).depth !== null && record(n).depth !== 1,
    ],
    [
        'depth is unknown',
        () =>
            (n, { record }) =>
                record(n).depth === null,
    ],
    [
        'depth is known',
        () =>
            (n, { record }) =>
                record(n).depth !== null,
    ],
    [
        'not depth > 1',
        () =>
            (n, { record }) =>
                !(num(record(n).depth) > 1),
    ],
    [
        'status = 404',
        () =>
            (n, { record }) =>
                record(n).status === 404,
    ],
    [
        'status is one of 301, 404',
        () =>
            (n, { record }) =>
                [301, 404].includes(num(record(n).status)),
    ],
    [
        'status is not one of 301, 404',
        () =>
            (n, { record }) =>
                ![301, 404].includes(num(record(n).status)),
    ],
    [
        'words < 50',
        () =>
            (n, { record }) =>
                num(record(n).words) < 50,
    ],
    [
        'words >= 50',
        () =>
            (n, { record }) =>
                num(record(n).words) >= 50,
    ],
    [
        'bytes > 45000.5',
        () =>
            (n, { record }) =>
                num(record(n).bytes) > 45_000.5,
    ],
    [
        'incoming links > 3',
        () =>
            (n, { record }) =>
                num(record(n).incoming_links) > 3,
    ],
    [
        'incoming pages = 0',
        () =>
            (n, { record }) =>
                record(n).incoming_pages === 0,
    ],
    [
        'incoming followed <= 1',
        () =>
            (n, { record }) =>
                num(record(n).incoming_followed) <= 1,
    ],
    [
        'outgoing links is unknown',
        () =>
            (n, { record }) =>
                record(n).outgoing_links === null,
    ],
    [
        'folder depth = 1',
        () =>
            (n, { record }) =>
                record(n).folder_depth === 1,
    ],
    [
        'title length < 6',
        () =>
            (n, { record }) =>
                record(n).title !== null && String(record(n).title).length < 6,
    ],
    ['section is guides', () => guides],
    ['section is "guides"', () => guides],
    [
        'section is not guides',
        () =>
            (n, { record }) =>
                record(n).section !== 'guides',
    ],
    [
        'section is one of guides, tools',
        () =>
            (n, { record }) =>
                ['guides', 'tools'].includes(String(record(n).section)),
    ],
    [
        'section has "OOL"',
        () =>
            (n, { record }) =>
                record(n).section === 'tools',
    ],
    ['section is Guides', () => () => false],
    [
        'title has "SAW"',
        () =>
            (n, { record }) =>
                has(record(n).title, 'saw'),
    ],
    [
        'title is saws',
        () =>
            (n, { record }) =>
                record(n).title === 'Saws',
    ],
    [
        'title begins "mend"',
        () =>
            (n, { record }) =>
                record(n).title === 'Mend a chair',
    ],
    [
        'title ends "CHAIR"',
        () =>
            (n, { record }) =>
                record(n).title === 'Mend a chair',
    ],
    [
        'title is empty',
        () =>
            (n, { record }) =>
                record(n).title === '',
    ],
    [
        'title is not empty',
        () =>
            (n, { record }) =>
                record(n).title !== '',
    ],
    [
        'title is unknown',
        () =>
            (n, { record }) =>
                record(n).title === null,
    ],
    [
        'path begins "/guides/"',
        () =>
            (n, { record }) =>
                String(record(n).url).startsWith(`${ORIGIN}/guides/`),
    ],
    [
        'url ends "page-7"',
        () =>
            (n, { record }) =>
                String(record(n).url).endsWith('page-7'),
    ],
    ['url ends "PAGE-7"', () => () => false],
    [
        '"page-1"',
        () =>
            (n, { record }) =>
                has(record(n).url, 'page-1') || has(record(n).title, 'page-1'),
    ],
    [
        'language is de',
        () =>
            (n, { record }) =>
                record(n).language === 'de',
    ],
    [
        'gate is indexable',
        () =>
            (n, { record }) =>
                record(n).gate === 'indexable',
    ],
    [
        'gate is noindex or gate is robots',
        () =>
            (n, { record }) =>
                ['noindex', 'robots'].includes(String(record(n).gate)),
    ],
    [
        'gate reason has "disallow"',
        () =>
            (n, { record }) =>
                has(record(n).gate_reason, 'disallow'),
    ],
    [
        'indexable',
        () =>
            (n, { record }) =>
                record(n).indexable === true,
    ],
    [
        'stopped',
        () =>
            (n, { record }) =>
                record(n).indexable === false,
    ],
    [
        'reached and not indexable',
        () =>
            (n, { record }) =>
                record(n).reached === true && record(n).indexable !== true,
    ],
    [
        'orphan',
        () =>
            (n, { record }) =>
                record(n).orphan === true,
    ],
    [
        'orphan kind is strict',
        () =>
            (n, { record }) =>
                record(n).orphan === true && record(n).incoming_pages === 0,
    ],
    [
        'strict orphan or adrift',
        () =>
            (n, { record }) =>
                record(n).orphan === true,
    ],
    [
        'in sitemap',
        () =>
            (n, { record }) =>
                record(n).in_sitemap === true || has(record(n).evidence, 'sitemap'),
    ],
    [
        'known from log',
        () =>
            (n, { record }) =>
                has(record(n).evidence, 'log'),
    ],
    [
        'evidence is "link sitemap"',
        () =>
            (n, { record }) =>
                record(n).evidence === 'link sitemap',
    ],
    [
        'list is "march.log"',
        ({ survey }) => {
            const named = new Set<number>();
            for (const { address, source } of survey.rows.evidence) {
                if (source === LISTS[0]) named.add(survey.nodeOf[address]!);
            }
            return (n) => named.has(n);
        },
    ],
    [
        'sitemap is "https://site.example/sitemap.xml"',
        () =>
            (n, { record }) =>
                has(record(n).evidence, 'sitemap'),
    ],
    [
        'closed by robots',
        () =>
            (n, { record }) =>
                record(n).robots_allowed === false,
    ],
    [
        'error',
        () =>
            (n, { record }) =>
                num(record(n).status) >= 400,
    ],
    [
        'redirect',
        () =>
            (n, { record }) =>
                record(n).status === 301,
    ],
    [
        'noindex and nofollow',
        () =>
            (n, { survey }) =>
                survey.pages[n]?.noindex === true && survey.pages[n].nofollow,
    ],
    [
        'redirect to has "guides"',
        () =>
            (n, { record }) =>
                has(record(n).redirect_to, 'guides'),
    ],
    [
        'canonical has "tools"',
        () =>
            (n, { record }) =>
                has(record(n).canonical, 'tools'),
    ],
    [
        'same title',
        (of) => {
            const titles = Array.from({ length: of.survey.count }, (_, n) => of.record(n));
            return (n) =>
                titles[n]!.status === 200 &&
                Boolean(titles[n]!.title) &&
                titles.filter((other) => other.status === 200 && other.title === titles[n]!.title).length > 1;
        },
    ],
    [
        'read at >= 2026-03-15',
        () =>
            (n, { survey }) =>
                (survey.pages[n]?.readAt ?? NaN) >= Date.UTC(2026, 2, 15),
    ],
    [
        'read at is 2026-03-15',
        () =>
            (n, { survey }) =>
                survey.pages[n]?.readAt === Date.UTC(2026, 2, 15, 12),
    ],
    [
        'read at <= 2026-03-15',
        () =>
            (n, { survey }) =>
                (survey.pages[n]?.readAt ?? NaN) < Date.UTC(2026, 2, 16),
    ],
    [
        'read at != 2026-03-15',
        () =>
            (n, { survey }) => {
                const at = survey.pages[n]?.readAt ?? null;
                return at !== null && at !== Date.UTC(2026, 2, 15, 12);
            },
    ],
    [
        'read at from 2026-03-10 to 2026-03-12',
        () =>
            (n, { survey }) =>
                [10, 11, 12].some((day) => survey.pages[n]?.readAt === Date.UTC(2026, 2, day, 12)),
    ],
    ['links to (section is guides)', (of) => linksInto(of, guides)],
    ['links to (section is guides) followed', (of) => linksInto(of, guides, (link) => link.followed)],
    ['links to (section is guides) via nav', (of) => linksInto(of, guides, (link) => link.region === 'nav')],
    [
        'links to (error) via main',
        (of) =>
            linksInto(
                of,
                (n) => of.record(n).status === 404,
                (link) => link.region === 'main',
            ),
    ],
    [
        'links to (all) with anchor "SAW"',
        (of) =>
            linksInto(
                of,
                () => true,
                (link) => has(link.anchor, 'saw'),
            ),
    ],
    [
        'links to (all) via main followed with anchor "saw for"',
        (of) =>
            linksInto(
                of,
                () => true,
                (link) => link.region === 'main' && link.followed && has(link.anchor, 'saw for'),
            ),
    ],
    ['linked from (depth is 0)', (of) => linkedBy(of, (n) => of.record(n).depth === 0)],
    [
        'linked from (section is tools) via main',
        (of) =>
            linkedBy(
                of,
                (n) => of.record(n).section === 'tools',
                (link) => link.region === 'main',
            ),
    ],
    [
        'linked only from (section is guides)',
        (of) => {
            const [from, others] = [linkedBy(of, guides), linkedBy(of, (n) => !guides(n, of))];
            return (n) => from(n, of) && !others(n, of);
        },
    ],
    [
        'not links to (indexable)',
        (of) => {
            const test = linksInto(of, (n) => of.record(n).indexable === true);
            return (n) => !test(n, of);
        },
    ],
    [
        'redirects to (section is guides)',
        (of) => (n) => {
            let at = of.survey.pages[n]?.redirectTo ?? null;
            for (let hop = 0; at !== null && hop < 60; hop++) {
                if (guides(of.survey.nodeOf[at]!, of)) return true;
                at = of.survey.pages[of.survey.nodeOf[at]!]!.redirectTo;
            }
            return false;
        },
    ],
    [
        'canonical to (reached)',
        (of) => (n) => {
            const own = of.survey.pages[n]?.canonicals ?? [];
            if (own.length !== 1) return false;
            const to = of.survey.nodeOf[own[0]!]!;
            return to !== n && of.record(to).reached === true;
        },
    ],
    [
        'within 2 clicks of (url ends "page-5")',
        (of) => {
            const found = new Set([...of.survey.urls.keys()].filter((n) => of.survey.urls[n]!.endsWith('page-5')));
            const free = (): void => {
                for (let grew = true; grew;) {
                    grew = false;
                    for (const n of [...found]) {
                        const page = of.survey.pages[n]!;
                        if (page.redirectTo === null || page.robotsAllowed === false) continue;
                        const to = of.survey.nodeOf[page.redirectTo]!;
                        if (!found.has(to)) grew = Boolean(found.add(to));
                    }
                }
            };
            for (let click = 0; click < 2; click++) {
                free();
                const from = new Set(found);
                for (const link of of.links) {
                    if (from.has(link.from) && of.survey.pages[link.from]!.robotsAllowed) found.add(link.to);
                }
            }
            free();
            return (n) => found.has(n);
        },
    ],
    [
        'behind (section is journal)',
        (of) => {
            const behind = new Set<number>();
            const start = of.survey.start;
            const reach = (without: number): Set<number> => {
                const found = new Set(start === without ? [] : [start]);
                for (let grew = true; grew;) {
                    grew = false;
                    const step = (from: number, to: number): void => {
                        if (!found.has(from) || found.has(to) || to === without) return;
                        if (of.survey.pages[from]!.robotsAllowed === false) return;
                        found.add(to);
                        grew = true;
                    };
                    for (const link of of.links) step(link.from, link.to);
                    of.survey.pages.forEach((page, n) => {
                        if (page?.redirectTo != null) step(n, of.survey.nodeOf[page.redirectTo]!);
                    });
                }
                return found;
            };
            const all = reach(-1);
            for (const d of all) {
                if (of.record(d).section !== 'journal') continue;
                const left = reach(d);
                for (const n of all) if (n !== d && !left.has(n)) behind.add(n);
            }
            return (n) => behind.has(n);
        },
    ],
    [
        '(orphan or error) and section is guides',
        () => (n, of) => (of.record(n).orphan === true || of.record(n).status === 404) && guides(n, of),
    ],
    [
        'orphan or error and section is guides',
        () => (n, of) => of.record(n).orphan === true || (of.record(n).status === 404 && guides(n, of)),
    ],
    ['NOT Indexable AND Section IS guides', () => (n, of) => of.record(n).indexable !== true && guides(n, of)],
];

function nodesOf(line: string, of: Plain, more: object = {}): number[] {
    const parsed = parseSet(line, fieldsOf(of.packed));
    if (!parsed.ok) throw new Error(`${line}: ${parsed.say}`);
    return [...evaluateSet(parsed.set, { survey: of.packed, ...more }).nodes()];
}

describe('the set language', () => {
    it.each(EXPRESSIONS)('%s is what a plain loop finds', (line, test) => {
        let found = 0;
        for (const seed of [3, 19, 101]) {
            const of = plainOf(randomSite(seed));
            const holds = test(of);
            const wanted = [...of.survey.urls.keys()].filter((node) => holds(node, of));
            expect(nodesOf(line, of)).toEqual(wanted);
            found += wanted.length;
        }
        // An expression that finds nothing in any site tests nothing, but for those that are meant to.
        if (!/Guides$|PAGE-7/.test(line)) expect(found).toBeGreaterThan(0);
    });

    it('prints what it parsed, and parses the same from that', () => {
        for (const [line] of EXPRESSIONS) {
            const parsed = parseSet(line);
            expect(parsed.ok).toBe(true);
            if (!parsed.ok) continue;
            const printed = printSet(parsed.set);
            expect(parseSet(printed), printed).toEqual(parsed);
        }
    });

    it('keeps odd texts through printing', () => {
        for (const value of [
            'a "b"',
            'back\\slash',
            'and',
            'not',
            'one',
            '',
            ' ',
            '(',
            'known',
            'unknown',
            'É à',
            '!=',
        ]) {
            for (const kind of ['is', 'has', 'is not'] as const) {
                const set = { kind: 'text', field: 'title', test: kind, value } as const;
                expect(parseSet(printSet(set)), printSet(set)).toEqual({ ok: true, set });
            }
            const listed = { kind: 'any', field: 'section', values: [value, 'x'] } as const;
            expect(parseSet(printSet({ ...listed, values: [...listed.values] }))).toEqual({ ok: true, set: listed });
        }
    });

    it('says where it went wrong and what was expected', () => {
        const trouble = (line: string): [string, string] => {
            const parsed = parseSet(line);
            return parsed.ok ? ['', ''] : [line.slice(parsed.at, parsed.at + parsed.length), parsed.say];
        };
        expect(trouble('depht > 3')).toEqual(['depht', expect.stringContaining('Is it "depth"?')]);
        expect(trouble('incoming > 3')).toEqual(['incoming', expect.stringContaining('Is it "incoming')]);
        expect(trouble('chair')).toEqual(['chair', expect.stringContaining('in quotes: "chair"')]);
        expect(trouble('depth >')).toEqual(['', 'Here a number is expected.']);
        expect(trouble('depth > three')).toEqual(['three', 'Here a number is expected, not "three".']);
        expect(trouble('depth has 3')).toEqual(['has', expect.stringContaining('is a number')]);
        expect(trouble('title > 3')).toEqual(['>', expect.stringContaining('is a text')]);
        expect(trouble('orphan error')).toEqual(['error', expect.stringContaining('"and" or "or"')]);
        expect(trouble('(orphan')).toEqual(['', 'A closing parenthesis is missing.']);
        expect(trouble('orphan)')).toEqual([')', 'This parenthesis closes nothing.']);
        expect(trouble('links to orphan')).toEqual(['orphan', 'Here a set in parentheses is expected.']);
        expect(trouble('links to (orphan) via menu')).toEqual(['menu', expect.stringContaining('nav')]);
        expect(trouble('title has "saw')).toEqual(['"saw', 'The text has no closing quote.']);
        expect(trouble('read at > 2026-02-30')).toEqual(['2026-02-30', expect.stringContaining('a day as')]);
        expect(trouble('list has "x"')).toEqual(['has', expect.stringContaining('the name of a list')]);
        expect(trouble('known from papers')).toEqual(['papers', expect.stringContaining('link, sitemap')]);
        expect(trouble('orphan and')).toEqual(['', expect.stringContaining('field, a flag or a relation')]);
        expect(trouble(`${'not ('.repeat(100)}all${')'.repeat(100)}`)[1]).toContain('too deeply');
        expect(trouble('x'.repeat(20_001))[1]).toContain('20,000 characters');
    });

    it('knows which parts of a survey a set looks at', () => {
        const { packed } = plainOf(randomSite(3));
        const parts = (line: string) => {
            const parsed = parseSet(line);
            return parsed.ok ? partsFor(parsed.set, packed) : null;
        };
        expect(parts('depth > 1 and orphan')).toEqual([]);
        expect(parts('links to (title has "x") with anchor "y"')).toEqual(['links', 'text']);
        expect(parts('new')).toEqual(['text']);
    });
});

describe('sets of several surveys', () => {
    const older = plainOf(
        new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/a' }, { to: '/b' }, { to: '/c' }])
            .page('/a')
            .page('/b', [], { status: 404, words: null })
            .page('/c'),
    );
    const newer = plainOf(
        new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/a' }, { to: '/b' }, { to: '/d' }, { to: '/c' }])
            .page('/a', [], { status: 410, words: null })
            .page('/b')
            .page('/c')
            .page('/d'),
    );
    const context = {
        baseline: older.packed,
        surveys: (number: number) => (number === 1 ? older.packed : undefined),
        saved: (name: string) => {
            const parsed = parseSet(name === 'round' ? 'set "round"' : 'error');
            return parsed.ok && name !== 'none' ? parsed.set : undefined;
        },
    };
    const paths = (line: string): string[] =>
        nodesOf(line, newer, context).map((node) => newer.survey.urls[node]!.slice(ORIGIN.length));

    it('compare with the baseline and look into others', () => {
        expect(paths('new')).toEqual(['/d']);
        expect(paths('gone')).toEqual(['/a']);
        expect(paths('in survey 1 (error)')).toEqual(['/b']);
        expect(paths('in survey 1 (page) and page')).toEqual(['/', '/c']);
    });

    it('know saved sets, and say what is not there', () => {
        expect(paths('set "mine"')).toEqual(['/a']);
        expect(() => paths('set "none"')).toThrow(SetUnknown);
        expect(() => paths('set "round"')).toThrow('comes back to itself');
        expect(() => paths('in survey 7 (all)')).toThrow('no survey 7');
        expect(() => nodesOf('new', newer)).toThrow('no earlier survey');
    });

    it('know priorities and misfits', () => {
        const of = plainOf(randomSite(5));
        const standing = of.packed.numbers('standing');
        const ranked = [...standing.keys()].filter((node) => !Number.isNaN(standing[node]));
        const order = [...ranked].sort((a, b) => standing[a]! - standing[b]!);
        const priority = new Uint8Array(of.packed.count);
        // The least of all matters most, and so does one from the top.
        priority[order[0]!] = 1;
        priority[order.at(-2)!] = 1;
        expect(nodesOf('priority = 1', of, { priority })).toEqual([order[0]!, order.at(-2)!].sort((a, b) => a - b));
        expect(nodesOf('priority is unknown', of, { priority })).toHaveLength(of.packed.count - 2);
        expect(nodesOf('starved', of, { priority })).toEqual([order[0]!]);
        const middle = (standing[order[0]!]! + standing[order.at(-2)!]!) / 2;
        const over = ranked.filter(
            (node) => priority[node] === 0 && standing[node]! > middle && node !== of.survey.start,
        );
        expect(nodesOf('overfed', of, { priority })).toEqual(over);
        expect(nodesOf('misfit', of, { priority })).toHaveLength(over.length + 1);
    });
});

describe('columns of a packed survey', () => {
    it('say what the records of the pages say', () => {
        const of = plainOf(randomSite(29));
        for (const field of fieldsOf(of.packed)) {
            const column = field.id ?? field.name.replaceAll(' ', '_');
            if (!(column in of.record(0)) || column === 'standing') continue;
            const words = field.kind === 'text' ? field.texts(of.packed) : null;
            for (let node = 0; node < of.packed.count; node++) {
                // What waits has no row yet, and no reason in the record.
                if (column === 'not_read' && of.survey.pages[node] === null) continue;
                const wanted = of.record(node)[column as keyof ReturnType<typeof pageRecord>];
                let told: unknown;
                if (field.kind === 'text') told = words![node];
                else if (field.kind === 'choice') {
                    const { codes, words: choices } = field.choices(of.packed);
                    told = choices[codes[node]!];
                } else {
                    const value = field.numbers(of.packed, {})[node]!;
                    told = value === field.unknown || Number.isNaN(value) ? null : value;
                }
                expect(told ?? '', `${field.name} of ${of.survey.urls[node]}`).toEqual(wanted ?? '');
            }
        }
    });
});

describe('bits', () => {
    it('are sets', () => {
        const next = lehmer(8);
        for (const size of [0, 1, 31, 32, 33, 100]) {
            const a = new Set(Array.from({ length: size }, (_, n) => n).filter(() => next(2) === 0));
            const b = new Set(Array.from({ length: size }, (_, n) => n).filter(() => next(2) === 0));
            const [x, y] = [Bits.of(size, a), Bits.of(size, b)];
            const all = [...Array(size).keys()];
            expect([...x.nodes()]).toEqual([...a].sort((m, n) => m - n));
            expect(x.count()).toBe(a.size);
            expect([...x.and(y).nodes()]).toEqual(all.filter((n) => a.has(n) && b.has(n)));
            expect([...x.or(y).nodes()]).toEqual(all.filter((n) => a.has(n) || b.has(n)));
            expect([...x.not().nodes()]).toEqual(all.filter((n) => !a.has(n)));
            expect(all.filter((n) => x.has(n))).toEqual([...x.nodes()]);
        }
    });
});

describe('what a survey cannot tell by itself', () => {
    it.each([
        ['depth > 2 and not (title has "saw")', false],
        ['links to (orphan) followed', false],
        ['new', true],
        ['not (misfit)', true],
        ['intended but deeper', true],
        ['priority = 1', true],
        ['priority is unknown', true],
        ['links to (priority from 1 to 2)', true],
        ['set "mine"', true],
        ['within 2 clicks of (in survey 2 (orphan))', true],
    ])('%s: %s', (line, needs) => {
        const parsed = parseSet(line);
        expect(parsed.ok && needsMore(parsed.set)).toBe(needs);
    });
});
