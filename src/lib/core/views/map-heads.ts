/** The headline of *Map*, by what it is arranged by: each number a set, or a branch to go into. */
import { mapFacts } from '../map/map-facts.ts';
import { branchTree, lastPart, type Hanging, type MapTree } from '../map/map-tree.ts';
import type { IntendedPage, Parting } from '../compare/intended.ts';
import { INTENDED_SETS, structureView } from './structure.ts';
import { sizeOf } from '../checks/set-size.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { quoted } from '../sets/tokens.ts';

/** A branch of the start page: what it is called, its key, and its pages with itself. */
export interface BranchTold {
    name: string;
    key: string;
    pages: number;
}

export type MapHead =
    | { by: 'depth' }
    | {
          by: 'way';
          reached: number;
          /** Its branches, the largest first, as few as hold half of the pages below it, three at most. */
          largest: BranchTold[];
          /** Branches that hold half of the pages below the start page, and how many it has. */
          half: number;
          branches: number;
      }
    | {
          by: 'hold';
          reached: number;
          /** Pages that no single page but the start page holds. */
          free: number;
          freeSet: string;
          largest: (BranchTold & { set: string })[];
      }
    | { by: 'address'; pages: number; apart: number; judged: number }
    | {
          by: 'intended';
          /** Pages that are meant, and how many of them stand as intended. */
          meant: number;
          asIntended: { pages: number; set: string };
          /** The others, by how they part; those without a page have no set. */
          parted: { parting: Parting; pages: number; set: string | null }[];
      };

const MOST_NAMED = 3;
const FREE = 'page and reached and not behind (depth > 0)';
const APART = 'apart from its folder';

/** Needs `text` and the measures. O(nodes) */
export function mapHead(survey: PackedSurvey, by: 'depth' | 'branch' | 'address', hang: Hanging): MapHead {
    if (by === 'depth') return { by };
    if (by === 'address') {
        const apart = survey.numbers('apart');
        let judged = 0;
        for (const kind of apart) if (kind >= 0) judged++;
        return { by, pages: sizeOf(survey, 'page'), apart: sizeOf(survey, APART), judged };
    }
    const tree = branchTree(survey, mapFacts(survey, []), hang);
    const { branches, reached } = branchesOf(tree);
    const told = branches.map(({ item, pages }): BranchTold => {
        const key = tree.keyOf(item);
        return { name: lastPart(key), key, pages };
    });
    if (hang === 'hold') {
        const holding = told.filter(({ pages }) => pages > 1).slice(0, MOST_NAMED);
        return {
            by: 'hold',
            reached,
            free: sizeOf(survey, FREE),
            freeSet: FREE,
            largest: holding.map((own) => ({
                ...own,
                pages: own.pages - 1,
                set: `page and behind (url is ${quoted(own.key, true)})`,
            })),
        };
    }
    const all = told.reduce((sum, { pages }) => sum + pages, 0);
    let [half, held] = [0, 0];
    while (half < told.length && held * 2 < all) held += told[half++]!.pages;
    return { by: 'way', reached, largest: told.slice(0, Math.min(half, MOST_NAMED)), half, branches: told.length };
}

/** The headline where the structure that is meant is shown. Needs `core`, `text` and the measures. */
export function intendedHead(survey: PackedSurvey, pages: readonly IntendedPage[]): MapHead {
    const { counts } = structureView(survey, pages, null);
    const countOf = (parting: Parting): number => counts.find((own) => own.parting === parting)?.count ?? 0;
    return {
        by: 'intended',
        meant: pages.length,
        asIntended: { pages: countOf('as intended'), set: INTENDED_SETS['as intended']! },
        parted: counts
            .filter(({ parting }) => parting !== 'as intended')
            .map(({ parting, count }) => ({ parting, pages: count, set: INTENDED_SETS[parting] ?? null })),
    };
}

/** What hangs from the roots, the largest first. */
function branchesOf({ parent, node }: MapTree): { branches: { item: number; pages: number }[]; reached: number } {
    const pages = new Uint32Array(parent.length).fill(1);
    for (let item = parent.length - 1; item >= 0; item--) if (parent[item]! >= 0) pages[parent[item]!]! += pages[item]!;
    const branches: { item: number; pages: number }[] = [];
    for (let item = 0; item < parent.length; item++) {
        const above = parent[item]!;
        if (above >= 0 && parent[above] === -1) branches.push({ item, pages: pages[item]! });
    }
    branches.sort((a, b) => b.pages - a.pages || node[a.item]! - node[b.item]!);
    return { branches, reached: parent.length };
}
