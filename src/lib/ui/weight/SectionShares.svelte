<script lang="ts">
    /** Each section's share of the pages and of the standing, and the priority that was said of it. */
    import type { WeightView } from '../../core/views/weight.ts';
    import Figure from '../charts/Figure.svelte';
    import SectionMark from '../parts/SectionMark.svelte';
    import { hueOf, type Mark } from '../parts/section-letters.ts';
    import type { ViewLinks } from '../view/links.ts';

    interface Props {
        view: WeightView;
        to: ViewLinks;
        /** Letter and hue of each section. */
        marks: Mark[];
        /** Priority that was said of a set as a whole. */
        priorityOf: (set: string) => number | null;
        onPriority: (set: string, value: number | null) => void;
    }
    let { view, to, marks, priorityOf, onPriority }: Props = $props();
    const widest = $derived(
        Math.max(0.01, ...view.sections.flatMap((item) => [item.shareOfPages, item.shareOfStanding])),
    );
</script>

<Figure
    name="Sections"
    class="border-t border-(--rule)"
    note="open bar: share of pages; filled: share of standing"
    cells={() => [
        ['section', 'pages', 'share of pages', 'share of standing', 'ratio'],
        ...view.sections.map((item) => [item.section, item.pages, item.shareOfPages, item.shareOfStanding, item.ratio]),
    ]}
>
    <table class="ruled sections">
        <thead
            ><tr
                ><th>section</th><th class="bars"><span class="visually-hidden">shares</span></th><th class="num"
                    >pages, %</th
                ><th class="num">standing, %</th><th class="num">ratio</th><th class="spare">priority</th></tr
            ></thead
        >
        <tbody>
            {#each view.sections as item, place (item.section)}
                <tr>
                    <td class="nw"
                        ><SectionMark {...marks[place]!} />
                        {item.section === '/' ? 'root folder' : item.section}</td
                    >
                    <td class="bars"
                        ><svg width="100%" height="17" aria-hidden="true"
                            ><rect
                                x="0.5"
                                y="1"
                                width="{(item.shareOfPages / widest) * 98}%"
                                height="6"
                                fill="none"
                                stroke="var(--color-base-content)"
                                stroke-width="0.8"
                            /><rect
                                x="0.5"
                                y="9"
                                width="{(item.shareOfStanding / widest) * 98}%"
                                height="7"
                                fill={hueOf(marks[place]!.place)}
                            /></svg
                        ></td
                    >
                    <td class="num">{(item.shareOfPages * 100).toFixed(1)}</td>
                    <td class="num"
                        >{#if item.ranked === null}{(item.shareOfStanding * 100).toFixed(1)}{:else}<a
                                class="set"
                                href={to.set(item.ranked)}>{(item.shareOfStanding * 100).toFixed(1)}</a
                            >{/if}</td
                    >
                    <td class="num"><b>{item.ratio.toFixed(2)}</b></td>
                    <td class="spare" data-no-picture
                        >{#if item.all !== null}{@const { all } = item}<select
                                class="in-row"
                                aria-label="Priority of the section {item.section}"
                                value={String(priorityOf(all) ?? '')}
                                onchange={(event) =>
                                    onPriority(
                                        all,
                                        event.currentTarget.value === '' ? null : Number(event.currentTarget.value),
                                    )}
                                ><option value="">not set</option>{#each [1, 2, 3] as value (value)}<option
                                        value={String(value)}>{value}</option
                                    >{/each}</select
                            >{/if}</td
                    >
                </tr>
            {/each}
        </tbody>
    </table>
</Figure>

<style>
    .bars {
        width: 40%;
    }
    .bars svg {
        display: block;
    }
    /* A control in every row stays quiet until it is meant. */
    .in-row {
        height: 24px;
        margin-block: -3px;
        border: 1px solid transparent;
        border-radius: 2px;
        background: transparent;
        color: var(--ink2);
        font: inherit;
    }
    .in-row:hover,
    .in-row:focus-visible {
        border-color: var(--edge);
        background: var(--field);
    }
</style>
