<script lang="ts">
    /** Errors and closed pages that followed links lead to, dearest first. */
    import type { WeightView } from '../../core/views/weight.ts';
    import Address from '../parts/Address.svelte';
    import { counted } from '../parts/format.ts';
    import SetLink from '../parts/SetLink.svelte';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to }: { view: WeightView; to: ViewLinks } = $props();
</script>

<section class="pane border-t border-(--rule)" aria-label="Where weight is lost">
    <h2 class="pane-name mb-1">
        Where weight is lost <span class="note">in average pages: what its links throw away</span>
    </h2>
    {#if view.lost.length === 0}<p class="ink2">Nowhere: no followed link leads to an error or a closed page.</p>{:else}
        <table class="ruled">
            <thead
                ><tr
                    ><th>leads to</th><th>answer</th><th class="spare">linked by</th><th class="num">pages</th><th
                        class="num">lost</th
                    ></tr
                ></thead
            >
            <tbody>
                {#each view.lost as target (target.url)}
                    <tr>
                        <td
                            ><a class="plain-set text-primary" href={to.page(target.url)} data-sveltekit-noscroll
                                ><Address url={target.url} origin={to.origin} most={40} /></a
                            ></td
                        >
                        <td class="nw"
                            >{target.isClosed ? 'closed by robots' : target.status === 0 ? 'none' : target.status}</td
                        >
                        <td class="spare ink2">{target.template ?? 'links of their own'}</td>
                        <td class="num"><SetLink of={target.from} hrefOf={to.set} /></td>
                        <td class="num"><b>{target.cost.toFixed(2)}</b></td>
                    </tr>
                {/each}
            </tbody>
        </table>
        {#if view.lostTotal > view.lost.length}<p class="note mt-1">
                {counted(view.lostTotal - view.lost.length, 'more target')} that cost less:
                <a class="set" href={to.set('(error or closed by robots) and linked from (all) followed')}
                    >all of them</a
                >.
            </p>{/if}
    {/if}
</section>
