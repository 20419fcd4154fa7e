/** Where a link would have to be set so that an orphan is reached again. */
import { LINK_KINDS } from '../page/links.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { ORPHAN } from '../measures/orphans.ts';
import { once } from '../kept.ts';

const A = LINK_KINDS.indexOf('a');

export interface OrphanRoot {
    /** The page to link to: a strict orphan, or the page of an island that most of its pages hang from. */
    node: number;
    isIsland: boolean;
}

/**
 * The root of each orphan; nothing for other pages. A strict orphan is its own. An adrift one has the first strict orphan,
 * by URL, from which links lead to it; where none does, the page of its island that is called by most of the others
 * (of equals the first by URL). O(links of orphans).
 */
export function orphanRoots(survey: PackedSurvey): readonly (OrphanRoot | undefined)[] {
    return once(survey, 'orphan roots', [], () => {
        const [orphan, island, incoming] = [
            survey.numbers('orphan'),
            survey.numbers('island'),
            survey.numbers('incoming_pages'),
        ];
        const roots = new Array<OrphanRoot | undefined>(survey.count);
        for (let node = 0; node < survey.count; node++) {
            if (orphan[node] === ORPHAN.strict) spread(survey, roots, { node, isIsland: false });
        }
        const heads = new Map<number, OrphanRoot>();
        const isLeft = (node: number): boolean => orphan[node] === ORPHAN.adrift && roots[node] === undefined;
        for (let node = 0; node < survey.count; node++) {
            if (!isLeft(node)) continue;
            const head = heads.get(island[node]!);
            if (!head || incoming[node]! > incoming[head.node]!) heads.set(island[node]!, { node, isIsland: true });
        }
        for (let node = 0; node < survey.count; node++) if (isLeft(node)) roots[node] = heads.get(island[node]!)!;
        return roots;
    });
}

/** Gives a root to itself and to every adrift page that links lead to from it and that has none yet. */
function spread(survey: PackedSurvey, roots: (OrphanRoot | undefined)[], root: OrphanRoot): void {
    const { pageStart, pageBlocks, blockList, listStart, target, kind } = linkGraphOf(survey);
    const orphan = survey.numbers('orphan');
    const open = [root.node];
    roots[root.node] = root;
    while (open.length > 0) {
        const node = open.pop()!;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const list = blockList[pageBlocks[at]!]!;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                const to = target[link]!;
                if (kind[link] !== A || to < 0 || to >= survey.count || roots[to] !== undefined) continue;
                if (orphan[to] !== ORPHAN.adrift) continue;
                roots[to] = root;
                open.push(to);
            }
        }
    }
}
