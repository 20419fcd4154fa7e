import { error } from '@sveltejs/kit';
import { findRoute } from '$lib/server/app.ts';
import { columnList, evaluateLine, orderOf, pageWindow } from '$lib/server/current-set.ts';
import { PAGE_COLUMNS_COOKIE, readColumns, tableParams } from '$lib/ui/table/columns.ts';

export async function load({ params, url, cookies, depends }) {
    depends('edgemap:survey');
    const found = await findRoute(params);
    if (!found) error(404, 'There is no such survey.');
    const current = await evaluateLine(found.survey, url.searchParams.get('set') ?? '');
    const columns = columnList(current);
    // Columns once chosen are kept for the next visit.
    const shown = readColumns(
        url.searchParams.get('columns') ?? cookies.get(PAGE_COLUMNS_COOKIE) ?? null,
        columns.map(({ id }) => id),
    );
    return {
        window: pageWindow(current, tableParams(url.searchParams, shown)),
        order: orderOf(url.searchParams),
        columns,
        shown,
    };
}
