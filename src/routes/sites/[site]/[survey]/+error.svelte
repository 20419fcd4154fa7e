<script lang="ts">
    import { page } from '$app/state';

    const { site, survey } = $derived(page.data);
    const isEarlier = $derived(survey !== undefined && survey.revision < survey.latest);
</script>

<svelte:head><title>{page.status} · Edge Map</title></svelte:head>
<div class="view">
    <div class="pane">
        <h1 class="headline max-w-[640px]">{page.error?.message ?? 'Something failed.'}</h1>
        <p class="note my-2">Status {page.status}</p>
        {#if isEarlier}
            <p>
                <a class="tb outlined" href="/sites/{site.id}/{survey.path}/brief">Brief of this revision</a>
            </p>
        {:else}
            <p><a class="tb outlined" href="/sites">All sites</a></p>
        {/if}
    </div>
</div>
