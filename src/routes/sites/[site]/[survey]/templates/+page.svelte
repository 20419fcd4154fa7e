<script lang="ts">
    import { page } from '$app/state';
    import Address from '$lib/ui/parts/Address.svelte';
    import { count, counted } from '$lib/ui/parts/format.ts';
    import { sourceHref, withParams, withSheet } from '$lib/ui/view/address.ts';

    let { data } = $props();
    const base = $derived(`/sites/${data.site.id}/${data.survey.path}`);
    const wrong = $derived(data.templates.filter((item) => item.broken > 0));

    const at = (change: Record<string, string | null>): string => withParams(page.url, change);
</script>

<svelte:head><title>Templates · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <div class="pane border-b border-(--edge)">
        <h1 class="headline">
            {#if data.total === 0}No block of links stands on more than one page.
            {:else}<b>{count(data.total)}</b>
                {data.total === 1 ? 'template stands' : 'templates stand'} on two pages or more{#if wrong.length > 0}; <b
                        >{count(wrong.length)}</b
                    >
                    {wrong.length === 1 ? 'holds' : 'hold'} links to errors, mended once each{/if}.{/if}
        </h1>
        <p class="ink2">
            A template is a group of blocks in the same place with nearly the same links: a menu, a footer, a list of
            related pages.
        </p>
    </div>
    <div class="pane-row" class:two={data.open !== null}>
        <section class="pane" aria-label="Templates">
            <table class="ruled">
                <thead
                    ><tr
                        ><th>where and what</th><th class="num">pages</th><th class="num spare">blocks</th><th
                            class="num">links</th
                        ><th class="num">to errors</th></tr
                    ></thead
                >
                <tbody>
                    {#each data.templates as item (item.name)}
                        <tr class:chosen={data.open?.name === item.name}>
                            <td
                                ><b class="font-semibold">{item.region}</b>
                                <span class="mono ink2">{item.place}</span>
                                <div class="aside ink2">{item.first.map((anchor) => `“${anchor}”`).join(' ')}</div></td
                            >
                            <td class="num"
                                ><a class="set" href={at({ template: item.name })} data-sveltekit-noscroll
                                    >{count(item.pages)}</a
                                ></td
                            >
                            <td class="num spare">{count(item.blocks)}</td>
                            <td class="num">{count(item.links)}</td>
                            <td class="num"
                                >{#if item.broken > 0}<b>{count(item.broken)}</b>{:else}<span
                                        class="ink3"
                                        aria-label="none">·</span
                                    >{/if}</td
                            >
                        </tr>
                    {/each}
                </tbody>
            </table>
            {#if data.total > data.templates.length}<p class="note mt-1">
                    {count(data.total - data.templates.length)} more on fewer pages are not listed.
                </p>{/if}
        </section>
        {#if data.open}
            {@const open = data.open}
            <section class="pane" aria-label="Template">
                <p class="flex justify-between items-start">
                    <span class="pane-name">{open.region} <span class="mono">{open.place}</span></span>
                    <a class="tb" href={at({ template: null })} data-sveltekit-noscroll aria-label="Close the template"
                        >Close ×</a
                    >
                </p>
                <p>
                    {counted(open.pageTotal, 'page')}, {counted(open.blocks, 'block')}, {counted(
                        open.linkTotal,
                        'link',
                    )}.
                    {#if open.example.line > 0}<a
                            class="set"
                            href={sourceHref(base, open.example.url, data.site.start, open.example.line)}
                            >Its source, line {count(open.example.line)}</a
                        > of one of them.{/if}
                </p>
                <h2 class="pane-name mt-2">Links</h2>
                <ul>
                    {#each open.links as link (`${link.kind} ${link.target} ${link.anchor}`)}
                        <li class="py-0.5 break-words" class:fault-line={link.status !== null && link.status >= 400}>
                            <span class="aside">{link.anchor === '' ? 'no words' : `“${link.anchor}”`}</span>
                            <Address url={link.target} origin={data.origin} most={60} />
                            {#if link.status !== null && link.status !== 200}<span class="note">{link.status}</span
                                >{/if}
                        </li>
                    {/each}
                </ul>
                {#if open.linkTotal > open.links.length}<p class="note">
                        {count(open.linkTotal - open.links.length)} more
                    </p>{/if}
                <h2 class="pane-name mt-2">Pages</h2>
                <ul>
                    {#each open.pages as item (item.url)}
                        <li class="py-0.5 break-words">
                            <a
                                class="plain-set text-primary"
                                href={withSheet(page.url, item.url, data.site.start)}
                                data-sveltekit-noscroll><Address url={item.url} origin={data.origin} most={60} /></a
                            >
                            <span class="note">{item.title}</span>
                        </li>
                    {/each}
                </ul>
                {#if open.pageTotal > open.pages.length}<p class="note">
                        {count(open.pageTotal - open.pages.length)} more
                    </p>{/if}
            </section>
        {/if}
    </div>
</div>

<style>
    .chosen td {
        background: var(--wash);
    }
</style>
