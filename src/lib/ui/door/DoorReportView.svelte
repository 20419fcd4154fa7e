<script lang="ts">
    /** What a door check found: what shuts, what changed, and everything it looked at. */
    import type { KnockChange } from '../../core/compare/compare-knocks.ts';
    import type { DoorReport } from '../../core/door/door-report.ts';
    import { toldVerdict } from '../../core/words/door.ts';
    import Bolts from './Bolts.svelte';
    import DoorRobots from './DoorRobots.svelte';
    import DoorSitemaps from './DoorSitemaps.svelte';
    import DoorStart from './DoorStart.svelte';
    import HostVariants from './HostVariants.svelte';
    import NeighbourHosts from './NeighbourHosts.svelte';
    import PagesBehind from './PagesBehind.svelte';
    import SinceLastKnock from './SinceLastKnock.svelte';

    interface Props {
        report: DoorReport;
        before: { at: number; say: string; changes: KnockChange[] } | null;
        /** Knocks at a neighbour host: the button's name in the surrounding form. */
        knockName?: string;
    }
    let { report, before, knockName }: Props = $props();
    const { facts } = $derived(report);
    const verdict = $derived(toldVerdict(report));
</script>

{#if verdict.bolts.length > 0}<Bolts bolts={verdict.bolts} />{/if}
{#if before}<SinceLastKnock at={before.at} changes={before.changes} />{/if}
{#if verdict.remarks.length > 0}
    <section class="pane border-t border-(--rule)" aria-label="Remarks">
        <ul class="dotted">
            {#each verdict.remarks as remark (remark)}<li>{remark}</li>{/each}
        </ul>
    </section>
{/if}
<HostVariants {facts} />
<div class="pane-row halves border-t border-(--edge)">
    <DoorRobots robots={facts.robots} />
    <DoorStart start={facts.start} />
</div>
<DoorSitemaps sitemaps={facts.sitemaps} expected={facts.expected} />
<PagesBehind {facts} />
{#if facts.neighbours.length > 0}<NeighbourHosts neighbours={facts.neighbours} {knockName} />{/if}
