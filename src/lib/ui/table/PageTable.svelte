<script lang="ts">
    /** The pages of a set: every column, in any order. */
    import Address from '../parts/Address.svelte';
    import PageMark from '../parts/PageMark.svelte';
    import { count, counted, day } from '../parts/format.ts';
    import { lookOf, type ColumnInfo } from './columns.ts';
    import ColumnPicker from './ColumnPicker.svelte';
    import RowTable from './RowTable.svelte';
    import TakeAway from './TakeAway.svelte';

    interface Row {
        url: string;
        record: Record<string, string | number | boolean | null>;
    }
    interface Window {
        total: number;
        from: number;
        rows: Row[];
    }
    interface Props {
        first: Window;
        key: string;
        all: ColumnInfo[];
        columns: string[];
        order: { column: string; descending: boolean };
        origin: string;
        /** URL of the page whose sheet is open. */
        selected: string | null;
        isPartial: boolean;
        fetchWindow: (from: number, count: number) => Promise<Window>;
        hrefOf: (url: string) => string;
        files: { name: string; href: string }[];
        onCopy: () => Promise<string>;
        /** Reads the whole set again; says why not, or nothing. */
        onReadAgain: () => Promise<string>;
        onOrder: (column: string) => void;
        onColumns: (columns: string[]) => void;
    }
    let {
        first,
        key,
        all,
        columns,
        order,
        origin,
        selected,
        isPartial,
        fetchWindow,
        hrefOf,
        files,
        onCopy,
        onReadAgain,
        onOrder,
        onColumns,
    }: Props = $props();

    let refusal = $state('');
    const infoOf = $derived(new Map(all.map((column) => [column.id, column])));
    const named = (id: string): ColumnInfo => infoOf.get(id) ?? { id, name: id, what: '', kind: 'text' };
    /** An open sheet takes room and says the rest of its page: the first columns are enough beside it. */
    const visible = $derived(
        (selected === null ? columns : columns.slice(0, 4)).map((id) => {
            const look = lookOf(named(id));
            const name = id === 'url' ? `Address on ${origin.replace(/^https?:\/\//, '')}` : look.name;
            return { id, ...look, name, isOrdered: true };
        }),
    );
    const orderName = $derived(lookOf(named(order.column)).name.toLowerCase());
    const text = (value: string | number | boolean | null | undefined): string | null =>
        typeof value === 'string' ? value : null;
</script>

<div class="flex items-start gap-2 pane !pb-1.5">
    <h1 class="headline flex-1">
        {counted(first.total, 'URL')} in this set{isPartial ? ', in a partial survey' : ''}.
    </h1>
    <ColumnPicker
        all={all.map((column) => ({ ...column, name: lookOf(column).name }))}
        chosen={columns}
        fixed="url"
        onChoose={onColumns}
    />
    <TakeAway {files} copy={onCopy} />
    <button class="tb" onclick={async () => (refusal = await onReadAgain())}>Read again</button>
</div>
{#if refusal}<p class="fault-line mx-4 mb-1" role="alert">{refusal}</p>{/if}
{#snippet mark({ record }: Row)}
    <PageMark gate={text(record.gate)} reached={typeof record.reached === 'boolean' ? record.reached : null} />
{/snippet}
{#snippet cell({ url, record }: Row, column: string)}
    {@const value = record[column]}
    {#if column === 'url'}
        <a class="page-link" href={hrefOf(url)} data-sveltekit-noscroll><Address url={String(value)} {origin} /></a>
    {:else if value === null || value === undefined || value === ''}
        {#if column === 'title' && record.status === null}<span class="aside ink2">not read</span>{:else}<span
                class="ink3"
                role="img"
                aria-label="nothing known">·</span
            >{/if}
    {:else if column === 'depth'}
        <i class="depth" style:background="var(--d{Math.min(9, Number(value))})" aria-hidden="true"></i>{value}
    {:else if column === 'gate'}
        <span title={text(record.gate_reason)}>{value === 'indexable' ? 'indexable' : `stops at ${value}`}</span>
    {:else if typeof value === 'number' && named(column).kind === 'date'}{day(value)}
    {:else if typeof value === 'number'}{Number.isInteger(value) ? count(value) : value.toFixed(2)}
    {:else if typeof value === 'boolean'}{value ? 'yes' : 'no'}
    {:else}<span title={value}>{value}</span>{/if}
{/snippet}
<RowTable
    label="Pages"
    {first}
    {key}
    columns={visible}
    {order}
    isSelected={(row) => selected !== null && row.url === selected}
    isNarrow={selected !== null}
    {fetchWindow}
    {onOrder}
    {mark}
    {cell}
/>
<footer class="foot">
    <span
        >{counted(first.total, 'row')}, by {orderName}{order.column === 'url'
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
</style>
