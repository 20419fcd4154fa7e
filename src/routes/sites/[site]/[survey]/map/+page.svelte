<script lang="ts">
    import { goto } from '$app/navigation';
    import { page } from '$app/state';
    import { WAY_END } from '$lib/core/areas/way-ends.ts';
    import { browserSurvey } from '$lib/ui/frame/browser-survey.ts';
    import { canDraw } from '$lib/ui/map/canvas-pen.ts';
    import MapHeadline from '$lib/ui/map/MapHeadline.svelte';
    import MapLegend from '$lib/ui/map/MapLegend.svelte';
    import MapTable from '$lib/ui/map/MapTable.svelte';
    import MapWhole from '$lib/ui/map/MapWhole.svelte';
    import { newest } from '$lib/ui/map/newest.ts';
    import { arrangementOf, shownLinksOf, SIZES } from '$lib/ui/map/map-address.ts';
    import { withParams } from '$lib/ui/view/address.ts';
    import { viewLinks } from '$lib/ui/view/links.ts';
    import type { MapAnswer } from '$lib/workers/map-answers.ts';

    let { data } = $props();
    const to = $derived(viewLinks(page.url, data));
    const survey = browserSurvey();
    const arrange = $derived(arrangementOf(page.url.searchParams, data.intended));
    const size = $derived(SIZES.of(page.url.searchParams));
    let room = $state({ width: 0, height: 0 });
    let map = $state.raw<MapAnswer | null>(null);
    let isAsked = $state(false);
    /** Heights of what stands above the picture and below it. */
    let [headed, chosen, below] = $state([0, 0, 0]);
    const above = $derived(headed + chosen);
    /** Beside the picture stand the scale and the sums; around it the set bar, the heads, and the name of the table. */
    const beside = $derived(room.width < 500 ? 52 + 44 + 32 : 52 + 150 + 32);
    const [AROUND, HEADS] = [38 + 58, 36];
    const height = $derived(Math.max(300, room.height - above - below - AROUND));

    const nameWidths = $derived(
        Object.fromEntries(data.sections.map((section: string) => [section, Math.min(120, section.length * 7 + 26)])),
    );
    $effect(() => {
        if (room.width === 0 || room.height === 0 || above === 0) return;
        const [wide, high] = [Math.max(220, room.width - beside), height - (arrange.by === 'depth' ? HEADS : 4)];
        void data.survey.revision;
        if (!canDraw()) {
            isAsked = true;
            return;
        }
        const asked = {
            arrange,
            sections: data.sections,
            width: arrange.by === 'depth' ? wide : wide * size,
            height: arrange.by === 'depth' ? high * size : high,
            nameWidths,
        };
        return newest(survey.map(asked), (answer) => {
            [map, isAsked] = [answer, true];
        });
    });
    /** The shortest way to the page whose sheet is open, then that page. */
    const way = $derived.by(() => {
        const sheet = data.open?.sheet;
        if (!sheet) return [];
        const steps = sheet.way.map(({ url }) => url);
        if (steps.at(-1) !== sheet.url) steps.push(sheet.url);
        return sheet.wayLeftOut === 0 ? [steps] : [steps.slice(0, WAY_END), steps.slice(WAY_END)];
    });
    const hrefOf = (change: Record<string, string | null>): string => withParams(page.url, change);
    const choose = (change: Record<string, string | null>, replaceState = false): void =>
        void goto(hrefOf(change), { noScroll: true, keepFocus: true, replaceState });
</script>

<svelte:window bind:innerHeight={room.height} />
<svelte:head><title>Map · {data.site.name} · Edge Map</title></svelte:head>
<div class="view" bind:clientWidth={room.width}>
    <div bind:clientHeight={headed}>
        <MapHeadline head={data.head} view={data.view} {to} intoHref={(key) => hrefOf({ in: key })} />
    </div>
    <MapWhole
        {survey}
        {map}
        {isAsked}
        bind:above={chosen}
        {arrange}
        {size}
        {height}
        {way}
        {to}
        {hrefOf}
        sections={data.sections}
        shading={data.shading}
        choices={data.choices}
        set={data.set.text}
        title="{data.site.name}, survey {data.survey.number}"
        drag={page.url.searchParams.get('drag') === 'outline' ? 'outline' : 'rectangle'}
        links={shownLinksOf(page.url.searchParams)}
        hasIntended={data.intended.length > 0}
        onChoose={choose}
        onOpen={(url) => void goto(to.page(url), { noScroll: true, keepFocus: true })}
    />
    <div bind:clientHeight={below}>
        <MapLegend
            view={data.view}
            shading={data.shading}
            perCell={map?.by === 'depth' ? map.layout.perCell : (map?.layout.loose?.perCell ?? null)}
            {to}
        />
    </div>
    <details class="pane border-t border-(--rule)" open={isAsked && map === null}>
        <summary class="pane-name">As a table <span class="note">pages by depth and section</span></summary>
        <MapTable table={data.view.table} {to} />
    </details>
</div>
