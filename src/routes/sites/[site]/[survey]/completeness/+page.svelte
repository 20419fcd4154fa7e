<script lang="ts">
    import { page } from '$app/state';
    import EvidenceMatrix from '$lib/ui/charts/EvidenceMatrix.svelte';
    import PartTable from '$lib/ui/evidence/PartTable.svelte';
    import { IMPORT_WORDS } from '$lib/core/evidence/imports.ts';
    import { limitSentence, reasonWords } from '$lib/core/words/limits.ts';
    import { setLine, setQuery, type PageFilter } from '$lib/core/sets/page-filter.ts';
    import { count, counted } from '$lib/ui/parts/format.ts';

    /** Combinations shown at first. */
    const FIRST = 14;
    /** Families named here; the survey's own page has the others. */
    const MOST_FAMILIES = 12;
    let { data } = $props();
    const showsAll = $derived(page.url.searchParams.has('all'));
    const base = $derived(`/sites/${data.site.id}/${data.survey.path}`);
    const of = (filter: PageFilter): string => `${base}/pages${setQuery(setLine(filter))}`;
    const lostPages = $derived(data.complete.lost.reduce((sum, item) => sum + item.urls, 0));
    const unread = $derived(data.counts.known - data.counts.read);
</script>

<svelte:head><title>Completeness · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <div class="pane border-b border-(--edge)">
        <h1 class="headline">
            Of <a class="set" href="{base}/pages"><b>{count(data.counts.known)}</b></a> known URLs
            <b>{count(data.counts.read)}</b> were read{#if unread > 0}, <a class="set" href={of({ read: 'unread' })}
                    ><b>{count(unread)}</b></a
                > were not{/if}{#if data.complete.lost.length > 0}; {counted(data.complete.lost.length, 'part')} of the site
                with {counted(lostPages, 'URL')}
                {data.complete.lost.length === 1 ? 'is' : 'are'} not touched by links{/if}.
        </h1>
        {#if data.cannotClaim.length > 0}
            <h2 class="pane-name mt-2">What this survey cannot claim</h2>
            <ul class="dotted">
                {#each data.cannotClaim as limit, index (index)}<li>{limitSentence(limit)}</li>{/each}
            </ul>
        {:else}
            <p class="ink2">Nothing limits what it can claim about what it was given.</p>
        {/if}
        {#if data.complete.notAsked.length > 0 && data.survey.isEnded}
            <p class="mt-2"><a class="tb outlined" href="{base}/evidence">Add a list</a></p>
        {/if}
    </div>
    <div class="pane-row two">
        <section class="pane" aria-label="Evidence">
            <h2 class="pane-name">
                How URLs are known <span class="note">every combination, largest first; a row is a set</span>
            </h2>
            <EvidenceMatrix
                groups={data.complete.matrix.map((item) => ({ ...item, orphans: 0 }))}
                hrefOf={(group) => of({ evidence: group.evidence })}
                most={showsAll ? data.complete.matrix.length : FIRST}
            />
            {#if data.complete.matrix.length > FIRST}<p class="mt-1">
                    <a class="set" href={showsAll ? '?' : '?all'} data-sveltekit-noscroll
                        >{showsAll
                            ? 'Show the largest only'
                            : `Show all ${data.complete.matrix.length} combinations`}</a
                    >
                </p>{/if}
            {#each data.bare as item (item.name + item.day)}
                <p class="note">
                    {item.name}: {count(item.count)} ({IMPORT_WORDS[item.kind].name.toLowerCase()}), {item.day}; a count
                    without a list.
                </p>
            {/each}
        </section>
        <div>
            <section class="pane" aria-label="Lost sections">
                <h2 class="pane-name">
                    Not touched by links <span class="note"
                        >folders known from other evidence, without a page that links reach</span
                    >
                </h2>
                {#if data.complete.lost.length === 0}
                    <p class="ink2">None: in every folder with two pages or more, links reach at least one.</p>
                {:else}
                    <table class="ruled">
                        <thead
                            ><tr><th>folder</th><th class="num">URLs</th><th class="num">read</th><th>known by</th></tr
                            ></thead
                        >
                        <tbody>
                            {#each data.complete.lost as item (item.origin + item.folder)}
                                <tr class="lost">
                                    <td
                                        >{#if item.origin !== data.origin}<span class="ink3">{item.origin}</span
                                            >{/if}{item.folder}</td
                                    >
                                    <td class="num"
                                        ><a
                                            class="plain-set text-primary"
                                            href={of({ folder: item.origin + item.folder })}>{count(item.urls)}</a
                                        ></td
                                    >
                                    <td class="num">{count(item.pages)}</td>
                                    <td class="ink2">{item.evidence.join(', ') || 'links among themselves'}</td>
                                </tr>
                            {/each}
                        </tbody>
                    </table>
                {/if}
            </section>
            <section class="pane border-t border-(--rule)" aria-label="Not read">
                <h2 class="pane-name">Not read, by reason</h2>
                {#if data.complete.notRead.length === 0}
                    <p class="ink2">Every known URL was read.</p>
                {:else}
                    <table class="ruled">
                        <tbody>
                            {#each data.complete.notRead as item (item.reason)}
                                <tr>
                                    <td>{reasonWords(item.reason)}</td>
                                    <td class="num"
                                        >{#if item.reason === 'waiting'}{count(item.urls)}{:else}<a
                                                class="plain-set text-primary"
                                                href={of({ reason: item.reason })}>{count(item.urls)}</a
                                            >{/if}</td
                                    >
                                </tr>
                            {/each}
                        </tbody>
                    </table>
                {/if}
                {#if data.families.length > 0}
                    <p class="mt-2">
                        {counted(data.families.length, 'family', 'families')} of URLs closed as {data.families
                            .length === 1
                            ? 'a trap'
                            : 'traps'}:
                        {#each data.families.slice(0, MOST_FAMILIES) as family, index (family.pattern)}{index > 0
                                ? ', '
                                : ''}<span class="mono">{family.pattern}</span>
                            <span class="note">{count(family.read)} read of {count(family.seen)} seen</span
                            >{/each}{#if data.families.length > MOST_FAMILIES}, and {count(
                                data.families.length - MOST_FAMILIES,
                            )} more{/if}.
                        <a class="set" href="{base}/progress">Open one by hand</a>
                    </p>
                {/if}
            </section>
        </div>
    </div>
    <div class="pane-row two">
        <section class="pane" aria-label="Sections">
            <h2 class="pane-name">By section</h2>
            <PartTable
                what="section"
                parts={data.complete.sections}
                hrefOf={(part, more) => of({ section: part.name, ...more })}
            />
            {#if data.complete.moreSections > 0}<p class="note">
                    and {counted(data.complete.moreSections, 'smaller section')}
                </p>{/if}
        </section>
        <div>
            <section class="pane" aria-label="Hosts">
                <h2 class="pane-name">By scheme and host</h2>
                <PartTable
                    what="scheme and host"
                    parts={data.complete.origins}
                    hrefOf={(part, more) => of({ origin: part.name, ...more })}
                />
            </section>
            {#if data.complete.folders.length > 0}
                <section class="pane border-t border-(--rule)" aria-label="Folders">
                    <h2 class="pane-name">
                        By folder <span class="note">one level below the sections, largest first</span>
                    </h2>
                    <PartTable
                        what="folder"
                        parts={data.complete.folders}
                        hrefOf={(part, more) => of({ path: part.name, ...more })}
                    />
                </section>
            {/if}
        </div>
    </div>
</div>

<style>
    .two {
        grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    }
    @media (max-width: 900px) {
        .two {
            grid-template-columns: minmax(0, 1fr);
        }
    }
    .lost td:first-child {
        font-weight: 600;
    }
</style>
