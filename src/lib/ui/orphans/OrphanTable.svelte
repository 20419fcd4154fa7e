<script lang="ts">
    /** The orphans, a window of them at a time: how each is known, and where it belongs. */
    import type { OrphansView, ShownOrphan } from '../../core/views/orphans.ts';
    import { count } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';

    let { view, to }: { view: OrphansView; to: ViewLinks } = $props();
    const all = $derived(view.counts.all);
    const next = $derived(view.from + view.most);

    const kindOf = ({ kind, island, behindRefresh }: ShownOrphan): string =>
        [kind, island === null ? '' : `island ${island}`, behindRefresh ? 'behind a refresh' : '']
            .filter(Boolean)
            .join(', ');
    function indexed({ gate }: ShownOrphan): string {
        if (gate === null) return 'not known';
        return gate === 'indexable' ? 'yes' : `no: ${gate}`;
    }
</script>

<section class="pane" aria-label="Orphans">
    <table class="ruled">
        <thead>
            <tr>
                <th>page</th>
                <th>kind</th>
                <th>known by</th>
                <th class="spare">may be indexed</th>
                <th>nearest; or sentences that speak of it</th>
            </tr>
        </thead>
        <tbody>
            {#each view.orphans as orphan (orphan.url)}
                <tr>
                    <td>
                        <PageLink url={orphan.url} {to} />
                        <div class="note">{orphan.title}</div>
                    </td>
                    <td class="min-w-16">{kindOf(orphan)}</td>
                    <td class="ink2">{orphan.evidence.join(', ')}</td>
                    <td class="spare ink2">{indexed(orphan)}</td>
                    <td>
                        {#each orphan.near as near (near.url)}
                            <div><PageLink url={near.url} {to} /> <span class="note">{near.why}</span></div>
                        {:else}<span class="ink3">nothing near</span>{/each}
                        {#if orphan.gate === 'indexable'}<a class="set" href={to.proposals(orphan.url)}>its sentences</a
                            >{/if}
                    </td>
                </tr>
            {/each}
        </tbody>
    </table>
    {#if all > view.most}
        <p class="mt-2 flex gap-3">
            <span class="note">{count(view.from + 1)} to {count(Math.min(next, all))} of {count(all)}</span>
            {#if view.from > 0}<a class="set" href="?from={Math.max(0, view.from - view.most)}">before</a>{/if}
            {#if next < all}<a class="set" href="?from={next}">next</a>{/if}
        </p>
    {/if}
</section>
