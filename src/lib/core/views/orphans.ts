/** What the orphans of Reach show: pages that are known and that no link reaches, how each is known, and where it belongs. */
import type { PageCounts } from '../areas/count-pages.ts';
import { NearestPages } from '../areas/nearest.ts';
import { islandsOf, type Island } from '../areas/reach.ts';
import { gateOf } from '../columns/gate-facts.ts';
import { evidenceNames, type Evidence } from '../evidence/evidence.ts';
import type { Gate } from '../gates/gates.ts';
import { once } from '../kept.ts';
import { ORPHAN } from '../measures/orphans.ts';
import type { MeasureName } from '../packed/column-names.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { flagNamed } from '../sets/flags.ts';

const MOST_SHOWN = 200;
const MOST_ISLANDS = 20;
const MOST_SECTIONS = 24;
/** Pages told for each orphan as near to it. */
const MOST_NEAR = 2;

export interface ShownOrphan {
    url: string;
    title: string;
    kind: 'strict' | 'adrift';
    behindRefresh: boolean;
    /** Number of its island, from 1, largest first; null for none. */
    island: number | null;
    evidence: Evidence[];
    gate: Gate | 'indexable' | null;
    near: { url: string; why: string }[];
}

export interface OrphansView {
    complete: boolean;
    counts: {
        all: number;
        strict: number;
        adrift: number;
        islands: number;
        inIslands: number;
        listing: number;
        decline: number;
        indexable: number;
        behindRefresh: number;
        /** URLs that were left as actions: what only they lead to counts as an orphan. */
        actions: number;
    };
    islands: { size: Island['pages']; url: string }[];
    bySection: { section: string; pages: number }[];
    moreSections: number;
    from: number;
    orphans: ShownOrphan[];
    /** Orphans shown at a time. */
    most: number;
}

/** Needs `core`, `text` and the measures. @param from place of the first orphan that is shown */
export function orphansView(survey: PackedSurvey, counts: PageCounts, from: number): OrphansView {
    const kind = survey.numbers('orphan');
    const island = survey.numbers('island');
    const orphans: number[] = [];
    for (let node = 0; node < survey.count; node++) {
        if (kind[node] === ORPHAN.strict || kind[node] === ORPHAN.adrift) orphans.push(node);
    }
    const bySection = sectionsOf(survey, orphans);
    const isBehindRefresh = flagNamed('behind a refresh')!.test(survey);
    const islands = islandsOf(survey);
    return {
        complete: survey.head.complete,
        counts: {
            all: orphans.length,
            strict: counts.orphans?.strict ?? 0,
            adrift: counts.orphans?.adrift ?? 0,
            islands: islands.length,
            inIslands: orphans.filter((node) => island[node] !== -1).length,
            listing: flagged(survey, 'listing_only'),
            decline: flagged(survey, 'decline_only'),
            indexable: counts.orphans?.indexable ?? 0,
            behindRefresh: orphans.filter(isBehindRefresh).length,
            actions: counts.byNotRead.action ?? 0,
        },
        islands: islands.slice(0, MOST_ISLANDS).map(({ url, pages }) => ({ size: pages, url })),
        bySection: bySection.slice(0, MOST_SECTIONS),
        moreSections: Math.max(0, bySection.length - MOST_SECTIONS),
        from,
        orphans: orphans.slice(from, from + MOST_SHOWN).map((node) => shown(survey, node, isBehindRefresh(node))),
        most: MOST_SHOWN,
    };
}

function flagged(survey: PackedSurvey, column: MeasureName): number {
    let pages = 0;
    for (const flag of survey.numbers(column)) pages += flag;
    return pages;
}

/** Sections by their orphans, those with most first. */
function sectionsOf(survey: PackedSurvey, orphans: readonly number[]): OrphansView['bySection'] {
    const pages = new Map<string, number>();
    for (const node of orphans) {
        const section = survey.word('section', node);
        pages.set(section, (pages.get(section) ?? 0) + 1);
    }
    return [...pages]
        .map(([section, count]) => ({ section, pages: count }))
        .sort((a, b) => b.pages - a.pages || (a.section < b.section ? -1 : 1));
}

function shown(survey: PackedSurvey, node: number, behindRefresh: boolean): ShownOrphan {
    const near = once(survey, 'nearest pages', [], () => new NearestPages(survey));
    const island = survey.numbers('island')[node]!;
    return {
        url: survey.url(node),
        title: survey.texts('title').at(node),
        kind: survey.numbers('orphan')[node] === ORPHAN.strict ? 'strict' : 'adrift',
        behindRefresh,
        island: island === -1 ? null : island + 1,
        evidence: evidenceNames(survey.numbers('evidence')[node]!),
        gate: gateOf(survey.numbers('gate')[node]!),
        near: near.of(node, MOST_NEAR).map(({ node: other, sameFolder, words }) => ({
            url: survey.url(other),
            why: [sameFolder ? 'same folder' : '', words.slice(0, 3).join(', ')].filter(Boolean).join('; '),
        })),
    };
}
