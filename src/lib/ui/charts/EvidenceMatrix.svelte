<script lang="ts">
    /** Sets of evidence, one row per combination, largest first: a matrix of intersections with its counts. */
    import { EVIDENCE } from '$lib/core/evidence/evidence.ts';
    import type { EvidenceGroup } from '$lib/core/survey/summary.ts';
    import { count, counted } from '../parts/format.ts';

    interface Props {
        groups: EvidenceGroup[];
        hrefOf: (group: EvidenceGroup) => string;
        /** Bars hatched: what is shown is not reached. */
        hatched?: boolean;
        most?: number;
    }
    let { groups, hrefOf, hatched = false, most = 8 }: Props = $props();
    const names = $derived([...new Set(groups.flatMap((group) => group.evidence))]);
    const columns = $derived(EVIDENCE.filter((name) => names.includes(name)));
    const shown = $derived(groups.slice(0, most));
    const widest = $derived(Math.max(1, ...groups.map((group) => group.urls)));
    /** Many kinds of evidence stand closer, so that the bars keep room. */
    const STEP = $derived(columns.length > 8 ? 12 : 16);
    const gridWidth = $derived(columns.length * STEP);
</script>

<table class="matrix">
    <thead>
        <tr>
            {#each columns as name (name)}<th scope="col" style:width="{STEP}px"><span>{name}</span></th>{/each}
            <th scope="col"><span class="visually-hidden">share</span></th>
            <th scope="col" class="num"><span class="visually-hidden">URLs</span></th>
        </tr>
    </thead>
    <tbody>
        {#each shown as group (group.evidence.join(' '))}
            {@const first = columns.findIndex((name) => group.evidence.includes(name))}
            {@const last = columns.findLastIndex((name) => group.evidence.includes(name))}
            <tr>
                <td colspan={columns.length} style:width="{gridWidth}px">
                    <svg width={gridWidth} height="20" role="img" aria-label="known by {group.evidence.join(', ')}">
                        {#if last > first}<path
                                d="M{(first + 0.5) * STEP} 10H{(last + 0.5) * STEP}"
                                stroke="currentColor"
                                stroke-width="1.2"
                            />{/if}
                        {#each columns as name, index (name)}
                            {#if group.evidence.includes(name)}<rect
                                    x={(index + 0.5) * STEP - 4}
                                    y="6"
                                    width="8"
                                    height="8"
                                    fill="currentColor"
                                />{:else}<circle cx={(index + 0.5) * STEP} cy="10" r="1" fill="var(--ink3)" />{/if}
                        {/each}
                    </svg>
                </td>
                <td class="bar">
                    <svg width="100%" height="12" aria-hidden="true">
                        <rect
                            x="0.5"
                            y="0.5"
                            width="{Math.max(0.4, (group.urls / widest) * 98)}%"
                            height="11"
                            fill={hatched ? 'url(#hatch)' : 'var(--color-primary)'}
                            stroke={hatched ? 'var(--ink2)' : 'none'}
                            stroke-width="0.7"
                        />
                    </svg>
                </td>
                <td class="num"
                    ><a
                        class="set plain-set"
                        href={hrefOf(group)}
                        aria-label="{count(group.urls)} known by {group.evidence.join(' and ')}">{count(group.urls)}</a
                    ></td
                >
            </tr>
        {/each}
    </tbody>
</table>
{#if groups.length > shown.length}
    <p class="note">
        {counted(groups.length - shown.length, 'smaller group')} with {counted(
            groups.slice(most).reduce((sum, group) => sum + group.urls, 0),
            'URL',
        )} not drawn.
    </p>
{/if}

<style>
    .matrix {
        width: 100%;
        border-collapse: collapse;
        table-layout: fixed;
    }
    th {
        height: 58px;
        vertical-align: bottom;
        font-weight: 400;
        font-size: 0.71875rem;
        color: var(--ink2);
        text-align: left;
    }
    th > span:not(.visually-hidden) {
        display: block;
        transform: rotate(-55deg);
        transform-origin: 6px 50%;
        white-space: nowrap;
        width: 12px;
    }
    td {
        padding: 1px 0;
        vertical-align: middle;
    }
    td svg {
        display: block;
    }
    .bar {
        padding-left: 8px;
    }
    .num {
        width: 46px;
        text-align: right;
    }
    .num a {
        display: inline-block;
        min-width: 24px;
        min-height: 20px;
    }
</style>
