/**
 * Templates: blocks with the same region and place whose link lists share at least 80 % of the shorter one. A menu whose
 * current entry is plain text is one template of several blocks. What is wrong in one is mended once.
 */
import type { ListedLink } from './survey-rows.ts';
import { isReadHtml, type MeasuredSurvey } from './measured-survey.ts';
import type { Region } from '../page/links.ts';

export interface Template {
    /** Name of its largest block: equal between surveys while that stays the same. */
    name: string;
    region: Region;
    place: string;
    /** Block numbers, the one on most pages first. */
    blocks: number[];
    /** Nodes of the pages it stands on, ascending. */
    pages: number[];
    /** Different links over all its blocks. */
    links: { target: string; anchor: string; kind: string; status: number | null }[];
    /** Links among these whose target answered with an error. */
    broken: number;
    /** A page it stands on and the line of its first link there; 0 where it stands in no markup. */
    example: { node: number; line: number };
}

const SHARED_LINKS = 0.8;
/** Representatives a block is compared with for each of its links: those on most pages. */
const MOST_COMPARED = 40;

function linkKey(link: ListedLink): string {
    return `${link.kind} ${link.target ?? link.text}#${link.fragment}`;
}

interface Growing {
    /** Different links of the representative. */
    size: number;
    blocks: number[];
}

/**
 * The templates that stand on two or more pages read with 200, those on most pages first.
 * O(blocks x links), each block being compared with a bounded number of others.
 */
export function templatesOf(survey: MeasuredSurvey): Template[] {
    const pagesOfBlock = new Map<number, number[]>();
    const exampleOf = new Map<number, { node: number; line: number }>();
    for (const item of survey.rows.pageBlocks) {
        const node = survey.nodeOf[item.page] ?? -1;
        if (node === -1 || !isReadHtml(survey.pages[node] ?? null)) continue;
        const pages = pagesOfBlock.get(item.block);
        if (!pages) {
            pagesOfBlock.set(item.block, [node]);
            exampleOf.set(item.block, { node, line: item.line });
        } else if (pages[pages.length - 1] !== node) pages.push(node);
    }

    const byPlace = new Map<string, number[]>();
    for (const block of pagesOfBlock.keys()) {
        const row = survey.blockById.get(block);
        // Heads and resources are shared as well, and nobody clicks them.
        if (!row || !survey.listById.get(row.list)?.some((link) => link.kind === 'a')) continue;
        const key = `${row.region} ${row.place}`;
        const same = byPlace.get(key);
        if (same) same.push(block);
        else byPlace.set(key, [block]);
    }

    const templates: Template[] = [];
    for (const blocks of byPlace.values()) {
        for (const group of groupBlocks(survey, blocks, pagesOfBlock)) {
            const pages = [...new Set(group.blocks.flatMap((block) => pagesOfBlock.get(block) ?? []))].sort(
                (a, b) => a - b,
            );
            if (pages.length >= 2) templates.push(templateOf(survey, group.blocks, pages, exampleOf));
        }
    }
    return templates.sort((a, b) => b.pages.length - a.pages.length || (a.name < b.name ? -1 : 1));
}

/**
 * Groups blocks of one place: those on most pages first, each put to the first representative it is like. Links are
 * numbered, so that comparing two lists is counting.
 */
function groupBlocks(survey: MeasuredSurvey, blocks: number[], pagesOf: Map<number, number[]>): Growing[] {
    const listOf = (block: number): ListedLink[] => survey.listById.get(survey.blockById.get(block)?.list ?? -1) ?? [];
    const sorted = [...blocks].sort(
        (a, b) => pagesOf.get(b)!.length - pagesOf.get(a)!.length || listOf(b).length - listOf(a).length || a - b,
    );
    const groups: Growing[] = [];
    const numberOf = new Map<string, number>();
    /** For each link the first groups whose representative has it. */
    const groupsWith: number[][] = [];
    /** Links shared with each group, for the block at hand; zero again after it. */
    const shared = new Uint32Array(sorted.length);
    for (const block of sorted) {
        const keys = new Set<number>();
        for (const link of listOf(block)) {
            const key = linkKey(link);
            let number = numberOf.get(key);
            if (number === undefined) {
                number = groupsWith.push([]) - 1;
                numberOf.set(key, number);
            }
            keys.add(number);
        }
        const touched: number[] = [];
        for (const key of keys) {
            for (const group of groupsWith[key]!) if (shared[group]!++ === 0) touched.push(group);
        }
        let found = -1;
        for (const group of touched) {
            const least = Math.min(keys.size, groups[group]!.size);
            if (shared[group]! >= least * SHARED_LINKS && (found === -1 || group < found)) found = group;
            shared[group] = 0;
        }
        if (found !== -1) groups[found]!.blocks.push(block);
        else {
            groups.push({ size: keys.size, blocks: [block] });
            for (const key of keys) {
                const list = groupsWith[key]!;
                if (list.length < MOST_COMPARED) list.push(groups.length - 1);
            }
        }
    }
    return groups;
}

function templateOf(
    survey: MeasuredSurvey,
    blocks: number[],
    pages: number[],
    exampleOf: Map<number, { node: number; line: number }>,
): Template {
    const first = survey.blockById.get(blocks[0]!)!;
    const links = new Map<string, Template['links'][number]>();
    for (const block of blocks) {
        for (const link of survey.listById.get(survey.blockById.get(block)?.list ?? -1) ?? []) {
            const key = `${linkKey(link)} ${link.anchor}`;
            if (links.has(key)) continue;
            const node = link.target === null ? -1 : (survey.nodeOf[link.target] ?? -1);
            const known = link.target === null ? undefined : survey.checkById.get(link.target);
            links.set(key, {
                target: link.target === null ? link.text : (survey.urlById.get(link.target) ?? ''),
                anchor: link.anchor || link.name,
                kind: link.kind,
                status: survey.pages[node]?.status ?? known?.status ?? null,
            });
        }
    }
    const all = [...links.values()];
    return {
        name: first.name,
        region: first.region,
        place: first.place,
        blocks,
        pages,
        links: all,
        broken: all.filter((link) => link.status !== null && link.status >= 400).length,
        example: exampleOf.get(blocks[0]!) ?? { node: pages[0]!, line: 0 },
    };
}
