<script lang="ts">
    /**
     * The picture of the whole site in a frame of its own, with its scale and heads. Pointed at, a page is told; a press
     * opens it, a second one goes into what lies below it; the arrow keys walk from page to page; dragged over, pages
     * become the current set; the wheel moves, with Ctrl it draws larger or smaller.
     */
    import { tick, untrack, type Snippet } from 'svelte';
    import type { MapBundle } from '../../core/map/map-links.ts';
    import type { MapCard } from '../../core/views/map.ts';
    import type { MapAnswer } from '../../workers/map-answers.ts';
    import type { BrowserSurvey } from '../frame/browser-survey.ts';
    import MapTold from './MapTold.svelte';
    import type { MapLook, Palette } from './map-look.ts';
    import { ARROWS, type MapPlace } from './map-place.ts';
    import { MapPointer, type DragShape } from './map-pointer.svelte.ts';
    import type { MapScene } from './map-scene.ts';
    import { BESIDE, bringInSight, held, putBack, REST, Turns, type Held } from './map-sight.ts';
    import { cardOf } from './map-sets.ts';
    import { MapView } from './map-view.svelte.ts';
    import { newest } from './newest.ts';
    import type { Pen, Point } from './pen.ts';
    import { PictureDrawing } from './picture-drawing.svelte.ts';

    interface Props {
        survey: BrowserSurvey;
        map: MapAnswer;
        scene: MapScene;
        look: Omit<MapLook, 'window'>;
        palette: Palette;
        /** URLs of the way to the page whose sheet is open, from the start to it; empty for none. */
        way: readonly (readonly string[])[];
        origin: string;
        /** Draws links that go by what the map is of, under what is pointed at; null for none. */
        under: ((pen: Pen) => void) | null;
        /** Links of the page that is pointed at, or open, are drawn. */
        showsLinks: boolean;
        /** What a drag draws around pages. */
        shape: DragShape;
        /** How high the frame is at most. */
        height: number;
        /** What stands at the left of it, above it and at its right. */
        scale: Snippet;
        heads?: Snippet;
        sums?: Snippet;
        onOpen: (url: string) => void;
        /** Goes into a branch or a folder, or out of it. */
        onInto: (key: string) => void;
        onOut: () => void;
        onDragged: (nodes: number[]) => void;
        /** Draws it so many times as large, or at its whole. */
        onZoom: (by: number | 'whole') => void;
    }
    let props: Props = $props();
    const { survey, map, scene } = $derived(props);
    const places = $derived(scene.places);
    const view = new MapView();
    let frame = $state<HTMLDivElement>();
    let body = $state<HTMLDivElement>();
    let at = $state.raw<MapPlace | null>(null);
    let card = $state.raw<MapCard | null>(null);
    /** The places of the way, and the last of them. */
    let steps = $state.raw<MapPlace[][]>([]);
    const chosen = $derived(steps.at(-1)?.at(-1) ?? null);
    let pinched = $state(1);
    /** Where what is pointed at begins in the frame. */
    let spot = $state({ x: 0, y: 0 });

    function pointOf(event: MouseEvent): Point {
        const box = drawing.over!.getBoundingClientRect();
        return { x: event.clientX - box.left + view.window.left, y: event.clientY - box.top + view.window.top };
    }
    const pointer: MapPointer = new MapPointer({
        places: () => places,
        shape: () => props.shape,
        pointOf,
        onPoint: (place) => void show(place),
        onPress: (place) => void press(place),
        onDragged: (nodes) => props.onDragged(nodes),
        onPinch: (ratio, isOver) => {
            pinched = isOver ? 1 : ratio;
            if (isOver) zoom(ratio);
        },
    });

    $effect(() => {
        const [runs, known] = [props.way, places];
        return newest(Promise.all(runs.map((urls) => survey.nodesOf(urls))), (all) => {
            steps = all.map((nodes) => nodes.flatMap((node) => (node === null ? [] : (known.of(node) ?? []))));
        });
    });
    // A page that is opened from elsewhere is brought into sight.
    $effect(() => {
        if (chosen && frame) bringInSight(frame, chosen);
    });

    /** Links of one page, as soon as the pointer rests on it. */
    let bundles = $state.raw<{ of: number; told: readonly MapBundle[] } | null>(null);
    $effect(() => {
        const page = at ?? chosen;
        const node = page?.group === null && page.nodes.length === 1 ? page.nodes[0] : undefined;
        if (!props.showsLinks || node === undefined) {
            bundles = null;
            return;
        }
        const wait = setTimeout(() => {
            void survey.mapLinks({ of: 'page', node }).then((told) => {
                if (told?.of === 'page') bundles = { of: node, told: told.bundles };
            });
        }, REST);
        return () => clearTimeout(wait);
    });

    const drawing: PictureDrawing = new PictureDrawing(
        view,
        () => ({ ...props, way: steps, chosen, at, drag: pointer.drag, bundles }),
        () => ([at, card] = [null, null]),
    );

    async function show(place: MapPlace | null): Promise<void> {
        if (place?.x === at?.x && place?.y === at?.y) return;
        at = place;
        if (place && frame && body) {
            spot = { x: place.x + BESIDE - frame.scrollLeft, y: place.y + body.offsetTop - frame.scrollTop };
        }
        const told = await cardOf(survey, place);
        if (untrack(() => at) === place) card = told;
    }
    async function press(place: MapPlace | null): Promise<void> {
        if (!place) return;
        const isChosen = chosen?.x === place.x && chosen.y === place.y && place.group === null;
        if (place.into !== null && (place.group !== null || isChosen)) return props.onInto(place.into);
        const told = await cardOf(survey, place);
        if (told) props.onOpen(told.url);
    }

    function onKey(event: KeyboardEvent): void {
        const here = at ?? chosen ?? places.first();
        const step = ARROWS[event.key];
        if (event.key === 'Enter') void press(here);
        else if (step && here) {
            const next = at === null && chosen === null ? here : places.next(here, step);
            void show(next);
            if (frame) bringInSight(frame, next);
        } else if (event.key === 'Escape') void show(null);
        else if (event.key === '+' || event.key === '=') zoom(1.25);
        else if (event.key === '-') zoom(0.8);
        else if (event.key === '0') props.onZoom('whole');
        else if (event.key === 'PageDown' && here?.into) props.onInto(here.into);
        else if (event.key === 'PageUp') props.onOut();
        else return;
        event.preventDefault();
    }
    const turns = new Turns();
    /** Only with Ctrl, as everywhere: alone the wheel moves. Two fingers on a pad come as this too. */
    function onWheel(event: WheelEvent): void {
        if (!event.ctrlKey) return;
        event.preventDefault();
        const [by, { x, y }] = [turns.by(event.deltaY), pointOf(event)];
        if (by !== null) zoom(by, places.at(x, y));
    }
    /** What stays where it is while all around it grows. */
    let kept: Held | null = null;
    function zoom(by: number, around: MapPlace | null = at): void {
        kept = frame ? held(frame, around ?? chosen) : null;
        props.onZoom(by);
    }
    $effect(() => {
        const [known, page] = [places, kept];
        kept = null;
        if (page) void tick().then(() => frame && putBack(frame, known, page));
    });
</script>

<div class="map">
    <div
        class="pan"
        bind:this={frame}
        style:max-height="{props.height}px"
        onscroll={({ currentTarget }) => view.moved(currentTarget)}
    >
        {@render props.heads?.()}
        <div class="body" bind:this={body} style:height="{scene.height}px">
            {@render props.scale()}
            <div
                class="picture"
                style:width="{scene.width}px"
                style:transform={pinched === 1 ? null : `scale(${pinched})`}
            >
                <canvas
                    bind:this={drawing.canvas}
                    style:left="{view.window.left}px"
                    style:top="{view.window.top}px"
                    style:width="{view.window.right - view.window.left}px"
                    style:height="{view.window.bottom - view.window.top}px"
                    aria-hidden="true"
                ></canvas>
                <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
                <div
                    class="over"
                    tabindex="0"
                    role="application"
                    aria-label="Map by {map.by}. Arrow keys go from page to page, Enter opens one; the same stands as a table below."
                    onpointermove={pointer.move}
                    onpointerleave={() => void show(null)}
                    onpointerdown={pointer.down}
                    onpointerup={pointer.up}
                    onpointercancel={pointer.cancel}
                    onkeydown={onKey}
                    onwheel={onWheel}
                >
                    <canvas
                        bind:this={drawing.over}
                        style:left="{view.window.left}px"
                        style:top="{view.window.top}px"
                        style:width="{view.window.right - view.window.left}px"
                        style:height="{view.window.bottom - view.window.top}px"
                        aria-hidden="true"
                    ></canvas>
                </div>
            </div>
            {@render props.sums?.()}
        </div>
    </div>
    <MapTold
        {at}
        {card}
        {spot}
        frame={{ width: frame?.clientWidth ?? 0, height: frame?.clientHeight ?? 0 }}
        origin={props.origin}
    />
</div>

<style>
    .map {
        position: relative;
        margin: 4px 16px 0;
    }
    .pan {
        overflow: auto;
        position: relative;
    }
    .body {
        position: relative;
        display: grid;
        grid-template-columns: 52px auto minmax(0, 1fr);
    }
    .picture {
        position: relative;
        transform-origin: 0 0;
    }
    canvas {
        position: absolute;
    }
    .over {
        position: absolute;
        inset: 0;
        touch-action: pan-x pan-y;
        cursor: crosshair;
    }
</style>
