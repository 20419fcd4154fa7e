import { describe, expect, it } from 'vitest';
import { LINK_MARK } from './links.ts';
import { readPage } from './read-page.ts';

const NO_HEADERS = { link: [], refresh: '', xRobotsTag: [] };

/** Marks of the `a` links of a body, in the order they stand, by name. */
function marks(body: string): string[][] {
    const { blocks } = readPage(`<!doctype html><body>${body}`, 'https://site.example/here', NO_HEADERS);
    const links = blocks.flatMap((block) => block.links).filter(({ kind }) => kind === 'a');
    links.sort((a, b) => a.line - b.line || a.column - b.column);
    return links.map(({ marks: own }) => Object.entries(LINK_MARK).flatMap(([name, bit]) => (own & bit ? [name] : [])));
}

describe('the marks of a link', () => {
    it.each([
        ['<a href="/a">words</a>', []],
        ['<a href="/a"><img src="x"></a>', ['picture']],
        ['<a href="/a"><span><svg><path/></svg></span></a>', ['picture']],
        ['<a href="/a"><i role="img"></i></a>', ['picture']],
        ['<a href="/a"><input type="IMAGE"></a>', ['picture']],
        // An icon font shows a picture that nobody can see in the markup.
        ['<a href="/a"><i class="icon"></i></a>', []],
        ['<map><area href="/a"></map>', ['picture']],
        ['<a href="/a"><h3>Saws</h3><p>All of them</p></a>', ['heading']],
        ['<a href="/a" hidden>x</a>', ['hidden']],
        ['<div style="color:red; DISPLAY : none"><p><a href="/a">x</a></div>', ['hidden']],
        ['<p style="visibility:hidden!important"><a href="/a">x</a>', ['hidden']],
        // Found by whoever looks for it; and words that only sound like hiding.
        ['<div hidden="until-found"><a href="/a">x</a></div>', []],
        ['<div style="--display:none-such; content: none"><a href="/a">x</a></div>', []],
        // Menus hide what they fold away.
        ['<nav><ul hidden><li><a href="/a">x</a></ul></nav>', []],
    ])('%s', (body, wanted) => {
        expect(marks(body)).toEqual([['looked', ...wanted]]);
    });

    it.each([
        ['<a href="/a">one</a> <a href="/a">two</a>', true],
        [
            '<div><a href="/a"><img src="x"></a></div>\n<div><h2><a href="https://site.example/a">two</a></h2></div>',
            true,
        ],
        ['<a href="/a">one</a><script>x()</script><!-- x --><a href="/a">two</a>', true],
        // Two entries of an index may lead to one page.
        ['<ul><li><a href="/a">one</a></li> <li><a href="/a">two</a></ul>', false],
        ['<table><tr><td><a href="/a">one</a><td><a href="/a">two</a></table>', false],
        ['<ul><li><a href="/a">one</a></ul><a href="/a">two</a>', false],
        ['<a href="/a">one</a>, <a href="/a">two</a>', false],
        ['<a href="/a">one</a> <img src="x"> <a href="/a">two</a>', false],
        ['<a href="/a">one</a> <a href="/b">two</a>', false],
        ['<a href="/a#x">one</a> <a href="/a#y">two</a>', false],
    ])('%s: twins %s', (body, isTwin) => {
        const [first, second] = marks(body);
        expect(first).not.toContain('twin');
        expect(second!.includes('twin')).toBe(isTwin);
    });

    it('are had of a page of 20,000 links to one place side by side', () => {
        const all = marks('<a href="/a">x</a>'.repeat(20_000));
        expect(all).toHaveLength(20_000);
        expect(all.filter((own) => own.includes('twin'))).toHaveLength(19_999);
    });
});

describe('links in noscript', () => {
    it('are links of a kind of their own, each at its line', () => {
        const { blocks } = readPage(
            '<!doctype html><body>\n<noscript>\n  <p><A HREF="/plain" rel=nofollow>Plain &amp; simple</A>\n<img src="/x">\n<a href=other></noscript>\n<a href="/b">b</a>',
            'https://site.example/here/',
            NO_HEADERS,
        );
        const links = blocks.flatMap((block) => block.links);
        expect(links.map(({ kind, target, rel, line }) => ({ kind, target, rel, line }))).toEqual([
            { kind: 'a', target: 'https://site.example/b', rel: '', line: 6 },
            { kind: 'noscript', target: 'https://site.example/plain', rel: 'nofollow', line: 3 },
            { kind: 'noscript', target: 'https://site.example/here/other', rel: '', line: 5 },
        ]);
    });
});
