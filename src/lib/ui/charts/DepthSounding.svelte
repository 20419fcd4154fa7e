<script lang="ts">
    /**
     * Pages per depth, going down like a depth sounding: filled is indexable, outlined is stopped at a gate. The same
     * numbers stand as links at the right, so the chart is also a table.
     */
    import type { DepthRow } from '$lib/core/areas/depth-rows.ts';
    import { count, shareSoFar } from '../parts/format.ts';
    import { depthName, soundingOption } from './sounding-series.ts';
    import Chart from './Chart.svelte';
    import { RowRange } from './row-range.svelte.ts';
    import RowDrag from './RowDrag.svelte';

    interface Props {
        /** Depths, or ranges of them, from the start page down. */
        rows: DepthRow[];
        /** Orphans; null when a partial survey cannot tell. */
        unreached: number | null;
        hrefOfDepth: (depths: { from: number; to: number } | 'none') => string;
        onChoose: (depths: { from: number; to: number }) => void;
        /** Pages of the current set in each row, where one is chosen: drawn as a dark line in the band. */
        inSet?: DepthRow[] | null;
        /** With the columns indexable and so far, and depths to be chosen by dragging over them. */
        onRange?: (from: number, to: number) => void;
    }
    let { rows, unreached, hrefOfDepth, onChoose, inSet = null, onRange }: Props = $props();
    const total = $derived(rows.reduce((sum, row) => sum + row.pages, 0));
    const soFar = $derived.by(() => {
        let sum = 0;
        return rows.map((row) => (sum += row.pages));
    });
    const range = new RowRange((first, last) => {
        const depths = { from: rows[first]!.from, to: rows[last]!.to };
        if (first === last) onChoose(depths);
        else onRange?.(depths.from, depths.to);
    });

    const ROW = 21;
    const most = $derived(Math.max(1, unreached ?? 0, ...rows.map((row) => row.pages)));

    const option = $derived(soundingOption(rows, most, ROW));
</script>

<div class="sounding" class:wide={onRange !== undefined} class:ranges={rows.some(({ from, to }) => from !== to)}>
    <div class="rows heads note">
        <span>depth</span><span></span><span class="text-right">{inSet ? 'in the set' : 'pages'}</span>
        {#if onRange}<span class="text-right">indexable</span><span class="text-right">so far</span>{/if}
    </div>
    <div class="rows" style:height="{rows.length * ROW}px">
        <div class="scale" aria-hidden={onRange ? undefined : 'true'}>
            {#each rows as row, index (row.from)}<div style:height="{ROW}px">
                    {#if onRange}<button
                            aria-label="Depth {depthName(row)}: from here, or to here"
                            aria-pressed={range.ends?.from === index}
                            onclick={() => range.press(index)}>{depthName(row)}</button
                        >{:else}<span>{depthName(row)}</span>{/if}<i class:dark={index % 2 === 0}></i>
                </div>{/each}
        </div>
        <div class="over">
            <div class="chart">
                <Chart
                    says="Pages at each depth; the numbers beside are links to the same pages."
                    height={rows.length * ROW}
                    {option}
                    onPoint={(index) => onChoose(rows[index]!)}
                />
            </div>
            {#if inSet}
                {#each inSet as row, index (row.from)}
                    {#if row.pages > 0}<i
                            class="own"
                            style:top="{index * ROW + ROW / 2 - 2}px"
                            style:width="{(row.pages / most) * 100}%"
                        ></i>{/if}
                {/each}
            {/if}
            {#if onRange}
                <!-- Dragging is a second way: the depths at the left are buttons, the numbers at the right links. -->
                <RowDrag {range} count={rows.length} height={ROW} />
            {/if}
        </div>
        <ul class="numbers" aria-label="Pages by depth">
            {#each rows as row, index (row.from)}
                <li style:height="{ROW}px">
                    <a
                        class="set plain-set"
                        href={hrefOfDepth(row)}
                        aria-label="{inSet ? `${count(inSet[index]?.pages ?? 0)} of ` : ''}{count(
                            row.pages,
                        )} pages at depth {depthName(row)}{inSet
                            ? ' are in the set'
                            : `, ${count(row.indexable)} indexable`}"
                        >{inSet ? `${count(inSet[index]?.pages ?? 0)} of ` : ''}{count(row.pages)}</a
                    >
                </li>
            {/each}
        </ul>
        {#if onRange}
            <ul class="numbers" aria-label="Indexable by depth">
                {#each rows as row (row.from)}<li style:height="{ROW}px">{count(row.indexable)}</li>{/each}
            </ul>
            <ul class="numbers ink2" aria-label="Share of pages so far">
                {#each rows as row, index (row.from)}<li style:height="{ROW}px">
                        {shareSoFar(soFar[index] ?? 0, total)}
                    </li>{/each}
            </ul>
        {/if}
    </div>
    <svg class="wave" width="100%" height="8" aria-hidden="true"
        ><defs
            ><pattern id="wave" width="12" height="8" patternUnits="userSpaceOnUse"
                ><path d="M0 5q3-4 6 0t6 0" fill="none" stroke="var(--ink2)" /></pattern
            ></defs
        ><rect width="100%" height="8" fill="url(#wave)" /></svg
    >
    <div class="rows">
        <div class="scale"></div>
        <div class="flex items-center gap-2 min-w-0">
            {#if unreached !== null && unreached > 0}
                <svg width="{(unreached / most) * 100}%" height="20" class="unreached" aria-hidden="true"
                    ><rect
                        x="0.5"
                        y="0.5"
                        width="100%"
                        height="19"
                        fill="url(#hatch)"
                        stroke="var(--ink2)"
                        stroke-width="0.7"
                    /></svg
                >
            {/if}
            <span class="aside ink2 whitespace-nowrap">not reached</span>
        </div>
        <div class="numbers flex items-center justify-end">
            {#if unreached === null}<span class="ink3">not known</span>{:else}<a
                    class="set plain-set"
                    href={hrefOfDepth('none')}>{count(unreached)}</a
                >{/if}
        </div>
    </div>
</div>

<style>
    .rows {
        display: grid;
        grid-template-columns: 26px minmax(0, 1fr) minmax(42px, auto);
        min-height: 24px;
    }
    .wide .rows {
        grid-template-columns: 34px minmax(0, 1fr) 84px 70px 56px;
    }
    .ranges .rows {
        grid-template-columns: 62px minmax(0, 1fr) minmax(42px, auto);
    }
    .ranges.wide .rows {
        grid-template-columns: 96px minmax(0, 1fr) 84px 70px 56px;
    }
    .heads {
        min-height: 0;
    }
    .over {
        position: relative;
    }
    .own {
        position: absolute;
        left: 0;
        height: 4px;
        min-width: 2px;
        background: var(--color-base-content);
        pointer-events: none;
    }
    .scale button {
        min-width: 22px;
        min-height: 21px;
        cursor: pointer;
        text-align: right;
    }
    .scale div {
        display: flex;
        justify-content: flex-end;
        align-items: center;
        gap: 5px;
        padding-right: 3px;
    }
    .scale i {
        width: 5px;
        height: 100%;
        border: 1px solid var(--color-base-content);
    }
    .scale i.dark {
        background: var(--color-base-content);
    }
    .numbers {
        text-align: right;
    }
    .numbers li {
        line-height: 21px;
    }
    .numbers a {
        display: inline-block;
        min-width: 24px;
    }
    .unreached {
        min-width: 6px;
        flex: none;
        max-width: 60%;
    }
    .wave {
        display: block;
        margin: 2px 0;
    }
</style>
