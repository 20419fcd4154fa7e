<script lang="ts">
    /** Ways to take the rows of a table along: files, and the clipboard. */
    interface Props {
        files: { name: string; href: string }[];
        /** Rows as lines of tab-separated values, for a spreadsheet. */
        copy: () => Promise<string>;
    }
    let { files, copy }: Props = $props();
    let said = $state('');

    async function copyRows(): Promise<void> {
        try {
            said = await copy();
        } catch {
            said = 'The rows could not be copied.';
        }
    }
</script>

<details class="take">
    <summary class="tb outlined">Take along</summary>
    <div class="menu-sheet">
        {#each files as { name, href } (name)}
            <a class="tb" {href} download data-sveltekit-reload>{name}</a>
        {/each}
        <button class="tb" onclick={copyRows}>Copy rows</button>
        <span role="status" class="ink2">{said}</span>
    </div>
</details>

<style>
    .take {
        position: relative;
    }
    .take summary {
        list-style: none;
    }
    .menu-sheet {
        position: absolute;
        right: 0;
        top: 100%;
        z-index: 5;
        margin-top: 2px;
        padding: 4px;
        display: grid;
        min-width: 170px;
        border: 1px solid var(--edge);
        background: var(--color-base-100);
    }
</style>
