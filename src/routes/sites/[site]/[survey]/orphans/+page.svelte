<script lang="ts">
    import { page } from '$app/state';
    import Islands from '$lib/ui/orphans/Islands.svelte';
    import OrphansBySection from '$lib/ui/orphans/OrphansBySection.svelte';
    import OrphansHeadline from '$lib/ui/orphans/OrphansHeadline.svelte';
    import OrphanTable from '$lib/ui/orphans/OrphanTable.svelte';
    import { viewLinks } from '$lib/ui/view/links.ts';

    let { data } = $props();
    const { view } = $derived(data);
    const to = $derived(viewLinks(page.url, data));
</script>

<svelte:head><title>Orphans · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <OrphansHeadline {view} {to} />
    {#if view.bySection.length > 0}<OrphansBySection {view} {to} />{/if}
    {#if view.islands.length > 0}<Islands islands={view.islands} {to} />{/if}
    {#if view.orphans.length > 0}<OrphanTable {view} {to} />{/if}
</div>
