<script lang="ts">
    import { page } from '$app/state';
    import { count, counted } from '$lib/ui/parts/format.ts';
    import { withSheet } from '$lib/ui/view/address.ts';

    let { data } = $props();
    const broken = $derived(data.hosts.reduce((sum, host) => sum + host.broken, 0));

    const withPage = (url: string): string => withSheet(page.url, url, data.site.start);
</script>

<svelte:head><title>Other hosts · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <div class="pane border-b border-(--edge)">
        <h1 class="headline">
            {#if data.total === 0}No page links to another host.{:else}<b>{count(data.links)}</b>
                {data.links === 1 ? 'link leads' : 'links lead'} to <b>{count(data.total)}</b> other {data.total === 1
                    ? 'host'
                    : 'hosts'}{#if data.isAsked}, {broken === 0 ? 'none' : counted(broken, 'target')} of what was asked
                    {broken === 1 ? 'fails' : broken === 0 ? 'fails' : 'fail'}{/if}.{/if}
        </h1>
        <p class="ink2">
            {data.isAsked
                ? 'Targets were asked once for their status, where their robots.txt allows.'
                : 'Targets were not asked: the settings leave links to other sites alone.'}
        </p>
    </div>
    {#if data.total > 0}
        <section class="pane" aria-label="Hosts">
            <table class="ruled">
                <thead
                    ><tr
                        ><th>host</th><th class="num">links</th><th class="num spare">followed</th><th class="num"
                            >pages</th
                        ><th class="num spare">targets</th><th class="num">failing</th><th>linked from</th></tr
                    ></thead
                >
                <tbody>
                    {#each data.hosts as host (host.host)}
                        <tr>
                            <td
                                >{host.host}{#if host.isNeighbour}<span class="note"> neighbour host</span>{/if}</td
                            >
                            <td class="num">{count(host.links)}</td>
                            <td class="num spare">{count(host.followed)}</td>
                            <td class="num">{count(host.pages)}</td>
                            <td class="num spare">{count(host.targets)}</td>
                            <td class="num"
                                >{#if host.asked === 0}<span class="ink3" aria-label="not asked">·</span>{:else}{count(
                                        host.broken,
                                    )}{/if}</td
                            >
                            <td
                                ><a class="plain-set text-primary" href={withPage(host.example)} data-sveltekit-noscroll
                                    >{host.pages === 1 ? 'one page' : 'one of the pages'}</a
                                ></td
                            >
                        </tr>
                    {/each}
                </tbody>
            </table>
        </section>
    {/if}
</div>
