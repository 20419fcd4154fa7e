/** Links from section to section, beside what they would be if the links of each section were spread over all pages. */
import type { Links } from './distinct.ts';

export interface Flow {
    /** Distinct links from section `from` to section `to`, at `from * sections + to`. */
    links: Uint32Array;
    /** The same if the links of each section went to other pages evenly. */
    expected: Float64Array;
    sections: number;
}

/**
 * @param out distinct links
 * @param section of each node, from 0; -1 for nodes left out
 * O(nodes + links + sections²)
 */
export function sectionFlow(out: Links, section: Int32Array, sections: number): Flow {
    const links = new Uint32Array(sections * sections);
    const pages = new Uint32Array(sections);
    let all = 0;
    for (let node = 0; node < out.nodes; node++) {
        const from = section[node]!;
        if (from === -1) continue;
        pages[from]!++;
        all++;
        for (let slot = out.start[node]!; slot < out.start[node + 1]!; slot++) {
            const to = section[out.targets[slot]!]!;
            if (to !== -1) links[from * sections + to]!++;
        }
    }
    const expected = new Float64Array(sections * sections);
    for (let from = 0; from < sections; from++) {
        let given = 0;
        for (let to = 0; to < sections; to++) given += links[from * sections + to]!;
        for (let to = 0; to < sections; to++) {
            // A page does not link to itself: of its own section one page less can be chosen.
            const open = from === to ? pages[to]! - 1 : pages[to]!;
            expected[from * sections + to] = all > 1 ? (given * open) / (all - 1) : 0;
        }
    }
    return { links, expected, sections };
}
