<script module lang="ts">
    export interface RailSurvey {
        number: number;
        state: string;
        isPartial: boolean;
        isSpot: boolean;
        /** Date in a story the survey stands for, `YYYY-MM-DD`; empty for none. */
        asOf: string;
        createdAt: number;
    }
</script>

<script lang="ts">
    /** Which site and which of its surveys is looked at, and the ways to the others. */
    import { day } from '../parts/format.ts';

    interface Props {
        site: { id: number; name: string; start: string };
        sites: { id: number; name: string }[];
        survey: RailSurvey | null;
        surveys: RailSurvey[];
        /** Address that shows another survey of the site. */
        hrefOfSurvey?: (number: number) => string;
    }
    let { site, sites, survey, surveys, hrefOfSurvey }: Props = $props();

    const label = (item: RailSurvey): string => `Survey ${item.number}${stateWord(item)}`;
    /** When it was taken; the demo says besides what date of its story it stands for. */
    const dated = (item: RailSurvey): string =>
        item.asOf === '' ? day(item.createdAt) : `as of ${day(Date.parse(item.asOf))}, taken ${day(item.createdAt)}`;

    function stateWord(item: RailSurvey): string {
        if (item.state === 'running' || item.state === 'waiting') return ', running';
        if (item.state === 'paused') return ', paused';
        if (item.isSpot) return ', spot';
        return item.isPartial ? ', partial' : '';
    }
</script>

<div class="rail-words px-2 py-1.5 border-b border-(--edge) leading-[1.125rem]">
    <details class="picker">
        <summary><b class="cut">{site.name}</b><span aria-hidden="true">▾</span></summary>
        <ul>
            {#each sites as item (item.id)}<li><a href="/sites/{item.id}">{item.name}</a></li>{/each}
            <li><a href="/sites/new">Add a site</a></li>
        </ul>
    </details>
    <div class="note cut" title={site.start}>{site.start.replace(/^https?:\/\//, '').replace(/\/$/, '')}</div>
    {#if survey}
        <details class="picker">
            <summary><span class="cut">{label(survey)}</span><span aria-hidden="true">▾</span></summary>
            <ul>
                {#each surveys as item (item.number)}
                    <li>
                        <a href={hrefOfSurvey?.(item.number) ?? `/sites/${site.id}/${item.number}/brief`}
                            >{label(item)} <span class="note">{dated(item)}</span></a
                        >
                    </li>
                {/each}
                <li><a href="/sites/{site.id}/new-survey">New survey</a></li>
            </ul>
        </details>
        <div class="note">{dated(survey)}</div>
    {/if}
</div>

<style>
    .picker summary {
        display: flex;
        justify-content: space-between;
        gap: 4px;
        cursor: pointer;
        list-style: none;
        min-height: 24px;
        align-items: center;
    }
    .picker summary b {
        font-weight: 600;
    }
    .picker ul {
        border: 1px solid var(--edge);
        background: var(--color-base-100);
        margin: 2px 0 4px;
        max-height: 40vh;
        overflow-y: auto;
    }
    .picker a {
        display: block;
        padding: 4px 6px;
    }
    .picker a:hover {
        background: var(--wash);
    }
</style>
