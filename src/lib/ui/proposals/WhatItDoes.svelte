<script lang="ts">
    /** What the link in hand does to its target, with those taken before: from the survey, the standing estimated. */
    import type { Effect } from '../../core/views/proposals.ts';
    import { count } from '../parts/format.ts';

    let { effect }: { effect: Effect } = $props();
    const clicks = (depth: number | null): string => (depth === null ? 'none' : count(depth));
</script>

<p class="does" aria-label="What it does">
    <b>What it does</b>
    <span>pages linking in {count(effect.linksIn[0])} → <b>{count(effect.linksIn[1])}</b></span>
    <span>depth {clicks(effect.depth[0])} → <b>{clicks(effect.depth[1])}</b></span>
    {#if effect.isOrphan && effect.depth[1] !== null}<span>orphan → <b>reached</b></span>{/if}
    <span
        >standing {effect.standing[0].toFixed(2)} → about <b>{effect.standing[1].toFixed(2)}</b>
        <span class="ink3">estimated</span></span
    >
    <span class="ink3">by this survey, with what is taken before; the site is not touched</span>
</p>

<style>
    .does {
        display: flex;
        flex-wrap: wrap;
        gap: 4px 20px;
        padding: 9px 16px;
        border-top: 1px solid var(--edge);
        background: var(--color-base-200);
    }
    .does > :last-child {
        margin-left: auto;
    }
</style>
