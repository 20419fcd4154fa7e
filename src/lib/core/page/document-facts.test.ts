import { describe, expect, it } from 'vitest';
import { mainTextOf } from './main-text.ts';
import { readPage } from './read-page.ts';

const HEADERS = { link: [], refresh: '', xRobotsTag: [] };
const read = (html: string) => readPage(html, 'https://a.example/x', HEADERS);
const facts = (html: string) => read(html).document;

describe('document facts', () => {
    it('has all headings in order, hidden ones and images alts too', () => {
        expect(
            facts('<h2>b <i>c</i></h2><h1>a</h1><div hidden><h3>\n d\t</h3></div><h6><img alt="e"></h6>').headings,
        ).toEqual([
            { level: 2, text: 'b c' },
            { level: 1, text: 'a' },
            { level: 3, text: 'd' },
            { level: 6, text: 'e' },
        ]);
    });

    it('has social tags, by property or name', () => {
        expect(
            facts(
                '<meta property="og:title" content=" A  b "><meta name="twitter:card" content=x><meta name=author content=n>',
            ).social,
        ).toEqual([
            { name: 'og:title', content: 'A b' },
            { name: 'twitter:card', content: 'x' },
        ]);
    });

    it('reads types out of structured data of three syntaxes, and says what cannot be read', () => {
        const html = `<script type="application/ld+json">{"@graph":[{"@type":["Recipe","Thing"],"author":{"@type":"Person"}}]}</script>
<script type="application/ld+json">{"@type": "Broken",}</script>
<script type="application/ld+json">{"name": 1}</script>
<div itemscope itemtype="https://schema.example/Event"></div><p typeof="Place Thing">`;
        const { structured } = facts(html);
        expect(structured.map(({ syntax, types, line }) => [syntax, types, line])).toEqual([
            ['json-ld', ['Recipe', 'Thing', 'Person'], 1],
            ['json-ld', [], 2],
            ['json-ld', [], 3],
            ['microdata', ['https://schema.example/Event'], 4],
            ['rdfa', ['Place', 'Thing'], 4],
        ]);
        expect(structured[1]?.error).toMatch(/JSON/);
        expect(structured[2]?.error).toBe('no @type');
    });

    it('has dates with where they stand', () => {
        const html = `<meta property="article:published_time" content="2026-03-01"><time datetime="2026-03-02T10:00">x</time><time>3 March</time>
<script type="application/ld+json">{"@type":"A","dateModified":"2026-03-04"}</script><meta itemprop="startDate" content="2026-05-05">`;
        expect(facts(html).dates).toEqual([
            { from: 'meta', what: 'article:published_time', value: '2026-03-01' },
            { from: 'time', what: '', value: '2026-03-02T10:00' },
            { from: 'time', what: '', value: '3 March' },
            { from: 'structured data', what: 'dateModified', value: '2026-03-04' },
            { from: 'structured data', what: 'startDate', value: '2026-05-05' },
        ]);
    });

    it('has what fragments can point at, each once', () => {
        expect(facts('<p id=a><a name=b></a><a name=a></a><i id="">').ids).toEqual(['a', 'b']);
    });

    it('counts links in noscript and keeps what stands where it does not count', () => {
        const found = facts(
            '<title>x</title><body><noscript><a href=/1>1</a><A HREF="/2">2</A></noscript><link rel=canonical href=/c><meta name=robots content=noindex>',
        );
        expect(found).toMatchObject({ noscriptLinks: 2, canonicalsInBody: ['/c'], robotsInBody: ['noindex'] });
    });

    it('survives structured data that nests without end', () => {
        const deep = `${'['.repeat(50_000)}${']'.repeat(50_000)}`;
        expect(facts(`<script type="application/ld+json">${deep}</script>`).structured).toHaveLength(1);
    });
});

describe('text pieces and main text', () => {
    const html = `<header><p>Brand</p></header><nav><ul><li><a href=/1>Menu</a></li></ul></nav>
<main><h1>Title</h1><p>Some <a href=/2>linked</a> words.</p><ul class=rel><li><a href=/3>Related</a> one</li><li><a href=/4>two</a></li></ul></main>
<aside><p><a href=/5>Aside</a></p></aside><footer>Foot</footer>`;

    it('leaves out header, nav and footer, and knows which block a piece stands in', () => {
        const page = read(html);
        const places = page.blocks.map((block) => block.place);
        const named = page.text.map(({ block, text }) => [block < 0 ? '' : places[block], text]);
        expect(named).toEqual([
            ['', 'Title'],
            ['', 'Some linked words.'],
            ['main>ul', 'Related one'],
            ['main>ul', 'two'],
            ['aside', 'Aside'],
        ]);
    });

    it('has a main text without the blocks that are shared', () => {
        const { text, blocks } = read(html);
        const list = blocks.findIndex((block) => block.place === 'main>ul');
        expect(mainTextOf(text, (block) => block === list)).toBe('Title\nSome linked words.\nAside');
    });

    it('parts no words at inline elements, and words at blocks', () => {
        expect(read('<p>a<b>b</b>c<div>d</div>e').text.map((piece) => piece.text)).toEqual(['abc', 'd', 'e']);
    });
});
