<script lang="ts">
    /** Where the links of other sites land: how many in each way. */
    import { LANDINGS, type Landing } from '../../core/areas/links-in.ts';
    import type { LinksInView } from '../../core/views/links-in.ts';
    import { count, counted } from '../parts/format.ts';

    /** @param base address of the survey */
    let { view, base }: { view: LinksInView; base: string } = $props();
    const WORDS: Record<Landing, string> = {
        page: 'land on a page',
        redirect: 'land on a redirect',
        error: 'land on an error',
        variant: 'land on a variant that loses',
        closed: 'land where robots.txt closes',
        'not read': 'lead to what was not read',
        unknown: 'lead to what this survey does not know',
    };
    const met = $derived(LANDINGS.filter((landing) => (view.counts[landing] ?? 0) > 0));
    const astray = $derived(
        view.astray === 0 ? 'none goes' : `${count(view.astray)} ${view.astray === 1 ? 'goes' : 'go'}`,
    );
</script>

<div class="pane border-b border-(--edge)">
    <h1 class="headline">
        {#if !view.given}
            Nobody gave this survey the links that other sites set.
        {:else}
            <b>{counted(view.total, 'link')}</b> from {counted(view.hosts, 'other host')}
            {view.total === 1 ? 'leads' : 'lead'} to {counted(view.targets, 'URL')}; {astray} astray.
        {/if}
    </h1>
    {#if !view.given}
        <p class="ink2">
            A list with the page that links and the page it links to shows what lands on errors, redirects or the wrong
            spelling of a page.
        </p>
        <p class="mt-2"><a class="tb outlined" href="{base}/evidence">Add a list</a></p>
    {:else}
        <p class="flex flex-wrap gap-x-4">
            {#each met as landing (landing)}
                <span>
                    <a
                        class="set"
                        href="?landing={encodeURIComponent(landing)}"
                        aria-current={view.wanted === landing ? 'true' : undefined}
                        ><b>{count(view.counts[landing] ?? 0)}</b></a
                    >
                    {WORDS[landing]}
                </span>
            {/each}
        </p>
    {/if}
</div>
