<script lang="ts">
    /** How much was read: a bar of the neatline; solid steps are read, open is not. */
    let { read, of }: { read: number; of: number } = $props();
    const share = $derived(of === 0 ? 0 : Math.min(100, (read / of) * 100));
</script>

<div class="bar" role="img" aria-label="{read} of {of} read"><div class="read" style:width="{share}%"></div></div>

<style>
    .bar {
        height: 7px;
        border: 1px solid var(--color-base-content);
    }
    .read {
        height: 100%;
        background: repeating-linear-gradient(90deg, var(--color-base-content) 0 14px, var(--ink3) 14px 28px);
    }
</style>
