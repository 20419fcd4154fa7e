<script lang="ts">
    /** Looks for sentences for all targets at once: begun, followed, stopped; it goes on behind, whatever is shown. */
    import { onDestroy } from 'svelte';
    import { ask } from '../../wire/client.ts';
    import { isLive, MaybeRun, type ProposalRun } from '../../wire/proposal-run.ts';
    import { count, counted, moment } from '../parts/format.ts';
    import ReadingBar from '../parts/ReadingBar.svelte';

    interface Props {
        run: ProposalRun | null;
        /** Targets that would be looked through. */
        total: number;
        /** The line of the set that is looked at. */
        set: string;
        /** Address of the survey in the API. */
        api: string;
        /** The list stands in the order of what was found. */
        isByFound: boolean;
        hrefByFound: (isByFound: boolean) => string;
        /** What was found has changed. */
        onFound: () => Promise<void>;
    }
    let { run, total, set, api, isByFound, hrefByFound, onFound }: Props = $props();
    const LOOK_EVERY = 1_500;
    const DRAWN_EVERY = 20;
    let drawn = 0;
    let newer = $state<ProposalRun | null>(null);
    const shown = $derived(newer !== null && (run === null || newer.id >= run.id) ? newer : run);
    const isOther = $derived(shown !== null && shown.line !== set);
    let refusal = $state('');
    let timer: ReturnType<typeof setTimeout> | null = null;
    onDestroy(() => timer !== null && clearTimeout(timer));

    $effect(() => {
        if (shown !== null && isLive(shown) && timer === null) timer = setTimeout(() => void look(), LOOK_EVERY);
    });

    async function look(): Promise<void> {
        const answer = await ask(MaybeRun, `${api}/proposal-run`);
        timer = null;
        if (!answer.ok) {
            // The server may be away for a moment: the run goes on without it.
            timer = setTimeout(() => void look(), LOOK_EVERY * 4);
            return;
        }
        newer = answer.data;
        // The list is drawn anew now and then, not for each target.
        if (newer === null || (isLive(newer) && newer.done - drawn < DRAWN_EVERY)) return;
        drawn = newer.done;
        await onFound();
    }
    async function send(method: 'POST' | 'DELETE'): Promise<void> {
        const body = method === 'POST' ? { body: { set } } : {};
        const answer = await ask(MaybeRun, `${api}/proposal-run`, { method, ...body });
        refusal = answer.ok ? '' : answer.say;
        if (answer.ok) newer = answer.data;
    }
</script>

<section class="pane border-b border-(--rule)" aria-label="All targets">
    {#if shown !== null && isLive(shown)}
        <p role="status">
            {shown.done === 0 ? 'Beginning' : 'Looked through'}
            <b>{count(shown.done)}</b> of {counted(shown.targets, 'target')}; {count(shown.withSentences)} with a sentence
        </p>
        <ReadingBar read={shown.done} of={shown.targets} />
        <p class="note mt-1">
            It goes on when this page is left, and after a restart.
            <button class="tb" onclick={() => send('DELETE')}>Stop</button>
        </p>
    {:else}
        {#if shown !== null && shown.state !== 'waiting'}
            <p>
                <b>{count(shown.withSentences)}</b> of {counted(shown.done, 'target')}
                {shown.withSentences === 1 ? 'has' : 'have'} a sentence: {counted(shown.sentences, 'sentence')}.
            </p>
            <p class="note">
                {shown.state === 'stopped' ? `Stopped, of ${count(shown.targets)}` : 'Looked through'}{shown.endedAt ===
                null
                    ? ''
                    : `, ${moment(shown.endedAt)}`}{isOther ? '; of another set' : ''}.
                <a class="set" href={hrefByFound(!isByFound)}>{isByFound ? 'Neediest first' : 'Likeliest first'}</a>
                <a class="set" href="{api}/proposals.csv" download>CSV</a>
            </p>
            {#if shown.trouble !== ''}<p class="fault-line">{shown.trouble}</p>{/if}
        {/if}
        <button class="tb outlined mt-1" disabled={total === 0} onclick={() => send('POST')}
            >{shown === null ? 'Look through' : 'Look again through'}
            {total === 1 ? 'this target' : `all ${count(total)}`}</button
        >
    {/if}
    {#if refusal !== ''}<p class="fault-line" role="alert">{refusal}</p>{/if}
</section>
