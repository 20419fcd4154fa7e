/** The lean tree against parse5's own tree, on soups of tags, text and everything that ends a run of input. */
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { defaultTreeAdapter, parse, type DefaultTreeAdapterTypes } from 'parse5';
import { describe, expect, it } from 'vitest';
import { isElement, parseLean, type LeanElement } from './lean-tree.ts';

/** A tree as lines: elements with their attributes and places, texts joined. */
function leanLines(root: LeanElement): string[] {
    const lines: string[] = [];
    const walk = (element: LeanElement, depth: number): void => {
        for (const child of element.children) {
            if (!isElement(child)) lines.push(`${depth} "${child.text}"`);
            else {
                const attributes = child.attributes.map(({ name, value }) => `${name}=${value}`).join(' ');
                lines.push(`${depth} <${child.tag} ${attributes}> ${child.offset}`);
                walk(child, depth + 1);
            }
        }
    };
    walk(root, 0);
    return joined(lines);
}

function plainLines(document: DefaultTreeAdapterTypes.Document): string[] {
    const lines: string[] = [];
    const walk = (nodes: DefaultTreeAdapterTypes.Node[], depth: number): void => {
        for (const node of nodes) {
            if (defaultTreeAdapter.isTextNode(node)) lines.push(`${depth} "${node.value}"`);
            else if (defaultTreeAdapter.isElementNode(node)) {
                const attributes = node.attrs.map(({ name, value }) => `${name}=${value}`).join(' ');
                const offset = node.sourceCodeLocation?.startOffset ?? -1;
                lines.push(`${depth} <${node.tagName} ${attributes}> ${offset}`);
                walk(node.childNodes, depth + 1);
            }
        }
    };
    walk(document.childNodes, 0);
    return joined(lines);
}

/** Texts side by side (a comment parted them) as one. */
function joined(lines: string[]): string[] {
    const out: string[] = [];
    for (const line of lines) {
        const last = out[out.length - 1];
        const depth = /^\d+ "/.exec(line)?.[0];
        if (depth && last?.startsWith(depth)) out[out.length - 1] = `${last.slice(0, -1)}${line.slice(depth.length)}`;
        else out.push(line);
    }
    return out;
}

const PIECES = [
    ...[
        'word',
        ' ',
        '  ',
        '\n',
        '\r\n',
        '\r',
        '\t',
        '\f',
        '\u0000',
        '&amp;',
        '&',
        '&#0;',
        '&notit;',
        '&#x1F600;',
        '😀',
        '\ud800',
        '<',
        '>',
    ],
    ...[
        '<p>',
        '</p>',
        '<b>',
        '</b>',
        '<i class="a b">',
        '</i>',
        '<a href="/x y&amp;z">',
        "<a href='/q\r\nr'>",
        '<a href=/u&v>',
        '</a>',
    ],
    ...['<table>', '<tr>', '<td>', '</td>', '</table>', '<select>', '<option>', '</select>', '<ul>', '<li>', '</ul>'],
    ...[
        '<script>',
        '</script>',
        '<style>',
        '</style>',
        '<textarea>',
        '</textarea>',
        '<title>',
        '</title>',
        '<pre>',
        '<pre>\n',
        '</pre>',
    ],
    ...[
        '<svg>',
        '<path d="M0 0"/>',
        '</svg>',
        '<math>',
        '</math>',
        '<![CDATA[x]]>',
        '<!-- c -->',
        '<!x>',
        '<?y>',
        '</>',
    ],
    ...[
        '<head>',
        '</head>',
        '<body>',
        '</body>',
        '<html lang="e\u0000n">',
        '</html>',
        '<noscript>',
        '</noscript>',
        '<template>',
        '</template>',
    ],
    ...[
        '<form>',
        '</form>',
        '<h1>',
        '</h1>',
        '<br>',
        '</br>',
        '<div title="\r\n&lt;\n\'">',
        '</div>',
        '"',
        "'",
        '=',
        '/',
    ],
    // Tags and comments as few people write them.
    ...['<A HREF="/X" CLASS=y>', '<p a=b c>', '<p a = "b">', '<p a ="b">', '<p a="1"b="2">', '<p a="1" A=2>'],
    ...['<p/>', '<br/>', '<br />', '<p a=b/>', '<p =x>', "<p a='x\"y'>", '<p a=">" b>', '<p\ra\r\n=b\rc>', '<p a= >'],
    ...['</p >', '</p x="1">', '</P>', '<a:b c:d="e">', '<x-y z>', '<p ä=1 ß>', '<ÿ>', '<p a="\u0000">', '<p a="x'],
    ...['<!-->', '<!--->', '<!-- --!>', '<!-- a--b -->', '<!-- <!-- -->', '<!--', '-->', '<!doctype html>', '<p /a>'],
];
/** What tags are made of, for tags that nobody writes. */
const IN_TAGS = [...'ab=\'"/ \r\n>&;<!-', 'href', '\u0000', '\ud83d\ude00', '&amp;', '\r\n', ' x="y"', " z='w'"];

/** parse5 knows no place for what it opened again by itself; the lean tree keeps that of the tag it was made from. */
function expectSame(html: string): void {
    const plain = plainLines(parse(html, { sourceCodeLocationInfo: true, scriptingEnabled: true }));
    const lean = leanLines(parseLean(html)).map((line, index) =>
        plain[index]?.endsWith('> -1') ? line.replace(/> \d+$/, '> -1') : line,
    );
    expect(lean, JSON.stringify(html.slice(0, 2_000))).toEqual(plain);
}

const heap = (): number => {
    setFlagsFromString('--expose-gc');
    (runInNewContext('gc') as () => void)();
    return process.memoryUsage().heapUsed;
};

describe('parseLean', () => {
    it('builds the same elements, attributes, texts and places as parse5 itself', () => {
        let state = 20_261_123;
        const next = (below: number): number => {
            state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
            return Math.floor((state / 4_294_967_296) * below);
        };
        for (let round = 0; round < 4_000; round++) {
            const html = Array.from({ length: 1 + next(30) }, () => PIECES[next(PIECES.length)]!).join('');
            expectSame(html);
        }
        for (let round = 0; round < 6_000; round++) {
            const tag = Array.from({ length: 1 + next(12) }, () => IN_TAGS[next(IN_TAGS.length)]!).join('');
            expectSame(`x<${['p', 'a', '/p', 'br', '!--', 'textarea'][next(6)]}${tag}>text</a><b>y`);
        }
    });

    it('holds no room for children and attributes that are not there', () => {
        const html = '<b class="x">y</b> '.repeat(50_000);
        parseLean(html);
        const before = heap();
        const tree = parseLean(html);
        const each = (heap() - before) / 50_000;
        expect(tree.children).not.toHaveLength(0);
        // Two texts, an element with one child and one attribute: 376 bytes. Each array with room for seventeen is 130 more.
        expect(each).toBeLessThan(440);
    });

    it('keeps no document for the names that were met in it', () => {
        const before = heap();
        for (let number = 0; number < 60; number++) {
            // Longer than what V8 copies when it cuts a text.
            const tag = `<x-of-a-long-name-${number} data-of-a-long-name-${number}="y">`;
            parseLean(`${tag}${'word '.repeat(200_000)}${number}`);
        }
        // Sixty documents of a megabyte each.
        expect(heap() - before).toBeLessThan(30_000_000);
    });

    it('does so behind so many odd comments that it stops looking at them', () => {
        expectSame(
            `${'<p><!-- a --!>'.repeat(150)}<b><!-- c -->d<!-- --><!-->e${' x'.repeat(6_000)}<!-- ${'y'.repeat(20_000)} -->f`,
        );
    });

    it('does so across the size at which the tokenizer drops what it has read', () => {
        const html = `<title>t</title>${'<p class="a\r\nb">some words &amp; more\r\n</p>'.repeat(6_000)}<a href="/end">end</a>`;
        expectSame(html);
    });
});
