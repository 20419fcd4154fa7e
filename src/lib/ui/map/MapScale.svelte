<script lang="ts">
    /** The depths of the map at its left, as a scale. */
    import type { DepthLayout } from '../../core/map/depth-layout.ts';
    import { depthName } from './map-sets.ts';

    let { layout }: { layout: DepthLayout } = $props();
</script>

<div class="scale" aria-hidden="true">
    {#each layout.bands as band, index (band.from)}
        <span
            class="rung"
            class:dark={index % 2 === 0 && band.from >= 0}
            style:top="{band.y}px"
            style:height="{band.height}px"
        ></span>
        <span class="depth" style:top="{band.y}px">{depthName(band)}</span>
        {#if band.from < 0}<em class="none" style:top="{band.y}px">not reached</em>{/if}
    {/each}
</div>

<style>
    .scale {
        position: relative;
    }
    .rung {
        position: absolute;
        left: 40px;
        width: 5px;
        border: 1px solid var(--color-base-content);
    }
    .rung.dark {
        background: var(--color-base-content);
    }
    .depth {
        position: absolute;
        right: 18px;
        line-height: 16px;
    }
    .none {
        position: absolute;
        left: 0;
        width: 40px;
        font: italic 400 0.8125rem/1rem var(--font-serif);
        color: var(--ink2);
    }
</style>
