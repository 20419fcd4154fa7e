<script lang="ts">
    /** One wording, and the pages it leads to: as thick as its links; dashed where the words do not fit that page. */
    import type { SameWords } from '../../core/views/same-words.ts';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';
    import { FIT_NAMES } from './fit-words.ts';

    let { wording, to }: { wording: SameWords; to: ViewLinks } = $props();
    const ROW = 20;
    const WIDTH = 84;
    const height = $derived(wording.targets.length * ROW);
    const most = $derived(Math.max(...wording.targets.map(({ links }) => links)));
    const middle = $derived(height / 2);
    const way = (index: number): string => {
        const y = index * ROW + ROW / 2;
        return `M2 ${middle} C ${WIDTH / 2} ${middle}, ${WIDTH / 2} ${y}, ${WIDTH - 4} ${y}`;
    };
</script>

<li class="wording">
    <span class="aside says">“{wording.text}”</span>
    <b class="num text-primary">{count(wording.links)}</b>
    <svg width={WIDTH} {height} aria-hidden="true">
        <line x1="1" x2="1" y1={middle - 8} y2={middle + 8} stroke="var(--color-base-content)" stroke-width="3" />
        {#each wording.targets as { links, fit, url }, index (url)}
            {@const isOff = fit === 'off'}
            <path
                d={way(index)}
                fill="none"
                stroke={isOff ? 'var(--color-base-content)' : 'var(--color-primary)'}
                stroke-opacity={isOff ? 1 : 0.65}
                stroke-width={isOff ? 1.4 : Math.max(1.5, (links / most) * 12)}
                stroke-dasharray={isOff ? '4 3' : undefined}
            />
            <rect x={WIDTH - 4} y={index * ROW + 5} width="3" height="10" fill="var(--color-base-content)" />
        {/each}
    </svg>
    <ul>
        {#each wording.targets as { url, links, fit } (url)}
            <li class="to">
                <b class="num">{count(links)}</b>
                <PageLink {url} {to} most={46} />
                {#if fit === 'off'}<span class="note nw">{FIT_NAMES[fit]}</span>{/if}
            </li>
        {/each}
        {#if wording.moreTargets > 0}<li class="note">{counted(wording.moreTargets, 'more page')}</li>{/if}
    </ul>
</li>

<style>
    .wording {
        display: grid;
        grid-template-columns: minmax(80px, 200px) 40px 84px minmax(0, 1fr);
        gap: 8px;
        align-items: center;
        padding-block: 8px;
        border-bottom: 1px solid var(--rule);
    }
    .says {
        overflow-wrap: anywhere;
    }
    .to {
        display: flex;
        gap: 8px;
        height: 20px;
        align-items: center;
        min-width: 0;
        overflow: hidden;
    }
    .to b {
        min-width: 26px;
    }
    @media (max-width: 40rem) {
        .wording {
            grid-template-columns: minmax(0, 1fr) 40px;
        }
        .wording svg {
            display: none;
        }
        .wording ul {
            grid-column: 1 / -1;
        }
    }
</style>
