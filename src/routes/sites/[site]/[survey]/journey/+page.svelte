<script lang="ts">
    import { goto } from '$app/navigation';
    import { page } from '$app/state';
    import { browserSurvey } from '$lib/ui/frame/browser-survey.ts';
    import JourneyChoices from '$lib/ui/journey/JourneyChoices.svelte';
    import JourneyHeadline from '$lib/ui/journey/JourneyHeadline.svelte';
    import RandomWalks from '$lib/ui/journey/RandomWalks.svelte';
    import TrailPicture from '$lib/ui/journey/TrailPicture.svelte';
    import WaysOn from '$lib/ui/journey/WaysOn.svelte';
    import { journeyLinks } from '$lib/ui/journey/journey-links.ts';
    import { walksOf } from '$lib/ui/journey/walks-address.ts';
    import { withParams } from '$lib/ui/view/address.ts';
    import { viewLinks } from '$lib/ui/view/links.ts';

    let { data } = $props();
    const { view } = $derived(data);
    const to = $derived(viewLinks(page.url, data));
    const survey = browserSurvey();
    const walk = $derived(journeyLinks(page.url, data.keys, data.site.start));
</script>

<svelte:head><title>Journey · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <JourneyHeadline {view} {to} />
    <JourneyChoices {view} {walk} isFull={data.isFull} unknown={data.unknown} {to} onGo={(href) => void goto(href)} />
    <TrailPicture steps={view.steps} sections={data.sections} origin={to.origin} {walk} />
    <div class="pane-row walked">
        <WaysOn {view} sections={data.sections} isFull={data.isFull} {walk} {to} />
        <RandomWalks
            {survey}
            as={view.as}
            chosen={walksOf(page.url.searchParams)}
            here={view.steps.at(-1)?.url ?? ''}
            sections={data.sections}
            revision={data.survey.revision}
            {to}
            onChoose={(change) =>
                void goto(withParams(page.url, change), { noScroll: true, keepFocus: true, replaceState: true })}
        />
    </div>
</div>

<style>
    .walked {
        grid-template-columns: minmax(0, 2fr) minmax(300px, 1fr);
    }
    @media (max-width: 900px) {
        .walked {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
