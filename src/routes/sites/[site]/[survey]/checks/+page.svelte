<script lang="ts">
    import { invalidate } from '$app/navigation';
    import { page } from '$app/state';
    import AcceptedFindings from '$lib/ui/checks/AcceptedFindings.svelte';
    import CheckTable from '$lib/ui/checks/CheckTable.svelte';
    import { count, counted } from '$lib/ui/parts/format.ts';
    import { viewLinks } from '$lib/ui/view/links.ts';
    import { siteApi, tell } from '$lib/wire/client.ts';

    let { data } = $props();
    const { view } = $derived(data);
    const { total } = $derived(view);
    const to = $derived(viewLinks(page.url, data));

    async function change(path: string, asked: Parameters<typeof tell>[1]): Promise<string> {
        const refusal = await tell(`${siteApi(data.site.id)}/${path}`, asked);
        if (refusal === '') await invalidate('edgemap:survey');
        return refusal;
    }
</script>

<svelte:head><title>Checks · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <div class="pane border-b border-(--edge)">
        <h1 class="headline">
            {count(total.finding)} of {counted(total.checks, 'check')} find something{#if total.off > 0}; {count(
                    total.off,
                )}
                {total.off === 1 ? 'is' : 'are'} switched off{/if}.
        </h1>
        <p class="note">
            All that the product calls wrong is one of these. What is switched off or set here is the site's: it holds
            for all its surveys, for findings.csv, and for what --fail-on fails on. The numbers are of this survey:
            URLs, of links the pages they stand on, of files their lines.
        </p>
    </div>
    {#each view.families as { question, checks } (question)}
        <CheckTable {question} {checks} {to} onChange={(body) => change('checks', { method: 'PUT', body })} />
    {/each}
    <AcceptedFindings
        acceptances={data.acceptances}
        {to}
        onWithdraw={(id) => change(`acceptances?id=${id}`, { method: 'DELETE' })}
    />
</div>
