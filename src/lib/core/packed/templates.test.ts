import { describe, expect, it } from 'vitest';
import { readPage } from '../page/read-page.ts';
import { emptyRows, unreadPage, type ListedLink, type SurveyRows } from '../survey/survey-rows.ts';
import { externalHosts } from '../areas/external-hosts.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import type { PackedSurvey } from './packed-survey.ts';
import { openTemplate, templateList } from '../areas/template-list.ts';
import { templateWords } from '../areas/template-words.ts';
import { Site } from '../../../../tests/support/small-site.ts';

const O = 'https://a.example';

/** A survey of some pages, rows made one by one: no block is ever merged but by its content, of which its name is made. */
function survey(pages: Record<string, string>, status: Record<string, number> = {}): PackedSurvey {
    const rows: SurveyRows = emptyRows();
    const ids = new Map<string, number>();
    const address = (url: string): number => {
        let id = ids.get(url);
        if (id === undefined) {
            ids.set(url, (id = ids.size));
            rows.addresses.push({ id, url, internal: url.startsWith(O) });
        }
        return id;
    };
    const blocks = new Map<string, number>();
    for (const [path, html] of Object.entries(pages)) {
        const page = address(O + path);
        rows.pages.push({
            ...unreadPage(page),
            orderRead: 0,
            status: 200,
            contentType: 'text/html',
            robotsAllowed: true,
        });
        const facts = readPage(html, O + path, { link: [], refresh: '', xRobotsTag: [] });
        facts.blocks.forEach(({ region, place, links }, ordinal) => {
            const listed = links.map((link): ListedLink => ({ ...link, target: address(link.target), text: '' }));
            const key = JSON.stringify([region, place, links.map(({ target, anchor }) => [target, anchor])]);
            let block = blocks.get(key);
            if (block === undefined) {
                blocks.set(key, (block = blocks.size));
                rows.lists.push({ id: block, links: listed });
                rows.blocks.push({ id: block, region, place, list: block, name: key });
            }
            rows.pageBlocks.push({ page, ordinal, block, layout: 0, line: links[0]!.line });
        });
    }
    for (const [path, code] of Object.entries(status)) {
        const page = address(O + path);
        rows.pages.push({
            ...unreadPage(page),
            orderRead: 0,
            status: code,
            contentType: 'text/html',
            robotsAllowed: true,
        });
    }
    return packSurvey({ info: { start: `${O}/`, state: 'finished', cut: [] }, rows }).survey;
}

const MENU = ['/', '/b', '/c', '/gone'];
/** A menu whose current entry is plain text. */
const menu = (current: string): string =>
    `<nav><ul>${MENU.map((path) => (path === current ? `<li>${path}</li>` : `<li><a href="${path}">to ${path}</a></li>`)).join('')}</ul></nav>`;

const MANY = 100;

describe('templates', () => {
    const found = survey(
        {
            '/': `${menu('/')}<main><p><a href="/b">only here</a></p></main>`,
            '/b': `${menu('/b')}<footer><a href="/c">foot</a></footer>`,
            '/c': `${menu('/c')}<footer><a href="/c2">other foot</a></footer>`,
            '/d': `${menu('')}<footer><a href="/c">foot</a></footer>`,
        },
        { '/gone': 404 },
    );
    const templates = templateList(found, MANY);
    const open = (number: number) => openTemplate(found, number, MANY);

    it('takes the menus with another current entry for one template of several blocks', () => {
        expect(
            templates.map(({ region, place, blocks, pages, broken }) => [region, place, blocks, pages, broken]),
        ).toEqual([
            ['nav', 'nav>ul', 4, 4, 1],
            ['footer', 'footer', 1, 2, 0],
        ]);
        expect(templates.map((_, number) => open(number).pages.length)).toEqual([4, 2]);
        expect(templates.map(({ links }) => links)).toEqual([4, 1]);
        expect(templates[0]!.first).toContain('to /b');
    });

    it('is called the same whichever page was answered first', () => {
        const paths = ['/', ...Array.from({ length: 11 }, (_, at) => `/p${at}`)];
        const long = (current: string): string =>
            `<nav>${paths.map((path) => (path === current ? path : `<a href="${path}">${path}</a>`)).join(' ')}</nav>`;
        // Each of its blocks is as long as the others, and stands on one page.
        const named = (...order: string[]): string[] =>
            templateList(survey(Object.fromEntries(order.map((path) => [path, long(path)]))), MANY).map(
                ({ name }) => name,
            );
        const names = named('/', '/p3', '/p7');
        expect(names).toHaveLength(1);
        expect(named('/p7', '/', '/p3')).toEqual(names);
        expect(named('/p3', '/p7', '/')).toEqual(names);
    });

    it('tells all its links once, with what they answered', () => {
        expect(open(0).links.map(({ target, anchor, status }) => [target.slice(O.length), anchor, status])).toEqual(
            expect.arrayContaining([
                ['/', 'to /', 200],
                ['/gone', 'to /gone', 404],
            ]),
        );
        expect(open(0).links).toHaveLength(4);
    });

    it('is called by its region and the first two different words it holds', () => {
        const long = 'A very long name that nobody could read in a list of things';
        const words = (region: 'nav' | 'footer' | 'other', links: { to: string; anchor: string }[]): string => {
            const site = new Site()
                .known('/', 'manual')
                .page('/', [{ to: '/b' }])
                .page('/b')
                .page('/x')
                .page('/y');
            const survey = packSurvey(site.share(['/', '/b'], links, region).measure()).survey;
            return templateWords(survey, 0);
        };
        const x = (anchor: string, to = '/x') => ({ to, anchor });
        expect(words('nav', [x('Guides'), x('Guides', '/y'), x(''), x('Tools'), x('Fees')])).toBe(
            'menu: Guides, Tools',
        );
        expect(words('footer', [x('Fees')])).toBe('footer: Fees');
        expect(words('other', [x(long), x('Y', '/y')])).toBe('block: A very long name that nobody could read…, Y');
        expect(words('footer', [x(''), x('', '/y')])).toBe('footer without words');
    });

    it('is told from one of the same words by the folder of its pages, and by its number where that is the same', () => {
        const months = (year: number): string[] => ['1', '2', '3'].map((month) => `/cal/${year}/${month}`);
        const site = new Site().known('/', 'manual').page('/', [{ to: '/cal/2026/1' }, { to: '/cal/2027/1' }]);
        for (const year of [2026, 2027]) for (const path of months(year)) site.page(path);
        for (const year of [2026, 2027]) {
            const links = months(year).map((to) => ({ to, anchor: `month ${to.at(-1)}` }));
            site.share(months(year), links, 'main');
        }
        const survey = packSurvey(site.measure()).survey;
        expect(survey.measured.templates.map((_, template) => templateWords(survey, template)).sort()).toEqual([
            'main: month 1, month 2 in /cal/2026/',
            'main: month 1, month 2 in /cal/2027/',
        ]);

        const same = new Site().known('/', 'manual').page('/', [{ to: '/a' }, { to: '/b' }]);
        for (const path of ['/a', '/b', '/x', '/y']) same.page(path);
        for (const to of ['/x', '/y']) same.share(['/a', '/b'], [{ to, anchor: 'More' }], 'header');
        const packed = packSurvey(same.measure()).survey;
        const called = packed.measured.templates.map((_, template) => templateWords(packed, template));
        expect(called).toEqual(['header: More in /, 1 of 2', 'header: More in /, 2 of 2']);
    });

    it('names a page and line it stands on', () => {
        expect(open(1).example).toEqual({ url: `${O}/b`, line: 1 });
    });

    it('keeps blocks apart that share less, or stand elsewhere', () => {
        const links = (from: number): string =>
            Array.from({ length: 10 }, (_, n) => `<li><a href="/${from + n}">x</a></li>`).join('');
        const apart = survey({
            '/': `<nav><ul>${links(0)}</ul></nav>`,
            '/p': `<nav><ul>${links(0)}</ul></nav>`,
            // Seven of ten shared: below 80 %.
            '/q': `<nav><ul>${links(3)}</ul></nav>`,
            '/r': `<nav><ul>${links(3)}</ul></nav>`,
            // Eight of ten shared with the first.
            '/s': `<nav><ul>${links(-2).replaceAll('/-', '/m')}</ul></nav>`,
            '/t': `<aside><ul>${links(0)}</ul></aside>`,
        });
        expect(templateList(apart, MANY).map(({ pages, blocks }) => [pages, blocks])).toEqual([
            [3, 2],
            [2, 1],
        ]);
    });
});

describe('externalHosts', () => {
    it('counts links, pages and targets of each host, and tells neighbours', () => {
        const found = survey({
            '/': '<a href="https://x.example/1">1</a><a href="https://x.example/1">2</a><a rel=nofollow href="https://x.example/2">3</a>',
            '/b': '<a href="https://x.example/1">1</a><a href="https://shop.a.example/">shop</a><a href="/">home</a>',
        });
        expect(externalHosts(found)).toMatchObject([
            { host: 'x.example', links: 4, followed: 3, pages: 2, targets: 2, asked: 0, broken: 0, isNeighbour: false },
            { host: 'shop.a.example', links: 1, pages: 1, targets: 1, isNeighbour: true },
        ]);
    });
});
