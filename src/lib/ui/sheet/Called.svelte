<script lang="ts">
    /** What the page is called by the links that lead to it, the commonest first. */
    import type { PageLinks } from '../../core/areas/page-links.ts';
    import { count, counted } from '../parts/format.ts';

    let { called }: { called: PageLinks['called'] } = $props();
    const MOST = 8;
    const WIDTH = 59;
    const most = $derived(called[0]?.links ?? 1);
</script>

<h3 class="pane-name">Called <span class="note">{counted(called.length, 'name')}</span></h3>
<ul>
    {#each called.slice(0, MOST) as { anchor, isName, links } (`${isName} ${anchor}`)}
        <li class="called">
            <span class="aside cut" title={anchor}
                >{anchor === '' ? 'no words' : `“${anchor}”`}{isName ? ' (name)' : ''}</span
            >
            <svg width={WIDTH + 1} height="8" aria-hidden="true">
                <rect
                    x="0.5"
                    y="0.5"
                    width={Math.max(1, (links / most) * WIDTH)}
                    height="7"
                    fill={anchor === '' ? 'none' : 'var(--color-primary)'}
                    stroke="var(--color-primary)"
                />
            </svg>
            <span class="n text-right">{count(links)}</span>
        </li>
    {/each}
</ul>
{#if called.length > MOST}<p class="note">{counted(called.length - MOST, 'rarer name')} not listed.</p>{/if}

<style>
    .called {
        display: grid;
        grid-template-columns: minmax(0, 1fr) 60px 44px;
        gap: 8px;
        align-items: center;
        min-height: 20px;
    }
</style>
