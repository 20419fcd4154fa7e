<script lang="ts">
    import { goto } from '$app/navigation';
    import { page } from '$app/state';
    import { browserSurvey } from '$lib/ui/frame/browser-survey.ts';
    import MapChoices from '$lib/ui/map/MapChoices.svelte';
    import MapHeadline from '$lib/ui/map/MapHeadline.svelte';
    import MapLegend from '$lib/ui/map/MapLegend.svelte';
    import MapPicture from '$lib/ui/map/MapPicture.svelte';
    import MapTable from '$lib/ui/map/MapTable.svelte';
    import { MAP_SHADES } from '$lib/ui/map/draw-depth.ts';
    import { newest } from '$lib/ui/map/newest.ts';
    import { withParams } from '$lib/ui/view/address.ts';
    import { viewLinks } from '$lib/ui/view/links.ts';
    import type { MapAnswer } from '$lib/workers/survey-answers.ts';

    let { data } = $props();
    const to = $derived(viewLinks(page.url, data));
    const survey = browserSurvey();
    const SIZES = [1, 1.5, 2, 3, 4, 6, 8];
    const shade = $derived(MAP_SHADES.find((own) => own === page.url.searchParams.get('shade')) ?? 'standing');
    const size = $derived(SIZES.find((own) => String(own) === page.url.searchParams.get('size')) ?? 1);
    let room = $state({ width: 0, height: 0 });
    let map = $state.raw<MapAnswer | null>(null);
    let isAsked = $state(false);
    let lit = $state.raw<Uint32Array | null>(null);
    /** The current set asks for what only the server knows: which pages it has cannot be told here. */
    let isDark = $state(false);
    /** Beside the picture stand the scale and the sums. */
    const BESIDE = 52 + 150 + 32;
    /** Above and below it the headline, the choices, the heads and the legend. */
    const AROUND = 300;

    const nameWidths = $derived(
        Object.fromEntries(data.sections.map((section: string) => [section, Math.min(120, section.length * 7 + 26)])),
    );
    $effect(() => {
        if (room.width === 0 || room.height === 0) return;
        const width = Math.max(280, room.width - BESIDE);
        const height = Math.max(260, room.height - AROUND) * size;
        void data.survey.revision;
        return newest(survey.map({ sections: data.sections, width, height, nameWidths }), (answer) => {
            [map, isAsked] = [answer, true];
        });
    });
    $effect(() => {
        const { text } = data.set;
        if (text.trim() === '') {
            [lit, isDark] = [null, false];
            return;
        }
        return newest(survey.nodes(text), (nodes) => {
            [lit, isDark] = [nodes, nodes === null];
        });
    });
    /** The shortest way to the page whose sheet is open, then that page. */
    const way = $derived.by(() => {
        const sheet = data.open?.sheet;
        if (!sheet) return [];
        const steps = sheet.way.map(({ url }) => url);
        return steps.at(-1) === sheet.url ? steps : [...steps, sheet.url];
    });
    const choose = (change: Record<string, string | null>): void =>
        void goto(withParams(page.url, change), { noScroll: true, keepFocus: true });
</script>

<svelte:window bind:innerHeight={room.height} />
<svelte:head><title>Map · {data.site.name} · Edge Map</title></svelte:head>
<div class="view" bind:clientWidth={room.width}>
    <MapHeadline view={data.view} {to} />
    <MapChoices {shade} {size} sizes={SIZES} onChoose={choose} />
    {#if map && isDark}<p class="pane note" role="status">
            The current set asks for what the browser does not know: it is not lit here. The set bar says its size.
        </p>{/if}
    {#if map}
        <MapPicture
            {survey}
            {map}
            sections={data.sections}
            {shade}
            {lit}
            {way}
            {to}
            onSet={(line) => choose({ set: line })}
            onOpen={(url) => void goto(to.page(url), { noScroll: true, keepFocus: true })}
        />
    {:else if isAsked}
        <p class="pane ink2">
            The picture needs the whole survey in this browser: it has to have ended, and to be small enough. The same
            numbers stand in the table below.
        </p>
    {:else}<p class="pane note" role="status">Drawing …</p>{/if}
    <MapLegend view={data.view} {shade} perCell={map?.layout.perCell ?? null} {to} />
    <details class="pane border-t border-(--rule)" open={isAsked && map === null}>
        <summary class="pane-name">As a table <span class="note">pages by depth and section</span></summary>
        <MapTable table={data.view.table} {to} />
    </details>
</div>
