import { describe, expect, it } from 'vitest';
import { readPage, type PageHeaders } from './read-page.ts';

const HEADERS: PageHeaders = { link: [], refresh: '', xRobotsTag: [] };
const read = (html: string, headers: Partial<PageHeaders> = {}) =>
    readPage(html, 'https://a.example/x', { ...HEADERS, ...headers }).markup;
const codes = (html: string, headers?: Partial<PageHeaders>): string[] => read(html, headers).map(({ code }) => code);

describe('the markup of a document', () => {
    it('is in order where each thing stands once, and where it belongs', () => {
        const html = `<!doctype html><html lang="en"><head><title>a</title>
<link rel="canonical" href="/x"><meta name="robots" content="index, max-snippet:20">
<script type="application/ld+json">{"@type": "Event"}</script></head><body><h1>a</h1><h2>b</h2>`;
        expect(read(html)).toEqual([]);
        expect(read('')).toEqual([]);
    });

    it('counts titles of the head, those of pictures aside', () => {
        const html = '<head><title>a</title><title>b</title></head><body><svg><title>c</title></svg>';
        expect(read(html)).toEqual([{ code: 'titles', params: { titles: 2 } }]);
        expect(read('<title>a</title><body><svg><title>c</title></svg>')).toEqual([]);
    });

    it('counts main headings, hidden ones too', () => {
        expect(read('<h1>a</h1><div hidden><h1>b</h1></div>')).toEqual([{ code: 'h1s', params: { h1s: 2 } }]);
    });

    it('says what ended the head early, where something that belongs there stands behind it', () => {
        const html = '<head>\n<title>a</title>\n<div></div>\n<link rel="canonical" href="/x">\n</head><body>';
        expect(read(html)).toEqual([
            { code: 'head-closed', params: { tag: 'div', lost: 'link' }, line: 3 },
            { code: 'canonical-in-body', params: { written: '/x' }, line: 4 },
        ]);
        // Behind everything that counts a stray element does no harm; and an end tag may be left out.
        expect(codes('<head><title>a</title><link rel="canonical" href="/x"><div></div></head>')).toEqual([]);
        expect(codes('<title>a</title><div></div><p>b')).toEqual([]);
    });

    it('finds robots metas and canonicals in the body', () => {
        const html = '<title>a</title><body><p>b</p>\n<meta name="robots" content="noindex">';
        expect(read(html)).toEqual([{ code: 'robots-in-body', params: { says: 'noindex' }, line: 2 }]);
        expect(codes('<body><p>b</p><meta name="description" content="c">')).toEqual([]);
    });

    it.each([
        ['<link rel="canonical" href="ftp://a.example/x">', ['canonical-unreadable']],
        ['<link rel="canonical" href="http://">', ['canonical-unreadable']],
        ['<link rel="canonical" href="/x#part">', ['canonical-fragment']],
        ['<link rel="canonical" href="x"><link rel="canonical" href="/x">', []],
    ])('judges a canonical by its address: %s', (html, wanted) => {
        expect(codes(html)).toEqual(wanted);
    });

    it('judges canonicals of headers alike', () => {
        expect(codes('<p>', { link: ['<mailto:a@a.example>; rel="canonical"'] })).toEqual(['canonical-unreadable']);
    });

    it.each([
        ['no-index', ['no-index']],
        ['index,follow', []],
        ['NoIndex, NOFOLLOW , none,all', []],
        ['unavailable_after: 25 Jun 2026 15:00:00 GMT, max-image-preview:large', []],
        ['noindexed, nofolow', ['noindexed', 'nofolow']],
        ['', []],
    ])('knows the words robots are told: %s', (content, wanted) => {
        const told = read(`<meta name="robots" content="${content}">`);
        expect(told.map((found) => ('token' in found.params ? found.params.token : ''))).toEqual(wanted);
        expect(told.every(({ line }) => line === 1)).toBe(true);
    });

    it('asks of headers what is said to our agent alone', () => {
        const unknown = (xRobotsTag: string[]) =>
            read('<p>', { xRobotsTag }).filter(({ code }) => code === 'directive-unknown');
        expect(unknown(['otherbot: no-index', 'noindex'])).toEqual([]);
        expect(unknown(['edgemap: no-index'])).toEqual([{ code: 'directive-unknown', params: { token: 'no-index' } }]);
    });

    it('says which structured data cannot be read, and which has no type', () => {
        const html = `<script type="application/ld+json">{"name": 1}</script>
<script type="application/ld+json">{"@type": "Event",}</script>`;
        expect(read(html)).toEqual([
            { code: 'data-untyped', params: {}, line: 1 },
            { code: 'data-broken', params: { cause: expect.any(String) }, line: 2 },
        ]);
    });

    it('stays small for a hostile document', () => {
        const html = '<body><p>' + '<meta name="robots" content="noindex">'.repeat(10_000);
        expect(read(html)).toHaveLength(3);
    });
});

describe('alternates in other languages', () => {
    it('keep the language as it is written, in the head and in headers', () => {
        const { blocks } = readPage(
            '<link rel="alternate" hreflang="fr-CA" href="/fr"><link rel="alternate" hreflang=" " href="/feed">',
            'https://a.example/x',
            { ...HEADERS, link: ['</cy>; rel="alternate"; hreflang="cy"'] },
        );
        const links = blocks.flatMap((block) => block.links);
        expect(links.map(({ kind, name, target }) => [kind, name, target])).toEqual([
            ['hreflang', 'fr-CA', 'https://a.example/fr'],
            ['alternate', '', 'https://a.example/feed'],
            ['hreflang', 'cy', 'https://a.example/cy'],
        ]);
    });
});
