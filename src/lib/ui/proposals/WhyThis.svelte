<script lang="ts">
    /** Why a sentence is proposed: a note for each part, with its strength as a bar. No total is shown. */
    import type { ShownProposal } from '../../core/views/proposals.ts';
    import { cutSentence } from '../parts/format.ts';
    import { partName } from '../../core/words/proposals.ts';

    let { parts }: { parts: ShownProposal['parts'] } = $props();
    const WIDTH = 54;
</script>

<aside class="why" aria-label="Why this sentence">
    <p class="note">Why this sentence, and how strongly</p>
    <dl>
        {#each parts as { part, value, why } (part)}
            <dt>
                <svg width={WIDTH} height="8" role="img" aria-label="{Math.round(value * 100)} of 100">
                    <rect x="0.5" y="0.5" width={WIDTH - 1} height="7" fill="none" stroke="var(--edge)" />
                    <rect x="0" y="0" width={Math.min(1, value) * WIDTH} height="8" fill="var(--color-primary)" />
                </svg>
            </dt>
            <dd>
                <span class="aside">{partName(part, value)}</span>
                <span class="note block">{cutSentence(why)}</span>
            </dd>
        {/each}
    </dl>
</aside>

<style>
    .why {
        border-left: 1px solid var(--edge);
        padding: 14px 16px;
        min-width: 0;
        overflow-wrap: anywhere;
    }
    dl {
        display: grid;
        grid-template-columns: 54px minmax(0, 1fr);
        gap: 10px 12px;
        margin-top: 10px;
    }
    dt {
        padding-top: 4px;
    }
</style>
