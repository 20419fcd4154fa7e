<script lang="ts">
    import { goto } from '$app/navigation';
    import { page } from '$app/state';
    import { GATES } from '$lib/core/gates/gates.ts';
    import Figure from '$lib/ui/charts/Figure.svelte';
    import GateChannel from '$lib/ui/charts/GateChannel.svelte';
    import AsAgent from '$lib/ui/gates/AsAgent.svelte';
    import Contradictions from '$lib/ui/gates/Contradictions.svelte';
    import GatesHeadline from '$lib/ui/gates/GatesHeadline.svelte';
    import StopsByGate from '$lib/ui/gates/StopsByGate.svelte';
    import { withParams } from '$lib/ui/view/address.ts';
    import { viewLinks } from '$lib/ui/view/links.ts';

    let { data } = $props();
    const { view } = $derived(data);
    const to = $derived(viewLinks(page.url, data));
</script>

<svelte:head><title>Gates · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <GatesHeadline {view} {to} />
    <div class="pane-row gates">
        <div class="min-w-0">
            <Figure
                name="The channel"
                note="URLs that pass each gate, and what stops there"
                cells={() => [
                    ['gate', 'stop there'],
                    ...GATES.map((gate) => [gate, view.counts.byGate[gate] ?? 0]),
                    ['indexable', view.counts.indexable],
                    ['not known', view.counts.gateUnknown],
                ]}
            >
                <GateChannel
                    byGate={view.counts.byGate}
                    hrefOfGate={(gate) => to.set(gate === 'indexable' ? gate : `gate is ${gate}`)}
                />
            </Figure>
            <StopsByGate {view} {to} />
            <AsAgent
                view={view.asAgent}
                ours={view.counts.indexable}
                {to}
                onAgent={(agent) => goto(withParams(page.url, { agent }), { noScroll: true, keepFocus: true })}
            />
        </div>
        <Contradictions found={view.contradictions} {to} />
    </div>
</div>

<style>
    .gates {
        grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
    }
    @media (max-width: 62rem) {
        .gates {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
