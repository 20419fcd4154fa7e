/** A link graph like that of a site: menus, section menus, links of the running text, lists of pages, orphans. Seeded. */

export interface RawRows {
    nodes: number;
    start: Uint32Array;
    /** Targets with repeats, as links stand on pages. */
    targets: Uint32Array;
}

/** @param perPage links of each page, about */
export function madeGraph(nodes: number, perPage: number, seed = 7): RawRows {
    let state = seed;
    const next = (below: number): number => {
        state = (Math.imul(state, 1_664_525) + 1_013_904_223) | 0;
        return Math.floor(((state >>> 0) / 4_294_967_296) * below);
    };
    const sections = Math.max(1, Math.round(Math.sqrt(nodes) / 4));
    const size = Math.ceil(nodes / sections);
    const menu = Math.round(perPage / 3);
    const sectionMenu = Math.round(perPage / 4);
    const text = Math.max(1, perPage - menu - sectionMenu - 2);
    const start = new Uint32Array(nodes + 1);
    const targets = new Uint32Array(nodes * (menu + sectionMenu + text + 2));
    let length = 0;
    const add = (target: number): void => {
        if (target >= 0 && target < nodes) targets[length++] = target;
    };
    for (let node = 0; node < nodes; node++) {
        const section = Math.floor(node / size);
        const first = section * size;
        // One page in fifty stands in no menu and links only to the next: a list that must be walked.
        const isListed = node % 50 === 7;
        add(0);
        if (!isListed) {
            for (let item = 1; item <= menu; item++) add((item % sections) * size);
            for (let item = 1; item <= sectionMenu; item++) add(first + item);
            for (let link = 0; link < text; link++) {
                // Most links stay near; some go anywhere; earlier pages are linked to more often.
                const far = next(10) === 0;
                const target = far ? Math.floor((next(1_000_000) / 1_000_000) ** 2 * nodes) : first + next(size);
                // One page in two hundred is linked to from nowhere.
                if (target % 200 !== 13) add(target);
            }
            if (node % 50 === 0) add(node + 7);
        } else add(node + 50);
        start[node + 1] = length;
    }
    return { nodes, start, targets: targets.slice(0, length) };
}
