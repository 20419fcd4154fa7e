/** What *Links in* shows: links of other sites, and where each lands. */
import { linksIn, type Landing, type LinkIn } from '../areas/links-in.ts';
import type { ListRow } from '../evidence/evidence-lists.ts';
import { once } from '../kept.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

const MOST_SHOWN = 500;
const ASTRAY: readonly Landing[] = ['redirect', 'error', 'variant', 'closed'];

export interface LinksInView {
    /** Some list was given. */
    given: boolean;
    total: number;
    hosts: number;
    targets: number;
    counts: Partial<Record<Landing, number>>;
    /** Links that land neither on a page of their own nor out of sight. */
    astray: number;
    wanted: string | null;
    links: LinkIn[];
    /** Links shown at most. */
    most: number;
}

/**
 * Needs `core`, `text` and the measures.
 * @param rows of all lists of links that were given
 * @param wanted how those land that are shown; null for all that do not land on a page
 */
export function linksInView(survey: PackedSurvey, rows: readonly ListRow[], wanted: string | null): LinksInView {
    const all = once(survey, 'links in', [], () => linksIn(survey, rows));
    const counts: LinksInView['counts'] = {};
    for (const { landing } of all) counts[landing] = (counts[landing] ?? 0) + 1;
    const isShown = ({ landing }: LinkIn): boolean => (wanted === null ? landing !== 'page' : landing === wanted);
    return {
        given: rows.length > 0,
        total: all.length,
        hosts: new Set(all.map(({ source }) => source.split('/', 3)[2] ?? '')).size,
        targets: new Set(all.map(({ url }) => url)).size,
        counts,
        astray: ASTRAY.reduce((sum, landing) => sum + (counts[landing] ?? 0), 0),
        wanted,
        links: all.filter(isShown).slice(0, MOST_SHOWN),
        most: MOST_SHOWN,
    };
}
