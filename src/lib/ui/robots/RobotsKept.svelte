<script lang="ts">
    /** The proposal that the site keeps for this host, and the file as other surveys received it: each can be laid beside this one. */
    import { diffLines } from 'diff';
    import { by } from '../../core/words/numbers.ts';
    import type { Answer } from '../../wire/client.ts';
    import type { RobotsNow } from '../../wire/robots-now.ts';
    import { count, moment } from '../parts/format.ts';
    import type { RobotsEdit } from './robots-edit.svelte.ts';

    interface Props {
        edit: RobotsEdit;
        /** The file as this survey received it. */
        before: string;
        proposal: { text: string; note: string; updatedAt: number } | null;
        others: readonly {
            text: string | null;
            surveys: readonly { survey: number; asOf: string; startedAt: number | null }[];
        }[];
        /** Keeps the edit, or throws the kept one away. @returns why not, as a sentence; empty where it is done */
        keep: (text: string, note: string) => Promise<string>;
        drop: () => Promise<string>;
        /** Asks for the file as it is now. */
        askNow: () => Promise<Answer<RobotsNow>>;
    }
    let { edit, before, proposal, others, keep, drop, askNow }: Props = $props();
    let note = $derived(proposal?.note ?? '');
    let refusal = $state('');
    let now = $state<RobotsNow | null>(null);
    /** The file as it is now; null where nobody asked, or it could not be had. */
    const live = $derived(now?.text ?? null);
    let isBusy = $state(false);

    /** Lines that come and go from a file to another text. */
    function difference(text: string, from = before): string {
        let [added, removed] = [0, 0];
        for (const part of diffLines(from, text)) {
            if (part.added) added += part.count;
            if (part.removed) removed += part.count;
        }
        if (added + removed === 0) return 'no line differs';
        const parts = [added > 0 ? `+${count(added)}` : '', removed > 0 ? `−${count(removed)}` : ''];
        return `${parts.filter(Boolean).join(', ')} ${by(added + removed, 'line', 'lines')}`;
    }
    const isKept = $derived(proposal !== null && edit.text === proposal.text);

    async function act(what: () => Promise<string>): Promise<void> {
        isBusy = true;
        refusal = await what();
        isBusy = false;
    }
    async function look(): Promise<string> {
        const answer = await askNow();
        if (answer.ok) now = answer.data;
        return answer.ok ? '' : answer.say;
    }
    const named = (surveys: (typeof others)[number]['surveys']): string =>
        `${by(surveys.length, 'survey', 'surveys')} ${surveys.map(({ survey }) => survey).join(', ')}`;
</script>

<section class="pane border-b border-(--edge)" aria-label="Kept, and earlier">
    <h2 class="pane-name">Proposal <span class="note">kept with the site, for this host</span></h2>
    {#if proposal === null}
        <p class="note">None is kept. An edit can be kept as one, for whoever changes the file.</p>
    {:else}
        <p>
            Kept {moment(proposal.updatedAt)}: {proposal.text === (live ?? before)
                ? 'it says what the file says by now'
                : live === null
                  ? `${difference(proposal.text)} against the file as this survey received it`
                  : `${difference(proposal.text, live)} against the file as it is now`}.
        </p>
        {#if proposal.note !== ''}<p class="note breaks">{proposal.note}</p>{/if}
    {/if}
    <p class="flex flex-wrap items-baseline gap-3 mt-1">
        {#if proposal !== null && !isKept}
            <button class="tb outlined" onclick={() => edit.write(proposal.text)}>Look at it</button>
        {/if}
        {#if edit.isChanged && !isKept}
            <input
                class="field"
                aria-label="What it is for"
                placeholder="what it is for"
                maxlength="2000"
                bind:value={note}
            />
            <button class="tb outlined" disabled={isBusy} onclick={() => act(() => keep(edit.text, note))}
                >Keep the edit{proposal === null ? '' : ' in its place'}</button
            >
        {/if}
        {#if proposal !== null}
            <button class="tb outlined" disabled={isBusy} onclick={() => act(drop)}>Throw it away</button>
        {/if}
    </p>
    <p class="flex flex-wrap items-baseline gap-3 mt-1" role="status">
        <button class="tb outlined" disabled={isBusy} onclick={() => act(look)}>Ask for the file as it is now</button>
        {#if now !== null}
            <span
                >{[
                    now.note,
                    live === null
                        ? ''
                        : live === before
                          ? 'as this survey received it'
                          : `${difference(live)} against this survey`,
                    moment(now.at),
                ]
                    .filter(Boolean)
                    .join(', ')}</span
            >
            {#if live !== null && live !== before && edit.text !== live}
                <button class="set" onclick={() => edit.write(live)}>lay it beside this one</button>
            {/if}
        {/if}
    </p>
    {#if refusal !== ''}<p class="fault-line" role="alert">{refusal}</p>{/if}

    {#if others.length > 0}
        <h3 class="mt-3"><b>As other surveys received it</b></h3>
        <ul>
            {#each others as { text, surveys }, index (index)}
                <li class="flex flex-wrap items-baseline gap-3">
                    <span>{named(surveys)}: {text === null ? 'the same' : difference(text)}</span>
                    {#if text !== null && edit.text !== text}
                        <button class="set" onclick={() => edit.write(text)}>lay it beside this one</button>
                    {:else if text !== null}<span class="ink2">laid beside this one</span>{/if}
                </li>
            {/each}
        </ul>
    {/if}
</section>
