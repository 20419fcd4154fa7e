<script lang="ts">
    import { page } from '$app/state';
    import { LANDINGS, type Landing } from '$lib/core/areas/links-in.ts';
    import Address from '$lib/ui/parts/Address.svelte';
    import { count, counted } from '$lib/ui/parts/format.ts';
    import { withSheet } from '$lib/ui/view/address.ts';

    let { data } = $props();
    const base = $derived(`/sites/${data.site.id}/${data.survey.path}`);
    const WORDS: Record<Landing, string> = {
        page: 'land on a page',
        redirect: 'land on a redirect',
        error: 'land on an error',
        variant: 'land on a variant that loses',
        closed: 'land where robots.txt closes',
        'not read': 'lead to what was not read',
        unknown: 'lead to what this survey does not know',
    };
    const LANDING: Record<Landing, string> = {
        page: 'page',
        redirect: 'redirect',
        error: 'error',
        variant: 'losing variant',
        closed: 'closed',
        'not read': 'not read',
        unknown: 'not known',
    };
    const astray = $derived(
        (data.counts.redirect ?? 0) + (data.counts.error ?? 0) + (data.counts.variant ?? 0) + (data.counts.closed ?? 0),
    );

    const withPage = (url: string): string => withSheet(page.url, url, data.site.start);
</script>

<svelte:head><title>Links in · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <div class="pane border-b border-(--edge)">
        <h1 class="headline">
            {#if !data.given}
                Nobody gave this survey the links that other sites set.
            {:else}
                <b>{counted(data.total, 'link')}</b> from {counted(data.hosts, 'other host')}
                {data.total === 1 ? 'leads' : 'lead'} to
                {counted(data.targets, 'URL')}; {astray === 0
                    ? 'none goes'
                    : `${count(astray)} ${astray === 1 ? 'goes' : 'go'}`} astray.
            {/if}
        </h1>
        {#if !data.given}
            <p class="ink2">
                A list with the page that links and the page it links to shows what lands on errors, redirects or the
                wrong spelling of a page.
            </p>
            <p class="mt-2"><a class="tb outlined" href="{base}/evidence">Add a list</a></p>
        {:else}
            <p class="flex flex-wrap gap-x-4">
                {#each LANDINGS.filter((landing) => (data.counts[landing] ?? 0) > 0) as landing (landing)}
                    <span
                        ><a
                            class="set"
                            href="?landing={encodeURIComponent(landing)}"
                            aria-current={data.wanted === landing ? 'true' : undefined}
                            ><b>{count(data.counts[landing] ?? 0)}</b></a
                        >
                        {WORDS[landing]}</span
                    >
                {/each}
            </p>
        {/if}
    </div>
    {#if data.links.length > 0}
        <section class="pane" aria-label="Links">
            <table class="ruled">
                <thead><tr><th>page that links</th><th>links to</th><th>lands on</th><th>ends at</th></tr></thead>
                <tbody>
                    {#each data.links as link (link.source + ' ' + link.url)}
                        <tr>
                            <td class="ink2 breaks">{link.source}</td>
                            <td class="breaks"
                                >{#if !link.isKnown}{link.url}{:else}<a
                                        class="plain-set text-primary"
                                        href={withPage(link.url)}
                                        data-sveltekit-noscroll><Address url={link.url} origin={data.origin} /></a
                                    >{/if}</td
                            >
                            <td>{LANDING[link.landing]}{link.hops > 1 ? `, ${link.hops} hops` : ''}</td>
                            <td class="breaks"
                                >{#if link.ends === ''}<span class="ink3" aria-label="nowhere">·</span>{:else}<a
                                        class="plain-set text-primary"
                                        href={withPage(link.ends)}
                                        data-sveltekit-noscroll><Address url={link.ends} origin={data.origin} /></a
                                    >{/if}</td
                            >
                        </tr>
                    {/each}
                </tbody>
            </table>
            {#if data.links.length === data.most}<p class="note">the first {count(data.most)} are shown</p>{/if}
        </section>
    {:else if data.given}
        <p class="pane ink2">Every link lands on a page of its own.</p>
    {/if}
</div>

<style>
    .breaks {
        overflow-wrap: anywhere;
    }
</style>
