<script lang="ts">
    /** Whose source it is, and what links at the line. */
    import type { SourceLink } from '../../core/views/source.ts';
    import { count, counted } from '../parts/format.ts';

    interface Props {
        url: string;
        /** Address of the page's sheet. */
        sheetHref: string;
        line: number;
        /** The source, and how it was read; null where there is none. */
        source: { total: number; encoding: string; bytes: number } | null;
        /** Whether the survey keeps sources. */
        keeps: boolean;
        /** The page's distinct links. */
        links: readonly SourceLink[];
    }
    let { url, sheetHref, line, source, keeps, links }: Props = $props();
    const MOST_HERE = 5;
    const here = $derived(links.filter((link) => link.line === line).slice(0, MOST_HERE));
</script>

<div class="pane border-b border-(--edge)">
    <h1 class="headline">
        {#if source}Line <b>{count(line)}</b> of <b>{count(source.total)}</b>, as received.
        {:else}The source of this page was not kept.{/if}
    </h1>
    <p class="break-all">
        <a class="set" href={sheetHref}>{url}</a>
        {#if source}
            <span class="note"
                >{source.encoding}, {count(source.bytes)} bytes unpacked; {counted(links.length, 'distinct link')}</span
            >
        {/if}
    </p>
    {#if !source}
        <p class="ink2">
            {keeps
                ? 'Only documents have a source; this URL gave none, or was not read.'
                : 'This survey was made without keeping sources; a new survey can keep them.'}
        </p>
    {/if}
    {#each here as link (`${link.kind} ${link.target} ${link.anchor}`)}
        <p class="break-all">
            {link.kind === 'a' ? 'Link' : link.kind}
            {#if link.anchor !== ''}<span class="aside">“{link.anchor}”</span>{/if} to
            <span class="mono">{link.target}</span>
        </p>
    {/each}
</div>
