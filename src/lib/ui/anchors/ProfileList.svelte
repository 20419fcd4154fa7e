<script lang="ts">
    /** Pages by the links that call them: one strip a page, scaled to its own links. */
    import { PROFILE_ORDERS, type AnchorsView, type ProfileOrder } from '../../core/views/anchors.ts';
    import { count, percent } from '../parts/format.ts';
    import Address from '../parts/Address.svelte';
    import FitMark from './FitMark.svelte';
    import FitStrip from './FitStrip.svelte';
    import { FIT_NAMES } from './fit-words.ts';

    interface Props {
        view: AnchorsView;
        origin: string;
        hrefOf: (url: string) => string;
        hrefOrder: (order: ProfileOrder) => string;
        hrefFrom: (from: number) => string;
    }
    let { view, origin, hrefOf, hrefOrder, hrefFrom }: Props = $props();
    const ORDER_NAMES: Record<ProfileOrder, string> = {
        trouble: 'what does not fit',
        standing: 'standing',
        links: 'links',
    };
    const LEGEND = ['fits', 'loose', 'off', 'nothing'] as const;
    const end = $derived(Math.min(view.total, view.from + view.most));
</script>

<section class="pane" aria-label="Profiles">
    <h2 class="pane-name">
        Profiles <span class="note">links in texts, by page; in the order of</span>
        {#each PROFILE_ORDERS as order, index (order)}
            {#if index > 0}<span class="note mx-1">·</span>{/if}
            {#if order === view.order}<b class="note">{ORDER_NAMES[order]}</b>{:else}<a
                    class="set plain-set note"
                    href={hrefOrder(order)}>{ORDER_NAMES[order]}</a
                >{/if}
        {/each}
    </h2>
    <table class="ruled">
        <thead>
            <tr><th>page</th><th class="num">links</th><th>its anchors</th><th class="num">fits</th></tr>
        </thead>
        <tbody>
            {#each view.rows as row (row.url)}
                {@const isChosen = row.url === view.chosen?.url}
                <tr class:chosen={isChosen}>
                    <td
                        ><a
                            class="plain-set"
                            href={hrefOf(row.url)}
                            data-sveltekit-noscroll
                            aria-current={isChosen ? 'true' : undefined}
                            title={row.title}><Address url={row.url} {origin} most={36} /></a
                        ></td
                    >
                    <td class="num">{count(row.links)}</td>
                    <td><FitStrip segments={row.segments} /></td>
                    <td class="num">{row.fits === null ? '·' : percent(row.fits)}</td>
                </tr>
            {/each}
        </tbody>
    </table>
    <p class="note legend">
        {#each LEGEND as fit (fit)}<span><FitMark {fit} /> {FIT_NAMES[fit]}</span>{/each}
    </p>
    {#if view.total > view.most}
        <p class="note flex gap-3">
            {count(view.from + 1)} to {count(end)} of {count(view.total)}
            {#if view.from > 0}<a class="set" href={hrefFrom(Math.max(0, view.from - view.most))}>before</a>{/if}
            {#if end < view.total}<a class="set" href={hrefFrom(end)}>next</a>{/if}
        </p>
    {/if}
</section>

<style>
    .legend {
        display: flex;
        flex-wrap: wrap;
        gap: 4px 14px;
        margin-top: 8px;
    }
    .chosen {
        background: var(--wash);
    }
</style>
