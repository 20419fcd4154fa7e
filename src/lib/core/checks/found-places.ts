/** Where what was found stands: of a page that page, of links every page whose links count that holds one. */
import { signedColumn } from '../growing-column.ts';
import { linkGraphOf, listOfLink } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { isSameSort, type FindingPlace, type LinkSort } from './check.ts';
import { LINK_SORTS, type Found } from './found.ts';
import { eachLinkedPair, sourceOf } from './linked-pairs.ts';
import { CHECKS } from './register.ts';

/** A row at one of its places. `place` is null for what is so of the page itself; `template` -1 for none. */
export type VisitPlace = (row: number, node: number, place: FindingPlace | null, template: number) => void;

/**
 * Tells each row with each of its places: rows of pages first, then those of targets in the order of the pages that link
 * there, then those of single links in the order of the first page that holds each. Of one page a row is told once. O(rows + page blocks + places).
 */
export function eachPlace(
    survey: PackedSurvey,
    found: Found,
    isMeant: (row: number) => boolean,
    visit: VisitPlace,
): void {
    const [targets, links] = [signedColumn(), signedColumn()];
    for (let row = 0; row < found.check.length; row++) {
        if (!isMeant(row)) continue;
        const { ofTarget, ofLink } = CHECKS[found.check[row]!]!;
        if (ofLink !== null) links.push(row);
        else if (ofTarget !== null) targets.push(row);
        else visit(row, found.subject[row]!, null, -1);
    }
    if (targets.length > 0) eachOfTargets(survey, found, targets.values(), visit);
    if (links.length > 0) eachOfLinks(survey, found, links.values(), visit);
}

/**
 * Tells each row with each URL it is about: a page, what links lead to, or of single links every page that holds one, for
 * there it is mended. O(rows + page blocks + places of single links).
 */
export function eachAbout(
    survey: PackedSurvey,
    found: Found,
    isMeant: (row: number) => boolean,
    visit: (row: number, node: number) => void,
): void {
    const isSingle = (row: number): boolean => CHECKS[found.check[row]!]!.ofLink !== null;
    let hasSingle = false;
    for (let row = 0; row < found.check.length; row++) {
        if (!isMeant(row)) continue;
        if (isSingle(row)) hasSingle = true;
        else visit(row, found.subject[row]!);
    }
    if (hasSingle) eachPlace(survey, found, (row) => isSingle(row) && isMeant(row), visit);
}

function eachOfTargets(survey: PackedSurvey, found: Found, all: Int32Array, visit: VisitPlace): void {
    for (const links of LINK_SORTS) {
        const rows = new Map<number, number[]>();
        const marked = new Uint8Array(survey.count);
        for (const row of all) {
            if (!isSameSort(CHECKS[found.check[row]!]!.links, links)) continue;
            const target = found.subject[row]!;
            marked[target] = 1;
            const own = rows.get(target);
            if (own) own.push(row);
            else rows.set(target, [row]);
        }
        if (rows.size === 0) continue;
        eachLinkedPair(survey, { marked, links }, (node, target, pageBlock, at, template) => {
            for (const row of rows.get(target)!) visit(row, node, { pageBlock, at }, template);
        });
    }
}

function eachOfLinks(survey: PackedSurvey, found: Found, rows: Int32Array, visit: VisitPlace): void {
    const { pageBlocks, blockTemplate, listStart } = linkGraphOf(survey);
    const { start, pageBlock, node } = holdersOf(survey);
    const sources = new Map<LinkSort['from'], (node: number) => boolean>();
    const sourceFor = (from: LinkSort['from']): ((node: number) => boolean) => {
        const known = sources.get(from) ?? sourceOf(survey, from);
        sources.set(from, known);
        return known;
    };
    /** Place of a row's list that comes first in the order of pages; lists that stand on no page come last. */
    const firstOf = (row: number): number => {
        const list = listOfLink(survey, found.subject[row]!);
        return start[list]! < start[list + 1]! ? pageBlock[start[list]!]! : pageBlocks.length;
    };
    const first = Int32Array.from(rows, firstOf);
    // Numbers of lists go by which answer came first, so they are no order: of two surveys of an unchanged site one would
    // tell in another order than the other.
    const order = Array.from(rows, (_, at) => at).sort((a, b) => first[a]! - first[b]! || rows[a]! - rows[b]!);
    for (const at of order) {
        const row = rows[at]!;
        const link = found.subject[row]!;
        const list = listOfLink(survey, link);
        const counts = sourceFor(CHECKS[found.check[row]!]!.links.from);
        let last = -1;
        for (let place = start[list]!; place < start[list + 1]!; place++) {
            const page = node[place]!;
            // Places are in the order of pages: a page that holds the list twice has it once after the other.
            if (page === last || !counts(page)) continue;
            last = page;
            const at = { pageBlock: pageBlock[place]!, at: link - listStart[list]! };
            visit(row, page, at, blockTemplate[pageBlocks[at.pageBlock]!]!);
        }
    }
}

/** Pages whose links count that hold each list, in their order, with the block. */
function holdersOf(survey: PackedSurvey) {
    const { isPage, pageStart, pageBlocks, blockList, listStart } = linkGraphOf(survey);
    const start = new Uint32Array(listStart.length);
    const each = (take: (list: number, pageBlock: number, node: number) => void): void => {
        for (let node = 0; node < survey.count; node++) {
            if (isPage[node] !== 1) continue;
            for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++)
                take(blockList[pageBlocks[at]!]!, at, node);
        }
    };
    each((list) => void start[list + 1]!++);
    for (let list = 1; list < start.length; list++) start[list]! += start[list - 1]!;
    const next = start.slice();
    const places = start[start.length - 1]!;
    const holders = { start, pageBlock: new Uint32Array(places), node: new Uint32Array(places) };
    each((list, pageBlock, node) => {
        const place = next[list]!++;
        holders.pageBlock[place] = pageBlock;
        holders.node[place] = node;
    });
    return holders;
}
