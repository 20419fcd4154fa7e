<script lang="ts" generics="Note extends { id: number; text: string; createdAt: number }">
    /** Notes about one thing, and a line to write another. */
    import type { Snippet } from 'svelte';
    import { moment } from './format.ts';

    interface Props {
        notes: Note[];
        /** What they are about, in a sentence: "this page". */
        about: string;
        /** @returns why it could not be done, or nothing */
        onWrite: (text: string) => Promise<string>;
        onForget: (id: number) => Promise<string>;
        /** What a note is about, where they are about several things. */
        subjectOf?: Snippet<[Note]>;
    }
    let { notes, about, onWrite, onForget, subjectOf }: Props = $props();
    let text = $state('');
    let trouble = $state('');
    let isBusy = $state(false);

    async function write(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        if (text.trim() === '') return;
        isBusy = true;
        trouble = await onWrite(text);
        isBusy = false;
        if (trouble === '') text = '';
    }
</script>

{#each notes as note (note.id)}
    <div class="remark-line mb-1 flex items-start gap-2">
        <p class="w-full whitespace-pre-wrap">
            {note.text}
            <span class="note"
                >{moment(note.createdAt)}{#if subjectOf}, on {@render subjectOf(note)}{/if}</span
            >
        </p>
        <button
            class="tb"
            aria-label="Take away the note “{note.text.slice(0, 40)}”"
            onclick={async () => (trouble = await onForget(note.id))}>✕</button
        >
    </div>
{/each}
<form onsubmit={write} class="flex gap-1">
    <textarea
        class="field !h-[30px]"
        rows="1"
        maxlength="10000"
        bind:value={text}
        aria-label="Write a note about {about}"
        placeholder="a note about {about}"></textarea>
    <button class="tb outlined" disabled={isBusy || text.trim() === ''}>Note it</button>
</form>
{#if trouble !== ''}<p role="alert">{trouble}</p>{/if}
