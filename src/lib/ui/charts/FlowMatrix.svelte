<script lang="ts">
    /**
     * Links from section to section. The filled square is what there is, the frame what there would be if the links of
     * each section were spread evenly; a tinted cell has far fewer than that.
     */
    import { count } from '../parts/format.ts';
    import SectionMark from '../parts/SectionMark.svelte';
    import { hueOf } from '../parts/section-letters.ts';

    interface Props {
        sections: { section: string; pages: number }[];
        /** Letter and hue of each section. */
        marks: { letter: string; place: number }[];
        links: number[][];
        expected: number[][];
        hrefOf: (from: number, to: number) => string;
    }
    let { sections, marks, links, expected, hrefOf }: Props = $props();
    const CELL = 35;
    /** Squares grow with the links per page of the source, so that a large section does not drown a small one. */
    const per = (value: number, from: number): number => value / Math.max(1, sections[from]!.pages);
    const most = $derived(
        Math.max(
            1e-9,
            ...links.flatMap((row, from) => row.map((value) => per(value, from))),
            ...expected.flatMap((row, from) => row.map((value) => per(value, from))),
        ),
    );
    const side = (value: number, from: number): number => Math.sqrt(per(value, from) / most) * (CELL - 6);
    const isThin = (from: number, to: number): boolean =>
        expected[from]![to]! >= 1 && links[from]![to]! < expected[from]![to]! / 4;
</script>

<div class="over">
    <table class="flow">
        <thead>
            <tr>
                <th scope="col" class="aside ink2 corner">from ↓ to →</th>
                {#each sections as { section }, to (section)}<th scope="col" title={section}
                        ><SectionMark {...marks[to]!} /><span class="visually-hidden">{section}</span></th
                    >{/each}
            </tr>
        </thead>
        <tbody>
            {#each sections as { section }, from (section)}
                <tr>
                    <th scope="row" class="name" title={section}><SectionMark {...marks[from]!} /> {section}</th>
                    {#each sections as { section: target }, to (target)}
                        {@const value = links[from]![to]!}
                        {@const even = expected[from]![to]!}
                        <td class:thin={isThin(from, to)}>
                            <a
                                href={hrefOf(from, to)}
                                title="{count(value)} links from {section} to {target}; {count(
                                    Math.round(even),
                                )} if spread evenly"
                                aria-label="{count(value)} links from {section} to {target}, {count(
                                    Math.round(even),
                                )} if spread evenly: the pages they stand on"
                            >
                                <svg
                                    width={CELL - 2}
                                    height={CELL - 2}
                                    viewBox="0 0 {CELL - 2} {CELL - 2}"
                                    aria-hidden="true"
                                >
                                    <rect
                                        x={(CELL - 2 - side(value, from)) / 2}
                                        y={(CELL - 2 - side(value, from)) / 2}
                                        width={side(value, from)}
                                        height={side(value, from)}
                                        fill={hueOf(marks[from]!.place)}
                                    />
                                    <rect
                                        x={(CELL - 2 - side(even, from)) / 2}
                                        y={(CELL - 2 - side(even, from)) / 2}
                                        width={side(even, from)}
                                        height={side(even, from)}
                                        fill="none"
                                        stroke="var(--color-base-content)"
                                        stroke-width="0.8"
                                    />
                                </svg>
                            </a>
                        </td>
                    {/each}
                </tr>
            {/each}
        </tbody>
    </table>
</div>
<p class="note mt-1">
    Square: links per page of the source. Frame: the same, spread evenly. <span class="tint">Tinted</span>: less than a
    quarter of that.
</p>

<style>
    .over {
        position: relative;
        overflow-x: auto;
    }
    .flow {
        border-collapse: collapse;
    }
    .flow th {
        font-weight: 400;
        text-align: center;
        padding: 2px 0;
    }
    .flow .corner {
        text-align: right;
        padding-right: 6px;
        white-space: nowrap;
    }
    .flow .name {
        text-align: left;
        max-width: 86px;
        overflow: hidden;
        text-overflow: ellipsis;
        white-space: nowrap;
        padding-right: 6px;
    }
    .flow td {
        border: 1px solid var(--rule);
        padding: 0;
        width: 35px;
        height: 35px;
    }
    .flow td a {
        display: block;
    }
    .flow td svg {
        display: block;
    }
    .thin,
    .tint {
        background: var(--wash);
    }
</style>
