<script lang="ts">
    import { page } from '$app/state';
    import GatesListed from '$lib/ui/sitemaps/GatesListed.svelte';
    import SitemapBuilder from '$lib/ui/sitemaps/SitemapBuilder.svelte';
    import SitemapFindings from '$lib/ui/sitemaps/SitemapFindings.svelte';
    import SitemapJudge from '$lib/ui/sitemaps/SitemapJudge.svelte';
    import SitemapsHeadline from '$lib/ui/sitemaps/SitemapsHeadline.svelte';
    import SitemapTree from '$lib/ui/sitemaps/SitemapTree.svelte';
    import { viewLinks } from '$lib/ui/view/links.ts';
    import { surveyApi } from '$lib/wire/client.ts';

    let { data } = $props();
    const { view } = $derived(data);
    const to = $derived(viewLinks(page.url, data));
    const api = $derived(surveyApi(data.site.id, data.survey.path));
    const short = (url: string): string => (url.startsWith(`${data.origin}/`) ? url.slice(data.origin.length) : url);
</script>

<svelte:head><title>Sitemaps · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <SitemapsHeadline {view} {to} door="/sites/{data.site.id}/door" />
    {#if view.files.length > 0}
        <SitemapTree files={view.files} more={view.moreFiles} {to} {short} />
        <div class="pane-row both">
            <GatesListed listing={view.listing} {to} />
            <SitemapFindings findings={view.findings} more={view.moreFindings} {short} />
        </div>
    {/if}
    <SitemapBuilder {api} setHref={to.set} current={data.set.text} origin={data.origin} />
    <SitemapJudge {api} />
</div>

<style>
    .both {
        grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
    }
    @media (max-width: 62rem) {
        .both {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
