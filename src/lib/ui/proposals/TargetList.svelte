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
    }
    interface Props {
        targets: readonly Target[];
        total: number;
        from: number;
        most: number;
        chosen: string | null;
        /** Links that were taken since the page was loaded, for the target in hand. */
        takenNow: number;
        hrefOf: (url: string) => string;
        hrefFrom: (from: number) => string;
    }
    let { targets, total, from, most, chosen, takenNow, hrefOf, hrefFrom }: Props = $props();
    const nameOf = ({ url, title }: Target): string => title || url;
</script>

<section class="pane" aria-label="Targets">
    <h2 class="pane-name">Targets <span class="note">{count(total)}, neediest first</span></h2>
    <ul class="targets">
        {#each targets as target (target.url)}
            {@const isChosen = target.url === chosen}
            {@const taken = isChosen ? Math.max(target.taken, takenNow) : target.taken}
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
                        {#if target.wanted !== null}<Tally
                                wanted={Math.min(6, target.wanted)}
                                has={target.has}
                                {taken}
                            />{:else if taken > 0}<span class="note">{taken} taken</span>
                        {:else}<span class="note">{target.isOrphan ? 'orphan' : `${count(target.has)} in`}</span>{/if}
                    </span>
                </a>
            </li>
        {/each}
    </ul>
    {#if total > most}
        <p class="note flex gap-3 mt-2">
            {count(from + 1)} to {count(Math.min(total, from + most))}
            {#if from > 0}<a class="set" href={hrefFrom(Math.max(0, from - most))}>before</a>{/if}
            {#if from + most < total}<a class="set" href={hrefFrom(from + most)}>next</a>{/if}
        </p>
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
