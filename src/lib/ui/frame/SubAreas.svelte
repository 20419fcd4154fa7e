<script lang="ts">
    /** The line of an area's parts under the set bar. */
    interface Props {
        /** The area. */
        name: string;
        items: readonly { id: string; name: string; href: string }[];
        current: string;
    }
    let { name, items, current }: Props = $props();
</script>

<nav class="sub-areas" aria-label={name}>
    {#each items as item (item.id)}
        <a href={item.href} aria-current={item.id === current ? 'page' : undefined}>{item.name}</a>
    {/each}
</nav>

<style>
    .sub-areas {
        display: flex;
        flex-wrap: wrap;
        gap: 0 16px;
        min-height: 30px;
        align-items: center;
        padding: 0 16px;
        border-bottom: 1px solid var(--rule);
    }
    .sub-areas a {
        display: inline-flex;
        align-items: center;
        min-height: 30px;
        color: var(--ink2);
    }
    .sub-areas a[aria-current] {
        color: var(--color-base-content);
        font-weight: 600;
        box-shadow: inset 0 -2px 0 var(--color-base-content);
    }
</style>
