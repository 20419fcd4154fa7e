/** The pages around a page: what leads to it and from it, step by step, and how many ways there are between two. */
import { linksOf, reversed, type Links } from '../graph/distinct.ts';
import { once } from '../kept.ts';
import { freeLinks } from '../model/way-graph.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import { modelOf } from '../packed/model-of.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { LINK_KINDS } from '../page/links.ts';

/** `text`: links of the pages' own and of small shared blocks; `shared`: of blocks that a good part of the site has. */
export const NEAR_KINDS = ['text', 'shared', 'redirect', 'canonical'] as const;
export type NearKind = (typeof NEAR_KINDS)[number];

/** A block on more than this share of the pages says nothing of one of them. */
const SHARED_BY = 0.12;
/** On fewer no block is widely shared, however small the site. */
const FEW = 3;
const A = LINK_KINDS.indexOf('a');

/** 1 for each block whose template stands on a good part of the pages. O(blocks) */
export function widelyShared(survey: PackedSurvey): Uint8Array {
    return once(survey, 'widely shared', [], () => {
        const { blockTemplate, isPage } = linkGraphOf(survey);
        let pages = 0;
        for (const own of isPage) if (own === 1) pages++;
        return Uint8Array.from(blockTemplate, (template) => {
            const own = template < 0 ? undefined : survey.measured.templates[template];
            return Number(own !== undefined && own.pages >= FEW && own.pages > SHARED_BY * pages);
        });
    });
}

export interface NearLinks {
    out: Links;
    into: Links;
}

/** Distinct links of one kind between URLs of the site, both ways. O(link occurrences) once. */
export function nearLinks(survey: PackedSurvey, kind: NearKind): NearLinks {
    return once(survey, 'near links', [kind], () => {
        const out = kind === 'redirect' ? freeLinks(modelOf(survey)) : linksOfKind(survey, kind);
        return { out, into: reversed(out) };
    });
}

function linksOfKind(survey: PackedSurvey, kind: Exclude<NearKind, 'redirect'>): Links {
    const [from, to]: [number[], number[]] = [[], []];
    const { count } = survey;
    if (kind === 'canonical') {
        const [start, targets] = [survey.numbers('canonical_start'), survey.numbers('canonical')];
        for (let node = 0; node < count; node++) {
            for (let at = start[node]!; at < start[node + 1]!; at++) {
                const target = targets[at]!;
                if (target < 0 || target >= count || target === node) continue;
                from.push(node);
                to.push(target);
            }
        }
        return linksOf(count, from, to);
    }
    const { pageStart, pageBlocks, blockList, listStart, target, kind: kinds, isPage } = linkGraphOf(survey);
    const shared = widelyShared(survey);
    const wanted = kind === 'shared' ? 1 : 0;
    for (let node = 0; node < count; node++) {
        if (isPage[node] !== 1) continue;
        const own = new Set<number>();
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const block = pageBlocks[at]!;
            if (shared[block] !== wanted) continue;
            const list = blockList[block]!;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                const end = target[link]!;
                if (kinds[link] === A && end >= 0 && end < count && end !== node) own.add(end);
            }
        }
        for (const end of own) {
            from.push(node);
            to.push(end);
        }
    }
    return linksOf(count, from, to);
}

/**
 * What is found at each step from some pages, each where it is found first, ascending.
 * @param kinds of links that are followed @param direction against them (`in`) or with them (`out`)
 */
export function stepsFrom(
    survey: PackedSurvey,
    nodes: readonly number[],
    kinds: readonly NearKind[],
    direction: 'in' | 'out',
    steps: number,
): number[][] {
    const graphs = kinds.map((kind) => nearLinks(survey, kind)[direction === 'in' ? 'into' : 'out']);
    const seen = new Uint8Array(survey.count);
    for (const node of nodes) seen[node] = 1;
    const found: number[][] = [];
    let level: readonly number[] = nodes;
    for (let step = 0; step < steps; step++) {
        const next: number[] = [];
        for (const node of level) {
            for (const { start, targets } of graphs) {
                for (let slot = start[node]!; slot < start[node + 1]!; slot++) {
                    const end = targets[slot]!;
                    if (seen[end] === 1) continue;
                    seen[end] = 1;
                    next.push(end);
                }
            }
        }
        found.push((level = next.sort((a, b) => a - b)) as number[]);
    }
    return found;
}
