<script lang="ts">
    /** As whom the walk goes, and how it goes back. */
    import { WALKERS } from '../../core/map/site-walks.ts';
    import { MOST_STEPS, type JourneyView } from '../../core/views/journey.ts';
    import { typedUrl } from '../view/address.ts';
    import type { ViewLinks } from '../view/links.ts';
    import type { JourneyLinks } from './journey-links.ts';

    interface Props {
        view: JourneyView;
        walk: JourneyLinks;
        isFull: boolean;
        /** Steps of the address that no page of this survey is. */
        unknown: readonly string[];
        to: ViewLinks;
        onGo: (href: string) => void;
    }
    let { view, walk, isFull, unknown, to, onGo }: Props = $props();
    let from = $state('');
    const last = $derived(view.steps.length - 1);
    function begin(event: SubmitEvent): void {
        event.preventDefault();
        const url = typedUrl(from, to.origin);
        if (url !== null) onGo(walk.from(url));
    }
</script>

<div class="picture-choices">
    <span class="parts" role="group" aria-label="Walk as"
        >walk as
        {#each WALKERS as as (as)}
            <a class="part" aria-current={view.as === as} href={walk.as(as)} data-sveltekit-noscroll>a {as}</a>
        {/each}</span
    >
    <form onsubmit={begin}>
        <label>from <input class="field" bind:value={from} placeholder="start page, or /a/path/" size="22" /></label>
    </form>
    {#if last > 0}<a class="tb outlined" href={walk.until(last - 1)} data-sveltekit-noscroll>Back one click</a>
        <a class="tb outlined" href={walk.from(view.steps[0]!.url)} data-sveltekit-noscroll>Begin again</a>{/if}
    <a class="tb outlined keep" href={to.set(view.trailSet)}>The trail as a set</a>
</div>
{#if unknown.length > 0}
    <p class="pane note" role="status">This survey knows nothing of {unknown.join(', ')}: left out of the trail.</p>
{/if}
{#if isFull}<p class="pane note" role="status">
        A trail holds {MOST_STEPS} steps: keep it as a set, and begin again from here.
    </p>{/if}

<style>
    .keep {
        margin-left: auto;
    }
    input.field {
        width: 190px;
        margin-left: 4px;
    }
</style>
