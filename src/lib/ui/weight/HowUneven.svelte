<script lang="ts">
    /** How unevenly standing is spread over the pages, with shared blocks and without them. */
    import type { WeightView } from '../../core/views/weight.ts';
    import Chart from '../charts/Chart.svelte';
    import Figure from '../charts/Figure.svelte';
    import { counted, percent } from '../parts/format.ts';
    import SetLink from '../parts/SetLink.svelte';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to }: { view: WeightView; to: ViewLinks } = $props();
    const { all, own } = $derived(view.concentration);
    /** Difference of the two from which one is told as steeper. */
    const STEEPER = 0.03;
</script>

<Figure
    name="How uneven"
    cells={() => [
        ['share of pages', 'share of standing, all links', 'share of standing, links outside shared blocks'],
        ...all.curve.map((point, index) => [point.pages, point.weight, own.curve[index]?.weight ?? null]),
    ]}
>
    <div class="lorenz">
        <Chart
            says="Lorenz curve: the poorest share of pages against their share of standing; Gini {all.gini.toFixed(2)}"
            height={236}
            option={(token) => ({
                grid: { left: 40, right: 10, top: 8, bottom: 36 },
                xAxis: {
                    type: 'value',
                    max: 1,
                    name: 'pages, least standing first',
                    nameLocation: 'middle',
                    nameGap: 22,
                    nameTextStyle: { color: token('--ink2') },
                    axisLabel: {
                        formatter: (value: number) => `${Math.round(value * 100)}%`,
                        color: token('--ink2'),
                    },
                    splitLine: { lineStyle: { color: token('--grid') } },
                    axisLine: { lineStyle: { color: token('--edge') } },
                },
                yAxis: {
                    type: 'value',
                    max: 1,
                    axisLabel: {
                        formatter: (value: number) => `${Math.round(value * 100)}%`,
                        color: token('--ink2'),
                    },
                    splitLine: { lineStyle: { color: token('--grid') } },
                },
                series: [
                    {
                        type: 'line',
                        data: [
                            [0, 0],
                            [1, 1],
                        ],
                        symbol: 'none',
                        silent: true,
                        lineStyle: { color: token('--ink3'), width: 1, type: [2, 4] },
                    },
                    {
                        type: 'line',
                        data: own.curve.map(({ pages, weight }) => [pages, weight]),
                        symbol: 'none',
                        silent: true,
                        lineStyle: { color: token('--color-base-content'), width: 1.6, type: [6, 4] },
                    },
                    {
                        type: 'line',
                        data: all.curve.map(({ pages, weight }) => [pages, weight]),
                        symbol: 'none',
                        silent: true,
                        lineStyle: { color: token('--color-primary'), width: 2.4 },
                        areaStyle: { color: token('--color-primary'), opacity: 0.1 },
                    },
                ],
            })}
        />
        <div>
            {#if view.top}
                <p>
                    The <SetLink of={view.top} hrefOf={to.set} order="standing.desc" text="top tenth" /> of pages holds
                    <b>{percent(view.top.share)}</b> of the standing.
                </p>
            {/if}
            <p class="mt-2"><i class="key solid"></i> Gini <b>{all.gini.toFixed(2)}</b>, all links.</p>
            <p><i class="key dashed"></i> Gini <b>{own.gini.toFixed(2)}</b>, without shared blocks.</p>
            <p>
                {all.gini > own.gini + STEEPER
                    ? 'Menus and other shared blocks make the slope, more than the writers.'
                    : own.gini > all.gini + STEEPER
                      ? 'The text is steeper than the whole: menus even it out.'
                      : 'With and without shared blocks it is about the same.'}
            </p>
            <p class="mt-2">
                <SetLink of={view.leak} hrefOf={to.set} order="leak.desc" text={percent(view.leak.share, 1)} /> of the weight
                leaks from {counted(view.leak.pages, 'page')} into errors and closed pages.
            </p>
            <p class="mt-2">
                <SetLink of={view.noWayOut} hrefOf={to.set} />
                {view.noWayOut.pages === 1 ? 'page has' : 'pages have'} no link out.
                <SetLink of={view.manyLinks} hrefOf={to.set} order="own_links.desc" />
                {view.manyLinks.pages === 1 ? 'has' : 'have'} more than {view.manyLinks.limit} links outside shared blocks.
            </p>
        </div>
    </div>
</Figure>

<style>
    .lorenz {
        display: grid;
        grid-template-columns: minmax(0, 300px) minmax(0, 1fr);
        gap: 18px;
    }
    .key {
        display: inline-block;
        width: 26px;
        vertical-align: 4px;
    }
    .solid {
        border-top: 2.4px solid var(--color-primary);
    }
    .dashed {
        border-top: 1.6px dashed var(--color-base-content);
    }
    @container (max-width: 560px) {
        .lorenz {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
