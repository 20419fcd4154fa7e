<script lang="ts">
    /**
     * The map by depth: the picture of the whole site, with the scale and heads as text beside it. Pointed at, a cell tells
     * its page; a press opens it; the arrow keys walk from page to page; dragged over, pages become the current set.
     */
    import { untrack } from 'svelte';
    import { quoted } from '../../core/sets/tokens.ts';
    import type { MapCard } from '../../core/views/map.ts';
    import type { MapAnswer } from '../../workers/survey-answers.ts';
    import type { BrowserSurvey } from '../frame/browser-survey.ts';
    import { count } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';
    import { drawDepth, type MapShade } from './draw-depth.ts';
    import { drawOver } from './draw-over.ts';
    import { DepthPlaces, type MapPlace } from './hit-depth.ts';
    import MapCardView from './MapCardView.svelte';
    import MapHeads from './MapHeads.svelte';
    import MapScale from './MapScale.svelte';
    import MapSums from './MapSums.svelte';
    import { barNames } from './bar-names.ts';
    import { newest } from './newest.ts';
    import { brushOf } from './canvas-brush.ts';
    import { mapColours } from './map-colours.ts';

    interface Props {
        survey: BrowserSurvey;
        map: MapAnswer;
        /** Sections in the site's order: what gives each its mark. */
        sections: readonly string[];
        shade: MapShade;
        /** Nodes of the current set; null for all. */
        lit: Uint32Array | null;
        /** URLs of the way to the page whose sheet is open, from the start to it; empty for none. */
        way: readonly string[];
        to: ViewLinks;
        onOpen: (url: string) => void;
        /** Makes a line the current set. */
        onSet: (line: string) => void;
    }
    let { survey, map, sections, shade, lit, way, to, onOpen, onSet }: Props = $props();
    const { layout, facts } = $derived(map);
    const places = $derived(new DepthPlaces(layout));
    let canvas = $state<HTMLCanvasElement>();
    let over = $state<HTMLCanvasElement>();
    /** Names of bars, by node; those of a revision. */
    let names = $state.raw<ReadonlyMap<number, string> | null>(null);
    let at = $state.raw<MapPlace | null>(null);
    let card = $state<MapCard | null>(null);
    /** The places of the way, and the last of them. */
    let steps = $state.raw<MapPlace[]>([]);
    const chosen = $derived(steps.at(-1) ?? null);
    /** A picture of another theme is drawn anew. */
    let theme = $state('');

    $effect(() => {
        const root = document.documentElement;
        theme = root.dataset['theme'] ?? '';
        const watch = new MutationObserver(() => (theme = root.dataset['theme'] ?? ''));
        watch.observe(root, { attributes: true, attributeFilter: ['data-theme'] });
        return () => watch.disconnect();
    });
    $effect(() => newest(barNames(survey, layout, to.origin), (told) => (names = told)));
    $effect(() => {
        const [urls, known] = [way, places];
        return newest(Promise.all(urls.map((url) => survey.nodeOf(url))), (nodes) => {
            steps = nodes.flatMap((node) => {
                const place = node === null ? null : known.of(node);
                return place ? [place] : [];
            });
        });
    });
    const isLit = $derived.by(() => {
        if (lit === null) return null;
        const bits = new Uint8Array(facts.count);
        for (const node of lit) bits[node] = 1;
        return bits;
    });

    $effect(() => {
        void theme;
        if (!canvas) return;
        const brush = brushOf(canvas, layout);
        if (!brush) return;
        const known = names;
        drawDepth(brush, { facts, layout }, mapColours(canvas), {
            shade,
            lit: isLit,
            nameOf: (node) => known?.get(node) ?? '',
        });
    });
    $effect(() => {
        void theme;
        if (!over) return;
        const brush = brushOf(over, layout);
        if (!brush) return;
        drawOver(brush, mapColours(over), { way: steps, chosen, at, drag });
    });

    let drag = $state<{ left: number; top: number; right: number; bottom: number } | null>(null);
    let from: { x: number; y: number } | null = null;
    /** So far a press moves before it is a drag. */
    const LEAST_DRAG = 6;
    const pointOf = (event: PointerEvent): { x: number; y: number } => {
        const box = over!.getBoundingClientRect();
        return { x: event.clientX - box.left, y: event.clientY - box.top };
    };

    async function show(place: MapPlace | null): Promise<void> {
        if (place?.x === at?.x && place?.y === at?.y) return;
        at = place;
        const node = place?.nodes[0];
        const told = node === undefined ? null : await survey.mapCard(node);
        if (untrack(() => at) === place) card = told;
    }
    function onDown(event: PointerEvent): void {
        if (event.button !== 0) return;
        from = pointOf(event);
        // Let go of outside the picture, it is let go of all the same.
        (event.currentTarget as Element).setPointerCapture(event.pointerId);
    }
    function onMove(event: PointerEvent): void {
        const point = pointOf(event);
        if (from && (drag || Math.hypot(point.x - from.x, point.y - from.y) > LEAST_DRAG)) {
            drag = {
                left: Math.min(from.x, point.x),
                right: Math.max(from.x, point.x),
                top: Math.min(from.y, point.y),
                bottom: Math.max(from.y, point.y),
            };
            void show(null);
            return;
        }
        void show(places.at(point.x, point.y));
    }
    async function onUp(event: PointerEvent): Promise<void> {
        const area = drag;
        if (from === null) return;
        [from, drag] = [null, null];
        if (area) return choose(places.within(area.left, area.top, area.right, area.bottom));
        const point = pointOf(event);
        await open(places.at(point.x, point.y));
    }
    /** Pages that a set can name one by one: an address holds no more. */
    const MOST_DRAGGED = 80;
    let tooMany = $state(0);

    async function choose(nodes: number[]): Promise<void> {
        tooMany = nodes.length > MOST_DRAGGED ? nodes.length : 0;
        if (nodes.length === 0 || tooMany > 0) return;
        const told = await Promise.all(nodes.map((node) => survey.mapCard(node)));
        const urls = told.flatMap((one) => (one ? [quoted(one.url, true)] : []));
        onSet(`url is one of ${urls.join(', ')}`);
    }
    async function open(place: MapPlace | null): Promise<void> {
        const node = place?.nodes[0];
        const told = node === undefined ? null : await survey.mapCard(node);
        if (told) onOpen(told.url);
    }
    const STEPS = { ArrowLeft: 'left', ArrowRight: 'right', ArrowUp: 'up', ArrowDown: 'down' } as const;
    function onKey(event: KeyboardEvent): void {
        const here = at ?? chosen ?? (layout.bars[0] ? { ...layout.bars[0], nodes: [layout.bars[0].node] } : null);
        if (event.key === 'Enter') void open(here);
        else if (event.key in STEPS && here)
            void show(
                at === null && chosen === null ? here : places.next(here, STEPS[event.key as keyof typeof STEPS]),
            );
        else if (event.key === 'Escape') void show(null);
        else return;
        event.preventDefault();
    }
    /** The card stands at the first free side. */
    const cardLeft = $derived(
        at === null ? 0 : at.x + 320 > layout.width ? Math.max(0, at.x - 300) : at.x + at.width + 12,
    );
</script>

<div class="map">
    <MapHeads {layout} {sections} {to} />
    <div class="body" style:height="{layout.height}px">
        <MapScale {layout} />
        <div class="picture" data-named={names !== null} style:width="{layout.width}px">
            <canvas
                bind:this={canvas}
                style:width="{layout.width}px"
                style:height="{layout.height}px"
                aria-hidden="true"
            ></canvas>
            <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
            <div
                class="over"
                tabindex="0"
                role="application"
                aria-label="Map by depth. Arrow keys go from page to page, Enter opens one; the same stands as a table below."
                onpointermove={onMove}
                onpointerleave={() => void show(null)}
                onpointerdown={onDown}
                onpointerup={onUp}
                onpointercancel={() => ([from, drag] = [null, null])}
                onkeydown={onKey}
            >
                <canvas
                    bind:this={over}
                    style:width="{layout.width}px"
                    style:height="{layout.height}px"
                    aria-hidden="true"
                ></canvas>
            </div>
            {#if at && card}
                <div
                    class="told"
                    style:left="{cardLeft}px"
                    style:top="{Math.min(at.y + 14, Math.max(0, layout.height - 190))}px"
                >
                    <MapCardView {card} pages={at.nodes.length} origin={to.origin} />
                </div>
            {/if}
            <p class="visually-hidden" role="status">
                {#if at && card}{card.title || card.url}, {card.depth === null
                        ? 'not reached'
                        : `depth ${card.depth}`}{/if}
            </p>
        </div>
        <MapSums {layout} {to} />
    </div>
    {#if tooMany > 0}
        <p class="note" role="alert">
            {count(tooMany)} pages: dragged over, a set holds {MOST_DRAGGED} at most. Heads and sums are sets of any size.
        </p>
    {/if}
</div>

<style>
    .map {
        padding: 4px 16px 8px;
        overflow-x: auto;
    }
    .body {
        position: relative;
        display: grid;
        grid-template-columns: 52px auto minmax(110px, 1fr);
    }
    .picture {
        position: relative;
    }
    .over {
        position: absolute;
        inset: 0;
        touch-action: pan-x pan-y;
        cursor: crosshair;
    }
    .told {
        position: absolute;
        z-index: 2;
        width: 288px;
        padding: 8px 10px;
        border: 1px solid var(--color-base-content);
        background: var(--color-base-100);
        pointer-events: none;
    }
</style>
