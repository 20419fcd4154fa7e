<script lang="ts">
    /** Names with a bar and a number each: what hangs behind, what holds. The number is a set. */
    import type { Snippet } from 'svelte';
    import { count } from '../parts/format.ts';

    interface Bar {
        key: string | number;
        value: number;
        href: string;
        /** What the number is, for who cannot see the bar. */
        says: string;
    }
    interface Props {
        bars: Bar[];
        /** Largest value of the scale, where several lists share one. */
        most?: number;
        /** Outlined in place of filled: another kind of thing on the same scale. */
        outlined?: boolean;
        name: Snippet<[Bar, number]>;
    }
    let { bars, most, outlined = false, name }: Props = $props();
    const scale = $derived(Math.max(1, most ?? 0, ...bars.map((bar) => bar.value)));
</script>

<table class="bars">
    <tbody>
        {#each bars as bar, index (bar.key)}
            <tr>
                <td class="name">{@render name(bar, index)}</td>
                <td class="bar"
                    ><svg width="100%" height="10" aria-hidden="true"
                        ><rect
                            x="0.5"
                            y="0.5"
                            width="{Math.max(1, (bar.value / scale) * 99)}%"
                            height="9"
                            fill={outlined ? 'none' : 'var(--color-primary)'}
                            stroke={outlined ? 'var(--color-primary)' : 'none'}
                        /></svg
                    ></td
                >
                <td class="num"
                    ><a class="set plain-set" href={bar.href} aria-label={bar.says}>{count(bar.value)}</a></td
                >
            </tr>
        {/each}
    </tbody>
</table>

<style>
    .bars {
        width: 100%;
        border-collapse: collapse;
        table-layout: fixed;
    }
    .bars tr + tr td {
        border-top: 1px solid var(--rule);
    }
    td {
        padding: 3px 0;
        min-height: 24px;
        vertical-align: middle;
    }
    .name {
        overflow: hidden;
        text-overflow: ellipsis;
        white-space: nowrap;
    }
    .bar {
        width: 30%;
        padding-left: 10px;
    }
    .bar svg {
        display: block;
    }
    .num {
        width: 56px;
        text-align: right;
    }
    .num a {
        display: inline-block;
        min-width: 24px;
        min-height: 20px;
    }
</style>
