<script lang="ts">
    /** Where the site says two things of one page that cannot both be meant: both quoted, with their sources. */
    import type { Contradiction, ContradictionKind } from '../../core/views/contradictions.ts';
    import { by } from '../../core/words/numbers.ts';
    import { count } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';

    let { found, to }: { found: readonly Contradiction[]; to: ViewLinks } = $props();
    const SAY: Record<ContradictionKind, (pages: number) => string> = {
        'listed-closed': (pages) => by(pages, 'page is listed, and closed', 'pages are listed, and closed'),
        'listed-noindexed': (pages) => by(pages, 'page is listed, and noindexed', 'pages are listed, and noindexed'),
        'listed-elsewhere': (pages) =>
            by(pages, 'page is listed, and names another page', 'pages are listed, and name another page'),
        'closed-noindexed': (pages) =>
            by(
                pages,
                'page is noindexed, and closed, so that nobody reads it',
                'pages are noindexed, and closed, so that nobody reads it',
            ),
        'noindexed-elsewhere': (pages) =>
            by(pages, 'page is noindexed, and names another page', 'pages are noindexed, and name another page'),
        'alternate-stopped': (pages) =>
            by(pages, 'page names an alternate that stops', 'pages name an alternate that stops'),
        'closed-wanted': (pages) =>
            by(pages, 'page has a priority, and is closed', 'pages have a priority, and are closed'),
    };
    const short = (source: string): string =>
        source.startsWith(`${to.origin}/`) ? source.slice(to.origin.length) : source;
</script>

<section class="pane" aria-label="Contradictions">
    <h2 class="pane-name">Contradictions</h2>
    {#if found.length === 0}<p class="note">None that this survey knows of.</p>{/if}
    {#each found as { kind, pages, set, url, says } (kind)}
        <div class="pair">
            <p><a class="set" href={to.set(set)}>{count(pages)}</a> {SAY[kind](pages)}</p>
            <div class="quotes">
                <svg width="14" height="100%" aria-hidden="true" preserveAspectRatio="none" viewBox="0 0 14 100">
                    <path
                        d="M13 12H4V40M4 60V88H13M0 52H8M0 48H8M6 44L2 56"
                        fill="none"
                        stroke="currentColor"
                        vector-effect="non-scaling-stroke"
                    />
                </svg>
                <div class="min-w-0">
                    {#each says as { source, line, text }, index (index)}
                        <p class="note">{short(source)}{line === null ? '' : `, line ${count(line)}`}</p>
                        <p class="mono breaks">{text}</p>
                    {/each}
                    {#if pages > 1}<p class="note">of <PageLink {url} {to} most={50} />, the first of them</p>{/if}
                </div>
            </div>
        </div>
    {/each}
</section>

<style>
    .pair {
        padding-block: 0.5rem;
        border-bottom: 1px solid var(--rule);
    }
    .quotes {
        display: grid;
        grid-template-columns: 14px minmax(0, 1fr);
        column-gap: 0.6rem;
    }
</style>
