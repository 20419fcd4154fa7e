/** Reading of nasty documents, against the DOM that Chromium itself builds of them. */
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { z } from 'zod';
import { readAddress } from '$lib/core/address/address.ts';
import { readPage } from '$lib/core/page/read-page.ts';
import { startStandIn, type StandIn } from '../../demo/stand-in.ts';
import { openBrowser } from '../support/browser.ts';
import { NASTY } from '../support/nasty-documents.ts';

const NAMES = Object.keys(NASTY);
const Seen = z.object({
    title: z.string(),
    h1: z.string(),
    language: z.string(),
    links: z.array(z.tuple([z.string(), z.string(), z.string()])),
    canonicals: z.array(z.string()),
    robots: z.array(z.string()),
    headings: z.array(z.string()),
});

let standIn: StandIn;
let browser: Browser;
let page: Page;
beforeAll(async () => {
    standIn = await startStandIn(({ path }) => {
        const body = NASTY[NAMES[Number(path.slice(1))] ?? ''];
        const headers = { 'content-type': 'text/html; charset=utf-8' };
        return body === undefined ? { status: 404, headers, body: '' } : { status: 200, headers, body };
    });
    browser = await openBrowser();
    page = await browser.newPage();
});
afterAll(async () => {
    await browser?.close();
    await standIn?.close();
});

/** What Chromium's DOM says; text as it stands, words parted where Chromium parts lines, white space folded. */
const LOOK = `(() => {
    const fold = (text) => text.replace(/\\p{White_Space}+/gu, ' ').replace(/^ | $/g, '');
    // Where Chromium itself would break a line: around what it does not lay out inline, and at a br.
    const parts = (element) => element.localName === 'br' || getComputedStyle(element).display !== 'inline';
    const raw = (node) => {
        if (node.nodeType === Node.TEXT_NODE) return node.data;
        if (node.nodeType !== Node.ELEMENT_NODE) return '';
        const inner = [...node.childNodes].map(raw).join('');
        return parts(node) ? ' ' + inner + ' ' : inner;
    };
    const textOf = (element) =>
        fold(element.querySelector('script,style,template,noscript') ? '' : [...element.childNodes].map(raw).join(''));
    const all = (selector, from = document) => [...from.querySelectorAll(selector)];
    const links = all('a, area').flatMap((element) => {
        const href = element.getAttribute('href');
        if (href === null) return [];
        const target = typeof element.href === 'string' ? element.href : new URL(href, document.baseURI).href;
        return [[href, target, element.localName === 'area' ? fold(element.getAttribute('alt') ?? '') : textOf(element)]];
    });
    const title = all('title').find((element) => element.namespaceURI === 'http://www.w3.org/1999/xhtml');
    const h1 = document.querySelector('h1');
    return {
        title: title ? fold(title.textContent) : '',
        h1: h1 ? textOf(h1) : '',
        language: document.documentElement.lang,
        links,
        canonicals: [...new Set(all('link[rel~=canonical i]', document.head).map((element) => element.href))],
        robots: all('meta[name=robots i]', document.head).map((element) => element.content),
        headings: all('h1,h2,h3,h4,h5,h6').map(textOf),
    };
})()`;

const spelled = (url: string): string => {
    const found = readAddress(url);
    return found.ok ? found.address.url : url;
};

describe('nasty documents are read as Chromium reads them', () => {
    it.each(NAMES.map((name, index) => [name, index] as const))('%s', async (name, index) => {
        const url = `http://127.0.0.1:${standIn.port}/${index}`;
        await page.goto(url, { waitUntil: 'domcontentloaded' });
        const seen = Seen.parse(await page.evaluate(LOOK));
        const read = readPage(NASTY[name]!, url, { link: [], refresh: '', xRobotsTag: [] });
        const links = read.blocks
            .flatMap((block) => block.links)
            .filter((link) => link.line > 0 && (link.kind === 'a' || (link.kind === 'other' && link.rel === '')));
        const sorted = (list: string[]): string[] => [...list].sort();
        expect(sorted(links.map((link) => `${link.href} -> ${link.target} "${link.anchor}"`))).toEqual(
            sorted(seen.links.map(([href, target, text]) => `${href} -> ${spelled(target)} "${text}"`)),
        );
        expect({
            title: read.title,
            h1: read.h1,
            language: read.language,
            canonicals: read.canonicals,
            robots: read.metaRobots.map((meta) => meta.content),
            headings: read.document.headings.map((heading) => heading.text),
        }).toEqual({
            title: seen.title,
            h1: seen.h1,
            language: seen.language,
            canonicals: seen.canonicals.map(spelled),
            robots: seen.robots,
            headings: seen.headings,
        });
    });
});
