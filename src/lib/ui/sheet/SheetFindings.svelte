<script lang="ts">
    /** What the checks say of the page, each at its line; folded under it what to do, and living with it. */
    import { quoted } from '../../core/sets/tokens.ts';
    import { moreLinksSentence } from '../../core/words/checks.ts';
    import { count, cutSentence } from '../parts/format.ts';
    import SeverityMark from '../parts/SeverityMark.svelte';
    import type { OpenSheet, SheetActs } from './open-sheet.ts';
    import SheetFindingActs from './SheetFindingActs.svelte';

    interface Props {
        findings: OpenSheet['findings'];
        /** Links that something was found of, beyond those told. */
        moreLinks: number;
        /** The page's source at a line; null where none is kept. */
        lineHref: (line: number) => string | null;
        setHref: (line: string) => string;
        acts: SheetActs;
    }
    let { findings, moreLinks, lineHref, setHref, acts }: Props = $props();
    const open = $derived(findings.filter(({ accepted }) => accepted === null).length);
</script>

<h3 class="pane-name">
    Findings <span class="note"
        >{count(open)}{#if open < findings.length}, {count(findings.length - open)} accepted{/if}</span
    >
</h3>
<ul>
    {#each findings as finding, index (index)}
        {@const { severity, say, line, accepted } = finding}
        <li class="finding" class:ink2={accepted !== null}>
            <SeverityMark {severity} />
            <div class="min-w-0 breaks">
                {#if line === null}{cutSentence(say)}
                {:else}{@const href = lineHref(line)}{cutSentence(say.replace(/\.$/, ''))}, {#if href}<a
                            class="set"
                            {href}>line {count(line)}</a
                        >{:else}line {count(line)}{/if}
                {/if}
                <details>
                    <summary class="note"
                        >{accepted === null ? 'what to do' : `accepted: ${accepted.note}`}<span class="visually-hidden"
                            >, {cutSentence(say)}</span
                        ></summary
                    >
                    <SheetFindingActs {finding} {acts} causeHref={setHref(`cause ${quoted(finding.cause, true)}`)} />
                </details>
            </div>
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
    summary {
        cursor: pointer;
    }
</style>
