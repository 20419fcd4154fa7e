/** The received source of a page with its links marked, for a request. */
import { urlOfKey } from '../../core/address/page-key.ts';
import type { SourceLink } from '../../core/views/source.ts';
import { appStore } from '../app.ts';
import { linkRecordsOfPage } from '../export/link-export.ts';
import { viewSource } from '../page-source.ts';
import type { RequestContext } from '../request-context.ts';
import { loadPageDetails, loadSource } from '../store/rows-store.ts';

/** @returns null where the survey knows no such page */
export async function showSource(request: RequestContext, url: URL) {
    const { site, survey } = request;
    const packed = await request.packed(['core', 'text', 'links']);
    const node = packed.nodeOf(urlOfKey(url.searchParams.get('of') ?? '', site.start));
    if (node === -1) return null;
    const line = Math.max(1, Math.trunc(Number(url.searchParams.get('line') ?? 1)) || 1);
    const { db } = appStore();
    const address = packed.numbers('address')[node]!;
    const [source, details, links] = await Promise.all([
        loadSource(db, survey.id, address),
        loadPageDetails(db, survey.id, address),
        linkRecordsOfPage(db, survey.id, packed, node),
    ]);
    return {
        url: packed.url(node),
        line,
        source: source && details ? viewSource(source, details.facts.sentType, line) : null,
        keeps: survey.settings.keepSource,
        links: links
            .filter((link) => link.line !== null)
            .map((link): SourceLink => ({
                line: Number(link.line),
                anchor: String(link.anchor),
                target: String(link.target),
                kind: String(link.kind),
            })),
    };
}
