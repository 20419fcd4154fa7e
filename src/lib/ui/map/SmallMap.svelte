<script lang="ts">
    /** The map as an overview: where the site is wide, deep or hangs by little; a press leads to the map itself. */
    import type { SmallForm, SmallMap } from '../../core/views/small-map.ts';
    import { count } from '../parts/format.ts';
    import { hueOf } from '../parts/section-letters.ts';

    interface Props {
        map: SmallMap;
        name: string;
        note: string;
        /** What it is called for those who do not see it. */
        label: string;
        /** Sections in the site's order: what gives each its hue. */
        sections: readonly string[];
        href: string;
    }
    let { map, name, note, label, sections, href }: Props = $props();
    const hue = (section: string): string => {
        const place = sections.indexOf(section);
        return section === '' ? 'var(--ink3)' : hueOf(place === -1 ? sections.length : place);
    };
    const OPACITY: Record<SmallForm, number> = { solid: 0.8, pale: 0.35, open: 0, hatched: 1, gathered: 0.15 };
    const isLined = (form: SmallForm): boolean => form === 'open' || form === 'hatched' || form === 'gathered';
</script>

<section class="pane" aria-label={name}>
    <h2 class="pane-name mb-1">
        <a class="link" {href}>{name}</a>
        <span class="note">{note}{map.perCell > 1 ? `; a cell, up to ${count(map.perCell)} pages` : ''}</span>
    </h2>
    <a {href} aria-label={label} tabindex="-1">
        <svg viewBox="0 0 {map.width} {map.height}" width="100%" role="img" aria-label={label}>
            {#each map.bands as { y, height }, at (y)}
                <rect
                    x="0"
                    {y}
                    width={map.width}
                    {height}
                    fill="var(--color-primary)"
                    opacity={0.03 + (0.1 * at) / Math.max(1, map.bands.length)}
                />
            {/each}
            {#each map.marks as { section, form, path } (`${form} ${section}`)}
                <path
                    d={path}
                    fill={form === 'hatched' ? 'url(#hatch)' : hue(section)}
                    fill-opacity={OPACITY[form]}
                    stroke={isLined(form) ? (form === 'hatched' ? 'var(--color-base-content)' : hue(section)) : 'none'}
                    stroke-width="0.7"
                />
            {/each}
        </svg>
    </a>
</section>
