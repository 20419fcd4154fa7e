<script lang="ts">
    /** Orphans by the evidence that knows them, and the islands they form. */
    import { setLine, type PageFilter } from '../../core/sets/page-filter.ts';
    import type { ReachView } from '../../core/views/reach.ts';
    import EvidenceMatrix from '../charts/EvidenceMatrix.svelte';
    import Figure from '../charts/Figure.svelte';
    import Address from '../parts/Address.svelte';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to }: { view: ReachView; to: ViewLinks } = $props();
    const { counts } = $derived(view);
    const { orphans } = $derived(counts);
    const set = (filter: PageFilter): string => to.set(setLine(filter));
</script>

<Figure
    name="Not reached, by evidence"
    cells={() => [
        ['known by', 'pages'],
        ...counts.orphanEvidence.map((group) => [group.evidence.join(' '), group.urls]),
    ]}
>
    {#if orphans === null}
        <p class="ink2">Not known: in a partial survey a page may be linked from what was not read.</p>
    {:else if orphans.all === 0}
        <p class="ink2">
            {view.hasSitemap
                ? 'Nothing to show: every page that was read is reached by links.'
                : 'Not asked: only links are known here. A sitemap, a log or a list of visits would tell what links leave out.'}
        </p>
    {:else}
        <EvidenceMatrix
            groups={counts.orphanEvidence}
            hrefOf={(group) => set({ orphan: 'any', evidence: group.evidence })}
            hatched
        />
        <p class="mt-1">
            <a class="set" href={set({ orphan: 'strict' })}>{count(orphans.strict)}</a> strict: no page links to them.
            <a class="set" href={set({ orphan: 'adrift' })}>{count(orphans.adrift)}</a>
            adrift: only other orphans do{#if view.islands.total > 0}, <a class="set" href={set({ orphan: 'island' })}
                    >{count(view.islands.pages)}</a
                >
                in {counted(view.islands.total, 'island')}{/if}.
        </p>
        {#if view.islands.largest.length > 0}
            <ul class="mt-1">
                {#each view.islands.largest as island (island.url)}<li>
                        {counted(island.pages, 'page')} around
                        <a class="plain-set text-primary" href={to.page(island.url)} data-sveltekit-noscroll
                            ><Address url={island.url} origin={to.origin} most={34} /></a
                        >
                    </li>{/each}
            </ul>
        {/if}
        <p class="mt-1">
            <a class="set" href="{to.base}/orphans">Each orphan, with the nearest place for a link</a>
        </p>
    {/if}
</Figure>
