<script lang="ts">
    import { goto } from '$app/navigation';
    import { page } from '$app/state';
    import AroundChoices from '$lib/ui/around/AroundChoices.svelte';
    import AroundHeadline from '$lib/ui/around/AroundHeadline.svelte';
    import AroundPicture from '$lib/ui/around/AroundPicture.svelte';
    import PathsBetween from '$lib/ui/around/PathsBetween.svelte';
    import { aroundLinks } from '$lib/ui/around/around-links.ts';
    import { viewLinks } from '$lib/ui/view/links.ts';

    let { data } = $props();
    const { view } = $derived(data);
    const to = $derived(viewLinks(page.url, data));
    const links = $derived(aroundLinks(page.url, data.site.start));
    let width = $state(0);
</script>

<svelte:head><title>Around a page · {data.site.name} · Edge Map</title></svelte:head>
<div class="view" bind:clientWidth={width}>
    <AroundHeadline {view} {to} />
    <AroundChoices
        {view}
        {links}
        {to}
        unknown={data.unknown}
        tooLarge={data.tooLarge}
        onGo={(href) => void goto(href, { noScroll: true, keepFocus: true })}
    />
    <AroundPicture {view} {links} {to} sections={data.sections} {width} />
    {#if view.centre.length === 1}
        <PathsBetween
            from={view.centre[0]!}
            paths={data.paths}
            sections={data.sections}
            {links}
            {to}
            onGo={(href) => void goto(href, { noScroll: true, keepFocus: true })}
        />
    {/if}
</div>
