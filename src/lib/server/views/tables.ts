/** The tables of pages and of links, for a request: their first window, their order, the columns that are shown. */
import { COLUMN_COOKIES, linkColumns, pageColumns, windowColumns } from '../../core/views/table-columns.ts';
import { columnList, orderOf, pageWindow } from '../current-set.ts';
import { linkQueryFor, linkWindow, saysOf } from '../link-table.ts';
import type { RequestContext } from '../request-context.ts';

/** @param cookie the value of a cookie; columns once chosen are kept for the next visit */
export async function showPages(request: RequestContext, url: URL, cookie: (name: string) => string | undefined) {
    const current = await request.set();
    const columns = columnList(current);
    const wanted = url.searchParams.get('columns') ?? cookie(COLUMN_COOKIES.pages) ?? null;
    const shown = pageColumns(
        wanted,
        columns.map(({ id }) => id),
    );
    const asked = new URLSearchParams(url.searchParams);
    asked.set('columns', windowColumns(shown));
    return {
        window: pageWindow(current, asked),
        order: orderOf(url.searchParams),
        columns,
        shown,
    };
}

export async function showLinks(request: RequestContext, url: URL, cookie: (name: string) => string | undefined) {
    const current = await request.set(['links']);
    const query = await linkQueryFor(request, url.searchParams);
    const order = orderOf(url.searchParams);
    return {
        window: await linkWindow(request.survey, current, query, url.searchParams),
        query: {
            side: query.side,
            kind: query.kind ?? 'any',
            region: query.region ?? '',
            followed: query.followed === true,
            says: saysOf(url.searchParams) ?? '',
        },
        order: { ...order, column: order.column === 'url' ? 'source' : order.column },
        shown: linkColumns(url.searchParams.get('columns') ?? cookie(COLUMN_COOKIES.links) ?? null),
    };
}
