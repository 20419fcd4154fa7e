<script lang="ts">
    import { goto, invalidate } from '$app/navigation';
    import { page } from '$app/state';
    import { setLine, setQuery, type PageFilter } from '$lib/core/sets/page-filter.ts';
    import { quoted } from '$lib/core/sets/tokens.ts';
    import DepthSounding from '$lib/ui/charts/DepthSounding.svelte';
    import EvidenceMatrix from '$lib/ui/charts/EvidenceMatrix.svelte';
    import Figure from '$lib/ui/charts/Figure.svelte';
    import LoadBars from '$lib/ui/charts/LoadBars.svelte';
    import Address from '$lib/ui/parts/Address.svelte';
    import { WHY_CLOSED } from '$lib/ui/parts/closed-words.ts';
    import { count, counted } from '$lib/ui/parts/format.ts';
    import { siteApi, tell } from '$lib/wire/client.ts';
    import { withParams, withSheet } from '$lib/ui/view/address.ts';

    let { data } = $props();
    const base = $derived(`/sites/${data.site.id}/${data.survey.path}`);
    const line = (text: string): string => `${base}/pages${setQuery(text)}`;
    const set = (filter: PageFilter): string => line(setLine(filter));
    const counts = $derived(data.counts);
    const orphans = $derived(counts.orphans);
    /** The deepest tenth, in words: where the sounding thins out. */
    const deep = $derived(data.deep);
    const deepest = $derived(data.depths.at(-1)?.to ?? -1);
    const atDepth = ({ from, to }: { from: number; to: number }): string =>
        from === to ? `page and depth = ${from}` : `page and depth from ${from} to ${to}`;
    const behind = (url: string): string => line(`page and behind (url is ${quoted(url, true)})`);
    const most = $derived(
        Math.max(1, ...data.chokePoints.map(({ load }) => load), ...data.templates.map(({ holds }) => holds)),
    );

    const withParam = (name: string, value: string | null): string => withParams(page.url, { [name]: value });

    let goalTrouble = $state('');
    const goalOf = (form: FormData, name: string): number | null => {
        const text = String(form.get(name) ?? '').trim();
        return text === '' ? null : Number(text);
    };
    async function saveGoals(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        const form = new FormData(event.currentTarget as HTMLFormElement);
        const body = {
            all: goalOf(form, 'all'),
            first: goalOf(form, 'first'),
            second: goalOf(form, 'second'),
            third: goalOf(form, 'third'),
        };
        goalTrouble = await tell(`${siteApi(data.site.id)}/goals`, { method: 'PUT', body });
        if (goalTrouble === '') await invalidate('edgemap:survey');
    }
    const GOALS = [
        { name: 'all', label: 'all pages' },
        { name: 'first', label: 'priority 1' },
        { name: 'second', label: 'priority 2' },
        { name: 'third', label: 'priority 3' },
    ] as const;
    const beyondLine = (whom: string, goal: number): string =>
        `page and depth > ${goal}${whom === 'all' ? '' : ` and priority = ${whom}`}`;
</script>

<svelte:head><title>Reach · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <div class="pane border-b border-(--edge)">
        <h1 class="headline">
            {#if counts.pages === 0}
                No page has been read{data.survey.isEnded ? '' : ' yet'}.
            {:else}
                {#if orphans === null}
                    The survey is partial, so what links do not reach is not known.
                {:else if orphans.all === 0}
                    {data.hasSitemap
                        ? 'Links reach every page that was read.'
                        : 'Every page was found by links; without a sitemap, others could not be looked for.'}
                {:else}
                    <a class="set" href={set({ orphan: 'any' })}>{count(orphans.all)}</a>
                    {orphans.all === 1 ? 'page cannot' : 'pages cannot'} be reached by links{#if data.hasSitemap}; <a
                            class="set"
                            href={set({ orphan: 'any', known: 'sitemap' })}>{count(orphans.inSitemap)}</a
                        >
                        of them {orphans.inSitemap === 1 ? 'is' : 'are'} in the sitemap{/if}.
                {/if}
                {#if deep > 0 && data.offered !== null && !data.followed}
                    <a class="set" href={line(`page and depth > ${data.offered}`)}>{count(deep)}</a> more
                    {deep === 1 ? 'lies' : 'lie'}
                    {data.offered + 1 === deepest
                        ? `${deepest} clicks down`
                        : `${data.offered + 1} to ${deepest} clicks down`}{#if data.chokePoints[0]}, and
                        <a class="set" href={behind(data.chokePoints[0].url)}>{count(data.chokePoints[0].load)}</a> pages
                        hang behind one page{/if}.
                {/if}
            {/if}
        </h1>
    </div>
    <div class="pane-row">
        <Figure
            name="Pages by depth"
            note="{data.followed ? 'followed links only' : 'all links'}, redirects cost no click{data.meanDepth === null
                ? ''
                : `; mean ${data.meanDepth.toFixed(1)} clicks`}"
            cells={() => [
                ['depth', 'pages', 'indexable', ...(data.inSet ? ['in the set'] : [])],
                ...data.depths.map((row, index) => [
                    row.from === row.to ? row.from : `${row.from}–${row.to}`,
                    row.pages,
                    row.indexable,
                    ...(data.depthsInSet ? [data.depthsInSet[index]?.pages ?? 0] : []),
                ]),
                [
                    'not reached',
                    orphans?.all ?? null,
                    orphans?.indexable ?? null,
                    ...(data.inSet ? [data.orphansInSet] : []),
                ],
            ]}
        >
            {#if data.depths.length > 0}
                <DepthSounding
                    rows={data.depths}
                    inSet={data.depthsInSet}
                    unreached={orphans?.all ?? null}
                    hrefOfDepth={(depths) => (depths === 'none' ? set({ orphan: 'any' }) : line(atDepth(depths)))}
                    onChoose={(depths) => void goto(withParam('set', atDepth(depths)), { noScroll: true })}
                    onRange={(from, to) => void goto(withParam('set', atDepth({ from, to })), { noScroll: true })}
                />
            {:else}<p class="ink2">Nothing to draw yet.</p>{/if}
            <p class="note mt-1" data-no-picture>
                Filled: indexable; open: stopped at a gate. Drag over depths, or press two of them, to make them the
                current set.
                <a class="set" href={withParam('links', data.followed ? null : 'followed')} data-sveltekit-noscroll
                    >{data.followed ? 'Count all links' : 'Count followed links only'}</a
                >
            </p>
        </Figure>
    </div>
    <div class="pane-row reach-low">
        <div class="min-w-0">
            <Figure
                name="Not reached, by evidence"
                cells={() => [
                    ['known by', 'pages'],
                    ...counts.orphanEvidence.map((group) => [group.evidence.join(' '), group.urls]),
                ]}
            >
                {#if orphans === null}
                    <p class="ink2">Not known: in a partial survey a page may be linked from what was not read.</p>
                {:else if orphans.all === 0}
                    <p class="ink2">
                        {data.hasSitemap
                            ? 'Nothing to show: every page that was read is reached by links.'
                            : 'Not asked: only links are known here. A sitemap, a log or a list of visits would tell what links leave out.'}
                    </p>
                {:else}
                    <EvidenceMatrix
                        groups={counts.orphanEvidence}
                        hrefOf={(group) => set({ orphan: 'any', evidence: group.evidence })}
                        hatched
                    />
                    <p class="mt-1">
                        <a class="set" href={set({ orphan: 'strict' })}>{count(orphans.strict)}</a> strict: no page
                        links to them. <a class="set" href={set({ orphan: 'adrift' })}>{count(orphans.adrift)}</a>
                        adrift: only other orphans do{#if data.islandTotal > 0}, <a
                                class="set"
                                href={set({ orphan: 'island' })}>{count(data.inIslands)}</a
                            >
                            in {counted(data.islandTotal, 'island')}{/if}.
                    </p>
                    {#if data.islands.length > 0}
                        <ul class="mt-1">
                            {#each data.islands as island (island.url)}<li>
                                    {counted(island.pages, 'page')} around
                                    <a
                                        class="plain-set text-primary"
                                        href={withSheet(page.url, island.url, data.site.start)}
                                        data-sveltekit-noscroll
                                        ><Address url={island.url} origin={data.origin} most={34} /></a
                                    >
                                </li>{/each}
                        </ul>
                    {/if}
                    <p class="mt-1">
                        <a class="set" href="{base}/orphans">Each orphan, with the nearest place for a link</a>
                    </p>
                {/if}
            </Figure>
            <section class="pane border-t border-(--rule)" aria-label="Held by a thread">
                <h2 class="pane-name mb-1">Held by a thread</h2>
                <dl class="facts">
                    <dt>thin holds: one reached page alone links there</dt>
                    <dd><a class="set" href={line('thin hold')}>{count(data.thinHolds)}</a></dd>
                    <dt>hang from one single link</dt>
                    <dd><a class="set" href={line('page and held by one link')}>{count(data.heldByOneLink)}</a></dd>
                    <dt>linked from listings only</dt>
                    <dd><a class="set" href={line('listing only')}>{count(data.listingOnly)}</a></dd>
                    <dt>reached by nofollow links only</dt>
                    <dd><a class="set" href={line('decline only')}>{count(data.declineOnly)}</a></dd>
                </dl>
            </section>
        </div>
        <div class="min-w-0">
            <Figure
                name="Choke points"
                note="pages behind, if this one goes"
                cells={() => [
                    ['through', 'pages behind'],
                    ...data.chokePoints.map(({ url, load }) => [url, load]),
                    ...data.templates.map(({ words, holds }) => [words, holds]),
                ]}
            >
                {#if data.chokePoints.length === 0}
                    <p class="ink2">None: no page but the start page holds another.</p>
                {:else}
                    <LoadBars
                        {most}
                        bars={data.chokePoints.map(({ url, load }) => ({
                            key: url,
                            value: load,
                            href: behind(url),
                            says: `${counted(load, 'page')} behind ${url}`,
                        }))}
                    >
                        {#snippet name(bar, index)}
                            <a
                                class="plain-set text-primary"
                                href={withSheet(page.url, String(bar.key), data.site.start)}
                                data-sveltekit-noscroll
                                ><Address url={data.chokePoints[index]!.url} origin={data.origin} most={44} /></a
                            >
                        {/snippet}
                    </LoadBars>
                    {#if data.chokeTotal > data.chokePoints.length}<p class="mt-1 note">
                            <a class="set" href="{line('choke point')}&order=load.desc"
                                >{data.chokeTotal >= 100 ? 'All others' : `${count(data.chokeTotal)} in all`}, by load</a
                            >
                        </p>{/if}
                {/if}
                {#if data.templates.length > 0}
                    <p class="note mt-2">The same for templates: reached by their links alone</p>
                    <LoadBars
                        {most}
                        outlined
                        bars={data.templates.map(({ name, holds, words }) => ({
                            key: name,
                            value: holds,
                            href: line(`held by template ${quoted(name, true)}`),
                            says: `${counted(holds, 'page')} reached through the template “${words}” alone`,
                        }))}
                    >
                        {#snippet name(bar, index)}<a
                                class="plain-set text-primary"
                                href="{base}/templates?template={encodeURIComponent(String(bar.key))}"
                                >{data.templates[index]!.words}</a
                            > <span class="note">on {counted(data.templates[index]!.pages, 'page')}</span>{/snippet}
                    </LoadBars>
                {/if}
            </Figure>
            <section class="pane border-t border-(--rule)" aria-label="Depth goal">
                <h2 class="pane-name mb-1">
                    Depth goal <span class="note"
                        >{data.offered === null
                            ? ''
                            : `nine of ten reached pages lie within ${data.offered} clicks`}</span
                    >
                </h2>
                <form onsubmit={saveGoals} class="flex flex-wrap items-end gap-2">
                    {#each GOALS as { name, label } (name)}
                        <label class="note"
                            >{label}<input
                                class="field !w-[74px] block"
                                type="number"
                                min="0"
                                max="1000"
                                step="1"
                                {name}
                                value={data.goals[name] ?? ''}
                                placeholder={name === 'all' && data.offered !== null ? String(data.offered) : 'none'}
                            /></label
                        >
                    {/each}
                    <button class="tb outlined">Keep goals</button>
                </form>
                {#if goalTrouble !== ''}<p role="alert" class="mt-1">{goalTrouble}</p>{/if}
                {#if data.beyond.length > 0}
                    <ul class="mt-1">
                        {#each data.beyond as { whom, goal, pages } (whom)}<li>
                                <a class="set" href={line(beyondLine(whom, goal))}>{count(pages)}</a>
                                {whom === 'all' ? '' : `of priority ${whom} `}{pages === 1 ? 'lies' : 'lie'} deeper than {counted(
                                    goal,
                                    'click',
                                )}
                            </li>{/each}
                    </ul>
                {:else}<p class="note mt-1">Without a goal nothing is called too deep.</p>{/if}
            </section>
            {#if data.families.length > 0}
                <section class="pane border-t border-(--rule)" aria-label="Closed families">
                    <h2 class="pane-name mb-1">
                        Closed families <span class="note">where reading would go round for ever</span>
                    </h2>
                    <table class="ruled">
                        <thead
                            ><tr><th>pattern</th><th>why</th><th class="num">read</th><th class="num">seen</th></tr
                            ></thead
                        >
                        <tbody>
                            {#each data.families as family (family.pattern)}
                                <tr>
                                    <td class="mono break-all">{family.pattern}</td>
                                    <td>{WHY_CLOSED[family.reason] ?? family.reason}</td>
                                    <td class="num">{count(family.read)}</td>
                                    <td class="num">{count(family.seen)}</td>
                                </tr>
                            {/each}
                        </tbody>
                    </table>
                    <p class="mt-1 note">
                        {#if data.familyTotal > data.families.length}{count(data.familyTotal - data.families.length)} more
                            are closed.{/if}
                        <a class="set" href={line('reason is trap')}>{count(counts.byNotRead.trap ?? 0)}</a> URLs of
                        closed families were not asked for. <a class="set" href="{base}/progress">Open one</a> where it is
                        no trap.
                    </p>
                </section>
            {/if}
        </div>
    </div>
</div>
