<script lang="ts">
    /** What can be answered to the sentence in hand, each with its key. */
    interface Props {
        words: number;
        instead: { url: string; title: string } | null;
        isBusy: boolean;
        onTake: () => void;
        onAnswer: (what: 'refused' | 'later') => void;
        onOther: () => void;
        onNext: () => void;
    }
    let { words, instead, isBusy, onTake, onAnswer, onOther, onNext }: Props = $props();
</script>

<div class="answers">
    <button class="take" disabled={isBusy} onclick={onTake}>Take <kbd>Enter</kbd></button>
    <button class="tb" disabled={isBusy} onclick={() => onAnswer('refused')}>Refuse <kbd>X</kbd></button>
    <button class="tb" disabled={isBusy} onclick={() => onAnswer('later')}>Later <kbd>L</kbd></button>
    <button class="tb" onclick={onOther}>Other target <kbd>T</kbd></button>
    <button class="tb" onclick={onNext}>Next <kbd>N</kbd></button>
    <span class="note keys"
        >{words} of at most 8 words; <kbd>←</kbd> <kbd>→</kbd> move the end, with <kbd>Shift</kbd> the start</span
    >
</div>
{#if instead}<p class="pane note">Leads to <b>{instead.title || instead.url}</b> instead.</p>{/if}

<style>
    .answers {
        display: flex;
        flex-wrap: wrap;
        align-items: center;
        gap: 6px 10px;
        padding: 10px 28px;
    }
    .take {
        padding: 4px 12px;
        background: var(--color-primary);
        color: var(--color-primary-content);
        font-weight: 600;
    }
    .take:disabled {
        opacity: 0.6;
    }
    .take kbd {
        color: inherit;
        border-color: currentColor;
        background: transparent;
        margin-left: 6px;
    }
    .keys {
        margin-left: auto;
    }
</style>
