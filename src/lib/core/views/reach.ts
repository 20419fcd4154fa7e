/** What the area Reach shows: how deep pages lie, what links miss, and what everything hangs from. */
import type { DepthGoalValues } from '../checks/depth-goals.ts';
import { countPages, type PageCounts } from '../areas/count-pages.ts';
import { depthRows, sameRows, type DepthRow } from '../areas/depth-rows.ts';
import { beyondGoal, followedDepths, islandsOf, offeredGoal, type Island } from '../areas/reach.ts';
import { siteMeasures } from '../areas/site-measures.ts';
import { templateWords } from '../areas/template-words.ts';
import { sizeOf } from '../checks/set-size.ts';
import { once } from '../kept.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import type { Bits } from '../sets/bits.ts';
import { quoted } from '../sets/tokens.ts';

const MOST_CHOKE_POINTS = 10;
const MOST_TEMPLATES = 6;
const MOST_ISLANDS = 6;
/** Depths that have a row of their own. */
const SINGLE_DEPTHS = 20;

interface CountedSet {
    pages: number;
    set: string;
}

export type { DepthGoalValues };

export interface ReachView {
    /** Over all known URLs, along all links; depths apart, as rows. */
    counts: Omit<PageCounts, 'depths'>;
    /** Some sitemap could be read, so what no link reaches could be looked for. */
    hasSitemap: boolean;
    /** Pages by depth, along all links or followed ones; of the current set beside it. */
    depths: DepthRow[];
    depthsInSet: DepthRow[] | null;
    orphansInSet: number | null;
    meanDepth: number | null;
    /** Pages deeper than the goal that is offered, and how deep the deepest lies; null where none is offered. */
    deep: (CountedSet & { from: number; to: number }) | null;
    chokePoints: (CountedSet & { url: string })[];
    /** All choke points, as far as they are told apart. */
    chokeTotal: number;
    /** Templates whose links alone lead somewhere. */
    templates: (CountedSet & { name: string; words: string; on: number })[];
    /** Pages that little holds; none of the first two is in both. */
    threads: { oneLink: CountedSet; onePage: CountedSet; listings: CountedSet; declined: CountedSet };
    islands: { largest: Island[]; total: number; pages: number };
    /** The goal that is offered: within it lie nine of ten reached pages. */
    offered: number | null;
    /** Pages deeper than each goal that was set. */
    beyond: (CountedSet & { priority: 1 | 2 | 3 | null; goal: number })[];
}

export interface ReachRequest {
    survey: PackedSurvey;
    priority: Uint8Array;
    within: Bits | null;
    goals: DepthGoalValues;
    /** Depths along followed links alone. */
    followedOnly: boolean;
}

/** Needs all parts. O(links) once for each survey, then O(nodes). */
export function reachView({ survey, priority, within, goals, followedOnly }: ReachRequest): ReachView {
    const { depths: bands, ...counts } = once(survey, 'page counts', [], () => countPages(survey));
    const depth = followedOnly ? followedDepths(survey) : undefined;
    const shown = followedOnly ? countPages(survey, undefined, depth) : { ...counts, depths: bands };
    const rows = depthRows(shown.depths, SINGLE_DEPTHS);
    const measures = siteMeasures(survey);
    const islands = islandsOf(survey);
    const counted = (set: string): CountedSet => ({ set, pages: sizeOf(survey, set) });
    const offered = offeredGoal(survey);
    return {
        counts,
        hasSitemap: survey.head.hasSitemap,
        depths: rows,
        depthsInSet: within && sameRows(countPages(survey, within, depth).depths, rows),
        orphansInSet: within && (countPages(survey, within).orphans?.all ?? null),
        meanDepth: shown.meanDepth,
        deep: offered === null || followedOnly ? null : deeperThan(survey, offered, bands.length - 1),
        chokePoints: measures.chokePoints.slice(0, MOST_CHOKE_POINTS).map(({ url, load }) => ({
            url,
            pages: load,
            set: `page and behind (url is ${quoted(url, true)})`,
        })),
        chokeTotal: measures.chokePoints.length,
        templates: measures.templates.slice(0, MOST_TEMPLATES).map((template) => ({
            name: template.name,
            words: templateWords(survey, survey.measured.templates.indexOf(template)),
            on: template.pages,
            pages: template.holds,
            set: `held by template ${quoted(template.name, true)}`,
        })),
        threads: {
            oneLink: counted('page and held by one link'),
            onePage: counted('thin hold and not held by one link'),
            listings: counted('listing only'),
            declined: counted('decline only'),
        },
        islands: {
            largest: islands.slice(0, MOST_ISLANDS),
            total: islands.length,
            pages: islands.reduce((sum, { pages }) => sum + pages, 0),
        },
        offered,
        beyond: beyondGoals(survey, priority, goals),
    };
}

function deeperThan(survey: PackedSurvey, goal: number, deepest: number): ReachView['deep'] {
    const set = `page and depth > ${goal}`;
    const pages = sizeOf(survey, set);
    return pages === 0 ? null : { set, pages, from: goal + 1, to: deepest };
}

function beyondGoals(survey: PackedSurvey, priority: Uint8Array, goals: DepthGoalValues): ReachView['beyond'] {
    const wanted = [
        [null, goals.all],
        [1, goals.first],
        [2, goals.second],
        [3, goals.third],
    ] as const;
    return wanted.flatMap(([of, goal]) => {
        if (goal === null) return [];
        const { all, byPriority } = beyondGoal(survey, goal, priority);
        const set = `page and depth > ${goal}${of === null ? '' : ` and priority = ${of}`}`;
        return [{ priority: of, goal, set, pages: of === null ? all : byPriority[of] }];
    });
}
