<script lang="ts">
    /** The shortest way of links from the start page, step by step. */
    import type { ToldSheet } from '../../core/areas/page-sheet.ts';
    import { WAY_END } from '../../core/areas/way-ends.ts';
    import Address from '../parts/Address.svelte';
    import { counted, cutMiddle } from '../parts/format.ts';
    import type { SheetLinks } from './open-sheet.ts';

    const MOST_LETTERS = 120;
    let { sheet, to }: { sheet: ToldSheet; to: SheetLinks } = $props();
    const clicks = $derived(sheet.way.length > 0 ? counted(Number(sheet.record.depth), 'click') : '');
</script>

<h3 class="pane-name">The way here <span class="note">{clicks}</span></h3>
{#if sheet.way.length === 0}
    <p>
        {sheet.record.reached === null
            ? 'Not reached so far; in a partial survey that proves nothing.'
            : 'No path of links leads here from the start page.'}
    </p>
{:else}
    <ol>
        {#each sheet.way as step, at (step.url)}
            {#if sheet.wayLeftOut > 0 && at === WAY_END}
                <li class="note">{counted(sheet.wayLeftOut, 'more step')} between</li>
            {/if}
            <li class="way">
                <b class="text-right">{step.depth}</b>
                <span class="break-words min-w-0">
                    {#if step.by === 'start'}start page,
                    {:else if step.by === 'link'}<span class="aside"
                            >{step.anchor === ''
                                ? 'a link without words'
                                : `“${cutMiddle(step.anchor, MOST_LETTERS)}”`}</span
                        >
                    {:else}<span class="ink2">{step.by} to</span>{/if}
                    <a class="plain-set text-primary" href={to.page(step.url)}
                        ><Address url={step.url} origin={to.origin} most={40} /></a
                    >
                </span>
                <span class="note text-right whitespace-nowrap"
                    >{step.region}{step.line === null ? '' : ` ${step.line}`}</span
                >
            </li>
        {/each}
    </ol>
    <p class="note">Numbers at the right: line of the link in the page before.</p>
{/if}
<p class="mt-1">
    <a class="link mr-3" href={to.around(sheet.url)}>around this page</a>
    <a class="link" href={to.journey(sheet.url)}>walk on from it</a>
</p>

<style>
    .way {
        display: grid;
        grid-template-columns: minmax(16px, auto) minmax(0, 1fr) auto;
        gap: 8px;
        padding: 1px 0;
    }
</style>
