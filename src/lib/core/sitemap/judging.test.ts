import { describe, expect, it } from 'vitest';
import { sitemapSteps, type SitemapKnock } from './judge-sitemap.ts';
import { readSitemap, SITEMAP_NAMESPACE } from './read-sitemap.ts';

const AT = 'https://www.site.example/maps/sitemap.xml';

function steps(urls: string[], change: Partial<SitemapKnock> = {}) {
    const body = `<urlset xmlns="${SITEMAP_NAMESPACE}">${urls.map((url) => `<url><loc>${url}</loc></url>`).join('')}</urlset>`;
    return sitemapSteps({
        url: AT,
        found: { by: 'line', file: 'robots.txt', line: 1 },
        belongs: true,
        closedBy: null,
        hops: [{ url: AT, status: 200, failure: '' }],
        contentType: 'application/xml',
        caching: '',
        bytes: body.length,
        bodyTrouble: null,
        file: readSitemap(body, AT),
        at: Date.UTC(2026, 2, 16),
        ...change,
    });
}
const ok = (found: ReturnType<typeof steps>, test: string): boolean | null | undefined =>
    found.find((step) => step.test === test)?.ok;

describe('where entries may lie', () => {
    it.each([
        ['https://www.site.example/maps/a', true],
        ['https://www.site.example/a', null],
        ['http://www.site.example/maps/a', false],
        ['https://other.example/maps/a', false],
    ])('%s: %s', (url, wanted) => expect(ok(steps([url]), 'place')).toBe(wanted));
});

describe('an answer', () => {
    it.each([200, 201, 204, 301, 404, 500])('of status %i is right only where it is 200', (status) => {
        const found = steps(['https://www.site.example/maps/a'], { hops: [{ url: AT, status, failure: '' }] });
        expect(ok(found, 'answer')).toBe(status === 200);
        if (status !== 200) expect(found.at(-1)?.test).toBe('answer');
    });
});

describe('lastmod', () => {
    it.each([
        ['2024-02-29', undefined],
        ['2024-02-30', null],
        ['2026-03-16', undefined],
        // A day's grace: the site may lie in a zone that is ahead.
        ['2026-03-17', undefined],
        ['2026-03-18', null],
    ])('%s: %s', (date, wanted) => {
        const body = `<urlset xmlns="${SITEMAP_NAMESPACE}"><url><loc>https://www.site.example/maps/a</loc><lastmod>${date}</lastmod></url></urlset>`;
        expect(ok(steps([], { file: readSitemap(body, AT) }), 'dates')).toBe(wanted);
    });
});
