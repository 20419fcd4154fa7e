<script lang="ts">
    import { goto } from '$app/navigation';
    import { page } from '$app/state';
    import { z } from 'zod';
    import { filterToParams } from '$lib/core/sets/page-filter.ts';
    import type { PageWindow } from '$lib/core/sets/page-window.ts';
    import { PAGE_COLUMNS, type PageColumn } from '$lib/core/survey/page-record.ts';
    import { Refusal, SpotAnswer } from '$lib/wire/survey-requests.ts';
    import PageTable from '$lib/ui/table/PageTable.svelte';
    import { DEFAULT_COLUMNS, readColumns } from '$lib/ui/table/columns.ts';
    import { counted } from '$lib/ui/parts/format.ts';

    let { data } = $props();
    const columns = $derived(readColumns(page.url.searchParams.get('columns')));
    const setParams = $derived(filterToParams(data.filter));
    const order = $derived(`${data.order.column}${data.order.descending ? '.desc' : ''}`);
    const api = $derived(`/api/v1/sites/${data.site.id}/surveys/${data.survey.number}`);
    const csv = $derived(
        `${api}/pages.csv?${new URLSearchParams([...setParams, ['order', order], ['columns', columns.join(',')]])}`,
    );
    const total = $derived(data.window.total);
    const key = $derived(`${data.survey.number} ${order} ${new URLSearchParams(setParams)}`);

    const Answer = z.object({
        total: z.number(),
        from: z.number(),
        rows: z.array(
            z.object({
                node: z.number(),
                record: z.record(z.enum(PAGE_COLUMNS), z.union([z.string(), z.number(), z.boolean(), z.null()])),
            }),
        ),
    });

    async function fetchWindow(from: number, count: number): Promise<PageWindow> {
        const params = new URLSearchParams([
            ...setParams,
            ['order', order],
            ['from', String(from)],
            ['count', String(count)],
        ]);
        const answer = await fetch(`${api}/pages?${params}`);
        if (!answer.ok) throw new Error(`The rows could not be had (status ${answer.status}).`);
        return Answer.parse(await answer.json()) as PageWindow;
    }

    function withParams(change: Record<string, string | null>): string {
        const params = new URLSearchParams(page.url.searchParams);
        for (const [name, value] of Object.entries(change)) {
            if (value === null) params.delete(name);
            else params.set(name, value);
        }
        return `?${params}`;
    }

    /** Reads the current set again, as a spot survey. */
    async function readAgain(): Promise<string> {
        const answer = await fetch(`${api}/spot?${new URLSearchParams(setParams)}`, {
            method: 'POST',
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify({ kind: 'set' }),
        });
        const said: unknown = await answer.json();
        const made = SpotAnswer.safeParse(said);
        if (made.success) {
            await goto(`/sites/${data.site.id}/${made.data.number}/progress`);
            return '';
        }
        const refusal = Refusal.safeParse(said);
        return refusal.success ? refusal.data.message : 'That did not work. Try again.';
    }

    function onOrder(column: PageColumn): void {
        const descending =
            data.order.column === column
                ? !data.order.descending
                : column !== 'url' && column !== 'title' && column !== 'section';
        void goto(withParams({ order: `${column}${descending ? '.desc' : ''}` }), { keepFocus: true, noScroll: true });
    }

    function onColumns(chosen: PageColumn[]): void {
        const text = chosen.join(',');
        void goto(withParams({ columns: text === DEFAULT_COLUMNS.join(',') ? null : text }), {
            keepFocus: true,
            noScroll: true,
            replaceState: true,
        });
    }
</script>

<svelte:head><title>Pages · {data.site.name} · Edge Map</title></svelte:head>
{#if total === 0}
    <div class="pane">
        <h1 class="headline">No page is in this set.</h1>
        <p class="note my-1">
            {data.known === 0
                ? 'The survey has found no page yet.'
                : `The survey knows ${counted(data.known, 'URL')}; none of them fits.`}
        </p>
        {#if data.known > 0}<a class="tb outlined" href={page.url.pathname}>All pages</a>{/if}
    </div>
{:else}
    <PageTable
        first={data.window}
        {key}
        {columns}
        order={data.order}
        origin={data.origin}
        selected={data.sheet?.node ?? null}
        isPartial={data.survey.isPartial || !data.survey.isEnded}
        {fetchWindow}
        hrefOf={(node) => withParams({ page: String(node) })}
        csvHref={csv}
        onReadAgain={readAgain}
        {onOrder}
        {onColumns}
    />
{/if}
