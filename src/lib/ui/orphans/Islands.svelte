<script lang="ts">
    /** Groups of orphans that links hold together. */
    import type { OrphansView } from '../../core/views/orphans.ts';
    import { counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';

    let { islands, to }: { islands: OrphansView['islands']; to: ViewLinks } = $props();
</script>

<section class="pane border-b border-(--rule)" aria-label="Islands">
    <h2 class="pane-name">Islands <span class="note">orphans that links hold together</span></h2>
    <ul class="plain-list">
        {#each islands as island, index (island.url)}
            <li>
                <span class="ink3">{index + 1}</span>
                <b>{counted(island.size, 'page')}</b> around <PageLink url={island.url} {to} />
            </li>
        {/each}
    </ul>
</section>
