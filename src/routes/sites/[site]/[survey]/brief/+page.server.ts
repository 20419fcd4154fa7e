import { error } from '@sveltejs/kit';
import { ORPHAN } from '$lib/core/survey/measured-survey.ts';
import { pageRecord } from '$lib/core/survey/page-record.ts';
import { findRoute, openSurvey } from '$lib/server/app.ts';

/** Orphans listed on the Brief itself; the rest is one click away. */
const LISTED = 40;

export async function load({ params, depends }) {
    depends('edgemap:survey');
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const { measured, counts } = await openSurvey(found.survey);
    const orphans: number[] = [];
    for (let node = 0; node < measured.count; node++) {
        if (measured.orphan[node] === ORPHAN.strict || measured.orphan[node] === ORPHAN.adrift) orphans.push(node);
    }
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
