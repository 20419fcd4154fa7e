<script lang="ts">
    /** By which evidence URLs are known: every combination. */
    import { LIST_WORDS } from '../../core/evidence/evidence-lists.ts';
    import { setLine } from '../../core/sets/page-filter.ts';
    import type { CompletenessView } from '../../core/views/completeness.ts';
    import type { BareCount } from '../../core/views/evidence.ts';
    import EvidenceMatrix from '../charts/EvidenceMatrix.svelte';
    import { count } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    interface Props {
        view: CompletenessView;
        /** Counts that came without a list. */
        bare: readonly BareCount[];
        to: ViewLinks;
        /** Whether all combinations are shown, and the address of the view where the others are, or are not. */
        showsAll: boolean;
        otherHref: string;
    }
    let { view, bare, to, showsAll, otherHref }: Props = $props();
    /** Combinations shown at first. */
    const FIRST = 14;
    const groups = $derived(view.complete.matrix.map((group) => ({ ...group, orphans: 0 })));
</script>

<section class="pane" aria-label="Evidence">
    <h2 class="pane-name">
        How URLs are known <span class="note">every combination, largest first; a row is a set</span>
    </h2>
    <EvidenceMatrix
        {groups}
        hrefOf={({ evidence }) => to.set(setLine({ evidence }))}
        most={showsAll ? groups.length : FIRST}
    />
    {#if groups.length > FIRST}
        <p class="mt-1">
            <a class="set" href={otherHref} data-sveltekit-noscroll
                >{showsAll ? 'Show the largest only' : `Show all ${groups.length} combinations`}</a
            >
        </p>
    {/if}
    {#each bare as item (`${item.name} ${item.day}`)}
        <p class="note">
            {item.name}: {count(item.count)} ({LIST_WORDS[item.kind].name.toLowerCase()}), {item.day}; a count without a
            list.
        </p>
    {/each}
</section>
