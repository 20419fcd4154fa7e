<script lang="ts">
    /** How much of what is known was read, and what the survey cannot claim. */
    import type { CompletenessView } from '../../core/views/completeness.ts';
    import { limitSentence } from '../../core/words/limits.ts';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    interface Props {
        view: CompletenessView;
        /** URLs that are known, and those read. */
        counts: { known: number; read: number };
        to: ViewLinks;
        isEnded: boolean;
    }
    let { view, counts, to, isEnded }: Props = $props();
    const { lost, notAsked } = $derived(view.complete);
    const lostUrls = $derived(lost.reduce((sum, { urls }) => sum + urls, 0));
    const unread = $derived(counts.known - counts.read);
</script>

<div class="pane border-b border-(--edge)">
    <h1 class="headline">
        Of <a class="set" href="{to.base}/pages"><b>{count(counts.known)}</b></a> known URLs
        <b>{count(counts.read)}</b> were read{#if unread > 0}, <a class="set" href={to.set('not read')}
                ><b>{count(unread)}</b></a
            > were not{/if}{#if lost.length > 0}; {counted(lost.length, 'part')} of the site with {counted(
                lostUrls,
                'URL',
            )}
            {lost.length === 1 ? 'is' : 'are'} not touched by links{/if}.
    </h1>
    {#if view.cannotClaim.length > 0}
        <h2 class="pane-name mt-2">What this survey cannot claim</h2>
        <ul class="dotted">
            {#each view.cannotClaim as limit, index (index)}<li>{limitSentence(limit)}</li>{/each}
        </ul>
    {:else}
        <p class="ink2">Nothing limits what it can claim about what it was given.</p>
    {/if}
    {#if notAsked.length > 0 && isEnded}
        <p class="mt-2"><a class="tb outlined" href="{to.base}/evidence">Add a list</a></p>
    {/if}
</div>
