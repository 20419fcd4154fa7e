<script lang="ts">
    import { goto, invalidate } from '$app/navigation';
    import { page } from '$app/state';
    import { setLine, setQuery, type PageFilter } from '$lib/core/sets/page-filter.ts';
    import type { Evidence } from '$lib/core/evidence/evidence.ts';
    import DepthSounding from '$lib/ui/charts/DepthSounding.svelte';
    import EvidenceMatrix from '$lib/ui/charts/EvidenceMatrix.svelte';
    import GateChannel from '$lib/ui/charts/GateChannel.svelte';
    import Figure from '$lib/ui/charts/Figure.svelte';
    import { GATES } from '$lib/core/gates/gates.ts';
    import SeverityMark from '$lib/ui/parts/SeverityMark.svelte';
    import Address from '$lib/ui/parts/Address.svelte';
    import NoteList from '$lib/ui/parts/NoteList.svelte';
    import ReadingBar from '$lib/ui/parts/ReadingBar.svelte';
    import { count, counted, day, signed } from '$lib/ui/parts/format.ts';

    import { siteApi, tell, type Asked } from '$lib/wire/client.ts';
    import { withSheet } from '$lib/ui/view/address.ts';

    let { data } = $props();

    /** What a note written here is about: the current set, one section where the set is just that, or the whole site. */
    const aboutSet = $derived.by(() => {
        const text = data.set.text.trim();
        if (text === '') return { about: 'set', subject: 'all', words: 'the whole site' };
        const section = /^section is ("?)([^"\s]+)\1$/.exec(text)?.[2];
        return section === undefined
            ? { about: 'set', subject: text, words: 'the current set' }
            : { about: 'section', subject: section, words: `the section ${section}` };
    });
    async function changeNotes(which: string, asked: Asked): Promise<string> {
        const refusal = await tell(`${siteApi(data.site.id)}/notes${which}`, asked);
        if (refusal === '') await invalidate('edgemap:survey');
        return refusal;
    }
    const writeNote = (text: string): Promise<string> =>
        changeNotes('', { method: 'POST', body: { about: aboutSet.about, subject: aboutSet.subject, text } });
    const forgetNote = (id: number): Promise<string> => changeNotes(`?id=${id}`, { method: 'DELETE' });
    const base = $derived(`/sites/${data.site.id}/${data.survey.path}`);
    const counts = $derived(data.counts);
    const atDepth = ({ from, to }: { from: number; to: number }): string =>
        from === to
            ? set({ read: 'pages', depth: from })
            : `${base}/pages${setQuery(`page and depth from ${from} to ${to}`)}`;
    const set = (filter: PageFilter): string => `${base}/pages${setQuery(setLine(filter))}`;
    const line = (text: string): string => `${base}/pages${setQuery(text)}`;
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
    const percent = (share: number): string => `${(share * 100).toFixed(1)}%`;
    function shownAs(shown: string, value: number | null): string {
        if (value === null) return 'not known';
        if (shown === 'share') return percent(value);
        return shown === 'mean' ? value.toFixed(1) : shown === 'fraction' ? value.toFixed(2) : count(value);
    }
    function changed(shown: string, before: number | null, after: number | null): string {
        if (before === null || after === null) return '';
        const by = after - before;
        const text =
            shown === 'share'
                ? (by * 100).toFixed(1)
                : shown === 'mean'
                  ? by.toFixed(1)
                  : shown === 'fraction'
                    ? by.toFixed(2)
                    : count(by);
        return signed(by, text);
    }
    const when = (item: { createdAt: number; asOf: string }): string =>
        day(item.asOf === '' ? item.createdAt : Date.parse(item.asOf));
</script>

<svelte:head><title>Brief · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <p class="on-paper">
        {data.site.name}, {data.site.start}. Survey {data.survey.number} of {when(data.survey)}{data.set.text === ''
            ? ''
            : `; current set: ${data.set.text}`}.
    </p>
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
            <p class="flex flex-wrap justify-between gap-x-2 mb-1">
                <b class="whitespace-nowrap">Read: {count(counts.read)} of {count(counts.known)}</b><span class="note"
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
        <Figure
            name="How deep"
            note={counts.meanDepth === null ? '' : `mean ${counts.meanDepth.toFixed(1)} clicks`}
            cells={() => [
                ['depth', 'pages', 'indexable'],
                ...data.depths.map(({ from, to, pages, indexable }) => [
                    from === to ? from : `${from}–${to}`,
                    pages,
                    indexable,
                ]),
                ['not reached', counts.orphans?.all ?? null, counts.orphans?.indexable ?? null],
            ]}
        >
            {#if data.depths.length > 0}
                <DepthSounding
                    rows={data.depths}
                    inSet={data.depthsInSet}
                    unreached={counts.orphans?.all ?? null}
                    hrefOfDepth={(depths) => (depths === 'none' ? set({ orphan: 'any' }) : atDepth(depths))}
                    onChoose={(depths) => void goto(atDepth(depths))}
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
        </Figure>
        <Figure
            name="What may be indexed"
            class="wide"
            note="URLs that pass each gate, and what stops there"
            cells={() => [
                ['gate', 'stop there'],
                ...GATES.map((gate) => [gate, counts.byGate[gate] ?? 0]),
                ['indexable', counts.indexable],
                ['not known', counts.gateUnknown],
            ]}
        >
            <GateChannel byGate={counts.byGate} hrefOfGate={(gate) => set({ gate })} />
            {#if counts.gateUnknown > 0}<p class="note">
                    <a class="set" href={set({ gate: 'unknown' })}>{count(counts.gateUnknown)}</a> URLs were not read: their
                    gates are not known and they are not in the channel.
                </p>{/if}
            {#if data.weight.ranked > 0}
                <p class="mt-2">
                    <b>Weight.</b> Gini <a class="set" href="{base}/weight">{data.weight.gini.toFixed(2)}</a>;
                    <a class="set" href="{line('leak > 0')}&order=leak.desc">{percent(data.weight.leak)}</a> leaks into
                    errors and closed pages{#if data.weight.hasPriorities}; <a class="set" href={line('starved')}
                            >{count(data.weight.starved)}</a
                        >
                        that matter {data.weight.starved === 1 ? 'is' : 'are'} starved{/if}.
                </p>
            {/if}
            {#if data.inSet}
                <p class="mt-2">
                    <b>The current set.</b>
                    {counted(data.inSet.pages, 'page')} of {count(data.inSet.known)} known URLs; {count(
                        data.inSet.reached,
                    )} reached, {count(data.inSet.indexable)} indexable.
                </p>
            {/if}
        </Figure>
        <Figure
            name="How we know of them"
            cells={() => [
                ['known by', 'URLs', 'pages', 'orphans'],
                ...counts.evidence.map((group) => [group.evidence.join(' '), group.urls, group.pages, group.orphans]),
            ]}
        >
            <EvidenceMatrix
                groups={counts.evidence}
                hrefOf={(group) => set({ evidence: group.evidence as Evidence[] })}
            />
            <p class="note mt-1"><a class="set" href="{base}/completeness">What this survey cannot claim</a></p>
        </Figure>
    </div>
    <div class="pane-row brief-low">
        <section class="pane" aria-label="Fix once">
            <h2 class="pane-name mb-1">
                Fix once <span class="note">one edit each where one does it; faults first, then by pages</span>
            </h2>
            {#if !data.survey.isEnded}
                <p class="ink2">Told when the survey has ended.</p>
            {:else if data.jobs.length === 0}
                <p class="ink2">Nothing found that one of these edits would mend.</p>
            {:else}
                <table class="ruled jobs">
                    <thead
                        ><tr
                            ><th><span class="visually-hidden">Severity</span></th><th>one edit</th><th class="spare"
                                >where</th
                            ><th>effect</th></tr
                        ></thead
                    >
                    <tbody>
                        {#each data.jobs as job (job.set + job.say)}
                            <tr>
                                <td><SeverityMark severity={job.severity} /></td>
                                <td>{job.say}</td>
                                <td class="spare ink2">{job.where}</td>
                                <td><a class="set" href={line(job.set)}>{count(job.pages)}</a> {job.effect}</td>
                            </tr>
                        {/each}
                    </tbody>
                </table>
                {#if data.more > 0}<p class="note mt-1">{counted(data.more, 'smaller job')} not listed.</p>{/if}
            {/if}
        </section>
        <section class="pane" aria-label="Since the baseline">
            {#if data.baseline && data.since}
                {@const { orphans } = data.since}
                <h2 class="pane-name mb-1">
                    Since survey {data.baseline.number}
                    <span class="note"
                        >{data.baseline.settings.length === 0
                            ? 'same settings'
                            : `settings differ: ${data.baseline.settings.join(', ')}`}</span
                    >
                </h2>
                <table class="ruled">
                    <thead
                        ><tr
                            ><th><span class="visually-hidden">Measure</span></th><th class="num"
                                >{when(data.baseline)}</th
                            ><th class="num">now</th><th class="num">change</th></tr
                        ></thead
                    >
                    <tbody>
                        {#each data.since.rows as row (row.name)}
                            <tr>
                                <td>{row.name}</td>
                                <td class="num">{shownAs(row.shown, row.before)}</td>
                                <td class="num"
                                    >{#if row.set !== '' && row.after !== null && row.shown === 'count'}<a
                                            class="set"
                                            href={line(row.set)}>{shownAs(row.shown, row.after)}</a
                                        >{:else}{shownAs(row.shown, row.after)}{/if}</td
                                >
                                <td class="num">{changed(row.shown, row.before, row.after)}</td>
                            </tr>
                        {/each}
                    </tbody>
                </table>
                {#if orphans && (orphans.before > 0 || orphans.new > 0)}
                    <p class="risk-line mt-2">
                        {#if orphans.before > 0}Of {counted(orphans.before, 'orphan')} then, {count(orphans.reached)}
                            {orphans.reached === 1 ? 'is' : 'are'} reached now, {count(orphans.gone)}
                            {orphans.gone === 1 ? 'is' : 'are'} gone, {count(orphans.still)}
                            {orphans.still === 1 ? 'is' : 'are'} left.{/if}
                        {#if orphans.new > 0}{count(orphans.new)} {orphans.new === 1 ? 'is' : 'are'} new.{/if}
                    </p>
                {/if}
            {:else}
                <h2 class="pane-name mb-1">Since the baseline</h2>
                <p class="ink2">
                    {data.survey.isEnded
                        ? 'There is no earlier whole survey of this site to compare with. The next survey will tell what changed.'
                        : 'Told when the survey has ended.'}
                </p>
            {/if}
            <h2 class="pane-name mt-4 mb-1">Notes</h2>
            {#snippet subjectOf(note: (typeof data.notes)[number])}
                {#if note.about === 'page'}{#if note.isKnown}<a
                            class="set"
                            href={withSheet(page.url, note.subject, data.site.start)}
                            data-sveltekit-noscroll><Address url={note.subject} origin={data.origin} most={36} /></a
                        >{:else}<Address url={note.subject} origin={data.origin} most={36} />, not in this survey{/if}
                {:else if note.set === 'all'}the whole site{:else}<a class="set mono" href={line(note.set)}
                        >{note.set}</a
                    >{/if}
            {/snippet}
            <NoteList notes={data.notes} about={aboutSet.words} {subjectOf} onWrite={writeNote} onForget={forgetNote} />
        </section>
    </div>
</div>

<style>
    .jobs td:nth-child(2) {
        overflow-wrap: anywhere;
    }
</style>
