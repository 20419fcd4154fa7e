<script lang="ts">
    import { page } from '$app/state';
    import OutlineForm from '$lib/ui/structure/OutlineForm.svelte';
    import StructureHeadline from '$lib/ui/structure/StructureHeadline.svelte';
    import StructureTable from '$lib/ui/structure/StructureTable.svelte';
    import { withParams } from '$lib/ui/view/address.ts';
    import { viewLinks } from '$lib/ui/view/links.ts';

    let { data, form } = $props();
    const { view } = $derived(data);
    const to = $derived(viewLinks(page.url, data));
</script>

<svelte:head><title>Intended structure · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <StructureHeadline {view} {to} onlyHref={(only) => withParams(page.url, { kept: null, only })} />
    {#if view.total > 0}<StructureTable {view} {to} />{/if}
    <OutlineForm outline={view.outline} refused={form} />
</div>
