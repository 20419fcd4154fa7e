/** What the survey worker answers of the map: where everything is drawn. */
import { addressTree, type Grouping } from '../core/map/address-tree.ts';
import { depthLayout, type DepthLayout } from '../core/map/depth-layout.ts';
import { mapFacts, type MapFacts } from '../core/map/map-facts.ts';
import type { ColumnFlow, MapBundle, SetLinks } from '../core/map/map-links.ts';
import { intendedTree } from '../core/map/intended-tree.ts';
import { branchTree, type Hanging, type MapTree } from '../core/map/map-tree.ts';
import { treeLayout, type TreeLayout } from '../core/map/tree-layout.ts';
import type { IntendedPage } from '../core/compare/intended.ts';
import type { Part } from '../core/columns/column.ts';
import type { PackedSurvey } from '../core/packed/packed-survey.ts';

export type Arrangement =
    | { by: 'depth'; order: 'standing' | 'url' }
    /** `at`: key of the branch or folder that is gone into; null for all. */
    | { by: 'branch'; hang: Hanging; at: string | null }
    | { by: 'address'; group: Grouping; at: string | null }
    | { by: 'address'; group: 'intended'; intended: readonly IntendedPage[]; at: string | null };

/** The map in a window of this size. */
export interface MapQuestion {
    arrange: Arrangement;
    /** Sections in the site's order. */
    sections: readonly string[];
    width: number;
    height: number;
    /** How wide the names of sections are. */
    nameWidths: Readonly<Record<string, number>>;
}

export type MapAnswer = { facts: MapFacts } & (
    { by: 'depth'; layout: DepthLayout } | { by: 'branch' | 'address'; layout: TreeLayout }
);

/** Which links are to be drawn: those of a page, of pages that are marked by 1, or from column to column of sections. */
export type MapLinksQuestion =
    | { of: 'page'; node: number }
    | { of: 'set'; isIn: Uint8Array }
    | { of: 'sections'; columns: readonly (string | null)[] };
export type MapLinksAnswer =
    { of: 'page'; bundles: MapBundle[] } | { of: 'set'; links: SetLinks } | { of: 'sections'; flow: ColumnFlow };
/** Of more no eye follows one. */
export const MOST_SET_LINKS = 400;

/** Parts that an arrangement looks at. */
export function partsOfMap({ by, ...arrange }: Arrangement): Part[] {
    if (by === 'depth') return ['measures'];
    return 'group' in arrange && arrange.group === 'templates' ? ['measures', 'text', 'links'] : ['measures', 'text'];
}

export function mapAnswer(survey: PackedSurvey, question: MapQuestion): MapAnswer {
    const { arrange, sections, width, height, nameWidths } = question;
    const facts = mapFacts(survey, sections);
    if (arrange.by === 'depth') {
        const layout = depthLayout(facts, {
            width,
            height,
            order: arrange.order,
            nameWidth: (of) => nameWidths[of] ?? 60,
        });
        return { by: 'depth', facts, layout };
    }
    const tree = treeOf(survey, facts, arrange);
    return { by: arrange.by, facts, layout: treeLayout(tree, facts, { width, height }, arrange.at) };
}

function treeOf(survey: PackedSurvey, facts: MapFacts, arrange: Exclude<Arrangement, { by: 'depth' }>): MapTree {
    if (arrange.by === 'branch') return branchTree(survey, facts, arrange.hang);
    return arrange.group === 'intended'
        ? intendedTree(survey, arrange.intended)
        : addressTree(survey, facts, arrange.group);
}
