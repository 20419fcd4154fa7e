<script lang="ts">
    /** A file of evidence: chosen, looked at with its columns, confirmed. Nothing is imported before that. */
    import { LIST_WORDS, type ListKind } from '../../core/evidence/evidence-lists.ts';
    import type { UploadPreview } from '../../wire/evidence.ts';
    import FileColumns from './FileColumns.svelte';
    import { proposedRoles, takenColumns, type ColumnRole } from './taken-columns.ts';

    type Upload = { ok: true; data: { upload: string; preview: UploadPreview | null } } | { ok: false; say: string };
    interface Props {
        upload: (kind: ListKind, file: File) => Promise<Upload>;
        /** Null when it was added; else why not, and whether it is when asked for once more. */
        confirm: (id: string, how: object) => Promise<{ say: string; doubt: boolean } | null>;
        robotWords: string[];
    }
    let { upload, confirm, robotWords }: Props = $props();

    const KINDS: ListKind[] = ['log', 'visits', 'search', 'external'];
    let kind = $state<ListKind>('log');
    let busy = $state('');
    let trouble = $state('');
    /** Most of its first lines cannot be read: it is added only when somebody says so. */
    let isDoubted = $state(false);
    let done = $state('');
    let kept = $state<{ id: string; name: string; kind: ListKind } | null>(null);
    let preview = $state.raw<UploadPreview | null>(null);
    let roles = $state<ColumnRole[]>([]);
    let words = $derived(robotWords.join('\n'));

    async function choose(event: Event & { currentTarget: HTMLInputElement }): Promise<void> {
        const input = event.currentTarget;
        const file = input.files?.[0];
        if (!file) return;
        [trouble, done, kept, preview] = ['', '', null, null];
        busy = `Taking ${file.name}…`;
        const chosen = kind;
        const answer = await upload(chosen, file);
        busy = '';
        input.value = '';
        if (!answer.ok) {
            trouble = answer.say;
            return;
        }
        kept = { id: answer.data.upload, name: file.name, kind: chosen };
        preview = answer.data.preview;
        roles = preview ? proposedRoles(preview) : [];
    }

    /** @param anyway take it although most of its first lines cannot be read */
    async function add(anyway: boolean): Promise<void> {
        if (!kept) return;
        const taken = preview && takenColumns(preview, roles, kept.kind);
        isDoubted = false;
        trouble = taken && !taken.ok ? taken.say : '';
        if (trouble !== '') return;
        busy = `Importing ${kept.name}…`;
        const refused = await confirm(kept.id, {
            separator: preview?.separator ?? ',',
            mapping: taken?.ok ? taken.mapping : null,
            robotWords: words.split('\n').filter((word) => word.trim() !== ''),
            anyway,
        });
        busy = '';
        trouble = refused?.say ?? '';
        isDoubted = refused?.doubt ?? false;
        if (refused) return;
        done = `${kept.name} was added.`;
        [kept, preview] = [null, null];
    }
</script>

<div class="choose">
    <label for="evidence-kind">It is</label>
    <select class="field" id="evidence-kind" bind:value={kind} disabled={busy !== ''}>
        {#each KINDS as item (item)}<option value={item}>{LIST_WORDS[item].name.toLowerCase()}</option>{/each}
    </select>
    <label for="evidence-file">File</label>
    <input
        class="field"
        id="evidence-file"
        type="file"
        onchange={choose}
        disabled={busy !== ''}
        aria-describedby="evidence-what"
    />
</div>
<p class="note" id="evidence-what">{LIST_WORDS[kind].what}</p>
<div aria-live="polite">
    {#if busy}<p class="ink2">{busy}</p>{/if}
    {#if trouble}<p class="fault-line">{trouble}</p>{/if}
    {#if done}<p class="ink2">{done}</p>{/if}
</div>
{#if kept?.kind === 'log'}
    <details>
        <summary>
            <span class="set">Which agents are robots?</span>
            <span class="note">hits of people and robots are counted apart</span>
        </summary>
        <label for="robot-words" class="note">Parts of the names robots give, one to a line</label>
        <textarea class="field" id="robot-words" rows="6" spellcheck="false" bind:value={words}></textarea>
    </details>
{/if}
{#if kept && preview}<FileColumns name={kept.name} kind={kept.kind} {preview} bind:roles />{/if}
{#if kept}
    <p class="mt-2">
        <button
            class="tb {isDoubted ? 'outlined' : 'filled'}"
            type="button"
            onclick={() => add(isDoubted)}
            disabled={busy !== ''}>{isDoubted ? `Add ${kept.name} all the same` : `Add ${kept.name}`}</button
        >
    </p>
{/if}

<style>
    .choose {
        display: grid;
        grid-template-columns: max-content minmax(0, 240px) max-content minmax(0, 420px);
        gap: 6px 12px;
        align-items: center;
    }
    @media (max-width: 640px) {
        .choose {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
