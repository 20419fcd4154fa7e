<script lang="ts">
    /** How much of what was found is read, and at what pace. */
    import type { ProgressView } from '../../core/views/progress.ts';
    import { STEP_WORDS, waitWords } from '../../core/words/progress.ts';
    import { count } from '../parts/format.ts';
    import ReadingBar from '../parts/ReadingBar.svelte';
    import type { SurveyCourse } from './survey-course.svelte.ts';

    let { view, course }: { view: ProgressView; course: SurveyCourse } = $props();
    const { progress, secondsLeft } = $derived(view);
    const checks = $derived(progress.checks.done + progress.checks.open);
    const pace = $derived(`${progress.rate.toFixed(1)} a second`);
    const left = $derived(
        secondsLeft === null
            ? ''
            : `, about ${secondsLeft < 90 ? `${secondsLeft} s` : `${Math.ceil(secondsLeft / 60)} min`} for what is found so far`,
    );
</script>

<p class="flex items-baseline gap-2 flex-wrap">
    <span class="font-serif text-[1.6875rem] leading-8" data-testid="read">{count(progress.read)}</span>
    <span class="text-[1rem] font-serif">read of {count(progress.found)} found</span>
    <span class="ml-auto ink2">{course.isRunning ? `${pace}${left}` : ''}</span>
</p>
<ReadingBar read={progress.read} of={progress.found} />
<p class="note mt-1">
    {#if course.isRunning}
        Now: {STEP_WORDS[progress.doing]}{progress.level === null ? '' : `, level ${progress.level}`}. The whole is not
        known until the last level is read.
    {:else if course.phase === 'paused'}Found so far; the rest is read when it is gone on with.
    {:else}This is all that was found.{/if}
    {#if checks > 0}Other targets asked for their status: {count(progress.checks.done)} of {count(checks)}.{/if}
</p>
{#if course.isRunning && progress.waiting}<p class="risk-line mt-1">{waitWords(progress.waiting)}</p>{/if}
