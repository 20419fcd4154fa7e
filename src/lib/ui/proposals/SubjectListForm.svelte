<script lang="ts">
    /** Subjects of many pages as a list: pasted, looked at, kept. */
    import { readSubjectList, type SubjectList } from '../../core/subjects/subject-list.ts';
    import { counted } from '../parts/format.ts';

    interface Props {
        /** URL of the start page. */
        start: string;
        /** @returns why not, as a sentence; empty where it is kept */
        onSave: (subjects: { by: 'page'; subject: string; words: string[] }[]) => Promise<string>;
    }
    let { start, onSave }: Props = $props();
    const WHY: Record<SubjectList['troubles'][number]['why'], string> = {
        'no address': 'it begins with no address (/path/ or a whole URL)',
        'no words': 'no words stand behind the address',
        'too many words': 'it has more than 50 words, or one longer than 200 characters',
    };
    const MOST_TOLD = 5;
    let text = $state('');
    let said = $state('');
    let refusal = $state('');
    let isBusy = $state(false);
    const list = $derived(readSubjectList(text, start));

    async function save(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        isBusy = true;
        refusal = await onSave(list.subjects.map(({ url, words }) => ({ by: 'page', subject: url, words })));
        isBusy = false;
        if (refusal !== '') return;
        said = `Kept for ${counted(list.subjects.length, 'page')}.`;
        text = '';
    }
</script>

<details class="pane border-t border-(--rule)">
    <summary class="pane-name">Subjects as a list <span class="note">a page a line, then its words</span></summary>
    <form class="mt-2" onsubmit={save}>
        <textarea
            class="field"
            rows="6"
            aria-label="Subjects: address, then words, a page a line"
            placeholder="/guides/oiling-a-whetstone/, whetstone, oiling"
            bind:value={text}></textarea>
        <button class="tb outlined mt-1" disabled={isBusy || list.subjects.length === 0}
            >Keep {counted(list.subjects.length, 'subject')}</button
        >
    </form>
    {#each list.troubles.slice(0, MOST_TOLD) as { line, why } (line)}
        <p class="note">Line {line} is left out: {WHY[why]}.</p>
    {/each}
    {#if list.troubles.length > MOST_TOLD}<p class="note">So are {list.troubles.length - MOST_TOLD} more.</p>{/if}
    {#if refusal !== ''}<p class="fault-line" role="alert">{refusal}</p>{/if}
    <p class="note" role="status">{said}</p>
</details>

<style>
    textarea {
        width: 100%;
        height: auto;
        padding: 6px;
        resize: vertical;
    }
</style>
