<script lang="ts">
    /** What the checks say of the page, each at its line. */
    import { moreLinksSentence } from '../../core/words/checks.ts';
    import { count } from '../parts/format.ts';
    import SeverityMark from '../parts/SeverityMark.svelte';
    import type { OpenSheet } from './open-sheet.ts';

    interface Props {
        findings: OpenSheet['findings'];
        /** Links that something was found of, beyond those told. */
        moreLinks: number;
        /** The page's source at a line; null where none is kept. */
        lineHref: (line: number) => string | null;
    }
    let { findings, moreLinks, lineHref }: Props = $props();
</script>

<h3 class="pane-name">Findings <span class="note">{count(findings.length)}</span></h3>
<ul>
    {#each findings as { severity, say, line }, index (index)}
        <li class="finding">
            <SeverityMark {severity} />
            <span class="min-w-0 breaks">
                {#if line === null}{say}
                {:else}{@const href = lineHref(line)}{say.replace(/\.$/, '')}, {#if href}<a class="set" {href}
                            >line {count(line)}</a
                        >{:else}line {count(line)}{/if}
                {/if}
            </span>
        </li>
    {/each}
    {#if moreLinks > 0}
        <li class="finding"><SeverityMark severity="remark" /> <span>{moreLinksSentence(moreLinks)}</span></li>
    {/if}
</ul>

<style>
    .finding {
        display: grid;
        grid-template-columns: 16px minmax(0, 1fr);
        gap: 4px;
        padding: 1px 0;
    }
</style>
