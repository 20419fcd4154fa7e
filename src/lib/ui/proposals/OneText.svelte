<script lang="ts">
    /** What one text could lead to: that of a page, whose links are taken, or one that is no page yet, of which nothing is kept. */
    import { pageKey } from '../../core/address/page-key.ts';
    import type { ShownProposal } from '../../core/views/proposals.ts';
    import { ask, surveyApi } from '../../wire/client.ts';
    import { OutwardProposals } from '../../wire/proposals.ts';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';
    import { anchorText } from './anchor-words.ts';
    import { takeLink } from './take-link.ts';

    interface Props {
        site: number;
        start: string;
        survey: string;
        surveyNumber: number;
        /** The page whose text is looked at; null for one that is written here. */
        page: string | null;
        to: ViewLinks;
        onTaken: () => void;
    }
    let { site, start, survey, surveyNumber, page, to, onTaken }: Props = $props();
    let text = $state('');
    let told = $state<OutwardProposals | null>(null);
    let trouble = $state('');
    let isBusy = $state(false);
    const api = $derived(`${surveyApi(site, survey)}/proposals/outward`);
    const wordsOf = ({ passage, words, anchor }: ShownProposal): string => anchorText(passage, words, anchor);

    async function show(asked: ReturnType<typeof ask<OutwardProposals>>): Promise<void> {
        isBusy = true;
        const answer = await asked;
        isBusy = false;
        [told, trouble] = answer.ok ? [answer.data, ''] : [null, answer.say];
    }
    $effect(() => {
        told = null;
        if (page !== null)
            void show(ask(OutwardProposals, `${api}?${new URLSearchParams({ of: pageKey(page, start) })}`));
    });
    function look(event: SubmitEvent): void {
        event.preventDefault();
        void show(ask(OutwardProposals, api, { method: 'POST', body: { text } }));
    }
    async function take(proposal: ShownProposal): Promise<void> {
        isBusy = true;
        trouble = await takeLink({ site, surveyNumber }, proposal, wordsOf(proposal), proposal.target);
        isBusy = false;
        if (trouble !== '' || !told) return;
        told.proposals = told.proposals.filter((other) => other.target !== proposal.target);
        onTaken();
    }
</script>

<details class="pane border-t border-(--rule)" open={page !== null}>
    <summary class="pane-name"
        >{page === null ? 'One page as text' : 'Links its text could give'}
        <span class="note">{page === null ? 'not published yet' : ''}</span></summary
    >
    {#if page === null}
        <form class="mt-2" onsubmit={look}>
            <textarea
                class="field"
                rows="8"
                maxlength="200000"
                aria-label="Text of the page, as text or HTML"
                placeholder="Paste or write the text of a page: what could it lead to?"
                bind:value={text}></textarea>
            <button class="tb outlined mt-1" disabled={isBusy || text.trim() === ''}>Look for links</button>
        </form>
    {:else}<p class="mt-1"><PageLink url={page} {to} most={30} /></p>{/if}
    {#if trouble !== ''}<p class="fault-line" role="alert">{trouble}</p>{/if}
    {#if told}
        {#if told.note !== ''}<p class="note">{told.note}</p>{/if}
        <ul class="mt-2">
            {#each told.proposals as proposal (proposal.target)}
                <li class="could">
                    <span class="aside">“{wordsOf(proposal)}”</span>
                    <span class="note">line {proposal.line}</span>
                    <span class="block"><PageLink url={proposal.target} {to} most={30} /></span>
                    {#if proposal.source !== ''}
                        <button class="tb outlined" disabled={isBusy} onclick={() => take(proposal)}>Take</button>
                    {/if}
                </li>
            {:else}<li class="note">No other page of this site is spoken of in it.</li>{/each}
        </ul>
    {:else if isBusy}<p class="note" role="status">Looking …</p>{/if}
</details>

<style>
    textarea {
        width: 100%;
        height: auto;
        padding: 6px;
        resize: vertical;
    }
    .could {
        padding-block: 4px;
        border-bottom: 1px solid var(--rule);
    }
</style>
