<script lang="ts">
    /** Pages by depth, small: a bar a depth from the start page down, as the sounding of the Brief draws them. */
    import type { DepthRow } from '../../core/areas/depth-rows.ts';
    import { counted } from '../parts/format.ts';

    let { rows, unreached }: { rows: readonly DepthRow[]; unreached: number | null } = $props();
    const WIDTH = 150;
    const BAR = 5;
    const STEP = 7;
    const DEEPEST_HUE = 9;
    const most = $derived(Math.max(1, ...rows.map(({ pages }) => pages)));
    const height = $derived(rows.length * STEP + 1);
    const deepest = $derived(rows.at(-1)?.to ?? 0);
    const says = $derived(
        `${counted(rows.length > 0 ? deepest + 1 : 0, 'depth')}${unreached === null || unreached === 0 ? '' : `, ${counted(unreached, 'orphan')}`}`,
    );
</script>

<svg width={WIDTH + 4} {height} viewBox="0 0 {WIDTH + 4} {height}" role="img" aria-label="Pages by depth: {says}">
    <line x1="1" y1="0" x2="1" y2={height} stroke="var(--color-base-content)" stroke-width="2" />
    {#each rows as row, index (row.from)}
        <rect
            x="3"
            y={index * STEP + 1}
            width={Math.max(1, (row.pages / most) * WIDTH)}
            height={BAR}
            fill="var(--d{Math.min(DEEPEST_HUE, row.from)})"
            stroke="var(--ink2)"
            stroke-width="0.5"
            ><title
                >{counted(row.pages, 'page')} at depth {row.from === row.to
                    ? row.from
                    : `${row.from} to ${row.to}`}</title
            ></rect
        >
    {/each}
</svg>
