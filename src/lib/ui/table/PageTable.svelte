<script lang="ts">
    /** Pages as a virtual table: only the rows in sight exist; windows of rows are asked for as they come into sight. */
    import { untrack } from 'svelte';
    import {
        elementScroll,
        observeElementOffset,
        observeElementRect,
        Virtualizer,
        type VirtualItem,
    } from '@tanstack/virtual-core';
    import type { PageOrder } from '$lib/core/sets/page-filter.ts';
    import type { PageWindow } from '$lib/core/sets/page-window.ts';
    import type { PageColumn } from '$lib/core/survey/page-record.ts';
    import Address from '../parts/Address.svelte';
    import PageMark from '../parts/PageMark.svelte';
    import { count, counted } from '../parts/format.ts';
    import { CHOOSABLE, lookOf } from './columns.ts';

    interface Props {
        /** The window the page came with. */
        first: PageWindow;
        /** Changes when the set or the order does. */
        key: string;
        columns: PageColumn[];
        order: PageOrder;
        origin: string;
        selected: number | null;
        isPartial: boolean;
        fetchWindow: (from: number, count: number) => Promise<PageWindow>;
        hrefOf: (node: number) => string;
        csvHref: string;
        /** Reads the whole set again; says why not, or nothing. */
        onReadAgain: () => Promise<string>;
        onOrder: (column: PageColumn) => void;
        onColumns: (columns: PageColumn[]) => void;
    }
    let {
        first,
        key,
        columns,
        order,
        origin,
        selected,
        isPartial,
        fetchWindow,
        hrefOf,
        csvHref,
        onReadAgain,
        onOrder,
        onColumns,
    }: Props = $props();

    let refusal = $state('');
    const ROW = 25;
    const WINDOW = 100;
    let scroller: HTMLDivElement | undefined = $state();
    let items: VirtualItem[] = $state([]);
    let height = $state(0);
    let trouble = $state('');
    let rows: Map<number, PageWindow['rows'][number]> = $state.raw(new Map());
    // Bookkeeping that nothing is drawn from; and rows are replaced whole, never changed in place.
    // eslint-disable-next-line svelte/prefer-svelte-reactivity
    let asked = new Set<number>();
    const total = $derived(first.total);
    /** An open sheet takes room and says the rest of its page: the first columns are enough beside it. */
    const visible = $derived(selected === null ? columns : columns.slice(0, 4));
    const template = $derived(`26px ${visible.map((column) => lookOf(column).width).join(' ')}`);
    // Without scripts, or before they run, the first window stands as it came.
    const shown = $derived(
        items.length > 0
            ? items.map(({ index, start }) => ({ index, start }))
            : first.rows.map((_, index) => ({ index, start: index * ROW })),
    );

    $effect.pre(() => {
        void key;
        rows = new Map(first.rows.map((row, index) => [first.from + index, row]));
        asked = new Set([0]);
        trouble = '';
    });

    // A running survey sends its first rows again: what is in sight beyond them is asked for again too.
    $effect(() => {
        void first;
        untrack(want);
    });

    $effect(() => {
        if (!scroller) return;
        void key;
        const element = scroller;
        const virtualizer = new Virtualizer<HTMLDivElement, Element>({
            count: total,
            getScrollElement: () => element,
            estimateSize: () => ROW,
            overscan: 20,
            scrollToFn: elementScroll,
            observeElementRect,
            observeElementOffset,
            onChange: (instance) => show(instance),
        });
        const show = (instance: Virtualizer<HTMLDivElement, Element>): void => {
            items = instance.getVirtualItems();
            height = instance.getTotalSize();
            untrack(want);
        };
        const unmount = virtualizer._didMount();
        virtualizer._willUpdate();
        untrack(() => show(virtualizer));
        return unmount;
    });

    /** Asks for the windows in sight that were not asked for yet. */
    function want(): void {
        for (const item of items) {
            const from = Math.floor(item.index / WINDOW) * WINDOW;
            if (asked.has(from)) continue;
            asked.add(from);
            const forKey = key;
            fetchWindow(from, WINDOW)
                .then((window) => {
                    if (forKey !== key) return;
                    // eslint-disable-next-line svelte/prefer-svelte-reactivity
                    const grown = new Map(rows);
                    window.rows.forEach((row, index) => grown.set(window.from + index, row));
                    rows = grown;
                    trouble = '';
                })
                .catch((error: unknown) => {
                    asked.delete(from);
                    trouble = error instanceof Error ? error.message : String(error);
                });
        }
    }

    const ORDER_NAMES = $derived(lookOf(order.column).name.toLowerCase());
    const toggle = (column: PageColumn, on: boolean): void =>
        onColumns(CHOOSABLE.filter((item) => (item === column ? on : columns.includes(item))));
</script>

<div class="flex items-start gap-2 pane !pb-1.5">
    <h1 class="headline flex-1">{counted(total, 'URL')} in this set{isPartial ? ', in a partial survey' : ''}.</h1>
    <details class="columns">
        <summary class="tb outlined">Columns, {columns.length} of {CHOOSABLE.length}</summary>
        <fieldset>
            <legend class="visually-hidden">Columns shown</legend>
            {#each CHOOSABLE as column (column)}
                <label
                    ><input
                        class="checkbox checkbox-xs"
                        type="checkbox"
                        checked={columns.includes(column)}
                        disabled={column === 'url'}
                        onchange={(event) => toggle(column, event.currentTarget.checked)}
                    />
                    {lookOf(column).name}</label
                >
            {/each}
        </fieldset>
    </details>
    <a class="tb outlined" href={csvHref} download data-sveltekit-reload>CSV</a>
    <button class="tb" onclick={async () => (refusal = await onReadAgain())}>Read again</button>
</div>
{#if refusal}<p class="fault-line mx-4 mb-1" role="alert">{refusal}</p>{/if}
{#if trouble}<p class="fault-line mx-4 mb-1">{trouble} <button class="set" onclick={want}>Try again</button></p>{/if}
<!-- A scrollable region must be reachable by keyboard: hence the tabindex. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="scroller" bind:this={scroller} tabindex="0" role="region" aria-label="Pages of the set">
    <div
        class="page-grid"
        class:narrow={selected !== null}
        role="table"
        aria-label="Pages"
        aria-rowcount={total + 1}
        aria-colcount={visible.length + 1}
    >
        <div role="rowgroup" class="head-group">
            <div class="row head" role="row" aria-rowindex="1" style:grid-template-columns={template}>
                <div role="columnheader"><span class="visually-hidden">Form</span></div>
                {#each visible as column (column)}
                    {@const look = lookOf(column)}
                    <div
                        role="columnheader"
                        class:num={look.isNumber}
                        aria-sort={order.column === column
                            ? order.descending
                                ? 'descending'
                                : 'ascending'
                            : undefined}
                    >
                        <button class:sorted={order.column === column} onclick={() => onOrder(column)}>
                            {column === 'url'
                                ? `Address on ${origin.replace(/^https?:\/\//, '')}`
                                : look.name}{order.column === column ? (order.descending ? ' ↓' : ' ↑') : ''}
                        </button>
                    </div>
                {/each}
            </div>
        </div>
        <div role="rowgroup" class="body" style:height="{height || total * ROW}px">
            {#each shown as item (item.index)}
                {@const row = rows.get(item.index)}
                <div
                    class="row"
                    class:selected={row?.node === selected && selected !== null}
                    role="row"
                    aria-rowindex={item.index + 2}
                    style:grid-template-columns={template}
                    style:transform="translateY({item.start}px)"
                >
                    {#if row}
                        {@const record = row.record}
                        <div role="cell" class="mark-cell">
                            <PageMark gate={record.gate as string | null} reached={record.reached as boolean | null} />
                        </div>
                        {#each visible as column (column)}
                            {@const value = record[column]}
                            <div role="cell" class="cell cut" class:num={lookOf(column).isNumber}>
                                {#if column === 'url'}
                                    <a class="page-link" href={hrefOf(row.node)} data-sveltekit-noscroll
                                        ><Address url={String(value)} {origin} /></a
                                    >
                                {:else if value === null || value === ''}
                                    {#if column === 'title' && record.status === null}<span class="aside ink2"
                                            >not read</span
                                        >{:else}<span class="ink3" role="img" aria-label="nothing known">·</span>{/if}
                                {:else if column === 'depth'}
                                    <i
                                        class="depth"
                                        style:background="var(--d{Math.min(9, Number(value))})"
                                        aria-hidden="true"
                                    ></i>{value}
                                {:else if column === 'gate'}
                                    <span title={String(record.gate_reason)}
                                        >{value === 'indexable' ? 'indexable' : `stops at ${value}`}</span
                                    >
                                {:else if typeof value === 'number'}{count(value)}
                                {:else if typeof value === 'boolean'}{value ? 'yes' : 'no'}
                                {:else}<span title={value}>{value}</span>{/if}
                            </div>
                        {/each}
                    {:else}<div role="cell" class="ink3 whitespace-nowrap">…</div>{/if}
                </div>
            {/each}
        </div>
    </div>
</div>
<footer class="foot">
    <span
        >{counted(total, 'row')}, by {ORDER_NAMES}{order.column === 'url'
            ? ''
            : order.descending
              ? ', largest first'
              : ', smallest first'}</span
    >
    <span class="legend">
        <span><PageMark gate="indexable" reached={true} /> indexable</span>
        <span><PageMark gate="noindex" reached={true} /> stopped, with its gate</span>
        <span><PageMark gate="indexable" reached={false} /> not reached</span>
        <span><PageMark gate={null} reached={null} /> not known</span>
    </span>
</footer>

<style>
    .scroller {
        flex: 1;
        min-height: 0;
        overflow: auto;
        padding: 0 16px;
    }
    .page-grid {
        min-width: 720px;
    }
    .page-grid.narrow {
        min-width: 520px;
    }
    .head-group {
        position: sticky;
        top: 0;
        z-index: 2;
        background: var(--color-base-100);
    }
    .row {
        display: grid;
        column-gap: 12px;
        align-items: center;
        height: 25px;
        border-bottom: 1px solid var(--grid);
    }
    .row.head {
        height: auto;
        align-items: end;
        border-bottom-color: var(--edge);
        padding-bottom: 2px;
    }
    .body {
        position: relative;
    }
    .body .row {
        position: absolute;
        inset: 0 0 auto 0;
    }
    .row.selected {
        background: var(--wash);
        box-shadow:
            -16px 0 0 var(--wash),
            16px 0 0 var(--wash);
    }
    .head button {
        font-size: 0.71875rem;
        line-height: 1rem;
        color: var(--ink3);
        text-align: inherit;
        min-height: 24px;
        cursor: pointer;
    }
    .head button:hover {
        text-decoration: underline;
    }
    .head button.sorted {
        color: var(--color-base-content);
        font-weight: 600;
    }
    .num {
        text-align: right;
    }
    .page-link {
        display: block;
        line-height: 24px;
        overflow: hidden;
        text-overflow: ellipsis;
    }
    .page-link:hover {
        text-decoration: underline;
    }
    .depth {
        display: inline-block;
        width: 9px;
        height: 9px;
        margin-right: 6px;
        border: 0.7px solid var(--ink2);
    }
    .foot {
        display: flex;
        flex-wrap: wrap;
        justify-content: space-between;
        gap: 4px 16px;
        padding: 4px 16px;
        border-top: 1px solid var(--edge);
        background: var(--color-base-200);
        color: var(--ink2);
    }
    .legend {
        display: flex;
        flex-wrap: wrap;
        gap: 4px 14px;
    }
    .columns {
        position: relative;
    }
    .columns summary {
        list-style: none;
    }
    .columns fieldset {
        position: absolute;
        right: 0;
        top: 100%;
        z-index: 5;
        margin-top: 2px;
        padding: 6px 10px;
        width: 380px;
        max-width: 90vw;
        columns: 2;
        border: 1px solid var(--edge);
        background: var(--color-base-100);
    }
    .columns label {
        display: flex;
        gap: 6px;
        align-items: center;
        min-height: 24px;
    }
    @media (max-width: 640px) {
        .legend {
            display: none;
        }
    }
</style>
