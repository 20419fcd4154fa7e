/** Random walks over the pages of a survey, as a reader or a robot goes (`docs/measures.md`, "Random walks"). */
import type { Links } from '../graph/distinct.ts';
import { randomWalks } from '../graph/random-walks.ts';
import { landings } from '../model/landings.ts';
import { pageLinks } from '../model/page-links.ts';
import { modelOf } from '../packed/model-of.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

export const WALKERS = ['reader', 'robot'] as const;
/** A reader follows every link; a robot those that are followed, and nothing that robots.txt closes. */
export type Walker = (typeof WALKERS)[number];

export interface WalksAsked {
    as: Walker;
    walks: number;
    clicks: number;
    seed: number;
    /** What cannot be read on (closed, errors, files, not read) ends a way; else such links are not there. */
    deadEnds: boolean;
    /** Node of a page of which it is told how long it takes to get there; -1 for none. */
    goal: number;
}

export interface SiteWalks {
    walks: number;
    clicks: number;
    seed: number;
    /** Steps taken, the first of each walk included, and those of them that were at a dead end. */
    steps: number;
    stuck: number;
    /** Where walks got stuck most often. */
    ends: { url: string; times: number }[];
    /** Share of all steps in each section, and of all standing; the most visited first. */
    sections: { section: string; share: number; standing: number }[];
    /** Reached pages that no walk met. */
    unmet: number;
    reached: number;
    /** Walks that came to the goal, and the middle of the clicks it took them; null where none is asked for. */
    goal: { url: string; met: number; clicks: number | null } | null;
}

const MOST_ENDS = 5;
export const MOST_STEPS = 5_000_000;

/** Needs `core`, `text` and the measures. O(links + walks x clicks) */
export function siteWalks(survey: PackedSurvey, asked: WalksAsked): SiteWalks {
    const { count } = survey;
    const model = modelOf(survey);
    const isEnd = (node: number): boolean =>
        model.isPage[node] !== 1 || (asked.as === 'robot' && model.isClosed[node] === 1);
    const links = walkedLinks(survey, asked, isEnd);
    const clicks = Math.max(1, Math.min(asked.clicks, 1_000));
    const walks = Math.max(1, Math.min(asked.walks, Math.floor(MOST_STEPS / clicks)));
    const { goal } = asked;
    const starts = startsOf(survey, isEnd);
    const { visits, stuck, met } = randomWalks(links, { starts, walks, clicks, seed: asked.seed, goal });
    const steps = sumOf(visits);
    const depth = survey.numbers('depth');
    let [unmet, reached] = [0, 0];
    for (let node = 0; node < count; node++) {
        if (model.isPage[node] !== 1 || depth[node]! < 0) continue;
        reached++;
        if (visits[node] === 0) unmet++;
    }
    const order = Uint32Array.from(met).sort();
    return {
        walks,
        clicks,
        seed: asked.seed,
        steps,
        stuck: sumOf(stuck),
        ends: most(stuck, MOST_ENDS).map((node) => ({ url: survey.url(node), times: stuck[node]! })),
        sections: sectionShares(survey, visits, steps),
        unmet,
        reached,
        goal: goal < 0 ? null : { url: survey.url(goal), met: met.length, clicks: order[order.length >> 1] ?? null },
    };
}

/** Distinct links, after redirects; the start pages land too. */
function walkedLinks(survey: PackedSurvey, { as, deadEnds }: WalksAsked, isEnd: (node: number) => boolean): Links {
    const model = modelOf(survey);
    const landing = deadEnds ? landings(model) : landings(model).map((end) => (end >= 0 && !isEnd(end) ? end : -1));
    return pageLinks(model, { followed: as === 'robot', landing, from: (node) => !isEnd(node) });
}

function startsOf(survey: PackedSurvey, isEnd: (node: number) => boolean): number[] {
    const landed = landings(modelOf(survey));
    return survey.head.starts.map((node) => landed[node]!).filter((node) => node >= 0 && !isEnd(node));
}

function sectionShares(survey: PackedSurvey, visits: Float64Array, steps: number): SiteWalks['sections'] {
    const words = survey.texts('section_words').all();
    const codes = survey.numbers('section');
    const standing = survey.numbers('standing');
    const shares = words.map((section) => ({ section, share: 0, standing: 0 }));
    let all = 0;
    for (let node = 0; node < survey.count; node++) {
        const own = shares[codes[node]!]!;
        own.share += visits[node]! / Math.max(1, steps);
        if (Number.isNaN(standing[node]!)) continue;
        own.standing += standing[node]!;
        all += standing[node]!;
    }
    for (const own of shares) own.standing /= Math.max(1, all);
    return shares
        .filter(({ share, standing: of }) => share > 0 || of > 0)
        .sort((a, b) => b.share - a.share || b.standing - a.standing || (a.section < b.section ? -1 : 1));
}

const sumOf = (values: Float64Array | Uint32Array): number => {
    let sum = 0;
    for (const value of values) sum += value;
    return sum;
};

/** The nodes with the highest numbers above none. */
function most(values: Uint32Array, count: number): number[] {
    const nodes: number[] = [];
    values.forEach((value, node) => {
        if (value > 0) nodes.push(node);
    });
    return nodes.sort((a, b) => values[b]! - values[a]! || a - b).slice(0, count);
}
