<script lang="ts">
    /** Everything about one page, beside any view. All text in it was read from the site and is shown as text. */
    import type { Snippet } from 'svelte';
    import type { GivenFact } from '$lib/core/areas/import-matches.ts';
    import type { ToldSheet } from '$lib/core/areas/page-sheet.ts';
    import Address from '../parts/Address.svelte';
    import { quoted } from '$lib/core/sets/tokens.ts';
    import { count, counted, day, moment } from '../parts/format.ts';
    import type { Severity } from '$lib/core/checks/check.ts';
    import { moreLinksSentence } from '$lib/core/words/checks.ts';
    import type { PageLinks } from '$lib/core/areas/page-links.ts';
    import NoteList from '../parts/NoteList.svelte';
    import SeverityMark from '../parts/SeverityMark.svelte';
    import Elsewhere from './Elsewhere.svelte';
    import FedFeeds from './FedFeeds.svelte';
    import GateChain from './GateChain.svelte';
    import SheetFacts from './SheetFacts.svelte';
    import SheetLinks from './SheetLinks.svelte';
    import type { SheetDetails } from '../../core/survey/page-details.ts';

    interface Props {
        sheet: ToldSheet;
        /** Where the page stands in the current set; null when it is not in it. */
        place: { place: number; of: number; before: string | null; after: string | null } | null;
        origin: string;
        /** Address of the same view with another page's sheet. */
        hrefOf: (url: string) => string;
        closeHref: string;
        /** Address of a page's source at a line. */
        sourceHref: (url: string, line: number) => string;
        /** Facts beside the columns; null where nothing was kept. */
        details: SheetDetails | null;
        /** What lists from elsewhere say of the page. */
        given: GivenFact[];
        /** Starts a spot survey; says why not, or nothing. */
        onReadAgain: (what: { kind: 'page' | 'folder'; url: string }) => Promise<string>;
        /** Has a URL asked for that was left alone as an action; says why not, or nothing. */
        onAskAllTheSame: (url: string) => Promise<string>;
        /** Says how much the page matters, 1 to 3, or nothing; says why not, or nothing. */
        onPriority: (url: string, value: number | null) => Promise<string>;
        /** Address that shows a set. */
        setHref: (line: string) => string;
        /** The Links table with the links from or to a set. */
        linksHref: (line: string, side: 'from' | 'to') => string;
        /** What it is called, what feeds it and what it feeds. */
        links: PageLinks;
        findings: { check: string; severity: Severity; say: string; line: number | null }[];
        /** Links that something was found of, beyond those told. */
        moreLinks: number;
        notes: { id: number; text: string; createdAt: number }[];
        onNote: (url: string, text: string) => Promise<string>;
        onForgetNote: (id: number) => Promise<string>;
        /** Address with the sheet pinned beside the next one, or no longer pinned. */
        pinHref: string;
        /** The same page in the other surveys of the site; one of them may not know it. */
        elsewhere: { number: number; href: string }[];
        isPinned?: boolean;
        /** What its left edge is moved with; left out where it is not the outermost. */
        edge?: Snippet;
    }
    let {
        sheet,
        place,
        origin,
        hrefOf,
        closeHref,
        sourceHref,
        details,
        given,
        onReadAgain,
        onAskAllTheSame,
        onPriority,
        setHref,
        linksHref,
        links,
        findings,
        moreLinks,
        notes,
        onNote,
        onForgetNote,
        pinHref,
        elsewhere,
        isPinned = false,
        edge,
    }: Props = $props();
    /** Two sheets may stand beside each other. */
    const id = $props.id();
    let refusal = $state('');
    const record = $derived(sheet.record);
    const weight = $derived(sheet.weight);
    const folder = $derived(
        String(record.url)
            .split('?', 1)[0]!
            .replace(/[^/]*$/, ''),
    );

    async function readAgain(kind: 'page' | 'folder'): Promise<void> {
        refusal = await onReadAgain({ kind, url: kind === 'page' ? String(sheet.record.url) : folder });
    }
    /** The set of this page alone. */
    const own = $derived(`url is ${quoted(String(record.url), true)}`);
    const lineHref = (url: string, line: number | null): string | null =>
        line === null || !details?.keepsSource ? null : sourceHref(url, line);
    const facts = $derived(
        (
            [
                ['status', record.status],
                ['type', record.content_type],
                ['type is odd', record.type_note],
                ['body is cut', record.body_trouble],
                ['words', typeof record.words === 'number' ? count(record.words) : null],
                ['language', record.language],
                ['h1', record.h1 === record.title ? 'as the title' : record.h1],
                ['description', record.description],
                ['canonical', record.canonical],
                ['meta robots', record.meta_robots],
                ['X-Robots-Tag', record.x_robots_tag],
                ['redirects to', record.redirect_to],
                [
                    'passwords',
                    sheet.credentialsRemoved === 0
                        ? null
                        : `${counted(sheet.credentialsRemoved, 'link')} named a user or a password; not stored`,
                ],
                ['read', sheet.readAt === null ? null : moment(sheet.readAt)],
                ['answer took', sheet.milliseconds === null ? null : `${count(sheet.milliseconds)} ms`],
            ] as [string, string | number | null][]
        ).filter(([, value]) => value !== null && value !== ''),
    );
    const BY: Record<string, string> = { redirect: 'redirect', refresh: 'refresh' };
</script>

{#snippet lineOf(line: number | null)}
    {#if line !== null}{#if details?.keepsSource}, <a class="set" href={sourceHref(sheet.url, line)}
                >line {count(line)}</a
            >{:else}, line {count(line)}{/if}{/if}
{/snippet}

<aside class="sheet" class:pinned={isPinned} aria-label={isPinned ? 'Pinned page sheet' : 'Page sheet'}>
    {@render edge?.()}
    <div class="set-bar !justify-between">
        <span class="ink3 flex items-center" data-sveltekit-noscroll>
            {#if place}
                {#if place.before !== null}<a
                        class="tb !px-2"
                        href={hrefOf(place.before)}
                        aria-label="Page before in the set">[</a
                    >{/if}
                <span class="px-1">{count(place.place)} of {count(place.of)} in the set</span>
                {#if place.after !== null}<a
                        class="tb !px-2"
                        href={hrefOf(place.after)}
                        aria-label="Next page in the set">]</a
                    >{/if}
            {:else}{isPinned ? 'Pinned' : 'Page sheet'}{/if}
        </span>
        <span class="flex" data-sveltekit-noscroll>
            {#if !isPinned}<a class="tb" href={pinHref} title="Keeps this sheet beside the next one">Pin</a>{/if}
            <a class="tb" href={closeHref} aria-label="Close the {isPinned ? 'pinned sheet' : 'page sheet'}">Close ×</a>
        </span>
    </div>
    <div class="sheet-body" data-sveltekit-noscroll>
        <section class="!border-t-0">
            <h2 class="font-serif text-[1.1875rem] leading-6 break-words">
                {record.title || (record.status === null ? 'Not read' : 'No title')}
            </h2>
            <p class="break-all ink2">{record.url}</p>
            <Elsewhere {elsewhere} />
            <GateChain gates={sheet.gates} />
            <p class="mt-1.5 break-words">{sheet.verdict}</p>
        </section>
        <section>
            <h3 class="pane-name">
                The way here <span class="note"
                    >{sheet.way.length > 0 ? counted(Number(record.depth), 'click') : ''}</span
                >
            </h3>
            {#if sheet.way.length === 0}
                <p>
                    {record.reached === null
                        ? 'Not reached so far; in a partial survey that proves nothing.'
                        : 'No path of links leads here from the start page.'}
                </p>
            {:else}
                <ol>
                    {#each sheet.way as step (step.url)}
                        <li class="way">
                            <b class="text-right">{step.depth}</b>
                            <span class="break-words min-w-0">
                                {#if step.by === 'start'}start page,
                                {:else if step.by === 'link'}<span class="aside"
                                        >{step.anchor === '' ? 'a link without words' : `“${step.anchor}”`}</span
                                    >
                                {:else}<span class="ink2">{BY[step.by]} to</span>{/if}
                                <a class="plain-set text-primary" href={hrefOf(step.url)}
                                    ><Address url={step.url} {origin} most={40} /></a
                                >
                            </span>
                            <span class="note text-right whitespace-nowrap"
                                >{step.region}{step.line === null ? '' : ` ${step.line}`}</span
                            >
                        </li>
                    {/each}
                </ol>
                <p class="note">Numbers at the right: line of the link in the page before.</p>
            {/if}
        </section>
        {#if findings.length > 0}
            <section>
                <h3 class="pane-name">Findings <span class="note">{count(findings.length)}</span></h3>
                <ul>
                    {#each findings as finding, index (index)}
                        <li class="finding">
                            <SeverityMark severity={finding.severity} />
                            <span class="min-w-0 breaks"
                                >{finding.line === null ? finding.say : finding.say.replace(/\.$/, '')}{@render lineOf(
                                    finding.line,
                                )}</span
                            >
                        </li>
                    {/each}
                    {#if moreLinks > 0}<li class="finding">
                            <SeverityMark severity="remark" />
                            <span>{moreLinksSentence(moreLinks)}</span>
                        </li>{/if}
                </ul>
            </section>
        {/if}
        {#if links.called.length > 0}
            <section>
                <h3 class="pane-name">Called <span class="note">{counted(links.called.length, 'name')}</span></h3>
                <ul>
                    {#each links.called.slice(0, 8) as item (`${item.isName} ${item.anchor}`)}
                        <li class="called">
                            <span class="aside cut" title={item.anchor}
                                >{item.anchor === '' ? 'no words' : `“${item.anchor}”`}{item.isName
                                    ? ' (name)'
                                    : ''}</span
                            >
                            <svg width="60" height="8" aria-hidden="true"
                                ><rect
                                    x="0.5"
                                    y="0.5"
                                    width={Math.max(1, (item.links / (links.called[0]?.links ?? 1)) * 59)}
                                    height="7"
                                    fill={item.anchor === '' ? 'none' : 'var(--color-primary)'}
                                    stroke="var(--color-primary)"
                                /></svg
                            >
                            <span class="n text-right">{count(item.links)}</span>
                        </li>
                    {/each}
                </ul>
                {#if links.called.length > 8}<p class="note">
                        {counted(links.called.length - 8, 'rarer name')} not listed.
                    </p>{/if}
            </section>
        {/if}
        <section>
            <h3 class="pane-name mb-1">Fed by, feeds</h3>
            <FedFeeds fedBy={links.fedBy} feeds={links.feeds} {setHref} />
        </section>
        <section>
            <h3 class="pane-name">
                Linked from <span class="note"
                    >{counted(Number(record.incoming_links), 'link')} on {counted(
                        Number(record.incoming_pages),
                        'page',
                    )}</span
                >
            </h3>
            {#if sheet.incoming.length === 0}<p>No other page that was read links here.</p>{:else}<SheetLinks
                    links={sheet.incoming}
                    total={sheet.incomingTotal}
                    {origin}
                    {hrefOf}
                    lineHref={(link) => lineHref(link.url, link.line)}
                    allHref={linksHref(own, 'to')}
                />{/if}
        </section>
        <section>
            <h3 class="pane-name">
                Links to <span class="note"
                    >{record.outgoing_links === null
                        ? 'not read'
                        : counted(Number(record.outgoing_links), 'link')}</span
                >
            </h3>
            {#if sheet.outgoing.length === 0}<p>
                    {record.outgoing_links === null
                        ? 'The page was not read, so its links are not known.'
                        : 'No links.'}
                </p>{:else}<SheetLinks
                    links={sheet.outgoing}
                    total={sheet.outgoingTotal}
                    {origin}
                    {hrefOf}
                    lineHref={(link) => lineHref(sheet.url, link.line)}
                    allHref={linksHref(own, 'from')}
                />{/if}
        </section>
        <section>
            <h3 class="pane-name">Weight</h3>
            <dl class="facts">
                <dt>standing</dt>
                <dd>
                    {#if weight.standing === null}not ranked{:else}{weight.standing.toFixed(2)}
                        <span class="note">1 is the average page</span>{/if}
                </dd>
                {#if weight.leak !== null && weight.leak > 0.0005}<dt>leak</dt>
                    <dd>{weight.leak.toFixed(2)} <span class="note">to errors and closed pages</span></dd>{/if}
                {#if weight.load > 0 && sheet.way.length > 1}<dt>load</dt>
                    <dd>
                        <a class="set" href={setHref(`behind (url is ${JSON.stringify(record.url)})`)}
                            >{counted(weight.load, 'page')}</a
                        > reached through this one only
                    </dd>{/if}
                {#if weight.heldBy !== null}<dt>held by</dt>
                    <dd>one link, on <Address url={weight.heldBy} {origin} most={40} /></dd>{/if}
                {#each sheet.doubles as double (double.what)}<dt>double</dt>
                    <dd>
                        <a class="set" href={setHref(double.set)}>{counted(double.others, 'other page')}</a>
                        {double.others === 1 ? 'has' : 'have'}
                        {double.what}
                    </dd>{/each}
                <dt><label for="sheet-priority-{id}">priority</label></dt>
                <dd>
                    <select
                        id="sheet-priority-{id}"
                        class="field !w-auto"
                        value={String(weight.priority ?? '')}
                        onchange={async (event) =>
                            (refusal = await onPriority(
                                String(record.url),
                                event.currentTarget.value === '' ? null : Number(event.currentTarget.value),
                            ))}
                    >
                        <option value="">not set</option>
                        <option value="1">1, matters most</option>
                        <option value="2">2</option>
                        <option value="3">3</option>
                    </select>
                </dd>
            </dl>
        </section>
        <section>
            <h3 class="pane-name mb-1">Notes</h3>
            <NoteList
                {notes}
                about="this page"
                onWrite={(text) => onNote(String(record.url), text)}
                onForget={onForgetNote}
            />
        </section>
        <section>
            <h3 class="pane-name">How it is known</h3>
            <dl class="facts">
                {#each sheet.evidence as item (item.name)}<dt>{item.name}</dt>
                    <dd>
                        {item.detail || 'said by another page'}
                        {#each given.filter((fact) => fact.kind === item.name) as fact (fact.name)}
                            {#each fact.values as value (value.column)}<div>
                                    <span class="ink3">{value.column}</span>
                                    {value.type === 'date' ? day(value.value) : count(value.value)}
                                </div>{/each}
                            {#if fact.links > 0}<details>
                                    <summary
                                        >{counted(fact.links, 'page')} of other sites {fact.links === 1
                                            ? 'links'
                                            : 'link'} here</summary
                                    >
                                    {#each fact.sources as source (source)}<div class="breaks">{source}</div>{/each}
                                    {#if fact.links > fact.sources.length}<div class="ink3">
                                            and {count(fact.links - fact.sources.length)} more
                                        </div>{/if}
                                </details>{/if}
                        {/each}
                    </dd>{/each}
            </dl>
        </section>
        <section>
            <h3 class="pane-name">Text and answer</h3>
            {#if facts.length === 0}<p>Not read.</p>{/if}
            <dl class="facts">
                {#each facts as [name, value] (name)}<dt>{name}</dt>
                    <dd>{value}</dd>{/each}
            </dl>
            <p class="mt-2 flex gap-2 flex-wrap">
                {#if details?.hasSource}<a class="tb outlined" href={sourceHref(sheet.url, 1)}>Source as received</a
                    >{/if}
                {#if record.not_read === 'action'}<button
                        class="tb outlined"
                        onclick={async () => (refusal = await onAskAllTheSame(String(record.url)))}
                        >Ask for it all the same</button
                    >{/if}
                <button class="tb outlined" onclick={() => readAgain('page')}>Read this page again</button>
                <button class="tb" onclick={() => readAgain('folder')}>Read its folder again</button>
            </p>
            {#if refusal}<p class="fault-line mt-1" role="alert">{refusal}</p>{/if}
        </section>
        {#if details}<SheetFacts {details} />{/if}
    </div>
</aside>

<style>
    .finding {
        display: grid;
        grid-template-columns: 16px minmax(0, 1fr);
        gap: 4px;
        padding: 1px 0;
    }
    .called {
        display: grid;
        grid-template-columns: minmax(0, 1fr) 60px 44px;
        gap: 8px;
        align-items: center;
        min-height: 20px;
    }
    .way {
        display: grid;
        grid-template-columns: 16px minmax(0, 1fr) auto;
        gap: 8px;
        padding: 1px 0;
    }
</style>
