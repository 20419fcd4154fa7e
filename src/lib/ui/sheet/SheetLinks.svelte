<script lang="ts">
    /** The links of one side of a page: the first few, the rest when asked for, and the way to all of them. */
    import type { ToldSheet } from '$lib/core/areas/page-sheet.ts';
    import Address from '../parts/Address.svelte';
    import { count, counted, cutMiddle } from '../parts/format.ts';

    type SheetLink = ToldSheet['incoming'][number];
    interface Props {
        links: SheetLink[];
        total: number;
        origin: string;
        hrefOf: (url: string) => string;
        /** Address of the source in which a link stands; null where it was not kept. */
        lineHref: (link: SheetLink) => string | null;
        /** The Links table with all of them. */
        allHref: string;
    }
    let { links, total, origin, hrefOf, lineHref, allHref }: Props = $props();

    const FIRST = 8;
    const MOST_LETTERS = 120;
    // What nobody has opened is not drawn: a start page has hundreds.
    let isOpen = $state(false);
    const shown = $derived(isOpen ? links.slice(FIRST) : []);
</script>

{#snippet rows(some: SheetLink[])}
    {#each some as link (`${link.url} ${link.block} ${link.anchor} ${link.line}`)}
        {@const href = lineHref(link)}
        <li class="sheet-link">
            <span class="aside" title={link.anchor}
                >{link.anchor === '' ? 'no words' : `“${cutMiddle(link.anchor, MOST_LETTERS)}”`}</span
            >
            {#if link.isKnown}<a class="plain-set text-primary" href={hrefOf(link.url)}
                    ><Address url={link.url} {origin} most={44} /></a
                >{:else}<Address url={link.url} {origin} most={44} />{/if}
            <span class="note"
                >{link.region}{#if link.line !== null}{#if href !== null}, <a class="set" {href}
                            >line {count(link.line)}</a
                        >{:else}, line {count(link.line)}{/if}{/if}{link.occurrences > 1
                    ? `, ${link.occurrences} times`
                    : ''}{link.followed ? '' : ', not followed'}</span
            >
        </li>
    {/each}
{/snippet}

<ul>{@render rows(links.slice(0, FIRST))}</ul>
{#if links.length > FIRST}
    <details bind:open={isOpen}>
        <summary class="set plain-set cursor-pointer py-1">{counted(total - FIRST, 'more link')}</summary>
        <ul>{@render rows(shown)}</ul>
        {#if total > links.length}<p class="note">
                <a class="set" href={allHref}>All {count(total)}</a> are in the Links table.
            </p>{/if}
    </details>
{/if}

<style>
    .sheet-link {
        padding: 2px 0;
        overflow-wrap: anywhere;
    }
</style>
