<script lang="ts">
    /** A few things to do, behind three points. Closes when one is done, and when the focus goes elsewhere. */
    import type { Snippet } from 'svelte';

    interface Props {
        label: string;
        /** List items with a button each; `done` closes the menu. */
        items: Snippet<[done: () => void]>;
    }
    let { label, items }: Props = $props();
    let menu: HTMLDetailsElement | undefined = $state();

    function done(): void {
        if (menu) menu.open = false;
        menu?.querySelector('summary')?.focus();
    }
    const isOutside = (to: EventTarget | null): boolean => !(to instanceof Node && menu?.contains(to));
</script>

<details
    class="few"
    bind:this={menu}
    data-no-picture
    onfocusout={(event) => {
        if (menu && isOutside(event.relatedTarget)) menu.open = false;
    }}
>
    <summary class="tb" aria-label={label}>⋯</summary>
    <ul>
        {@render items(done)}
    </ul>
</details>

<style>
    .few {
        position: relative;
        flex: none;
    }
    summary {
        list-style: none;
        min-height: 24px;
        min-width: 28px;
        padding: 0 6px;
        justify-content: center;
        color: var(--ink2);
    }
    summary::-webkit-details-marker {
        display: none;
    }
    ul {
        position: absolute;
        right: 0;
        z-index: 5;
        border: 1px solid var(--edge);
        background: var(--color-base-100);
        padding: 3px;
    }
    ul :global(button) {
        width: 100%;
    }
    @media print {
        .few {
            display: none;
        }
    }
</style>
