<script lang="ts">
    import { page } from '$app/state';
    import { pageKey } from '$lib/core/address/page-key.ts';
    import ManyNames from '$lib/ui/anchors/ManyNames.svelte';
    import WordingFan from '$lib/ui/anchors/WordingFan.svelte';
    import { count, counted } from '$lib/ui/parts/format.ts';
    import { queryOf, withParams } from '$lib/ui/view/address.ts';
    import { viewLinks } from '$lib/ui/view/links.ts';

    let { data } = $props();
    const { view } = $derived(data);
    const to = $derived(viewLinks(page.url, data));
    const end = $derived(Math.min(view.total, view.from + view.most));
    const profile = (url: string): string =>
        `${to.base}/anchors${queryOf(new URLSearchParams({ of: pageKey(url, data.site.start) }))}`;
</script>

<svelte:head><title>Same words · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <div class="pane border-b border-(--edge)">
        <h1 class="headline">
            {#if view.total === 0}No wording calls more than one page.
            {:else}<b>{counted(view.total, 'wording')}</b>
                {view.total === 1 ? 'calls' : 'call'} more than one page.{/if}
        </h1>
        <p class="note">
            Links in the text of pages; words that say nothing are left out; several addresses of one page are one page.
        </p>
    </div>
    {#if view.total > 0}
        <section class="pane border-b border-(--rule)" aria-label="One wording, many pages">
            <h2 class="pane-name">
                One wording, many pages <span class="note"
                    >thickness is links; dashed: the words do not fit that page</span
                >
            </h2>
            <ul>
                {#each view.wordings as wording (wording.text)}<WordingFan {wording} {to} />{/each}
            </ul>
            {#if view.total > view.most}
                <p class="note flex gap-3 mt-2">
                    {count(view.from + 1)} to {count(end)} of {count(view.total)}
                    {#if view.from > 0}<a
                            class="set"
                            href={withParams(page.url, { from: String(Math.max(0, view.from - view.most)) })}>before</a
                        >{/if}
                    {#if end < view.total}<a class="set" href={withParams(page.url, { from: String(end) })}>next</a
                        >{/if}
                </p>
            {/if}
        </section>
    {/if}
    <ManyNames many={view.many} {to} hrefOf={profile} />
</div>
