<script lang="ts">
    /** What an edited robots.txt would change, and what of it nobody can know yet. */
    import type { SomeUrls } from '../../core/areas/robots-change.ts';
    import { by } from '../../core/words/numbers.ts';
    import { count } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';
    import type { RobotsEdit } from './robots-edit.svelte.ts';

    let { edit, to }: { edit: RobotsEdit; to: ViewLinks } = $props();
    const { change } = $derived(edit);
    const rows = $derived.by((): { some: SomeUrls | null; say: (urls: number) => string }[] =>
        change === null
            ? []
            : [
                  { some: change.closes, say: (urls) => by(urls, 'known URL closes', 'known URLs close') },
                  { some: change.opens, say: (urls) => by(urls, 'known URL opens', 'known URLs open') },
                  {
                      some: change.dropped,
                      say: (urls) => by(urls, 'page drops from the index', 'pages drop from the index'),
                  },
                  {
                      some: change.listed,
                      say: (urls) => by(urls, 'sitemap entry becomes closed', 'sitemap entries become closed'),
                  },
                  { some: change.lost, say: (urls) => by(urls, 'page loses every path', 'pages lose every path') },
              ],
    );
</script>

{#if edit.isChanged}
    <section class="pane border-b border-(--edge)" aria-label="What this edit would change">
        <h2 class="pane-name">What this edit would change</h2>
        {#if edit.isUnknown}
            <p class="note">
                This survey is too large for the browser: what the edit would change cannot be told here.
            </p>
        {:else if change === null}<p class="note">Being worked out.</p>
        {/if}
        <div aria-live="polite">
            {#each rows as { some, say }, index (index)}
                {#if some === null}<p class="note">Paths are being followed.</p>
                {:else if some.count === 0}
                    <p class="row none"><b class="num">0</b> {say(0)}</p>
                {:else}
                    <details class="row">
                        <summary><b class="num">{count(some.count)}</b> {say(some.count)}</summary>
                        {#each some.first as url (url)}
                            <div class="breaks"><PageLink {url} {to} most={60} /></div>
                        {/each}
                        {#if some.count > some.first.length}
                            <p class="note">and {count(some.count - some.first.length)} more</p>
                        {/if}
                    </details>
                {/if}
            {/each}
            {#if change !== null && change.unread > 0}
                <p class="note mt-1">
                    <b>Not known:</b> what {count(change.unread)} of those that open {by(
                        change.unread,
                        'holds',
                        'hold',
                    )}, and where {by(change.unread, 'it leads', 'they lead')}. {by(
                        change.unread,
                        'It was',
                        'They were',
                    )} never read.
                </p>
            {/if}
        </div>
    </section>
{/if}

<style>
    .row {
        border-bottom: 1px solid var(--rule);
        padding-block: 0.2rem;
    }
    summary {
        cursor: pointer;
    }
    .none {
        padding-left: 1rem;
        color: var(--ink3);
    }
    .row b {
        display: inline-block;
        min-width: 4ch;
        text-align: right;
        margin-right: 0.4rem;
    }
</style>
