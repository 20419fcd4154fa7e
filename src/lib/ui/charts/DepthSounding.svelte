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
    }
    let { bands, unreached, hrefOfDepth, onChoose }: Props = $props();

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

<div class="sounding">
    <div class="note flex justify-between"><span>depth</span><span>pages</span></div>
    <div class="rows" style:height="{bands.length * ROW}px">
        <div class="scale" aria-hidden="true">
            {#each bands as band (band.depth)}<div style:height="{ROW}px">
                    <span>{band.depth}</span><i class:dark={band.depth % 2 === 0}></i>
                </div>{/each}
        </div>
        <div bind:this={host} class="chart" style:height="{bands.length * ROW}px"></div>
        <ul class="numbers" aria-label="Pages by depth">
            {#each bands as band (band.depth)}
                <li style:height="{ROW}px">
                    <a
                        class="set plain-set"
                        href={hrefOfDepth(band.depth)}
                        aria-label="{count(band.pages)} pages at depth {band.depth}, {count(band.indexable)} indexable"
                        >{count(band.pages)}</a
                    >
                </li>
            {/each}
        </ul>
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
        grid-template-columns: 26px minmax(0, 1fr) 42px;
        min-height: 24px;
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
