<script lang="ts">
    import { invalidate } from '$app/navigation';
    import { page } from '$app/state';
    import LaidAsideList from '$lib/ui/laid-aside/LaidAsideList.svelte';
    import { counted } from '$lib/ui/parts/format.ts';
    import { viewLinks } from '$lib/ui/view/links.ts';
    import { siteApi, tell } from '$lib/wire/client.ts';

    let { data } = $props();
    const to = $derived(viewLinks(page.url, data));
    const api = $derived(siteApi(data.site.id));
    let trouble = $state('');

    async function drop(ids: number[]): Promise<void> {
        trouble = await tell(`${api}/laid-changes?id=${ids.join(',')}`, { method: 'DELETE' });
        if (trouble === '') await invalidate('edgemap:survey');
    }
    async function mark(): Promise<string> {
        const text = `Links changed on the site: ${counted(data.changes.length, 'change')} that were laid aside.`;
        return tell(`${api}/notes`, { method: 'POST', body: { about: 'set', subject: 'all', text } });
    }
</script>

<svelte:head><title>Laid aside · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    {#if trouble !== ''}<p class="fault-line pane" role="alert">{trouble}</p>{/if}
    <LaidAsideList changes={data.changes} csv="{api}/laid-changes.csv" {to} onDrop={drop} onMark={mark} />
</div>
