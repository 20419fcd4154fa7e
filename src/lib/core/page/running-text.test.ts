import { describe, expect, it } from 'vitest';
import { plainText } from './plain-text.ts';
import { offsetAt, runningText, type Passage } from './running-text.ts';

const URL = 'https://site.example/guides/';
const read = (html: string) => runningText(html, URL);
const kinds = (html: string): [string, string][] => read(html).passages.map(({ kind, text }) => [kind, text]);
const takenIn = ({ text, taken }: Passage): [string, string][] =>
    taken.map(({ from, to, target }) => [text.slice(from, to), target]);

describe('running text', () => {
    it('parts passages at blocks, and tells headings, labels, quotations, code and cells from prose', () => {
        const html = `<body><main><h2>On the <em>stone</em></h2><p>Oil  it
            first.</p><blockquote><p>Said by another.</p></blockquote><pre>a b</pre>
            <table><tr><th>Head</th><td>A cell of words</td></tr></table><dl><dt>Term</dt><dd>What it is.</dd></dl></main>`;
        expect(kinds(html)).toEqual([
            ['label', 'On the stone'],
            ['prose', 'Oil it first.'],
            ['quote', 'Said by another.'],
            ['code', 'a b'],
            ['cell', 'Head'],
            ['cell', 'A cell of words'],
            ['label', 'Term'],
            ['prose', 'What it is.'],
        ]);
    });

    it('leaves out headers, menus, footers, scripts and controls', () => {
        const html = `<body><header>Top</header><nav><a href="/">Home</a></nav><main><p>Text <button>Press</button>here.
            <script>no()</script></p><select><option>One</option></select></main><footer>End</footer>`;
        expect(kinds(html)).toEqual([['prose', 'Text here.']]);
    });

    it('knows the links and short quotations in a passage by their characters', () => {
        const [passage] = read(
            `<base href="/tools/"><p>See <a href="saws/#set">the <b>saws</b></a> and <q>what he said</q>, or <a href="mailto:a@b.example">write</a>.`,
        ).passages;
        expect(takenIn(passage!)).toEqual([
            ['the saws', 'https://site.example/tools/saws/'],
            ['what he said', ''],
            ['write', ''],
        ]);
        expect(passage!.taken.map(({ link }) => link)).toEqual([0, -1, 1]);
    });

    it('takes a link that holds blocks as one in each of them', () => {
        const { passages } = read('<a href="/card/"><h3>A card</h3><p>Its text.</p></a><p>Free.</p>');
        expect(passages.map((passage) => takenIn(passage).map(([text]) => text))).toEqual([
            ['A card'],
            ['Its text.'],
            [],
        ]);
    });

    it('does not part a sentence at links that stand side by side in it', () => {
        const { passages } = read('<p>Read <a href="/a">one</a>, then <a href="/b">two</a>, then rest.</p>');
        expect(passages.map(({ text }) => text)).toEqual(['Read one, then two, then rest.']);
    });

    it('says of each passage under which heading it stands', () => {
        const { passages } = read('<p>Before.</p><h2>One</h2><p>A.</p><h2>Two</h2><p>B.</p>');
        const prose = passages.filter(({ kind }) => kind === 'prose');
        expect(prose.map(({ under }) => passages[under]?.text ?? '')).toEqual(['', 'One', 'Two']);
    });

    it('knows where each character stands in the source, behind references, line ends and folded space', () => {
        const source = '<body>\r\n<p>Fish &amp; chips,&#x20;and\r\n   &eacute;t&eacute; <i>then</i> &#128512; saws</p>';
        const { passages, placeOf } = read(source);
        const [passage] = passages;
        expect(passage!.text).toBe('Fish & chips, and été then 😀 saws');
        for (const word of ['Fish', '& chips', 'chips', 'and', 'then', 'saws']) {
            const at = passage!.text.indexOf(word);
            const offset = offsetAt(passage!, at);
            const written = word.replace('&', '&amp;');
            expect([word, source.slice(offset, offset + written.length)]).toEqual([word, written]);
        }
        expect(placeOf(passage!, passage!.text.indexOf('then'))).toEqual({
            line: 3,
            column: source.split('\r\n')[2]!.indexOf('then') + 1,
        });
        expect(placeOf(passage!, 0)).toEqual({ line: 2, column: 4 });
    });

    it('tells for letters on random documents where they stand', () => {
        const words = [
            'saw',
            'oil',
            '&amp;',
            '<b>rip</b>',
            '<br>',
            '  ',
            '\n',
            '<p>',
            '</p>',
            '<a href="/x">',
            '</a>',
            '<td>',
            '&lt;',
            'stone',
        ];
        let seed = 11;
        const next = (most: number): number => (seed = (seed * 1_103_515_245 + 12_345) % 2_147_483_648) % most;
        for (let round = 0; round < 300; round++) {
            const source = `<body>${Array.from({ length: 40 }, () => words[next(words.length)]).join('')}`;
            for (const passage of read(source).passages) {
                for (let at = 0; at < passage.text.length; at++) {
                    const letter = passage.text[at]!;
                    if (!/[a-z]/.test(letter)) continue;
                    expect(source[offsetAt(passage, at)]).toBe(letter);
                }
            }
        }
    });

    it('gives a page of deep nesting and of endless text in bounded time', () => {
        expect(read('<div>'.repeat(20_000) + 'deep').passages.map(({ text }) => text)).toEqual(['deep']);
        const { passages } = read('<p>word</p>'.repeat(120_000));
        expect(passages.length).toBe(50_000);
    });
});

describe('a text that is no page yet', () => {
    it('is parted by empty lines; a short line that ends like no sentence is a heading', () => {
        const { passages, placeOf } = plainText('On the stone\n\nOil it first.\nThen draw.\r\n\r\nWipe it.');
        expect(passages.map(({ kind, text, under }) => [kind, text, under])).toEqual([
            ['label', 'On the stone', -1],
            ['prose', 'Oil it first. Then draw.', 0],
            ['prose', 'Wipe it.', 0],
        ]);
        expect(placeOf(passages[2]!, 0).line).toBe(6);
    });

    it('of nothing is nothing', () => {
        expect(plainText(' \n\n \n').passages).toEqual([]);
    });
});
