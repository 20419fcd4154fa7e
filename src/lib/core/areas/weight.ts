/** What the area Weight tells beside the measures of the site: where weight is lost, what is starved, who has too many links. */
import { GATE_INDEXABLE } from '../columns/gate-facts.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { eachEnds } from '../measures/link-ends.ts';
import { modelOf } from '../packed/model-of.ts';
import { once } from '../kept.ts';
import { misfits } from '../sets/misfits.ts';

/** A URL that weight is lost to. */
export interface LostTarget {
    node: number;
    url: string;
    /** Status code; 0 where no answer came. */
    status: number;
    closed: boolean;
    /** Standing that links to it throw away, in average pages. */
    cost: number;
    /** Pages whose followed links end there. */
    pages: number;
    /** Numbers of the templates (in the head) that link to it, those on most pages first. */
    templates: number[];
}

/** URLs that weight is lost to, dearest first. O(link occurrences), once for each survey. */
export function lostTargets(survey: PackedSurvey): LostTarget[] {
    return once(survey, 'lost targets', [], () => {
        const standing = survey.numbers('standing');
        const allowed = survey.numbers('robots_allowed');
        const status = survey.numbers('status');
        const model = modelOf(survey);
        const lost = model.isLost;
        const cost = new Float64Array(survey.count);
        const pages = new Uint32Array(survey.count);
        eachEnds(model, (node, ends) => {
            const share = standing[node]! / ends.length;
            for (const end of ends) {
                if (lost[end] === 0) continue;
                pages[end]!++;
                // What is closed to us is not ranked: its links cost nothing that is counted.
                if (!Number.isNaN(share)) cost[end]! += share;
            }
        });
        const templates = templatesTo(survey, (to) => lost[to] === 1);
        const found: LostTarget[] = [];
        for (let node = 0; node < survey.count; node++) {
            if (pages[node] === 0) continue;
            found.push({
                node,
                url: survey.url(node),
                status: status[node]!,
                closed: allowed[node] === 0,
                cost: cost[node]!,
                pages: pages[node]!,
                templates: templates.get(node) ?? [],
            });
        }
        return found.sort((a, b) => b.cost - a.cost || b.pages - a.pages || a.node - b.node);
    });
}

/** For each page of a kind, the templates with an `a` link written to it, those on most pages first. O(links). */
export function templatesTo(survey: PackedSurvey, isWanted: (node: number) => boolean): Map<number, number[]> {
    const { blockList, blockTemplate, listStart, target, kind } = linkGraphOf(survey);
    const found = new Map<number, number[]>();
    for (let block = 0; block < blockList.length; block++) {
        const template = blockTemplate[block]!;
        if (template === -1) continue;
        const list = blockList[block]!;
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
            const to = target[link]!;
            if (kind[link] !== 0 || to < 0 || to >= survey.count || !isWanted(to)) continue;
            const own = found.get(to) ?? [];
            if (!own.includes(template)) own.push(template);
            found.set(to, own);
        }
    }
    const { templates } = survey.measured;
    for (const own of found.values()) own.sort((a, b) => templates[b]!.pages - templates[a]!.pages || a - b);
    return found;
}

export interface Misfit {
    url: string;
    priority: number;
    standing: number;
    /** Pages of the same section that stand highest and do not link to it: where its weight could come from. */
    from: { url: string; standing: number }[];
}

export interface MisfitList {
    starved: Misfit[];
    overfed: Misfit[];
    starvedTotal: number;
    overfedTotal: number;
}

const MOST_MISFITS = 12;
const MOST_GIVERS = 3;

/**
 * Misfits both ways, those that are furthest out first; for starved pages, indexable and reached pages of their section
 * with the highest standing that do not link to them yet.
 */
export function misfitList(survey: PackedSurvey, priority: Uint8Array): MisfitList {
    const { starved, overfed } = misfits(survey, priority);
    const standing = survey.numbers('standing');
    const tell = (node: number): Misfit => ({
        url: survey.url(node),
        priority: priority[node]!,
        standing: standing[node]!,
        from: [],
    });
    const least = [...starved].sort((a, b) => priority[a]! - priority[b]! || standing[a]! - standing[b]! || a - b);
    const most = [...overfed].sort((a, b) => standing[b]! - standing[a]! || a - b);
    return {
        starved: least.slice(0, MOST_MISFITS).map((node) => ({ ...tell(node), from: giversOf(survey, node) })),
        overfed: most.slice(0, MOST_MISFITS).map(tell),
        starvedTotal: starved.length,
        overfedTotal: overfed.length,
    };
}

function giversOf(survey: PackedSurvey, node: number): Misfit['from'] {
    const standing = survey.numbers('standing');
    const section = survey.numbers('section');
    const depth = survey.numbers('depth');
    const graph = linkGraphOf(survey);
    const linksHere = (source: number): boolean => {
        for (let at = graph.pageStart[source]!; at < graph.pageStart[source + 1]!; at++) {
            const list = graph.blockList[graph.pageBlocks[at]!]!;
            for (let link = graph.listStart[list]!; link < graph.listStart[list + 1]!; link++) {
                if (graph.kind[link] === 0 && graph.target[link] === node) return true;
            }
        }
        return false;
    };
    const found: number[] = [];
    const ranked = sectionRanks(survey).get(section[node]!) ?? [];
    for (const source of ranked) {
        if (found.length >= MOST_GIVERS) break;
        if (source !== node && depth[source]! >= 0 && !linksHere(source)) found.push(source);
    }
    return found.map((source) => ({ url: survey.url(source), standing: standing[source]! }));
}

/** Indexable pages of each section, highest standing first: no more than are ever looked at. */
function sectionRanks(survey: PackedSurvey): Map<number, number[]> {
    return once(survey, 'section ranks', [], () => {
        const standing = survey.numbers('standing');
        const section = survey.numbers('section');
        const gate = survey.numbers('gate');
        const bySection = new Map<number, number[]>();
        for (let node = 0; node < survey.count; node++) {
            if (Number.isNaN(standing[node]!) || gate[node] !== GATE_INDEXABLE) continue;
            const own = bySection.get(section[node]!);
            if (own) own.push(node);
            else bySection.set(section[node]!, [node]);
        }
        for (const [key, own] of bySection) {
            own.sort((a, b) => standing[b]! - standing[a]! || a - b);
            bySection.set(key, own.slice(0, 200));
        }
        return bySection;
    });
}

/** Points of standing against a column of counts, thinned to what a chart can show. */
export interface AgainstPoint {
    node: number;
    standing: number;
    value: number;
}

const MOST_POINTS = 1_500;

/** Ranked pages with a known value above 0, those with the largest values. O(n log n) */
export function standingAgainst(survey: PackedSurvey, values: ArrayLike<number>): AgainstPoint[] {
    const standing = survey.numbers('standing');
    const points: AgainstPoint[] = [];
    for (let node = 0; node < survey.count; node++) {
        const value = values[node]!;
        if (Number.isNaN(standing[node]!) || !(value > 0)) continue;
        points.push({ node, standing: standing[node]!, value });
    }
    return points.sort((a, b) => b.value - a.value || a.node - b.node).slice(0, MOST_POINTS);
}
