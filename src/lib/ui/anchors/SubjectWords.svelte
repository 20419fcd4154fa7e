<script lang="ts">
    /** The words a page is about, each to be taken away, and more to be said. */
    import type { SubjectOrigin } from '../../core/subjects/subject.ts';

    interface Props {
        words: readonly string[];
        from: SubjectOrigin;
        /** @returns why not, as a sentence; empty where it is kept */
        onChange: (words: string[]) => Promise<string>;
    }
    let { words, from, onChange }: Props = $props();
    const MOST = 6;
    let isOpen = $state(false);
    const shown = $derived(isOpen || from !== 'worked out' ? words : words.slice(0, MOST));
    let added = $state('');
    let refusal = $state('');
    let isBusy = $state(false);

    async function change(next: string[]): Promise<void> {
        isBusy = true;
        refusal = await onChange(next);
        isBusy = false;
        if (refusal === '') added = '';
    }
    function add(event: SubmitEvent): void {
        event.preventDefault();
        const word = added.trim();
        if (word !== '' && !words.includes(word)) void change([...words, word]);
    }
</script>

<div class="words">
    {#each shown as word (word)}
        <span class="word"
            >{word}<button
                aria-label="Take “{word}” out of the subject"
                disabled={isBusy || words.length === 1}
                onclick={() => change(words.filter((other) => other !== word))}>×</button
            ></span
        >
    {/each}
    {#if shown.length < words.length}
        <button class="set plain-set" onclick={() => (isOpen = true)}>{words.length - shown.length} more</button>
    {/if}
    <form onsubmit={add}>
        <input
            class="field"
            aria-label="Add a word to the subject"
            placeholder="add a word"
            maxlength="200"
            bind:value={added}
        />
    </form>
    {#if from === 'page'}
        <button class="set plain-set" disabled={isBusy} onclick={() => change([])}>as worked out again</button>
    {/if}
</div>
{#if refusal !== ''}<p class="fault-line" role="alert">{refusal}</p>{/if}

<style>
    .words {
        display: flex;
        flex-wrap: wrap;
        align-items: center;
        gap: 5px;
        margin-top: 4px;
    }
    .word {
        border: 1px solid var(--edge);
        padding: 1px 2px 1px 7px;
    }
    .word button {
        padding: 0 5px;
        color: var(--ink3);
    }
    .field {
        width: 92px;
    }
</style>
