<script lang="ts">
    /** What can be done with a survey that rests: going on with it, taking it away, deleting it. */
    import type { CutReason } from '../../core/survey/survey-rows.ts';
    import { count } from '../parts/format.ts';
    import type { SurveyCourse } from './survey-course.svelte.ts';

    interface Props {
        course: SurveyCourse;
        survey: { number: number; cut: readonly CutReason[]; settings: { maxPages: number } };
        /** Addresses of the survey in the API, and of a new survey. */
        api: string;
        newSurvey: string;
        onDelete: () => Promise<void>;
    }
    let { course, survey, api, newSurvey, onDelete }: Props = $props();
    let wantsDelete = $state(false);
    const isAsking = $derived(course.asking !== '');
    const widerPages = $derived(survey.settings.maxPages * 2);
    const GO_ON: Record<string, string> = { paused: 'Go on', failed: 'Try again as it is' };
    const files = $derived([
        { name: 'Pages, CSV', file: 'pages.csv' },
        { name: 'Links, CSV', file: 'links.csv' },
        ...((course.progress?.families.length ?? 0) > 0 ? [{ name: 'Families, CSV', file: 'families.csv' }] : []),
        { name: 'Counts, JSON', file: 'summary.json' },
    ]);
</script>

{#if course.canGoOn}
    <button
        class="tb {course.phase === 'failed' ? 'outlined' : 'filled'}"
        onclick={() => course.askAndLook('resume')}
        disabled={isAsking}>{GO_ON[course.phase] ?? 'Go on where it ended'}</button
    >
    {#if course.phase === 'paused'}
        <button class="tb outlined" onclick={() => course.askAndLook('stop')} disabled={isAsking}
            >Close it with what is read</button
        >
    {/if}
    {#if survey.cut.includes('max-pages')}
        <button
            class="tb outlined"
            onclick={() => course.askAndLook('resume', { maxPages: widerPages })}
            disabled={isAsking}>Go on to {count(widerPages)} pages</button
        >
    {/if}
    {#if survey.cut.includes('max-depth')}
        <button class="tb outlined" onclick={() => course.askAndLook('resume', { maxDepth: null })} disabled={isAsking}
            >Go on to any depth</button
        >
    {/if}
{/if}
{#each files as { name, file } (file)}
    <a class="tb outlined" href="{api}/{file}" download={file} data-sveltekit-reload>{name}</a>
{/each}
<a class="tb" href={newSurvey}>New survey</a>
{#if wantsDelete}
    <span class="ink2">Delete survey {survey.number} for good?</span>
    <button class="tb outlined" onclick={onDelete} disabled={isAsking}>Delete it</button>
    <button class="tb" onclick={() => (wantsDelete = false)}>Keep it</button>
{:else}
    <button class="tb" onclick={() => (wantsDelete = true)}>Delete</button>
{/if}
