import { alternatesText, readAlternates } from './alternates.ts';
import { describe, expect, it } from 'vitest';
import { MAX_SITEMAP_ENTRIES, readSitemap, SITEMAP_NAMESPACE } from './read-sitemap.ts';

const BASE = 'https://site.example/sitemap.xml';

function urlset(body: string, namespace = SITEMAP_NAMESPACE): string {
    return `<?xml version="1.0" encoding="UTF-8"?>\n<urlset xmlns="${namespace}">\n${body}\n</urlset>`;
}

function codes(text: string): string[] {
    return readSitemap(text, BASE).troubles.map((trouble) => trouble.code);
}

describe('readSitemap', () => {
    it('reads addresses with their lines and dates', () => {
        const file = readSitemap(
            urlset(
                '<url><loc>https://site.example/a</loc><lastmod>2026-03-02</lastmod></url>\n<url>\n<loc> https://site.example/b?x=1&amp;y=2 </loc></url>',
            ),
            BASE,
        );
        expect(file).toEqual({
            kind: 'urlset',
            entries: [
                { url: 'https://site.example/a', lastmod: '2026-03-02', line: 3 },
                { url: 'https://site.example/b?x=1&y=2', lastmod: '', line: 4 },
            ],
            alternates: [],
            troubles: [],
        });
    });

    it('reads an index', () => {
        const file = readSitemap(
            `<sitemapindex xmlns="${SITEMAP_NAMESPACE}"><sitemap><loc>https://site.example/one.xml.gz</loc></sitemap></sitemapindex>`,
            BASE,
        );
        expect([file.kind, file.entries.map((entry) => entry.url), file.troubles]).toEqual([
            'sitemapindex',
            ['https://site.example/one.xml.gz'],
            [],
        ]);
    });

    it('does not take the address of an image for a page', () => {
        const file = readSitemap(
            urlset(
                '<url><loc>https://site.example/a</loc><image:image xmlns:image="https://media.example/image"><image:loc>https://site.example/a.png</image:loc></image:image></url>',
            ),
            BASE,
        );
        expect(file.entries.map((entry) => entry.url)).toEqual(['https://site.example/a']);
    });

    it('takes text in CDATA and character references', () => {
        const file = readSitemap(
            urlset(
                '<url><loc><![CDATA[https://site.example/a?b&c]]></loc></url><url><loc>https://site.example/&#x63;af&#233;</loc></url>',
            ),
            BASE,
        );
        expect(file.entries.map((entry) => entry.url)).toEqual([
            'https://site.example/a?b&c',
            'https://site.example/caf%C3%A9',
        ]);
    });

    it('tells of an ampersand that is not escaped with its line, and reads on', () => {
        const file = readSitemap(
            urlset(
                '<url><loc>https://site.example/a</loc></url>\n<url><loc>https://site.example/b?x=1&y</loc></url>\n<url><loc>https://site.example/c?d&copy=1</loc></url>',
            ),
            BASE,
        );
        expect(file.entries).toEqual([
            { url: 'https://site.example/a', lastmod: '', line: 3 },
            { url: 'https://site.example/b?x=1&y', lastmod: '', line: 4 },
            { url: 'https://site.example/c?d&copy=1', lastmod: '', line: 5 },
        ]);
        expect(file.troubles).toEqual([
            { code: 'bare-ampersand', line: 4, params: { text: '&y' } },
            { code: 'bare-ampersand', line: 5, params: { text: '&copy=1' } },
        ]);
    });

    it('leaves ampersands alone where they may stand', () => {
        const file = readSitemap(
            urlset('<!-- a & b -->\n<url><loc><![CDATA[https://site.example/?a&b]]></loc></url><?x a & b?>'),
            BASE,
        );
        expect(file.troubles).toEqual([]);
        expect(file.entries.map(({ url }) => url)).toEqual(['https://site.example/?a&b']);
    });

    it.each([
        ['an entry that is not closed', '<url><loc>https://site.example/b</url>'],
        ['a tag that is not closed', '<url><loc>https://site.example/b</loc'],
        ['an entity nobody knows', '<url><loc>https://site.example/b&eacute;</loc></url>'],
        ['a control character', '<url><loc>https://site.example/\u0001</loc></url>'],
    ])('passes a break in the XML: %s', (_, broken) => {
        const good = (path: string): string => `<url><loc>https://site.example/${path}</loc></url>`;
        const file = readSitemap(urlset([good('a'), broken, good('c'), broken, good('e'), good('f')].join('\n')), BASE);
        expect(file.entries.map(({ url, line }) => [url.slice(-1), line])).toEqual([
            ['a', 3],
            ['c', 5],
            ['e', 7],
            ['f', 8],
        ]);
        expect(file.troubles.map(({ code, line }) => [code, line])).toEqual([
            ['not-xml', 4],
            ['not-xml', 6],
        ]);
    });

    it('passes breaks in a file whose elements have a prefix', () => {
        const file = readSitemap(
            `<m:urlset xmlns:m="${SITEMAP_NAMESPACE}"><m:url><m:loc>https://site.example/a</m:url><m:url><m:loc>https://site.example/b</m:loc></m:url></m:urlset>`,
            BASE,
        );
        expect(file.entries.map(({ url }) => url)).toEqual(['https://site.example/b']);
    });

    it('bounds what it tells of a file that is nothing but breaks, and ends', () => {
        const file = readSitemap(urlset('<url><loc>https://site.example/a</url>\n'.repeat(20_000)), BASE);
        expect(file.entries).toEqual([]);
        expect(file.troubles).toHaveLength(100);
    });

    it('reads the first of two addresses in one entry, and says so', () => {
        const file = readSitemap(
            urlset('<url><loc>https://site.example/a</loc>\n<loc>https://site.example/b</loc></url>'),
            BASE,
        );
        expect(file.entries.map(({ url }) => url)).toEqual(['https://site.example/a']);
        expect(file.troubles).toMatchObject([{ code: 'two-locs', line: 3 }]);
    });

    it('does not take an element of another namespace for an address or a date', () => {
        const file = readSitemap(
            urlset(
                '<url xmlns:v="https://media.example/video"><v:loc>https://site.example/film</v:loc><loc>https://site.example/a</loc><v:lastmod>1999</v:lastmod></url>',
            ),
            BASE,
        );
        expect(file).toMatchObject({ entries: [{ url: 'https://site.example/a', lastmod: '' }], troubles: [] });
    });

    it('trims the date as it is written', () => {
        const file = readSitemap(
            urlset('<url><loc>https://site.example/a</loc><lastmod>\n 2026-03-02 \n</lastmod></url>'),
            BASE,
        );
        expect(file.entries[0]?.lastmod).toBe('2026-03-02');
    });

    it('takes a date in CDATA', () => {
        const file = readSitemap(
            urlset('<url><loc>https://site.example/a</loc><lastmod><![CDATA[2026-03-02]]></lastmod></url>'),
            BASE,
        );
        expect(file.entries[0]?.lastmod).toBe('2026-03-02');
    });

    it('tells of a relative address, in an index too, and reads what it leads to', () => {
        const file = readSitemap(
            `<sitemapindex xmlns="${SITEMAP_NAMESPACE}">\n<sitemap><loc>/one.xml</loc></sitemap></sitemapindex>`,
            BASE,
        );
        expect(file.entries).toMatchObject([{ url: 'https://site.example/one.xml' }]);
        expect(file.troubles).toEqual([
            {
                code: 'relative',
                line: 2,
                params: { written: '/one.xml', readAs: 'https://site.example/one.xml' },
            },
        ]);
    });

    it('tells of a blank within an address, and not of those around it', () => {
        const file = readSitemap(
            urlset(
                '<url><loc>\n https://site.example/a b \n</loc></url><url><loc> https://site.example/c </loc></url>',
            ),
            BASE,
        );
        expect(file.entries.map(({ url }) => url)).toEqual(['https://site.example/a%20b', 'https://site.example/c']);
        expect(file.troubles).toMatchObject([{ code: 'blank', line: 3 }]);
    });

    it('expands no entity beyond the five of XML, and says that there is a DOCTYPE', () => {
        const bomb = `<!DOCTYPE urlset [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;">]>\n${urlset('<url><loc>https://site.example/&b;</loc></url>').replace(/<\?xml[^>]*>\n/, '')}`;
        const file = readSitemap(bomb, BASE);
        expect(file.entries).toEqual([]);
        expect(codes(bomb)).toContain('doctype');
        expect(codes(bomb)).toContain('not-xml');
    });

    it.each([
        ['', 'empty'],
        ['   \n', 'empty'],
        ['<!DOCTYPE html><html><body>Not found</body></html>', 'html'],
        ['<feed xmlns="http://www.w3.org/2005/Atom"></feed>', 'empty'],
        [urlset('<url><loc>https://site.example/a</loc></url>', 'https://other.example/sitemap'), 'namespace'],
        [urlset('<url><loc>no-address</loc></url>'), 'relative'],
        [urlset('<url><loc>http://</loc></url>'), 'bad-address'],
        [urlset(`<url><loc>https://site.example/${'a'.repeat(2_027)}</loc></url>`), 'too-long'],
        [urlset(`<url><loc>https://site.example/${'a'.repeat(2_026)}</loc></url>`), ''],
        [urlset('<url><lastmod>2026-01-01</lastmod></url>'), 'no-loc'],
        [urlset(''), 'empty'],
    ])('says what is wrong with %j: %s', (text, code) => {
        expect(codes(text)).toEqual(code === '' ? [] : [code]);
    });

    it.each([
        ['<changefreq>often</changefreq>', { tag: 'changefreq', written: 'often', entries: 1 }],
        ['<changefreq>Daily</changefreq>', { tag: 'changefreq', written: 'Daily', entries: 1 }],
        ['<changefreq> monthly\n</changefreq>', null],
        ['<priority>1.1</priority>', { tag: 'priority', written: '1.1', entries: 1 }],
        ['<priority>0,5</priority>', { tag: 'priority', written: '0,5', entries: 1 }],
        ['<priority/>', { tag: 'priority', written: '', entries: 1 }],
        ['<priority>1.0</priority><changefreq>never</changefreq>', null],
        ['<priority>0</priority>', null],
        // An element of another namespace is none of the protocol's.
        ['<x:priority xmlns:x="urn:x">9</x:priority>', null],
    ])('takes %s by the words of the protocol', (values, wanted) => {
        const { troubles, entries } = readSitemap(
            urlset(`<url><loc>https://site.example/a</loc>${values}</url>`),
            BASE,
        );
        expect(entries).toHaveLength(1);
        expect(troubles.map(({ code, params, line }) => ({ code, params, line }))).toEqual(
            wanted === null ? [] : [{ code: 'odd-values', params: wanted, line: 3 }],
        );
    });

    it('tells odd values once, with the first line and how many there are, before all else', () => {
        const entry = '<url><loc>https://site.example/a?b&c</loc><priority>10</priority></url>\n';
        const { troubles } = readSitemap(urlset(entry.repeat(300)), BASE);
        expect(troubles[0]).toEqual({
            code: 'odd-values',
            line: 3,
            params: { tag: 'priority', written: '10', entries: 300 },
        });
    });

    it('reads the languages of entries, whole addresses in our spelling, and leaves what is none', () => {
        const { alternates } = readSitemap(
            urlset(
                `<url><loc>https://site.example/en/</loc>
<xhtml:link xmlns:xhtml="http://www.w3.org/1999/xhtml" rel="alternate" hreflang="FR" href="https://SITE.example/fr/"/>
<xhtml:link xmlns:xhtml="http://www.w3.org/1999/xhtml" rel="stylesheet" hreflang="de" href="https://site.example/de/"/>
<xhtml:link xmlns:xhtml="http://www.w3.org/1999/xhtml" rel="alternate" hreflang="d e" href="https://site.example/de/"/>
<xhtml:link xmlns:xhtml="urn:other" rel="alternate" hreflang="es" href="https://site.example/es/"/></url>
<url><loc>https://site.example/plain</loc></url>`,
            ),
            BASE,
        );
        expect(alternates).toEqual([
            { line: 3, url: 'https://site.example/en/', alternates: [{ code: 'fr', url: 'https://site.example/fr/' }] },
        ]);
        expect(readAlternates(alternatesText(alternates, 1_000))).toEqual(alternates);
        expect(alternatesText(alternates, 10)).toBe('');
    });

    it('tells of an address with a fragment, and reads the page', () => {
        const { entries, troubles } = readSitemap(urlset('<url><loc>https://site.example/a#b</loc></url>'), BASE);
        expect(entries.map(({ url }) => url)).toEqual(['https://site.example/a']);
        expect(troubles).toEqual([{ code: 'with-fragment', line: 3, params: { written: 'https://site.example/a#b' } }]);
    });

    it('reads 50,000 addresses and no more', () => {
        const many = Array.from(
            { length: MAX_SITEMAP_ENTRIES + 5 },
            (_, index) => `<url><loc>https://site.example/${index}</loc></url>`,
        ).join('\n');
        const file = readSitemap(urlset(many), BASE);
        expect(file.entries).toHaveLength(MAX_SITEMAP_ENTRIES);
        expect(file.troubles.map((trouble) => trouble.code)).toEqual(['too-many']);
    });
});

describe('other forms the protocol takes', () => {
    it('reads a plain list of addresses', () => {
        const file = readSitemap('\uFEFFhttps://site.example/a\r\n\nhttps://site.example/b?x=1\nnot one\n', BASE);
        expect(file.kind).toBe('text');
        expect(file.entries.map(({ url, line }) => [url, line])).toEqual([
            ['https://site.example/a', 1],
            ['https://site.example/b?x=1', 3],
        ]);
        expect(file.troubles).toMatchObject([{ code: 'bad-address', line: 4 }]);
    });

    it('reads RSS 2.0, links and dates of its items only', () => {
        const file = readSitemap(
            `<?xml version="1.0"?>
<rss version="2.0"><channel><link>https://site.example/</link>
<item><title>A</title><link>https://site.example/a</link><pubDate>Mon, 02 Mar 2026 10:00:00 GMT</pubDate></item>
<item><title>B</title></item>
</channel></rss>`,
            BASE,
        );
        expect(file).toMatchObject({
            kind: 'feed',
            entries: [{ url: 'https://site.example/a', line: 3, lastmod: 'Mon, 02 Mar 2026 10:00:00 GMT' }],
            troubles: [{ code: 'no-loc', line: 4 }],
        });
    });

    it('reads Atom 1.0, the alternate link of each entry', () => {
        const file = readSitemap(
            `<feed xmlns="http://www.w3.org/2005/Atom"><link href="https://site.example/"/>
<entry><link rel="edit" href="/edit/1"/><link rel="alternate" href="/a"/><updated>2026-03-02T00:00:00Z</updated></entry>
<entry><link href="https://site.example/b"/></entry></feed>`,
            BASE,
        );
        expect(file.entries).toEqual([
            { url: 'https://site.example/a', lastmod: '2026-03-02T00:00:00Z', line: 2 },
            { url: 'https://site.example/b', lastmod: '', line: 3 },
        ]);
    });

    it('keeps what stood before a break in a feed', () => {
        const file = readSitemap(
            '<rss><channel><item><link>https://site.example/a</link></item><item><oops</rss>',
            BASE,
        );
        expect(file.entries.length).toBe(1);
        expect(file.troubles).toMatchObject([{ code: 'not-xml' }]);
    });

    it('stops at the protocol’s number of addresses in every form', () => {
        const line = 'https://site.example/a\n';
        const file = readSitemap(line.repeat(MAX_SITEMAP_ENTRIES + 5), BASE);
        expect(file.entries.length).toBe(MAX_SITEMAP_ENTRIES);
        expect(file.troubles).toMatchObject([{ code: 'too-many' }]);
    });
});
