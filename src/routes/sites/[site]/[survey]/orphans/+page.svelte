<script lang="ts">
    import { setLine, setQuery, type PageFilter } from '$lib/core/sets/page-filter.ts';
    import { quoted } from '$lib/core/sets/tokens.ts';
    import { page } from '$app/state';
    import Address from '$lib/ui/parts/Address.svelte';
    import { count, counted } from '$lib/ui/parts/format.ts';
    import { withSheet } from '$lib/ui/view/address.ts';

    let { data } = $props();
    const base = $derived(`/sites/${data.site.id}/${data.survey.path}`);
    const line = (text: string): string => `${base}/pages${setQuery(text)}`;
    const of = (orphan: NonNullable<PageFilter['orphan']>): string => `${base}/pages${setQuery(setLine({ orphan }))}`;

    const withPage = (url: string): string => withSheet(page.url, url, data.site.start);
</script>

<svelte:head><title>Orphans · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <div class="pane border-b border-(--edge)">
        <h1 class="headline">
            {#if !data.complete}
                Orphans are not known: the survey is partial.
            {:else if data.counts.all === 0}
                Links reach every page that was read.
            {:else}
                <a class="set" href={of('any')}><b>{counted(data.counts.all, 'page')}</b></a> cannot be reached by
                links;
                <a class="set" href={line('orphan and indexable')}><b>{count(data.counts.indexable)}</b></a> of them may be
                indexed.
            {/if}
        </h1>
        {#if data.complete}
            <p class="ink2">
                <a class="set" href={of('strict')}>{count(data.counts.strict)}</a> strict: no other page links to them.
                <a class="set" href={of('adrift')}>{count(data.counts.adrift)}</a> adrift: only other orphans do,
                <a class="set" href={of('island')}>{count(data.counts.inIslands)}</a> in {counted(
                    data.counts.islands,
                    'island',
                )}. Reached, but by a thread:
                <a class="set" href={of('listing')}>{count(data.counts.listing)}</a> only from listings,
                <a class="set" href={of('decline')}>{count(data.counts.decline)}</a> only by nofollow links.
            </p>
            {#if data.counts.behindRefresh > 0 || data.counts.actions > 0}
                <p class="ink2">
                    {#if data.counts.behindRefresh > 0}
                        <a class="set" href={line('behind a refresh')}>{count(data.counts.behindRefresh)}</a> of the orphans
                        can be got to by waiting: a page leads on to them by itself, after a delay, which is no link.
                    {/if}
                    {#if data.counts.actions > 0}
                        <a class="set" href={line('reason is action')}>{counted(data.counts.actions, 'URL')}</a>
                        that {data.counts.actions === 1 ? 'looks like an action was' : 'look like actions were'} not asked
                        for: what only {data.counts.actions === 1 ? 'it leads' : 'they lead'} to counts as an orphan here.
                    {/if}
                </p>
            {/if}
        {/if}
    </div>
    {#if data.bySection.length > 0}
        <section class="pane border-b border-(--rule)" aria-label="Orphans by section">
            <h2 class="pane-name">By section</h2>
            <p class="flex flex-wrap gap-x-4">
                {#each data.bySection as { section, pages } (section)}
                    <span class="nw"
                        >{section === '/' ? 'root folder' : section}
                        <a class="set" href={line(`orphan and section is ${quoted(section)}`)}>{count(pages)}</a></span
                    >
                {/each}
                {#if data.moreSections > 0}<span class="note">and {counted(data.moreSections, 'more section')}</span
                    >{/if}
            </p>
        </section>
    {/if}
    {#if data.islands.length > 0}
        <section class="pane border-b border-(--rule)" aria-label="Islands">
            <h2 class="pane-name">Islands <span class="note">orphans that links hold together</span></h2>
            <ul class="plain">
                {#each data.islands as island, index (island.url)}
                    <li>
                        <span class="ink3">{index + 1}</span>
                        <b>{counted(island.size, 'page')}</b> around
                        <a class="set" href={withPage(island.url)} data-sveltekit-noscroll
                            ><Address url={island.url} origin={data.origin} /></a
                        >
                    </li>
                {/each}
            </ul>
        </section>
    {/if}
    {#if data.orphans.length > 0}
        <section class="pane" aria-label="Orphans">
            <table class="ruled">
                <thead
                    ><tr
                        ><th>page</th><th>kind</th><th>known by</th><th class="spare">may be indexed</th><th
                            >nearest, a natural place for a link</th
                        ></tr
                    ></thead
                >
                <tbody>
                    {#each data.orphans as orphan (orphan.url)}
                        <tr>
                            <td
                                ><a class="plain-set text-primary" href={withPage(orphan.url)} data-sveltekit-noscroll
                                    ><Address url={orphan.url} origin={data.origin} /></a
                                >
                                <div class="note">{orphan.title}</div></td
                            >
                            <td
                                >{orphan.kind}{orphan.island === null
                                    ? ''
                                    : `, island ${orphan.island}`}{orphan.behindRefresh ? ', behind a refresh' : ''}</td
                            >
                            <td class="ink2">{orphan.evidence.join(', ')}</td>
                            <td class="spare ink2"
                                >{orphan.gate === 'indexable'
                                    ? 'yes'
                                    : orphan.gate === null
                                      ? 'not known'
                                      : `no: ${orphan.gate}`}</td
                            >
                            <td>
                                {#each orphan.near as near (near.url)}
                                    <div>
                                        <a
                                            class="plain-set text-primary"
                                            href={withPage(near.url)}
                                            data-sveltekit-noscroll><Address url={near.url} origin={data.origin} /></a
                                        > <span class="note">{near.why}</span>
                                    </div>
                                {:else}<span class="ink3">nothing near</span>{/each}
                            </td>
                        </tr>
                    {/each}
                </tbody>
            </table>
            {#if data.counts.all > data.most}
                <p class="mt-2 flex gap-3">
                    <span class="note"
                        >{count(data.from + 1)} to {count(Math.min(data.from + data.most, data.counts.all))} of {count(
                            data.counts.all,
                        )}</span
                    >
                    {#if data.from > 0}<a class="set" href="?from={Math.max(0, data.from - data.most)}">before</a>{/if}
                    {#if data.from + data.most < data.counts.all}<a class="set" href="?from={data.from + data.most}"
                            >next</a
                        >{/if}
                </p>
            {/if}
        </section>
    {/if}
</div>

<style>
    .plain {
        list-style: none;
    }
    .plain li {
        min-height: 24px;
    }
</style>
