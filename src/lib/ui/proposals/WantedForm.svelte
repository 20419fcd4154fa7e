<script lang="ts">
    /** How many pages should link to a page, by its priority. */
    import type { WantedLinks } from '../../wire/wanted-links.ts';

    interface Props {
        wanted: WantedLinks;
        /** The middle of what pages of each priority have. */
        offered: WantedLinks;
        /** @returns why not, as a sentence; empty where it is kept */
        onSave: (wanted: WantedLinks) => Promise<string>;
    }
    let { wanted, offered, onSave }: Props = $props();
    const ROWS = [
        { key: 'first', name: 'priority 1' },
        { key: 'second', name: 'priority 2' },
        { key: 'third', name: 'priority 3' },
        { key: 'others', name: 'all others' },
    ] as const;
    let given = $derived({ ...wanted });
    let refusal = $state('');

    async function save(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        refusal = await onSave(given);
    }
    const written = (text: string): number | null => (text.trim() === '' ? null : Number(text));
</script>

<details class="pane border-t border-(--rule)">
    <summary class="pane-name">Wanted links <span class="note">pages that should link to a page</span></summary>
    <form class="wanted" onsubmit={save}>
        {#each ROWS as { key, name } (key)}
            <label>
                <span>{name}</span>
                <input
                    class="field"
                    inputmode="numeric"
                    value={given[key] ?? ''}
                    placeholder={offered[key] === null ? 'none' : `none (middle ${offered[key]})`}
                    oninput={(event) => (given = { ...given, [key]: written(event.currentTarget.value) })}
                />
            </label>
        {/each}
        <button class="tb outlined">Keep</button>
    </form>
    {#if refusal !== ''}<p class="fault-line" role="alert">{refusal}</p>{/if}
</details>

<style>
    .wanted {
        display: grid;
        gap: 6px;
        margin-top: 8px;
        justify-items: start;
    }
    label {
        display: grid;
        grid-template-columns: 80px 120px;
        align-items: center;
    }
</style>
