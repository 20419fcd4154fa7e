<script lang="ts">
    /** The causes, an edit a line; what follows from each folds out under it. */
    import type { CauseRow } from '../../core/views/causes.ts';
    import { count, cutSentence } from '../parts/format.ts';
    import SetLink from '../parts/SetLink.svelte';
    import SeverityMark from '../parts/SeverityMark.svelte';
    import type { ViewLinks } from '../view/links.ts';
    import CauseFollows from './CauseFollows.svelte';

    interface Props {
        rows: readonly CauseRow[];
        to: ViewLinks;
        /** Standing at which a bar is full. */
        most: number;
        hasVisits: boolean;
        /** The first so many are marked: the headline counts them. */
        marked?: number;
        /** @returns why it was not, or nothing */
        onAccept: (key: string, note: string) => Promise<string>;
        onWithdraw: (row: CauseRow) => Promise<string>;
    }
    let { rows, to, most, hasVisits, marked = 0, onAccept, onWithdraw }: Props = $props();
    const BAR = 90;
    const shown = (standing: number): string =>
        standing === 0 ? '' : standing < 0.05 ? 'under 0.1' : standing.toFixed(1);
</script>

<table class="ruled causes">
    <thead>
        <tr>
            <th><span class="visually-hidden">Severity</span></th>
            <th>the edit</th>
            <th class="spare">where</th>
            <th class="num">URLs</th>
            {#if hasVisits}<th class="num spare">visits</th>{/if}
            <th colspan="2">standing touched</th>
        </tr>
    </thead>
    <tbody>
        {#each rows as row, index (row.key)}
            {@const width = most === 0 ? 0 : Math.min(row.standing / most, 1) * BAR}
            <tr class={row.severity}>
                <td><SeverityMark severity={row.severity} /></td>
                <td class="breaks">
                    <p class:font-semibold={index < marked}>
                        {cutSentence(row.say)}{#if index < marked}<span class="visually-hidden"
                                >, counted in the headline</span
                            >{/if}
                    </p>
                    <CauseFollows {row} {to} {onAccept} {onWithdraw} />
                </td>
                <td class="spare ink2 where">{row.where}</td>
                <td class="num"
                    >{#if row.urls}<SetLink of={row.urls} hrefOf={to.set} />{:else}<span class="ink3" aria-label="none"
                            >·</span
                        >{/if}</td
                >
                {#if hasVisits}<td class="num spare">{row.visits === null ? '' : count(row.visits)}</td>{/if}
                <td class="bar-cell">
                    {#if width > 0}
                        <svg width={BAR} height="9" aria-hidden="true">
                            <rect
                                x="0.5"
                                y="0.5"
                                width={Math.max(width - 1, 1)}
                                height="8"
                                class={row.isThrown ? 'thrown' : 'held'}
                            />
                        </svg>
                    {/if}
                </td>
                <td class="num nw"
                    >{shown(row.standing)}{#if row.isThrown}<span class="visually-hidden"> thrown away</span>{/if}</td
                >
            </tr>
        {/each}
    </tbody>
</table>

<style>
    .causes :is(td, th) {
        vertical-align: top;
    }
    .causes td:first-child {
        border-left: 2px solid transparent;
        padding-left: 6px;
    }
    .causes tr.fault td:first-child {
        border-left: 4px solid var(--color-accent);
    }
    .causes tr.risk td:first-child {
        border-left-color: currentColor;
    }
    .causes tr.remark td:first-child {
        border-left: 1px dotted var(--ink3);
    }
    .causes td:nth-child(2) {
        width: 60%;
    }
    .where {
        overflow-wrap: break-word;
        min-width: 7.5rem;
    }
    .bar-cell {
        width: 90px;
        padding-right: 0;
    }
    .held {
        fill: currentColor;
    }
    .thrown {
        fill: url(#hatch);
        stroke: currentColor;
    }
</style>
