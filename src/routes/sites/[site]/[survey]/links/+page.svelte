<script lang="ts">
    import { goto } from '$app/navigation';
    import { page } from '$app/state';
    import { LinkWindowAnswer } from '$lib/wire/sets.ts';
    import { COLUMN_COOKIES } from '$lib/core/views/table-columns.ts';
    import { copyRows } from '$lib/ui/table/copy-rows.ts';
    import { keepColumns } from '$lib/ui/table/keep-columns.ts';
    import { LINK_LOOKS } from '$lib/ui/table/link-columns.ts';
    import LinkTable from '$lib/ui/table/LinkTable.svelte';
    import { ask, surveyApi } from '$lib/wire/client.ts';
    import { sourceHref, withParams as changed, withSheet } from '$lib/ui/view/address.ts';

    let { data } = $props();
    const base = $derived(`/sites/${data.site.id}/${data.survey.path}`);
    const api = $derived(surveyApi(data.site.id, data.survey.path));
    const order = $derived(`${data.order.column}${data.order.descending ? '.desc' : ''}`);
    const asked = $derived(
        new URLSearchParams({
            set: data.set.text,
            order,
            side: data.query.side,
            kind: data.query.kind,
            region: data.query.region,
            followed: data.query.followed ? 'yes' : '',
            says: data.query.says,
        }),
    );
    const key = $derived(`${data.survey.path} ${asked}`);

    async function fetchWindow(from: number, count: number) {
        const answer = await ask(LinkWindowAnswer, `${api}/links?${asked}&from=${from}&count=${count}`);
        if (!answer.ok) throw new Error(answer.say);
        return answer.data;
    }

    const withParams = (change: Record<string, string | null>): string => changed(page.url, change);

    const show = (change: Record<string, string | null>): void =>
        void goto(withParams(change), { keepFocus: true, noScroll: true });

    function onOrder(column: string): void {
        const descending =
            data.order.column === column ? !data.order.descending : (LINK_LOOKS[column]?.isNumber ?? false);
        show({ order: `${column}${descending ? '.desc' : ''}` });
    }

    function onColumns(chosen: string[]): void {
        keepColumns(COLUMN_COOKIES.links, chosen);
        show({ columns: chosen.join(',') });
    }
</script>

<svelte:head><title>Links · {data.site.name} · Edge Map</title></svelte:head>
<LinkTable
    first={data.window}
    {key}
    query={data.query}
    columns={data.shown}
    order={data.order}
    origin={data.origin}
    selected={data.open?.sheet.url ?? data.unknown}
    setSize={data.set.text === '' ? null : data.set.size}
    {fetchWindow}
    hrefOf={(url) => withSheet(page.url, url, data.site.start)}
    sourceHref={(url, line) => sourceHref(base, url, data.site.start, line)}
    files={[
        { name: 'CSV', href: `${api}/links.csv?${asked}` },
        { name: 'NDJSON', href: `${api}/links.ndjson?${asked}` },
    ]}
    onCopy={() => copyRows(data.shown, fetchWindow)}
    onQuery={show}
    {onOrder}
    {onColumns}
/>
