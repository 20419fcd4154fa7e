<script lang="ts">
    /** At the left of every view: the site and its surveys, the areas, the box that finds, keys and theme. */
    import Compass from '@lucide/svelte/icons/compass';
    import MapIcon from '@lucide/svelte/icons/map';
    import DoorOpen from '@lucide/svelte/icons/door-open';
    import Fence from '@lucide/svelte/icons/fence';
    import FileText from '@lucide/svelte/icons/file-text';
    import Link from '@lucide/svelte/icons/link';
    import Menu from '@lucide/svelte/icons/menu';
    import Quote from '@lucide/svelte/icons/quote';
    import Scale from '@lucide/svelte/icons/scale';
    import Table from '@lucide/svelte/icons/table-2';
    import Waypoints from '@lucide/svelte/icons/waypoints';
    import type { AreaIcon } from '../../core/views/areas.ts';
    import Mark from '../parts/Mark.svelte';
    import type { RailArea } from './rail-areas.ts';
    import SitePicker, { type RailSurvey } from './SitePicker.svelte';

    interface Props {
        site: { id: number; name: string; start: string } | null;
        sites: { id: number; name: string }[];
        survey: RailSurvey | null;
        surveys: RailSurvey[];
        areas: RailArea[];
        /** Address that shows another survey of the site. */
        hrefOfSurvey?: (number: number) => string;
        onTheme: () => void;
        /** Opens the box that finds; left out where there is nothing to find yet. */
        onFind?: () => void;
        onKeys?: () => void;
    }
    let { site, sites, survey, surveys, areas, hrefOfSurvey, onTheme, onFind, onKeys }: Props = $props();
    /** Drawn where there is no room for words. */
    const ICONS: Record<AreaIcon, typeof Compass> = {
        map: MapIcon,
        page: FileText,
        ways: Waypoints,
        scale: Scale,
        quote: Quote,
        gate: Fence,
        table: Table,
        link: Link,
        compass: Compass,
        door: DoorOpen,
    };
    /** Laid over the view in full, where it is folded to icons. */
    let isUnfolded = $state(false);
</script>

<aside
    class="rail"
    class:unfolded={isUnfolded}
    aria-label="Sites and areas"
    onfocusout={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget as Node | null)) isUnfolded = false;
    }}
>
    <a
        href="/sites"
        class="flex items-center gap-2 px-2 h-[38px] border-b border-(--edge)"
        aria-label="Edge Map, all sites"
    >
        <Mark /><span class="rail-words font-serif font-semibold text-[0.9375rem]">Edge Map</span>
    </a>
    <button
        class="rail-fold tb justify-center"
        aria-expanded={isUnfolded}
        aria-label={isUnfolded ? 'Fold the areas' : 'Site, survey and areas in words'}
        onclick={() => (isUnfolded = !isUnfolded)}><Menu size={16} strokeWidth={1.5} aria-hidden="true" /></button
    >
    {#if site}<SitePicker {site} {sites} {survey} {surveys} {hrefOfSurvey} />{/if}
    <nav aria-label="Areas" class="pt-1">
        {#each areas as area (area.href)}
            {@const Icon = ICONS[area.icon]}
            <a
                class="area"
                href={area.href}
                aria-current={area.isCurrent ? 'page' : undefined}
                title={isUnfolded ? undefined : `${area.name}: ${area.question}`}
                onclick={() => (isUnfolded = false)}
            >
                <span class="area-icon"><Icon size={16} strokeWidth={1.5} aria-hidden="true" /></span>
                <b>{area.name}</b><span class="aside">{area.question}</span>
            </a>
        {/each}
    </nav>
    <div
        class="foot max-sm:hidden flex flex-nowrap! items-center justify-between px-1 py-1 border-t border-(--rule) ink2"
    >
        <span class="flex">
            {#if onFind}<button class="tb !px-1" onclick={onFind} aria-keyshortcuts="Control+K Meta+K"
                    >Find <kbd>Ctrl K</kbd></button
                >{/if}
            {#if onKeys}<button class="tb !px-1" onclick={onKeys} aria-keyshortcuts="?">Keys <kbd>?</kbd></button>{/if}
        </span>
        <button class="tb theme !px-1.5" onclick={onTheme} aria-label="Switch between light and dark">
            <svg class="mark" width="14" height="14" viewBox="0 0 14 14" aria-hidden="true"
                ><circle cx="7" cy="7" r="6" fill="none" stroke="currentColor" /><path
                    d="M7 1a6 6 0 0 1 0 12z"
                    fill="currentColor"
                /></svg
            >
        </button>
    </div>
</aside>

<style>
    kbd {
        border: 1px solid var(--edge);
        padding: 0 3px;
        font-family: var(--font-mono);
        font-size: 0.6875rem;
    }
</style>
