<script lang="ts">
    /** The links that lead to the page, and those that stand on it. */
    import { quoted } from '../../core/sets/tokens.ts';
    import { counted } from '../parts/format.ts';
    import { keptSource, type OpenSheet, type SheetLinks as Links } from './open-sheet.ts';
    import SheetLinks from './SheetLinks.svelte';

    let { open, to }: { open: OpenSheet; to: Links } = $props();
    const { sheet } = $derived(open);
    const { record } = $derived(sheet);
    /** The set of this page alone. */
    const own = $derived(`url is ${quoted(sheet.url, true)}`);
    const isRead = $derived(record.outgoing_links !== null);
</script>

<section>
    <h3 class="pane-name">
        Linked from
        <span class="note"
            >{counted(Number(record.incoming_links), 'link')} on {counted(Number(record.incoming_pages), 'page')}</span
        >
    </h3>
    {#if sheet.incoming.length === 0}<p>No other page that was read links here.</p>
    {:else}
        <SheetLinks
            links={sheet.incoming}
            total={sheet.incomingTotal}
            origin={to.origin}
            hrefOf={to.page}
            lineHref={({ url, line }) => keptSource(open, to, url, line)}
            allHref={to.links(own, 'to')}
        />
    {/if}
</section>
<section>
    <h3 class="pane-name">
        Links to <span class="note">{isRead ? counted(Number(record.outgoing_links), 'link') : 'not read'}</span>
    </h3>
    {#if sheet.outgoing.length === 0}
        <p>{isRead ? 'No links.' : 'The page was not read, so its links are not known.'}</p>
    {:else}
        <SheetLinks
            links={sheet.outgoing}
            total={sheet.outgoingTotal}
            origin={to.origin}
            hrefOf={to.page}
            lineHref={({ line }) => keptSource(open, to, sheet.url, line)}
            allHref={to.links(own, 'from')}
        />
    {/if}
</section>
