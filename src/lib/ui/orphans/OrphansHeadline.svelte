<script lang="ts">
    /** How many pages no link reaches, in which ways, and what hangs by a thread. */
    import type { OrphansView } from '../../core/views/orphans.ts';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to }: { view: OrphansView; to: ViewLinks } = $props();
    const { counts } = $derived(view);
    const isOneAction = $derived(counts.actions === 1);
</script>

<div class="pane border-b border-(--edge)">
    <h1 class="headline">
        {#if !view.complete}
            Orphans are not known: the survey is partial.
        {:else if counts.all === 0}
            Links reach every page that was read.
        {:else}
            <a class="set" href={to.set('orphan')}><b>{counted(counts.all, 'page')}</b></a> cannot be reached by links;
            <a class="set" href={to.set('orphan and indexable')}><b>{count(counts.indexable)}</b></a> of them may be indexed.
        {/if}
    </h1>
    {#if view.complete}
        <p class="ink2">
            <a class="set" href={to.set('strict orphan')}>{count(counts.strict)}</a> strict: no other page links to
            them.
            <a class="set" href={to.set('adrift')}>{count(counts.adrift)}</a> adrift: only other orphans do,
            <a class="set" href={to.set('in an island')}>{count(counts.inIslands)}</a> in {counted(
                counts.islands,
                'island',
            )}. Reached, but by a thread:
            <a class="set" href={to.set('listing only')}>{count(counts.listing)}</a> only from listings,
            <a class="set" href={to.set('decline only')}>{count(counts.decline)}</a> only by nofollow links.
        </p>
        {#if counts.behindRefresh > 0 || counts.actions > 0}
            <p class="ink2">
                {#if counts.behindRefresh > 0}
                    <a class="set" href={to.set('behind a refresh')}>{count(counts.behindRefresh)}</a> of the orphans can
                    be got to by waiting: a page leads on to them by itself, after a delay, which is no link.
                {/if}
                {#if counts.actions > 0}
                    <a class="set" href={to.set('reason is action')}>{counted(counts.actions, 'URL')}</a>
                    that {isOneAction ? 'looks like an action was' : 'look like actions were'} not asked for: what only
                    {isOneAction ? 'it leads' : 'they lead'} to counts as an orphan here.
                {/if}
            </p>
        {/if}
    {/if}
</div>
