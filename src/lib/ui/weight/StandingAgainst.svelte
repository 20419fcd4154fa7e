<script lang="ts">
    /** Each page by its standing and a column of a list from elsewhere. */
    import type { WeightView } from '../../core/views/weight.ts';
    import Chart from '../charts/Chart.svelte';
    import Figure from '../charts/Figure.svelte';
    import { counted } from '../parts/format.ts';

    interface Props {
        against: NonNullable<WeightView['against']>;
        columns: string[];
        /** This view with another column. */
        hrefOf: (column: string) => string;
        onPage: (url: string) => void;
    }
    let { against, columns, hrefOf, onPage }: Props = $props();
</script>

<Figure
    name="Standing against {against.name}"
    class="border-t border-(--rule)"
    note="{counted(against.points.length, 'page')}, both scales by powers of ten"
    cells={() => [
        ['url', against.name, 'standing'],
        ...against.points.map((point) => [point.url, point.value, point.standing]),
    ]}
>
    <Chart
        says="Each page by {against.name} and standing; as a table it lists the same"
        height={220}
        onPoint={(index) => {
            const point = against.points[index];
            if (point) onPage(point.url);
        }}
        option={(token) => ({
            grid: { left: 44, right: 12, top: 10, bottom: 36 },
            tooltip: {
                trigger: 'item',
                renderMode: 'richText',
                formatter: ({ dataIndex }: { dataIndex: number }) => against.points[dataIndex]?.url ?? '',
            },
            xAxis: {
                type: 'log',
                name: against.name,
                nameLocation: 'middle',
                nameGap: 22,
                nameTextStyle: { color: token('--ink2') },
                axisLabel: { color: token('--ink2') },
                splitLine: { lineStyle: { color: token('--grid') } },
            },
            yAxis: {
                type: 'log',
                name: 'standing',
                nameTextStyle: { color: token('--ink2') },
                axisLabel: { color: token('--ink2') },
                splitLine: { lineStyle: { color: token('--grid') } },
            },
            series: [
                {
                    type: 'scatter',
                    symbol: 'rect',
                    symbolSize: 5,
                    data: against.points.map(({ value, standing, isInSet }) => ({
                        value: [value, standing],
                        itemStyle: isInSet
                            ? { color: token('--color-primary'), opacity: 0.75 }
                            : {
                                  color: 'transparent',
                                  borderColor: token('--edge'),
                                  borderWidth: 0.8,
                              },
                    })),
                    markLine: {
                        silent: true,
                        symbol: 'none',
                        label: {
                            formatter: 'average',
                            color: token('--ink2'),
                            position: 'insideEndTop',
                        },
                        lineStyle: { color: token('--ink3'), type: [2, 4] },
                        data: [{ yAxis: 1 }],
                    },
                },
            ],
        })}
    />
    {#if columns.length > 1}
        <p class="note" data-no-picture>
            Against {#each columns.filter((name) => name !== against.name) as name, index (name)}{index > 0
                    ? ', '
                    : ''}<a class="set" href={hrefOf(name)} data-sveltekit-noscroll>{name}</a>{/each}
        </p>
    {/if}
</Figure>
