/** Rarer rules of reading a page: what headers say beside the document, and where its limits lie. */
import { describe, expect, it } from 'vitest';
import { readPage, type PageHeaders } from './read-page.ts';

const URL = 'https://site.example/folder/page';
const NONE: PageHeaders = { link: [], refresh: '', xRobotsTag: [] };
const read = (html: string, headers: Partial<PageHeaders> = {}) => readPage(html, URL, { ...NONE, ...headers });
const links = (html: string, headers: Partial<PageHeaders> = {}) =>
    read(html, headers).blocks.flatMap((block) => block.links);

describe('headers of the answer', () => {
    // RFC 8288 3.2: a Link header is resolved against the URL of the answer; a base element is one of the document.
    it('are resolved against the URL of the page, whatever base the document says', () => {
        const html = '<base href="https://other.example/deep/"><link rel="next" href="2"><a href="x">x</a>';
        const found = links(html, { link: ['<3>; rel="prev"'] });
        const targetOf = (kind: string): string | undefined => found.find((link) => link.kind === kind)?.target;
        expect(targetOf('next')).toBe('https://other.example/deep/2');
        expect(targetOf('a')).toBe('https://other.example/deep/x');
        expect(targetOf('prev')).toBe('https://site.example/folder/3');
    });

    it('with a refresh are resolved so too, and win over a refresh of the document', () => {
        const base = '<base href="https://other.example/deep/">';
        expect(read(base, { refresh: '0; url=there' }).instantRefresh).toBe('https://site.example/folder/there');
        expect(read(`${base}<meta http-equiv="refresh" content="0; url=there">`).instantRefresh).toBe(
            'https://other.example/deep/there',
        );
        const both = read('<meta http-equiv="refresh" content="0; url=/meta">', { refresh: '0; url=/header' });
        expect(both.instantRefresh).toBe('https://site.example/header');
        // One that waits, and wins all the same.
        const waiting = read('<meta http-equiv="refresh" content="0; url=/meta">', { refresh: '9; url=/header' });
        expect(waiting.instantRefresh).toBe('');
    });
});

describe('limits', () => {
    it('are 50,000 links: the last of them is there, the next is not', () => {
        const html = (count: number): string =>
            Array.from({ length: count }, (_, n) => `<a href=/${n}>${n}</a>`).join('');
        expect(links(html(50_000)).at(-1)?.target).toBe('https://site.example/49999');
        const more = links(html(50_001));
        expect(more).toHaveLength(50_000);
        expect(more.at(-1)?.target).toBe('https://site.example/49999');
    });
});

describe('words in titles, headings and anchors', () => {
    it.each([
        ['<h1>Kit<br>Version 17</h1>', 'Kit Version 17'],
        ['<h1>Kit<br/>Version<wbr>17</h1>', 'Kit Version17'],
        ['<h1><div>Kit</div><div>Version</div></h1>', 'Kit Version'],
        ['<h1><span>Kit</span><b>Version</b></h1>', 'KitVersion'],
        ['<h1>Kit<!-- x -->Version</h1>', 'KitVersion'],
    ])('%s', (html, h1) => expect(read(html).h1).toBe(h1));

    it.each([
        ['<a href=/>Kit<br>Version 17</a>', 'Kit Version 17'],
        ['<a href=/><p>One</p><p>two</p></a>', 'One two'],
        ['<a href=/>one<img alt=" two ">three</a>', 'one two three'],
        ['<a href=/>one<img alt="two">three</a>', 'onetwothree'],
        ['<a href=/><table><tr><td>a<td>b</table></a>', 'a b'],
    ])('%s', (html, anchor) => expect(links(html)[0]?.anchor).toBe(anchor));
});
