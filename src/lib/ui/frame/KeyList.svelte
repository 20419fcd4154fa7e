<script lang="ts">
    /** All keys, in a window that `?` opens. */
    import { AREAS } from '../../core/views/areas.ts';

    const AREA_KEYS = AREAS.map(({ key }) => key);
    const KEYS = [
        { keys: [AREA_KEYS[0]!, '…', AREA_KEYS.at(-1)!], does: `go to ${AREAS.map(({ name }) => name).join(', ')}` },
        { keys: ['Ctrl', 'K'], does: 'find a page, an area, a set or an action (⌘ K on a Mac)' },
        { keys: ['/'], does: 'write in the line of the set' },
        { keys: ['['], does: 'page before, in the set and its order' },
        { keys: [']'], does: 'page after' },
        { keys: ['Esc'], does: 'close the page sheet, a list or a window' },
        { keys: ['↑', '↓'], does: 'choose a row, an entry, a completion' },
        { keys: ['Enter'], does: 'open the row that is chosen' },
        { keys: ['?'], does: 'this list' },
    ];
    let dialog: HTMLDialogElement | undefined = $state();

    export function open(): void {
        dialog?.showModal();
    }
</script>

<dialog
    bind:this={dialog}
    class="keys"
    aria-label="Keys"
    onclick={(event) => event.target === dialog && dialog?.close()}
>
    <div class="flex justify-between items-start">
        <h2 class="pane-name mb-2">Keys</h2>
        <button class="tb" aria-label="Close the list of keys" onclick={() => dialog?.close()}>✕</button>
    </div>
    <dl>
        {#each KEYS as { keys, does } (does)}
            <dt>
                {#each keys as key, index (key)}{index > 0 ? ' ' : ''}<kbd>{key}</kbd>{/each}
            </dt>
            <dd>{does}</dd>
        {/each}
    </dl>
</dialog>

<style>
    .keys {
        width: min(460px, calc(100vw - 24px));
        margin: 96px auto auto;
        padding: 12px 16px 16px;
        border: 1px solid var(--edge);
        background: var(--color-base-100);
        color: inherit;
    }
    .keys::backdrop {
        background: color-mix(in oklab, var(--color-base-content) 22%, transparent);
    }
    dl {
        display: grid;
        grid-template-columns: 92px minmax(0, 1fr);
        gap: 6px 12px;
    }
    kbd {
        border: 1px solid var(--edge);
        padding: 0 5px;
        font-family: var(--font-mono);
        font-size: 0.71875rem;
    }
</style>
