<script lang="ts">
    /** How many lists stand beside the links, and what in them was not read yet. */
    import type { EvidenceView } from '../../core/views/evidence.ts';
    import { counted } from '../parts/format.ts';

    interface Props {
        view: EvidenceView;
        /** The revision that a further list makes; null where none can be added. */
        next: number | null;
        /** Reads what is not read yet; null where that cannot be asked for. @returns why it cannot, or nothing */
        onRead: (() => Promise<string>) | null;
    }
    let { view, next, onRead }: Props = $props();
    let refusal = $state('');
    const lists = $derived(view.lists.length);
    const isOne = $derived(view.later === 1);
    const unread = $derived(
        view.later === 0
            ? ''
            : `; ${counted(view.later, 'URL')} in ${isOne ? 'it' : 'them'} ${isOne ? 'has' : 'have'} not been read yet`,
    );
</script>

<div class="pane border-b border-(--edge)">
    <h1 class="headline">
        {#if lists === 0}
            This survey knows only what links, sitemaps and redirects told it.
        {:else}
            {counted(lists, 'list')} from elsewhere {lists === 1 ? 'was' : 'were'} laid beside the links{unread}.
        {/if}
    </h1>
    <p class="ink2">
        What visitors reach, what a search index lists and what others link to shows pages that links miss.
        {#if next !== null}Adding a list makes revision {next}; earlier revisions stay as they were.{/if}
    </p>
    {#if view.later > 0 && onRead}
        <p class="mt-2">
            <button class="tb outlined" onclick={async () => (refusal = await onRead())}
                >Read {isOne ? 'it' : 'them'} now</button
            >
        </p>
        {#if refusal !== ''}<p class="fault-line mt-1" role="alert">{refusal}</p>{/if}
    {/if}
</div>
