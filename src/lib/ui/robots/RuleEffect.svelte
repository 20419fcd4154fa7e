<script lang="ts">
    /** What one rule does: a bar in proportion, solid for what it closes, open for what it keeps open, hatched where another wins. */
    import type { RuleView } from '../../core/views/robots.ts';
    import { count, counted } from '../parts/format.ts';
    import SetLink from '../parts/SetLink.svelte';

    interface Props {
        rule: RuleView;
        /** URLs of the widest bar. */
        widest: number;
        hrefOf: (set: string) => string;
        remark: string;
    }
    let { rule, widest, hrefOf, remark }: Props = $props();
    const decided = $derived(rule.decides.pages + rule.others);
    const width = $derived((urls: number) => (urls === 0 ? 0 : Math.max(2, (urls / widest) * 72)));
</script>

<span class="effect">
    {#if decided + rule.loses > 0}
        <svg width="76" height="10" aria-hidden="true" class="shrink-0">
            <rect
                x="0.5"
                y="1"
                width={width(decided)}
                height="8"
                fill={rule.allows ? 'none' : 'currentColor'}
                stroke="currentColor"
            />
            {#if rule.loses > 0}
                <rect
                    x={width(decided) + 0.5}
                    y="1"
                    width={width(rule.loses)}
                    height="8"
                    fill="url(#hatch)"
                    stroke="currentColor"
                    stroke-dasharray="2 1"
                />
            {/if}
        </svg>
    {/if}
    <span>
        {#if decided > 0}
            {rule.allows ? 'keeps' : 'closes'}
            <SetLink of={rule.decides} {hrefOf} />{rule.allows ? ' open' : ''}{#if rule.others > 0}
                <span class="ink3">and {counted(rule.others, 'other file')}</span>{/if}{#if rule.loses > 0}<span
                    class="ink3">; of {count(rule.loses)} more line {rule.hiddenBy} decides</span
                >{/if}
        {:else if rule.loses > 0}
            never wins: of {count(rule.loses)} that it fits, line {rule.hiddenBy} decides
        {:else if remark !== ''}<span class="aside">{remark}</span>
        {:else}<span class="ink3">decides nothing known</span>{/if}
    </span>
</span>

<style>
    .effect {
        display: inline-flex;
        align-items: baseline;
        gap: 0.5rem;
    }
</style>
