<script lang="ts">
    /** Which columns a table shows: all of them, in groups of what they are, to be ticked. */
    interface Props {
        all: { id: string; name: string; what: string }[];
        chosen: string[];
        /** Always shown. */
        fixed: string;
        onChoose: (columns: string[]) => void;
    }
    let { all, chosen, fixed, onChoose }: Props = $props();
    // What is newly ticked comes last; the order of the others stays.
    const toggle = (id: string, on: boolean): void =>
        onChoose(on ? [...chosen, id] : chosen.filter((column) => column !== id));
</script>

<details class="columns">
    <summary class="tb outlined">Columns, {chosen.length} of {all.length}</summary>
    <fieldset>
        <legend class="visually-hidden">Columns shown</legend>
        {#each all as column (column.id)}
            <label title={column.what}
                ><input
                    class="checkbox checkbox-xs"
                    type="checkbox"
                    checked={chosen.includes(column.id)}
                    disabled={column.id === fixed}
                    onchange={(event) => toggle(column.id, event.currentTarget.checked)}
                />
                {column.name}</label
            >
        {/each}
    </fieldset>
</details>

<style>
    .columns {
        position: relative;
    }
    .columns summary {
        list-style: none;
    }
    .columns fieldset {
        position: absolute;
        right: 0;
        top: 100%;
        z-index: 5;
        margin-top: 2px;
        padding: 6px 10px;
        width: 560px;
        max-width: 90vw;
        max-height: 70vh;
        overflow: auto;
        columns: 3;
        border: 1px solid var(--edge);
        background: var(--color-base-100);
    }
    .columns label {
        display: flex;
        gap: 6px;
        align-items: center;
        min-height: 24px;
        break-inside: avoid;
    }
    @media (max-width: 640px) {
        .columns fieldset {
            columns: 2;
            width: 340px;
            right: auto;
            left: 0;
        }
    }
</style>
