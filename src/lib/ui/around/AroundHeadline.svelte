<script lang="ts">
    /** How many pages lead to it and from it, and what shared blocks add. */
    import type { AroundView } from '../../core/views/around.ts';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to }: { view: AroundView; to: ViewLinks } = $props();
    const [centre] = $derived(view.centre);
    const name = $derived(
        view.centre.length === 1 ? centre!.title || centre!.url : counted(view.centre.length, 'page'),
    );
    const verb = (total: number): string => (total === 1 ? 'leads' : 'lead');
    const shared = $derived((view.in?.shared?.total ?? 0) + (view.on?.shared?.total ?? 0));
</script>

<div class="pane">
    <h1 class="headline">
        {#if view.in}{counted(view.in.total, 'page')}
            {verb(view.in.total)} to
            <a class="set" href={to.set(view.centreSet)}>{name}</a>{view.on ? ', ' : ''}{/if}{#if view.on}{view.in
                ? 'from there'
                : `From ${name}`} links lead on to <b>{count(view.on.total)}</b>{/if}{shared > 0
            ? `; ${count(shared)} more by blocks that much of the site shares.`
            : '.'}
    </h1>
</div>
