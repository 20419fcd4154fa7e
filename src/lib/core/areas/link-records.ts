/** The links of a packed survey as records of `links.csv`: one per distinct link and block. */
import type { InnerName } from '../packed/column-names.ts';
import { pathOf } from '../address/address.ts';
import { isFollowed, LINK_KINDS, REGIONS } from '../page/links.ts';
import type { LinkRecord } from '../survey/link-records.ts';
import { SELF_HREF, SELF_PATH_HREF, type LayoutRow } from '../survey/survey-rows.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import { NO_ADDRESS, TO_SELF } from '../model/graph-model.ts';
import { type PackedSurvey } from '../packed/packed-survey.ts';

/** Layouts by their number; one that is not known leaves line, column and href out. */
export type LayoutOf = (id: number) => Pick<LayoutRow, 'lines' | 'columns' | 'hrefs'> | undefined;

/** The distinct links of a page, in the order of its blocks. Needs all three parts. O(links of the page). */
export function linksOfNode(survey: PackedSurvey, node: number, layoutOf: LayoutOf): LinkRecord[] {
    const graph = linkGraphOf(survey);
    const layouts = survey.numbers('page_block_layout');
    const lines = survey.numbers('page_block_line');
    const source = survey.url(node);
    const records = new Map<string, LinkRecord>();
    const redirect = survey.numbers('redirect')[node]!;
    if (redirect !== NO_ADDRESS) {
        const target = survey.addressUrl(redirect);
        records.set('redirect', {
            source,
            target,
            anchor: '',
            name: '',
            region: 'other',
            rel: '',
            kind: 'redirect',
            followed: true,
            line: null,
            occurrences: 1,
            block: '',
            internal: isInternal(survey, redirect),
            target_status: statusOf(survey, redirect),
            fragment: '',
            href: target,
            column: null,
        });
    }
    const word = (name: InnerName, link: number): string => survey.word(name, link);
    for (let at = graph.pageStart[node]!; at < graph.pageStart[node + 1]!; at++) {
        const block = graph.pageBlocks[at]!;
        const list = graph.blockList[block]!;
        const layout = layoutOf(layouts[at]!);
        const first = lines[at]!;
        for (let link = graph.listStart[list]!; link < graph.listStart[list + 1]!; link++) {
            const index = link - graph.listStart[list]!;
            const line = first === 0 ? null : first + (layout?.lines[index] ?? 0);
            const column = line === null ? null : (layout?.columns[index] ?? null);
            const key = `${block} ${distinctKey(survey, link)}`;
            const known = records.get(key);
            if (known) {
                known.occurrences = Number(known.occurrences) + 1;
                if (line !== null && Number(known.line) > line) {
                    known.line = line;
                    known.column = column;
                }
                continue;
            }
            const pointed = graph.target[link]!;
            const target = pointed === TO_SELF ? node : pointed;
            const rel = word('link_rel', link);
            records.set(key, {
                source,
                target: target < 0 ? word('link_text', link) : survey.addressUrl(target),
                anchor: word('link_anchor', link),
                name: word('link_name', link),
                region: REGIONS[graph.blockRegion[block]!] ?? 'other',
                rel,
                kind: LINK_KINDS[graph.kind[link]!] ?? 'other',
                followed: isFollowed(rel, graph.nofollow[node] === 1),
                line,
                occurrences: 1,
                block: survey.texts('block_name').at(block),
                internal: target >= 0 && isInternal(survey, target),
                target_status: target < 0 ? null : statusOf(survey, target),
                fragment: word('link_fragment', link),
                href: hrefOf(layout?.hrefs[index] ?? '', source),
                column,
            });
        }
    }
    return [...records.values()];
}

/** Records of all pages together: the rows of `links.csv`. O(links of lists + page blocks). */
export function countLinkRecords(survey: PackedSurvey): number {
    const { pageStart, pageBlocks, blockList, listStart } = linkGraphOf(survey);
    const redirect = survey.numbers('redirect');
    const perList = new Uint32Array(listStart.length - 1);
    for (let list = 0; list < perList.length; list++) {
        const keys = new Set<string>();
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) keys.add(distinctKey(survey, link));
        perList[list] = keys.size;
    }
    let records = 0;
    const lastPage = new Int32Array(blockList.length).fill(-1);
    for (let node = 0; node < survey.count; node++) {
        if (redirect[node] !== NO_ADDRESS) records++;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const block = pageBlocks[at]!;
            if (lastPage[block] === node) continue;
            lastPage[block] = node;
            records += perList[blockList[block]!]!;
        }
    }
    return records;
}

/** What makes a link of a list another than the rest. */
function distinctKey(survey: PackedSurvey, link: number): string {
    const code = (name: InnerName): number => survey.numbers(name)[link]!;
    const target = code('link_target');
    const to = target === NO_ADDRESS ? `t${code('link_text')}` : target;
    return `${to} ${code('link_kind')} ${code('link_fragment')} ${code('link_anchor')} ${code('link_name')} ${code('link_rel')}`;
}

function isInternal(survey: PackedSurvey, address: number): boolean {
    return address < survey.count || survey.numbers('other_internal')[address - survey.count] === 1;
}

function statusOf(survey: PackedSurvey, address: number): number | null {
    const status =
        address < survey.count
            ? survey.numbers('status')[address]!
            : survey.numbers('other_status')[address - survey.count]!;
    return status || null;
}

/** The href as written: a canonical to the page itself is kept by how it was written, not by the text. */
function hrefOf(kept: string, source: string): string {
    if (kept === SELF_HREF) return source;
    return kept === SELF_PATH_HREF ? pathOf(source) : kept;
}
