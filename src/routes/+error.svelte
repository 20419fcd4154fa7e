<script lang="ts">
    import { page } from '$app/state';
</script>

<svelte:head><title>{page.status} · Edge Map</title></svelte:head>
<main id="main" class="p-8 max-w-xl">
    <h1 class="headline">{page.error?.message ?? 'Something failed.'}</h1>
    <p class="note my-2">Status {page.status}</p>
    <p><a class="tb outlined" href="/sites">All sites</a></p>
</main>
