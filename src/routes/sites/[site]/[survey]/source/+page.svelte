<script lang="ts">
    /** The source of a page as received, at a line. It is shown as text; nothing in it is executed or loaded. */
    import { page } from '$app/state';
    import { count, counted } from '$lib/ui/parts/format.ts';
    import { pageKey } from '$lib/core/address/page-key.ts';
    import { queryOf, withParams } from '$lib/ui/view/address.ts';

    let { data } = $props();
    const linked = $derived(new Map(data.links.map((link) => [link.line, link])));
    const here = $derived(data.links.filter((link) => link.line === data.line));
    const base = $derived(`/sites/${data.site.id}/${data.survey.path}`);

    let lines: HTMLElement | undefined = $state();
    $effect(() => {
        const wanted = data.line;
        lines?.querySelector(`[data-line="${wanted}"]`)?.scrollIntoView({ block: 'center' });
    });

    const at = (line: number): string => withParams(page.url, { line: String(line) });
</script>

<svelte:head><title>Source of {data.url} · Edge Map</title></svelte:head>
<div class="source">
    <div class="pane border-b border-(--edge)">
        <h1 class="headline">
            {#if data.view}Line <b>{count(data.line)}</b> of <b>{count(data.view.total)}</b>, as received.{:else}The
                source of this page was not kept.{/if}
        </h1>
        <p class="break-all">
            <a
                class="set"
                href="{base}/pages{queryOf(new URLSearchParams({ page: pageKey(data.url, data.site.start) }))}"
                >{data.url}</a
            >
            {#if data.view}<span class="note"
                    >{data.view.encoding}, {count(data.view.bytes)} bytes unpacked; {counted(
                        data.links.length,
                        'distinct link',
                    )}</span
                >{/if}
        </p>
        {#if !data.view}
            <p class="ink2">
                {data.keeps
                    ? 'Only documents have a source; this URL gave none, or was not read.'
                    : 'This survey was made without keeping sources; a new survey can keep them.'}
            </p>
        {/if}
        {#each here.slice(0, 5) as link (`${link.kind} ${link.target} ${link.anchor}`)}
            <p class="break-all">
                {link.kind === 'a' ? 'Link' : link.kind}
                {#if link.anchor !== ''}<span class="aside">“{link.anchor}”</span>{/if} to
                <span class="mono">{link.target}</span>
            </p>
        {/each}
    </div>
    {#if data.view}
        <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
        <div class="lines" bind:this={lines} role="region" aria-label="Source" tabindex="0">
            {#each data.view.lines as text, index (index)}
                {@const number = data.view.from + index}
                <div class="line" class:current={number === data.line} data-line={number}>
                    <a
                        class="number"
                        href={at(number)}
                        aria-label="Line {number}"
                        data-sveltekit-noscroll
                        data-sveltekit-replacestate>{number}</a
                    ><span class="mark" aria-hidden="true">{linked.has(number) ? '·' : ''}</span><code>{text}</code>
                </div>
            {/each}
        </div>
    {/if}
</div>

<style>
    .source {
        display: flex;
        flex-direction: column;
        min-height: 0;
        flex: 1;
    }
    .lines {
        overflow: auto;
        flex: 1;
        min-height: 0;
        padding: 4px 0;
        background: var(--field);
        font: 0.75rem/1.125rem var(--font-mono);
    }
    .line {
        display: grid;
        grid-template-columns: 56px 12px minmax(0, 1fr);
        align-items: start;
    }
    .line.current {
        background: var(--wash);
        box-shadow: inset 4px 0 0 var(--color-base-content);
    }
    .number {
        text-align: right;
        padding-right: 4px;
        color: var(--ink3);
        user-select: none;
    }
    .line.current .number {
        color: var(--color-base-content);
        font-weight: 700;
    }
    .mark {
        color: var(--color-primary);
        font-weight: 700;
        text-align: center;
        vertical-align: baseline;
    }
    code {
        white-space: pre-wrap;
        overflow-wrap: anywhere;
        padding-right: 16px;
    }
</style>
