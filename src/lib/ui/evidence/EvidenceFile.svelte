<script lang="ts">
    /** A file of evidence: chosen, looked at with its columns, confirmed. Nothing is imported before that. */
    import { IMPORT_WORDS, type ImportKind } from '$lib/core/evidence/imports.ts';
    import type { UploadPreview } from '$lib/wire/evidence.ts';

    type UploadResult = { ok: true; upload: string; preview: UploadPreview | null } | { ok: false; say: string };
    interface Props {
        upload: (kind: ImportKind, file: File) => Promise<UploadResult>;
        /** @returns what is wrong, empty when it was imported */
        /** Null when it was added; else why not, and whether it is when asked for once more. */
        confirm: (id: string, how: object) => Promise<{ say: string; doubt: boolean } | null>;
        robotWords: string[];
    }
    let { upload, confirm, robotWords }: Props = $props();

    const KINDS: ImportKind[] = ['log', 'visits', 'search', 'external'];
    const SAMPLE = 6;
    const SEPARATOR_WORDS: Record<string, string> = { ',': 'comma', ';': 'semicolon', '\t': 'tab', '|': 'bar' };
    let kind = $state<ImportKind>('log');
    let busy = $state('');
    let trouble = $state('');
    /** Most of its first lines cannot be read: it is added only when somebody says so. */
    let isDoubted = $state(false);
    let done = $state('');
    let kept = $state<{ id: string; name: string; kind: ImportKind } | null>(null);
    let preview = $state.raw<UploadPreview | null>(null);
    /** What each column is taken for. */
    let roles = $state<string[]>([]);
    let words = $derived(robotWords.join('\n'));

    async function choose(event: Event): Promise<void> {
        const input = event.currentTarget as HTMLInputElement;
        const file = input.files?.[0];
        if (!file) return;
        trouble = '';
        done = '';
        kept = null;
        preview = null;
        busy = `Taking ${file.name}…`;
        const chosen = kind;
        const result = await upload(chosen, file);
        busy = '';
        input.value = '';
        if (!result.ok) {
            trouble = result.say;
            return;
        }
        kept = { id: result.upload, name: file.name, kind: chosen };
        preview = result.preview;
        const mapping = result.preview?.mapping;
        if (mapping) {
            const width = Math.max(...(result.preview?.rows.map((row) => row.length) ?? [0]));
            roles = Array.from({ length: width }, (_, index) =>
                index === mapping.url
                    ? 'url'
                    : index === mapping.source
                      ? 'source'
                      : (mapping.kept.find((item) => item.index === index)?.type ?? 'left'),
            );
        }
    }

    function nameOf(index: number): string {
        const header = preview?.mapping.hasHeader ? preview.rows[0]?.[index]?.trim() : '';
        return (header || `column ${index + 1}`).slice(0, 60);
    }

    /** @param anyway take it although most of its first lines cannot be read */
    async function go(anyway = false): Promise<void> {
        if (!kept) return;
        const url = roles.indexOf('url');
        if (preview && url === -1) {
            trouble = 'Say which column holds the address.';
            return;
        }
        const source = roles.indexOf('source');
        if (kept.kind === 'external' && source === -1) {
            trouble = 'Say which column holds the page that links.';
            return;
        }
        trouble = '';
        isDoubted = false;
        busy = `Importing ${kept.name}…`;
        const mapping = preview && {
            hasHeader: preview.mapping.hasHeader,
            url,
            source: source === -1 ? null : source,
            kept: roles.flatMap((role, index) =>
                role === 'number' || role === 'date' ? [{ index, type: role, name: nameOf(index) }] : [],
            ),
        };
        const list = words.split('\n').filter((word) => word.trim() !== '');
        const refused = await confirm(kept.id, {
            separator: preview?.separator ?? ',',
            mapping,
            robotWords: list,
            anyway,
        });
        trouble = refused?.say ?? '';
        isDoubted = refused?.doubt ?? false;
        busy = '';
        if (trouble === '') {
            done = `${kept.name} was added.`;
            kept = null;
            preview = null;
        }
    }
</script>

<div class="choose">
    <label for="evidence-kind">It is</label>
    <select class="field" id="evidence-kind" bind:value={kind} disabled={busy !== ''}>
        {#each KINDS as item (item)}<option value={item}>{IMPORT_WORDS[item].name.toLowerCase()}</option>{/each}
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
<p class="note" id="evidence-what">{IMPORT_WORDS[kind].what}</p>
<div aria-live="polite">
    {#if busy}<p class="ink2">{busy}</p>{/if}
    {#if trouble}<p class="fault-line">{trouble}</p>{/if}
    {#if done}<p class="ink2">{done}</p>{/if}
</div>
{#if kept && kept.kind === 'log'}
    <details>
        <summary
            ><span class="set">Which agents are robots?</span>
            <span class="note">hits of people and robots are counted apart</span></summary
        >
        <label for="robot-words" class="note">Parts of the names robots give, one to a line</label>
        <textarea class="field" id="robot-words" rows="6" spellcheck="false" bind:value={words}></textarea>
    </details>
{/if}
{#if kept && preview}
    <div class="table-wrap">
        <table class="ruled">
            <caption class="note text-left">
                {kept.name}, parted by {SEPARATOR_WORDS[preview.separator] ?? preview.separator}, {preview.mapping
                    .hasHeader
                    ? 'the first row names the columns'
                    : 'without a row of names'}. Say what each column is.
            </caption>
            <thead
                ><tr
                    >{#each roles as _, index (index)}<th>
                            <label class="visually-hidden" for="role-{index}">{nameOf(index)} is</label>
                            <select class="field" id="role-{index}" bind:value={roles[index]}>
                                <option value="url">{kept.kind === 'external' ? 'page it links to' : 'address'}</option>
                                {#if kept.kind === 'external'}<option value="source">page that links</option>{/if}
                                <option value="number">number, kept</option>
                                <option value="date">date, kept</option>
                                <option value="left">left out</option>
                            </select>
                        </th>{/each}</tr
                ></thead
            >
            <tbody>
                {#each preview.rows.slice(0, SAMPLE) as row, at (at)}
                    <tr class:names={at === 0 && preview.mapping.hasHeader}
                        >{#each roles as role, index (index)}<td class:ink3={role === 'left'}>{row[index] ?? ''}</td
                            >{/each}</tr
                    >
                {/each}
            </tbody>
        </table>
    </div>
{/if}
{#if kept}
    <p class="mt-2">
        <button
            class="tb {isDoubted ? 'outlined' : 'filled'}"
            type="button"
            onclick={() => go(isDoubted)}
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
    .table-wrap {
        overflow-x: auto;
        margin-top: 8px;
    }
    td {
        max-width: 340px;
        overflow-wrap: anywhere;
    }
    .names td {
        font-weight: 600;
    }
    @media (max-width: 640px) {
        .choose {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
