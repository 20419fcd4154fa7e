<script lang="ts">
    /** Links of other sites, with where each lands and where it ends. */
    import type { Landing } from '../../core/areas/links-in.ts';
    import type { LinksInView } from '../../core/views/links-in.ts';
    import { count } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';

    let { view, to }: { view: LinksInView; to: ViewLinks } = $props();
    const LANDS_ON: Record<Landing, string> = {
        page: 'page',
        redirect: 'redirect',
        error: 'error',
        variant: 'losing variant',
        closed: 'closed',
        'not read': 'not read',
        unknown: 'not known',
    };
</script>

<section class="pane" aria-label="Links">
    <table class="ruled">
        <thead>
            <tr><th>page that links</th><th>links to</th><th>lands on</th><th>ends at</th></tr>
        </thead>
        <tbody>
            {#each view.links as link (`${link.source} ${link.url}`)}
                <tr>
                    <td class="ink2 breaks">{link.source}</td>
                    <td class="breaks">
                        {#if link.isKnown}<PageLink url={link.url} {to} />{:else}{link.url}{/if}
                    </td>
                    <td>{LANDS_ON[link.landing]}{link.hops > 1 ? `, ${link.hops} hops` : ''}</td>
                    <td class="breaks">
                        {#if link.ends === ''}<span class="ink3" aria-label="nowhere">·</span>
                        {:else}<PageLink url={link.ends} {to} />{/if}
                    </td>
                </tr>
            {/each}
        </tbody>
    </table>
    {#if view.links.length === view.most}<p class="note">the first {count(view.most)} are shown</p>{/if}
</section>
