<script lang="ts">
    /** Folders known from other evidence, without a page that links reach. */
    import { setLine } from '../../core/sets/page-filter.ts';
    import type { CompletenessView } from '../../core/views/completeness.ts';
    import { count } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    let { lost, to }: { lost: CompletenessView['complete']['lost']; to: ViewLinks } = $props();
</script>

<section class="pane" aria-label="Lost sections">
    <h2 class="pane-name">
        Not touched by links
        <span class="note">folders known from other evidence, without a page that links reach</span>
    </h2>
    {#if lost.length === 0}
        <p class="ink2">None: in every folder with two pages or more, links reach at least one.</p>
    {:else}
        <table class="ruled">
            <thead>
                <tr><th>folder</th><th class="num">URLs</th><th class="num">read</th><th>known by</th></tr>
            </thead>
            <tbody>
                {#each lost as { origin, folder, urls, pages, evidence } (origin + folder)}
                    <tr>
                        <td class="font-semibold">
                            {#if origin !== to.origin}<span class="ink3">{origin}</span>{/if}{folder}
                        </td>
                        <td class="num">
                            <a class="plain-set text-primary" href={to.set(setLine({ folder: origin + folder }))}
                                >{count(urls)}</a
                            >
                        </td>
                        <td class="num">{count(pages)}</td>
                        <td class="ink2">{evidence.join(', ') || 'links among themselves'}</td>
                    </tr>
                {/each}
            </tbody>
        </table>
    {/if}
</section>
