<script lang="ts">
    import { page } from '$app/state';
    import { pageKey } from '$lib/core/address/page-key.ts';
    import SourceHead from '$lib/ui/source/SourceHead.svelte';
    import SourceLines from '$lib/ui/source/SourceLines.svelte';
    import { queryOf, withParams } from '$lib/ui/view/address.ts';

    let { data } = $props();
    const linked = $derived(new Set(data.links.map(({ line }) => line)));
    const sheet = $derived(queryOf(new URLSearchParams({ page: pageKey(data.url, data.site.start) })));
</script>

<svelte:head><title>Source of {data.url} · Edge Map</title></svelte:head>
<div class="source">
    <SourceHead
        url={data.url}
        sheetHref="/sites/{data.site.id}/{data.survey.path}/pages{sheet}"
        line={data.line}
        source={data.source}
        keeps={data.keeps}
        links={data.links}
    />
    {#if data.source}
        <SourceLines
            lines={data.source.lines}
            from={data.source.from}
            line={data.line}
            {linked}
            hrefOf={(line) => withParams(page.url, { line: String(line) })}
        />
    {/if}
</div>

<style>
    .source {
        display: flex;
        flex-direction: column;
        min-height: 0;
        flex: 1;
    }
</style>
