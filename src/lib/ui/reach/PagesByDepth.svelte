<script lang="ts">
    /** The sounding: pages by depth, chosen by a press or by dragging over them. */
    import { setLine } from '../../core/sets/page-filter.ts';
    import type { ReachView } from '../../core/views/reach.ts';
    import DepthSounding from '../charts/DepthSounding.svelte';
    import Figure from '../charts/Figure.svelte';
    import type { ViewLinks } from '../view/links.ts';

    interface Props {
        view: ReachView;
        to: ViewLinks;
        /** Depths are along followed links alone. */
        followedOnly: boolean;
        /** This view along the other kind of links. */
        otherLinksHref: string;
        /** Makes a line the current set. */
        onSet: (line: string) => void;
    }
    let { view, to, followedOnly, otherLinksHref, onSet }: Props = $props();
    const { orphans } = $derived(view.counts);
    const set = (filter: { orphan: 'any' }): string => to.set(setLine(filter));
    const atDepth = ({ from, to: last }: { from: number; to: number }): string =>
        from === last ? `page and depth = ${from}` : `page and depth from ${from} to ${last}`;
</script>

<Figure
    name="Pages by depth"
    note="{followedOnly ? 'followed links only' : 'all links'}, redirects cost no click{view.meanDepth === null
        ? ''
        : `; mean ${view.meanDepth.toFixed(1)} clicks`}"
    cells={() => [
        ['depth', 'pages', 'indexable', ...(view.depthsInSet ? ['in the set'] : [])],
        ...view.depths.map((row, index) => [
            row.from === row.to ? row.from : `${row.from}–${row.to}`,
            row.pages,
            row.indexable,
            ...(view.depthsInSet ? [view.depthsInSet[index]?.pages ?? 0] : []),
        ]),
        [
            'not reached',
            orphans?.all ?? null,
            orphans?.indexable ?? null,
            ...(view.depthsInSet ? [view.orphansInSet] : []),
        ],
    ]}
>
    {#if view.depths.length > 0}
        <DepthSounding
            rows={view.depths}
            inSet={view.depthsInSet}
            unreached={orphans?.all ?? null}
            hrefOfDepth={(depths) => (depths === 'none' ? set({ orphan: 'any' }) : to.set(atDepth(depths)))}
            onChoose={(depths) => onSet(atDepth(depths))}
            onRange={(from, last) => onSet(atDepth({ from, to: last }))}
        />
    {:else}<p class="ink2">Nothing to draw yet.</p>{/if}
    <p class="note mt-1" data-no-picture>
        Filled: indexable; open: stopped at a gate. Drag over depths, or press two of them, to make them the current
        set.
        <a class="set" href={otherLinksHref} data-sveltekit-noscroll
            >{followedOnly ? 'Count all links' : 'Count followed links only'}</a
        >
    </p>
</Figure>
