<script lang="ts">
    /** Which languages are named, and whether the pages named believe each other. */
    import type { LanguagesView } from '../../core/views/languages.ts';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to }: { view: LanguagesView; to: ViewLinks } = $props();
</script>

<div class="pane border-b border-(--edge)">
    <h1 class="headline">
        {#if view.groupsInAll === 0}No page names another one as itself in another language.
        {:else}
            {counted(view.pages, 'page')} in {counted(view.groupsInAll, 'group')} of languages;
            {view.broken === 0
                ? 'all members name each other, and none stops.'
                : `${count(view.broken)} ${view.broken === 1 ? 'has' : 'have'} holes or members that stop.`}
        {/if}
    </h1>
    <p class="note">
        {#each view.languages.slice(0, 12) as { code, pages, stopped }, index (code)}{index === 0 ? '' : ' · '}<b
                >{code}</b
            >
            {counted(pages, 'page')}{stopped > 0
                ? `, ${count(stopped)} of them stopped`
                : ''}{/each}{#if view.languages.length > 12}
            and {counted(view.languages.length - 12, 'more language')}{/if}{#if view.languages.length > 0}.
        {/if}<a class="set" href={to.set('has finding "hreflang-no-return"')}>Not named back</a>,
        <a class="set" href={to.set('has finding "hreflang-to-stopped"')}>naming what stops</a>,
        <a class="set" href={to.set('has finding "hreflang-code"')}>naming no language</a>.
    </p>
</div>
