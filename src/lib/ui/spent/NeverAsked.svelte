<script lang="ts">
    /** Indexable pages that no robot asked for: by depth, by standing, and those that stand highest. */
    import type { SpentTold } from '../../core/views/spent.ts';
    import { count, percent } from '../parts/format.ts';
    import SetLink from '../parts/SetLink.svelte';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';

    let { spent, to }: { spent: SpentTold; to: ViewLinks } = $props();
    const FIFTHS = ['highest fifth', 'second', 'third', 'fourth', 'lowest fifth'];
    const each = (requests: number, pages: number): string => (pages === 0 ? '·' : (requests / pages).toFixed(1));
</script>

<section class="pane" aria-label="Never asked for">
    <h2 class="pane-name">Never asked for <span class="note">indexable pages, and requests a page</span></h2>
    <table class="ruled">
        <thead>
            <tr
                ><th>depth</th><th class="num">pages</th><th class="num">never</th><th class="num">share</th><th
                    class="num">requests a page</th
                ></tr
            >
        </thead>
        <tbody>
            {#each spent.byDepth as { depth, isAndDeeper, pages, never, requests }, index (index)}
                <tr>
                    <td>{depth === null ? 'not reached' : isAndDeeper ? `${depth} and deeper` : depth}</td>
                    <td class="num">{count(pages)}</td>
                    <td class="num"><SetLink of={never} hrefOf={to.set} /></td>
                    <td class="num">{never.pages === 0 ? '·' : percent(never.pages / pages)}</td>
                    <td class="num">{each(requests, pages)}</td>
                </tr>
            {/each}
        </tbody>
    </table>
    {#if spent.byStanding.length > 1}
        <table class="ruled mt-3">
            <thead>
                <tr
                    ><th>standing</th><th class="num">pages</th><th class="num">never</th><th class="num">from</th><th
                        class="num">requests a page</th
                    ></tr
                >
            </thead>
            <tbody>
                {#each spent.byStanding as { pages, never, requests, least }, index (index)}
                    <tr>
                        <td>{spent.byStanding.length === FIFTHS.length ? FIFTHS[index] : index + 1}</td>
                        <td class="num">{count(pages)}</td>
                        <td class="num">{count(never)}</td>
                        <td class="num">{least.toFixed(2)}</td>
                        <td class="num">{each(requests, pages)}</td>
                    </tr>
                {/each}
            </tbody>
        </table>
    {/if}
    {#if spent.highest.length > 0}
        <h3 class="mt-3"><b>Those that stand highest</b></h3>
        <ul>
            {#each spent.highest as { url, standing } (url)}
                <li class="flex justify-between gap-3">
                    <PageLink {url} {to} most={44} /><span class="num">{standing.toFixed(1)}</span>
                </li>
            {/each}
        </ul>
    {/if}
</section>
