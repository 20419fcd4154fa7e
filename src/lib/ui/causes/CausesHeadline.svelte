<script lang="ts">
    /** What may be indexed, how many causes stop or confuse the rest, and what the first edits mend. */
    import type { CausesView } from '../../core/views/causes.ts';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to, isEnded }: { view: CausesView; to: ViewLinks; isEnded: boolean } = $props();
    const { counts, total, first } = $derived(view);
    const causes = $derived(total.fault + total.risk);
</script>

<div class="pane border-b border-(--edge)">
    <h1 class="headline">
        {#if counts.known === 0}No URL is known yet.
        {:else}
            <a class="set" href={to.set('indexable')}>{count(counts.indexable)}</a> of {counted(
                counts.known,
                'known URL',
            )}
            may be indexed.
            {#if causes === 0}Nothing was found that stops or confuses the rest.
            {:else if first}
                {counted(causes, 'cause')} stop or confuse the rest; {first.edits === 1
                    ? 'the first edit mends'
                    : `the first ${first.edits} edits mend`}
                {count(first.mended)} of {counted(first.of, 'faulty URL')}.
            {:else}{counted(causes, 'cause')} may cost something; none is a fault.{/if}
        {/if}
    </h1>
    <p class="note">
        A cause is the one edit that takes away all that follows from it. Faults first, then risks and remarks; of
        equals what touches more standing{view.hasVisits ? ', then more visits' : ''}.
        {#if !isEnded}The survey still runs: what it has not read yet may change all of this.{/if}
        {#if view.off > 0}<a class="set" href="{to.base}/checks">{counted(view.off, 'check')}</a>
            {view.off === 1 ? 'is' : 'are'} switched off.{/if}
    </p>
</div>
