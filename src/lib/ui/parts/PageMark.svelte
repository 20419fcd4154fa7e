<script lang="ts">
    /** A page by its form: solid is indexable, outlined is stopped, hatched is not reached. */
    import { GATES, type Gate } from '$lib/core/gates/gates.ts';
    import { GATE_GLYPHS } from './gate-glyphs.ts';

    let { gate, reached }: { gate: string | null; reached: boolean | null } = $props();
    const isGate = (name: string | null): name is Gate => name !== null && (GATES as readonly string[]).includes(name);
    const label = $derived(
        [
            gate === null ? 'gate not known' : gate === 'indexable' ? 'indexable' : `stops at ${gate}`,
            reached === false ? 'not reached' : '',
        ]
            .filter((part) => part !== '')
            .join(', '),
    );
</script>

<svg class="mark" width="16" height="16" viewBox="0 0 16 16" role="img" aria-label={label}>
    <title>{label}</title>
    {#if gate === 'indexable' && reached !== false}
        <rect x="1" y="1" width="14" height="14" fill="currentColor" />
    {:else if gate === 'indexable'}
        <rect x="1.5" y="1.5" width="13" height="13" fill="url(#hatch)" stroke="currentColor" />
    {:else}
        <rect
            x="1.5"
            y="1.5"
            width="13"
            height="13"
            fill="none"
            stroke="currentColor"
            stroke-width="1.1"
            stroke-dasharray={reached === false || gate === null ? '2.4 1.8' : undefined}
        />
        {#if isGate(gate)}
            <path
                d={GATE_GLYPHS[gate]}
                transform="translate(2.6 2.6) scale(0.9)"
                fill="none"
                stroke="currentColor"
                stroke-width="1.35"
            />
        {/if}
    {/if}
</svg>
