<script lang="ts">
    /** The pages of each band of the map at its right, and what is set aside there: glyph and number a gate. */
    import type { DepthLayout, MapBand } from '../../core/map/depth-layout.ts';
    import { gateAt } from '../../core/map/map-facts.ts';
    import { count } from '../parts/format.ts';
    import { GATE_GLYPHS } from '../parts/gate-glyphs.ts';
    import type { ViewLinks } from '../view/links.ts';
    import { bandSet, depthSet } from './map-sets.ts';

    let { layout, to }: { layout: DepthLayout; to: ViewLinks } = $props();
    const aside = ({ aside: codes }: MapBand) =>
        codes.flatMap((urls, code) => {
            const gate = gateAt(code);
            return urls && gate ? [{ gate, urls }] : [];
        });
</script>

<div class="sums">
    {#each layout.bands as band (band.from)}
        <span class="sum" style:top="{band.y}px">
            <a class="set" href={to.set(bandSet(band))}>{count(band.pages)}</a>
            {#each aside(band) as { gate, urls } (gate)}
                <a
                    class="gate"
                    href={to.set(`not page and gate is ${gate} and ${depthSet(band)}`)}
                    title="{count(urls)} stop at {gate}"
                    ><svg width="11" height="11" viewBox="0 0 12 12" aria-hidden="true"
                        ><path d={GATE_GLYPHS[gate]} fill="none" stroke="currentColor" stroke-width="1.3" /></svg
                    >{count(urls)}<span class="visually-hidden"> stop at {gate}</span></a
                >
            {/each}
        </span>
    {/each}
</div>

<style>
    .sums {
        position: relative;
    }
    .sum {
        position: absolute;
        left: 12px;
        display: flex;
        gap: 8px;
        line-height: 16px;
        white-space: nowrap;
    }
    .gate {
        display: inline-flex;
        gap: 2px;
        align-items: center;
        color: var(--ink2);
    }
</style>
