import { error } from '@sveltejs/kit';
import { filterPages, orderPages } from '$lib/core/sets/page-filter.ts';
import { pageRecord } from '$lib/core/survey/page-record.ts';
import { findRoute, openSurvey } from '$lib/server/app.ts';

/** Orphans listed on the Brief itself; the rest is one click away. */
const LISTED = 40;

export async function load({ params, depends }) {
    depends('edgemap:survey');
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const { measured, counts } = await openSurvey(found.survey);
    const orphans = orderPages(measured, filterPages(measured, { orphan: 'any' }), {
        column: 'url',
        descending: false,
    });
    return {
        counts,
        hasSitemap: measured.hasSitemap,
        files: measured.rows.files.map(({ kind, url, status, note }) => ({ kind, url, status, note })),
        orphans: orphans.slice(0, LISTED).map((node) => ({
            node,
            kind: measured.orphan[node] === 1 ? 'strict' : 'adrift',
            record: pageRecord(measured, node),
        })),
    };
}
