import { orderOf } from '$lib/server/current-set.ts';
import { linkQueryOf, linkWindow } from '$lib/server/link-table.ts';
import { LINK_COLUMNS_COOKIE } from '$lib/ui/table/columns.ts';
import { readLinkColumns } from '$lib/ui/table/link-columns.ts';
import { lookedAt } from '$lib/server/views/looked-at.ts';

export const load = lookedAt(async ({ url, cookies, locals }) => {
    const current = await locals.set(['links']);
    const query = linkQueryOf(url.searchParams);
    const order = orderOf(url.searchParams);
    return {
        window: await linkWindow(locals.survey, current, query, url.searchParams),
        query: {
            side: query.side,
            kind: query.kind ?? 'any',
            region: query.region ?? '',
            followed: query.followed === true,
        },
        order: { ...order, column: order.column === 'url' ? 'source' : order.column },
        shown: readLinkColumns(url.searchParams.get('columns') ?? cookies.get(LINK_COLUMNS_COOKIE) ?? null),
    };
});
