<script lang="ts">
    /** What the area says in a sentence: which section holds more than its share, and what is out of line. */
    import type { WeightSection, WeightView } from '../../core/views/weight.ts';
    import { count, percent } from '../parts/format.ts';
    import SetLink from '../parts/SetLink.svelte';
    import type { ViewLinks } from '../view/links.ts';

    interface Props {
        view: WeightView;
        to: ViewLinks;
        isEnded: boolean;
    }
    let { view, to, isEnded }: Props = $props();
    /** Small shares need a place more to be told apart. */
    const told = (share: number): string => percent(share, share < 0.1 ? 1 : 0);
    const nameOf = ({ section }: WeightSection): string =>
        section === '/' ? 'the root folder' : `the section ${section}`;
    const begun = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
    const share = (section: WeightSection) => ({ pages: section.pages, set: section.ranked ?? '' });
</script>

<div class="pane border-b border-(--edge)">
    <h1 class="headline">
        {#if view.ranked.pages === 0}
            No page has been read{isEnded ? '' : ' yet'}, so there is no weight to tell of.
        {:else}
            {#if view.heaviest}
                {@const { heaviest, lightest } = view}
                {begun(nameOf(heaviest))} holds
                <SetLink of={share(heaviest)} hrefOf={to.set} text={told(heaviest.shareOfStanding)} /> of the standing with
                {told(heaviest.shareOfPages)} of the pages{#if lightest}; {nameOf(lightest)}
                    <SetLink of={share(lightest)} hrefOf={to.set} text={told(lightest.shareOfStanding)} /> with
                    {told(lightest.shareOfPages)}{/if}.
            {:else}Weight is spread about evenly over the sections.{/if}
            {#if view.misfits}
                {@const { starvedTotal, overfedTotal } = view.misfits}
                {#if starvedTotal + overfedTotal === 0}No page is out of line with its priority.{:else}
                    <a class="set" href={to.set('starved')}>{count(starvedTotal)}</a> that matter
                    {starvedTotal === 1 ? 'is' : 'are'} starved,
                    <a class="set" href={to.set('overfed')}>{count(overfedTotal)}</a>
                    that do not
                    {overfedTotal === 1 ? 'is' : 'are'} overfed.{/if}
            {/if}
        {/if}
    </h1>
    <p class="note mt-1">
        Over <SetLink of={view.ranked} hrefOf={to.set} /> ranked pages: 200, HTML, not closed by robots. Damping 0.85, followed
        links, redirects resolved, parallel links counted once, canonicals not folded.
        {#if view.inSet}The current set holds <b>{percent(view.inSet.shareOfStanding, 1)}</b> of the standing with
            {percent(view.inSet.shareOfPages, 1)} of the ranked pages.{/if}
    </p>
</div>
