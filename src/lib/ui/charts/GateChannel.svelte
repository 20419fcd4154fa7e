<script lang="ts">
    /** How many URLs pass each gate: a channel that narrows at each post, in exact proportion. */
    import { GATES, type Gate } from '$lib/core/gates/gates.ts';
    import { count } from '../parts/format.ts';
    import { GATE_GLYPHS } from '../parts/gate-glyphs.ts';

    interface Props {
        /** URLs that stop at each gate, and those that pass all. */
        byGate: Record<string, number>;
        hrefOfGate: (gate: Gate | 'indexable') => string;
    }
    let { byGate, hrefOfGate }: Props = $props();

    /** Between number and name, so that a reader of the text does not hear one word. */
    const SPACE = ' ';
    const WIDTH = 480;
    const HEIGHT = 140;
    const FIRST = 66;
    const STEP = 56;
    const total = $derived(['indexable', ...GATES].reduce((sum, gate) => sum + (byGate[gate] ?? 0), 0));
    const stages = $derived.by(() => {
        let left = total;
        return GATES.map((gate, index) => {
            const before = left;
            const stopped = byGate[gate] ?? 0;
            left -= stopped;
            return { gate, x: FIRST + index * STEP, before, stopped, after: left };
        });
    });
    const half = (value: number): number => (total === 0 ? 0 : (value / total) * (HEIGHT / 2));
    const middle = HEIGHT / 2;
    const shore = $derived.by(() => {
        let top = `M0 ${middle - half(total)}`;
        let bottom = `M0 ${middle + half(total)}`;
        for (const stage of stages) {
            top += `H${stage.x}V${middle - half(stage.after)}`;
            bottom += `H${stage.x}V${middle + half(stage.after)}`;
        }
        return { top: `${top}H${WIDTH}`, bottom: `${bottom}H${WIDTH}` };
    });
    const water = $derived.by(() => {
        let path = `M0 ${middle - half(total)}`;
        for (const stage of stages) path += `H${stage.x}V${middle - half(stage.after)}`;
        path += `H${WIDTH}V${middle + half(stages.at(-1)?.after ?? 0)}`;
        for (const stage of [...stages].reverse()) path += `H${stage.x}V${middle + half(stage.before)}`;
        return `${path}H0Z`;
    });
</script>

<div class="channel-across">
    <div class="note flex justify-between"><span class="aside">all URLs</span><span class="aside">indexable</span></div>
</div>
<svg
    class="channel-across max-w-[560px]"
    viewBox="0 -6 {WIDTH} {HEIGHT + 62}"
    width="100%"
    role="group"
    aria-label="URLs that pass each gate"
>
    <rect width={WIDTH} height={HEIGHT} fill="url(#hatch-faint)" />
    <path d={water} fill="var(--water)" stroke="none" />
    <path d={water} fill="none" stroke="none" />
    <path d={shore.top} fill="none" stroke="var(--color-primary)" stroke-width="1.4" />
    <path d={shore.bottom} fill="none" stroke="var(--color-primary)" stroke-width="1.4" />
    <text x="8" y={middle + 6} font-size="17" font-weight="700" fill="currentColor">{count(total)}</text>
    {#each stages as stage, index (stage.gate)}
        <path
            d="M{stage.x} -6V{middle - half(stage.after)}M{stage.x} {middle + half(stage.after)}V{HEIGHT + 6}"
            stroke="currentColor"
            stroke-width="3"
        />
        <!-- A number that has not changed since the post before says nothing new. -->
        {#if index < stages.length - 1 && stage.stopped > 0}<text
                x={stage.x + STEP / 2}
                y={middle + 4}
                text-anchor="middle"
                font-size="11.5"
                fill="currentColor">{count(stage.after)}</text
            >{/if}
        <a href={hrefOfGate(stage.gate)} aria-label="{count(stage.stopped)} {stage.gate}: stopped at this gate">
            <rect x={stage.x - STEP / 2 + 1} y={HEIGHT + 8} width={STEP - 2} height="46" fill="transparent" />
            <text
                class="num"
                x={stage.x}
                y={HEIGHT + 22}
                text-anchor="middle"
                font-size="13"
                font-weight="600"
                fill={stage.stopped > 0 ? 'var(--color-primary)' : 'var(--ink3)'}>{count(stage.stopped)}</text
            >{SPACE}
            <path
                d={GATE_GLYPHS[stage.gate]}
                transform="translate({stage.x - 6} {HEIGHT + 27})"
                fill="none"
                stroke="currentColor"
                stroke-width="1.4"
            />
            <text x={stage.x} y={HEIGHT + 52} text-anchor="middle" font-size="11.5" fill="var(--ink2)"
                >{stage.gate}</text
            >
        </a>
    {/each}
    <a href={hrefOfGate('indexable')} aria-label="{count(byGate.indexable ?? 0)} are indexable">
        <text
            x={WIDTH - 4}
            y={middle + 6}
            text-anchor="end"
            font-size="17"
            font-weight="700"
            fill="var(--color-primary)">{count(byGate.indexable ?? 0)}</text
        >
    </a>
</svg>

<table class="ruled channel-down-table channel-down">
    <thead><tr><th>Gate</th><th>Passed</th><th class="num">URLs</th><th class="num">Stopped</th></tr></thead>
    <tbody>
        {#each stages as stage (stage.gate)}
            <tr>
                <td class="nw">{stage.gate}</td>
                <td class="w-full"
                    ><svg width="100%" height="14" aria-hidden="true"
                        ><rect width="100%" height="14" fill="url(#hatch-faint)" /><rect
                            width="{total === 0 ? 0 : (stage.after / total) * 100}%"
                            height="14"
                            fill="var(--water)"
                            stroke="var(--color-primary)"
                        /></svg
                    ></td
                >
                <td class="num">{count(stage.after)}</td>
                <td class="num"><a class="set" href={hrefOfGate(stage.gate)}>{count(stage.stopped)}</a></td>
            </tr>
        {/each}
    </tbody>
</table>
