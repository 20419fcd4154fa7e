<script lang="ts">
    /** The first rows of a file of evidence, with what each column is taken for. */
    import type { ListKind } from '../../core/evidence/evidence-lists.ts';
    import type { UploadPreview } from '../../wire/evidence.ts';
    import { columnName, type ColumnRole } from './taken-columns.ts';

    interface Props {
        /** Name of the file, and what it is. */
        name: string;
        kind: ListKind;
        preview: UploadPreview;
        roles: ColumnRole[];
    }
    let { name, kind, preview, roles = $bindable() }: Props = $props();
    const SAMPLE = 6;
    const SEPARATORS: Record<string, string> = { ',': 'comma', ';': 'semicolon', '\t': 'tab', '|': 'bar' };
    const { hasHeader } = $derived(preview.mapping);
    const names = $derived(hasHeader ? 'the first row names the columns' : 'without a row of names');
</script>

<div class="table-wrap">
    <table class="ruled">
        <caption class="note text-left">
            {name}, parted by {SEPARATORS[preview.separator] ?? preview.separator}, {names}. Say what each column is.
        </caption>
        <thead>
            <tr>
                {#each roles as _, index (index)}
                    <th>
                        <label class="visually-hidden" for="role-{index}">{columnName(preview, index)} is</label>
                        <select class="field" id="role-{index}" bind:value={roles[index]}>
                            <option value="url">{kind === 'external' ? 'page it links to' : 'address'}</option>
                            {#if kind === 'external'}<option value="source">page that links</option>{/if}
                            <option value="number">number, kept</option>
                            <option value="date">date, kept</option>
                            <option value="left">left out</option>
                        </select>
                    </th>
                {/each}
            </tr>
        </thead>
        <tbody>
            {#each preview.rows.slice(0, SAMPLE) as row, at (at)}
                <tr class:names={at === 0 && hasHeader}>
                    {#each roles as role, index (index)}<td class:ink3={role === 'left'}>{row[index] ?? ''}</td>{/each}
                </tr>
            {/each}
        </tbody>
    </table>
</div>

<style>
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
</style>
