<script lang="ts">
    /** Pages of each level at the right of the icicle; by shortest paths each level is a depth, and a set. */
    import type { TreeLayout } from '../../core/map/tree-layout.ts';
    import { count } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    interface Props {
        layout: TreeLayout;
        /** Levels are depths, and all of each is there. */
        isDepth: boolean;
        /** What stands at the foot, as a set. */
        looseSet: string;
        to: ViewLinks;
    }
    let { layout, isDepth, looseSet, to }: Props = $props();
    const loose = $derived(layout.loose?.order.length ?? 0);
</script>

<div class="sums">
    {#each layout.levels as { y, pages }, level (level)}
        {#if pages > 0}
            <span class="sum" style:top="{y}px"
                >{#if isDepth}<a class="set" href={to.set(`page and depth = ${level}`)}>{count(pages)}</a>{:else}{count(
                        pages,
                    )}{/if}</span
            >
        {/if}
    {/each}
    {#if layout.loose}
        <span class="sum" style:top="{layout.loose.y[0]}px"
            ><a class="set" href={to.set(looseSet)}>{count(loose)}</a></span
        >
    {/if}
</div>

<style>
    .sums {
        position: relative;
    }
    .sum {
        position: absolute;
        left: 12px;
        line-height: 16px;
        white-space: nowrap;
    }
</style>
