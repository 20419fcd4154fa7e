<script lang="ts">
    /** What share of their requests robots spend on what may be indexed, and what of that they never ask for. */
    import type { SpentView } from '../../core/views/spent.ts';
    import { count, counted, day, percent } from '../parts/format.ts';
    import SetLink from '../parts/SetLink.svelte';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to }: { view: SpentView; to: ViewLinks } = $props();
    const { spent } = $derived(view);
    const onIndexable = $derived(spent?.rows.find(({ on }) => on === 'indexable')?.share ?? 0);
    const days = $derived(spent === null ? 0 : Math.max(1, Math.round((spent.last - spent.first) / 86_400_000)));
</script>

<div class="pane border-b border-(--edge)">
    <h1 class="headline">
        {#if spent === null}
            {view.given === 0 ? 'No access log was given.' : 'The access logs given do not tell what robots asked for.'}
        {:else}
            Robots spend {percent(onIndexable)} of {counted(spent.requests, 'request')} on what may be indexed{#if spent.never.pages > 0},
                and never asked for <SetLink of={spent.never} hrefOf={to.set} /> of {counted(
                    spent.indexable,
                    'indexable page',
                )}{:else if spent.indexable > 0}, and asked for every indexable page{/if}.
        {/if}
    </h1>
    <p class="note">
        {#if spent === null}
            {#if view.given === 0}
                Give one under <a class="set" href="{to.base}/evidence">Evidence</a>: what robots ask a site for shows
                where its structure sends them.
            {:else}
                Either they name no agents, or an earlier version took them in, which kept less. Give them once more
                under <a class="set" href="{to.base}/evidence">Evidence</a>.
            {/if}
        {:else}
            By {counted(view.logs, 'access log')}, from {day(spent.first)} to {day(spent.last)}: {counted(days, 'day')}.
            A page that was not asked for in that time may have been before it. Robots are told by the names they give,
            which anybody can use.
            {#if spent.left > 0}{counted(spent.left, 'request')} beyond what is kept are left out.{/if}
            {#if view.given > view.logs}Of {count(view.given)} logs {count(view.given - view.logs)} told nothing of robots.{/if}
        {/if}
    </p>
</div>
