<script lang="ts">
    /** The edits that mend most, each with the set of pages it concerns. */
    import type { BriefView } from '../../core/views/brief.ts';
    import { counted, cutSentence } from '../parts/format.ts';
    import SetLink from '../parts/SetLink.svelte';
    import SeverityMark from '../parts/SeverityMark.svelte';
    import type { ViewLinks } from '../view/links.ts';

    let { jobs, to }: { jobs: BriefView['jobs']; to: ViewLinks } = $props();
</script>

<section class="pane" aria-label="Fix once">
    <h2 class="pane-name mb-1">
        Fix once <span class="note">one edit each; faults first, then by the standing it touches</span>
    </h2>
    {#if jobs === null}
        <p class="ink2">Told when the survey has ended.</p>
    {:else if jobs.told.length === 0}
        <p class="ink2">Nothing found that one of these edits would mend.</p>
    {:else}
        <table class="ruled jobs">
            <thead
                ><tr
                    ><th><span class="visually-hidden">Severity</span></th><th>one edit</th><th class="spare">where</th
                    ><th>effect</th></tr
                ></thead
            >
            <tbody>
                {#each jobs.told as job (job.say)}
                    <tr>
                        <td><SeverityMark severity={job.severity} /></td>
                        <td>{cutSentence(job.say)}</td>
                        <td class="spare ink2">{job.where}</td>
                        <td><SetLink of={job} hrefOf={to.set} /> {job.effect}</td>
                    </tr>
                {/each}
            </tbody>
        </table>
        {#if jobs.more > 0}<p class="note mt-1">
                <a class="set" href="{to.base}/causes">{counted(jobs.more, 'more cause')}</a>
            </p>{/if}
    {/if}
</section>

<style>
    .jobs td:nth-child(2) {
        overflow-wrap: anywhere;
    }
</style>
