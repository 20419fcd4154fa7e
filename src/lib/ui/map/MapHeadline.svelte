<script lang="ts">
    /** Where most reached pages lie, how deep it goes, and what hangs on nothing. */
    import type { MapView } from '../../core/views/map.ts';
    import { counted, count } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to }: { view: MapView; to: ViewLinks } = $props();
    const { most } = $derived(view);
    const depths = ({ from, to: last }: { from: number; to: number }): string =>
        from === last ? `depth = ${from}` : `depth from ${from} to ${last}`;
    const clicks = ({ from, to: last }: { from: number; to: number }): string =>
        from === last ? counted(from, 'click') : `${from} to ${last} clicks`;
</script>

<div class="pane">
    <h1 class="headline">
        {#if most === null}No page is reached by links.
        {:else}
            <a class="set" href={to.set(`page and ${depths(most)}`)}><b>{count(most.pages)}</b></a> of
            <a class="set" href={to.set('page and reached')}><b>{count(view.reached)}</b></a>
            reached pages lie {clicks(most)} down{view.deepest > most.to
                ? `; the deepest is ${counted(view.deepest, 'click')} away`
                : ''}{#if view.unreached > 0}; <a class="set" href={to.set('page and not reached')}
                    ><b>{counted(view.unreached, 'page')}</b></a
                >
                {view.unreached === 1 ? 'hangs' : 'hang'} on nothing{/if}.
        {/if}
    </h1>
</div>
