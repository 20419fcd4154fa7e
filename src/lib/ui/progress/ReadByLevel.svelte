<script lang="ts">
    /** How much of each level is read: one bar a level, deep ones together, on one scale. */
    import type { ProgressView } from '../../core/views/progress.ts';
    import { count } from '../parts/format.ts';

    let { view }: { view: ProgressView } = $props();
    const share = (urls: number): string => `${(urls / view.widest) * 99}%`;
</script>

<table class="ruled levels mt-2">
    <thead>
        <tr>
            <th class="num">depth</th>
            <th><span class="visually-hidden">Share</span></th>
            <th class="num">read of found</th>
        </tr>
    </thead>
    <tbody>
        {#each view.progress.levels as { from, to, read, seen } (from)}
            <tr>
                <td class="num whitespace-nowrap">{from === to ? from : `${count(from)}–${count(to)}`}</td>
                <td class="w-full">
                    <svg width="100%" height="16" aria-hidden="true" stroke="var(--ink2)" stroke-width="0.7">
                        <rect x="0.5" y="0.5" width={share(seen)} height="15" fill="url(#hatch-faint)" />
                        <rect x="0.5" y="0.5" width={share(read)} height="15" fill="var(--d{Math.min(9, from)})" />
                    </svg>
                </td>
                <td class="num">{count(read)} of {count(seen)}</td>
            </tr>
        {/each}
    </tbody>
</table>

<style>
    .levels td {
        vertical-align: middle;
    }
</style>
