<script lang="ts">
    /** The whole site on one picture: its choices, the way out of a branch, the picture, and what it cannot show. */
    import type { Shading, ShadeChoices, ShadeEntry } from '../../core/map/shading.ts';
    import type { Arrangement, MapAnswer } from '../../workers/map-answers.ts';
    import type { BrowserSurvey } from '../frame/browser-survey.ts';
    import { count } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';
    import { barNames } from './bar-names.ts';
    import { canDraw } from './canvas-pen.ts';
    import MapChoices from './MapChoices.svelte';
    import MapHeads from './MapHeads.svelte';
    import MapMenu from './MapMenu.svelte';
    import MapPicture from './MapPicture.svelte';
    import MapScale from './MapScale.svelte';
    import MapSums from './MapSums.svelte';
    import MapTrail from './MapTrail.svelte';
    import TreeSums from './TreeSums.svelte';
    import { LinksUnder } from './links-under.svelte.ts';
    import { SIZES, type ShownLinks } from './map-address.ts';
    import { mapColours } from './map-colours.ts';
    import { Palette } from './map-look.ts';
    import type { DragShape } from './map-pointer.svelte.ts';
    import { sceneOf } from './map-scene.ts';
    import { urlsSet } from './map-sets.ts';
    import { newest } from './newest.ts';
    import { NO_CLASS } from '../../core/sets/classes.ts';

    interface Props {
        survey: BrowserSurvey;
        /** Null where it is not there yet, or cannot be had. */
        map: MapAnswer | null;
        isAsked: boolean;
        arrange: Arrangement;
        size: number;
        height: number;
        /** How high what stands above the picture is. */
        above?: number;
        way: readonly (readonly string[])[];
        sections: readonly string[];
        shading: Omit<Shading, 'entries'> & { entries: (ShadeEntry & { pages: number })[] };
        choices: ShadeChoices;
        /** Line of the current set. */
        set: string;
        title: string;
        drag: DragShape;
        hasIntended: boolean;
        links: ShownLinks;
        to: ViewLinks;
        hrefOf: (change: Record<string, string | null>) => string;
        onChoose: (change: Record<string, string | null>, replaceState?: boolean) => void;
        onOpen: (url: string) => void;
    }
    let { above = $bindable(0), ...props }: Props = $props();
    const { survey, map, arrange, to } = $derived(props);
    const scene = $derived(map && sceneOf(map));
    /** Arranged as the structure that is meant: at the foot stands what is not. */
    const isMeant = $derived(arrange.by === 'address' && arrange.group === 'intended');
    /** Names of bars, by node; those of a revision. */
    let names = $state.raw<ReadonlyMap<number, string> | null>(null);
    let classes = $state.raw<Uint8Array | null>(null);
    let lit = $state.raw<Uint8Array | null>(null);
    /** Neither here nor at the server can be told which pages the current set has. */
    let isDark = $state(false);
    let palette = $state.raw<Palette | null>(null);
    let root = $state<HTMLDivElement>();

    // A picture of another theme is drawn anew.
    $effect(() => {
        const html = document.documentElement;
        const read = (): void => {
            if (root && canDraw()) palette = new Palette(mapColours(root));
        };
        read();
        const watch = new MutationObserver(read);
        watch.observe(html, { attributes: true, attributeFilter: ['data-theme'] });
        return () => watch.disconnect();
    });
    $effect(() => (map ? newest(barNames(survey, map, to.origin), (told) => (names = told)) : undefined));
    $effect(() => {
        const sets = props.shading.entries.map((entry) => entry.set);
        void map;
        if (sets.length === 0) {
            classes = null;
            return;
        }
        return newest(survey.classes(sets), (told) => (classes = told));
    });
    $effect(() => {
        const set = props.set.trim();
        void map;
        if (set === '') {
            [lit, isDark] = [null, false];
            return;
        }
        return newest(survey.classes([set]), (told) => {
            lit = told?.map((number) => Number(number !== NO_CLASS)) ?? null;
            isDark = told === null;
        });
    });
    const look = $derived({
        classes,
        entries: props.shading.entries,
        lit,
        nameOf: (node: number) => names?.get(node) ?? '',
    });
    const rungs = $derived.by(() => {
        if (!map) return [];
        return map.by === 'depth'
            ? map.layout.bands.map((band) => ({
                  y: band.y,
                  height: band.height,
                  // As on a ruler: the next number tells where the range ends.
                  say: band.from < 0 ? 'not reached' : String(band.from),
                  isReached: band.from >= 0,
              }))
            : [
                  ...map.layout.levels.map(({ y, height }, level) => ({ y, height, say: `${level}`, isReached: true })),
                  ...(map.layout.loose
                      ? [
                            {
                                y: map.layout.loose.y[0]! - 2,
                                height: 20,
                                say: isMeant ? 'not meant' : 'not reached',
                                isReached: false,
                            },
                        ]
                      : []),
              ];
    });
    const under = new LinksUnder(() => ({ survey, map, scene, palette, lit, links: props.links }));
    let tooMany = $state(0);
    async function choose(nodes: number[]): Promise<void> {
        tooMany = 0;
        if (nodes.length === 0) return;
        const told = await urlsSet(survey, nodes);
        if (told === null) tooMany = nodes.length;
        else props.onChoose({ set: told });
    }
    /** To what lies above the branch that is gone into; nowhere from the whole. */
    function out(): void {
        const trail = map && map.by !== 'depth' ? map.layout.trail : [];
        if (trail.length > 0) props.onChoose({ in: trail.length > 2 ? trail.at(-2)!.key : null });
    }
    const zoom = (by: number | 'whole'): void => props.onChoose({ size: SIZES.param(props.size, by) }, true);
</script>

<div class="whole" bind:this={root}>
    <div class="above" bind:clientHeight={above}>
        <MapChoices
            {arrange}
            shade={props.shading.by}
            choices={props.choices}
            links={props.links}
            hasSet={props.set.trim() !== ''}
            hasIntended={props.hasIntended}
            isWhole={props.size === SIZES.least}
            isLargest={props.size === SIZES.most}
            hrefOf={props.hrefOf}
            onChoose={props.onChoose}
            onZoom={zoom}
        >
            {#snippet menu()}
                <MapMenu
                    sheet={map && scene && palette
                        ? { title: props.title, map, scene, palette, look, shading: props.shading }
                        : null}
                    pages={map?.facts.count ?? 0}
                    file="map-by-{arrange.by}"
                    shape={props.drag}
                    onShape={(drag) => props.onChoose({ drag: drag === 'outline' ? drag : null }, true)}
                />
            {/snippet}
        </MapChoices>
        {#if map && isDark}<p class="pane note" role="status">
                Which pages the current set has could not be told: it is not lit here. The set bar says its size.
            </p>{/if}
        {#if map && map.by !== 'depth' && map.layout.trail.length > 0}
            <MapTrail
                trail={map.layout.trail}
                whole={map.by === 'branch' ? 'all branches' : 'all addresses'}
                hrefOf={(key) => props.hrefOf({ in: key })}
            />
        {/if}
    </div>
    {#if map && scene && palette}
        <div data-drawn={names !== null && (classes !== null || props.shading.entries.length === 0)}>
            <MapPicture
                {survey}
                {map}
                {scene}
                {look}
                {palette}
                way={props.way}
                origin={to.origin}
                under={under.draw}
                showsLinks={props.links === 'page'}
                shape={props.drag}
                height={props.height}
                onOpen={props.onOpen}
                onInto={(key) => props.onChoose({ in: key })}
                onOut={out}
                onDragged={choose}
                onZoom={zoom}
            >
                {#snippet heads()}{#if map.by === 'depth'}<MapHeads
                            layout={map.layout}
                            sections={props.sections}
                            {to}
                        />{/if}{/snippet}
                {#snippet scale()}<MapScale {rungs} />{/snippet}
                {#snippet sums()}
                    {#if map.by === 'depth'}<MapSums layout={map.layout} {to} />
                    {:else}<TreeSums
                            layout={map.layout}
                            isDepth={arrange.by === 'branch' && arrange.hang === 'way' && arrange.at === null}
                            looseSet={isMeant ? 'page and not intended' : 'page and not reached'}
                            {to}
                        />{/if}
                {/snippet}
            </MapPicture>
        </div>
        {#if under.say !== ''}<p class="pane note" role="status">{under.say}</p>{/if}
        {#if tooMany > 0}
            <p class="pane note" role="alert">
                {count(tooMany)} pages: an address does not hold the set of so many. Heads, sums and the legend are sets of
                any size.
            </p>
        {/if}
    {:else if props.isAsked}
        <p class="pane ink2">
            The picture needs a browser that draws and has room for the whole survey, which has to have ended. The same
            numbers stand in the table below.
        </p>
    {:else}<p class="pane note" role="status">Drawing …</p>{/if}
</div>

<style>
    /* Where the whole picture is printed, what the frame shows of it is not; where it is printed by the browser's own key,
       the frame is as large as what is in it. */
    @media print {
        :global(.view:has(.printed)) > :global(:not(:has(.printed))),
        .whole:has(:global(.printed)) > :global(:not(.above)),
        .whole :global(.picture-choices > :not(.sizes)),
        .whole :global(.sizes > :not(.printed)) {
            display: none;
        }
        .whole :global(.pan) {
            max-height: none !important;
            overflow: visible;
            zoom: 0.6;
        }
    }
</style>
