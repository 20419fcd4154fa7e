<script lang="ts">
    import { page } from '$app/state';
    import HostForms from '$lib/ui/variants/HostForms.svelte';
    import VariantGroup from '$lib/ui/variants/VariantGroup.svelte';
    import VariantsHeadline from '$lib/ui/variants/VariantsHeadline.svelte';
    import { viewLinks } from '$lib/ui/view/links.ts';

    let { data } = $props();
    const { view } = $derived(data);
    const to = $derived(viewLinks(page.url, data));
</script>

<svelte:head><title>Variants · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <VariantsHeadline {view} {to} />
    <HostForms hosts={view.hosts} knockedAt={data.knockedAt} {to} />
    {#each view.groups as group (group.set)}<VariantGroup {group} {to} />{/each}
</div>
