import { describe, expect, it } from 'vitest';
import { lehmer } from '../graph/graphs.fixture.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { linksOfPage } from '../../../../tests/support/reference/link-records.ts';
import { ORIGIN, Site, type SmallLink } from '../../../../tests/support/small-site.ts';
import { Bits } from './bits.ts';
import { LINK_TABLE_COLUMNS, linkRows, linkValue, type LinkQuery, type LinkTableColumn } from './link-rows.ts';
import { linkWindowRows } from './link-window.ts';

/** Pages with links of their own, links elsewhere, resources and a menu; some declined, one page that declines all. */
function site(seed: number): Site {
    const next = lehmer(seed);
    const made = new Site().known('/', 'manual');
    const paths = Array.from({ length: 14 }, (_, n) => (n === 0 ? '/' : `/p${n}`));
    paths.forEach((path, n) => {
        const links: SmallLink[] = Array.from({ length: next(6) }, () => ({
            to: [paths[next(paths.length)]!, 'https://other.example/x', 'mailto:a@b.example'][
                next(9) < 7 ? 0 : 1 + next(2)
            ]!,
            kind: next(5) === 0 ? 'img' : 'a',
            anchor: ['Saw', 'oak', ''][next(3)]!,
            rel: next(5) === 0 ? 'nofollow' : '',
        }));
        made.page(path, links, { nofollow: n === 5, status: n === 9 ? 404 : 200 });
    });
    return made.share(paths.slice(0, 8), [{ to: '/p3', anchor: 'Menu' }, { to: '/' }]);
}

describe('the rows of the links table', () => {
    it('are the occurrences of the links of each page, as the export tells them', () => {
        for (const seed of [2, 31, 77]) {
            const survey = site(seed).measure();
            const packed = packSurvey(survey).survey;
            const rows = linkRows(packed, Bits.all(packed.count), { side: 'from' });
            const told = new Map<string, number>();
            for (let row = 0; row < rows.link.length; row++) {
                const key = [
                    'source',
                    'target',
                    'anchor',
                    'region',
                    'rel',
                    'kind',
                    'followed',
                    'internal',
                    'target_status',
                    'block',
                ]
                    .map((column) => linkValue(packed, rows, row, column as LinkTableColumn))
                    .join(' | ');
                told.set(key, (told.get(key) ?? 0) + 1);
            }
            const wanted = new Map<string, number>();
            for (let node = 0; node < survey.count; node++) {
                for (const link of linksOfPage(survey, node)) {
                    const key = [
                        'source',
                        'target',
                        'anchor',
                        'region',
                        'rel',
                        'kind',
                        'followed',
                        'internal',
                        'target_status',
                        'block',
                    ]
                        .map((column) => link[column as keyof typeof link])
                        .join(' | ');
                    wanted.set(key, (wanted.get(key) ?? 0) + Number(link.occurrences));
                }
            }
            expect([...told].sort()).toEqual([...wanted].sort());
        }
    });

    it('are narrowed by side, kind, region and following', () => {
        for (const seed of [2, 31]) {
            const packed = packSurvey(site(seed).measure()).survey;
            const set = Bits.of(packed.count, [0, 3, 5]);
            const all = linkRows(packed, Bits.all(packed.count), { side: 'from' });
            const value = (row: number, column: LinkTableColumn) => linkValue(packed, all, row, column);
            const count = (fits: (row: number) => boolean): number =>
                [...all.link.keys()].filter((row) => fits(row)).length;
            const isIn = (url: unknown): boolean =>
                set.has(packed.nodeOf(String(url))) && packed.nodeOf(String(url)) >= 0;
            const found = (query: Parameters<typeof linkRows>[2]): number => linkRows(packed, set, query).link.length;
            expect(found({ side: 'from' })).toBe(count((row) => isIn(value(row, 'source'))));
            expect(found({ side: 'to' })).toBe(
                count((row) => packed.nodeOf(String(value(row, 'target'))) >= 0 && isIn(value(row, 'target'))),
            );
            expect(found({ side: 'from', kind: 'img' })).toBe(
                count((row) => isIn(value(row, 'source')) && value(row, 'kind') === 'img'),
            );
            expect(found({ side: 'from', region: 'nav' })).toBe(
                count((row) => isIn(value(row, 'source')) && value(row, 'region') === 'nav'),
            );
            expect(found({ side: 'from', followed: true })).toBe(
                count((row) => isIn(value(row, 'source')) && value(row, 'followed') === true),
            );
        }
    });

    it('come in the order of any column, window by window, what is not known last either way', () => {
        const questions: LinkQuery[] = [
            { side: 'from' },
            { side: 'to', kind: 'a' },
            { side: 'from', region: 'nav' },
            { side: 'to', followed: true },
        ];
        for (const seed of [31, 78]) {
            const packed = packSurvey(site(seed).measure()).survey;
            const set = Bits.of(packed.count, [0, 1, 3, 5, 7]);
            const only = Uint8Array.from(packed.numbers('link_anchor'), (_, link) => (link % 3 === 0 ? 0 : 1));
            for (const query of [...questions, { side: 'to', only } as const, { side: 'from', only } as const]) {
                const all = linkRows(packed, set, query);
                for (const column of LINK_TABLE_COLUMNS) {
                    // By its first occurrence only, or not at all: where a link stands is not known here.
                    if (['line', 'href', 'column', 'followed', 'internal'].includes(column)) continue;
                    for (const descending of [false, true]) {
                        const value = (row: number) => linkValue(packed, all, row, column);
                        // Sorting is stable: ties stay page by page.
                        const sorted = [...all.link.keys()].sort((a, b) => {
                            const [one, other] = [value(a) ?? '', value(b) ?? ''];
                            if (one === other) return 0;
                            if (one === '') return 1;
                            if (other === '') return -1;
                            return one < other !== descending ? -1 : 1;
                        });
                        const wanted = sorted.map((row) => [all.source[row], all.pageBlock[row], all.link[row]]);
                        const found: number[][] = [];
                        for (let from = 0; ; from += 7) {
                            const window = linkWindowRows(packed, set, query, { column, descending }, from, 7);
                            expect(window.total).toBe(wanted.length);
                            const { source, pageBlock, link } = window.rows;
                            link.forEach((at, row) => found.push([source[row]!, pageBlock[row]!, at]));
                            if (link.length === 0) break;
                        }
                        expect(found, `${column} ${JSON.stringify(query)}`).toEqual(wanted);
                    }
                }
            }
        }
    });

    it('end where the table ends', () => {
        const packed = packSurvey(site(2).measure()).survey;
        const set = Bits.all(packed.count);
        const order = { column: 'anchor', descending: false } as const;
        const { total } = linkWindowRows(packed, set, { side: 'from' }, order, 0, 1);
        expect(linkWindowRows(packed, set, { side: 'from' }, order, total - 2, 50).rows.link).toHaveLength(2);
        expect(linkWindowRows(packed, set, { side: 'from' }, order, total + 5, 50).rows.link).toHaveLength(0);
        expect(linkWindowRows(packed, Bits.of(packed.count, []), { side: 'from' }, order, 0, 5).total).toBe(0);
    });

    it('know a canonical to the page itself by its page', () => {
        const made = new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/a' }])
            .page('/a', [{ to: '/a', kind: 'canonical' }]);
        const packed = packSurvey(made.measure()).survey;
        const rows = linkRows(packed, Bits.of(packed.count, [1]), { side: 'to', kind: 'canonical' });
        expect(rows.link).toHaveLength(1);
        expect(linkValue(packed, rows, 0, 'target')).toBe(`${ORIGIN}/a`);
    });
});
