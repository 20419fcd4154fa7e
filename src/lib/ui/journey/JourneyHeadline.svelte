<script lang="ts">
    /** How far the walk came, where it went round or could not go on, and what it never entered. */
    import type { JourneyView } from '../../core/views/journey.ts';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to }: { view: JourneyView; to: ViewLinks } = $props();
    const clicks = $derived(view.steps.length - 1);
    const MOST_NAMED = 2;
    const named = $derived(view.missed.slice(0, MOST_NAMED).map(({ section }) => (section === '/' ? 'root' : section)));
</script>

<div class="pane">
    <h1 class="headline">
        <a class="set" href={to.set(view.trailSet)}><b>{counted(view.pages, 'page')}</b></a> in
        {counted(clicks, 'click')}{view.ends > 0 ? `, ${counted(view.ends, 'dead end')}` : ''}{view.loops > 0
            ? `${view.ends > 0 ? ' and' : ','} ${counted(view.loops, 'loop')}`
            : ''}; {#if view.sections === 0}links reach no page.
        {:else if view.missed.length === 0}the trail entered every section.
        {:else}the trail never entered {count(view.missed.length)} of the {counted(view.sections, 'section')}, {named.join(
                ' and ',
            )}
            {named.length < view.missed.length ? 'among them' : ''};
            <a class="set" href={to.set(view.far.set)}><b>{count(view.far.pages)}</b></a> reached pages were never a click
            away.{/if}
    </h1>
</div>
