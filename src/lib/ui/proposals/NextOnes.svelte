<script lang="ts">
    /** What comes behind the sentence in hand: to be read, not acted on. */
    import type { ShownProposal } from '../../core/views/proposals.ts';
    import { count } from '../parts/format.ts';
    import Address from '../parts/Address.svelte';
    import { anchorText } from './anchor-words.ts';

    let { next, origin }: { next: readonly ShownProposal[]; origin: string } = $props();
    const MOST = 4;
    const WIDTH = 54;
</script>

{#if next.length > 0}
    <section class="pane border-t border-(--edge)" aria-label="Next">
        <h2 class="pane-name">
            Next <span class="note">{count(next.length)} left for this target, the strongest first, one a page</span>
        </h2>
        <table class="ruled">
            <tbody>
                {#each next.slice(0, MOST) as proposal (proposal.source)}
                    <tr>
                        <td><Address url={proposal.source} {origin} most={44} /></td>
                        <td class="aside">“{anchorText(proposal.passage, proposal.words, proposal.anchor)}”</td>
                        <td class="num">
                            <svg
                                width={WIDTH}
                                height="7"
                                role="img"
                                aria-label="strength {Math.round(proposal.score * 100)} of 100"
                            >
                                <rect x="0.5" y="0.5" width={WIDTH - 1} height="6" fill="none" stroke="var(--edge)" />
                                <rect width={proposal.score * WIDTH} height="7" fill="var(--color-primary)" />
                            </svg>
                        </td>
                    </tr>
                {/each}
            </tbody>
        </table>
    </section>
{/if}
