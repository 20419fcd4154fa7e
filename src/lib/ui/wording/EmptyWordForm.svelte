<script lang="ts">
    /** A wording that is to count as saying nothing: what it would catch is told while it is typed. */
    import { untrack } from 'svelte';
    import { Caught, type GenericChange } from '../../wire/generic-words.ts';
    import { ask } from '../../wire/client.ts';
    import { count, counted } from '../parts/format.ts';
    import { languageName } from './language-name.ts';

    interface Props {
        /** Languages to choose among, the site's own first. */
        languages: string[];
        /** Address of the survey in the API. */
        api: string;
        /** @returns why not, as a sentence; empty where it is kept */
        onSay: (change: GenericChange) => Promise<string>;
    }
    let { languages, api, onSay }: Props = $props();
    let text = $state('');
    let chosen = $state<string | null>(null);
    const language = $derived(chosen ?? languages[0] ?? '');
    let told = $state('');
    let refusal = $state('');
    /** The last that was asked: an answer to an earlier one is not shown. */
    let latest = 0;

    async function look(wording: string, of: string): Promise<void> {
        const own = ++latest;
        if (wording === '') {
            told = '';
            return;
        }
        const answer = await ask(
            Caught,
            `${api}/generic-words?${new URLSearchParams({ text: wording, language: of })}`,
        );
        if (own !== latest) return;
        if (!answer.ok) told = answer.say;
        else if (answer.data.links === 0) told = 'No link of this survey has these words.';
        else told = `Would catch ${counted(answer.data.links, 'link')} to ${count(answer.data.targets)} places.`;
    }
    $effect(() => {
        const [wording, of] = [text.trim(), language];
        untrack(() => void look(wording, of));
    });

    async function say(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        refusal = await onSay({ language, text: text.trim(), isGeneric: true });
        if (refusal === '') text = '';
    }
</script>

<form onsubmit={say}>
    <label class="words">
        <span class="visually-hidden">Words that say nothing</span>
        <input class="field" maxlength="40" placeholder="words of a link" bind:value={text} />
    </label>
    <label>
        in <select class="field" value={language} onchange={(event) => (chosen = event.currentTarget.value)}>
            {#each languages as own (own)}<option value={own}>{languageName(own)}</option>{/each}
        </select>
    </label>
    <button class="tb outlined" disabled={text.trim() === ''}>Says nothing</button>
</form>
<p class="note" role="status">{told}</p>
{#if refusal !== ''}<p class="fault-line" role="alert">{refusal}</p>{/if}

<style>
    label {
        display: inline-flex;
        gap: 6px;
        align-items: baseline;
    }
    select.field {
        width: 130px;
    }
    form {
        display: flex;
        flex-wrap: wrap;
        gap: 8px;
        align-items: baseline;
    }
    .words .field {
        width: 170px;
        font-family: var(--font-serif);
    }
</style>
