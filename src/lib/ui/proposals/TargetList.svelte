<script lang="ts">
    /** The pages that lack links, one after the other. */
    import { count } from '../parts/format.ts';
    import Tally from './Tally.svelte';

    interface Target {
        url: string;
        title: string;
        has: number;
        wanted: number | null;
        isOrphan: boolean;
        taken: number;
        /** Sentences that were found when all were looked through; null where it was not. */
        sentences: number | null;
    }
    interface Props {
        targets: readonly Target[];
        /** Those of which as many links are taken as they lack. */
        covered: readonly Target[];
        total: number;
        from: number;
        most: number;
        chosen: string | null;
        /** In the order of what was found, not of need. */
        isByFound: boolean;
        hrefOf: (url: string) => string;
        hrefFrom: (from: number) => string;
    }
    let { targets, covered, total, from, most, chosen, isByFound, hrefOf, hrefFrom }: Props = $props();
    const nameOf = ({ url, title }: Target): string => title || url;
</script>

{#snippet line(target: Target)}
    {@const isChosen = target.url === chosen}
    <li>
        <a
            class="target"
            class:chosen={isChosen}
            aria-current={isChosen ? 'true' : undefined}
            href={hrefOf(target.url)}
            data-sveltekit-noscroll
        >
            <span class="cut" title={target.url}>{nameOf(target)}</span>
            <span class="nw">
                {#if target.sentences !== null}<span class="note" title="Sentences that speak of it"
                        >{target.sentences === 0 ? 'none found' : `${count(target.sentences)} found`} ·</span
                    >{/if}
                {#if target.wanted !== null}<Tally
                        wanted={Math.min(6, target.wanted)}
                        has={target.has}
                        taken={target.taken}
                    />{:else if target.taken > 0}<span class="note">{target.taken} taken</span>
                {:else}<span class="note">{target.isOrphan ? 'orphan' : `${count(target.has)} in`}</span>{/if}
            </span>
        </a>
    </li>
{/snippet}

<section class="pane" aria-label="Targets">
    <h2 class="pane-name">
        Targets <span class="note">{count(total)}, {isByFound ? 'likeliest first' : 'neediest first'}</span>
    </h2>
    <ul>
        {#each targets as target (target.url)}{@render line(target)}{/each}
    </ul>
    {#if total > most}
        <p class="note flex gap-3 mt-2">
            {count(from + 1)} to {count(Math.min(total, from + most))}
            {#if from > 0}<a class="set" href={hrefFrom(Math.max(0, from - most))}>before</a>{/if}
            {#if from + most < total}<a class="set" href={hrefFrom(from + most)}>next</a>{/if}
        </p>
    {/if}
    {#if covered.length > 0}
        <h3 class="pane-name mt-3">Taken <span class="note">not yet on the site</span></h3>
        <ul>
            {#each covered as target (target.url)}{@render line(target)}{/each}
        </ul>
    {/if}
</section>

<style>
    .target {
        display: grid;
        grid-template-columns: minmax(0, 1fr) auto;
        gap: 8px;
        align-items: center;
        padding: 3px 8px;
        margin-inline: -8px;
        border-bottom: 1px solid var(--rule);
    }
    .target:hover {
        background: var(--color-base-200);
    }
    .chosen {
        background: var(--wash);
        font-weight: 600;
    }
</style>
