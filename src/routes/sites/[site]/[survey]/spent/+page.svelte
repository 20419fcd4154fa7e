<script lang="ts">
    import { page } from '$app/state';
    import ByRobot from '$lib/ui/spent/ByRobot.svelte';
    import NeverAsked from '$lib/ui/spent/NeverAsked.svelte';
    import SpentHeadline from '$lib/ui/spent/SpentHeadline.svelte';
    import SpentOn from '$lib/ui/spent/SpentOn.svelte';
    import { viewLinks } from '$lib/ui/view/links.ts';

    let { data } = $props();
    const { view } = $derived(data);
    const to = $derived(viewLinks(page.url, data));
</script>

<svelte:head><title>Spent · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <SpentHeadline {view} {to} />
    {#if view.spent}
        <div class="pane-row spent">
            <div class="min-w-0">
                <SpentOn spent={view.spent} {to} />
                <ByRobot spent={view.spent} />
            </div>
            <NeverAsked spent={view.spent} {to} />
        </div>
    {/if}
</div>

<style>
    .spent {
        grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
    }
    @media (max-width: 62rem) {
        .spent {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
