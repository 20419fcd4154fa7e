<script lang="ts">
    /** What links do not reach, and how far down the rest lies. */
    import { setLine, type PageFilter } from '../../core/sets/page-filter.ts';
    import type { ReachView } from '../../core/views/reach.ts';
    import { count } from '../parts/format.ts';
    import SetLink from '../parts/SetLink.svelte';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to, isEnded }: { view: ReachView; to: ViewLinks; isEnded: boolean } = $props();
    const { counts } = $derived(view);
    const { orphans } = $derived(counts);
    const set = (filter: PageFilter): string => to.set(setLine(filter));
</script>

<div class="pane border-b border-(--edge)">
    <h1 class="headline">
        {#if counts.pages === 0}
            No page has been read{isEnded ? '' : ' yet'}.
        {:else}
            {#if orphans === null}
                The survey is partial, so what links do not reach is not known.
            {:else if orphans.all === 0}
                {view.hasSitemap
                    ? 'Links reach every page that was read.'
                    : 'Every page was found by links; without a sitemap, others could not be looked for.'}
            {:else}
                <a class="set" href={set({ orphan: 'any' })}>{count(orphans.all)}</a>
                {orphans.all === 1 ? 'page cannot' : 'pages cannot'} be reached by links{#if view.hasSitemap}; <a
                        class="set"
                        href={set({ orphan: 'any', known: 'sitemap' })}>{count(orphans.inSitemap)}</a
                    >
                    of them {orphans.inSitemap === 1 ? 'is' : 'are'} in the sitemap{/if}.
            {/if}
            {#if view.deep}
                {@const { deep } = view}
                {@const [first] = view.chokePoints}
                <SetLink of={deep} hrefOf={to.set} /> more {deep.pages === 1 ? 'lies' : 'lie'}
                {deep.from === deep.to
                    ? `${deep.to} clicks down`
                    : `${deep.from} to ${deep.to} clicks down`}{#if first}, and
                    <SetLink of={first} hrefOf={to.set} /> pages hang behind one page{/if}.
            {/if}
        {/if}
    </h1>
</div>
