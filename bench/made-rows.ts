/**
 * Rows of a large site as a crawl would store them, made from a seed and handed out batch by batch: a menu and a footer
 * on every page, a block for each section, links of its own on each page; errors, redirects, noindexed pages, orphans
 * that a sitemap or a log knows, links elsewhere.
 */
import { problem, writeProblem } from '../src/lib/core/problems/problem.ts';
import type { Region } from '../src/lib/core/page/links.ts';
import { emptyRows, unreadPage, type ListedLink, type SurveyBatch } from '../src/lib/core/survey/survey-rows.ts';
import { numbers } from '../demo/big-site.ts';

export const MADE_ORIGIN = 'https://www.big.example';
const WORDS = 'oak ash elm beech pine larch yew lime alder birch maple walnut cherry pear apple plum'.split(' ');
const SECTIONS = 40;
const MENU = 16;
const FOOTER = 4;
const IN_SECTION = 5;
const OTHER_HOSTS = 200;
const PAGES_PER_BATCH = 2_000;
/** One page of so many is none that links reach. */
const ORPHANS = 200;

export interface MadeRowsOptions {
    pages: number;
    /** Links of its own on each page. */
    own?: number;
}

/** Occurrences of links on a page. */
export const occurrencesOf = (own: number): number => MENU + FOOTER + IN_SECTION + own;

const link = (target: number, anchor: string): ListedLink => ({
    kind: 'a',
    target,
    text: '',
    fragment: '',
    anchor,
    name: '',
    rel: '',
    marks: 1,
});

/** Twenty rules, of which none closes a page. */
const ROBOTS = `User-agent: *\n${Array.from({ length: 20 }, (_, rule) => (rule % 4 === 0 ? `Disallow: /*?p${rule}=` : `Disallow: /never-${rule}/folder/`)).join('\n')}\n`;

export function* madeBatches({ pages, own = 15 }: MadeRowsOptions): Generator<SurveyBatch> {
    const next = numbers(5);
    const word = (): string => WORDS[next() % WORDS.length]!;
    const isOrphan = (page: number): boolean => page > SECTIONS && page % ORPHANS === ORPHANS - 1;
    // Page n hangs below page (n - 1) / 6, so that depth is about log6 of the size; orphans lead only to each other.
    const children = (page: number): number[] =>
        Array.from({ length: 6 }, (_, index) => page * 6 + 1 + index).filter(
            (child) => child < pages && !isOrphan(child),
        );
    const shared: [Region, string, ListedLink[]][] = [
        ['nav', 'body nav ul', Array.from({ length: MENU }, (_, item) => link(item * 3, `Menu ${item}`))],
        ['footer', 'body footer', Array.from({ length: FOOTER }, (_, item) => link(item * 5 + 1, `Foot ${item}`))],
        ...Array.from({ length: SECTIONS }, (_, section): [Region, string, ListedLink[]] => [
            'aside',
            'body aside ul',
            Array.from({ length: IN_SECTION }, (_, item) => link(section + item * SECTIONS, `In section ${item}`)),
        ]),
    ];
    let batch = emptyRows();
    for (let host = 0; host < OTHER_HOSTS; host++) {
        batch.addresses.push({ id: pages + host, url: `https://other-${host % 30}.example/${host}`, internal: false });
    }
    shared.forEach(([region, place, links], id) => {
        batch.lists.push({ id, links });
        batch.layouts.push(layout(id, links.length));
        batch.blocks.push({ id, region, place, list: id, name: `shared-${id}` });
    });
    for (let page = 0; page < pages; page++) {
        const section = page % SECTIONS;
        const path = page === 0 ? '/' : `/section-${section}/${word()}-${word()}-${page}/`;
        batch.addresses.push({ id: page, url: MADE_ORIGIN + path, internal: true });
        const kind = page < SECTIONS * IN_SECTION ? 0 : page % 97 === 5 ? 404 : page % 61 === 7 ? 301 : 0;
        batch.pages.push({
            ...unreadPage(page),
            orderRead: page,
            status: kind || 200,
            contentType: kind === 301 ? '' : 'text/html',
            redirectTo: kind === 301 ? page - 1 : null,
            title: `${word()} ${word()} ${word()} ${page}`,
            h1: `${word()} ${word()}`,
            language: 'en',
            words: kind === 301 ? null : next() % 900,
            bytes: 8_000 + (next() % 40_000),
            milliseconds: 20 + (next() % 200),
            readAt: 1_780_000_000_000 + page * 40,
            robotsAllowed: true,
            noindex: page % 53 === 11,
            noindexReason:
                page % 53 === 11 ? writeProblem(problem('noindex-meta', { name: 'robots', says: 'noindex' })) : '',
            metaRobots: page % 53 === 11 ? 'noindex' : '',
        });
        if (page === 0) batch.evidence.push({ address: 0, evidence: 'manual', source: '', line: 0, lastmod: '' });
        if (page % 3 === 0 || isOrphan(page)) {
            const source = page % 400 === 199 ? 'access.log' : `${MADE_ORIGIN}/sitemap.xml`;
            const evidence = page % 400 === 199 ? 'log' : 'sitemap';
            batch.evidence.push({ address: page, evidence, source, line: page, lastmod: '' });
        }
        if (kind !== 301) {
            const id = shared.length + page;
            const below = isOrphan(page) ? [] : children(page);
            const links = [
                ...below.map((child) => link(child, `${word()} ${word()}`)),
                ...Array.from({ length: Math.max(0, own - below.length) }, () => {
                    if (isOrphan(page)) return link(Math.min(pages - 1, page + ORPHANS), word());
                    if (next() % 40 === 0) return link(pages + (next() % OTHER_HOSTS), word());
                    const near = (page + (next() % 400) * SECTIONS) % pages;
                    const target = next() % 8 === 0 ? next() % pages : near;
                    return link(isOrphan(target) ? 0 : target, `${word()} ${word()}`);
                }),
            ];
            batch.lists.push({ id, links });
            batch.layouts.push(layout(id, links.length));
            const name = id.toString(16).padStart(16, '0');
            batch.blocks.push({ id, region: 'main', place: 'body main p', list: id, name });
            [0, 2 + section, id, 1].forEach((block, ordinal) =>
                batch.pageBlocks.push({ page, ordinal, block, layout: block, line: 10 + ordinal * 20 }),
            );
        }
        if (page === pages - 1) {
            batch.files.push({
                kind: 'robots',
                url: `${MADE_ORIGIN}/robots.txt`,
                status: 200,
                note: '',
                entries: null,
                text: ROBOTS,
            });
            batch.files.push({
                kind: 'sitemap',
                url: `${MADE_ORIGIN}/sitemap.xml`,
                status: 200,
                note: '',
                entries: Math.floor(pages / 3),
                text: '',
            });
        }
        if (page % PAGES_PER_BATCH === PAGES_PER_BATCH - 1 || page === pages - 1) {
            yield batch;
            batch = emptyRows();
        }
    }
}

function layout(id: number, links: number) {
    return {
        id,
        lines: Array.from({ length: links }, (_, index) => index),
        columns: Array.from({ length: links }, () => 9),
        hrefs: Array.from({ length: links }, (_, index) => `/link-${index}/`),
    };
}
