<script lang="ts">
    import { page } from '$app/state';
    import { count } from '$lib/ui/parts/format.ts';
    import OneTemplate from '$lib/ui/templates/OneTemplate.svelte';
    import TemplateList from '$lib/ui/templates/TemplateList.svelte';
    import { withParams } from '$lib/ui/view/address.ts';
    import { viewLinks } from '$lib/ui/view/links.ts';

    let { data } = $props();
    const { view } = $derived(data);
    const to = $derived(viewLinks(page.url, data));
    const hrefOf = (template: string | null): string => withParams(page.url, { template });
</script>

<svelte:head><title>Templates · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <div class="pane border-b border-(--edge)">
        <h1 class="headline">
            {#if view.total === 0}No block of links stands on more than one page.
            {:else}<b>{count(view.total)}</b>
                {view.total === 1 ? 'template stands' : 'templates stand'} on two pages or more{#if view.wrong > 0}; <b
                        >{count(view.wrong)}</b
                    >
                    {view.wrong === 1 ? 'holds' : 'hold'} links to errors, mended once each{/if}.{/if}
        </h1>
        <p class="ink2">
            A template is a group of blocks in the same place with nearly the same links: a menu, a footer, a list of
            related pages.
        </p>
    </div>
    <div class="pane-row" class:two={view.open !== null}>
        <TemplateList {view} {hrefOf} />
        {#if view.open}<OneTemplate template={view.open} {to} closeHref={hrefOf(null)} />{/if}
    </div>
</div>
