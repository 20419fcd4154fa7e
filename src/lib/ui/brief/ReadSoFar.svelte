<script lang="ts">
    /** How much of what is known was read, and why the rest was not. */
    import type { BriefView } from '../../core/views/brief.ts';
    import type { CutReason } from '../../core/survey/survey-rows.ts';
    import { setLine } from '../../core/sets/page-filter.ts';
    import { CUT_CLAUSES, leftWords } from '../../core/words/survey.ts';
    import { count } from '../parts/format.ts';
    import ReadingBar from '../parts/ReadingBar.svelte';
    import type { ViewLinks } from '../view/links.ts';

    interface Props {
        view: BriefView;
        to: ViewLinks;
        survey: { isEnded: boolean; cut: readonly CutReason[]; trouble: string };
    }
    let { view, to, survey }: Props = $props();
    const { counts } = $derived(view);
    const notRead = $derived(Object.entries(counts.byNotRead));
    const state = $derived(
        !survey.isEnded ? 'still running' : survey.cut.length === 0 ? 'complete as far as it may go' : 'partial',
    );
</script>

<div class="pane">
    <p class="flex flex-wrap justify-between gap-x-2 mb-1">
        <b class="whitespace-nowrap">Read: {count(counts.read)} of {count(counts.known)}</b><span class="note"
            >{state}</span
        >
    </p>
    <ReadingBar read={counts.read} of={counts.known} />
    <p class="note mt-1">
        {#if survey.cut.length > 0}Partial: {survey.cut.map((reason) => CUT_CLAUSES[reason]).join(', ')}. {survey.trouble}{/if}
        {#if notRead.length > 0}Not read:
            {#each notRead as [reason, urls], index (reason)}{index > 0 ? ', ' : ''}<a
                    class="set"
                    href={to.set(setLine({ reason }))}>{count(urls)}</a
                >
                {leftWords(reason)}{/each}. What stands behind them is not known.
        {:else if survey.isEnded}Everything known was asked for.{/if}
    </p>
</div>
