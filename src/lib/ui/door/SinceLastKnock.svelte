<script lang="ts">
    /** What changed since the knock before. */
    import type { KnockChange } from '../../core/compare/compare-knocks.ts';
    import { moment } from '../parts/format.ts';

    let { at, changes }: { at: number; changes: readonly KnockChange[] } = $props();
</script>

<section class="pane border-t border-(--rule)" aria-label="Before and after">
    <h2 class="pane-name">Before and after <span class="note">the knock before was on {moment(at)}</span></h2>
    {#if changes.length === 0}
        <p class="ink2">Nothing has changed since.</p>
    {:else}
        <table class="ruled">
            <thead><tr><th>what</th><th>before</th><th>now</th></tr></thead>
            <tbody>
                {#each changes as { what, before, now } (what)}
                    <tr>
                        <td>{what}</td>
                        <td class="ink2 breaks">{before}</td>
                        <td class="breaks">{now}</td>
                    </tr>
                {/each}
            </tbody>
        </table>
    {/if}
</section>
