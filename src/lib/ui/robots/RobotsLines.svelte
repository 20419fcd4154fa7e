<script lang="ts">
    /** The file line by line, and at the side of each rule what it does; with an edit, both texts in one. */
    import { touchedBy, type RobotsFileView, type RobotsLineView } from '../../core/views/robots.ts';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';
    import type { EditedLine, RobotsEdit } from './robots-edit.svelte.ts';
    import RuleEffect from './RuleEffect.svelte';

    interface Props {
        file: RobotsFileView;
        edit: RobotsEdit;
        to: ViewLinks;
        /** The agent it is judged for. */
        who: string;
        /** Line of the file that decides for the address in the tester; null for none. */
        asked: number | null;
    }
    let { file, edit, to, who, asked }: Props = $props();
    const lineAt = $derived(new Map(file.lines.map((line) => [line.line, line])));
    /** URLs of the widest bar. */
    const widest = $derived(
        file.lines.reduce((most, { rule }) => Math.max(most, rule === null ? 0 : touchedBy(rule)), 1),
    );
    interface Row {
        line: EditedLine;
        /** Lines of the file before it that are not told. */
        leftOut: number;
    }
    /** Lines that are told, asked about or edited; of the others how many stand between. */
    const rows = $derived.by(() => {
        const told: Row[] = [];
        let leftOut = 0;
        for (const line of edit.lines) {
            const isTold = line.before === null || line.after === null || lineAt.has(line.before);
            if (!isTold && line.before !== asked) leftOut++;
            else {
                told.push({ line, leftOut });
                leftOut = 0;
            }
        }
        return { told, leftOut };
    });
    function sitemapWords(sitemap: RobotsLineView['sitemap']): string {
        if (sitemap === null) return 'not asked for';
        if (sitemap.files !== null) return `read, an index of ${counted(sitemap.files, 'file')}`;
        if (sitemap.entries !== null) return `read, lists ${counted(sitemap.entries, 'address', 'addresses')}`;
        return `answered ${sitemap.status ?? 'nothing'}`;
    }
    const isQuiet = ({ kind, speaks }: RobotsLineView): boolean =>
        ['comment', 'extra', 'directive', 'unread', 'stray'].includes(kind) ||
        (['agent', 'rule', 'empty'].includes(kind) && !speaks);
</script>

{#snippet left(lines: number)}
    <div class="line" role="row">
        <span class="at" role="rowheader"></span>
        <span class="note" role="cell"
            >{counted(lines, 'line')} more; shown are the rules that touch most known URLs</span
        >
        <span role="cell"></span>
    </div>
{/snippet}

<div class="lines" role="table" aria-label="robots.txt, line by line">
    {#each rows.told as { line: { text, before, after }, leftOut }, index (index)}
        {#if leftOut > 0}{@render left(leftOut)}{/if}
        {@const line = before === null ? null : (lineAt.get(before) ?? null)}
        <div
            class="line"
            role="row"
            class:out={after === null}
            class:in={before === null}
            class:asked={asked !== null && before === asked}
        >
            <span class="at" role="rowheader">{before ?? ''}</span>
            <span class="written mono" role="cell" class:quiet={line !== null && isQuiet(line)}
                >{#if after === null}<del>{text}</del>{:else if before === null}<ins>{text}</ins
                    >{:else}{text}{/if}</span
            >
            <span class="does" role="cell">
                {#if after === null}taken out
                {:else if before === null}
                    {#if edit.change}would decide <b>{count(edit.decides(after))}</b>{/if} · your edit
                {:else if line?.rule}
                    <RuleEffect rule={line.rule} {widest} hrefOf={to.set} remark={line.remark} />
                {:else if line?.remark}
                    <span class="aside">{line.remark}</span>
                {:else if line?.kind === 'agent'}
                    <span class="ink3">{line.speaks ? `speaks to ${who}` : 'other agents'}</span>
                {:else if line?.kind === 'sitemap'}<span class="ink3">{sitemapWords(line.sitemap)}</span>
                {:else if line?.kind === 'empty'}
                    <span class="ink3">says nothing</span>
                {:else if line?.kind === 'extra'}
                    <span class="ink3">in no standard; some agents keep to it</span>
                {/if}
                {#if asked !== null && before === asked}<span class="aside nw">◂ the address asked</span>{/if}
            </span>
        </div>
    {/each}
    {#if rows.leftOut > 0}{@render left(rows.leftOut)}{/if}
</div>

<style>
    .lines {
        display: grid;
        grid-template-columns: max-content minmax(12rem, max-content) 1fr;
        column-gap: 0.75rem;
        overflow-x: auto;
    }
    .line {
        display: grid;
        grid-column: 1 / -1;
        grid-template-columns: subgrid;
        align-items: baseline;
        min-height: 1.6rem;
        padding-block: 0.1rem;
    }
    .at {
        min-width: 2.2ch;
        padding-right: 0.6rem;
        border-right: 1px solid var(--edge);
        color: var(--ink3);
        text-align: right;
        font-variant-numeric: tabular-nums;
    }
    .written {
        white-space: pre-wrap;
        overflow-wrap: anywhere;
        max-width: 26rem;
    }
    .quiet {
        color: var(--ink3);
    }
    .out,
    .asked {
        background: var(--wash);
    }
    .in {
        background: var(--water);
    }
    ins {
        text-decoration: none;
        font-weight: 600;
    }
</style>
