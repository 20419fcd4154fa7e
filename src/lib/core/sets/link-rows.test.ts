import { describe, expect, it } from 'vitest';
import { lehmer } from '../graph/graphs.fixture.ts';
import { packSurvey } from '../packed/pack-survey.ts';
import { linksOfPage } from '../survey/link-records.ts';
import { ORIGIN, Site, type SmallLink } from '../../../../tests/support/small-site.ts';
import { Bits } from './bits.ts';
import { LINK_TABLE_COLUMNS, linkRows, linkValue, orderLinks, type LinkTableColumn } from './link-rows.ts';

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

    it('come in the order of any column, what is not known last either way', () => {
        const packed = packSurvey(site(31).measure()).survey;
        const rows = linkRows(packed, Bits.all(packed.count), { side: 'from' });
        for (const column of LINK_TABLE_COLUMNS) {
            if (['line', 'href', 'column', 'followed', 'internal'].includes(column)) continue;
            for (const descending of [false, true]) {
                const order = orderLinks(packed, rows, column, descending);
                expect(new Set(order).size).toBe(rows.link.length);
                const values = [...order].map((row) => linkValue(packed, rows, row, column));
                const isKnown = (value: unknown): boolean => value !== null && value !== '';
                const known = values.filter(isKnown);
                // Nothing that is known stands behind something that is not.
                expect(values.slice(0, known.length).every(isKnown), column).toBe(true);
                for (let at = 1; at < known.length; at++) {
                    const [a, b] = descending ? [known[at]!, known[at - 1]!] : [known[at - 1]!, known[at]!];
                    expect(a <= b, `${column}: ${String(a)} before ${String(b)}`).toBe(true);
                }
            }
        }
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
