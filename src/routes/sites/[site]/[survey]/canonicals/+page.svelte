<script lang="ts">
    import { page } from '$app/state';
    import CanonicalsHeadline from '$lib/ui/canonicals/CanonicalsHeadline.svelte';
    import ClusterList from '$lib/ui/canonicals/ClusterList.svelte';
    import { counted } from '$lib/ui/parts/format.ts';
    import { viewLinks } from '$lib/ui/view/links.ts';

    let { data } = $props();
    const { view } = $derived(data);
    const to = $derived(viewLinks(page.url, data));
</script>

<svelte:head><title>Canonicals · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <CanonicalsHeadline {view} {to} />
    <section class="pane" aria-label="Clusters">
        <h2 class="pane-name mb-1">
            Clusters <span class="note"
                >those whose pages hold most standing first; broken lines end where nothing may be indexed</span
            >
        </h2>
        {#if view.clusters.length === 0}<p class="ink2">None: every page stands for itself.</p>{/if}
        <ClusterList clusters={view.clusters} {to} />
        {#if view.more > 0}<p class="note mt-1">{counted(view.more, 'smaller cluster')} not drawn.</p>{/if}
    </section>
</div>
