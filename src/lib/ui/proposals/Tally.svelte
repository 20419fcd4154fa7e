<script lang="ts">
    /** Wanted links as squares: filled for those it has or that are taken, empty for those still wanted. */
    interface Props {
        wanted: number;
        has: number;
        taken: number;
    }
    let { wanted, has, taken }: Props = $props();
    const MOST = 10;
    const shown = $derived(Math.min(MOST, wanted));
    const kindAt = (at: number): 'has' | 'taken' | 'open' => (at < has ? 'has' : at < has + taken ? 'taken' : 'open');
</script>

<svg width={shown * 13} height="11" role="img" aria-label="{has} of {wanted} wanted links are there, {taken} taken">
    {#each { length: shown }, at}
        <rect
            x={at * 13 + 0.5}
            y="0.5"
            width="10"
            height="10"
            fill={kindAt(at) === 'open' ? 'none' : kindAt(at) === 'has' ? 'var(--ink2)' : 'var(--color-primary)'}
            stroke={kindAt(at) === 'taken' ? 'var(--color-primary)' : 'var(--edge)'}
        />
    {/each}
</svg>
