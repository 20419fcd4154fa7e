<script lang="ts">
    /** What the survey is doing, or how it ended, and what limits it. */
    import type { SurveySettings } from '../../core/survey/settings.ts';
    import type { CutReason } from '../../core/survey/survey-rows.ts';
    import { spaceWords } from '../../core/words/progress.ts';
    import { CUT_NAMES } from '../../core/words/survey.ts';
    import { moment } from '../parts/format.ts';
    import type { SurveyCourse } from './survey-course.svelte.ts';

    interface Props {
        course: SurveyCourse;
        survey: { number: number; cut: readonly CutReason[]; settings: SurveySettings };
        /** The knock at the door before it; null for none. */
        knock: { id: number; at: number; say: string } | null;
        /** Address of the survey, and of its site. */
        base: string;
        site: string;
    }
    let { course, survey, knock, base, site }: Props = $props();
    const { phase, isKnocking, trouble } = $derived(course);
    const spot = $derived(survey.settings.spot);
    const warning = $derived(course.isRunning ? course.progress?.warning : null);
</script>

<h1 class="headline" aria-live="polite">
    {#if phase === 'waiting'}Survey {survey.number} waits to be taken up.
    {:else if isKnocking}Survey {survey.number} knocks at the door first.
    {:else if phase === 'running'}Survey {survey.number} is running.
    {:else if phase === 'paused' && trouble !== ''}Survey {survey.number} was laid aside; nothing is lost.
    {:else if phase === 'paused'}Survey {survey.number} is paused; nothing is lost.
    {:else if phase === 'failed'}Survey {survey.number} could not be made.
    {:else if phase === 'stopped'}Survey {survey.number} was stopped; what was read is kept.
    {:else}Survey {survey.number} is done: <a class="set" href="{base}/brief">read the Brief</a>.{/if}
</h1>
{#if spot}
    <p class="ink2">
        A spot survey of <a class="set" href="{site}/{spot.parent}/brief">survey {spot.parent}</a>: {spot.what}, read
        again. It has no depth and no orphans.
    </p>
{:else if survey.cut.length > 0 && phase !== 'failed'}
    <p class="ink2">
        Partial, because of {survey.cut.map((cut) => CUT_NAMES[cut]).join(' and ')}: what was not read is listed with
        its reason, and orphans are not known.
    </p>
{/if}
{#if knock && !isKnocking && !spot}
    <p class="ink2">
        The door before it{phase === 'failed' ? '' : `: ${knock.say}`}
        <a class="set" href="{site}/door?knock={knock.id}">{moment(knock.at)}</a>
    </p>
{/if}
{#if trouble !== '' && (phase === 'failed' || phase === 'paused')}
    <p class="fault-line mt-2 max-w-[760px] break-words" role="alert">{trouble}</p>
{/if}
{#if warning}
    <p class="risk-line mt-2 max-w-[760px]">{spaceWords(warning)}</p>
{/if}
