<script lang="ts">
    /** Sets with names: gone to, forgotten, and the current one saved. */
    interface Props {
        saved: { name: string; expression: string }[];
        /** Line of the current set; null where it cannot be saved. */
        current: string | null;
        hrefOf: (text: string) => string;
        /** Both say why not, or nothing. */
        onSave: (name: string, text: string) => Promise<string>;
        onForget: (name: string) => Promise<string>;
    }
    let { saved, current, hrefOf, onSave, onForget }: Props = $props();
    let isOpen = $state(false);
    let said = $state('');
    let name = $state('');

    async function save(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        if (current === null) return;
        said = await onSave(name, current);
        if (said === '') name = '';
    }
</script>

<details class="sets" bind:open={isOpen}>
    <summary class="tb">Sets</summary>
    <div class="menu-sheet">
        {#if saved.length === 0}<p class="ink2 px-1">No set is saved yet.</p>{/if}
        {#each saved as set (set.name)}
            <div class="flex items-center gap-2">
                <a
                    class="tb flex-1 cut"
                    href={hrefOf(`set ${JSON.stringify(set.name)}`)}
                    title={set.expression}
                    onclick={() => (isOpen = false)}>{set.name}</a
                >
                <button
                    class="tb"
                    aria-label="Forget the set {set.name}"
                    onclick={async () => (said = await onForget(set.name))}>×</button
                >
            </div>
        {/each}
        {#if current !== null}
            <form class="flex gap-1 mt-1" onsubmit={save}>
                <input
                    class="input input-xs flex-1"
                    bind:value={name}
                    aria-label="Name of the current set"
                    placeholder="Name of this set"
                    maxlength="100"
                    required
                />
                <button class="tb outlined" type="submit">Save</button>
            </form>
        {/if}
        <p role="status">{said}</p>
    </div>
</details>

<style>
    .sets {
        position: relative;
    }
    .sets summary {
        list-style: none;
    }
    .menu-sheet {
        position: absolute;
        right: 0;
        top: 100%;
        z-index: 20;
        margin-top: 2px;
        padding: 6px;
        width: 280px;
        border: 1px solid var(--edge);
        background: var(--color-base-100);
    }
</style>
