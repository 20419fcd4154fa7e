/** Links as the map draws them: those of one page, those of a set, and how many go from column to column. */
import { templateWords } from '../areas/template-words.ts';
import { sectionFlow } from '../graph/flow.ts';
import { rankedGraph } from '../measures/standing.ts';
import { LINK_KINDS, REGIONS } from '../page/links.ts';
import { linkGraphOf, type LinkGraph } from '../packed/link-graph.ts';
import { modelOf } from '../packed/model-of.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

/** Pages that link to a page, or are linked from it, by links of one template or of pages' own. */
export interface MapBundle {
    direction: 'in' | 'out';
    /** Other pages, ascending. */
    nodes: Uint32Array;
    /** What the template is called; null for links that stand on the page alone. */
    template: string | null;
    /** Where in the page: its region. */
    region: string;
}

const A = LINK_KINDS.indexOf('a');
/** Templates before what is a page's own, of one direction. */
const OWN = -1;

/** All `a` links to and from a page, as written. Needs `links` for the names of templates. O(links of lists + page blocks) */
export function linksOfPage(survey: PackedSurvey, node: number): MapBundle[] {
    const graph = linkGraphOf(survey);
    const { pageStart, pageBlocks, blockList, blockTemplate, listStart, target, kind, isPage } = graph;
    const leadsHere = new Uint8Array(listStart.length - 1);
    for (let list = 0; list < leadsHere.length; list++) {
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
            if (target[link] === node && kind[link] === A) leadsHere[list] = 1;
        }
    }
    const into = new Map<number, { nodes: Set<number>; block: number }>();
    const out = new Map<number, { nodes: Set<number>; block: number }>();
    const add = (bundles: typeof into, block: number, other: number): void => {
        const template = blockTemplate[block]!;
        const key = template < 0 ? OWN : template;
        const known = bundles.get(key);
        if (known) known.nodes.add(other);
        else bundles.set(key, { nodes: new Set([other]), block });
    };
    for (let source = 0; source < survey.count; source++) {
        if (isPage[source] !== 1 || source === node) continue;
        for (let at = pageStart[source]!; at < pageStart[source + 1]!; at++) {
            if (leadsHere[blockList[pageBlocks[at]!]!] === 1) add(into, pageBlocks[at]!, source);
        }
    }
    if (isPage[node] === 1) {
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            for (const to of targetsOf(graph, pageBlocks[at]!, survey.count)) {
                if (to !== node) add(out, pageBlocks[at]!, to);
            }
        }
    }
    const bundlesOf = (bundles: typeof into, direction: MapBundle['direction']): MapBundle[] =>
        [...bundles]
            .sort(([a], [b]) => a - b)
            .map(([key, { nodes, block }]) => ({
                direction,
                nodes: Uint32Array.from(nodes).sort(),
                template: key === OWN ? null : templateWords(survey, key),
                region: REGIONS[graph.blockRegion[block]!] ?? 'other',
            }));
    return [...bundlesOf(into, 'in'), ...bundlesOf(out, 'out')];
}

function* targetsOf(
    { blockList, listStart, target, kind }: LinkGraph,
    block: number,
    count: number,
): Generator<number> {
    const list = blockList[block]!;
    for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
        const to = target[link]!;
        if (kind[link] === A && to >= 0 && to < count) yield to;
    }
}

/** Links of the pages' own, outside templates, of which one end at least is in a set. */
export interface SetLinks {
    from: Uint32Array;
    to: Uint32Array;
    /** There are more than are told. */
    isCut: boolean;
}

/** Distinct, in the order of their sources; not more than `most`. O(links of the pages' own) */
export function linksOfSet(survey: PackedSurvey, isIn: Uint8Array, most: number): SetLinks {
    const graph = linkGraphOf(survey);
    const { pageStart, pageBlocks, blockTemplate, isPage } = graph;
    const [from, to]: [number[], number[]] = [[], []];
    let isCut = false;
    for (let source = 0; source < survey.count && !isCut; source++) {
        if (isPage[source] !== 1) continue;
        const told = new Set<number>([source]);
        for (let at = pageStart[source]!; at < pageStart[source + 1]! && !isCut; at++) {
            const block = pageBlocks[at]!;
            if (blockTemplate[block]! >= 0) continue;
            for (const target of targetsOf(graph, block, survey.count)) {
                if (told.has(target) || (isIn[source] !== 1 && isIn[target] !== 1)) continue;
                if (from.length >= most) {
                    isCut = true;
                    break;
                }
                told.add(target);
                from.push(source);
                to.push(target);
            }
        }
    }
    return { from: Uint32Array.from(from), to: Uint32Array.from(to), isCut };
}

export interface ColumnFlow {
    columns: number;
    /** Distinct followed links from column `a` to column `b`, at `a * columns + b`. */
    links: Uint32Array;
    /** The same if the links of each column went to all pages evenly. */
    expected: Float64Array;
}

/** @param columns the section of each; null for all that are in none of them. O(links) */
export function columnFlow(survey: PackedSurvey, columns: readonly (string | null)[]): ColumnFlow {
    const words = survey.texts('section_words').all();
    const rest = columns.indexOf(null);
    const columnOf = words.map((word) => (columns.includes(word) ? columns.indexOf(word) : rest));
    const codes = survey.numbers('section');
    const { out, nodes } = rankedGraph(modelOf(survey));
    const sectionOf = Int32Array.from(nodes, (node) => columnOf[codes[node]!]!);
    const { links, expected } = sectionFlow(out, sectionOf, columns.length);
    return { columns: columns.length, links, expected };
}
