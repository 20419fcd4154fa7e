<script lang="ts">
    /** The card of what is pointed at, at the first side that is free; a line that is read out says the same. */
    import type { MapCard } from '../../core/views/map.ts';
    import { counted } from '../parts/format.ts';
    import MapCardView from './MapCardView.svelte';
    import type { MapPlace } from './map-place.ts';

    interface Props {
        at: MapPlace | null;
        card: MapCard | null;
        /** Where what is pointed at begins in its frame, and how large that is. */
        spot: { x: number; y: number };
        frame: { width: number; height: number };
        origin: string;
    }
    let { at, card, spot, frame, origin }: Props = $props();
    const [WIDE, HIGH, BESIDE] = [288, 190, 12];
    /** Beside it where there is room, of a wide one below its left end. */
    const left = $derived.by(() => {
        if (at === null) return 0;
        const right = spot.x + at.width + BESIDE;
        if (right + WIDE <= frame.width) return right;
        return Math.max(0, Math.min(frame.width - WIDE, at.width > WIDE ? spot.x + BESIDE : spot.x - WIDE - BESIDE));
    });
    const top = $derived.by(() => {
        if (at === null) return 0;
        const isBelow = spot.x + at.width + BESIDE + WIDE > frame.width && at.width > WIDE;
        return Math.max(0, Math.min(spot.y + (isBelow ? at.height + 4 : 14), frame.height - HIGH));
    });
</script>

{#if at && (card || at.group)}
    <div class="told" style:left="{left}px" style:top="{top}px">
        {#if at.group}
            <p class="name">{at.group.name}</p>
            <p class="note">
                {counted(at.group.pages, 'page')}{at.into === null ? '' : '; a press goes into it'}
            </p>
        {:else if card}<MapCardView {card} pages={at.nodes.length} isInto={at.into !== null} {origin} />{/if}
    </div>
{/if}
<p class="visually-hidden" role="status">
    {#if at?.group}{at.group.name}, {counted(at.group.pages, 'page')}
    {:else if at && card}{card.title || card.url}, {card.depth === null ? 'not reached' : `depth ${card.depth}`}{/if}
</p>

<style>
    .told {
        position: absolute;
        z-index: 2;
        width: 288px;
        padding: 8px 10px;
        border: 1px solid var(--color-base-content);
        background: var(--color-base-100);
        pointer-events: none;
    }
    .name {
        font-weight: 600;
    }
</style>
