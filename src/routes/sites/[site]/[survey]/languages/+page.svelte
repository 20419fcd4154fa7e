<script lang="ts">
    import { page } from '$app/state';
    import LanguageGroups from '$lib/ui/languages/LanguageGroups.svelte';
    import LanguagesHeadline from '$lib/ui/languages/LanguagesHeadline.svelte';
    import SequenceList from '$lib/ui/languages/SequenceList.svelte';
    import { viewLinks } from '$lib/ui/view/links.ts';

    let { data } = $props();
    const { view } = $derived(data);
    const to = $derived(viewLinks(page.url, data));
</script>

<svelte:head><title>Languages and sequences · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <LanguagesHeadline {view} {to} />
    <LanguageGroups {view} {to} />
    <SequenceList {view} {to} />
</div>
