<script lang="ts">
    /** What the register finds of the sitemaps, file by file and line by line. */
    import type { Severity } from '../../core/checks/check.ts';
    import { count } from '../parts/format.ts';
    import SeverityMark from '../parts/SeverityMark.svelte';

    interface Props {
        findings: readonly { file: string; severity: Severity; say: string; line: number | null }[];
        more: number;
        short: (url: string) => string;
    }
    let { findings, more, short }: Props = $props();
    const files = $derived([...new Set(findings.map(({ file }) => file))]);
</script>

{#if findings.length > 0}
    <section class="pane" aria-label="Findings on these files">
        <h2 class="pane-name">Findings on these files</h2>
        {#each files as file (file)}
            <h3 class="mono mt-2 breaks">{short(file)}</h3>
            <ul>
                {#each findings.filter((item) => item.file === file) as { severity, say, line }, index (index)}
                    <li class="py-0.5 flex items-baseline gap-2">
                        <SeverityMark {severity} />
                        <span class="breaks">{line === null ? '' : `Line ${count(line)}: `}{say}</span>
                    </li>
                {/each}
            </ul>
        {/each}
        {#if more > 0}<p class="note">{count(more)} more in findings.csv.</p>{/if}
    </section>
{/if}
