/** What would not be reached if some links were not there: for templates, whose links stand on many pages. */
import { UNREACHED } from './depth.ts';
import type { Links } from './distinct.ts';
import { compressRows } from './rows.ts';

/** Label of a link that stays whatever is taken away. */
export const STAYS = -1;

/** The tree of shortest paths, downwards: the nodes entered from each. O(nodes). */
function childrenOf(parent: ArrayLike<number>): Links {
    const below: number[] = [];
    for (let node = 0; node < parent.length; node++) if (parent[node] !== -1) below.push(node);
    const { start, targets } = compressRows(
        parent.length,
        below.map((node) => parent[node]!),
        below,
    );
    return { nodes: parent.length, start, targets };
}

/**
 * Nodes that are reached, and would not be without the links of one label. Only what hangs below such a link in the tree
 * of shortest paths can be lost: of that, what has another link from outside is kept, and what follows from it. Made
 * once for a graph; O(nodes + links), and each label O(the part below it, and links into it).
 */
export class WithoutLabel {
    readonly #out: Links;
    readonly #outLabel: Int32Array;
    readonly #into: Links;
    readonly #intoLabel: Int32Array;
    readonly #depth: ArrayLike<number>;
    readonly #children: Links;
    /** Nodes whose shortest path ends with a link of each label. */
    readonly #entered = new Map<number, number[]>();
    /** 1 for nodes in doubt, of the label that is asked for; all 0 between two questions. */
    readonly #isInDoubt: Uint8Array;

    /**
     * @param labels one for each of `out.targets`: the label whose links alone lead from that node to that target, or
     * `STAYS` where there is another link
     * @param depth, parent of the tree of shortest paths with all links
     */
    constructor(out: Links, labels: Int32Array, depth: ArrayLike<number>, parent: ArrayLike<number>) {
        this.#out = out;
        this.#outLabel = labels;
        this.#depth = depth;
        this.#children = childrenOf(parent);
        this.#isInDoubt = new Uint8Array(out.nodes);
        const start = new Uint32Array(out.nodes + 1);
        for (let slot = 0; slot < out.targets.length; slot++) start[out.targets[slot]! + 1]!++;
        for (let node = 0; node < out.nodes; node++) start[node + 1]! += start[node]!;
        const fill = start.slice();
        const targets = new Uint32Array(out.targets.length);
        this.#intoLabel = new Int32Array(out.targets.length);
        for (let node = 0; node < out.nodes; node++) {
            for (let slot = out.start[node]!; slot < out.start[node + 1]!; slot++) {
                const target = out.targets[slot]!;
                const place = fill[target]!++;
                targets[place] = node;
                this.#intoLabel[place] = labels[slot]!;
                if (parent[target] !== node || labels[slot] === STAYS) continue;
                const entered = this.#entered.get(labels[slot]!);
                if (entered) entered.push(target);
                else this.#entered.set(labels[slot]!, [target]);
            }
        }
        this.#into = { nodes: out.nodes, start, targets };
    }

    /** Bytes it takes. */
    get byteLength(): number {
        const links = ({ start, targets }: Links): number => start.byteLength + targets.byteLength;
        const own = this.#outLabel.byteLength + this.#intoLabel.byteLength + this.#isInDoubt.byteLength;
        return own + links(this.#out) + links(this.#into) + links(this.#children);
    }

    /** Nodes that are lost without the links of a label, each once. */
    lost(label: number): number[] {
        const isInDoubt = this.#isInDoubt;
        const doubted: number[] = [];
        const doubt = (node: number): void => {
            if (isInDoubt[node] === 1) return;
            isInDoubt[node] = 1;
            doubted.push(node);
        };
        this.#entered.get(label)?.forEach(doubt);
        const children = this.#children;
        for (let at = 0; at < doubted.length; at++) {
            const node = doubted[at]!;
            for (let slot = children.start[node]!; slot < children.start[node + 1]!; slot++) {
                doubt(children.targets[slot]!);
            }
        }
        // What has a link from outside is kept, and so is what it leads to.
        const keep: number[] = [];
        for (const node of doubted) {
            if (!this.#isHeldFromOutside(node, label)) continue;
            isInDoubt[node] = 0;
            keep.push(node);
        }
        const { start, targets } = this.#out;
        for (let node = keep.pop(); node !== undefined; node = keep.pop()) {
            for (let slot = start[node]!; slot < start[node + 1]!; slot++) {
                const target = targets[slot]!;
                if (isInDoubt[target] === 0 || this.#outLabel[slot] === label) continue;
                isInDoubt[target] = 0;
                keep.push(target);
            }
        }
        const lost = doubted.filter((node) => isInDoubt[node] === 1);
        for (const node of lost) isInDoubt[node] = 0;
        return lost;
    }

    #isHeldFromOutside(node: number, label: number): boolean {
        const { start, targets } = this.#into;
        for (let slot = start[node]!; slot < start[node + 1]!; slot++) {
            const source = targets[slot]!;
            if (this.#isInDoubt[source] === 1 || this.#depth[source] === UNREACHED) continue;
            if (this.#intoLabel[slot] !== label) return true;
        }
        return false;
    }
}
