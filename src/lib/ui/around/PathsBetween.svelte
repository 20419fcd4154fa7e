<script lang="ts">
    /** The shortest path from the page in the middle to another, how many there are, and what is left without a page. */
    import { WAY_END } from '../../core/areas/way-ends.ts';
    import type { PathsTold } from '../../core/views/around.ts';
    import type { WalkPage } from '../../core/views/journey.ts';
    import { counted, cutMiddle } from '../parts/format.ts';
    import { typedUrl } from '../view/address.ts';
    import type { ViewLinks } from '../view/links.ts';
    import type { AroundLinks } from './around-links.ts';

    interface Props {
        from: WalkPage;
        /** Null where no other page is named. */
        paths: PathsTold | null;
        sections: readonly string[];
        links: AroundLinks;
        to: ViewLinks;
        onGo: (href: string) => void;
    }
    let { from, paths, links, to, onGo }: Props = $props();
    let wanted = $state('');
    function go(event: SubmitEvent): void {
        event.preventDefault();
        const url = typedUrl(wanted, to.origin);
        if (url !== null) onGo(links.to(url, null));
    }
    const short = (url: string): string => cutMiddle(url.startsWith(to.origin) ? url.slice(to.origin.length) : url, 36);
    const many = (value: number): string =>
        value > Number.MAX_SAFE_INTEGER ? 'very many' : value.toLocaleString('en');
</script>

<section class="pane border-t border-(--edge)" aria-label="A path between two pages">
    <form onsubmit={go}>
        <h2 class="pane-name">
            A path between two pages
            <label class="note"
                >from here to <input
                    class="field"
                    bind:value={wanted}
                    placeholder={paths ? short(paths.to) : '/a/path/, then Enter'}
                /></label
            >
        </h2>
    </form>
    {#if paths === null}
        <p class="ink2">
            Name the page it is to lead to: the shortest path, how many there are, and what is left without a page on
            it.
        </p>
    {:else if paths.path === null}
        <p>No way leads from {short(from.url)} to {short(paths.to)}.</p>
    {:else}
        <p>
            <b>{many(paths.paths)}</b> shortest {paths.paths === 1 ? 'path' : 'paths'} of
            <b>{counted(paths.clicks, 'click')}</b>
            to
            <a class="link" href={to.page(paths.to)} data-sveltekit-noscroll>{short(paths.to)}</a>{#if paths.without};
                without
                {short(paths.without.url)}
                {#if paths.without.clicks === null}<b>none</b>{:else}<b>{many(paths.without.paths)}</b> of
                    <b>{counted(paths.without.clicks, 'click')}</b>{/if}
                (<a class="link" href={links.to(paths.to, null)} data-sveltekit-noscroll>with it again</a>){/if}.
        </p>
        <ol class="path">
            {#each paths.path.steps as step, at (at)}
                {#if paths.path.leftOut > 0 && at === WAY_END}
                    <li class="note">→ {counted(paths.path.leftOut, 'more step')} →</li>
                {/if}
                <li>
                    {#if at > 0}<span class="by">
                            {#if step.by === 'link'}<em>“{step.anchor || 'without words'}”</em>
                                <span class="note">{step.region}</span>{:else}<span class="note">by {step.by}</span
                                >{/if} →
                        </span>{/if}
                    <a class="link" href={links.around(step.url)} title={step.title} data-sveltekit-noscroll
                        >{short(step.url)}</a
                    >
                </li>
            {/each}
        </ol>
        {#if paths.through.length > 0}
            <p>
                Leave one out:
                {#each paths.through as { url, paths: own }, at (url)}{at > 0 ? ', ' : ''}<a
                        class="link"
                        href={links.to(paths.to, url)}
                        data-sveltekit-noscroll>{short(url)}</a
                    >
                    <span class="note">{own === paths.paths ? 'on all' : `on ${many(own)}`}</span>{/each}
            </p>
        {/if}
    {/if}
</section>

<style>
    input.field {
        width: 220px;
    }
    .path {
        display: flex;
        flex-wrap: wrap;
        gap: 2px 8px;
        padding: 4px 0;
    }
    .by em {
        font: italic 0.9375rem/1.25rem var(--font-serif);
    }
</style>
