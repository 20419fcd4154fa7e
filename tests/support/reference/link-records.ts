/** The links of a survey as records, from the measured rows: what the packed survey is held against. */
import { pathOf } from '$lib/core/address/address.ts';
import { LINK_KINDS } from '$lib/core/page/links.ts';
import { plainFollowed } from './plain.ts';
import type { LinkRecord } from '$lib/core/survey/link-records.ts';
import { SELF, SELF_HREF, SELF_PATH_HREF } from '$lib/core/survey/survey-rows.ts';
import type { MeasuredSurvey } from './measured-survey.ts';

/** The distinct links of the page at a node, in the order of their blocks. O(links of the page). */
export function linksOfPage(survey: MeasuredSurvey, node: number): LinkRecord[] {
    const address = survey.addressOf[node]!;
    const page = survey.pages[node] ?? null;
    const source = survey.urls[node]!;
    const records = new Map<string, LinkRecord>();
    const statusOf = (target: number): number | null => {
        const targetNode = survey.nodeOf[target] ?? -1;
        const page = targetNode === -1 ? null : (survey.pages[targetNode] ?? null);
        return page?.status ?? survey.checkById.get(target)?.status ?? null;
    };
    if (page?.redirectTo != null) {
        const target = survey.urlById.get(page.redirectTo) ?? '';
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
            internal: survey.internalById.get(page.redirectTo) ?? false,
            target_status: statusOf(page.redirectTo),
            fragment: '',
            href: target,
            column: null,
        });
    }
    const { pageBlocks } = survey.rows;
    for (let index = survey.firstBlock[node]!; index < pageBlocks.length; index++) {
        const item = pageBlocks[index]!;
        if (item.page !== address) break;
        const block = survey.blockById.get(item.block);
        const layout = survey.layoutById.get(item.layout);
        const links = (block && survey.listById.get(block.list)) ?? [];
        if (!block || !layout) continue;
        links.forEach((link, at) => {
            const id = link.target === SELF ? address : link.target;
            const target = id === null ? link.text : (survey.urlById.get(id) ?? '');
            const key = [
                item.block,
                LINK_KINDS.indexOf(link.kind),
                target,
                link.fragment,
                link.anchor,
                link.name,
                link.rel,
            ].join('\u0000');
            const known = records.get(key);
            const line = item.line === 0 ? null : item.line + (layout.lines[at] ?? 0);
            if (known) {
                known.occurrences = Number(known.occurrences) + 1;
                if (line !== null && Number(known.line) > line) {
                    known.line = line;
                    known.column = layout.columns[at] ?? null;
                }
                return;
            }
            records.set(key, {
                source,
                target,
                anchor: link.anchor,
                name: link.name,
                region: block.region,
                rel: link.rel,
                kind: link.kind,
                followed: plainFollowed(link.rel, page?.nofollow ?? false),
                line,
                occurrences: 1,
                block: block.name,
                internal: id === null ? false : (survey.internalById.get(id) ?? false),
                target_status: id === null ? null : statusOf(id),
                fragment: link.fragment,
                href: hrefOf(layout.hrefs[at] ?? '', source),
                column: line === null ? null : (layout.columns[at] ?? null),
            });
        });
    }
    return [...records.values()];
}

/** The href as written: a canonical to the page itself is kept by how it was written, not by the text. */
function hrefOf(kept: string, source: string): string {
    if (kept === SELF_HREF) return source;
    return kept === SELF_PATH_HREF ? pathOf(source) : kept;
}

/** The distinct links of all pages, page by page in the order of their URLs. */
export function* allLinks(survey: MeasuredSurvey): Generator<LinkRecord> {
    for (let node = 0; node < survey.count; node++) yield* linksOfPage(survey, node);
}
