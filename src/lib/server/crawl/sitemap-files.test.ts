import { describe, expect, it } from 'vitest';
import { SITEMAP_NAMESPACE } from '../../core/sitemap/read-sitemap.ts';
import type { Answer } from './fetch-url.ts';
import { readSitemaps, type ReadSitemapFile, type SitemapAccess } from './sitemap-files.ts';
import { problem, readProblems, writeProblems } from '../../core/problems/problem.ts';
import { noteWords } from '../../core/words/problems.ts';

const O = 'https://site.example';
const index = (...paths: string[]): string =>
    `<sitemapindex xmlns="${SITEMAP_NAMESPACE}">${paths.map((path) => `\n<sitemap><loc>${O}${path}</loc></sitemap>`).join('')}</sitemapindex>`;
const urls = (...paths: string[]): string =>
    `<urlset xmlns="${SITEMAP_NAMESPACE}">${paths.map((path) => `<url><loc>${O}${path}</loc></url>`).join('')}</urlset>`;

const shutBy = (pattern: string) =>
    problem('robots-rule', { allows: false, pattern, file: `${O}/robots.txt`, line: 2 });

/** Reads the sitemaps of a site given as a table of files, from its first. */
async function read(
    files: (path: string) => string | { location: string } | undefined,
    access: Partial<SitemapAccess> = {},
): Promise<{
    asked: string[];
    found: ReadSitemapFile[];
    row: (path: string) => ReadSitemapFile['row'] | undefined;
    note: (path: string) => string;
}> {
    const asked: string[] = [];
    const fetch = (url: string): Promise<Answer> => {
        const path = url.slice(O.length);
        asked.push(path);
        const file = files(path);
        const moved = typeof file === 'object' ? file.location : null;
        return Promise.resolve({
            ok: true,
            status: file === undefined ? 404 : moved === null ? 200 : 301,
            headers: new Map(moved === null ? [] : [['location', [moved]]]),
            sentType: 'application/xml',
            body: Buffer.from(typeof file === 'string' ? file : ''),
            bodyRead: 'all',
            bodyTrouble: null,
            milliseconds: 1,
        });
    };
    const found: ReadSitemapFile[] = [];
    const given: SitemapAccess = {
        fetch,
        belongs: (url) => url.startsWith(O),
        closed: () => Promise.resolve(null),
        stopped: () => false,
        stored: () => Promise.resolve(null),
        ...access,
    };
    for await (const file of readSitemaps([{ url: `${O}/map.xml`, namedBy: '', line: 0 }], given)) found.push(file);
    const row = (path: string): ReadSitemapFile['row'] | undefined =>
        found.find((file) => file.row.url === O + path)?.row;
    return { asked, found, row, note: (path) => noteWords(readProblems(row(path)?.note ?? '')) };
}

describe('readSitemaps', () => {
    it('reads an index within an index, and says that it may not be', async () => {
        const site: Record<string, string> = {
            '/map.xml': index('/inner.xml'),
            '/inner.xml': index('/pages.xml'),
            '/pages.xml': urls('/orphan'),
        };
        const { found, note } = await read((path) => site[path]);
        expect(found.flatMap(({ entries }) => entries.map(({ url }) => url))).toEqual([`${O}/orphan`]);
        expect(note('/map.xml')).toBe('index of 1');
        expect(note('/inner.xml')).toBe(
            `index of 1. It is an index that another index names (${O}/map.xml), which the protocol does not allow; its files were read all the same`,
        );
    });

    it('follows five within one another and no more', async () => {
        const level = (n: number): string => (n === 0 ? '/map.xml' : `/level-${n}.xml`);
        const { asked, note } = await read((path) => {
            const n = path === '/map.xml' ? 0 : Number(/\d+/.exec(path)?.[0]);
            return index(level(n + 1));
        });
        expect(asked).toEqual([0, 1, 2, 3, 4, 5].map(level));
        expect(note('/level-5.xml')).toContain('its files were not read');
    });

    it('notices indexes that go round, and asks for none of them twice', async () => {
        const site: Record<string, string> = {
            '/map.xml': index('/inner.xml', '/map.xml'),
            '/inner.xml': index('/map.xml', '/pages.xml'),
            '/pages.xml': urls('/a'),
        };
        const { asked, note } = await read((path) => site[path]);
        expect(asked).toEqual(['/map.xml', '/inner.xml', '/pages.xml']);
        expect(note('/map.xml')).toContain(`Line 3 leads back to ${O}/map.xml`);
        expect(note('/inner.xml')).toContain(`Line 2 leads back to ${O}/map.xml`);
    });

    it('tells how many files beyond 2,000 were left', async () => {
        const names = Array.from({ length: 2_010 }, (_, n) => `/m${n}.xml`);
        const { found } = await read((path) => (path === '/map.xml' ? index(...names) : urls('/a')));
        expect(found).toHaveLength(2_001);
        expect(found.at(-1)?.row).toMatchObject({
            url: `${O}/m1999.xml`,
            status: null,
            note: writeProblems([problem('sitemaps-left', { left: 11, most: 2_000 })]),
        });
    });

    it('ends each sentence of a note once', async () => {
        const { note } = await read(() => '<urlset xmlns="x"><url><loc>/a</loc></url></urlset>');
        expect(note('/map.xml')).toMatch(/^1 address\. Line 1: The namespace is .*\. Line 1: "\/a" is no whole/);
        expect(note('/map.xml')).not.toContain('..');
    });

    it('follows five redirects within the site, and says where they end', async () => {
        const site = (path: string) => {
            const n = path === '/map.xml' ? 0 : Number(/\d+/.exec(path)?.[0]);
            return n < 5 ? { location: `/hop-${n + 1}` } : urls('/a');
        };
        const { found, row, note } = await read(site);
        expect(found[0]?.entries).toHaveLength(1);
        expect(row('/map.xml')).toMatchObject({ status: 301 });
        expect(note('/map.xml')).toBe(`1 address. redirects to ${O}/hop-5`);
        const further = await read((path) => (path === '/hop-5' ? { location: '/hop-6' } : site(path)));
        expect(further.note('/map.xml')).toBe('answered 301');
    });

    it('does not ask for what robots.txt closes, or what does not belong', async () => {
        const shut = await read(() => urls('/a'), { closed: () => Promise.resolve(shutBy('/')) });
        expect(shut.asked).toEqual([]);
        expect(shut.note('/map.xml')).toBe(`closed by robots.txt; not read: Disallow: / (${O}/robots.txt, line 2)`);
        const foreign = await read(() => urls('/a'), { belongs: () => false });
        expect(foreign.asked).toEqual([]);
        // A redirect leads to neither: not to what is closed,
        const closed = await read((path) => (path === '/map.xml' ? { location: '/shut.xml' } : urls('/a')), {
            closed: (url) => Promise.resolve(url.endsWith('/shut.xml') ? shutBy('/shut.xml') : null),
        });
        expect(closed.asked).toEqual(['/map.xml']);
        // nor out of the site.
        const away = await read((path) => (path === '/map.xml' ? { location: 'https://else.example/m.xml' } : urls()));
        expect(away.asked).toEqual(['/map.xml']);
    });

    it('does not ask again for what an earlier run stored, and goes on from its index', async () => {
        const stored: SitemapAccess['stored'] = (url) =>
            Promise.resolve(
                url === `${O}/map.xml`
                    ? {
                          row: {
                              kind: 'sitemap',
                              url,
                              status: 200,
                              note: writeProblems([problem('sitemap-index', { files: 1 })]),
                              entries: null,
                              text: `2 ${O}/inner.xml`,
                          },
                          entries: [],
                      }
                    : null,
            );
        const { asked, found } = await read(() => urls('/a'), { stored });
        expect(asked).toEqual(['/inner.xml']);
        expect(found[1]?.entries.map(({ url }) => url)).toEqual([`${O}/a`]);
    });
});
