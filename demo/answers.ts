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

/** Members of a family that the demo's settings allow to be read before it may close. */
export const FAMILY_LIMIT = 60;

/** Patterns of the two traps. */
export const CALENDAR = 'www.fernhollow-tools.example/workshops/calendar/{n}/{n}/';
export const FILTERS = 'www.fernhollow-tools.example/tools/?{query}';

/** One of the links that would reserve something. */
export const RESERVE_LINK = '/tools/lifting/chain-hoist/reserve/';

/** On each of the six branches a clock that leads to the hours, without a word; two of the branches are closed. */
export const NAMELESS_LINK = { target: '/visit/hours/', pages: 4 };

export const CLICK_HERE = { target: '/visit/', pages: 8 };

/** Called "Opening hours", both. */
export const SAME_WORDS = ['/visit/hours/', '/branches/'];

export const HOST_DOUBLE = 'http://fernhollow-tools.example/visit/';

export const CANONICAL_CHAIN = [
    '/guides/small-leaks-in-flat-roofs/',
    '/guides/reading-a-damp-wall/',
    '/guides/draughts-and-where-they-live/',
];

export const CANONICAL_IN_BODY = { page: '/guides/tiling-behind-a-sink/', ignored: '/guides/tiling/' };

/** Meant for a page about the staff; closes two branches and their shelves. */
export const CLOSED_TOO_MUCH = {
    rule: 'Disallow: /branches/s',
    line: 4,
    paths: ['/branches/school-road/', '/branches/station-yard/'],
};

export const STALE_SITEMAP = '/sitemap-2019.xml';
export const WRONG_SCHEME = 'http://www.fernhollow-tools.example/visit/';

export const SOFT_404 = { page: '/branches/riverside/', title: 'Not here | Fernhollow Tool Library' };

export const MISSING_FRAGMENT = { source: '/help/', target: '/help/fees/', fragment: 'deposits' };

/**
 * All pages that answer 200 with HTML and can be known in March: 1 start, 2 visit, 1 + 6 + 120 tools, 120 care sheets,
 * 60 filters (then closed), 8 guide lists, 38 guides, 3 orphan guides, 1 + 8 workshops, 60 months (then closed),
 * 1 + 4 branches (two are closed by robots.txt, with their shelves), 4 shelves, 1 that is gone and answers 200,
 * 5 journal lists, 6 topics, 9 posts, 36 months of loans, 1 + 8 help, 8 Welsh, 8 French, 6 of the old site, 2 doubles on
 * the bare host.
 */
export const PAGES = 527;

/** The workshops were renamed by September: the list and its eight pages, one of them twice. */
export const RENAMED = {
    page: ['/workshops/first-cuts/', '/courses/first-cuts/'],
    chain: ['/workshops/repair-evening/', '/courses/repair-evening/', '/courses/mending-evening/'],
    listedUnderOldNames: 9,
};

/** A tool on a shelf of its branch, and the spelling that the shelf leads to. */
export const LOST_CANONICAL = {
    page: '/tools/measuring/laser-level/',
    double: '/tools/measuring/laser-level/?from=shelf',
};

export const UNLINKED_GUIDES = ['/guides/choosing-a-respirator/', '/guides/levelling-a-shed-base/'];

/** `/guides/`, its fourth page, then one after the other to the eighth, and the guide. */
export const BEHIND_PAGES = { guides: NINE_CLICKS_DEEP, depth: 7 };

/** Meant for `/tools/?filter=`, which the new catalogue has not got any more. */
export const CLOSED_KIND = { rule: 'Disallow: /tools/f', line: 4, page: '/tools/finishing/' };

/** Nine posts to a page of the journal, fifty in all. */
export const READ_MORE = { anchor: 'Read more', links: 45 };
