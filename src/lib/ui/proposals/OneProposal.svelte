<script lang="ts">
    /** One sentence on its page, with the words of the anchor marked: they grow and shrink at either end. */
    import type { ShownProposal } from '../../core/views/proposals.ts';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';
    import { piecesOf, type AnchorSpan } from './anchor-words.ts';

    interface Props {
        proposal: ShownProposal;
        span: AnchorSpan;
        to: ViewLinks;
        onDraw: (end: 'start' | 'end', word: number) => void;
        onGrow: (end: 'start' | 'end', by: number) => void;
    }
    let { proposal, span, to, onDraw, onGrow }: Props = $props();
    const pieces = $derived(piecesOf(proposal.passage, proposal.from, proposal.to, proposal.words, span));
    const lead = $derived(proposal.passage.slice(0, proposal.from).trim());
    const rest = $derived(proposal.passage.slice(proposal.to).trim());
    /** The end that is being drawn. */
    let drawn = $state<'start' | 'end' | null>(null);

    function pointed(event: PointerEvent): void {
        if (drawn === null) return;
        const under = document.elementFromPoint(event.clientX, event.clientY)?.closest<HTMLElement>('[data-word]');
        if (under) onDraw(drawn, Number(under.dataset.word));
    }
    function began(end: 'start' | 'end', event: PointerEvent): void {
        drawn = end;
        event.preventDefault();
    }
    /** A word that is clicked becomes the nearer end. */
    function chosen(word: number): void {
        const isNearStart = Math.abs(word - span[0]) < Math.abs(word - (span[1] - 1));
        onDraw(word < span[0] || (word < span[1] && isNearStart) ? 'start' : 'end', word);
    }
    function keyed(end: 'start' | 'end', event: KeyboardEvent): void {
        const by = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : 0;
        if (by === 0) return;
        event.preventDefault();
        event.stopPropagation();
        onGrow(end, by);
    }
</script>

<svelte:window onpointermove={pointed} onpointerup={() => (drawn = null)} />

<article class="sheet-of-print" aria-label="The sentence">
    <p class="source">
        {#if proposal.source !== ''}
            <span class="cut"
                >from <b>{proposal.sourceTitle}</b>, <PageLink url={proposal.source} {to} most={50} /></span
            >
            <a class="plain-set text-primary" href={to.source(proposal.source, proposal.line)}>line {proposal.line}</a>
        {:else}<span>from the text</span><span class="ink3">line {proposal.line}</span>{/if}
    </p>
    <div class="print">
        {#if proposal.heading !== ''}<p class="over">{proposal.heading}</p>{/if}
        {#if proposal.before !== ''}<p class="beside">{proposal.before}</p>{/if}
        {#if lead !== ''}<p class="beside">{lead}</p>{/if}
        <p class="sentence" data-sentence>
            {#each pieces as piece, index (index)}{#if piece.word === span[0]}<button
                        class="grip start"
                        aria-label="Begin of the anchor: left and right move it by a word"
                        onpointerdown={(event) => began('start', event)}
                        onkeydown={(event) => keyed('start', event)}
                    ></button>{/if}{#if piece.word === -1 || piece.state === 'plain' || piece.state === 'taken'}<span
                        class={piece.state}
                        data-word={piece.state === 'taken' || piece.word === -1 ? undefined : piece.word}
                        >{piece.text}</span
                    >{:else}<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions (keys move the ends) --><span
                        class={piece.state}
                        data-word={piece.word}
                        onclick={() => chosen(piece.word)}>{piece.text}</span
                    >{/if}{#if piece.word === span[1] - 1}<button
                        class="grip end"
                        aria-label="End of the anchor: left and right move it by a word"
                        onpointerdown={(event) => began('end', event)}
                        onkeydown={(event) => keyed('end', event)}
                    ></button>{/if}{/each}
        </p>
        {#if rest !== ''}<p class="beside">{rest}</p>{/if}
        {#if proposal.after !== ''}<p class="beside">{proposal.after}</p>{/if}
    </div>
</article>

<style>
    .sheet-of-print {
        background: var(--field);
        padding: 14px 28px 18px;
        min-width: 0;
    }
    .source {
        display: flex;
        justify-content: space-between;
        gap: 12px;
        padding-bottom: 6px;
        border-bottom: 1px solid var(--rule);
        color: var(--ink2);
    }
    .source b {
        color: var(--color-base-content);
    }
    .print {
        max-width: 40rem;
        padding-top: 12px;
        font-family: var(--font-serif);
        overflow-wrap: anywhere;
    }
    .over {
        font-size: 1rem;
        font-weight: 600;
        color: var(--ink2);
        padding-left: 18px;
    }
    .beside {
        font-size: 1rem;
        line-height: 1.625rem;
        color: var(--ink3);
        padding-left: 18px;
        margin-block: 6px;
        display: -webkit-box;
        line-clamp: 4;
        -webkit-line-clamp: 4;
        -webkit-box-orient: vertical;
        overflow: hidden;
    }
    .sentence {
        font-size: 1.375rem;
        line-height: 2.25rem;
        margin-block: 10px;
    }
    .anchor {
        background: var(--wash);
        box-shadow: 0 2px 0 var(--color-primary);
        padding-block: 4px;
        cursor: text;
    }
    .reach {
        text-decoration: underline dotted 2px var(--ink3);
        text-underline-offset: 5px;
        cursor: pointer;
    }
    .taken {
        color: var(--ink2);
        text-decoration: underline 1px;
        text-underline-offset: 4px;
    }
    .grip {
        display: inline-block;
        position: relative;
        width: 3px;
        height: 1.75rem;
        margin-inline: 1px;
        vertical-align: -0.4rem;
        background: var(--color-primary);
        cursor: ew-resize;
        touch-action: none;
    }
    .grip::after {
        content: '';
        position: absolute;
        left: -4px;
        width: 11px;
        height: 11px;
        background: var(--color-primary);
    }
    .grip.start::after {
        top: -8px;
    }
    .grip.end::after {
        bottom: -8px;
    }
</style>
