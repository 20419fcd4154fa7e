<script lang="ts">
    /** The depths or levels of the map at its left, as a scale. */
    interface Rung {
        y: number;
        height: number;
        say: string;
        /** What links do not reach is on no scale. */
        isReached: boolean;
    }
    /** Words that take two lines end with their band: below the last one nothing is seen. */
    const TWO_LINES = 32;
    /** Digits that stand beside the scale in letters of their usual size. */
    const LONG = 4;
    let { rungs }: { rungs: readonly Rung[] } = $props();
</script>

<div class="scale" aria-hidden="true">
    {#each rungs as { y, height, say, isReached }, index (y)}
        {#if isReached}
            <span class="rung" class:dark={index % 2 === 0} style:top="{y}px" style:height="{height}px"></span>
            <span class="depth" class:long={say.length > LONG} style:top="{y}px">{say}</span>
        {:else}<em class="none" style:top="{y - Math.max(0, TWO_LINES - height)}px">{say}</em>{/if}
    {/each}
</div>

<style>
    .scale {
        position: sticky;
        left: 0;
        z-index: 1;
        width: 46px;
        background: var(--color-base-100);
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
        right: 12px;
        line-height: 16px;
        white-space: nowrap;
    }
    .depth.long {
        font-size: 0.6875rem;
    }
    .none {
        position: absolute;
        left: 0;
        width: 44px;
        font: italic 400 0.8125rem/1rem var(--font-serif);
        color: var(--ink2);
    }
</style>
