<script lang="ts">
    /**
     * Pages per depth, going down like a depth sounding: filled is indexable, outlined is stopped at a gate. The same
     * numbers stand as links at the right, so the chart is also a table.
     */
    import { BarChart } from 'echarts/charts';
    import { AriaComponent, GridComponent } from 'echarts/components';
    import { init, use, type EChartsType } from 'echarts/core';
    import { SVGRenderer } from 'echarts/renderers';
    import type { DepthBand } from '$lib/core/survey/summary.ts';
    import { count } from '../parts/format.ts';
    import { onTheme, readTokens, type TokenName } from './tokens.ts';

    interface Props {
        bands: DepthBand[];
        /** Orphans; null when a partial survey cannot tell. */
        unreached: number | null;
        hrefOfDepth: (depth: number | 'none') => string;
        onChoose: (depth: number) => void;
        /** Pages of the current set at each depth, where one is chosen: drawn as a dark line in the band. */
        inSet?: DepthBand[] | null;
        /** With the columns indexable and so far, and depths to be chosen by dragging over them. */
        onRange?: (from: number, to: number) => void;
    }
    let { bands, unreached, hrefOfDepth, onChoose, inSet = null, onRange }: Props = $props();
    const total = $derived(bands.reduce((sum, band) => sum + band.pages, 0));
    const soFar = $derived.by(() => {
        let sum = 0;
        return bands.map((band) => (sum += band.pages));
    });
    /** Depths under the pointer while it is dragged, or between the first and the second that are pressed. */
    let range = $state<{ from: number; to: number } | null>(null);
    let isDragging = $state(false);

    function depthAt(event: PointerEvent): number {
        const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
        return Math.max(0, Math.min(bands.length - 1, Math.floor((event.clientY - box.top) / ROW)));
    }

    function chosen(): void {
        if (!range) return;
        const [from, to] = range.from <= range.to ? [range.from, range.to] : [range.to, range.from];
        range = null;
        isDragging = false;
        if (from === to) onChoose(from);
        else onRange?.(from, to);
    }

    /** A depth is pressed with the keyboard: the second one ends the range. */
    function pressed(depth: number): void {
        if (range === null) range = { from: depth, to: depth };
        else {
            range = { ...range, to: depth };
            chosen();
        }
    }

    use([BarChart, GridComponent, AriaComponent, SVGRenderer]);
    const ROW = 21;
    let host: HTMLDivElement | undefined = $state();
    const ramp = (depth: number): TokenName => `--d${Math.min(9, depth)}` as TokenName;
    const most = $derived(Math.max(1, unreached ?? 0, ...bands.map((band) => band.pages)));

    $effect(() => {
        const element = host;
        if (!element) return;
        const shown = bands;
        const widest = most;
        const chart: EChartsType = init(element, null, { renderer: 'svg' });
        chart.on('click', (event) => onChoose(Number(event.name)));
        const stopTheme = onTheme(() => {
            const token = readTokens();
            const outline = { borderColor: token('--ink2'), borderWidth: 0.7 };
            chart.setOption({
                animation: false,
                aria: {
                    enabled: true,
                    label: { description: 'Pages at each depth; the numbers beside are links to the same pages.' },
                },
                grid: { left: 0, right: 1, top: 0, bottom: 0 },
                xAxis: { type: 'value', show: false, max: widest },
                yAxis: { type: 'category', show: false, inverse: true, data: shown.map((band) => String(band.depth)) },
                series: [
                    {
                        type: 'bar',
                        stack: 'pages',
                        barWidth: ROW - 2,
                        emphasis: { disabled: true },
                        data: shown.map((band) => ({
                            value: band.indexable,
                            itemStyle: { ...outline, color: token(ramp(band.depth)) },
                        })),
                    },
                    {
                        type: 'bar',
                        stack: 'pages',
                        barWidth: ROW - 2,
                        emphasis: { disabled: true },
                        data: shown.map((band) => ({
                            value: band.pages - band.indexable,
                            itemStyle: { ...outline, color: token('--color-base-100') },
                        })),
                    },
                ],
            });
        });
        const observer = new ResizeObserver(() => chart.resize());
        observer.observe(element);
        return () => {
            observer.disconnect();
            stopTheme();
            chart.dispose();
        };
    });
</script>

<div class="sounding" class:wide={onRange !== undefined}>
    <div class="rows heads note">
        <span>depth</span><span></span><span class="text-right">{inSet ? 'in the set' : 'pages'}</span>
        {#if onRange}<span class="text-right">indexable</span><span class="text-right">so far</span>{/if}
    </div>
    <div class="rows" style:height="{bands.length * ROW}px">
        <div class="scale" aria-hidden={onRange ? undefined : 'true'}>
            {#each bands as band (band.depth)}<div style:height="{ROW}px">
                    {#if onRange}<button
                            aria-label="Depth {band.depth}: from here, or to here"
                            aria-pressed={range?.from === band.depth}
                            onclick={() => pressed(band.depth)}>{band.depth}</button
                        >{:else}<span>{band.depth}</span>{/if}<i class:dark={band.depth % 2 === 0}></i>
                </div>{/each}
        </div>
        <div class="over">
            <div bind:this={host} class="chart" style:height="{bands.length * ROW}px"></div>
            {#if inSet}
                {#each inSet as band (band.depth)}
                    {#if band.pages > 0}<i
                            class="own"
                            style:top="{band.depth * ROW + ROW / 2 - 2}px"
                            style:width="{(band.pages / most) * 100}%"
                        ></i>{/if}
                {/each}
            {/if}
            {#if onRange}
                <!-- Dragging is a second way: the depths at the left are buttons, the numbers at the right links. -->
                <div
                    class="drag"
                    role="presentation"
                    onpointerdown={(event) => {
                        isDragging = true;
                        range = { from: depthAt(event), to: depthAt(event) };
                        event.currentTarget.setPointerCapture(event.pointerId);
                    }}
                    onpointermove={(event) => {
                        if (isDragging && range) range = { ...range, to: depthAt(event) };
                    }}
                    onpointerup={() => isDragging && chosen()}
                    onpointercancel={() => {
                        isDragging = false;
                        range = null;
                    }}
                ></div>
                {#if range}<div
                        class="band"
                        style:top="{Math.min(range.from, range.to) * ROW}px"
                        style:height="{(Math.abs(range.to - range.from) + 1) * ROW}px"
                    ></div>{/if}
            {/if}
        </div>
        <ul class="numbers" aria-label="Pages by depth">
            {#each bands as band (band.depth)}
                <li style:height="{ROW}px">
                    <a
                        class="set plain-set"
                        href={hrefOfDepth(band.depth)}
                        aria-label="{inSet ? `${count(inSet[band.depth]?.pages ?? 0)} of ` : ''}{count(
                            band.pages,
                        )} pages at depth {band.depth}{inSet
                            ? ' are in the set'
                            : `, ${count(band.indexable)} indexable`}"
                        >{inSet ? `${count(inSet[band.depth]?.pages ?? 0)} of ` : ''}{count(band.pages)}</a
                    >
                </li>
            {/each}
        </ul>
        {#if onRange}
            <ul class="numbers" aria-label="Indexable by depth">
                {#each bands as band (band.depth)}<li style:height="{ROW}px">{count(band.indexable)}</li>{/each}
            </ul>
            <ul class="numbers ink2" aria-label="Share of pages so far">
                {#each bands as band, index (band.depth)}<li style:height="{ROW}px">
                        {Math.round(((soFar[index] ?? 0) / Math.max(1, total)) * 100)}%
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
