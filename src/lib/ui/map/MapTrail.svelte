<script lang="ts">
    /** What lies above the branch or folder that is gone into: the way out. */
    import type { TreeLayout } from '../../core/map/tree-layout.ts';
    import { count } from '../parts/format.ts';

    interface Props {
        trail: TreeLayout['trail'];
        /** What the whole is called. */
        whole: string;
        /** The address with that branch gone into; null for the whole. */
        hrefOf: (key: string | null) => string;
    }
    let { trail, whole, hrefOf }: Props = $props();
</script>

<nav class="trail" aria-label="What lies above">
    <a class="link" href={hrefOf(null)} data-sveltekit-noscroll>{whole}</a>
    {#each trail as { name, key, pages }, at (key)}
        <span aria-hidden="true">›</span>
        {#if at === trail.length - 1}<b>{name}</b> <span class="note">{count(pages)}</span>
        {:else}<a class="link" href={hrefOf(key)} data-sveltekit-noscroll>{name}</a>{/if}
    {/each}
</nav>

<style>
    .trail {
        display: flex;
        flex-wrap: wrap;
        gap: 2px 8px;
        align-items: baseline;
        padding: 0 16px 4px 68px;
    }
</style>
