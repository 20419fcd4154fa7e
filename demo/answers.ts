/**
 * What the March edition of the demo site really holds: typed by hand from the site's plan, importing nothing, so that
 * it is an answer of its own. Paths are below https://www.fernhollow-tools.example.
 */

export const START = 'https://www.fernhollow-tools.example/';

/** Guides that no page links to; only the sitemap knows them. */
export const ORPHAN_GUIDES = [
    '/guides/cutting-glass-bottles/',
    '/guides/mending-a-bicycle-wheel/',
    '/guides/soldering-copper-pipe/',
];

/** The old site: the sitemap still lists its first page, its pages link only to each other. */
export const OLD_SECTION = [
    '/2016/',
    '/2016/guestbook.html',
    '/2016/hours.html',
    '/2016/links.html',
    '/2016/people.html',
    '/2016/tools.html',
];

/** The last guides of a list that only leads on from page to page. */
export const NINE_CLICKS_DEEP = [
    '/guides/planing-end-grain/',
    '/guides/reading-a-vernier-scale/',
    '/guides/rust-and-how-to-stop-it/',
];

/** The way to one of them: path, and the words clicked to get there. */
export const WAY_TO_PLANING: [string, string][] = [
    ['/', ''],
    ['/guides/', 'Guides'],
    ['/guides/?page=2', 'Older'],
    ['/guides/?page=3', 'Older'],
    ['/guides/?page=4', 'Older'],
    ['/guides/?page=5', 'Older'],
    ['/guides/?page=6', 'Older'],
    ['/guides/?page=7', 'Older'],
    ['/guides/?page=8', 'Older'],
    ['/guides/planing-end-grain/', 'Planing end grain without tearing it'],
];

/** Renamed twice: each redirects to the next. */
export const REDIRECT_CHAINS = [
    ['/guides/hire-a-ladder/', '/guides/borrow-a-ladder/', '/guides/ladders/'],
    ['/help/charges/', '/help/costs/', '/help/fees/'],
];

/** The last entry of the workshops menu: on the list and on each of the eight workshops. */
export const BROKEN_MENU_LINK = { target: '/workshops/booking/', anchor: 'Book a place', status: 404, pages: 9 };

export const NOINDEXED_HUB = '/tools/lifting/';

/** Linked from every page, and closed by the one rule of robots.txt. */
export const CLOSED_FOLDER = { paths: ['/members/', '/members/reserve/'], rule: 'Disallow: /members/', line: 3 };

export const CANONICAL_ELSEWHERE = { page: '/tools/measuring/laser-level/', canonical: '/tools/measuring/' };

/**
 * All pages that answer 200 with HTML and can be known: 1 start, 1 visit, 1 + 6 + 60 tools, 8 guide lists, 38 guides,
 * 3 orphan guides, 1 + 8 workshops, 1 + 6 branches, 1 + 9 journal, 1 + 8 help, 6 of the old site.
 */
export const PAGES = 159;
