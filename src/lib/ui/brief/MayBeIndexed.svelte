<script lang="ts">
    /** The gates, what stops at each, and in a line each weight and the current set. */
    import type { BriefView } from '../../core/views/brief.ts';
    import { GATES } from '../../core/gates/gates.ts';
    import { setLine, type PageFilter } from '../../core/sets/page-filter.ts';
    import Figure from '../charts/Figure.svelte';
    import GateChannel from '../charts/GateChannel.svelte';
    import { count, counted, percent } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to }: { view: BriefView; to: ViewLinks } = $props();
    const { counts } = $derived(view);
    const set = (filter: PageFilter): string => to.set(setLine(filter));
</script>

<Figure
    name="What may be indexed"
    class="wide"
    note="URLs that pass each gate, and what stops there"
    cells={() => [
        ['gate', 'stop there'],
        ...GATES.map((gate) => [gate, counts.byGate[gate] ?? 0]),
        ['indexable', counts.indexable],
        ['not known', counts.gateUnknown],
    ]}
>
    <GateChannel byGate={counts.byGate} hrefOfGate={(gate) => set({ gate })} />
    {#if counts.gateUnknown > 0}<p class="note">
            <a class="set" href={set({ gate: 'unknown' })}>{count(counts.gateUnknown)}</a> URLs were not read: their gates
            are not known and they are not in the channel.
        </p>{/if}
    {#if view.weight.ranked > 0}
        <p class="mt-2">
            <b>Weight.</b> Gini <a class="set" href="{to.base}/weight">{view.weight.gini.toFixed(2)}</a>;
            <a class="set" href="{to.set('leak > 0')}&order=leak.desc">{percent(view.weight.leak, 1)}</a> leaks into
            errors and closed pages{#if view.weight.starved !== null}; <a class="set" href={to.set('starved')}
                    >{count(view.weight.starved)}</a
                >
                that matter {view.weight.starved === 1 ? 'is' : 'are'} starved{/if}.
        </p>
    {/if}
    {#if view.inSet}
        <p class="mt-2">
            <b>The current set.</b>
            {counted(view.inSet.pages, 'page')} of {count(view.inSet.known)} known URLs; {count(view.inSet.reached)} reached,
            {count(view.inSet.indexable)} indexable.
        </p>
    {/if}
</Figure>
