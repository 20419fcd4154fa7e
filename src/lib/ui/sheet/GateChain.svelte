<script lang="ts">
    /** Seven gates in a row: one line of ink through open posts, a wall where the page stops. */
    import type { Gate } from '$lib/core/gates/gates.ts';
    import type { GateState } from '$lib/core/areas/page-sheet.ts';
    import { GATE_GLYPHS } from '../parts/gate-glyphs.ts';

    let { gates }: { gates: { gate: Gate; state: GateState; reason: string }[] } = $props();
    const STEP = 56;
    const x = (index: number): number => 28 + index * STEP;
    const firstUnknown = $derived(gates.findIndex((gate) => gate.state === 'unknown'));
    const stop = $derived(gates.findIndex((gate) => gate.state === 'stop'));
    const inkEnd = $derived(stop !== -1 ? x(stop) : firstUnknown !== -1 ? x(firstUnknown) - STEP / 2 : 392);
    const STATE_WORDS: Record<GateState, string> = {
        open: 'passed',
        stop: 'stops here',
        shut: 'would stop here too',
        unknown: 'not known',
    };
</script>

<svg
    viewBox="0 0 392 62"
    width="100%"
    class="chain"
    role="img"
    aria-label={gates.map((gate) => `${gate.gate}: ${STATE_WORDS[gate.state]}`).join('; ')}
>
    <rect x="0" y="11" width={inkEnd} height="6" fill="currentColor" />
    {#if inkEnd < 392}<path
            d="M{inkEnd + 6} 14H392"
            stroke="var(--edge)"
            stroke-width="2"
            stroke-dasharray="2 5"
        />{/if}
    {#each gates as gate, index (gate.gate)}
        <g transform="translate({x(index)} 0)">
            {#if gate.state === 'stop'}
                <rect x="-2.5" y="1" width="5" height="26" fill="currentColor" />
            {:else}
                <rect x="-2" y="1" width="4" height="8" fill="currentColor" />
                <rect x="-2" y="19" width="4" height="8" fill="currentColor" />
                {#if gate.state === 'shut'}<path d="M0 9V19" stroke="currentColor" stroke-width="1.5" />{/if}
            {/if}
            <path
                d={GATE_GLYPHS[gate.gate]}
                transform="translate(-6 32)"
                fill="none"
                stroke="currentColor"
                stroke-width="1.4"
            />
            <text
                y="57"
                text-anchor="middle"
                font-size="11.5"
                font-weight={gate.state === 'stop' ? 700 : 400}
                fill={gate.state === 'stop' ? 'currentColor' : 'var(--ink2)'}>{gate.gate}</text
            >
        </g>
    {/each}
</svg>

<style>
    .chain {
        display: block;
    }
</style>
