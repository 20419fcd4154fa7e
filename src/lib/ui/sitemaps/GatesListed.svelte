<script lang="ts">
    /** What is listed against the gates, both ways: what stops all the same, and what could be listed and is not. */
    import type { SitemapsView } from '../../core/views/sitemaps.ts';
    import { GATE_GLYPHS } from '../parts/gate-glyphs.ts';
    import SetLink from '../parts/SetLink.svelte';
    import type { ViewLinks } from '../view/links.ts';

    let { listing, to }: { listing: SitemapsView['listing']; to: ViewLinks } = $props();
    const NAMES: Partial<Record<SitemapsView['listing'][number]['gate'], string>> = {
        indexable: 'may be indexed',
        unknown: 'not known',
    };
</script>

<section class="pane" aria-label="Listed, gate by gate">
    <h2 class="pane-name">Listed, gate by gate</h2>
    <table class="ruled">
        <thead><tr><th>URLs that</th><th class="num">are listed</th><th class="num">are in no file</th></tr></thead>
        <tbody>
            {#each listing as { gate, listed, notListed } (gate)}
                <tr>
                    <td
                        >{#if gate !== 'indexable' && gate !== 'unknown'}<svg
                                width="12"
                                height="12"
                                aria-hidden="true"
                                class="inline-block mr-1"
                                ><path
                                    d={GATE_GLYPHS[gate]}
                                    fill="none"
                                    stroke="currentColor"
                                    stroke-width="1.4"
                                /></svg
                            >stop at {gate}{:else}{NAMES[gate]}{/if}</td
                    >
                    <td class="num" class:wrong={gate !== 'indexable' && gate !== 'unknown' && listed.pages > 0}
                        ><SetLink of={listed} hrefOf={to.set} /></td
                    >
                    <td class="num" class:wrong={gate === 'indexable' && notListed.pages > 0}
                        ><SetLink of={notListed} hrefOf={to.set} /></td
                    >
                </tr>
            {/each}
        </tbody>
    </table>
    <p class="note mt-1">Marked is what a sitemap should not list, and what it should.</p>
</section>

<style>
    .wrong {
        background: var(--wash);
    }
</style>
