<script lang="ts">
    /** The links from or to the pages of a set, one row for each place a link stands in. */
    import Address from '../parts/Address.svelte';
    import { count, counted } from '../parts/format.ts';
    import { LINK_TABLE_COLUMNS, MARKUP_COLUMNS } from '$lib/core/sets/link-rows.ts';
    import ColumnPicker from './ColumnPicker.svelte';
    import { LINK_LOOKS } from './link-columns.ts';
    import LinkChoices, { type LinkChoice } from './LinkChoices.svelte';
    import RowTable from './RowTable.svelte';
    import TakeAway from './TakeAway.svelte';

    interface Row {
        source: string;
        target: string | null;
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
        query: LinkChoice;
        columns: string[];
        order: { column: string; descending: boolean };
        origin: string;
        /** URL of the page whose sheet is open. */
        selected: string | null;
        /** How many pages the set has, or null when it is all of them. */
        setSize: number | null;
        fetchWindow: (from: number, count: number) => Promise<Window>;
        hrefOf: (url: string) => string;
        sourceHref: (url: string, line: number) => string;
        files: { name: string; href: string }[];
        onCopy: () => Promise<string>;
        onQuery: (change: Record<string, string | null>) => void;
        onOrder: (column: string) => void;
        onColumns: (columns: string[]) => void;
    }
    let {
        first,
        key,
        query,
        columns,
        order,
        origin,
        selected,
        setSize,
        fetchWindow,
        hrefOf,
        sourceHref,
        files,
        onCopy,
        onQuery,
        onOrder,
        onColumns,
    }: Props = $props();

    const visible = $derived(
        (selected === null ? columns : columns.slice(0, 4)).map((id) => ({
            id,
            ...LINK_LOOKS[id]!,
            isOrdered: !(MARKUP_COLUMNS as readonly string[]).includes(id),
        })),
    );
    const of = $derived(
        setSize === null ? 'of this site' : `${query.side === 'from' ? 'from' : 'to'} ${counted(setSize, 'page')}`,
    );
</script>

<div class="flex flex-wrap items-start gap-2 pane !pb-1.5">
    <h1 class="headline flex-1">{counted(first.total, 'link')} {of}.</h1>
    <ColumnPicker
        all={LINK_TABLE_COLUMNS.map((id) => ({ id, name: LINK_LOOKS[id]!.name, what: LINK_LOOKS[id]!.what }))}
        chosen={columns}
        fixed="source"
        onChoose={onColumns}
    />
    <TakeAway {files} copy={onCopy} />
    <LinkChoices {query} onChoose={onQuery} />
</div>
{#snippet mark({ record }: Row)}
    <!-- A link that is followed is a full line, one that is not a broken one. -->
    <svg
        width="16"
        height="16"
        viewBox="0 0 16 16"
        role="img"
        aria-label={record.followed ? 'followed' : 'not followed'}
    >
        <path
            d="M1 8H12M8.5 4.5L12 8L8.5 11.5"
            fill="none"
            stroke="currentColor"
            stroke-width="1.3"
            stroke-dasharray={record.followed ? undefined : '2 2'}
        />
    </svg>
{/snippet}
{#snippet cell({ source, target, record }: Row, column: string)}
    {@const value = record[column]}
    {#if column === 'source'}
        <a class="page-link" href={hrefOf(source)} data-sveltekit-noscroll><Address url={String(value)} {origin} /></a>
    {:else if column === 'target' && target !== null}
        <a class="page-link" href={hrefOf(target)} data-sveltekit-noscroll><Address url={String(value)} {origin} /></a>
    {:else if value === null || value === undefined || value === ''}
        <span class="ink3" role="img" aria-label="nothing">·</span>
    {:else if column === 'target'}<span title={String(value)}>{value}</span>
    {:else if column === 'line'}<a class="set" href={sourceHref(source, Number(value))}>{count(Number(value))}</a>
    {:else if typeof value === 'number'}{Number.isInteger(value)
            ? column === 'target_status'
                ? value
                : count(value)
            : value.toFixed(2)}
    {:else if typeof value === 'boolean'}{value ? 'yes' : 'no'}
    {:else}<span title={value}>{value}</span>{/if}
{/snippet}
{#if first.total === 0}
    <p class="note mx-4">No link is like that.</p>
{:else}
    <RowTable
        label="Links"
        {first}
        {key}
        columns={visible}
        {order}
        isSelected={(row) => selected !== null && (row.source === selected || row.target === selected)}
        isNarrow={selected !== null}
        {fetchWindow}
        {onOrder}
        {mark}
        {cell}
    />
    <footer class="foot">
        <span>{counted(first.total, 'row')}: one for each place a link stands in</span>
    </footer>
{/if}

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
</style>
