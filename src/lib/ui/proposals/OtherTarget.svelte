<script lang="ts">
    /** Other pages that the same words fit, to lead there instead. */
    import type { OtherTargets } from '../../wire/proposals.ts';

    interface Props {
        others: OtherTargets;
        words: string;
        onChoose: (other: { url: string; title: string } | null) => void;
    }
    let { others, words, onChoose }: Props = $props();
</script>

<div class="others" role="group" aria-label="Other target">
    <p class="note">Other pages that “{words}” could lead to</p>
    {#each others as other (other.url)}
        <button class="tb outlined" onclick={() => onChoose(other)} title={other.url}>{other.title || other.url}</button
        >
    {:else}<p>No other page is called by these words.</p>{/each}
    <button class="tb" onclick={() => onChoose(null)}>leave it as it is</button>
</div>

<style>
    .others {
        display: flex;
        flex-wrap: wrap;
        gap: 6px;
        padding: 8px 28px;
        background: var(--wash);
    }
    .others p {
        width: 100%;
    }
</style>
