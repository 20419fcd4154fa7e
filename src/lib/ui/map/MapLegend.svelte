<script lang="ts">
    /** What forms and shades mean, how many pages have each; every number is a set. */
    import type { Shading, ShadeEntry } from '../../core/map/shading.ts';
    import type { MapView } from '../../core/views/map.ts';
    import { count } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';
    import { SHARES } from './map-look.ts';

    interface Props {
        view: MapView;
        shading: Omit<Shading, 'entries'> & { entries: (ShadeEntry & { pages: number })[] };
        perCell: number | null;
        to: ViewLinks;
    }
    let { view, shading, perCell, to }: Props = $props();
    const NAMES = {
        indexable: 'indexable',
        stopped: 'stopped at a gate',
        unreached: 'not reached',
        unread: 'not read',
    };
    const FILLS = {
        indexable: 'var(--ink3)',
        stopped: 'none',
        unreached: 'url(#hatch)',
        unread: 'url(#hatch-faint)',
    };
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
                        fill={FILLS[form]}
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
    {#if shading.entries.length > 0}
        <span class="shades"
            >{shading.name}
            {#each shading.entries as { say, set, pages, tone, isMarked } (set)}
                <span
                    ><svg width="12" height="12" aria-hidden="true"
                        ><rect
                            x="0.5"
                            y="0.5"
                            width="11"
                            height="11"
                            fill={isMarked ? 'var(--color-primary)' : 'var(--color-base-content)'}
                            fill-opacity={isMarked ? 1 : tone < 0 ? 0.06 : (SHARES[tone] ?? 1) * 0.8}
                            stroke="var(--edge)"
                        /></svg
                    >
                    {say} <a class="set" href={to.set(set)}>{count(pages)}</a></span
                >{/each}</span
        >
    {:else if shading.by === 'section'}<span class="note">the hue is the section, as at the heads</span>{/if}
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
        gap: 2px 12px;
    }
</style>
