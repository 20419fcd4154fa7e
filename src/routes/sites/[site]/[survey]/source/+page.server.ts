import { error } from '@sveltejs/kit';
import { linksOfPage } from '$lib/core/survey/link-records.ts';
import { appStore, findRoute, isEarlier, NEEDS_ROWS, openSurvey } from '$lib/server/app.ts';
import { viewSource } from '$lib/server/page-source.ts';
import { loadPageDetails, loadSource } from '$lib/server/store/rows-store.ts';

export async function load({ params, url }) {
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    if (isEarlier(found.survey)) error(404, NEEDS_ROWS);
    const { measured } = await openSurvey(found.survey);
    const node = Number(url.searchParams.get('of') ?? NaN);
    if (!Number.isInteger(node) || node < 0 || node >= measured.count) error(404, 'There is no such page.');
    const line = Math.max(1, Math.trunc(Number(url.searchParams.get('line') ?? 1)) || 1);
    const { db } = appStore();
    const address = measured.addressOf[node]!;
    const [source, details] = await Promise.all([
        loadSource(db, found.survey.id, address),
        loadPageDetails(db, found.survey.id, address),
    ]);
    return {
        of: node,
        url: measured.urls[node]!,
        line,
        view: source && details ? viewSource(source, details.facts.sentType, line) : null,
        keeps: found.survey.settings.keepSource,
        links: linksOfPage(measured, node)
            .filter((link) => link.line !== null)
            .map((link) => ({
                line: Number(link.line),
                anchor: String(link.anchor),
                target: String(link.target),
                kind: String(link.kind),
            })),
    };
}
