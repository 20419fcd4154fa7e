<script lang="ts">
    /** The anchors of a page as one strip: a segment an anchor, as long as its links; its form tells how it stands to the page. */
    import type { Fit } from '../../core/subjects/anchor-fit.ts';

    interface Props {
        segments: readonly { fit: Fit; links: number }[];
        width?: number;
        height?: number;
    }
    let { segments, width = 132, height = 10 }: Props = $props();
    const id = $props.id();
    const GAP = 2;
    const drawn = $derived.by(() => {
        const all = segments.reduce((sum, { links }) => sum + links, 0) || 1;
        let at = 0;
        return segments.map(({ fit, links }) => {
            const length = (links / all) * width;
            const piece = { fit, from: at, length: Math.max(1, length - GAP) };
            at += length;
            return piece;
        });
    });
</script>

<svg {width} {height} aria-hidden="true">
    <defs>
        <pattern id="hatch-{id}" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <line x1="0" y1="0" x2="0" y2="4" stroke="var(--color-base-content)" stroke-width="1.4" />
        </pattern>
    </defs>
    {#each drawn as { fit, from, length }, index (index)}
        {#if fit === 'fits'}
            <rect x={from} y="0" width={length} {height} fill="var(--color-base-content)" />
        {:else}
            <rect
                x={from + 0.6}
                y="0.6"
                width={Math.max(0.6, length - 1.2)}
                height={height - 1.2}
                fill={fit === 'loose' ? `url(#hatch-${id})` : 'none'}
                stroke={fit === 'unknown' || fit === 'unjudged' ? 'var(--rule)' : 'var(--color-base-content)'}
                stroke-width={fit === 'nothing' ? 1 : 1.2}
                stroke-dasharray={fit === 'nothing' ? '2 2' : undefined}
            />
        {/if}
    {/each}
</svg>
