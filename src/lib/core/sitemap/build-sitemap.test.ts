import { describe, expect, it } from 'vitest';
import { buildSitemap, type EntryToList, type SitemapPlan } from './build-sitemap.ts';
import { readSitemap } from './read-sitemap.ts';

const AT = 'https://site.example/';
const plan = (more: Partial<SitemapPlan> = {}): SitemapPlan => ({ at: AT, split: 'size', gzip: false, ...more });
const list = (...paths: string[]): EntryToList[] => paths.map((path) => ({ url: `${AT}${path}`, lastmod: '' }));
/** What our own reader, which was written from the protocol and not from this, makes of a file. */
const read = (text: string, name = 'sitemap.xml') => readSitemap(text, `${AT}${name}`);

describe('a built sitemap', () => {
    it('reads back as what was listed, each address once and in order, with nothing odd', () => {
        const entries = [
            ...list('b?x=1&y=%22', 'a', "c/it's", 'b?x=1&y=%22', 'd/<e>', 'f/ü'),
            { url: `${AT}g`, lastmod: '2026-03-16' },
            { url: `${AT}h`, lastmod: 'yesterday' },
        ];
        const { files, refused, entries: count } = buildSitemap(entries, plan());
        expect(files.map(({ name, kind }) => `${name} ${kind}`)).toEqual(['sitemap.xml urlset']);
        const again = read(files[0]!.text);
        expect(again.troubles).toEqual([]);
        expect(again.entries.map(({ url, lastmod }) => `${url} ${lastmod}`.trim())).toEqual([
            `${AT}a`,
            `${AT}b?x=1&y=%22`,
            `${AT}c/it's`,
            `${AT}d/%3Ce%3E`,
            `${AT}f/%C3%BC`,
            `${AT}g 2026-03-16`,
            `${AT}h`,
        ]);
        expect([count, refused]).toEqual([7, []]);
        expect(files[0]!.text).toMatch(
            /^<\?xml version="1\.0" encoding="UTF-8"\?>\n<urlset xmlns="http:\/\/www\.sitemaps\.org\/schemas\/sitemap\/0\.9">/,
        );
    });

    it('refuses what would not count where it will stand', () => {
        const long = `${AT}maps/${'x'.repeat(2_048 - AT.length - 5)}`;
        const entries = [
            'https://www.site.example/maps/a',
            'http://site.example/maps/a',
            `${AT}b`,
            long,
            long.slice(0, -1),
        ];
        const { files, refused } = buildSitemap(
            entries.map((url) => ({ url, lastmod: '' })),
            plan({ at: `${AT}maps/` }),
        );
        expect(refused.map(({ why }) => why)).toEqual(['other-origin', 'other-origin', 'above', 'too-long']);
        expect(read(files[0]!.text, 'maps/sitemap.xml').entries.map(({ url }) => url)).toEqual([long.slice(0, -1)]);
    });

    it('parts lists at the limit of the protocol and names them in an index', () => {
        const paths = Array.from({ length: 50_001 }, (_, number) => `p/${String(number).padStart(5, '0')}`);
        const { files } = buildSitemap(list(...paths), plan());
        expect(files.map(({ name, entries }) => `${name} ${entries}`)).toEqual([
            'sitemap.xml 2',
            'sitemap-1.xml 50000',
            'sitemap-2.xml 1',
        ]);
        const index = read(files[0]!.text);
        expect([index.kind, index.troubles, index.entries.map(({ url }) => url)]).toEqual([
            'sitemapindex',
            [],
            [`${AT}sitemap-1.xml`, `${AT}sitemap-2.xml`],
        ]);
        const lists = files.slice(1).flatMap(({ text }) => read(text).entries.map(({ url }) => url));
        expect(lists).toEqual(paths.map((path) => AT + path));
        expect(buildSitemap(list(...paths.slice(1)), plan()).files).toHaveLength(1);
    });

    it('parts lists before they are larger than the protocol allows', () => {
        // Each entry is a little over 1,000 bytes: 50,000 of them are too much for one file.
        const paths = Array.from(
            { length: 49_900 },
            (_, number) => `${'&'.repeat(210)}${String(number).padStart(6, '0')}`,
        );
        const { files } = buildSitemap(list(...paths), plan());
        expect(files.length).toBe(3);
        for (const { text } of files) expect(new TextEncoder().encode(text).length).toBeLessThanOrEqual(52_428_800);
        expect(files.slice(1).reduce((sum, { entries }) => sum + entries, 0)).toBe(49_900);
    });

    it('has a list for each section, by names of plain letters, each its own', () => {
        const { files } = buildSitemap(
            list('', 'guides/a', 'guides/b', 'Guides/c', 'ü/d'),
            plan({ split: 'section', gzip: true }),
        );
        expect(files.map(({ name, entries }) => `${name} ${entries}`)).toEqual([
            'sitemap.xml.gz 4',
            'sitemap-root.xml.gz 1',
            'sitemap-guides.xml.gz 1',
            'sitemap-guides-2.xml.gz 2',
            'sitemap-section.xml.gz 1',
        ]);
        expect(new Set(read(files[0]!.text).entries.map(({ url }) => url)).size).toBe(4);
    });

    it('names languages behind what is of the protocol, escaped, and reads back as they were', () => {
        const alternates = [
            { code: 'fr', url: `${AT}fr/?a=1&b=2` },
            { code: 'x-default', url: AT },
        ];
        const { files } = buildSitemap(
            [
                { url: AT, lastmod: '2026-03-01', alternates },
                { url: `${AT}plain`, lastmod: '' },
            ],
            plan(),
        );
        const read = readSitemap(files[0]!.text, `${AT}sitemap.xml`);
        expect(read.troubles).toEqual([]);
        expect(read.alternates).toEqual([{ line: 3, url: AT, alternates }]);
        expect(files[0]!.text).toContain('</lastmod><xhtml:link');
        // A list without languages does not speak of them.
        expect(buildSitemap(list('a'), plan()).files[0]!.text).not.toContain('xhtml');
    });

    it('of nothing is no file', () => {
        expect(buildSitemap([], plan())).toEqual({ files: [], entries: 0, refused: [] });
    });
});
