<script lang="ts">
    /** Where no sentence fits: pages it is nearest to, where one could be written. */
    import type { TargetProposals } from '../../wire/proposals.ts';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';

    let { told, to }: { told: TargetProposals; to: ViewLinks } = $props();
</script>

<section class="pane nearest" aria-label="Nearest places">
    {#if told.note !== ''}<p>{told.note}</p>{/if}
    <h2 class="headline">
        {told.note === '' && told.refused + told.later + told.taken === 0
            ? 'No sentence of another page speaks of it.'
            : 'No more sentences.'}
    </h2>
    {#if told.nearest.length > 0}
        <p class="mt-2">Nearest to it, where a sentence could be written:</p>
        <ul class="plain-list">
            {#each told.nearest as { url, title, why } (url)}
                <li>
                    <PageLink {url} {to} />
                    <span class="note">{title}{why === '' ? '' : `; ${why}`}</span>
                </li>
            {/each}
        </ul>
    {:else}<p class="mt-2">No page is near to it either: no folder, and no rare words of its title in common.</p>{/if}
</section>

<style>
    .nearest {
        padding: 20px 28px;
    }
</style>
