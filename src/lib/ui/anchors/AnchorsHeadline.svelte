<script lang="ts">
    /** How many links say nothing, how many wordings call several pages, how many links fit. */
    import type { AnchorsView } from '../../core/views/anchors.ts';
    import { counted, percent } from '../parts/format.ts';
    import type { LinkSays } from '../../core/subjects/link-says.ts';
    import { queryOf } from '../view/address.ts';
    import type { ViewLinks } from '../view/links.ts';

    interface Props {
        view: AnchorsView;
        laidAside: number;
        /** The current set, as its line. */
        set: string;
        to: ViewLinks;
    }
    let { view, laidAside, set, to }: Props = $props();
    const { counts } = $derived(view);
    /** Those links, to the pages of the current set. */
    const links = (says: LinkSays): string =>
        `${to.base}/links${queryOf(new URLSearchParams({ side: 'to', says, ...(set !== '' && { set }) }))}`;
</script>

<div class="pane border-b border-(--edge)">
    <h1 class="headline">
        {#if counts.links === 0}No page is linked from the text of another.
        {:else}
            <a class="set" href={links('nothing')}><b>{counted(counts.nothing, 'link')}</b></a>
            {counts.nothing === 1 ? 'says' : 'say'} nothing;
            <a class="set" href="{to.base}/same-words"><b>{counted(counts.shared, 'wording')}</b></a>
            {counts.shared === 1 ? 'calls' : 'call'} more than one page{#if counts.judged > 0}; of the links in texts <a
                    class="set"
                    href={links('fits')}><b>{percent(counts.fits / counts.judged)}</b></a
                > fit their target{/if}.
        {/if}
    </h1>
    <p class="note">
        <a class="set" href={links('any')}>{counted(counts.links, 'link')}</a> in the text of pages, each occurrence;
        menus and shared blocks stand apart.
        {#if !view.isJudged}Whether they fit is not known: the words of a survey are gathered when it ends.{/if}
        {#if laidAside > 0}<a class="set" href="{to.base}/laid-aside">{counted(laidAside, 'change')} laid aside</a
            >.{/if}
    </p>
</div>
