<script lang="ts">
    /** Pages by depth, and what stands beside them. */
    import type { BriefView } from '../../core/views/brief.ts';
    import { setLine, type PageFilter } from '../../core/sets/page-filter.ts';
    import DepthSounding from '../charts/DepthSounding.svelte';
    import Figure from '../charts/Figure.svelte';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    interface Props {
        view: BriefView;
        to: ViewLinks;
        /** Goes to a set that was chosen in the chart. */
        onChoose: (href: string) => void;
    }
    let { view, to, onChoose }: Props = $props();
    const { counts } = $derived(view);
    const set = (filter: PageFilter): string => to.set(setLine(filter));
    const atDepth = ({ from, to: last }: { from: number; to: number }): string =>
        from === last ? set({ read: 'pages', depth: from }) : to.set(`page and depth from ${from} to ${last}`);
</script>

<Figure
    name="How deep"
    note={counts.meanDepth === null ? '' : `mean ${counts.meanDepth.toFixed(1)} clicks`}
    cells={() => [
        ['depth', 'pages', 'indexable'],
        ...view.depths.map(({ from, to, pages, indexable }) => [
            from === to ? from : `${from}–${to}`,
            pages,
            indexable,
        ]),
        ['not reached', counts.orphans?.all ?? null, counts.orphans?.indexable ?? null],
    ]}
>
    {#if view.depths.length > 0}
        <DepthSounding
            rows={view.depths}
            inSet={view.depthsInSet}
            unreached={counts.orphans?.all ?? null}
            hrefOfDepth={(depths) => (depths === 'none' ? set({ orphan: 'any' }) : atDepth(depths))}
            onChoose={(depths) => onChoose(atDepth(depths))}
        />
    {:else}<p class="ink2">Nothing to draw yet.</p>{/if}
    <p class="note mt-1">
        Clicks from the start page. Filled: indexable; open: stopped at a gate. Set aside: {counted(
            counts.beside.redirects,
            'redirect',
        )}, {counted(counts.beside.failures, 'failure')}, {counted(counts.beside.otherTypes, 'other file')}, {count(
            counts.beside.notRead,
        )} not read.
    </p>
</Figure>
