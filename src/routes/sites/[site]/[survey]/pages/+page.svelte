<script lang="ts">
    import { goto } from '$app/navigation';
    import { page } from '$app/state';
    import { COLUMN_COOKIES, windowColumns } from '$lib/core/views/table-columns.ts';
    import { SpotAnswer } from '$lib/wire/survey-requests.ts';
    import { PageWindowAnswer } from '$lib/wire/sets.ts';
    import PageTable from '$lib/ui/table/PageTable.svelte';
    import { copyRows } from '$lib/ui/table/copy-rows.ts';
    import { keepColumns } from '$lib/ui/table/keep-columns.ts';
    import { ask, surveyApi } from '$lib/wire/client.ts';
    import { counted } from '$lib/ui/parts/format.ts';
    import { withParams as changed, withSheet } from '$lib/ui/view/address.ts';

    let { data } = $props();
    const order = $derived(`${data.order.column}${data.order.descending ? '.desc' : ''}`);
    const api = $derived(surveyApi(data.site.id, data.survey.path));
    const asked = $derived(new URLSearchParams({ set: data.set.text, order, columns: data.shown.join(',') }));
    const total = $derived(data.window.total);
    const key = $derived(`${data.survey.path} ${asked}`);

    async function fetchWindow(from: number, count: number) {
        const params = new URLSearchParams(asked);
        params.set('columns', windowColumns(data.shown));
        params.set('from', String(from));
        params.set('count', String(count));
        const answer = await ask(PageWindowAnswer, `${api}/pages?${params}`);
        if (!answer.ok) throw new Error(answer.say);
        return answer.data;
    }

    const withParams = (change: Record<string, string | null>): string => changed(page.url, change);

    /** Reads the current set again, as a spot survey. */
    async function readAgain(): Promise<string> {
        const which = new URLSearchParams({ set: data.set.text });
        const made = await ask(SpotAnswer, `${api}/spot?${which}`, { method: 'POST', body: { kind: 'set' } });
        if (!made.ok) return made.say;
        await goto(`/sites/${data.site.id}/${made.data.number}/progress`);
        return '';
    }

    function onOrder(column: string): void {
        const kind = data.columns.find(({ id }) => id === column)?.kind;
        // Numbers are looked at from the largest down at first, texts from A.
        const descending =
            data.order.column === column
                ? !data.order.descending
                : kind === 'number' || kind === 'date' || kind === 'yes';
        void goto(withParams({ order: `${column}${descending ? '.desc' : ''}` }), { keepFocus: true, noScroll: true });
    }

    function onColumns(chosen: string[]): void {
        keepColumns(COLUMN_COOKIES.pages, chosen);
        void goto(withParams({ columns: chosen.join(',') }), { keepFocus: true, noScroll: true, replaceState: true });
    }
</script>

<svelte:head><title>Pages · {data.site.name} · Edge Map</title></svelte:head>
{#if total === 0}
    <div class="pane">
        <h1 class="headline">{data.set.trouble ? 'The set could not be read.' : 'No page is in this set.'}</h1>
        <p class="note my-1">
            {#if data.set.trouble}{data.set.trouble.say}{:else}
                {data.known === 0
                    ? 'The survey has found no page yet.'
                    : `The survey knows ${counted(data.known, 'URL')}; none of them fits.`}
            {/if}
        </p>
        {#if data.known > 0}<a class="tb outlined" href={page.url.pathname}>All pages</a>{/if}
    </div>
{:else}
    <PageTable
        first={data.window}
        {key}
        all={data.columns}
        columns={data.shown}
        order={data.order}
        origin={data.origin}
        selected={data.open?.sheet.url ?? data.unknown}
        isPartial={data.survey.isPartial || !data.survey.isEnded}
        {fetchWindow}
        hrefOf={(url) => withSheet(page.url, url, data.site.start)}
        files={[
            { name: 'CSV', href: `${api}/pages.csv?${asked}` },
            {
                name: 'CSV, every column',
                href: `${api}/pages.csv?${new URLSearchParams({ set: data.set.text, order })}`,
            },
            { name: 'NDJSON', href: `${api}/pages.ndjson?${new URLSearchParams({ set: data.set.text, order })}` },
            {
                name: 'GraphML, with links',
                href: `${api}/graph.graphml?${new URLSearchParams({ set: data.set.text })}`,
            },
        ]}
        onCopy={() => copyRows(data.shown, fetchWindow)}
        onReadAgain={readAgain}
        {onOrder}
        {onColumns}
    />
{/if}
