<script lang="ts">
    /** The line of sub-areas under the set bar of the survey's own area. */
    const ITEMS = {
        progress: 'How it was read',
        completeness: 'Completeness',
        evidence: 'Evidence',
        orphans: 'Orphans',
        sitemaps: 'Sitemaps',
        'links-in': 'Links in',
        templates: 'Templates',
        hosts: 'Other hosts',
    } as const;
    let { base, current }: { base: string; current: keyof typeof ITEMS } = $props();
    const items = $derived(Object.entries(ITEMS).map(([id, name]) => ({ id, name, href: `${base}/${id}` })));
</script>

<nav class="sub-areas" aria-label="Survey">
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
