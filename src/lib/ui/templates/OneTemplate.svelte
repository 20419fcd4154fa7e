<script lang="ts">
    /** One template opened: where it stands, its links, its pages. */
    import type { OpenTemplate } from '../../core/views/templates.ts';
    import Address from '../parts/Address.svelte';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';

    let { template, to, closeHref }: { template: OpenTemplate; to: ViewLinks; closeHref: string } = $props();
    const { example } = $derived(template);
</script>

<section class="pane" aria-label="Template">
    <p class="flex justify-between items-start">
        <span class="pane-name">{template.region} <span class="mono">{template.place}</span></span>
        <a class="tb" href={closeHref} data-sveltekit-noscroll aria-label="Close the template">Close ×</a>
    </p>
    <p>
        {counted(template.pageTotal, 'page')}, {counted(template.blocks, 'block')}, {counted(
            template.linkTotal,
            'link',
        )}.
        {#if example.line > 0}
            <a class="set" href={to.source(example.url, example.line)}>Its source, line {count(example.line)}</a> of one of
            them.
        {/if}
    </p>
    <h2 class="pane-name mt-2">Links</h2>
    <ul>
        {#each template.links as link (`${link.kind} ${link.target} ${link.anchor}`)}
            <li class="py-0.5 break-words" class:fault-line={link.status !== null && link.status >= 400}>
                <span class="aside">{link.anchor === '' ? 'no words' : `“${link.anchor}”`}</span>
                <Address url={link.target} origin={to.origin} most={60} />
                {#if link.status !== null && link.status !== 200}<span class="note">{link.status}</span>{/if}
            </li>
        {/each}
    </ul>
    {#if template.linkTotal > template.links.length}
        <p class="note">{count(template.linkTotal - template.links.length)} more</p>
    {/if}
    <h2 class="pane-name mt-2">Pages</h2>
    <ul>
        {#each template.pages as { url, title } (url)}
            <li class="py-0.5 break-words"><PageLink {url} {to} most={60} /> <span class="note">{title}</span></li>
        {/each}
    </ul>
    {#if template.pageTotal > template.pages.length}
        <p class="note">{count(template.pageTotal - template.pages.length)} more</p>
    {/if}
</section>
