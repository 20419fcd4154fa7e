<script lang="ts" generics="Row">
    /** Rows as a virtual table: only those in sight exist; windows of rows are asked for as they come into sight. */
    import { untrack, type Snippet } from 'svelte';
    import {
        elementScroll,
        observeElementOffset,
        observeElementRect,
        Virtualizer,
        type VirtualItem,
    } from '@tanstack/virtual-core';

    interface Column {
        id: string;
        name: string;
        width: string;
        isNumber: boolean;
        /** Rows can be put in its order. */
        isOrdered: boolean;
    }
    interface Window {
        total: number;
        from: number;
        rows: Row[];
    }
    interface Props {
        label: string;
        /** The window the page came with. */
        first: Window;
        /** Changes when the set or the order does. */
        key: string;
        columns: Column[];
        order: { column: string; descending: boolean };
        isSelected: (row: Row) => boolean;
        /** Narrower, because something stands beside it. */
        isNarrow: boolean;
        fetchWindow: (from: number, count: number) => Promise<Window>;
        onOrder: (column: string) => void;
        /** The form of a row, before its columns. */
        mark: Snippet<[Row]>;
        cell: Snippet<[Row, string]>;
    }
    let { label, first, key, columns, order, isSelected, isNarrow, fetchWindow, onOrder, mark, cell }: Props = $props();

    const ROW = 25;
    const WINDOW = 100;
    const FIRST_DRAWN = 40;
    /** Browsers draw nothing beyond some 33 million pixels: longer tables are drawn to scale. */
    const MOST_PIXELS = 15_000_000;
    let scroller: HTMLDivElement | undefined = $state();
    let items: VirtualItem[] = $state([]);
    let height = $state(0);
    let trouble = $state('');
    let rows: Map<number, Row> = $state.raw(new Map());
    // Bookkeeping that nothing is drawn from; and rows are replaced whole, never changed in place.
    // eslint-disable-next-line svelte/prefer-svelte-reactivity
    let asked = new Set<number>();
    const total = $derived(first.total);
    const drawn = $derived(Math.min(total, Math.floor(MOST_PIXELS / ROW)));
    const template = $derived(`26px ${columns.map((column) => column.width).join(' ')}`);
    // Before scripts run, the first rows stand as they came: about a screen of them, so that the page is quickly its own.
    const shown = $derived(
        items.length > 0
            ? items.map(({ index, start }) => ({ index: rowAt(index), start }))
            : first.rows.slice(0, FIRST_DRAWN).map((_, index) => ({ index, start: index * ROW })),
    );

    /** Row of the table at a place of the drawn rows: the same, but for tables longer than can be drawn. */
    function rowAt(index: number): number {
        if (drawn === total || !scroller) return index;
        const most = Math.max(1, scroller.scrollHeight - scroller.clientHeight);
        const beginning = Math.floor(scroller.scrollTop / ROW);
        const place = Math.round((scroller.scrollTop / most) * (total - Math.ceil(scroller.clientHeight / ROW)));
        return Math.max(0, Math.min(total - 1, place + index - beginning));
    }

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
            count: drawn,
            getScrollElement: () => element,
            estimateSize: () => ROW,
            overscan: 12,
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
        for (const item of shown) {
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
</script>

{#if trouble}<p class="fault-line mx-4 mb-1">{trouble} <button class="set" onclick={want}>Try again</button></p>{/if}
<!-- A scrollable region must be reachable by keyboard: hence the tabindex. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="scroller" bind:this={scroller} tabindex="0" role="region" aria-label="{label} of the set">
    <div
        class="page-grid"
        class:narrow={isNarrow}
        role="table"
        aria-label={label}
        aria-rowcount={total + 1}
        aria-colcount={columns.length + 1}
        style:min-width="{Math.max(isNarrow ? 520 : 720, columns.length * 96)}px"
    >
        <div role="rowgroup" class="head-group">
            <div class="row head" role="row" aria-rowindex="1" style:grid-template-columns={template}>
                <div role="columnheader"><span class="visually-hidden">Form</span></div>
                {#each columns as column (column.id)}
                    {@const isOrder = order.column === column.id}
                    <div
                        role="columnheader"
                        class:num={column.isNumber}
                        aria-sort={isOrder ? (order.descending ? 'descending' : 'ascending') : undefined}
                    >
                        {#if column.isOrdered}
                            <button class:sorted={isOrder} onclick={() => onOrder(column.id)}>
                                {column.name}{isOrder ? (order.descending ? ' ↓' : ' ↑') : ''}
                            </button>
                        {:else}<span class="plain-head">{column.name}</span>{/if}
                    </div>
                {/each}
            </div>
        </div>
        <div role="rowgroup" class="body" style:height="{height || total * ROW}px">
            {#each shown as item (item.index)}
                {@const row = rows.get(item.index)}
                <div
                    class="row"
                    class:selected={row !== undefined && isSelected(row)}
                    role="row"
                    aria-rowindex={item.index + 2}
                    style:grid-template-columns={template}
                    style:transform="translateY({item.start}px)"
                >
                    {#if row}
                        <div role="cell" class="mark-cell">{@render mark(row)}</div>
                        {#each columns as column (column.id)}
                            <div role="cell" class="cell cut" class:num={column.isNumber}>
                                {@render cell(row, column.id)}
                            </div>
                        {/each}
                    {:else}<div role="cell" class="ink3 whitespace-nowrap">…</div>{/if}
                </div>
            {/each}
        </div>
    </div>
</div>

<style>
    .scroller {
        flex: 1;
        min-height: 0;
        overflow: auto;
        padding: 0 16px;
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
    .plain-head {
        display: inline-block;
        padding-bottom: 4px;
        font-size: 0.71875rem;
        line-height: 1rem;
        color: var(--ink3);
    }
</style>
