/** Pages that stand near another in the links of running text: what it leads to, who leads to the same. */
import { once } from '../kept.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { calledBy } from '../text/called.ts';
import { listPlaces } from '../text/link-words.ts';

interface TextLinks {
    /** Where the targets of each page begin: one more than pages. */
    start: Uint32Array;
    /** Pages that links of its running text lead to, each as often as it is linked. */
    targets: Uint32Array;
}

const A = 0;

/** O(page blocks + link occurrences in running text), once. */
export function textLinks(survey: PackedSurvey): TextLinks {
    return once(survey, 'links in text', [], () => {
        const { isPage, pageStart, pageBlocks, blockList, listStart, target, kind } = linkGraphOf(survey);
        const { inText } = listPlaces(survey);
        const start = new Uint32Array(survey.count + 1);
        const targets: number[] = [];
        for (let node = 0; node < survey.count; node++) {
            start[node] = targets.length;
            if (isPage[node] !== 1) continue;
            for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
                const list = blockList[pageBlocks[at]!]!;
                if (inText[list] !== 1) continue;
                for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                    const to = target[link]!;
                    if (kind[link] === A && to >= 0 && to < survey.count && to !== node) targets.push(to);
                }
            }
        }
        start[survey.count] = targets.length;
        return { start, targets: Uint32Array.from(targets) };
    });
}

/** How near each page is to a target. */
export interface Nearness {
    /** 0 to 1: it leads to the same pages as those that lead to the target. */
    same: Map<number, number>;
    /** Pages the target itself leads to. */
    led: ReadonlySet<number>;
    /** 0 to 1: share of its links that lead to pages which lead to the target. */
    beside: Map<number, number>;
}

/** Pages that lead to a target which are looked at, and links that lead to one page. */
const MOST_CALLERS = 400;
const MOST_TOLD = 2_000;
/** So many links before another, and behind it, stand beside it. */
const BESIDE = 3;

/**
 * What stands beside links to a target: of each page the share of the links of running text to the target that have a
 * link to it beside them, in the order in which they are written. O(links of running text to the target).
 * @param without a link that is taken as not there; -1 for none
 */
export function companyOf(survey: PackedSurvey, target: number, without = -1): Map<number, number> {
    const { listStart, target: leadsTo, kind } = linkGraphOf(survey);
    const { start, links, lists } = calledBy(survey);
    const beside = new Map<number, number>();
    let all = 0;
    const end = Math.min(start[target + 1]!, start[target]! + MOST_TOLD);
    for (let at = start[target]!; at < end; at++) {
        const link = links[at]!;
        if (link === without) continue;
        all++;
        const list = lists[at]!;
        const last = Math.min(listStart[list + 1]!, link + BESIDE + 1);
        const own = new Set<number>();
        for (let other = Math.max(listStart[list]!, link - BESIDE); other < last; other++) {
            const to = leadsTo[other]!;
            if (kind[other] === A && to >= 0 && to < survey.count && to !== target) own.add(to);
        }
        for (const to of own) beside.set(to, (beside.get(to) ?? 0) + 1);
    }
    for (const [to, count] of beside) beside.set(to, count / all);
    return beside;
}

/** @param without a page whose link to the target is taken as not there; -1 for none */
export function nearnessTo(survey: PackedSurvey, target: number, without = -1): Nearness {
    const out = textLinks(survey);
    const { start, lists } = calledBy(survey);
    const { page } = listPlaces(survey);
    const callersOf = (node: number): Set<number> => {
        const pages = new Set<number>();
        const end = Math.min(start[node + 1]!, start[node]! + MOST_TOLD);
        for (let at = start[node]!; at < end; at++) pages.add(page[lists[at]!]!);
        return pages;
    };
    const outs = (node: number): Set<number> =>
        node < 0 ? new Set() : new Set(out.targets.subarray(out.start[node], out.start[node + 1]));
    const callers = [...callersOf(target)]
        .filter((caller) => caller !== without && caller !== target)
        .slice(0, MOST_CALLERS);
    const shared = new Map<number, number>();
    for (const caller of callers) {
        for (const other of outs(caller)) {
            const known = start[other + 1]! - start[other]!;
            if (other !== target) shared.set(other, (shared.get(other) ?? 0) + 1 / Math.log(2 + known));
        }
    }
    const same = new Map<number, number>();
    for (const [other, weight] of shared) {
        for (const caller of callersOf(other)) same.set(caller, (same.get(caller) ?? 0) + weight);
    }
    let most = 0;
    for (const [node, sum] of same) {
        const value = sum / Math.sqrt(1 + outs(node).size);
        same.set(node, value);
        most = Math.max(most, value);
    }
    if (most > 0) for (const [node, value] of same) same.set(node, value / most);
    const beside = new Map<number, number>();
    for (const caller of callers) for (const node of callersOf(caller)) beside.set(node, (beside.get(node) ?? 0) + 1);
    for (const [node, links] of beside) {
        const value = Math.log1p(links / Math.sqrt(1 + outs(node).size));
        beside.set(node, Math.min(1, value / 2));
    }
    const led = outs(target);
    return { same, led, beside };
}
