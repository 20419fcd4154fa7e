import { error } from '@sveltejs/kit';
import { urlOfKey } from '$lib/core/address/page-key.ts';
import { appStore } from '$lib/server/app.ts';
import { linkRecordsOfPage } from '$lib/server/export/link-export.ts';
import { viewSource } from '$lib/server/page-source.ts';
import { loadPageDetails, loadSource } from '$lib/server/store/rows-store.ts';
import { lookedAt } from '$lib/server/views/looked-at.ts';

export const load = lookedAt(async ({ url, locals }) => {
    const packed = await locals.packed(['core', 'text', 'links']);
    const node = packed.nodeOf(urlOfKey(url.searchParams.get('of') ?? '', locals.site.start));
    if (node === -1) error(404, 'This survey knows no such page.');
    const line = Math.max(1, Math.trunc(Number(url.searchParams.get('line') ?? 1)) || 1);
    const { db } = appStore();
    const address = packed.numbers('address')[node]!;
    const [source, details, links] = await Promise.all([
        loadSource(db, locals.survey.id, address),
        loadPageDetails(db, locals.survey.id, address),
        linkRecordsOfPage(db, locals.survey.id, packed, node),
    ]);
    return {
        url: packed.url(node),
        line,
        view: source && details ? viewSource(source, details.facts.sentType, line) : null,
        keeps: locals.survey.settings.keepSource,
        links: links
            .filter((link) => link.line !== null)
            .map((link) => ({
                line: Number(link.line),
                anchor: String(link.anchor),
                target: String(link.target),
                kind: String(link.kind),
            })),
    };
});
