<script lang="ts">
    /** What can be asked of a survey that runs. */
    import type { SurveyCourse } from './survey-course.svelte.ts';

    let { course }: { course: SurveyCourse } = $props();
    const isAsking = $derived(course.asking !== '');
</script>

<button class="tb outlined" onclick={() => course.askAndLook('pause')} disabled={isAsking || course.isPausing}
    >{course.isPausing ? 'Pausing' : 'Pause'}</button
>
<button class="tb outlined" onclick={() => course.askAndLook('stop')} disabled={isAsking || course.isStopping}
    >{course.isStopping ? 'Stopping' : 'Stop and keep what is read'}</button
>
{#if course.isLost}<span class="ink2">The connection to the server was lost; trying again.</span>{/if}
