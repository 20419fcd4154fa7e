<script lang="ts">
    /** How the orphans lie over the sections. */
    import { quoted } from '../../core/sets/tokens.ts';
    import type { OrphansView } from '../../core/views/orphans.ts';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to }: { view: OrphansView; to: ViewLinks } = $props();
</script>

<section class="pane border-b border-(--rule)" aria-label="Orphans by section">
    <h2 class="pane-name">By section</h2>
    <p class="flex flex-wrap gap-x-4">
        {#each view.bySection as { section, pages } (section)}
            <span class="nw"
                >{section === '/' ? 'root folder' : section}
                <a class="set" href={to.set(`orphan and section is ${quoted(section)}`)}>{count(pages)}</a></span
            >
        {/each}
        {#if view.moreSections > 0}<span class="note">and {counted(view.moreSections, 'more section')}</span>{/if}
    </p>
</section>
