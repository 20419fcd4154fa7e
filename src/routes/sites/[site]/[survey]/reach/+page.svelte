<script lang="ts">
    import { goto, invalidate } from '$app/navigation';
    import { page } from '$app/state';
    import SmallMap from '$lib/ui/map/SmallMap.svelte';
    import ChokePoints from '$lib/ui/reach/ChokePoints.svelte';
    import ClosedFamilies from '$lib/ui/reach/ClosedFamilies.svelte';
    import DepthGoal from '$lib/ui/reach/DepthGoal.svelte';
    import HeldByThread from '$lib/ui/reach/HeldByThread.svelte';
    import NotReached from '$lib/ui/reach/NotReached.svelte';
    import PagesByDepth from '$lib/ui/reach/PagesByDepth.svelte';
    import ReachHeadline from '$lib/ui/reach/ReachHeadline.svelte';
    import type { DepthGoalValues } from '$lib/core/views/reach.ts';
    import { withParams } from '$lib/ui/view/address.ts';
    import { viewLinks } from '$lib/ui/view/links.ts';
    import { siteApi, tell } from '$lib/wire/client.ts';

    let { data } = $props();
    const { view } = $derived(data);
    const to = $derived(viewLinks(page.url, data));

    async function keepGoals(goals: DepthGoalValues): Promise<string> {
        const refusal = await tell(`${siteApi(data.site.id)}/goals`, { method: 'PUT', body: goals });
        if (refusal === '') await invalidate('edgemap:survey');
        return refusal;
    }
</script>

<svelte:head><title>Reach · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <ReachHeadline {view} {to} isEnded={data.survey.isEnded} />
    <div class="pane-row">
        <PagesByDepth
            {view}
            {to}
            followedOnly={data.followedOnly}
            otherLinksHref={withParams(page.url, { links: data.followedOnly ? null : 'followed' })}
            onSet={(set) => void goto(withParams(page.url, { set }), { noScroll: true })}
        />
    </div>
    <div class="pane-row reach-low">
        <div class="min-w-0">
            <NotReached {view} {to} />
            <HeldByThread threads={view.threads} {to} />
        </div>
        <div class="min-w-0">
            <ChokePoints {view} {to} />
            {#if data.small}
                <SmallMap
                    map={data.small.map}
                    name="What hangs from what"
                    note="as wide as the pages behind; hatched, what hangs on nothing"
                    label="The map by what holds"
                    sections={data.small.sections}
                    href="{to.base}/map?arrange=branch&hang=hold"
                />
            {/if}
            <DepthGoal {view} {to} goals={data.goals} onKeep={keepGoals} />
            {#if data.families.told.length > 0}
                <ClosedFamilies families={data.families} notAsked={view.counts.byNotRead.trap ?? 0} {to} />
            {/if}
        </div>
    </div>
</div>
