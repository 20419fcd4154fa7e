<script lang="ts">
    import { goto } from '$app/navigation';
    import { page } from '$app/state';
    import { setLine, setQuery, type PageFilter } from '$lib/core/sets/page-filter.ts';
    import type { Evidence } from '$lib/core/evidence/evidence.ts';
    import DepthSounding from '$lib/ui/charts/DepthSounding.svelte';
    import EvidenceMatrix from '$lib/ui/charts/EvidenceMatrix.svelte';
    import GateChannel from '$lib/ui/charts/GateChannel.svelte';
    import Address from '$lib/ui/parts/Address.svelte';
    import PageMark from '$lib/ui/parts/PageMark.svelte';
    import ReadingBar from '$lib/ui/parts/ReadingBar.svelte';
    import { count, counted } from '$lib/ui/parts/format.ts';

    let { data } = $props();
    const base = $derived(`/sites/${data.site.id}/${data.survey.number}`);
    const counts = $derived(data.counts);
    const set = (filter: PageFilter): string => `${base}/pages${setQuery(setLine(filter))}`;
    const withPage = (node: number): string => {
        const params = new URLSearchParams(page.url.searchParams);
        params.set('page', String(node));
        return `?${params}`;
    };
    const running = $derived(!data.survey.isEnded);
    const CUT: Record<string, string> = {
        'max-pages': 'the page limit was reached',
        'max-depth': 'the depth limit was reached',
        stopped: 'it was stopped',
        failed: 'the start page could not be surveyed',
    };
    const REASONS: Record<string, string> = {
        robots: 'closed by robots.txt',
        trap: 'in closed families',
        action: 'look like actions',
        limit: 'beyond a limit',
        stopped: 'left when it was stopped',
        'no-such-host': 'no such host',
        refused: 'connection refused',
        timeout: 'no answer in time',
        tls: 'TLS failed',
        lost: 'connection lost',
        private: 'private address',
        'broken-reply': 'answer not readable',
    };
    const notRead = $derived(Object.entries(counts.byNotRead));
</script>

<svelte:head><title>Brief · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <div class="pane-row brief-top">
        <div class="pane">
            <h1 class="headline">
                {#if counts.pages === 0}
                    No page has been read{running ? ' yet' : ''}.
                {:else}
                    <a class="set" href={set({ read: 'pages' })}>{count(counts.pages)}</a> pages were read; links reach
                    <a class="set" href={set({ read: 'pages', reached: true })}>{count(counts.reached)}</a> of them.
                    {#if counts.orphans === null}
                        The survey is partial, so what links do not reach is not known.
                    {:else if counts.orphans.all === 0}
                        {data.hasSitemap
                            ? 'None is an orphan.'
                            : 'No sitemap could be read, so pages that no link reaches could not be looked for.'}
                    {:else}
                        <a class="set" href={set({ orphan: 'any' })}>{count(counts.orphans.all)}</a>
                        {counts.orphans.all === 1 ? 'is an orphan' : 'are orphans'}, and
                        <a class="set" href={set({ orphan: 'any', known: 'sitemap' })}
                            >{count(counts.orphans.inSitemap)}</a
                        >
                        of those {counts.orphans.inSitemap === 1 ? 'is' : 'are'} in the sitemap.
                    {/if}
                    <a class="set" href={set({ gate: 'indexable' })}>{count(counts.indexable)}</a> may be indexed.
                {/if}
            </h1>
        </div>
        <div class="pane">
            <p class="flex justify-between mb-1">
                <b>Read: {count(counts.read)} of {count(counts.known)}</b><span class="note"
                    >{running
                        ? 'still running'
                        : data.survey.cut.length === 0
                          ? 'complete as far as it may go'
                          : 'partial'}</span
                >
            </p>
            <ReadingBar read={counts.read} of={counts.known} />
            <p class="note mt-1">
                {#if data.survey.cut.length > 0}Partial: {data.survey.cut
                        .map((reason) => CUT[reason] ?? reason)
                        .join(', ')}. {data.survey.trouble}{/if}
                {#if notRead.length > 0}Not read:
                    {#each notRead as [reason, urls], index (reason)}{index > 0 ? ', ' : ''}<a
                            class="set"
                            href={set({ reason })}>{count(urls)}</a
                        >
                        {REASONS[reason] ?? reason}{/each}. What stands behind them is not known.
                {:else if !running}Everything known was asked for.{/if}
            </p>
        </div>
    </div>
    <div class="pane-row brief-mid">
        <section class="pane" aria-label="How deep">
            <h2 class="pane-name mb-1">
                How deep <span class="note"
                    >{counts.meanDepth === null ? '' : `mean ${counts.meanDepth.toFixed(1)} clicks`}</span
                >
            </h2>
            {#if counts.depths.length > 0}
                <DepthSounding
                    bands={counts.depths}
                    unreached={counts.orphans?.all ?? null}
                    hrefOfDepth={(depth) => (depth === 'none' ? set({ orphan: 'any' }) : set({ read: 'pages', depth }))}
                    onChoose={(depth) => void goto(set({ read: 'pages', depth }))}
                />
            {:else}<p class="ink2">Nothing to draw yet.</p>{/if}
            <p class="note mt-1">
                Clicks from the start page. Filled: indexable; open: stopped at a gate. Set aside: {counted(
                    counts.beside.redirects,
                    'redirect',
                )}, {counted(counts.beside.failures, 'failure')}, {counted(counts.beside.otherTypes, 'other file')}, {count(
                    counts.beside.notRead,
                )} not read.
            </p>
        </section>
        <section class="pane wide" aria-label="What may be indexed">
            <h2 class="pane-name mb-1">
                What may be indexed <span class="note">URLs that pass each gate, and what stops there</span>
            </h2>
            <GateChannel byGate={counts.byGate} hrefOfGate={(gate) => set({ gate })} />
            {#if counts.gateUnknown > 0}<p class="note">
                    <a class="set" href={set({ gate: 'unknown' })}>{count(counts.gateUnknown)}</a> URLs were not read: their
                    gates are not known and they are not in the channel.
                </p>{/if}
        </section>
        <section class="pane" aria-label="How we know of them">
            <h2 class="pane-name">How we know of them</h2>
            <EvidenceMatrix
                groups={counts.evidence}
                hrefOf={(group) => set({ evidence: group.evidence as Evidence[] })}
            />
        </section>
    </div>
    <div class="pane-row brief-low">
        <section class="pane" aria-label="Orphans by evidence">
            <h2 class="pane-name">Not reached, by evidence</h2>
            {#if counts.orphans === null}
                <p class="ink2">Not known: in a partial survey a page may be linked from what was not read.</p>
            {:else if counts.orphans.all === 0}
                <p class="ink2">
                    {data.hasSitemap
                        ? 'Every page that was read is reached by links.'
                        : 'Not asked: only links are known here, and by links everything was found. A sitemap would tell what they leave out.'}
                </p>
            {:else}
                <EvidenceMatrix
                    groups={counts.orphanEvidence}
                    hrefOf={(group) => set({ orphan: 'any', evidence: group.evidence as Evidence[] })}
                    hatched
                />
                <p class="mt-1">
                    <a class="set" href={set({ orphan: 'strict' })}>{count(counts.orphans.strict)}</a> strict: no page
                    links to them. <a class="set" href={set({ orphan: 'adrift' })}>{count(counts.orphans.adrift)}</a>
                    adrift: only other orphans do. <b>{count(counts.orphans.indexable)}</b> may be indexed all the same.
                </p>
            {/if}
            <h2 class="pane-name mt-3">Files read</h2>
            {#each data.files as file (file.url)}
                <p class="mt-0.5">
                    <Address url={file.url} origin={data.origin} most={34} />
                    <span class="note">{file.status ?? 'not read'}; {file.note}</span>
                </p>
            {/each}
        </section>
        <section class="pane" aria-label="Orphans">
            <h2 class="pane-name">
                Orphans <span class="note">read, and no path of links leads to them from the start page</span>
            </h2>
            {#if data.orphans.length > 0}
                <table class="ruled">
                    <thead
                        ><tr
                            ><th><span class="visually-hidden">Form</span></th><th
                                >Address on {data.origin.replace(/^https?:\/\//, '')}</th
                            ><th class="spare">Title</th><th>Kind</th><th>Known by</th><th class="num spare"
                                >Incoming pages</th
                            ></tr
                        ></thead
                    >
                    <tbody>
                        {#each data.orphans as orphan (orphan.node)}
                            <tr>
                                <td><PageMark gate={orphan.record.gate as string | null} reached={false} /></td>
                                <td
                                    ><a class="set plain-set" href={withPage(orphan.node)} data-sveltekit-noscroll
                                        ><Address url={String(orphan.record.url)} origin={data.origin} /></a
                                    ></td
                                >
                                <td class="spare">{orphan.record.title}</td>
                                <td class="nw">{orphan.kind}</td>
                                <td class="ink2 nw">{orphan.record.evidence}</td>
                                <td class="num spare">{orphan.record.incoming_pages}</td>
                            </tr>
                        {/each}
                    </tbody>
                </table>
                {#if counts.orphans && counts.orphans.all > data.orphans.length}<p class="mt-1">
                        <a class="set" href={set({ orphan: 'any' })}>All {count(counts.orphans.all)} orphans</a>
                    </p>{/if}
            {:else}
                <p class="ink2">
                    {counts.orphans === null
                        ? 'A complete survey is needed to name them.'
                        : data.hasSitemap
                          ? 'None.'
                          : 'None among the pages that links reach; others could not be looked for.'}
                </p>
            {/if}
        </section>
    </div>
</div>
