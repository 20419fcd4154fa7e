<script lang="ts">
    /** How many pages give themselves up for another, and whether what they name may be indexed. */
    import type { CanonicalsView } from '../../core/views/canonicals.ts';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to }: { view: CanonicalsView; to: ViewLinks } = $props();
    const clusters = $derived(view.clusters.length + view.more);
</script>

<div class="pane border-b border-(--edge)">
    <h1 class="headline">
        {#if view.elsewhere === 0}No page names another one as its canonical.
        {:else}
            {counted(view.elsewhere, 'page')}
            {view.elsewhere === 1 ? 'names' : 'name'} another one as canonical, in {counted(clusters, 'cluster')};
            {view.bad === 0
                ? 'all end at a page that may be indexed.'
                : `${count(view.bad)} of them end${view.bad === 1 ? 's' : ''} where nothing may be indexed.`}
        {/if}
    </h1>
    <p class="note">
        {count(view.itself)} name themselves, {count(view.none)} name none{#if view.several > 0}, <a
                class="set"
                href={to.set('has finding "canonical-several"')}>{count(view.several)}</a
            > name several, so that none counts{/if}. Of what links give, {view.standing.toFixed(1)} average pages’ worth
        stays with pages that give themselves up; links to what they name would give it there.
    </p>
</div>
