/**
 * What happened to the site between June and September beside the mending: each a fault of its own (`editions.ts`), laid
 * over the pages of the edition one after the other.
 */
import type { SiteAnswer } from '../stand-in.ts';
import type { Fault } from './editions.ts';

type Pages = Map<string, SiteAnswer>;

/** The section that was renamed. */
const OLD_NAME = '/workshops/';
const NEW_NAME = '/courses/';
/** One of its pages got a second new name a week later. */
const TWICE_RENAMED = { first: '/courses/repair-evening/', then: '/courses/mending-evening/' };

const LATER_FAULTS: Partial<Record<Fault, (pages: Pages) => void>> = {
    'renamed-section': renameSection,
    'lost-canonical': loseCanonical,
    'closed-kind': closeKind,
    'generic-anchors': makeAnchorsGeneric,
};

/** Changes the pages as the faults of an edition say. */
export function layLaterFaults(pages: Pages, has: (fault: Fault) => boolean): void {
    for (const [fault, lay] of Object.entries(LATER_FAULTS) as [Fault, (pages: Pages) => void][]) {
        if (has(fault)) lay(pages);
    }
}

const isPage = ({ status, headers }: SiteAnswer): boolean =>
    status === 200 && String(headers['content-type']).startsWith('text/html');

function rewrite(pages: Pages, which: (path: string) => boolean, change: (body: string, path: string) => string): void {
    for (const [path, answer] of pages) {
        if (isPage(answer) && which(path)) pages.set(path, { ...answer, body: change(String(answer.body), path) });
    }
}

/**
 * The workshops are called courses now. Menus and lists were changed with them; the calendar, which a plug-in draws, and
 * the sitemap were not.
 */
function renameSection(pages: Pages): void {
    const renamed = (text: string): string =>
        text
            .replaceAll(`${OLD_NAME}calendar/`, '/@calendar/')
            .replaceAll(OLD_NAME, NEW_NAME)
            .replaceAll('/@calendar/', `${OLD_NAME}calendar/`)
            .replaceAll(TWICE_RENAMED.first, TWICE_RENAMED.then);
    const moved = [...pages.keys()].filter((path) => path.startsWith(OLD_NAME));
    rewrite(pages, (path) => !path.startsWith(`${OLD_NAME}calendar/`), renamed);
    const to = (location: string): SiteAnswer => ({
        status: 301,
        headers: { location, 'content-type': 'text/html; charset=utf-8' },
        body: '',
    });
    for (const path of moved) {
        pages.set(renamed(path), pages.get(path)!);
        pages.set(path, to(path.replace(OLD_NAME, NEW_NAME)));
    }
    pages.set(TWICE_RENAMED.first, to(TWICE_RENAMED.then));
}

/** The page of a tool lost its canonical, on the day its shelf began to note where a click came from. */
function loseCanonical(pages: Pages): void {
    const isTool = (path: string): boolean => /^\/tools\/[^/]+\/[^/]+\/$/.test(path);
    rewrite(pages, isTool, (body) =>
        body
            .replace(/<link rel="canonical" href="[^"]*">\n/, '')
            .replace(/<aside>.*<\/aside>/s, (shelf) => shelf.replace(/(href="\/tools\/[^"]+\/)"/g, '$1?from=shelf"')),
    );
    for (const [path, answer] of [...pages]) {
        if (!isPage(answer) || !isTool(path)) continue;
        for (const [, tool] of String(answer.body).matchAll(/href="([^"]+)\?from=shelf"/g)) {
            pages.set(`${tool}?from=shelf`, pages.get(tool!)!);
        }
    }
}

/** Meant for the filters of the catalogue; closes a kind of tools. */
function closeKind(pages: Pages): void {
    const robots = pages.get('/robots.txt')!;
    const body = String(robots.body).replace('Disallow: /members/\n', 'Disallow: /members/\nDisallow: /tools/f\n');
    pages.set('/robots.txt', { ...robots, body });
}

/** The lists of the journal end each entry with the same two words. */
function makeAnchorsGeneric(pages: Pages): void {
    rewrite(
        pages,
        (path) => path.startsWith('/journal/?') || path === '/journal/',
        (body) =>
            body.replace(
                /<li><a href="([^"]+)">([^<]+)<\/a> (<span>[^<]*<\/span>)<\/li>/g,
                '<li>$2 $3 <a href="$1">Read more</a></li>',
            ),
    );
}
