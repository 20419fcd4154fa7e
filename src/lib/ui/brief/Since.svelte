<script lang="ts">
    /** What changed since the baseline: measures side by side, and what became of its orphans. */
    import type { SinceBaseline } from '../../core/areas/since-baseline.ts';
    import { count, counted, percent, signed, surveyDay } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    interface Props {
        since: SinceBaseline | null;
        baseline: { number: number; createdAt: number; asOf: string; settings: string[] } | null;
        isEnded: boolean;
        to: ViewLinks;
    }
    let { since, baseline, isEnded, to }: Props = $props();

    function shownAs(shown: string, value: number | null): string {
        if (value === null) return 'not known';
        if (shown === 'share') return percent(value, 1);
        return shown === 'mean' ? value.toFixed(1) : shown === 'fraction' ? value.toFixed(2) : count(value);
    }
    function changed(shown: string, before: number | null, after: number | null): string {
        if (before === null || after === null) return '';
        const by = after - before;
        const text =
            shown === 'share'
                ? (by * 100).toFixed(1)
                : shown === 'mean'
                  ? by.toFixed(1)
                  : shown === 'fraction'
                    ? by.toFixed(2)
                    : count(by);
        return signed(by, text);
    }
</script>

{#if baseline && since}
    {@const { orphans } = since}
    <h2 class="pane-name mb-1">
        Since survey {baseline.number}
        <span class="note"
            >{baseline.settings.length === 0
                ? 'same settings'
                : `settings differ: ${baseline.settings.join(', ')}`}</span
        >
    </h2>
    <table class="ruled">
        <thead
            ><tr
                ><th><span class="visually-hidden">Measure</span></th><th class="num">{surveyDay(baseline)}</th><th
                    class="num">now</th
                ><th class="num">change</th></tr
            ></thead
        >
        <tbody>
            {#each since.rows as row (row.name)}
                <tr>
                    <td>{row.name}</td>
                    <td class="num">{shownAs(row.shown, row.before)}</td>
                    <td class="num"
                        >{#if row.set !== '' && row.after !== null && row.shown === 'count'}<a
                                class="set"
                                href={to.set(row.set)}>{shownAs(row.shown, row.after)}</a
                            >{:else}{shownAs(row.shown, row.after)}{/if}</td
                    >
                    <td class="num">{changed(row.shown, row.before, row.after)}</td>
                </tr>
            {/each}
        </tbody>
    </table>
    {#if orphans && (orphans.before > 0 || orphans.new > 0)}
        <p class="risk-line mt-2">
            {#if orphans.before > 0}Of {counted(orphans.before, 'orphan')} then, {count(orphans.reached)}
                {orphans.reached === 1 ? 'is' : 'are'} reached now, {count(orphans.gone)}
                {orphans.gone === 1 ? 'is' : 'are'} gone, {count(orphans.still)}
                {orphans.still === 1 ? 'is' : 'are'} left.{/if}
            {#if orphans.new > 0}{count(orphans.new)} {orphans.new === 1 ? 'is' : 'are'} new.{/if}
        </p>
    {/if}
{:else}
    <h2 class="pane-name mb-1">Since the baseline</h2>
    <p class="ink2">
        {isEnded
            ? 'There is no earlier whole survey of this site to compare with. The next survey will tell what changed.'
            : 'Told when the survey has ended.'}
    </p>
{/if}
