<script lang="ts">
    /** Gate by gate: what stops there, what of it a sitemap lists all the same, and the standing it holds. */
    import type { GatesView } from '../../core/views/gates.ts';
    import { count } from '../parts/format.ts';
    import { GATE_GLYPHS } from '../parts/gate-glyphs.ts';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to }: { view: GatesView; to: ViewLinks } = $props();
</script>

<section class="pane" aria-label="Gate by gate">
    <table class="ruled">
        <thead>
            <tr>
                <th>gate</th>
                <th class="num">stop there</th>
                {#if view.inSet}<th class="num">in the set</th>{/if}
                <th class="num">listed all the same</th>
                <th class="num">standing they hold</th>
            </tr>
        </thead>
        <tbody>
            {#each view.rows as { gate, urls, inSet, standing, listed } (gate)}
                <tr>
                    <td class="nw"
                        ><svg width="12" height="12" aria-hidden="true" class="inline-block mr-1"
                            ><path d={GATE_GLYPHS[gate]} fill="none" stroke="currentColor" stroke-width="1.4" /></svg
                        >{gate}</td
                    >
                    <td class="num"
                        >{#if urls === 0}<span class="ink3">0</span>{:else}<a
                                class="set"
                                href={to.set(`gate is ${gate}`)}>{count(urls)}</a
                            >{/if}</td
                    >
                    {#if inSet !== null}<td class="num">{count(inSet)}</td>{/if}
                    <td class="num"
                        >{#if listed === 0}<span class="ink3">0</span>{:else}<a
                                class="set"
                                href={to.set(`gate is ${gate} and in sitemap`)}>{count(listed)}</a
                            >{/if}</td
                    >
                    <td class="num"
                        >{#if standing === 0}<span class="ink3" aria-label="none">·</span>{:else}{standing.toFixed(
                                1,
                            )}{/if}</td
                    >
                </tr>
            {/each}
        </tbody>
    </table>
    {#if view.counts.gateUnknown > 0}
        <p class="note mt-1">
            Of <a class="set" href={to.set('gate is unknown')}>{count(view.counts.gateUnknown)}</a> more the gate is not known:
            they were not read.
        </p>
    {/if}
</section>
