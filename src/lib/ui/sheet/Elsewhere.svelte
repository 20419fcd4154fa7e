<script lang="ts">
    /** The same page in other surveys of the site, the newest few. */
    interface Props {
        elsewhere: { number: number; href: string }[];
    }
    let { elsewhere }: Props = $props();
    const MOST = 6;
    const newest = $derived([...elsewhere].sort((a, b) => b.number - a.number).slice(0, MOST));
</script>

<p class="note mb-2">
    {#if newest.length > 0}This page in
        {#each newest as item, index (item.number)}{index > 0 ? ', ' : ''}<a class="set" href={item.href}
                >survey {item.number}</a
            >{/each}{/if}
</p>
