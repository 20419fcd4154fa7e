/** *Around a page*: what leads to it and from it, grouped, step by step; and the ways from it to another page. */
import { nearLinks, stepsFrom, widelyShared, type NearKind } from '../areas/neighbourhood.ts';
import { pathBetween, type PathStep } from '../areas/path-between.ts';
import type { WayEnds } from '../areas/way-ends.ts';
import { regionName, templateWords } from '../areas/template-words.ts';
import { UNREACHED } from '../graph/depth.ts';
import { shortestPaths } from '../graph/shortest-paths.ts';
import { depthGraph } from '../model/way-graph.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import { modelOf } from '../packed/model-of.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { LINK_KINDS, REGIONS } from '../page/links.ts';
import { quoted } from '../sets/tokens.ts';
import { walkPage, type WalkPage } from './journey.ts';

export const NEAR_GROUPS = ['block', 'section', 'depth'] as const;
export type NearGrouping = (typeof NEAR_GROUPS)[number];
export const NEAR_WAYS = ['both', 'in', 'on'] as const;
export const MOST_STEPS_AROUND = 3;
/** Pages that may stand in the middle together. */
export const MOST_CENTRES = 12;

export interface AroundAsked {
    /** Nodes in the middle. */
    of: readonly number[];
    steps: number;
    ways: (typeof NEAR_WAYS)[number];
    kinds: readonly NearKind[];
    group: NearGrouping;
}

export interface NearGroup {
    name: string;
    total: number;
    /** The first of them: nearest to the start, then by address. */
    pages: WalkPage[];
    /** Each of them, where a line can name them; null where they are too many. */
    set: string | null;
    /** The section of most of them. */
    section: string;
}

export interface NearSide {
    groups: NearGroup[];
    total: number;
    /** Pages of each further step, by section, the fullest first. */
    beyond: { total: number; sections: { section: string; pages: number }[] }[];
    /** What is told as one: pages that lead here by widely shared blocks, or that those lead to. Null where there are none, or they are shown. */
    shared: { total: number; names: string[] } | null;
}

export interface AroundView extends AroundAsked {
    centre: WalkPage[];
    /** The pages in the middle, in the set language. */
    centreSet: string;
    in: NearSide | null;
    on: NearSide | null;
}

const MOST_PAGES = 5;
const MOST_IN_SET = 60;
const MOST_GROUPS = 8;
const A = LINK_KINDS.indexOf('a');

/** Needs all parts. O(links) once for each kind, then O(pages around). */
export function aroundView(survey: PackedSurvey, asked: AroundAsked): AroundView {
    const centreSet = namedSet(survey, asked.of)!;
    return {
        ...asked,
        centre: asked.of.map((node) => walkPage(survey, node)),
        centreSet,
        in: asked.ways === 'on' ? null : sideOf(survey, asked, 'in'),
        on: asked.ways === 'in' ? null : sideOf(survey, asked, 'out'),
    };
}

function sideOf(survey: PackedSurvey, asked: AroundAsked, direction: 'in' | 'out'): NearSide {
    const levels = stepsFrom(survey, asked.of, asked.kinds, direction, asked.steps);
    const first = levels[0] ?? [];
    const groups = new Map<string, number[]>();
    const nameOf = asked.group === 'block' ? blockNames(survey, asked, direction) : plainNames(survey, asked.group);
    for (const node of first) {
        const name = nameOf(node);
        const own = groups.get(name);
        if (own) own.push(node);
        else groups.set(name, [node]);
    }
    const sorted = [...groups].sort((a, b) =>
        asked.group === 'depth'
            ? a[0].localeCompare(b[0], 'en', { numeric: true })
            : b[1].length - a[1].length || (a[0] < b[0] ? -1 : 1),
    );
    const shown = sorted.slice(0, sorted.length > MOST_GROUPS ? MOST_GROUPS - 1 : MOST_GROUPS);
    const rest = sorted.slice(shown.length).flatMap(([, nodes]) => nodes);
    if (rest.length > 0) shown.push([`${sorted.length - shown.length} smaller groups`, rest.sort((a, b) => a - b)]);
    return {
        groups: shown.map(([name, nodes]) => groupOf(survey, name, nodes)),
        total: first.length,
        beyond: levels.slice(1).map((nodes) => ({ total: nodes.length, sections: bySection(survey, nodes) })),
        shared: asked.kinds.includes('shared') ? null : sharedOf(survey, asked.of, direction, new Set(first)),
    };
}

function groupOf(survey: PackedSurvey, name: string, nodes: readonly number[]): NearGroup {
    const depth = survey.numbers('depth');
    const far = (node: number): number => (depth[node] === UNREACHED ? Infinity : depth[node]!);
    const nearest = [...nodes].sort((a, b) => far(a) - far(b) || a - b);
    return {
        name,
        total: nodes.length,
        pages: nearest.slice(0, MOST_PAGES).map((node) => walkPage(survey, node)),
        set: namedSet(survey, nodes),
        section: bySection(survey, nodes)[0]!.section,
    };
}

/** Each page in a line of the set language; null for too many. */
const namedSet = (survey: PackedSurvey, nodes: readonly number[]): string | null =>
    nodes.length > MOST_IN_SET
        ? null
        : `url is one of ${nodes.map((node) => quoted(survey.url(node), true)).join(', ')}`;

function bySection(survey: PackedSurvey, nodes: readonly number[]): { section: string; pages: number }[] {
    const found = new Map<string, number>();
    for (const node of nodes) {
        const section = survey.word('section', node);
        found.set(section, (found.get(section) ?? 0) + 1);
    }
    return [...found]
        .map(([section, pages]) => ({ section, pages }))
        .sort((a, b) => b.pages - a.pages || (a.section < b.section ? -1 : 1));
}

function plainNames(survey: PackedSurvey, group: 'section' | 'depth'): (node: number) => string {
    const depth = survey.numbers('depth');
    return (node) => {
        if (group === 'section') return survey.word('section', node);
        return depth[node] === UNREACHED ? 'not reached' : `depth ${depth[node]}`;
    };
}

/** By which block a page leads here, or is led to: the template, or the region and the section of whoever links. */
function blockNames(
    survey: PackedSurvey,
    { of, kinds }: AroundAsked,
    direction: 'in' | 'out',
): (node: number) => string {
    const { pageStart, pageBlocks, blockList, blockRegion, blockTemplate, listStart, target, kind } =
        linkGraphOf(survey);
    const shared = widelyShared(survey);
    const centre = new Set(of);
    const named = new Map<number, string>();
    const sources = direction === 'out' ? of : sourcesTo(survey, of, kinds);
    for (const source of sources) {
        for (let at = pageStart[source]!; at < pageStart[source + 1]!; at++) {
            const block = pageBlocks[at]!;
            if (!kinds.includes(shared[block] === 1 ? 'shared' : 'text')) continue;
            const list = blockList[block]!;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                const to = target[link]!;
                if (kind[link] !== A || to < 0 || to >= survey.count) continue;
                const other = direction === 'out' ? to : source;
                if (named.has(other) || (direction === 'in' && !centre.has(to))) continue;
                const template = blockTemplate[block]!;
                const region = REGIONS[blockRegion[block]!] ?? 'other';
                const own = `${regionName(region)}, ${survey.word('section', source)}`;
                named.set(other, template < 0 ? own : templateWords(survey, template));
            }
        }
    }
    return (node) => named.get(node) ?? (direction === 'in' ? 'redirects or names it' : 'redirect or canonical');
}

function sourcesTo(survey: PackedSurvey, of: readonly number[], kinds: readonly NearKind[]): number[] {
    const found = new Set<number>();
    for (const kind of kinds) {
        if (kind !== 'text' && kind !== 'shared') continue;
        const { start, targets } = nearLinks(survey, kind).into;
        for (const node of of) for (let slot = start[node]!; slot < start[node + 1]!; slot++) found.add(targets[slot]!);
    }
    return [...found].sort((a, b) => a - b);
}

/** What widely shared blocks bring beside all that is shown. */
function sharedOf(
    survey: PackedSurvey,
    of: readonly number[],
    direction: 'in' | 'out',
    shown: ReadonlySet<number>,
): NearSide['shared'] {
    const centre = new Set(of);
    const { start, targets } = nearLinks(survey, 'shared')[direction === 'in' ? 'into' : 'out'];
    const found = new Set<number>();
    for (const node of of) {
        for (let slot = start[node]!; slot < start[node + 1]!; slot++) {
            const other = targets[slot]!;
            if (!centre.has(other) && !shown.has(other)) found.add(other);
        }
    }
    if (found.size === 0) return null;
    const { pageStart, pageBlocks, blockList, blockTemplate, listStart, target } = linkGraphOf(survey);
    const shared = widelyShared(survey);
    const names = new Set<string>();
    // Of many pages that lead here the first one's blocks are those of all: they are the same.
    for (const source of direction === 'out' ? of : [...found].slice(0, 1)) {
        for (let at = pageStart[source]!; at < pageStart[source + 1]!; at++) {
            const block = pageBlocks[at]!;
            if (shared[block] !== 1) continue;
            const list = blockList[block]!;
            let leads = direction === 'out';
            for (let link = listStart[list]!; !leads && link < listStart[list + 1]!; link++)
                leads = centre.has(target[link]!);
            if (leads) names.add(templateWords(survey, blockTemplate[block]!));
        }
    }
    return { total: found.size, names: [...names] };
}

export interface PathsTold {
    to: string;
    /** Null where no way leads. */
    path: WayEnds<PathStep> | null;
    clicks: number;
    /** How many shortest paths there are. */
    paths: number;
    /** Pages that some of them go through, the busiest first: without one of these it can be asked again. */
    through: { url: string; paths: number }[];
    /** The same without a page: which, how many clicks and paths there are then; null where none is left out. */
    without: { url: string; clicks: number | null; paths: number } | null;
}

const MOST_THROUGH = 12;

/** Needs all parts. O(nodes + links) @param without node that the second answer leaves out; -1 for none */
export function pathsTold(survey: PackedSurvey, from: number, to: number, without: number): PathsTold {
    const { clicks, free } = depthGraph(modelOf(survey));
    const found = shortestPaths(clicks, free, from, to);
    const second = without === -1 ? null : shortestPaths(clicks, free, from, to, without);
    return {
        to: survey.url(to),
        path: found === null ? null : pathBetween(survey, from, to),
        clicks: found?.clicks ?? 0,
        paths: found?.paths ?? 0,
        through: (found?.through ?? [])
            .slice(0, MOST_THROUGH)
            .map(({ node, paths }) => ({ url: survey.url(node), paths })),
        without:
            without === -1
                ? null
                : { url: survey.url(without), clicks: second?.clicks ?? null, paths: second?.paths ?? 0 },
    };
}
