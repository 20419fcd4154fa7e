<script lang="ts">
    import Plain from '$lib/ui/frame/Plain.svelte';
    import { counted } from '$lib/ui/parts/format.ts';
    import SiteRow from '$lib/ui/sites/SiteRow.svelte';

    let { data } = $props();
</script>

<Plain title="Sites" sites={data.sites}>
    {#if data.sites.length === 0}
        <div class="pane">
            <h1 class="headline">No site yet.</h1>
            <p class="note my-2">
                A site is a website you work on: its start page, what belongs to it, and its surveys.
            </p>
            <a class="tb outlined" href="/sites/new">Add a site</a>
        </div>
    {:else}
        <div class="pane border-b border-(--edge) flex items-center justify-between">
            <h1 class="headline">{counted(data.sites.length, 'site')}</h1>
            <a class="tb outlined" href="/sites/new">Add a site</a>
        </div>
        {#each data.sites as site (site.id)}<SiteRow {site} />{/each}
    {/if}
</Plain>
