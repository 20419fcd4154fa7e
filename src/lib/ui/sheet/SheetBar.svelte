<script lang="ts">
    /** The head of a sheet: its place in the set, pinning, closing. */
    import { count } from '../parts/format.ts';

    interface Props {
        /** Where the page stands in the current set, with the addresses of its neighbours; null when it is not in it. */
        place: { place: number; of: number; before: string | null; after: string | null } | null;
        /** Keeps the sheet beside the next one; null where it is pinned. */
        pinHref: string | null;
        closeHref: string;
    }
    let { place, pinHref, closeHref }: Props = $props();
    const isPinned = $derived(pinHref === null);
</script>

<div class="set-bar !justify-between">
    <span class="ink3 flex items-center" data-sveltekit-noscroll>
        {#if place}
            {#if place.before !== null}
                <a class="tb !px-2" href={place.before} aria-label="Page before in the set">[</a>
            {/if}
            <span class="px-1">{count(place.place)} of {count(place.of)} in the set</span>
            {#if place.after !== null}
                <a class="tb !px-2" href={place.after} aria-label="Next page in the set">]</a>
            {/if}
        {:else}{isPinned ? 'Pinned' : 'Page sheet'}{/if}
    </span>
    <span class="flex" data-sveltekit-noscroll>
        {#if pinHref !== null}
            <a class="tb" href={pinHref} title="Keeps this sheet beside the next one">Pin</a>
        {/if}
        <a class="tb" href={closeHref} aria-label="Close the {isPinned ? 'pinned sheet' : 'page sheet'}">Close ×</a>
    </span>
</div>
