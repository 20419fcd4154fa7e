/**
 * Fernhollow Tool Library, the demo site, in its three editions. A believable site first; then it has the faults that
 * real sites have, each planted on purpose (`editions.ts`), with the answers for March in `demo/answers.ts`.
 */
import { gzipSync } from 'node:zlib';
import type { SiteAnswer, StandInSite } from '../stand-in.ts';
import { CATALOGUE } from './catalogue.ts';
import { faultsOf, type Edition, type Fault } from './editions.ts';
import { escapeHtml, page, prose, type PageParts } from './layout.ts';
import { careSheet, loanNotes, shelfOf, TOPICS } from './made-pages.ts';
import { BRANCHES } from './prose/branches.ts';
import { GARDEN_GUIDES } from './prose/guides-garden.ts';
import { HOUSE_GUIDES } from './prose/guides-house.ts';
import { LAST_GUIDES, ORPHAN_GUIDES } from './prose/guides-last.ts';
import { WOOD_GUIDES } from './prose/guides-wood.ts';
import { HELP } from './prose/help.ts';
import { JOURNAL } from './prose/journal.ts';
import type { ProsePage } from './prose/prose.ts';
import { FRENCH, WELSH, type Translation } from './prose/translations.ts';
import { UNLISTED_GUIDES } from './unlisted.ts';
import { NEW_GUIDES } from './prose/guides-new.ts';
import { layLaterFaults } from './september.ts';
import { WORKSHOPS } from './prose/workshops.ts';
import { calendarPage, filterLinks, filterPage, FIRST_MONTH } from './traps.ts';

export const ORIGIN = 'https://www.fernhollow-tools.example';
const HOSTS = new Set(['www.fernhollow-tools.example', 'fernhollow-tools.example']);

/** Guides in the order of their list: newest first, five to a page, eight pages. */
export const LISTED_GUIDES: ProsePage[] = [...WOOD_GUIDES, ...HOUSE_GUIDES, ...GARDEN_GUIDES, ...LAST_GUIDES];
const GUIDES_PER_PAGE = 5;

/** Posts on one page of the journal. */
const POSTS_PER_PAGE = 9;

/** Pages of the bare host that answer by themselves; the rest of it leads to the host that is meant. */
const DOUBLED = new Set(['/', '/visit/']);

/**
 * @param mended faults of the edition that are left out
 */
export function fernhollow(edition: Edition = 'march', mended: readonly Fault[] = []): StandInSite {
    const faults = new Set(faultsOf(edition).filter((fault) => !mended.includes(fault)));
    const has = (fault: Fault): boolean => faults.has(fault);
    const pages = buildPages(has, edition === 'september');
    return ({ scheme, host, path }) => {
        if (!HOSTS.has(host)) return text(404, 'No site of that name lives here.\n');
        const isBare = !host.startsWith('www.');
        if (path !== '/robots.txt' && (isBare || scheme === 'http')) {
            // The host variants: all lead to the one meant, but for what the bare name answers by itself.
            if (!isBare || !has('host-doubles') || !DOUBLED.has(path)) return redirect(`${ORIGIN}${path}`);
            const own = pages.get(path)!;
            const body = String(own.body).replace(
                `<link rel="canonical" href="${ORIGIN}${path}">`,
                `<link rel="canonical" href="${scheme}://${host}${path}">`,
            );
            return { ...own, body };
        }
        const made = calendarPage(path, has('endless-calendar')) ?? (has('filters-multiply') ? filterPage(path) : null);
        if (made)
            return html(page({ path, title: made.title, main: made.main, canonical: path.replace(/&/g, '&amp;') }));
        return pages.get(path) ?? notFound();
    };
}

/** Paths of an edition that answer 200 with a page, in the order they were made; what never ends aside. */
export function fernhollowPaths(edition: Edition): string[] {
    const faults = new Set(faultsOf(edition));
    return [...buildPages((fault) => faults.has(fault), edition === 'september')]
        .filter(([, answer]) => answer.status === 200 && String(answer.headers['content-type']).startsWith('text/html'))
        .map(([path]) => path);
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

/** What stands for everything that is not there. */
const NOT_HERE = '<h1>Not here</h1><p>It may have been borrowed.</p>';

function notFound(): SiteAnswer {
    return html(
        page({
            path: '/',
            title: 'Not here',
            main: NOT_HERE,
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

/** A picture of one dot. */
const PNG = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
);

/** Three guides, each naming the next as the one that counts. */
const CANONICAL_CHAIN = ['small-leaks-in-flat-roofs', 'reading-a-damp-wall', 'draughts-and-where-they-live'];

const LANGUAGES: [string, Translation[]][] = [
    ['cy', WELSH],
    ['fr', FRENCH],
];

/** The languages of an English page and its translations; none where it has no translation. */
function alternatesOf(path: string): [string, string][] | undefined {
    const others = LANGUAGES.flatMap(([language, translations]) =>
        translations
            .filter((item) => item.of === path)
            .map((item): [string, string] => [language, `/${language}/${item.path}`]),
    );
    return others.length === 0 ? undefined : [['en', path], ...others, ['x-default', path]];
}

type Put = (parts: PageParts, listed?: boolean) => void;
type Links = (folder: string, items: ProsePage[]) => { href: string; title: string; lead: string }[];

/** The journal: written posts, then the monthly loans; in pages, and by topic. */
function buildJournal(
    has: (fault: Fault) => boolean,
    put: Put,
    written: (folder: string, item: ProsePage, extra?: Partial<PageParts>) => void,
    links: Links,
): void {
    const notes = loanNotes();
    const posts = [
        ...links('journal', JOURNAL).map((item, index) => ({ ...item, topic: index % TOPICS.length })),
        ...notes.map((note) => ({
            href: `/journal/${note.slug}/`,
            title: note.title,
            lead: note.lead,
            topic: note.topic,
        })),
    ];
    const count = Math.ceil(posts.length / POSTS_PER_PAGE);
    const at = (number: number): string => (number === 1 ? '/journal/' : `/journal/?page=${number}`);
    const topics = `<p class="topics">${TOPICS.map((topic) => `<a href="/journal/topics/${topic}/">${topic}</a>`).join(' ')}</p>`;
    for (let number = 1; number <= count; number++) {
        const numbers = Array.from({ length: count }, (_, index) => `<a href="${at(index + 1)}">${index + 1}</a>`).join(
            ' ',
        );
        const poster = has('host-doubles')
            ? '<p>The poster for the open day names <a href="http://fernhollow-tools.example/visit/">our address</a>.</p>'
            : '';
        put(
            {
                path: at(number),
                title: number === 1 ? 'Journal' : `Journal, page ${number}`,
                sequence: {
                    previous: number > 1 ? at(number - 1) : null,
                    next: number < count ? at(number + 1) : null,
                },
                main: `<h1>Journal</h1><p>What happened.</p>${number === 1 ? poster : ''}${topics}${list(posts.slice((number - 1) * POSTS_PER_PAGE, number * POSTS_PER_PAGE))}<p class="pager">${numbers}</p>`,
            },
            number === 1,
        );
    }
    TOPICS.forEach((topic, index) =>
        put({
            path: `/journal/topics/${topic}/`,
            title: `Journal: ${topic}`,
            trail: [['/journal/', 'Journal']],
            main: `<h1>About ${topic}</h1>${list(posts.filter((post) => post.topic === index))}`,
        }),
    );
    for (const item of JOURNAL) written('journal', item, { trail: [['/journal/', 'Journal']] });
    for (const note of notes) {
        put({
            path: `/journal/${note.slug}/`,
            title: note.title,
            description: note.lead,
            trail: [['/journal/', 'Journal']],
            main: `<article><h1>${note.title}</h1>${note.main}</article>`,
        });
    }
}

function buildPages(has: (fault: Fault) => boolean, listsAll: boolean): Map<string, SiteAnswer> {
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
        alternates: alternatesOf('/'),
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
        alternates: alternatesOf('/visit/'),
        main: `<h1>Visit us</h1><p>Every branch keeps its own hours and its own kettle. The nearest one is usually the right one, and the vans carry tools between them overnight.</p>${list(links('branches', BRANCHES))}
<p>The counter by the river is <a href="/branches/riverside/">Riverside</a>. ${has('same-words') ? '<a href="/branches/">Opening hours</a>' : '<a href="/visit/hours/">Opening hours</a>'} are on the door as well.</p>`,
    });
    put({
        path: '/visit/hours/',
        title: 'Opening hours',
        main: '<h1>Opening hours</h1><p>Weekdays from four to seven, Saturdays from ten to two. On the day of the regatta only Harbour Steps is open, and only until the first boat.</p>',
    });
    // A branch that closed; its page says so, and answers as if all were well.
    pages.set(
        '/branches/riverside/',
        html(
            page({
                path: '/branches/riverside/',
                title: 'Not here',
                main: NOT_HERE,
            }),
            has('soft-404') ? 200 : 404,
        ),
    );

    // Tools
    put({
        path: '/tools/',
        title: 'Tools',
        description: 'The catalogue by kind.',
        alternates: alternatesOf('/tools/'),
        main: `<h1>Tools</h1><p>The tools that are asked for most, by what they do.</p>${has('filters-multiply') ? filterLinks(new URLSearchParams()) : ''}${list(
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
<p><a href="/members/reserve/" rel="nofollow">Reserve</a>${has('reserve-links') && item.fee >= 4 ? ` <a href="/tools/${kind.slug}/${item.slug}/reserve/">Reserve for Saturday</a>` : ''}</p>
<p><a href="/tools/${kind.slug}/${item.slug}/care/">Looking after it</a></p>
${guide ? `<p>How to use it: <a href="/guides/${guide.slug}/">${escapeHtml(guide.title)}</a>.</p>` : ''}
${related.length > 0 ? `<aside><h2>On the same shelf</h2><ul>${related.map((other) => `<li><a href="/tools/${kind.slug}/${other.slug}/">${escapeHtml(other.name)}</a></li>`).join('')}</ul></aside>` : ''}`,
            });
        }
    }

    for (const kind of CATALOGUE) {
        for (const item of kind.tools) {
            put({
                path: `/tools/${kind.slug}/${item.slug}/care/`,
                title: `Looking after the ${item.name.toLowerCase()}`,
                trail: [
                    ['/tools/', 'Tools'],
                    [`/tools/${kind.slug}/`, kind.name],
                    [`/tools/${kind.slug}/${item.slug}/`, item.name],
                ],
                main: careSheet(kind, item),
            });
            if (has('reserve-links') && item.fee >= 4) {
                const path = `/tools/${kind.slug}/${item.slug}/reserve/`;
                put({ path, title: 'Reserved', main: '<h1>Reserved</h1><p>It is yours on Saturday.</p>' }, false);
            }
        }
    }

    // Guides: a list of eight pages that only leads on to the older ones, so its end lies nine clicks deep.
    const listPages = Math.ceil(LISTED_GUIDES.length / GUIDES_PER_PAGE);
    for (let number = 1; number <= listPages; number++) {
        const shown = LISTED_GUIDES.slice((number - 1) * GUIDES_PER_PAGE, number * GUIDES_PER_PAGE);
        const at = (wanted: number): string => (wanted === 1 ? '/guides/' : `/guides/?page=${wanted}`);
        const named = has('behind-pages') ? 4 : listPages;
        const numbers = has('nine-clicks')
            ? ''
            : Array.from({ length: named }, (_, index) => `<a href="${at(index + 1)}">${index + 1}</a>`).join(' ');
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
    for (const guide of LISTED_GUIDES) {
        const extra: Partial<PageParts> = { trail: [['/guides/', 'Guides']] };
        const next = CANONICAL_CHAIN[CANONICAL_CHAIN.indexOf(guide.slug) + 1];
        if (has('canonical-chain') && CANONICAL_CHAIN.includes(guide.slug) && next)
            extra.canonical = `/guides/${next}/`;
        if (has('canonical-in-body') && guide.slug === 'tiling-behind-a-sink') {
            extra.canonical = null;
            extra.main = `<h1>${escapeHtml(guide.title)}</h1><link rel="canonical" href="${ORIGIN}/guides/tiling/">${prose(guide.text)}`;
        }
        written('guides', guide, extra);
    }
    for (const guide of has('unlinked-guides') ? NEW_GUIDES : [])
        written('guides', guide, { trail: [['/guides/', 'Guides']] });
    for (const guide of ORPHAN_GUIDES) written('guides', guide, { trail: [['/guides/', 'Guides']] });
    if (!has('orphan-guides')) {
        put({
            path: '/guides/more/',
            title: 'More guides',
            main: `<h1>More guides</h1>${list(links('guides', listsAll ? [...ORPHAN_GUIDES, ...UNLISTED_GUIDES] : ORPHAN_GUIDES))}`,
        });
    }
    for (const guide of UNLISTED_GUIDES) {
        put(
            {
                path: `/guides/${guide.slug}/`,
                title: guide.title,
                description: guide.lead,
                trail: [['/guides/', 'Guides']],
                main: `<article><h1>${escapeHtml(guide.title)}</h1>\n<p class="lead">${escapeHtml(guide.lead)}</p>\n${prose(guide.text)}</article>`,
            },
            listsAll,
        );
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
    if (has('redirect-loop')) {
        pages.set('/help/charges/', redirect('/help/costs/'));
        pages.set('/help/costs/', redirect('/help/charges/'));
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
        alternates: alternatesOf('/workshops/'),
        sectionMenu,
        main: `<h1>Workshops</h1><p>Most of what goes wrong with tools goes wrong in the first ten minutes. These evenings are for those. They stand month by month in <a href="${FIRST_MONTH}">the calendar</a>.</p>${list(links('workshops', WORKSHOPS))}`,
    });
    for (const item of WORKSHOPS) written('workshops', item, { sectionMenu, trail: [['/workshops/', 'Workshops']] });

    put({
        path: '/branches/',
        title: 'Branches',
        alternates: alternatesOf('/branches/'),
        main: `<h1>Branches</h1><p>Six places, one card.</p>${list(links('branches', BRANCHES))}`,
    });
    for (const item of BRANCHES) {
        const clock = has('nameless-link') ? '<a href="/visit/hours/"><img src="/img/clock.png"></a>' : '';
        written('branches', item, {
            trail: [['/branches/', 'Branches']],
            main: `<article><h1>${escapeHtml(item.title)}</h1>${clock}\n<p class="lead">${escapeHtml(item.lead)}</p>\n${prose(item.text)}</article>
<p><a href="/branches/${item.slug}/tools/">What stands on its shelves</a></p>`,
        });
        put({
            path: `/branches/${item.slug}/tools/`,
            title: `On the shelves of ${item.title}`,
            trail: [
                ['/branches/', 'Branches'],
                [`/branches/${item.slug}/`, item.title],
            ],
            main: `<h1>On the shelves of ${escapeHtml(item.title)}</h1>${list(
                shelfOf(item.slug).map(({ kind, tool }) => ({
                    href: `/tools/${kind.slug}/${tool.slug}/`,
                    title: tool.name,
                    lead: tool.use,
                })),
            )}`,
        });
    }
    pages.set('/img/clock.png', { status: 200, headers: { 'content-type': 'image/png' }, body: PNG });
    buildJournal(has, put, written, links);
    put({
        path: '/help/',
        title: 'Help',
        alternates: alternatesOf('/help/'),
        main: `<h1>Help</h1><p>Answers that were asked for more than twice. What is paid back, and when, stands under <a href="/help/fees/#${has('missing-fragment') ? 'deposits' : 'main'}">deposits</a>; <a href="/visit/hours/">Opening hours</a> have a page of their own.</p>${list(links('help', HELP))}`,
    });
    for (const item of HELP) {
        const come = has('click-here')
            ? '<p>To come and ask, <a href="/visit/">click here</a>.</p>'
            : '<p>Come and ask: <a href="/visit/">where we are</a>.</p>';
        written('help', item, {
            trail: [['/help/', 'Help']],
            alternates: alternatesOf(`/help/${item.slug}/`),
            main: `<article id="main"><h1>${escapeHtml(item.title)}</h1>\n<p class="lead">${escapeHtml(item.lead)}</p>\n${prose(item.text)}</article>${come}`,
        });
    }
    for (const [language, translations] of LANGUAGES) {
        const menu = translations.map((item): [string, string] => [`/${language}/${item.path}`, item.title]);
        for (const item of translations) {
            const path = `/${language}/${item.path}`;
            put({
                path,
                title: item.title,
                language,
                alternates: alternatesOf(item.of),
                main: `<h1>${escapeHtml(item.title)}</h1><p>${escapeHtml(item.text)}</p><ul>${menu
                    .filter(([other]) => other !== path)
                    .map(([other, name]) => `<li><a href="${other}">${escapeHtml(name)}</a></li>`)
                    .join('')}</ul>`,
            });
        }
    }

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
        const visit = pages.get('/visit/')!;
        const about = '<p>How it began stands under <a href="/about/">about us</a>.</p></main>';
        pages.set('/visit/', { ...visit, body: String(visit.body).replace('</main>', about) });
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
            `# Fernhollow\nUser-agent: *\n${has('closed-folder') ? 'Disallow: /members/\n' : 'Disallow:\n'}${has('closed-too-much') ? 'Disallow: /branches/s\n' : ''}\nSitemap: ${ORIGIN}/sitemap.xml\n`,
        ),
    );
    const sections = ['guides', ''].map((section) => ({
        path: section === '' ? '/sitemap-rest.xml.gz' : `/sitemap-${section}.xml`,
        paths: sitemap.filter((item) => item.startsWith('/guides/') === (section === 'guides')),
    }));
    const xml = (body: string): string => `<?xml version="1.0" encoding="UTF-8"?>\n${body}\n`;
    if (has('sitemap-trouble')) sections[1]!.paths.push('/members/');
    for (const section of sections) {
        const wrong =
            has('sitemap-trouble') && section.path.endsWith('.gz')
                ? `<url><loc>${ORIGIN.replace('https', 'http')}/visit/</loc></url>\n`
                : '';
        const urlset = xml(
            `<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">\n${section.paths.map((item) => `<url><loc>${ORIGIN}${item.replace(/&/g, '&amp;')}</loc><lastmod>2026-03-02</lastmod></url>`).join('\n')}\n${wrong}</urlset>`,
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
            `<sitemapindex xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">\n${[...sections.map((item) => item.path), ...(has('sitemap-trouble') ? ['/sitemap-2019.xml'] : [])].map((path) => `<sitemap><loc>${ORIGIN}${path}</loc></sitemap>`).join('\n')}\n</sitemapindex>`,
        ),
    });
    layLaterFaults(pages, has);
    return pages;
}
