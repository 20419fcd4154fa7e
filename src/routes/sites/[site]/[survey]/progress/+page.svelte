<script lang="ts">
    import { goto, invalidateAll } from '$app/navigation';
    import { navigating } from '$app/state';
    import { progressView } from '$lib/core/views/progress.ts';
    import { moment } from '$lib/ui/parts/format.ts';
    import SettingsSummary from '$lib/ui/parts/SettingsSummary.svelte';
    import CourseHeadline from '$lib/ui/progress/CourseHeadline.svelte';
    import FamiliesMet from '$lib/ui/progress/FamiliesMet.svelte';
    import HostsAsked from '$lib/ui/progress/HostsAsked.svelte';
    import HowMuchRead from '$lib/ui/progress/HowMuchRead.svelte';
    import LeftAlone from '$lib/ui/progress/LeftAlone.svelte';
    import ReadByLevel from '$lib/ui/progress/ReadByLevel.svelte';
    import RestControls from '$lib/ui/progress/RestControls.svelte';
    import RunControls from '$lib/ui/progress/RunControls.svelte';
    import { SurveyCourse } from '$lib/ui/progress/survey-course.svelte.ts';
    import { surveyApi } from '$lib/wire/client.ts';

    let { data } = $props();
    const site = $derived(`/sites/${data.site.id}`);
    const base = $derived(`${site}/${data.survey.path}`);
    const api = $derived(surveyApi(data.site.id, data.survey.path));
    const course = new SurveyCourse(
        () => ({ ...data.survey, isKnocking: data.isKnocking, progress: data.progress }),
        () => api,
        // The reader may be on the way to the Brief already.
        async () => (navigating.to ? undefined : invalidateAll()),
    );
    const view = $derived(course.progress && progressView(course.progress));
    const isEarlier = $derived(data.survey.revision < data.survey.latest);
    const ended = $derived(
        `${moment(data.survey.endedAt)}${data.survey.revision > 1 ? `, revision ${data.survey.revision}` : ''}`,
    );
    const times = $derived(
        [
            { name: 'started', text: moment(data.survey.startedAt) },
            { name: 'ended', text: ended },
        ].filter(({ text }) => text !== ''),
    );

    $effect(() => course.follow());

    async function remove(): Promise<void> {
        if (await course.ask('delete')) await goto(site, { invalidateAll: true });
    }
</script>

<svelte:head><title>Survey {data.survey.number} · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <div class="pane border-b border-(--edge)">
        <CourseHeadline {course} survey={data.survey} knock={data.knock} {base} {site} />
        {#if course.phase === 'failed'}
            <p class="mt-2 flex gap-2 flex-wrap">
                <a class="tb filled" href="{site}/new-survey">Change the settings and try again</a>
                <a class="tb outlined" href="{site}/door">Knock at the door: what shuts it?</a>
                <a class="tb" href="{base}/brief">What was found all the same</a>
            </p>
        {/if}
        <p class="mt-2 flex gap-2 flex-wrap items-center">
            {#if course.isRunning}<RunControls {course} />
            {:else if !isEarlier}
                <RestControls {course} survey={data.survey} {api} newSurvey="{site}/new-survey" onDelete={remove} />
            {/if}
        </p>
        {#if course.refusal}<p class="fault-line mt-1" role="alert">{course.refusal}</p>{/if}
    </div>
    <div class="pane-row two">
        <section class="pane" aria-label="Progress">
            {#if view}
                <HowMuchRead {view} {course} />
                {#if view.progress.levels.length > 0}<ReadByLevel {view} />{/if}
            {:else}<p class="ink2">{course.isRunning ? 'Nothing has been read yet.' : 'No progress was kept.'}</p>{/if}
        </section>
        <section class="pane" aria-label="Hosts">
            <h2 class="pane-name mb-1">By host</h2>
            {#if view && view.hosts.length > 0}<HostsAsked {view} isRunning={course.isRunning} />
            {:else}<p class="ink2">No host was asked yet.</p>{/if}
            {#if view}<LeftAlone {view} {base} isRunning={course.isRunning} />{/if}
        </section>
    </div>
    {#if view && view.families.length > 0}
        <FamiliesMet
            {view}
            familyLimit={data.survey.settings.familyLimit}
            {api}
            isAsking={course.asking !== ''}
            onDecide={(of, state) => void course.askAndLook('decisions', { kind: 'family', of, state })}
        />
    {/if}
    <section class="pane" aria-label="How it is read">
        <h2 class="pane-name mb-1">How it {course.isRunning ? 'is' : 'was'} read</h2>
        <SettingsSummary settings={data.survey.settings} more={times} />
    </section>
</div>
