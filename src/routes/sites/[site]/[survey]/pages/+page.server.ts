import { columnList, orderOf, pageWindow } from '$lib/server/current-set.ts';
import { PAGE_COLUMNS_COOKIE, readColumns, tableParams } from '$lib/ui/table/columns.ts';
import { lookedAt } from '$lib/server/views/looked-at.ts';

export const load = lookedAt(async ({ url, cookies, locals }) => {
    const current = await locals.set();
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
});
