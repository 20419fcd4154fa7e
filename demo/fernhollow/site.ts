/**
 * Fernhollow Tool Library, the demo site, in its March edition: as inherited. A believable site first; then it has the
 * faults that real sites have, each planted on purpose and listed in `demo/answers.ts`.
 */
import { gzipSync } from 'node:zlib';
import type { SiteAnswer, StandInSite } from '../stand-in.ts';
import { CATALOGUE } from './catalogue.ts';
import { escapeHtml, page, prose, type PageParts } from './layout.ts';
import { BRANCHES } from './prose/branches.ts';
import { GARDEN_GUIDES } from './prose/guides-garden.ts';
import { HOUSE_GUIDES } from './prose/guides-house.ts';
import { LAST_GUIDES, ORPHAN_GUIDES } from './prose/guides-last.ts';
import { WOOD_GUIDES } from './prose/guides-wood.ts';
import { HELP } from './prose/help.ts';
import { JOURNAL } from './prose/journal.ts';
import type { ProsePage } from './prose/prose.ts';
import { WORKSHOPS } from './prose/workshops.ts';

export const ORIGIN = 'https://www.fernhollow-tools.example';
const HOSTS = new Set(['www.fernhollow-tools.example', 'fernhollow-tools.example']);

/** Guides in the order of their list: newest first, five to a page, eight pages. */
export const LISTED_GUIDES: ProsePage[] = [...WOOD_GUIDES, ...HOUSE_GUIDES, ...GARDEN_GUIDES, ...LAST_GUIDES];
const GUIDES_PER_PAGE = 5;

/** The planted faults; a test takes them away one by one. */
export const FAULTS = [
    'orphan-guides',
    'old-section',
    'nine-clicks',
    'redirect-chain',
    'broken-menu-link',
    'noindexed-hub',
    'closed-folder',
    'canonical-elsewhere',
] as const;
export type Fault = (typeof FAULTS)[number];

/** @param mended faults that are left out */
export function fernhollow(mended: readonly Fault[] = []): StandInSite {
    const has = (fault: Fault): boolean => !mended.includes(fault);
    const pages = buildPages(has);
    return ({ scheme, host, path }) => {
        if (!HOSTS.has(host)) return text(404, 'No site of that name lives here.\n');
        // The old host variants: http with www leads to the one meant, the bare name answers twice with the same page.
        if (scheme === 'http' && host.startsWith('www.') && path !== '/robots.txt') return redirect(`${ORIGIN}${path}`);
        return pages.get(path) ?? notFound();
    };
}

function text(status: number, body: string): SiteAnswer {
    return { status, headers: { 'content-type': 'text/plain; charset=utf-8' }, body };
}

function redirect(to: string): SiteAnswer {
    return { status: 301, headers: { location: to, 'content-type': 'text/html; charset=utf-8' }, body: '' };
}

function html(body: string, status = 200): SiteAnswer {
    return { status, headers: { 'content-type': 'text/html; charset=utf-8' }, body };
}

function notFound(): SiteAnswer {
    return html(
        page({
            path: '/',
            title: 'Not here',
            main: '<h1>Not here</h1><p>It may have been borrowed. Try <a href="/">the start page</a>.</p>',
        }),
        404,
    );
}

function list(items: { href: string; title: string; lead: string }[]): string {
    return `<ul class="cards">${items
        .map(
            (item) =>
                `\n<li><a href="${item.href}">${escapeHtml(item.title)}</a> <span>${escapeHtml(item.lead)}</span></li>`,
        )
        .join('')}\n</ul>`;
}

function buildPages(has: (fault: Fault) => boolean): Map<string, SiteAnswer> {
    const pages = new Map<string, SiteAnswer>();
    const sitemap: string[] = [];
    const put = (parts: PageParts, listed = true): void => {
        pages.set(parts.path, html(page(parts)));
        if (listed) sitemap.push(parts.path);
    };
    const written = (folder: string, item: ProsePage, extra: Partial<PageParts> = {}): void =>
        put({
            path: `/${folder}/${item.slug}/`,
            title: item.title,
            description: item.lead,
            main: `<article><h1>${escapeHtml(item.title)}</h1>\n<p class="lead">${escapeHtml(item.lead)}</p>\n${prose(item.text)}</article>`,
            ...extra,
        });
    const links = (folder: string, items: ProsePage[]) =>
        items.map((item) => ({ href: `/${folder}/${item.slug}/`, title: item.title, lead: item.lead }));

    put({
        path: '/',
        title: 'Fernhollow Tool Library',
        description: 'Borrow tools instead of buying them.',
        main: `<h1>Borrow it, use it, bring it back</h1>
<p>Four thousand tools in six places, lent to anyone who lives in Fernhollow or can find it on a map. A drill is used for eleven minutes in its life; ours are used for weeks.</p>
<h2>Look for a tool</h2>${list(CATALOGUE.map((item) => ({ href: `/tools/${item.slug}/`, title: item.name, lead: item.lead })))}
<h2>From the journal</h2>${list(links('journal', JOURNAL.slice(0, 3)))}
<p>New here? Begin with <a href="/help/first-visit/">your first visit</a>.</p>`,
    });
    put({
        path: '/visit/',
        title: 'Visit us',
        description: 'Where and when.',
        main: `<h1>Visit us</h1><p>Every branch keeps its own hours and its own kettle. The nearest one is usually the right one, and the vans carry tools between them overnight.</p>${list(links('branches', BRANCHES))}`,
    });

    // Tools
    put({
        path: '/tools/',
        title: 'Tools',
        description: 'The catalogue by kind.',
        main: `<h1>Tools</h1><p>Sixty of the tools that are asked for most, by what they do.</p>${list(
            CATALOGUE.map((item) => ({ href: `/tools/${item.slug}/`, title: item.name, lead: item.lead })),
        )}`,
    });
    for (const kind of CATALOGUE) {
        put({
            path: `/tools/${kind.slug}/`,
            title: `${kind.name} tools`,
            description: kind.lead,
            robots: kind.slug === 'lifting' && has('noindexed-hub') ? 'noindex, follow' : undefined,
            trail: [['/tools/', 'Tools']],
            main: `<h1>${kind.name}</h1><p>${kind.lead}</p>${list(
                kind.tools.map((item) => ({
                    href: `/tools/${kind.slug}/${item.slug}/`,
                    title: item.name,
                    lead: item.use,
                })),
            )}`,
        });
        for (const item of kind.tools) {
            const related = kind.tools.filter((other) => other.branch === item.branch && other !== item).slice(0, 3);
            const guide = LISTED_GUIDES.find((other) => other.slug === item.guide);
            const elsewhere = item.slug === 'laser-level' && has('canonical-elsewhere');
            put({
                path: `/tools/${kind.slug}/${item.slug}/`,
                title: item.name,
                description: item.use,
                canonical: elsewhere ? '/tools/measuring/' : undefined,
                trail: [
                    ['/tools/', 'Tools'],
                    [`/tools/${kind.slug}/`, kind.name],
                ],
                main: `<h1>${escapeHtml(item.name)}</h1><p>${item.use}</p>
<table class="facts"><tr><th>Weight</th><td>${item.weight}</td></tr><tr><th>Fee</th><td>${item.fee === 0 ? 'free' : `${item.fee} a day`}</td></tr>
<tr><th>Kept at</th><td><a href="/branches/${item.branch}/">${BRANCHES.find((branch) => branch.slug === item.branch)?.title ?? ''}</a></td></tr></table>
<p><a href="/members/reserve/" rel="nofollow">Reserve</a></p>
${guide ? `<p>How to use it: <a href="/guides/${guide.slug}/">${escapeHtml(guide.title)}</a>.</p>` : ''}
${related.length > 0 ? `<aside><h2>On the same shelf</h2><ul>${related.map((other) => `<li><a href="/tools/${kind.slug}/${other.slug}/">${escapeHtml(other.name)}</a></li>`).join('')}</ul></aside>` : ''}`,
            });
        }
    }

    // Guides: a list of eight pages that only leads on to the older ones, so its end lies nine clicks deep.
    const listPages = Math.ceil(LISTED_GUIDES.length / GUIDES_PER_PAGE);
    for (let number = 1; number <= listPages; number++) {
        const shown = LISTED_GUIDES.slice((number - 1) * GUIDES_PER_PAGE, number * GUIDES_PER_PAGE);
        const at = (wanted: number): string => (wanted === 1 ? '/guides/' : `/guides/?page=${wanted}`);
        const numbers = has('nine-clicks')
            ? ''
            : Array.from({ length: listPages }, (_, index) => `<a href="${at(index + 1)}">${index + 1}</a>`).join(' ');
        put(
            {
                path: at(number),
                title: number === 1 ? 'Guides' : `Guides, page ${number}`,
                description: 'How it is done, by people who have done it.',
                main: `<h1>Guides</h1><p>How it is done, by people who have done it, newest first.</p>${list(links('guides', shown))}
<p class="pager">${number > 1 ? `<a href="${at(number - 1)}">Newer</a>` : ''} ${numbers} ${number < listPages ? `<a href="${at(number + 1)}">Older</a>` : ''}</p>`,
            },
            number === 1,
        );
    }
    for (const guide of LISTED_GUIDES) written('guides', guide, { trail: [['/guides/', 'Guides']] });
    for (const guide of ORPHAN_GUIDES) written('guides', guide, { trail: [['/guides/', 'Guides']] });
    if (!has('orphan-guides')) {
        put({
            path: '/guides/more/',
            title: 'More guides',
            main: `<h1>More guides</h1>${list(links('guides', ORPHAN_GUIDES))}`,
        });
    }

    // A renaming, twice: the ladder guide and the fees.
    if (has('redirect-chain')) {
        pages.set('/guides/hire-a-ladder/', redirect('/guides/borrow-a-ladder/'));
        pages.set('/guides/borrow-a-ladder/', redirect('/guides/ladders/'));
        pages.set('/help/charges/', redirect('/help/costs/'));
        pages.set('/help/costs/', redirect('/help/fees/'));
    } else {
        pages.set('/guides/hire-a-ladder/', redirect('/guides/ladders/'));
        pages.set('/guides/borrow-a-ladder/', redirect('/guides/ladders/'));
        pages.set('/help/charges/', redirect('/help/fees/'));
    }

    // Workshops, with a menu of their own whose last entry leads nowhere.
    const sectionMenu: [string, string][] = [
        ['/workshops/', 'All workshops'],
        ['/workshops/repair-evening/', 'Repair evening'],
        [has('broken-menu-link') ? '/workshops/booking/' : '/visit/', 'Book a place'],
    ];
    put({
        path: '/workshops/',
        title: 'Workshops',
        description: 'Learn it with your hands.',
        sectionMenu,
        main: `<h1>Workshops</h1><p>Most of what goes wrong with tools goes wrong in the first ten minutes. These evenings are for those.</p>${list(links('workshops', WORKSHOPS))}`,
    });
    for (const item of WORKSHOPS) written('workshops', item, { sectionMenu, trail: [['/workshops/', 'Workshops']] });

    put({
        path: '/branches/',
        title: 'Branches',
        main: `<h1>Branches</h1><p>Six places, one card.</p>${list(links('branches', BRANCHES))}`,
    });
    for (const item of BRANCHES) written('branches', item, { trail: [['/branches/', 'Branches']] });
    put({
        path: '/journal/',
        title: 'Journal',
        main: `<h1>Journal</h1><p>What happened.</p>${list(links('journal', JOURNAL))}`,
    });
    for (const item of JOURNAL) written('journal', item, { trail: [['/journal/', 'Journal']] });
    put({
        path: '/help/',
        title: 'Help',
        main: `<h1>Help</h1><p>Answers that were asked for more than twice.</p>${list(links('help', HELP))}`,
    });
    for (const item of HELP) written('help', item, { trail: [['/help/', 'Help']] });

    // Members: really there, and closed to robots.
    for (const name of ['', 'sign-in/', 'reserve/']) {
        put(
            {
                path: `/members/${name}`,
                title: 'Members',
                main: '<h1>Members</h1><p>Please sign in.</p><p><a href="/members/sign-in/">Sign in</a></p>',
            },
            false,
        );
    }

    // The old site: still answering, linked by nobody but itself.
    const old: [string, string, string][] = [
        [
            '',
            'Welcome to our home page',
            'We now have a page on the web. Come back soon, for we mean to add a photograph.',
        ],
        ['tools.html', 'Our tools', 'Drills, saws, two ladders. Ask Gwen.'],
        ['hours.html', 'Opening hours', 'Saturdays from ten until the soup is ready.'],
        ['people.html', 'Who we are', 'Gwen, Idris, and whoever is passing.'],
        ['links.html', 'Links', 'Other pages on the web that we like.'],
        ['guestbook.html', 'Guest book', 'Closed since somebody wrote a poem in it.'],
    ];
    for (const [name, title, words] of old) {
        const menu = old.map(([other, label]) => `<a href="/2016/${other}">${label}</a>`).join(' | ');
        pages.set(
            `/2016/${name}`,
            html(
                `<html><head><title>${title}</title></head>\n<body bgcolor="#ffffcc"><center>${menu}</center><h1>${title}</h1><p>${words}</p></body></html>\n`,
            ),
        );
    }
    sitemap.push('/2016/');
    if (!has('old-section')) {
        put({
            path: '/about/',
            title: 'About us',
            main: '<h1>About us</h1><p>We began small; see <a href="/2016/">our first pages</a>.</p>',
        });
        pages.set(
            '/visit/',
            html(
                page({
                    path: '/visit/',
                    title: 'Visit us',
                    main: '<h1>Visit us</h1><p>See <a href="/about/">about us</a>.</p>',
                }),
            ),
        );
    }
    if (!has('orphan-guides')) {
        const first = pages.get('/journal/');
        if (first)
            pages.set('/journal/', {
                ...first,
                body: String(first.body).replace('</main>', '<p><a href="/guides/more/">More guides</a></p></main>'),
            });
    }

    pages.set('/files/safety.pdf', {
        status: 200,
        headers: { 'content-type': 'application/pdf' },
        body: '%PDF-1.4\n%%EOF\n',
    });
    pages.set(
        '/robots.txt',
        text(
            200,
            `# Fernhollow\nUser-agent: *\n${has('closed-folder') ? 'Disallow: /members/\n' : 'Disallow:\n'}\nSitemap: ${ORIGIN}/sitemap.xml\n`,
        ),
    );
    const sections = ['guides', ''].map((section) => ({
        path: section === '' ? '/sitemap-rest.xml.gz' : `/sitemap-${section}.xml`,
        paths: sitemap.filter((item) => item.startsWith('/guides/') === (section === 'guides')),
    }));
    const xml = (body: string): string => `<?xml version="1.0" encoding="UTF-8"?>\n${body}\n`;
    for (const section of sections) {
        const urlset = xml(
            `<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">\n${section.paths.map((item) => `<url><loc>${ORIGIN}${item.replace(/&/g, '&amp;')}</loc><lastmod>2026-03-02</lastmod></url>`).join('\n')}\n</urlset>`,
        );
        const packed = section.path.endsWith('.gz');
        pages.set(section.path, {
            status: 200,
            headers: { 'content-type': packed ? 'application/gzip' : 'application/xml' },
            body: packed ? gzipSync(urlset) : urlset,
        });
    }
    pages.set('/sitemap.xml', {
        status: 200,
        headers: { 'content-type': 'application/xml' },
        body: xml(
            `<sitemapindex xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">\n${sections.map((item) => `<sitemap><loc>${ORIGIN}${item.path}</loc></sitemap>`).join('\n')}\n</sitemapindex>`,
        ),
    });
    return pages;
}
