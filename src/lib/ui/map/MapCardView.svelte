<script lang="ts">
    /** What is told of the page that is pointed at. */
    import type { MapCard } from '../../core/views/map.ts';
    import Address from '../parts/Address.svelte';
    import { count, counted } from '../parts/format.ts';

    interface Props {
        card: MapCard;
        /** Pages that are drawn as one with it. */
        pages: number;
        /** Pressed again, it opens as a branch. */
        isInto?: boolean;
        origin: string;
    }
    let { card, pages, isInto = false, origin }: Props = $props();
</script>

<p class="name">{card.title || card.url}</p>
<p class="note breaks"><Address url={card.url} {origin} most={60} /></p>
<dl>
    <dt>gate</dt>
    <dd>
        {card.gate === 'indexable' ? 'passes all seven' : card.gate === null ? 'not known' : `stops at ${card.gate}`}
    </dd>
    <dt>depth</dt>
    <dd>{card.depth === null ? 'not reached' : counted(card.depth, 'click')}</dd>
    {#if card.standing !== null}<dt>standing</dt>
        <dd><b>{card.standing.toFixed(2)}</b> of an average page</dd>{/if}
    <dt>words</dt>
    <dd>{count(card.words)}</dd>
    <dt>ways in</dt>
    <dd>{counted(card.waysIn, 'page')}; links on {count(card.waysOut)}</dd>
    <dt>behind it</dt>
    <dd>{card.behind === 0 ? 'nothing' : counted(card.behind, 'page')}</dd>
</dl>
{#if isInto}<p class="note">a second press goes into what lies below it</p>{/if}
{#if pages > 1}<p class="note">{count(pages - 1)} more in this cell</p>{/if}

<style>
    .name {
        font-weight: 600;
    }
    dl {
        display: grid;
        grid-template-columns: 66px minmax(0, 1fr);
        margin-top: 4px;
    }
    dt {
        color: var(--ink2);
    }
</style>
