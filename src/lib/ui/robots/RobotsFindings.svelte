<script lang="ts">
    /** What the register finds of the file, line by line. */
    import type { RobotsFileView } from '../../core/views/robots.ts';
    import { counted } from '../parts/format.ts';
    import SeverityMark from '../parts/SeverityMark.svelte';

    let { file }: { file: RobotsFileView } = $props();
</script>

<section class="pane" aria-label="Findings on this file">
    <h2 class="pane-name">Findings on this file</h2>
    {#if file.findings.length === 0}<p class="note">None.</p>{/if}
    <ul>
        {#each file.findings as { severity, say, line }, index (index)}
            <li class="py-0.5 flex items-baseline gap-2">
                <SeverityMark {severity} />
                <span class="breaks">{line === null ? '' : `Line ${line}: `}{say}</span>
            </li>
        {/each}
    </ul>
    {#if file.moreFindings > 0}<p class="note">
            {counted(file.moreFindings, 'finding')} more, all of them in findings.csv
        </p>{/if}
</section>
