<script lang="ts">
    /** A severity by its form: a filled lozenge for a fault, an open one for a risk, a dot for a remark. */
    let { severity }: { severity: 'fault' | 'risk' | 'remark' } = $props();
</script>

<svg class="mark" width="13" height="13" viewBox="0 0 13 13" role="img" aria-label={severity}
    ><title>{severity}</title>{#if severity === 'fault'}<path
            d="M6.5 0.8L12.2 6.5 6.5 12.2 0.8 6.5z"
            fill="var(--color-accent)"
        />
    {:else if severity === 'risk'}<path
            d="M6.5 1.5L11.5 6.5 6.5 11.5 1.5 6.5z"
            fill="none"
            stroke="currentColor"
            stroke-width="1.5"
        />
    {:else}<circle cx="6.5" cy="6.5" r="2.4" fill="none" stroke="currentColor" stroke-width="1.2" />{/if}</svg
>
