<script lang="ts">
    /** Robot by robot: how much it asks for, and how much of that may be indexed. */
    import type { SpentTold } from '../../core/views/spent.ts';
    import { count, counted, percent } from '../parts/format.ts';

    let { spent }: { spent: SpentTold } = $props();
    const part = (own: number, of: number): string => (own === 0 ? '·' : percent(own / of, own / of < 0.1 ? 1 : 0));
</script>

<section class="pane" aria-label="Robot by robot">
    <h2 class="pane-name">Robot by robot</h2>
    <table class="ruled">
        <thead>
            <tr>
                <th>as it calls itself</th>
                <th class="num">requests</th>
                <th class="num">on indexable</th>
                <th class="num">redirects</th>
                <th class="num">errors</th>
                <th class="num">pages of {count(spent.indexable)}</th>
            </tr>
        </thead>
        <tbody>
            {#each spent.robots as { name, requests, indexable, redirect, error, pages } (name)}
                <tr>
                    <td class="breaks">{name}</td>
                    <td class="num">{count(requests)}</td>
                    <td class="num">{part(indexable, requests)}</td>
                    <td class="num">{part(redirect, requests)}</td>
                    <td class="num">{part(error, requests)}</td>
                    <td class="num">{count(pages)}</td>
                </tr>
            {/each}
        </tbody>
    </table>
    {#if spent.moreRobots > 0}<p class="note mt-1">{counted(spent.moreRobots, 'more robot')} asked for less.</p>{/if}
</section>
