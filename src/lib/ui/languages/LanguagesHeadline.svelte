<script lang="ts">
    /** Which languages are named, and whether the pages named believe each other. */
    import type { LanguagesView } from '../../core/views/languages.ts';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to }: { view: LanguagesView; to: ViewLinks } = $props();
    const MOST_NAMED = 12;
    const SETS = [
        { what: 'that are not named back', check: 'hreflang-no-return' },
        { what: 'that name what stops', check: 'hreflang-to-stopped' },
        { what: 'that name no language', check: 'hreflang-code' },
    ];
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
    {#if view.groupsInAll > 0}
        <p class="note">
            {#each view.languages.slice(0, MOST_NAMED) as { code, pages, stopped }, index (code)}{index === 0
                    ? ''
                    : ' · '}<b>{code}</b>
                {counted(pages, 'page')}{stopped > 0 ? `, ${count(stopped)} of them stopped` : ''}{/each}
            {#if view.languages.length > MOST_NAMED}and {counted(
                    view.languages.length - MOST_NAMED,
                    'more language',
                )}{/if}
        </p>
        <p class="note">
            Pages
            {#each SETS as { what, check }, index (check)}{index === 0 ? '' : ', '}<a
                    class="set"
                    href={to.set(`has finding "${check}"`)}>{what}</a
                >{/each}.
        </p>
    {/if}
</div>
