/** What the area Weight shows: where weight lies, leaks and misses what matters; every number with its set. */
import { siteMeasures, type SectionShare, type SiteMeasures } from '../areas/site-measures.ts';
import { templateWords } from '../areas/template-words.ts';
import { lostTargets, misfitList, standingAgainst, type MisfitList } from '../areas/weight.ts';
import { sizeOf } from '../checks/set-size.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import type { Bits } from '../sets/bits.ts';
import { quoted } from '../sets/tokens.ts';

const MOST_SECTIONS = 9;
const MOST_LOST = 8;
/** Links outside shared blocks from which a page is said to have many. */
const MANY_LINKS = 100;
/** The share of pages below those that are told as the top. */
const BELOW_TOP = 0.9;
/** Pages of a section from which its share says something. */
const ENOUGH_PAGES = 5;
/** Difference of shares from which a section is told as off its share. */
const OFF_SHARE = 0.005;

export interface CountedSet {
    pages: number;
    set: string;
}

export interface WeightSection extends SectionShare {
    /** Share of standing by share of pages; 1 is even. */
    ratio: number;
    /** Its ranked pages, and all its pages; null for the smaller ones together, which are no section. */
    ranked: string | null;
    all: string | null;
    /** Pages of it as a part of a set: for links from and to it. */
    part: string;
}

export interface WeightView {
    ranked: CountedSet;
    /** The sections furthest above and below their share; null where none is far. */
    heaviest: WeightSection | null;
    lightest: WeightSection | null;
    concentration: Record<'all' | 'own', { gini: number; curve: { pages: number; weight: number }[] }>;
    /** The top tenth of pages, and its share of standing. */
    top: (CountedSet & { share: number }) | null;
    sections: WeightSection[];
    flow: SiteMeasures['flow'];
    /** Links from one section to another, as a set; rows and columns as `sections`. */
    flowSets: string[][];
    inSet: { shareOfPages: number; shareOfStanding: number } | null;
    leak: CountedSet & { share: number };
    lost: {
        url: string;
        status: number;
        isClosed: boolean;
        cost: number;
        from: CountedSet;
        template: string | null;
    }[];
    lostTotal: number;
    noWayOut: CountedSet;
    manyLinks: CountedSet & { limit: number };
    /** Null where nothing says yet what matters. */
    misfits: MisfitList | null;
    prioritised: number;
    /** Columns of lists from elsewhere that standing can be held against. */
    columns: string[];
    against: { name: string; points: { url: string; value: number; standing: number; isInSet: boolean }[] } | null;
}

export interface WeightRequest {
    survey: PackedSurvey;
    priority: Uint8Array;
    /** The current set; null for all pages. */
    within: Bits | null;
    /** Name of the column that standing is held against; null for the first. */
    against: string | null;
}

/** Needs all parts. O(links) once for each survey, then O(nodes). */
export function weightView({ survey, priority, within, against }: WeightRequest): WeightView {
    const measures = siteMeasures(survey);
    const counted = (set: string): CountedSet => ({ set, pages: sizeOf(survey, set) });
    const { sections, flow } = fewerSections(measures);
    const known = sections.filter(({ ranked, pages }) => ranked !== null && pages >= ENOUGH_PAGES);
    const off = ({ shareOfStanding, shareOfPages }: SectionShare): number => shareOfStanding - shareOfPages;
    const [heaviest] = [...known].sort((a, b) => off(b) - off(a));
    const [lightest] = [...known].sort((a, b) => off(a) - off(b));
    const lost = lostTargets(survey);
    const columns = survey.head.given.filter(({ type }) => type === 'number');
    const asked = columns.find(({ name }) => name === against) ?? columns[0];
    const prioritised = priority.reduce((sum, value) => sum + (value > 0 ? 1 : 0), 0);
    return {
        ranked: { pages: measures.ranked, set: 'standing >= 0' },
        heaviest: heaviest && off(heaviest) > OFF_SHARE ? heaviest : null,
        lightest: lightest && lightest !== heaviest && off(lightest) < -OFF_SHARE ? lightest : null,
        concentration: { all: measures.weight.all, own: measures.weight.ownLinks },
        top: topOf(survey, measures),
        sections,
        flow,
        flowSets: sections.map(({ part: from }) =>
            sections.map(({ part: to }) => `${from} and links to (${to}) followed`),
        ),
        inSet: within && shareOf(survey, within, measures.ranked),
        leak: { ...counted('leak > 0'), share: measures.leak },
        lost: lost.slice(0, MOST_LOST).map(({ url, status, closed, cost, pages, templates: [template] }) => ({
            url,
            status,
            isClosed: closed,
            cost,
            from: { pages, set: `links to (url is ${quoted(url, true)}) followed` },
            template: template === undefined ? null : templateWords(survey, template),
        })),
        lostTotal: lost.length,
        noWayOut: counted('page and outgoing links = 0'),
        manyLinks: { ...counted(`own links > ${MANY_LINKS}`), limit: MANY_LINKS },
        misfits: prioritised > 0 ? misfitList(survey, priority) : null,
        prioritised,
        columns: columns.map(({ name }) => name),
        against: asked
            ? {
                  name: asked.name,
                  points: standingAgainst(survey, survey.given(asked.column)).map(({ node, standing, value }) => ({
                      url: survey.url(node),
                      value,
                      standing,
                      isInSet: within?.has(node) ?? true,
                  })),
              }
            : null,
    };
}

/** The pages that stand highest: how much of all standing they hold, and the standing they begin at. */
function topOf(survey: PackedSurvey, { ranked, weight }: SiteMeasures): WeightView['top'] {
    const below = weight.all.curve.filter((point) => point.pages <= BELOW_TOP + 1e-9);
    const lower = below.at(-1) ?? { pages: 0, weight: 0 };
    const pages = Math.round(ranked * (1 - lower.pages));
    const known = Float64Array.from(survey.numbers('standing'))
        .filter((value) => !Number.isNaN(value))
        .sort();
    if (pages === 0 || known.length === 0) return null;
    const from = known[Math.min(known.length - 1, Math.floor(known.length * BELOW_TOP))]!;
    return { pages, share: 1 - lower.weight, set: `standing >= ${from.toFixed(4)}` };
}

function shareOf(survey: PackedSurvey, within: Bits, ranked: number): WeightView['inSet'] {
    const standing = survey.numbers('standing');
    let pages = 0;
    let sum = 0;
    for (const node of within.nodes()) {
        if (Number.isNaN(standing[node]!)) continue;
        pages++;
        sum += standing[node]!;
    }
    return { shareOfPages: pages / Math.max(1, ranked), shareOfStanding: sum / Math.max(1, ranked) };
}

function named(share: SectionShare): WeightSection {
    const part = `section is ${quoted(share.section)}`;
    return {
        ...share,
        ratio: share.shareOfStanding / share.shareOfPages,
        part,
        all: part,
        ranked: `${part} and standing >= 0`,
    };
}

/** Sections and their links, the smaller ones together. */
function fewerSections({ sections, sectionCount, flow }: SiteMeasures): Pick<WeightView, 'sections' | 'flow'> {
    if (sections.length <= MOST_SECTIONS) return { sections: sections.map(named), flow };
    const kept = MOST_SECTIONS - 1;
    const listed = sections.slice(0, kept).map(named);
    const rest: WeightSection = {
        section: `${sectionCount - kept} others`,
        pages: 0,
        shareOfPages: 0,
        shareOfStanding: 0,
        ratio: 0,
        ranked: null,
        all: null,
        part: listed.map(({ part }) => `not ${part}`).join(' and '),
    };
    for (const section of sections.slice(kept)) {
        rest.pages += section.pages;
        rest.shareOfPages += section.shareOfPages;
        rest.shareOfStanding += section.shareOfStanding;
    }
    rest.ratio = rest.shareOfStanding / rest.shareOfPages;
    const fold = (square: number[][]): number[][] => {
        const folded = Array.from({ length: MOST_SECTIONS }, () => new Array<number>(MOST_SECTIONS).fill(0));
        square.forEach((row, from) =>
            row.forEach((value, to) => (folded[Math.min(from, kept)]![Math.min(to, kept)]! += value)),
        );
        return folded;
    };
    return { sections: [...listed, rest], flow: { links: fold(flow.links), expected: fold(flow.expected) } };
}
