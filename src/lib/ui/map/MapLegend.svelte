<script lang="ts">
    /** What forms and shades mean, how many pages have each; every number is a set. */
    import type { MapView } from '../../core/views/map.ts';
    import { count } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';
    import type { MapShade } from './draw-depth.ts';
    import { STANDING_STEPS, STEPS } from './map-colours.ts';

    interface Props {
        view: MapView;
        shade: MapShade;
        perCell: number | null;
        to: ViewLinks;
    }
    let { view, shade, perCell, to }: Props = $props();
    const NAMES = {
        indexable: 'indexable',
        stopped: 'stopped at a gate',
        unreached: 'not reached',
        unread: 'not read',
    };
    const steps = STEPS.map((share, step) => ({
        share,
        say:
            step === 0
                ? `under ${STANDING_STEPS[0]}`
                : step === STEPS.length - 1
                  ? `from ${STANDING_STEPS[step - 1]}`
                  : `to ${STANDING_STEPS[step]}`,
        set: [
            'page and reached',
            ...(step > 0 ? [`standing >= ${STANDING_STEPS[step - 1]}`] : []),
            ...(step < STEPS.length - 1 ? [`standing < ${STANDING_STEPS[step]}`] : []),
        ].join(' and '),
    }));
</script>

<div class="legend" role="group" aria-label="Legend">
    {#each view.forms as { form, pages, set } (form)}
        {#if pages > 0}
            <span
                ><svg width="12" height="12" aria-hidden="true"
                    ><rect
                        x="0.5"
                        y="0.5"
                        width="11"
                        height="11"
                        fill={form === 'indexable'
                            ? 'var(--ink3)'
                            : form === 'unreached'
                              ? 'url(#hatch)'
                              : form === 'unread'
                                ? 'url(#hatch-faint)'
                                : 'none'}
                        stroke="var(--color-base-content)"
                        stroke-dasharray={form === 'unread' ? '2 2' : undefined}
                    />{#if form === 'stopped'}<path
                            d="M3 6h6"
                            stroke="var(--color-base-content)"
                            stroke-width="1.5"
                        />{/if}</svg
                >
                {NAMES[form]} <a class="set" href={to.set(set)}>{count(pages)}</a></span
            >
        {/if}
    {/each}
    {#if perCell !== null && perCell > 1}<span class="note">one cell, up to {count(perCell)} pages</span>{/if}
    {#if shade === 'standing'}
        <span class="shades"
            >standing
            {#each steps as { share, say, set } (share)}
                <a class="shade" href={to.set(set)}
                    ><svg width="12" height="12" aria-hidden="true"
                        ><rect width="12" height="12" fill="var(--color-base-content)" opacity={share * 0.8} /></svg
                    >
                    {say}</a
                >{/each}</span
        >
    {:else if shade === 'depth'}<span class="note">darker: deeper</span>{/if}
</div>

<style>
    .legend {
        display: flex;
        flex-wrap: wrap;
        gap: 2px 16px;
        align-items: center;
        padding: 6px 16px;
        border-top: 1px solid var(--edge);
        color: var(--ink2);
    }
    .legend svg {
        display: inline;
        vertical-align: -1px;
    }
    .shades {
        margin-left: auto;
        display: inline-flex;
        flex-wrap: wrap;
        gap: 2px 10px;
    }
    .shade {
        color: inherit;
    }
    .shade:hover {
        text-decoration: underline;
    }
</style>
