<script lang="ts">
    /** How the map is shaded, and how large it is. */
    import { MAP_SHADES, type MapShade } from './draw-depth.ts';

    interface Props {
        shade: MapShade;
        size: number;
        sizes: readonly number[];
        /** Parameters of the address that change; null takes one away. */
        onChoose: (change: Record<string, string | null>) => void;
    }
    let { shade, size, sizes, onChoose }: Props = $props();
    const choose = (next: number | undefined): void => {
        if (next !== undefined) onChoose({ size: next === 1 ? null : String(next) });
    };
</script>

<div class="choices">
    <label
        >shade by
        <select class="field" value={shade} onchange={(event) => onChoose({ shade: event.currentTarget.value })}>
            {#each MAP_SHADES as own (own)}<option value={own}>{own}</option>{/each}
        </select></label
    >
    <span class="sizes" role="group" aria-label="Size">
        <button
            class="tb"
            aria-label="Smaller"
            disabled={size === sizes[0]}
            onclick={() => choose(sizes[sizes.indexOf(size) - 1])}>−</button
        >
        <button class="tb" disabled={size === 1} onclick={() => choose(1)}>whole</button>
        <button
            class="tb"
            aria-label="Larger"
            disabled={size === sizes.at(-1)}
            onclick={() => choose(sizes[sizes.indexOf(size) + 1])}>+</button
        >
    </span>
</div>

<style>
    .choices {
        display: flex;
        flex-wrap: wrap;
        gap: 6px 16px;
        align-items: center;
        padding: 0 16px 4px;
    }
    .choices select {
        width: auto;
        margin-left: 6px;
    }
    .sizes {
        margin-left: auto;
    }
</style>
