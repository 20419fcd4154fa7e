<script lang="ts">
    /** The edge of the page sheet, to be dragged, or moved with the arrow keys: a window splitter (WAI-ARIA 1.2). */
    import { onMount } from 'svelte';

    interface Props {
        /** Width of the sheet, pixels. */
        width: number;
    }
    let { width = $bindable() }: Props = $props();

    const LEAST = 300;
    const STEP = 20;
    const KEY = 'edgemap.sheet';
    /** What is left for the view beside it, pixels. */
    const VIEW = 480;
    let most = $state(720);
    let isDragging = $state(false);

    const bounded = (value: number): number => Math.round(Math.max(LEAST, Math.min(most, value)));
    function set(value: number): void {
        width = bounded(value);
        try {
            localStorage.setItem(KEY, String(width));
        } catch {
            // Nothing can be kept here: it is as wide as it is for as long as the page stands.
        }
    }

    onMount(() => {
        const measure = (): void => {
            most = Math.max(LEAST, window.innerWidth - VIEW);
            width = bounded(width);
        };
        try {
            const kept = Number(localStorage.getItem(KEY));
            if (kept > 0) width = kept;
        } catch {
            // As above.
        }
        measure();
        window.addEventListener('resize', measure);
        return () => window.removeEventListener('resize', measure);
    });

    function onKey(event: KeyboardEvent): void {
        const moves: Record<string, number> = {
            ArrowLeft: width + STEP,
            ArrowRight: width - STEP,
            Home: most,
            End: LEAST,
        };
        const wanted = moves[event.key];
        if (wanted === undefined) return;
        event.preventDefault();
        set(wanted);
    }
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div
    class="handle"
    class:dragging={isDragging}
    role="separator"
    aria-orientation="vertical"
    aria-label="Width of the page sheet"
    aria-valuenow={width}
    aria-valuemin={LEAST}
    aria-valuemax={most}
    tabindex="0"
    onkeydown={onKey}
    onpointerdown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        isDragging = true;
    }}
    onpointermove={(event) => {
        if (isDragging) set(window.innerWidth - event.clientX);
    }}
    onpointerup={() => (isDragging = false)}
    onpointercancel={() => (isDragging = false)}
></div>

<style>
    .handle {
        position: absolute;
        inset-block: 0;
        left: -5px;
        width: 9px;
        cursor: col-resize;
        touch-action: none;
        z-index: 5;
    }
    .handle:hover,
    .handle.dragging,
    .handle:focus-visible {
        background: color-mix(in oklab, var(--color-primary) 35%, transparent);
    }
    .handle:focus-visible {
        outline: 2px solid var(--color-primary);
    }
    @media (max-width: 1100px) {
        .handle {
            display: none;
        }
    }
</style>
