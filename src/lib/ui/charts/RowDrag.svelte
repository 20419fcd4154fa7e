<script lang="ts">
    /** Laid over a chart of rows: a range of them is chosen by dragging. Whoever uses it offers a second way. */
    import type { RowRange } from './row-range.svelte.ts';

    /** @param count rows, each `height` pixels high */
    let { range, count, height }: { range: RowRange; count: number; height: number } = $props();

    function rowAt(event: PointerEvent & { currentTarget: HTMLElement }): number {
        const { top } = event.currentTarget.getBoundingClientRect();
        return Math.max(0, Math.min(count - 1, Math.floor((event.clientY - top) / height)));
    }
</script>

<div
    class="drag"
    role="presentation"
    onpointerdown={(event) => {
        range.grab(rowAt(event));
        event.currentTarget.setPointerCapture(event.pointerId);
    }}
    onpointermove={(event) => range.drag(rowAt(event))}
    onpointerup={() => range.drop()}
    onpointercancel={() => range.callOff()}
></div>
{#if range.rows}
    {@const { first, last } = range.rows}
    <div class="band" style:top="{first * height}px" style:height="{(last - first + 1) * height}px"></div>
{/if}

<style>
    .drag {
        position: absolute;
        inset: 0;
        cursor: row-resize;
        touch-action: pan-x;
    }
    .band {
        position: absolute;
        inset-inline: 0;
        border: 1.5px solid var(--color-primary);
        background: color-mix(in oklab, var(--color-primary) 12%, transparent);
        pointer-events: none;
    }
</style>
