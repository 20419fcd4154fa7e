/** *Journey*: the trail of a walk through the site, the ways on from where it stands, and what it never came near. */
import { verdictOf } from '../areas/page-sheet.ts';
import { regionName, templateWords } from '../areas/template-words.ts';
import { gateOf } from '../columns/gate-facts.ts';
import type { Gate } from '../gates/gates.ts';
import { UNREACHED } from '../graph/depth.ts';
import type { Walker } from '../map/site-walks.ts';
import { landings } from '../model/landings.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import { modelOf } from '../packed/model-of.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { isFollowed, LINK_KINDS, REGIONS } from '../page/links.ts';
import { quoted } from '../sets/tokens.ts';
import { ownTitle } from '../subjects/site-names.ts';

/** A page as the walk meets it. */
export interface WalkPage {
    url: string;
    title: string;
    section: string;
    /** Null where links do not lead. */
    depth: number | null;
    gate: Gate | 'indexable' | null;
}

export interface WalkStep extends WalkPage {
    /** `jump`: no link of the page before leads here. */
    by: 'start' | 'link' | 'jump';
    anchor: string;
    /** The step at which the walk was here before; null where it was not. */
    before: number | null;
    /** Why there is no way on, as a sentence; empty where there is one. */
    end: string;
}

export interface WayOn extends WalkPage {
    anchor: string;
    /** Declined by nofollow: a robot does not go there. */
    isFollowed: boolean;
    /** Steps at which the walk was there. */
    been: number[];
    /** Why it would end there; empty where it would not. */
    end: string;
}

export interface WaysBlock {
    name: string;
    /** Pages with the same block; 1 where it stands here alone. */
    pages: number;
    isTemplate: boolean;
    ways: WayOn[];
    /** Links out of the site. */
    outside: number;
}

export interface JourneyView {
    as: Walker;
    steps: WalkStep[];
    /** Different pages of the trail. */
    pages: number;
    loops: number;
    ends: number;
    /** Sections with reached pages, and those of them that it never entered. */
    sections: number;
    missed: { section: string; set: string }[];
    /** Pages of the trail, and reached pages that were never one click away. */
    trailSet: string;
    far: { pages: number; set: string };
    /** Where the walk stands: its blocks in the order of the page. */
    blocks: WaysBlock[];
}

/** Steps that are kept: an address holds no more. */
export const MOST_STEPS = 60;
const MOST_WAYS = 200;
const A = LINK_KINDS.indexOf('a');

/**
 * Needs all parts. O(steps x links of a page + nodes)
 * @param trail nodes of the steps, the first being where it begins
 */
export function journeyView(survey: PackedSurvey, trail: readonly number[], as: Walker): JourneyView {
    const landed = landings(modelOf(survey));
    const ways = trail.map((node) => blocksOf(survey, node, as, trail, landed));
    const steps = trail.map((node, at): WalkStep => {
        const before = trail.indexOf(node);
        const way = at === 0 ? undefined : wayTo(ways[at - 1]!, survey.url(node));
        return {
            ...walkPage(survey, node),
            by: at === 0 ? 'start' : way ? 'link' : 'jump',
            anchor: way?.anchor ?? '',
            before: before < at ? trail.lastIndexOf(node, at - 1) : null,
            end: endOf(survey, node, ways[at]!),
        };
    });
    const sectionOf = (node: number): string => survey.word('section', node);
    const entered = new Set(trail.map(sectionOf));
    const [isPage, depth] = [survey.numbers('page'), survey.numbers('depth')];
    const near = new Set(trail);
    for (const blocks of ways)
        for (const { ways: own } of blocks) for (const { url } of own) near.add(survey.nodeOf(url));
    const missed = new Map<string, number>();
    let far = 0;
    const all = new Set<string>();
    for (let node = 0; node < survey.count; node++) {
        if (isPage[node] !== 1 || depth[node] === UNREACHED) continue;
        const section = sectionOf(node);
        all.add(section);
        if (!entered.has(section)) missed.set(section, (missed.get(section) ?? 0) + 1);
        if (!near.has(node)) far++;
    }
    const trailSet = `url is one of ${[...new Set(trail)].map((node) => quoted(survey.url(node), true)).join(', ')}`;
    return {
        as,
        steps,
        pages: new Set(trail).size,
        loops: steps.filter(({ before }) => before !== null).length,
        ends: steps.filter(({ end }) => end !== '').length,
        sections: all.size,
        missed: [...missed]
            .sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))
            .map(([section]) => ({ section, set: `page and reached and section is ${quoted(section)}` })),
        trailSet,
        far: {
            pages: far,
            set: `page and reached and not within 1 clicks of (${trailSet})${as === 'robot' ? ' followed' : ''}`,
        },
        blocks: ways.at(-1) ?? [],
    };
}

const wayTo = (blocks: readonly WaysBlock[], url: string): WayOn | undefined =>
    blocks.flatMap(({ ways }) => ways).find((way) => way.url === url);

/** Needs `core`, `text` and the measures. O(1) */
export function walkPage(survey: PackedSurvey, node: number): WalkPage {
    const depth = survey.numbers('depth')[node]!;
    return {
        url: survey.url(node),
        title: ownTitle(survey, node),
        section: survey.word('section', node),
        depth: depth === UNREACHED ? null : depth,
        gate: gateOf(survey.numbers('gate')[node]!),
    };
}

function endOf(survey: PackedSurvey, node: number, blocks: readonly WaysBlock[]): string {
    if (survey.numbers('page')[node] !== 1) return verdictOf(survey, node);
    return blocks.some(({ ways }) => ways.length > 0) ? '' : 'Nothing on it leads on within the site.';
}

/** The ways on from a page, equal ones of a block once; a link to a redirect leads where that ends. */
function blocksOf(
    survey: PackedSurvey,
    node: number,
    as: Walker,
    trail: readonly number[],
    landed: Int32Array,
): WaysBlock[] {
    const graph = linkGraphOf(survey);
    const { pageStart, pageBlocks, blockList, blockRegion, blockTemplate, listStart, target, kind, isPage } = graph;
    if (isPage[node] !== 1) return [];
    const blocks: WaysBlock[] = [];
    let told = 0;
    for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
        const block = pageBlocks[at]!;
        const template = blockTemplate[block]!;
        const shared = template < 0 ? undefined : survey.measured.templates[template];
        const own: WaysBlock = {
            name: shared ? templateWords(survey, template) : regionName(REGIONS[blockRegion[block]!] ?? 'other'),
            pages: shared?.pages ?? 1,
            isTemplate: shared !== undefined,
            ways: [],
            outside: 0,
        };
        const seen = new Set<string>();
        const list = blockList[block]!;
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
            if (kind[link] !== A) continue;
            const to = target[link]!;
            if (to < 0) continue;
            if (to >= survey.count) {
                own.outside++;
                continue;
            }
            const end = landed[to]! >= 0 ? landed[to]! : to;
            if (end === node) continue;
            const anchor = survey.word('link_anchor', link) || survey.word('link_name', link);
            const goes = isFollowed(survey.word('link_rel', link), graph.nofollow[node] === 1);
            if (as === 'robot' && !goes) continue;
            const key = `${end} ${anchor}`;
            if (seen.has(key) || told >= MOST_WAYS) continue;
            seen.add(key);
            told++;
            own.ways.push({
                ...walkPage(survey, end),
                anchor,
                isFollowed: goes,
                been: trail.flatMap((step, number) => (step === end ? [number] : [])),
                end: isPage[end] === 1 ? '' : verdictOf(survey, end),
            });
        }
        if (own.ways.length > 0 || own.outside > 0) blocks.push(own);
    }
    return blocks;
}
