<script lang="ts">
    import { goto, invalidate } from '$app/navigation';
    import { page } from '$app/state';
    import Figure from '$lib/ui/charts/Figure.svelte';
    import FlowMatrix from '$lib/ui/charts/FlowMatrix.svelte';
    import { sectionMarks } from '$lib/ui/parts/section-letters.ts';
    import { withParams } from '$lib/ui/view/address.ts';
    import { viewLinks } from '$lib/ui/view/links.ts';
    import HowUneven from '$lib/ui/weight/HowUneven.svelte';
    import Misfits from '$lib/ui/weight/Misfits.svelte';
    import SectionShares from '$lib/ui/weight/SectionShares.svelte';
    import StandingAgainst from '$lib/ui/weight/StandingAgainst.svelte';
    import WeightHeadline from '$lib/ui/weight/WeightHeadline.svelte';
    import WhatMatters from '$lib/ui/weight/WhatMatters.svelte';
    import WhereLost from '$lib/ui/weight/WhereLost.svelte';
    import { siteApi, tell } from '$lib/wire/client.ts';

    let { data } = $props();
    const { view } = $derived(data);
    const to = $derived(viewLinks(page.url, data));
    const marks = $derived(
        sectionMarks(
            data.marked,
            view.sections.map(({ section }) => section),
        ),
    );

    let trouble = $state('');
    async function say(by: 'set' | 'column' | 'page', subject: string, value: number | null): Promise<void> {
        trouble = await tell(`${siteApi(data.site.id)}/priorities`, { method: 'POST', body: { by, subject, value } });
        if (trouble === '') await invalidate('edgemap:survey');
    }
    const priorityOf = (set: string): number | null =>
        data.rules.find(({ by, subject }) => by === 'set' && subject === set)?.value ?? null;
</script>

<svelte:head><title>Weight · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <WeightHeadline {view} {to} isEnded={data.survey.isEnded} />
    {#if view.ranked.pages > 0}
        <div class="pane-row weight-top">
            <div class="min-w-0">
                <HowUneven {view} {to} />
                <SectionShares {view} {to} {marks} {priorityOf} onPriority={(set, value) => say('set', set, value)} />
                <WhereLost {view} {to} />
            </div>
            <div class="min-w-0">
                <Figure
                    name="From section to section"
                    note="followed links, distinct"
                    cells={() => [
                        ['from', ...view.sections.map(({ section }) => section)],
                        ...view.sections.map(({ section }, from) => [section, ...view.flow.links[from]!]),
                    ]}
                >
                    <FlowMatrix
                        sections={view.sections}
                        {marks}
                        links={view.flow.links}
                        expected={view.flow.expected}
                        hrefOf={(from, into) => to.set(view.flowSets[from]![into]!)}
                    />
                </Figure>
                <Misfits {view} {to} />
                <WhatMatters
                    rules={data.rules}
                    prioritised={view.prioritised}
                    intended={data.intended}
                    columns={view.columns}
                    text={data.set.text.trim()}
                    {to}
                    {trouble}
                    onSay={say}
                />
                {#if view.against}
                    <StandingAgainst
                        against={view.against}
                        columns={view.columns}
                        hrefOf={(against) => withParams(page.url, { against })}
                        onPage={(url) => goto(to.page(url), { noScroll: true })}
                    />
                {/if}
            </div>
        </div>
    {/if}
</div>
