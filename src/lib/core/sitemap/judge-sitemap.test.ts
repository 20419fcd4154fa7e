import { describe, expect, it } from 'vitest';
import { sitemapSteps as judged, type SitemapKnock } from './judge-sitemap.ts';
import { toldStep } from '../words/sitemap-steps.ts';
import { readSitemap, SITEMAP_NAMESPACE } from './read-sitemap.ts';
import { told } from '../../../../tests/support/problems.ts';
import { problem } from '../problems/problem.ts';

const URL = 'https://www.site.example/maps/sitemap.xml';
const NOW = Date.UTC(2026, 2, 16);

function knock(body: string, change: Partial<SitemapKnock> = {}): SitemapKnock {
    return {
        url: URL,
        found: { by: 'line', file: 'robots.txt', line: 1 },
        belongs: true,
        closedBy: null,
        hops: [{ url: URL, status: 200, failure: '' }],
        contentType: 'application/xml',
        caching: '',
        bytes: body.length,
        bodyTrouble: null,
        file: readSitemap(body, URL),
        at: NOW,
        ...change,
    };
}

const sitemapSteps = (had: SitemapKnock) => judged(had).map(toldStep);

const urlset = (...urls: string[]): string =>
    `<urlset xmlns="${SITEMAP_NAMESPACE}">\n${urls.map((url) => `<url>${url}</url>\n`).join('')}</urlset>`;
const loc = (path: string, more = ''): string => `<loc>https://www.site.example${path}</loc>${more}`;
const seenOf = (steps: ReturnType<typeof sitemapSteps>, test: string) => steps.find((step) => step.test === test);

describe('sitemapSteps', () => {
    it('goes from the cheapest test to the last, and ends with nothing found where all is well', () => {
        const steps = sitemapSteps(knock(urlset(loc('/maps/a'), loc('/maps/b', '<lastmod>2026-03-01</lastmod>'))));
        expect(steps.map((step) => step.test)).toEqual([
            'found',
            'robots',
            'answer',
            'body',
            'form',
            'entries',
            'place',
            'all',
        ]);
        expect(steps.every((step) => step.ok === true && step.tried !== '' && step.seen !== '')).toBe(true);
        expect(steps.at(-1)?.seen).toBe('nothing found on the site’s side');
    });

    it.each<[string, Partial<SitemapKnock>, string]>([
        ['another host', { belongs: false, hops: [], file: null }, 'host'],
        [
            'a closed one',
            {
                closedBy: problem('robots-rule', { allows: false, pattern: '/maps/', file: URL, line: 1 }),
                hops: [],
                file: null,
            },
            'robots',
        ],
        ['no answer', { hops: [{ url: URL, status: null, failure: told('refused') }], file: null }, 'answer'],
        ['a 404', { hops: [{ url: URL, status: 404, failure: '' }], file: null }, 'answer'],
        ['a broken body', { bytes: null, bodyTrouble: problem('gzip-broken', {}), file: null }, 'body'],
    ])('ends at %s, for nothing after it can be said', (_name, change, test) => {
        const steps = sitemapSteps(knock(urlset(loc('/maps/a')), change));
        expect(steps.at(-1)).toMatchObject({ test, ok: false });
    });

    it('tells another host and scheme from a mere folder above', () => {
        const bad = sitemapSteps(
            knock(
                urlset(
                    loc('/maps/a'),
                    '<loc>https://other.example/</loc>',
                    '<loc>http://www.site.example/maps/x</loc>',
                ),
            ),
        );
        expect(seenOf(bad, 'place')).toMatchObject({ ok: false });
        expect(seenOf(bad, 'place')?.seen).toContain('1 on another host');
        expect(seenOf(bad, 'place')?.seen).toContain('1 with another scheme (line 4');
        const above = sitemapSteps(knock(urlset(loc('/elsewhere'))));
        expect(seenOf(above, 'place')).toMatchObject({ ok: null });
        expect(seenOf(above, 'all')).toBeUndefined();
    });

    it('finds doubles and dates that are none or lie ahead', () => {
        const steps = sitemapSteps(
            knock(
                urlset(
                    loc('/maps/a', '<lastmod>2026-03-16T10:00:00+01:00</lastmod>'),
                    loc('/maps/a', '<lastmod>yesterday</lastmod>'),
                    loc('/maps/b', '<lastmod>2027-01-01</lastmod>'),
                    loc('/maps/c', '<lastmod>2026-13-01</lastmod>'),
                    loc('/maps/d', '<lastmod>2026</lastmod>'),
                ),
            ),
        );
        expect(seenOf(steps, 'doubles')?.seen).toBe('line 3: https://www.site.example/maps/a, as in line 2');
        expect(seenOf(steps, 'dates')?.seen).toBe(
            'line 3: “yesterday” is no date as the protocol wants it; line 4: 2027-01-01 lies in the future; line 5: “2026-13-01” is no date as the protocol wants it',
        );
    });

    it('says that an old copy may be given, that the type is wrong, that it redirects', () => {
        const steps = sitemapSteps(
            knock(urlset(loc('/maps/a')), {
                contentType: 'text/html; charset=utf-8',
                caching: 'Cache-Control: max-age=864000',
                hops: [
                    { url: 'https://www.site.example/sitemap.xml', status: 301, failure: '' },
                    { url: URL, status: 200, failure: '' },
                ],
            }),
        );
        expect(['redirect', 'caching', 'type'].map((test) => seenOf(steps, test)?.ok)).toEqual([null, null, null]);
        expect(seenOf(steps, 'answer')?.seen).toBe(`200 after 1 redirect, at ${URL}`);
    });

    it('names the first few of many, and how many there are', () => {
        const steps = sitemapSteps(knock(urlset(...Array.from({ length: 30 }, () => loc('/maps/a')))));
        expect(seenOf(steps, 'doubles')?.seen).toMatch(/; and 24 more$/);
    });
});
