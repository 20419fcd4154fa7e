<script lang="ts">
    import { page } from '$app/state';
    import LinksInHeadline from '$lib/ui/links-in/LinksInHeadline.svelte';
    import LinksInTable from '$lib/ui/links-in/LinksInTable.svelte';
    import { viewLinks } from '$lib/ui/view/links.ts';

    let { data } = $props();
    const { view } = $derived(data);
    const to = $derived(viewLinks(page.url, data));
</script>

<svelte:head><title>Links in · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <LinksInHeadline {view} base={to.base} />
    {#if view.links.length > 0}<LinksInTable {view} {to} />
    {:else if view.given}<p class="pane ink2">Every link lands on a page of its own.</p>{/if}
</div>
