/** Pages that the page of their folder does not link to: where menu and addresses part (`docs/measures.md`, "Addresses"). */
import type { GraphModel } from '../model/graph-model.ts';
import { wayGraph } from '../model/way-graph.ts';

export const APART = { unknown: -1, linked: 0, apart: 1 } as const;

/** Hops of redirects that a link may take. */
const MOST_HOPS = 10;

/**
 * 1 where no page of its folder (of any query) leads to it, 0 where one does; -1 for what is no page, lies at the root of
 * its host, or in a folder that has no page. Needs the URLs. O(nodes + links).
 */
export function apart(model: GraphModel): Int8Array {
    const { into } = wayGraph(model);
    const { within, pageOf } = model.texts.folders();
    const hasPage = new Set<number>();
    for (let node = 0; node < model.count; node++) {
        if (model.isPage[node] === 1 && pageOf[node]! >= 0) hasPage.add(pageOf[node]!);
    }
    const leadsFrom = (folder: number, node: number, hops: number): boolean => {
        for (let slot = into.start[node]!; slot < into.start[node + 1]!; slot++) {
            const source = into.targets[slot]!;
            if (model.isPage[source] === 1) {
                if (pageOf[source] === folder) return true;
            } else if (hops < MOST_HOPS && leadsFrom(folder, source, hops + 1)) return true;
        }
        return false;
    };
    return Int8Array.from({ length: model.count }, (_, node) => {
        const folder = within[node]!;
        if (model.isPage[node] !== 1 || folder < 0 || !hasPage.has(folder)) return APART.unknown;
        return leadsFrom(folder, node, 0) ? APART.linked : APART.apart;
    });
}
