<script lang="ts">
    /** What sitemaps list, in a sentence: how much of it may not be indexed, and what they leave out. */
    import type { SitemapsView } from '../../core/views/sitemaps.ts';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to, door }: { view: SitemapsView; to: ViewLinks; door: string } = $props();
</script>

<div class="pane border-b border-(--edge)">
    <h1 class="headline">
        {#if view.files.length === 0}
            No sitemap was named or found.
        {:else if view.listed === 0}
            {counted(view.files.length + view.moreFiles, 'sitemap')}
            {view.files.length === 1 ? 'was' : 'were'} asked for, and none lists a page of this site.
        {:else}
            Sitemaps list <a class="set" href={to.set('in sitemap')}><b>{counted(view.listed, 'URL')}</b></a> of this
            site;
            <a class="set" href={to.set('in sitemap and stopped')}><b>{count(view.listedNotIndexable)}</b></a>
            of them may not be indexed, and
            <a class="set" href={to.set('indexable and not in sitemap')}
                ><b>{counted(view.indexableNotListed, 'indexable page')}</b></a
            >
            {view.indexableNotListed === 1 ? 'stands' : 'stand'} in none.
        {/if}
    </h1>
    <p class="ink2">
        The door check tells what is odd about each file, test by test.
        <a class="set" href={door}>Knock at the door</a>
    </p>
</div>
