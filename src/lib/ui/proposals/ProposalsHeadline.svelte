<script lang="ts">
    /** How many pages lack links, and how far the work is. */
    import type { WantedLinks } from '../../wire/wanted-links.ts';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    interface Props {
        data: {
            total: number;
            orphans: number;
            refused: number;
            later: number;
            isComplete: boolean;
            wanted: WantedLinks;
        };
        taken: number;
        takenPages: number;
        /** The line of the set that is looked at; empty for whatever lacks links. */
        set: string;
        to: ViewLinks;
    }
    let { data, taken, takenPages, set, to }: Props = $props();
    const hasWish = $derived(Object.values(data.wanted).some((wish) => wish !== null));
</script>

<div class="pane border-b border-(--edge) flex flex-wrap justify-between gap-x-6 gap-y-1 items-baseline">
    <h1 class="headline">
        {#if set !== ''}
            <b>{counted(data.total, 'page')}</b> of this set may get links; <b>{count(data.orphans)}</b>
            {data.orphans === 1 ? 'is an orphan' : 'are orphans'}.
        {:else if data.total === 0}
            {#if !data.isComplete}Which pages are orphans is not known: the survey is partial.
            {:else if hasWish}No page lacks links: no orphans, and all have as many as are wanted.
            {:else}No page is an orphan. Say below how many links pages should have, or choose a set.{/if}
        {:else}
            <b>{counted(data.total, 'page')}</b>
            {data.total === 1 ? 'lacks' : 'lack'} links;
            {#if data.orphans > 0}<a class="set" href={to.set('orphan and indexable')}><b>{count(data.orphans)}</b></a>
                of them {data.orphans === 1 ? 'is an orphan' : 'are orphans'}.{:else}none is an orphan.{/if}
        {/if}
    </h1>
    <p class="text-right">
        <a class="set" href="{to.base}/laid-aside"><b>{count(taken)}</b> taken</a> for
        <b>{counted(takenPages, 'page')}</b>
        <span class="note block"
            >{count(data.refused)} refused, {count(data.later)} put off; taken ones wait for a draft</span
        >
    </p>
</div>
