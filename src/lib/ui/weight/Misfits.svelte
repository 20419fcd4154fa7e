<script lang="ts">
    /** Pages whose standing is out of line with their priority, and who could feed those that starve. */
    import type { WeightView } from '../../core/views/weight.ts';
    import Address from '../parts/Address.svelte';
    import { count } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to }: { view: WeightView; to: ViewLinks } = $props();
</script>

<section class="pane border-t border-(--rule)" aria-label="Misfits">
    <h2 class="pane-name mb-1">
        Misfits <span class="note"
            >{view.misfits
                ? 'priority, address, standing; furthest out first'
                : 'standing out of line with priority'}</span
        >
    </h2>
    {#if view.misfits === null}
        <p class="ink2">Not asked: nothing says yet what matters. Give priorities below, or on a page’s sheet.</p>
    {:else if view.misfits.starvedTotal + view.misfits.overfedTotal === 0}
        <p class="ink2">None: what matters more stands higher.</p>
    {:else}
        {#each [{ name: 'Starved', items: view.misfits.starved, total: view.misfits.starvedTotal, set: 'starved' }, { name: 'Overfed', items: view.misfits.overfed, total: view.misfits.overfedTotal, set: 'overfed' }] as side (side.name)}
            {#if side.items.length > 0}
                <table class="ruled misfits">
                    <caption class="text-left note"
                        >{side.name},
                        <a class="set" href={to.set(side.set)}>{count(side.total)}</a></caption
                    >
                    <tbody>
                        {#each side.items.slice(0, 6) as item (item.url)}
                            <tr>
                                <td>{item.priority || '–'}</td>
                                <td class="w-full">
                                    <a class="plain-set text-primary" href={to.page(item.url)} data-sveltekit-noscroll
                                        ><Address url={item.url} origin={to.origin} most={38} /></a
                                    >
                                    {#if item.from.length > 0}<div class="note">
                                            could be fed by {#each item.from as giver, index (giver.url)}{index > 0
                                                    ? ', '
                                                    : ''}<a
                                                    class="plain-set"
                                                    href={to.page(giver.url)}
                                                    data-sveltekit-noscroll
                                                    ><Address url={giver.url} origin={to.origin} most={26} /></a
                                                >{/each}
                                        </div>{/if}
                                </td>
                                <td class="num">{item.standing.toFixed(2)}</td>
                            </tr>
                        {/each}
                    </tbody>
                </table>
            {/if}
        {/each}
    {/if}
</section>

<style>
    .misfits td {
        vertical-align: top;
    }
</style>
