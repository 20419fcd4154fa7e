<script lang="ts">
    /** What may be indexed in a sentence, and how much of the rest the site contradicts itself about. */
    import type { GatesView } from '../../core/views/gates.ts';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to }: { view: GatesView; to: ViewLinks } = $props();
    const { counts } = $derived(view);
    const contradicted = $derived(view.contradictions.reduce((sum, { pages }) => sum + pages, 0));
    const stopped = $derived(view.rows.reduce((sum, { urls }) => sum + urls, 0));
    const most = $derived(view.rows.reduce((first, row) => (row.urls > first.urls ? row : first), view.rows[0]!));
</script>

<div class="pane border-b border-(--edge)">
    <h1 class="headline">
        {#if counts.known === 0}No URL is known yet.
        {:else}
            <a class="set" href={to.set('indexable')}>{count(counts.indexable)}</a> of {counted(
                counts.known,
                'known URL',
            )}
            may be indexed{#if stopped > 0}; <a class="set" href={to.set('stopped')}>{count(stopped)}</a>
                {stopped === 1 ? 'stops' : 'stop'} at a gate, most of them at {most.gate}{/if}.
            {#if contradicted > 0}The site contradicts itself in {counted(view.contradictions.length, 'way')}.{/if}
        {/if}
    </h1>
    <p class="note">
        Each URL passes seven gates in this order and stops at the first that it fails; whether a search index takes
        what passes is its own affair.
        {#if view.inSet}Of the current set <b>{count(view.inSet.indexable)}</b> of {counted(view.inSet.known, 'URL')} may
            be indexed.{/if}
    </p>
</div>
