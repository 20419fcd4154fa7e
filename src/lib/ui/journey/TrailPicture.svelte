<script lang="ts">
    /** The trail over the depths: each step a page, loops as bows, dead ends with what ended them. */
    import type { WalkStep } from '../../core/views/journey.ts';
    import { counted, cutMiddle } from '../parts/format.ts';
    import { hueOf } from '../parts/section-letters.ts';
    import { tailOf } from '../map/map-sets.ts';
    import type { JourneyLinks } from './journey-links.ts';
    import { trailLayout } from './trail-layout.ts';

    interface Props {
        steps: readonly WalkStep[];
        /** Sections in the site's order: what gives each its hue. */
        sections: readonly string[];
        origin: string;
        walk: JourneyLinks;
    }
    let { steps, sections, origin, walk }: Props = $props();
    let width = $state(0);
    const layout = $derived(trailLayout(steps, Math.max(300, width)));
    const { points } = $derived(layout);
    const hue = (section: string): string => {
        const place = sections.indexOf(section);
        return hueOf(place === -1 ? sections.length : place);
    };
    const nameOf = ({ url }: WalkStep): string =>
        cutMiddle(
            url === `${origin}/` ? 'start page' : tailOf(url, origin) || url,
            Math.max(8, Math.floor(layout.step / 6.6)),
        );
    /** A page without a way on is gone back from: the next step goes on from the one before it. */
    const lineTo = (at: number): string => {
        const [from, to] = [points[at - 1]!, points[at]!];
        const middle = (from.x + to.x) / 2;
        return `M${from.x} ${from.y}C${middle} ${from.y} ${middle} ${to.y} ${to.x} ${to.y}`;
    };
    const bow = (at: number, before: number): string => {
        const [from, to] = [points[at]!, points[before]!];
        const high = Math.max(6, Math.min(from.y, to.y) - 18 - (at - before) * 6);
        return `M${from.x} ${from.y - 8}C${from.x} ${high} ${to.x} ${high} ${to.x} ${to.y - 9}`;
    };
</script>

<div class="over" bind:clientWidth={width}>
    <svg width={layout.width} height={layout.height} role="group" aria-label="The trail by depth, step by step">
        {#each layout.rows as { depth, y, height }, at (depth)}
            <rect
                x="46"
                {y}
                width={layout.width - 46}
                {height}
                fill="var(--color-primary)"
                opacity={depth === null ? 0 : 0.04 + 0.07 * (at / layout.rows.length)}
            />
            <rect
                x="34"
                {y}
                width="5"
                {height}
                fill={at % 2 === 0 ? 'var(--color-base-content)' : 'none'}
                stroke="var(--color-base-content)"
            />
            <text x="26" y={y + height / 2 + 4} text-anchor="end">{depth ?? '–'}</text>
        {/each}
        {#each steps as step, at (at)}
            <text class="click" x={points[at]!.x} y="12" text-anchor="middle">{at}</text>
            {#if at > 0}
                <path
                    class="way"
                    d={lineTo(at)}
                    fill="none"
                    stroke-dasharray={step.by === 'jump' ? '3 4' : undefined}
                />
            {/if}
        {/each}
        {#each steps as step, at (at)}
            {#if step.before !== null}
                <path class="loop" d={bow(at, step.before)} fill="none" />
                <text
                    class="loop-name"
                    x={(points[at]!.x + points[step.before]!.x) / 2}
                    y={Math.max(20, Math.min(points[at]!.y, points[step.before]!.y) - 22)}
                    text-anchor="middle">a loop of {counted(at - step.before, 'click')}</text
                >
            {/if}
        {/each}
        {#each steps as step, at (at)}
            {@const point = points[at]!}
            <a
                href={walk.until(at)}
                aria-label="{nameOf(step)}, step {at}: {step.title || step.url}"
                data-sveltekit-noscroll
            >
                <title>{step.title || step.url}{step.anchor === '' ? '' : `, by “${step.anchor}”`}</title>
                <rect
                    x={point.x - 7}
                    y={point.y - 7}
                    width="14"
                    height="14"
                    fill={step.gate === 'indexable' ? hue(step.section) : 'var(--color-base-100)'}
                    stroke="var(--color-base-content)"
                />
                {#if at === steps.length - 1}<rect
                        class="here"
                        x={point.x - 11}
                        y={point.y - 11}
                        width="22"
                        height="22"
                        fill="none"
                    />{/if}
                <text
                    class="name"
                    class:last={at === steps.length - 1}
                    x={point.x}
                    y={layout.height - 8}
                    text-anchor="middle">{nameOf(step)}</text
                >
            </a>
            {#if step.end !== ''}
                <rect class="end" x={point.x + 11} y={point.y - 10} width="3" height="20" />
                <text class="end-name" x={point.x + 18} y={point.y - 6}>dead end</text>
            {/if}
        {/each}
    </svg>
</div>
{#if steps.at(-1)?.end}<p class="pane note" role="status">A dead end. {steps.at(-1)?.end}</p>{/if}

<style>
    .over {
        overflow-x: auto;
        padding: 0 16px;
        border-bottom: 1px solid var(--edge);
    }
    text {
        font-size: 12px;
        fill: var(--color-base-content);
    }
    .click {
        fill: var(--ink2);
    }
    .way {
        stroke: var(--color-primary);
        stroke-width: 2.5;
    }
    .loop {
        stroke: var(--color-base-content);
        stroke-dasharray: 4 3;
    }
    .loop-name,
    .end-name {
        font: italic 12px var(--font-serif);
        paint-order: stroke;
        stroke: var(--color-base-100);
        stroke-width: 4px;
    }
    .here {
        stroke: var(--color-primary);
        stroke-width: 3;
    }
    .last {
        font-weight: 600;
    }
    .end {
        fill: var(--color-accent);
    }
    a:focus-visible rect {
        stroke-width: 3;
    }
</style>
