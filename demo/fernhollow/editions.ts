/**
 * The three editions of the demo site: March as inherited, June half repaired (and one repair broke something else),
 * September after the architect's work. Each planted fault says in which of them it stands.
 */
export const EDITIONS = ['march', 'june', 'september'] as const;
export type Edition = (typeof EDITIONS)[number];

/** When each edition was the website: shown beside its survey as its date in the story. */
export const EDITION_DATES: Record<Edition, string> = {
    march: '2026-03-16',
    june: '2026-06-15',
    september: '2026-09-14',
};

const M: readonly Edition[] = ['march'];
const MJ: readonly Edition[] = ['march', 'june'];
const J: readonly Edition[] = ['june'];
const S: readonly Edition[] = ['september'];
const ALL: readonly Edition[] = EDITIONS;

/** Fault -> editions that have it. */
const PLANTED = {
    'orphan-guides': M,
    'old-section': MJ,
    'nine-clicks': MJ,
    'redirect-chain': M,
    'broken-menu-link': M,
    'noindexed-hub': MJ,
    /** On purpose, in every edition: members are nobody's business. */
    'closed-folder': ALL,
    'canonical-elsewhere': MJ,
    /** A calendar whose next month is always there. */
    'endless-calendar': MJ,
    /** Filters of the catalogue that multiply. */
    'filters-multiply': MJ,
    /** Links that would reserve a tool if they were followed. */
    'reserve-links': MJ,
    /** A link that is a picture without words. */
    'nameless-link': M,
    'click-here': MJ,
    /** Two pages called the same. */
    'same-words': MJ,
    /** The bare host answers too, with canonicals to itself. */
    'host-doubles': MJ,
    'canonical-chain': MJ,
    /** A canonical in the body, where browsers ignore it. */
    'canonical-in-body': M,
    /** A rule meant for one page that closes five. */
    'closed-too-much': M,
    /** The index lists a file that is gone; a file lists the wrong scheme and a closed page. */
    'sitemap-trouble': MJ,
    /** A branch that is gone, and says so with 200. */
    'soft-404': ALL,
    'missing-fragment': ALL,
    /** The mending of the chains in June sent two pages round in a circle. */
    'redirect-loop': J,
    /** The workshops are called courses now; the calendar and the sitemap still lead to the old names, one page twice over. */
    'renamed-section': S,
    /** The page of a tool lost its canonical, and its shelf leads to a spelling of its own of each. */
    'lost-canonical': S,
    /** Two guides in the sitemap that nobody links to. */
    'unlinked-guides': S,
    /** The list of the guides names its first four pages; the others are turned to one by one. */
    'behind-pages': S,
    /** A rule meant for filters that closes a kind of tools. */
    'closed-kind': S,
    /** The lists of the journal say "Read more". */
    'generic-anchors': S,
} as const satisfies Record<string, readonly Edition[]>;

export type Fault = keyof typeof PLANTED;
export const ALL_FAULTS = Object.keys(PLANTED) as Fault[];

export function faultsOf(edition: Edition): Fault[] {
    return ALL_FAULTS.filter((fault) => (PLANTED[fault] as readonly Edition[]).includes(edition));
}

/** Faults that came after March. */
type LaterFault =
    | 'redirect-loop'
    | 'renamed-section'
    | 'lost-canonical'
    | 'unlinked-guides'
    | 'behind-pages'
    | 'closed-kind'
    | 'generic-anchors';
export type MarchFault = Exclude<Fault, LaterFault>;

/** The faults of March: a test takes them away in groups. */
export const FAULTS = faultsOf('march') as MarchFault[];
