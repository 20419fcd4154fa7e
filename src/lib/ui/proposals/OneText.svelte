<script lang="ts">
    /** A text that is no page yet: what it could lead to. Nothing of it is kept. */
    import { ask, surveyApi } from '../../wire/client.ts';
    import { OutwardProposals } from '../../wire/proposals.ts';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';
    import { anchorText } from './anchor-words.ts';

    interface Props {
        site: number;
        survey: string;
        origin: string;
        to: ViewLinks;
    }
    let { site, survey, to }: Props = $props();
    let text = $state('');
    let told = $state<OutwardProposals | null>(null);
    let trouble = $state('');
    let isBusy = $state(false);

    async function look(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        isBusy = true;
        const answer = await ask(OutwardProposals, `${surveyApi(site, survey)}/proposals/outward`, {
            method: 'POST',
            body: { text },
        });
        isBusy = false;
        [told, trouble] = answer.ok ? [answer.data, ''] : [null, answer.say];
    }
</script>

<details class="pane border-t border-(--rule)">
    <summary class="pane-name">One page as text <span class="note">not published yet</span></summary>
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
    {#if trouble !== ''}<p class="fault-line" role="alert">{trouble}</p>{/if}
    {#if told}
        {#if told.note !== ''}<p class="note">{told.note}</p>{/if}
        <ul class="mt-2">
            {#each told.proposals as proposal (proposal.target)}
                <li class="could">
                    <span class="aside">“{anchorText(proposal.passage, proposal.words, proposal.anchor)}”</span>
                    <span class="note">line {proposal.line}</span>
                    <span class="block"><PageLink url={proposal.target} {to} most={30} /></span>
                </li>
            {:else}<li class="note">No page of this site is spoken of in it.</li>{/each}
        </ul>
    {/if}
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
