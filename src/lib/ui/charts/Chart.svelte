<script lang="ts">
    /** A drawing by ECharts in the colours of the theme, as SVG, as wide as its place: the one place that knows ECharts. */
    import { BarChart, LineChart, ScatterChart } from 'echarts/charts';
    import { AriaComponent, GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
    import { init, use, type EChartsCoreOption } from 'echarts/core';
    import { SVGRenderer } from 'echarts/renderers';
    import { onTheme, readTokens, type TokenName } from './tokens.ts';

    interface Props {
        /** What is drawn, for who cannot see it. */
        says: string;
        height: number;
        option: (token: (name: TokenName) => string) => EChartsCoreOption;
        /** Place of a point that is pressed, in its series. */
        onPoint?: (index: number, series: number) => void;
    }
    let { says, height, option, onPoint }: Props = $props();
    use([
        BarChart,
        LineChart,
        ScatterChart,
        GridComponent,
        MarkLineComponent,
        TooltipComponent,
        AriaComponent,
        SVGRenderer,
    ]);
    let host: HTMLDivElement | undefined = $state();

    $effect(() => {
        const element = host;
        if (!element) return;
        const make = option;
        const chart = init(element, null, { renderer: 'svg' });
        chart.on('click', ({ dataIndex, seriesIndex }) => onPoint?.(dataIndex, seriesIndex ?? 0));
        const stop = onTheme(() =>
            chart.setOption({
                animation: false,
                textStyle: { fontFamily: getComputedStyle(document.body).fontFamily, fontSize: 11.5 },
                aria: { enabled: true, label: { description: says } },
                ...make(readTokens()),
            }),
        );
        const observer = new ResizeObserver(() => chart.resize());
        observer.observe(element);
        return () => {
            observer.disconnect();
            stop();
            chart.dispose();
        };
    });
</script>

<div bind:this={host} style:height="{height}px" role="img" aria-label={says}></div>
