<script lang="ts">
    /** Where the survey stands, in a sentence whose numbers are sets. */
    import type { BriefView } from '../../core/views/brief.ts';
    import { setLine, type PageFilter } from '../../core/sets/page-filter.ts';
    import { count } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to, isEnded }: { view: BriefView; to: ViewLinks; isEnded: boolean } = $props();
    const { counts } = $derived(view);
    const set = (filter: PageFilter): string => to.set(setLine(filter));
</script>

<div class="pane">
    <h1 class="headline">
        {#if counts.pages === 0}
            No page has been read{isEnded ? '' : ' yet'}.
        {:else}
            <a class="set" href={set({ read: 'pages' })}>{count(counts.pages)}</a> pages were read; links reach
            <a class="set" href={set({ read: 'pages', reached: true })}>{count(counts.reached)}</a> of them.
            {#if counts.orphans === null}
                The survey is partial, so what links do not reach is not known.
            {:else if counts.orphans.all === 0}
                {view.hasSitemap
                    ? 'None is an orphan.'
                    : 'No sitemap could be read, so pages that no link reaches could not be looked for.'}
            {:else}
                <a class="set" href={set({ orphan: 'any' })}>{count(counts.orphans.all)}</a>
                {counts.orphans.all === 1 ? 'is an orphan' : 'are orphans'}, and
                <a class="set" href={set({ orphan: 'any', known: 'sitemap' })}>{count(counts.orphans.inSitemap)}</a>
                of those {counts.orphans.inSitemap === 1 ? 'is' : 'are'} in the sitemap.
            {/if}
            <a class="set" href={set({ gate: 'indexable' })}>{count(counts.indexable)}</a> may be indexed.
        {/if}
    </h1>
</div>
