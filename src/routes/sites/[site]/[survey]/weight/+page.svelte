<script lang="ts">
    import { goto, invalidate } from '$app/navigation';
    import { page } from '$app/state';
    import { setQuery } from '$lib/core/sets/page-filter.ts';
    import { quoted } from '$lib/core/sets/tokens.ts';
    import Chart from '$lib/ui/charts/Chart.svelte';
    import Figure from '$lib/ui/charts/Figure.svelte';
    import FlowMatrix from '$lib/ui/charts/FlowMatrix.svelte';
    import Address from '$lib/ui/parts/Address.svelte';
    import SectionMark from '$lib/ui/parts/SectionMark.svelte';
    import { hueOf, sectionLetters } from '$lib/ui/parts/section-letters.ts';
    import { count, counted } from '$lib/ui/parts/format.ts';
    import { siteApi, tell } from '$lib/wire/client.ts';
    import { withParams, withSheet } from '$lib/ui/view/address.ts';

    let { data } = $props();
    const base = $derived(`/sites/${data.site.id}/${data.survey.path}`);
    const line = (text: string): string => `${base}/pages${setQuery(text)}`;
    const percent = (share: number, places = 0): string => `${(share * 100).toFixed(places)}%`;
    /** Of the headline: small shares need a place more to be told apart. */
    const told = (share: number): string => percent(share, share < 0.1 ? 1 : 0);
    /** Hue and letter of each section, kept from survey to survey. */
    const marks = $derived.by(() => {
        const letters = sectionLetters(data.marked);
        const known = new Map(data.marked.map((section, place) => [section, { letter: letters[place]!, place }]));
        return data.sections.map(
            ({ section }, index) =>
                known.get(section) ?? {
                    letter: data.together > 0 && index === data.sections.length - 1 ? '+' : '·',
                    place: data.marked.length,
                },
        );
    });
    /** Priority that was said of a section as a whole. */
    const prioritySet = (section: string): string => `section is ${quoted(section)}`;
    const priorityOf = (section: string): number | null =>
        data.rules.find(({ by, subject }) => by === 'set' && subject === prioritySet(section))?.value ?? null;
    const withPage = (url: string): string => withSheet(page.url, url, data.site.start);
    /** Sections that are furthest from their share: the one with too much, the one with too little. */
    const known = $derived(
        data.sections.slice(0, data.together > 0 ? -1 : undefined).filter(({ pages }) => pages >= 5),
    );
    const ratio = (item: { shareOfPages: number; shareOfStanding: number }): number =>
        item.shareOfStanding / item.shareOfPages;
    const far = (item: { shareOfPages: number; shareOfStanding: number }): number =>
        item.shareOfStanding - item.shareOfPages;
    const heaviest = $derived([...known].sort((a, b) => far(b) - far(a))[0]);
    const lightest = $derived([...known].sort((a, b) => far(a) - far(b))[0]);
    const sectionSet = (section: string): string => line(`section is ${quoted(section)} and standing >= 0`);
    const hrefOfFlow = (from: number, to: number): string => {
        const [source, target] = [data.sections[from]?.section ?? '', data.sections[to]?.section ?? ''];
        const isRest = (index: number): boolean => data.together > 0 && index === data.sections.length - 1;
        const rest = (negated: string): string =>
            data.sections
                .slice(0, -1)
                .map(({ section }) => `${negated}section is ${quoted(section)}`)
                .join(' and ');
        const first = isRest(from) ? rest('not ') : `section is ${quoted(source)}`;
        const second = isRest(to) ? rest('not ') : `section is ${quoted(target)}`;
        return line(`${first} and links to (${second}) followed`);
    };
    const widest = $derived(
        Math.max(0.01, ...data.sections.flatMap((item) => [item.shareOfPages, item.shareOfStanding])),
    );

    let trouble = $state('');
    async function say(by: 'set' | 'column' | 'page', subject: string, value: number | null): Promise<void> {
        trouble = await tell(`${siteApi(data.site.id)}/priorities`, { method: 'POST', body: { by, subject, value } });
        if (trouble === '') await invalidate('edgemap:survey');
    }
    const rules = $derived(data.rules.filter(({ by }) => by !== 'page'));
    const byHand = $derived(data.rules.length - rules.length);
    const text = $derived(data.set.text.trim());
</script>

<svelte:head><title>Weight · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <div class="pane border-b border-(--edge)">
        <h1 class="headline">
            {#if data.ranked === 0}
                No page has been read{data.survey.isEnded ? '' : ' yet'}, so there is no weight to tell of.
            {:else}
                {#if heaviest && far(heaviest) > 0.005}
                    {heaviest.section === '/' ? 'The root folder' : `The section ${heaviest.section}`} holds
                    <a class="set" href={sectionSet(heaviest.section)}>{told(heaviest.shareOfStanding)}</a> of the
                    standing with {told(heaviest.shareOfPages)} of the pages{#if lightest && lightest !== heaviest && far(lightest) < -0.005};
                        {lightest.section === '/' ? 'the root folder' : `the section ${lightest.section}`}
                        <a class="set" href={sectionSet(lightest.section)}>{told(lightest.shareOfStanding)}</a> with {told(
                            lightest.shareOfPages,
                        )}{/if}.
                {:else}Weight is spread about evenly over the sections.{/if}
                {#if data.misfits}
                    {@const { starvedTotal, overfedTotal } = data.misfits}
                    {#if starvedTotal + overfedTotal === 0}No page is out of line with its priority.{:else}
                        <a class="set" href={line('starved')}>{count(starvedTotal)}</a> that matter
                        {starvedTotal === 1 ? 'is' : 'are'} starved,
                        <a class="set" href={line('overfed')}>{count(overfedTotal)}</a>
                        that do not
                        {overfedTotal === 1 ? 'is' : 'are'} fat.{/if}
                {/if}
            {/if}
        </h1>
        <p class="note mt-1">
            Over <a class="set" href={line('standing >= 0')}>{count(data.ranked)}</a> ranked pages: 200, HTML, not
            closed by robots. Damping 0.85, followed links, redirects resolved, parallel links counted once, canonicals
            not folded.
            {#if data.inSet}The current set holds <b>{percent(data.inSet.shareOfStanding, 1)}</b> of the standing with {percent(
                    data.inSet.shareOfPages,
                    1,
                )} of the ranked pages.{/if}
        </p>
    </div>
    {#if data.ranked > 0}
        <div class="pane-row weight-top">
            <div class="min-w-0">
                <Figure
                    name="How uneven"
                    cells={() => [
                        [
                            'share of pages',
                            'share of standing, all links',
                            'share of standing, links outside shared blocks',
                        ],
                        ...data.curve.map((point, index) => [
                            point.pages,
                            point.weight,
                            data.ownCurve[index]?.weight ?? null,
                        ]),
                    ]}
                >
                    <div class="lorenz">
                        <Chart
                            says="Lorenz curve: the poorest share of pages against their share of standing; Gini {data.gini.toFixed(
                                2,
                            )}"
                            height={236}
                            option={(token) => ({
                                grid: { left: 40, right: 10, top: 8, bottom: 36 },
                                xAxis: {
                                    type: 'value',
                                    max: 1,
                                    name: 'pages, least standing first',
                                    nameLocation: 'middle',
                                    nameGap: 22,
                                    nameTextStyle: { color: token('--ink2') },
                                    axisLabel: {
                                        formatter: (value: number) => `${Math.round(value * 100)}%`,
                                        color: token('--ink2'),
                                    },
                                    splitLine: { lineStyle: { color: token('--grid') } },
                                    axisLine: { lineStyle: { color: token('--edge') } },
                                },
                                yAxis: {
                                    type: 'value',
                                    max: 1,
                                    axisLabel: {
                                        formatter: (value: number) => `${Math.round(value * 100)}%`,
                                        color: token('--ink2'),
                                    },
                                    splitLine: { lineStyle: { color: token('--grid') } },
                                },
                                series: [
                                    {
                                        type: 'line',
                                        data: [
                                            [0, 0],
                                            [1, 1],
                                        ],
                                        symbol: 'none',
                                        silent: true,
                                        lineStyle: { color: token('--ink3'), width: 1, type: [2, 4] },
                                    },
                                    {
                                        type: 'line',
                                        data: data.ownCurve.map(({ pages, weight }) => [pages, weight]),
                                        symbol: 'none',
                                        silent: true,
                                        lineStyle: { color: token('--color-base-content'), width: 1.6, type: [6, 4] },
                                    },
                                    {
                                        type: 'line',
                                        data: data.curve.map(({ pages, weight }) => [pages, weight]),
                                        symbol: 'none',
                                        silent: true,
                                        lineStyle: { color: token('--color-primary'), width: 2.4 },
                                        areaStyle: { color: token('--color-primary'), opacity: 0.1 },
                                    },
                                ],
                            })}
                        />
                        <div>
                            {#if data.topFrom !== null && data.top.pages > 0}
                                <p>
                                    The <a
                                        class="set"
                                        href="{line(`standing >= ${data.topFrom.toFixed(4)}`)}&order=standing.desc"
                                        >top tenth</a
                                    >
                                    of pages holds <b>{percent(data.top.share)}</b> of the standing.
                                </p>
                            {/if}
                            <p class="mt-2"><i class="key solid"></i> Gini <b>{data.gini.toFixed(2)}</b>, all links.</p>
                            <p>
                                <i class="key dashed"></i> Gini <b>{data.ownGini.toFixed(2)}</b>, without shared blocks.
                            </p>
                            <p>
                                {data.gini > data.ownGini + 0.03
                                    ? 'Menus and other shared blocks make the slope, more than the writers.'
                                    : data.ownGini > data.gini + 0.03
                                      ? 'The text is steeper than the whole: menus even it out.'
                                      : 'With and without shared blocks it is about the same.'}
                            </p>
                            <p class="mt-2">
                                <a class="set" href="{line('leak > 0')}&order=leak.desc">{percent(data.leak, 1)}</a> of
                                the weight leaks from {counted(data.leaking, 'page')} into errors and closed pages.
                            </p>
                            <p class="mt-2">
                                <a class="set" href={line('page and outgoing links = 0')}>{count(data.noWayOut)}</a>
                                {data.noWayOut === 1 ? 'page has' : 'pages have'} no link out.
                                <a class="set" href="{line(`own links > ${data.many.limit}`)}&order=own_links.desc"
                                    >{count(data.many.pages)}</a
                                >
                                {data.many.pages === 1 ? 'has' : 'have'} more than {data.many.limit} links outside shared
                                blocks.
                            </p>
                        </div>
                    </div>
                </Figure>
                <Figure
                    name="Sections"
                    class="border-t border-(--rule)"
                    note="open bar: share of pages; filled: share of standing"
                    cells={() => [
                        ['section', 'pages', 'share of pages', 'share of standing', 'ratio'],
                        ...data.sections.map((item) => [
                            item.section,
                            item.pages,
                            item.shareOfPages,
                            item.shareOfStanding,
                            ratio(item),
                        ]),
                    ]}
                >
                    <table class="ruled sections">
                        <thead
                            ><tr
                                ><th>section</th><th class="bars"><span class="visually-hidden">shares</span></th><th
                                    class="num">pages, %</th
                                ><th class="num">standing, %</th><th class="num">ratio</th><th class="spare"
                                    >priority</th
                                ></tr
                            ></thead
                        >
                        <tbody>
                            {#each data.sections as item, place (item.section)}
                                <tr>
                                    <td class="nw"
                                        ><SectionMark {...marks[place]!} />
                                        {item.section === '/' ? 'root folder' : item.section}</td
                                    >
                                    <td class="bars"
                                        ><svg width="100%" height="17" aria-hidden="true"
                                            ><rect
                                                x="0.5"
                                                y="1"
                                                width="{(item.shareOfPages / widest) * 98}%"
                                                height="6"
                                                fill="none"
                                                stroke="var(--color-base-content)"
                                                stroke-width="0.8"
                                            /><rect
                                                x="0.5"
                                                y="9"
                                                width="{(item.shareOfStanding / widest) * 98}%"
                                                height="7"
                                                fill={hueOf(marks[place]!.place)}
                                            /></svg
                                        ></td
                                    >
                                    <td class="num">{(item.shareOfPages * 100).toFixed(1)}</td>
                                    <td class="num"
                                        >{#if data.together > 0 && place === data.sections.length - 1}{(
                                                item.shareOfStanding * 100
                                            ).toFixed(1)}{:else}<a class="set" href={sectionSet(item.section)}
                                                >{(item.shareOfStanding * 100).toFixed(1)}</a
                                            >{/if}</td
                                    >
                                    <td class="num"><b>{ratio(item).toFixed(2)}</b></td>
                                    <td class="spare" data-no-picture
                                        >{#if data.together === 0 || place < data.sections.length - 1}<select
                                                class="in-row"
                                                aria-label="Priority of the section {item.section}"
                                                value={String(priorityOf(item.section) ?? '')}
                                                onchange={(event) =>
                                                    say(
                                                        'set',
                                                        prioritySet(item.section),
                                                        event.currentTarget.value === ''
                                                            ? null
                                                            : Number(event.currentTarget.value),
                                                    )}
                                                ><option value="">not set</option
                                                >{#each [1, 2, 3] as value (value)}<option value={String(value)}
                                                        >{value}</option
                                                    >{/each}</select
                                            >{/if}</td
                                    >
                                </tr>
                            {/each}
                        </tbody>
                    </table>
                </Figure>
                <section class="pane border-t border-(--rule)" aria-label="Where weight is lost">
                    <h2 class="pane-name mb-1">
                        Where weight is lost <span class="note">in average pages: what its links throw away</span>
                    </h2>
                    {#if data.lost.length === 0}<p class="ink2">
                            Nowhere: no followed link leads to an error or a closed page.
                        </p>{:else}
                        <table class="ruled">
                            <thead
                                ><tr
                                    ><th>leads to</th><th>answer</th><th class="spare">linked by</th><th class="num"
                                        >pages</th
                                    ><th class="num">lost</th></tr
                                ></thead
                            >
                            <tbody>
                                {#each data.lost as target (target.url)}
                                    <tr>
                                        <td
                                            ><a
                                                class="plain-set text-primary"
                                                href={withPage(target.url)}
                                                data-sveltekit-noscroll
                                                ><Address url={target.url} origin={data.origin} most={40} /></a
                                            ></td
                                        >
                                        <td class="nw"
                                            >{target.closed
                                                ? 'closed by robots'
                                                : target.status === 0
                                                  ? 'none'
                                                  : target.status}</td
                                        >
                                        <td class="spare ink2">{target.template ?? 'links of their own'}</td>
                                        <td class="num"
                                            ><a
                                                class="set"
                                                href={line(`links to (url is ${quoted(target.url, true)}) followed`)}
                                                >{count(target.pages)}</a
                                            ></td
                                        >
                                        <td class="num"><b>{target.cost.toFixed(2)}</b></td>
                                    </tr>
                                {/each}
                            </tbody>
                        </table>
                        {#if data.lostTotal > data.lost.length}<p class="note mt-1">
                                {counted(data.lostTotal - data.lost.length, 'more target')} that cost less:
                                <a class="set" href={line('(error or closed by robots) and linked from (all) followed')}
                                    >all of them</a
                                >.
                            </p>{/if}
                    {/if}
                </section>
            </div>
            <div class="min-w-0">
                <Figure
                    name="From section to section"
                    note="followed links, distinct"
                    cells={() => [
                        ['from', ...data.sections.map(({ section }) => section)],
                        ...data.sections.map(({ section }, from) => [section, ...data.flow.links[from]!]),
                    ]}
                >
                    <FlowMatrix
                        sections={data.sections}
                        {marks}
                        links={data.flow.links}
                        expected={data.flow.expected}
                        hrefOf={hrefOfFlow}
                    />
                </Figure>
                <section class="pane border-t border-(--rule)" aria-label="Misfits">
                    <h2 class="pane-name mb-1">
                        Misfits <span class="note"
                            >{data.misfits
                                ? 'priority, address, standing; furthest out first'
                                : 'standing out of line with priority'}</span
                        >
                    </h2>
                    {#if data.misfits === null}
                        <p class="ink2">
                            Not asked: nothing says yet what matters. Give priorities below, or on a page’s sheet.
                        </p>
                    {:else if data.misfits.starvedTotal + data.misfits.overfedTotal === 0}
                        <p class="ink2">None: what matters more stands higher.</p>
                    {:else}
                        {#each [{ name: 'Starved', items: data.misfits.starved, total: data.misfits.starvedTotal, set: 'starved' }, { name: 'Fat', items: data.misfits.overfed, total: data.misfits.overfedTotal, set: 'overfed' }] as side (side.name)}
                            {#if side.items.length > 0}
                                <table class="ruled misfits">
                                    <caption class="text-left note"
                                        >{side.name},
                                        <a class="set" href={line(side.set)}>{count(side.total)}</a></caption
                                    >
                                    <tbody>
                                        {#each side.items.slice(0, 6) as item (item.url)}
                                            <tr>
                                                <td>{item.priority || '–'}</td>
                                                <td class="w-full">
                                                    <a
                                                        class="plain-set text-primary"
                                                        href={withPage(item.url)}
                                                        data-sveltekit-noscroll
                                                        ><Address url={item.url} origin={data.origin} most={38} /></a
                                                    >
                                                    {#if item.from.length > 0}<div class="note">
                                                            could be fed by {#each item.from as giver, index (giver.url)}{index >
                                                                0
                                                                    ? ', '
                                                                    : ''}<a
                                                                    class="plain-set"
                                                                    href={withPage(giver.url)}
                                                                    data-sveltekit-noscroll
                                                                    ><Address
                                                                        url={giver.url}
                                                                        origin={data.origin}
                                                                        most={26}
                                                                    /></a
                                                                >{/each}
                                                        </div>{/if}
                                                </td>
                                                <td class="num">{item.standing.toFixed(2)}</td>
                                            </tr>
                                        {/each}
                                    </tbody>
                                </table>
                            {/if}
                        {/each}
                    {/if}
                    <h3 class="pane-name mt-3 mb-1">
                        What matters <span class="note">{counted(data.prioritised, 'page')} with a priority</span>
                    </h3>
                    {#if rules.length > 0}
                        <ul>
                            {#each rules as rule (rule.id)}<li class="flex items-center gap-2">
                                    <span class="w-full"
                                        >{#if rule.by === 'column'}from the column <b>{rule.subject}</b>{:else}<b
                                                >{rule.value}</b
                                            >
                                            <span class="mono">{rule.subject}</span>{/if}</span
                                    >
                                    <button
                                        class="tb"
                                        onclick={() => say(rule.by, rule.subject, null)}
                                        aria-label="Take away the priority of {rule.subject}">Take away</button
                                    >
                                </li>{/each}
                        </ul>
                    {/if}
                    {#if data.intended > 0}<p class="note">
                            {counted(data.intended, 'page')} of the
                            <a class="set" href="{base}/structure">intended structure</a>.
                        </p>{/if}
                    {#if byHand > 0}<p class="note">{counted(byHand, 'page')} by hand, on their sheets.</p>{/if}
                    <div class="flex flex-wrap items-center gap-1 mt-1">
                        {#if text === ''}<span class="note">Choose a set above to give all its pages a priority.</span
                            >{:else}
                            <span class="note">Give the current set priority</span>
                            {#each [1, 2, 3] as value (value)}<button
                                    class="tb outlined"
                                    onclick={() => say('set', text, value)}
                                    aria-label="Give the current set priority {value}">{value}</button
                                >{/each}
                        {/if}
                        {#each data.columns as column (column)}
                            {#if !rules.some((rule) => rule.by === 'column' && rule.subject === column)}
                                <button class="tb outlined" onclick={() => say('column', column, 1)}
                                    >Take it from {column}</button
                                >
                            {/if}
                        {/each}
                    </div>
                    {#if trouble !== ''}<p role="alert" class="mt-1">{trouble}</p>{/if}
                </section>
                {#if data.against}
                    {@const against = data.against}
                    <Figure
                        name="Standing against {against.name}"
                        class="border-t border-(--rule)"
                        note="{counted(against.points.length, 'page')}, both scales by powers of ten"
                        cells={() => [
                            ['url', against.name, 'standing'],
                            ...against.points.map((point) => [point.url, point.value, point.standing]),
                        ]}
                    >
                        <Chart
                            says="Each page by {against.name} and standing; as a table it lists the same"
                            height={220}
                            onPoint={(index) => {
                                const point = against.points[index];
                                if (point) void goto(withPage(point.url), { noScroll: true });
                            }}
                            option={(token) => ({
                                grid: { left: 44, right: 12, top: 10, bottom: 36 },
                                tooltip: {
                                    trigger: 'item',
                                    renderMode: 'richText',
                                    formatter: ({ dataIndex }: { dataIndex: number }) =>
                                        against.points[dataIndex]?.url ?? '',
                                },
                                xAxis: {
                                    type: 'log',
                                    name: against.name,
                                    nameLocation: 'middle',
                                    nameGap: 22,
                                    nameTextStyle: { color: token('--ink2') },
                                    axisLabel: { color: token('--ink2') },
                                    splitLine: { lineStyle: { color: token('--grid') } },
                                },
                                yAxis: {
                                    type: 'log',
                                    name: 'standing',
                                    nameTextStyle: { color: token('--ink2') },
                                    axisLabel: { color: token('--ink2') },
                                    splitLine: { lineStyle: { color: token('--grid') } },
                                },
                                series: [
                                    {
                                        type: 'scatter',
                                        symbol: 'rect',
                                        symbolSize: 5,
                                        data: against.points.map(({ value, standing, own }) => ({
                                            value: [value, standing],
                                            itemStyle: own
                                                ? { color: token('--color-primary'), opacity: 0.75 }
                                                : {
                                                      color: 'transparent',
                                                      borderColor: token('--edge'),
                                                      borderWidth: 0.8,
                                                  },
                                        })),
                                        markLine: {
                                            silent: true,
                                            symbol: 'none',
                                            label: {
                                                formatter: 'average',
                                                color: token('--ink2'),
                                                position: 'insideEndTop',
                                            },
                                            lineStyle: { color: token('--ink3'), type: [2, 4] },
                                            data: [{ yAxis: 1 }],
                                        },
                                    },
                                ],
                            })}
                        />
                        {#if data.columns.length > 1}
                            <p class="note" data-no-picture>
                                Against {#each data.columns.filter((name) => name !== against.name) as name, index (name)}{index >
                                    0
                                        ? ', '
                                        : ''}<a
                                        class="set"
                                        href={withParams(page.url, { against: name })}
                                        data-sveltekit-noscroll>{name}</a
                                    >{/each}
                            </p>
                        {/if}
                    </Figure>
                {/if}
            </div>
        </div>
    {/if}
</div>

<style>
    .lorenz {
        display: grid;
        grid-template-columns: minmax(0, 300px) minmax(0, 1fr);
        gap: 18px;
    }
    .key {
        display: inline-block;
        width: 26px;
        vertical-align: 4px;
    }
    .solid {
        border-top: 2.4px solid var(--color-primary);
    }
    .dashed {
        border-top: 1.6px dashed var(--color-base-content);
    }
    .bars {
        width: 40%;
    }
    .bars svg {
        display: block;
    }
    .misfits td {
        vertical-align: top;
    }
    /* A control in every row stays quiet until it is meant. */
    .in-row {
        height: 24px;
        margin-block: -3px;
        border: 1px solid transparent;
        border-radius: 2px;
        background: transparent;
        color: var(--ink2);
        font: inherit;
    }
    .in-row:hover,
    .in-row:focus-visible {
        border-color: var(--edge);
        background: var(--field);
    }
    @container (max-width: 560px) {
        .lorenz {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
