<script lang="ts">
    /** The sections of the map, each with its mark and its pages. */
    import type { DepthLayout } from '../../core/map/depth-layout.ts';
    import { count } from '../parts/format.ts';
    import { sectionMarks } from '../parts/section-letters.ts';
    import SectionMark from '../parts/SectionMark.svelte';
    import type { ViewLinks } from '../view/links.ts';
    import { columnName, columnSet } from './map-sets.ts';

    interface Props {
        layout: DepthLayout;
        /** Sections in the site's order: what gives each its mark. */
        sections: readonly string[];
        to: ViewLinks;
    }
    let { layout, sections, to }: Props = $props();
    const names = $derived(layout.columns.map(columnName));
    const marks = $derived(sectionMarks([...sections], names));
</script>

<div class="heads" style:width="{layout.width}px">
    {#each layout.columns as column, index (names[index])}
        <a
            class="head"
            style:left="{column.x + 52}px"
            style:width="{column.width + 8}px"
            href={to.set(`page and ${columnSet(column, layout.columns)}`)}
            title={names[index]}
        >
            <SectionMark letter={marks[index]!.letter} place={marks[index]!.place} />
            <span class="cut">{names[index] === '/' ? 'root' : names[index]}</span>
            <b>{count(column.pages)}</b>
        </a>
    {/each}
</div>

<style>
    .heads {
        position: sticky;
        top: 0;
        z-index: 1;
        height: 34px;
        padding-left: 52px;
        box-sizing: content-box;
        background: var(--color-base-100);
    }
    .head {
        position: absolute;
        display: grid;
        grid-template-columns: 16px minmax(0, 1fr);
        column-gap: 4px;
        line-height: 16px;
        color: inherit;
    }
    .head b {
        grid-column: 2;
        color: var(--color-primary);
    }
</style>
