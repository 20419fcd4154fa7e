<script lang="ts">
    /** What a door check found: the sentence, what shuts, what changed, and everything it looked at. */
    import { storedWords } from '$lib/core/words/problems.ts';
    import type { DoorReport } from '$lib/core/door/door-report.ts';
    import { passGates } from '$lib/core/gates/gates.ts';
    import { realOrigin } from '$lib/core/door/judge-door.ts';
    import type { KnockChange } from '$lib/core/door/compare-knocks.ts';
    import { count, counted, day, moment } from '../parts/format.ts';
    import DoorSitemaps from './DoorSitemaps.svelte';

    interface Props {
        report: DoorReport;
        before: { at: number; say: string; changes: KnockChange[] } | null;
        /** Knocks at a neighbour host; the button's name and value of the surrounding form. */
        knockName?: string;
    }
    let { report, before, knockName }: Props = $props();
    const facts = $derived(report.facts);
    const verdict = $derived(report.verdict);
    const robots = $derived(facts.robots);
    const start = $derived(facts.start);
    const real = $derived(realOrigin(facts));
    const CLOSES = {
        nothing: 'closes nothing',
        some: 'closes some paths, not the start page',
        start: 'closes the start page',
        site: 'closes the whole site',
        unreachable: 'cannot be had, so everything counts as closed',
    };
    const wayOf = (hops: (typeof start)['hops']): string =>
        hops.map((hop) => (hop.status === null ? storedWords(hop.failure) : String(hop.status))).join(' → ');
    const gates = $derived(
        passGates({
            url: start.hops.at(-1)?.url ?? start.url,
            internal: true,
            robotsAllowed: start.closedBy === '',
            robotsRule: start.closedBy,
            status: start.status,
            failure: start.failure,
            redirectTo: start.hops.at(-1)?.to ?? '',
            instantRefresh: '',
            mediaType: start.mediaType,
            noindex: start.noindex !== null,
            noindexReason: '',
            canonicals: start.canonical ? [start.canonical.say] : [],
        }),
    );
    const gatesSay = $derived(
        gates.failed.length === 0
            ? 'passes all seven'
            : `stops at ${gates.failed[0]?.gate}${
                  gates.failed.length > 1
                      ? `; would stop at ${gates.failed
                            .slice(1)
                            .map((item) => item.gate)
                            .join(' and ')} too`
                      : ''
              }`,
    );
    const openSamples = $derived(
        facts.samples.filter((page) => page.status === 200 && page.failure === '' && page.noindex === null).length,
    );
</script>

{#if verdict.bolts.length > 0}
    <section class="pane border-t border-(--rule)" aria-label="What shuts it">
        {#each verdict.bolts as bolt (bolt.kind)}
            <div class="bolt" class:lesser={bolt.onlyHere || bolt.isHidden}>
                <p><b>{bolt.say}</b></p>
                <p class="ink2">
                    Stands in <span class="mono">{bolt.where}</span>{bolt.isHidden
                        ? ', where nobody who keeps to robots.txt will see it'
                        : ''}{bolt.onlyHere ? '; the pages behind are open' : ''}.
                </p>
                <p><span class="aside">What would open it?</span> {bolt.opens}</p>
            </div>
        {/each}
    </section>
{/if}

{#if before}
    <section class="pane border-t border-(--rule)" aria-label="Before and after">
        <h2 class="pane-name">
            Before and after <span class="note">the knock before was on {moment(before.at)}</span>
        </h2>
        {#if before.changes.length === 0}
            <p class="ink2">Nothing has changed since.</p>
        {:else}
            <table class="ruled">
                <thead><tr><th>what</th><th>before</th><th>now</th></tr></thead>
                <tbody>
                    {#each before.changes as change (change.what)}
                        <tr
                            ><td>{change.what}</td><td class="ink2 breaks">{change.before}</td><td class="breaks"
                                >{change.now}</td
                            ></tr
                        >
                    {/each}
                </tbody>
            </table>
        {/if}
    </section>
{/if}

{#if verdict.remarks.length > 0}
    <section class="pane border-t border-(--rule)" aria-label="Remarks">
        <ul class="dotted">
            {#each verdict.remarks as remark (remark)}<li>{remark}</li>{/each}
        </ul>
    </section>
{/if}

<section class="pane border-t border-(--edge)" aria-label="Ways to write the host">
    <h2 class="pane-name">
        {facts.variants.length === 1 ? 'The host' : `${facts.variants.length} ways to write the host`}
        <span class="note"
            >{facts.variants.length === 1
                ? 'an address or a port of its own has no variants'
                : real === ''
                  ? 'nothing settles which is the real one'
                  : `the real one is ${real}`}</span
        >
    </h2>
    <table class="ruled">
        <thead
            ><tr
                ><th>asked</th><th>answers</th><th>lands at</th><th class="spare">canonical of its page</th><th
                    >certificate</th
                ></tr
            ></thead
        >
        <tbody>
            {#each facts.variants as variant (variant.origin)}
                <tr>
                    <td class:real={variant.origin === real}>{variant.origin}</td>
                    <td>{wayOf(variant.hops) || 'not asked'}</td>
                    <td
                        >{variant.lands === ''
                            ? 'nowhere'
                            : variant.lands === variant.origin
                              ? 'itself'
                              : variant.lands}</td
                    >
                    <td class="spare breaks">{variant.canonical || '·'}</td>
                    <td
                        >{#if variant.certificate === null}<span class="ink3" aria-label="none">·</span
                            >{:else if variant.certificate.isTrusted}valid{variant.certificate.validTo === null
                                ? ''
                                : ` to ${day(variant.certificate.validTo)}`}{:else}{variant.certificate.trouble}{variant
                                .certificate.isPinned
                                ? '; taken, because the host is pinned'
                                : ''}{/if}</td
                    >
                </tr>
            {/each}
        </tbody>
    </table>
</section>

<div class="pane-row halves border-t border-(--edge)">
    <section class="pane" aria-label="robots.txt">
        <h2 class="pane-name">robots.txt</h2>
        <dl class="facts">
            <dt>answers</dt>
            <dd>{robots.status ?? 'nothing'}{robots.bytes === null ? '' : `, ${counted(robots.bytes, 'byte')}`}</dd>
            <dt>{CLOSES[robots.closes].split(' ', 1)[0]}</dt>
            <dd>{CLOSES[robots.closes].replace(/^\S+ /, '')}</dd>
            {#if robots.rule !== ''}
                <dt>decides</dt>
                <dd><span class="mono">{robots.rule}</span>, line {robots.line}</dd>
            {/if}
            <dt>speaks to</dt>
            <dd>
                {robots.group === ''
                    ? 'no group speaks to us'
                    : robots.group === '*'
                      ? 'every agent'
                      : robots.group}{robots.rules === 0 ? '' : `, ${counted(robots.rules, 'rule')}`}
            </dd>
        </dl>
    </section>
    <section class="pane" aria-label="Start page">
        <h2 class="pane-name">Start page</h2>
        {#if start.isLeft}
            <p class="ink2">Not asked for: {storedWords(start.closedBy)}</p>
        {:else}
            <dl class="facts">
                <dt>gates</dt>
                <dd>{gatesSay}</dd>
                <dt>answers</dt>
                <dd class="breaks">
                    {wayOf(start.hops)}{start.hops.length > 1 ? `, at ${start.hops.at(-1)?.url}` : ''}
                </dd>
                {#if start.words !== null}
                    <dt>title</dt>
                    <dd>{start.title === '' ? 'none' : start.title}</dd>
                    <dt>language</dt>
                    <dd>{start.language === '' ? 'not said' : start.language}</dd>
                    <dt>holds</dt>
                    <dd>{counted(start.words, 'word')}, {counted(start.links ?? 0, 'link')} into the site</dd>
                    <dt>noindex</dt>
                    <dd>
                        {#if start.noindex}<span class="mono breaks">{start.noindex.where}</span>{:else}none, in meta or
                            header{/if}
                    </dd>
                {/if}
            </dl>
        {/if}
    </section>
</div>

<DoorSitemaps sitemaps={facts.sitemaps} expected={facts.expected} />

<section class="pane border-t border-(--edge)" aria-label="Pages behind it and another agent">
    <h2 class="pane-name">
        {facts.samples.length === 0
            ? 'No page behind it was tried'
            : `${openSamples} of ${counted(facts.samples.length, 'page')} tried behind it may be indexed`}
        <span class="note">asked as {facts.agent}, and again as “{facts.otherAgent}”</span>
    </h2>
    {#if facts.samples.length > 0}
        <table class="ruled">
            <thead
                ><tr
                    ><th>page</th><th>answers</th><th class="num spare">words</th><th>differs for the other agent</th
                    ></tr
                ></thead
            >
            <tbody>
                {#each facts.samples as sample (sample.url)}
                    {@const other = facts.differences.filter((item) => item.url === sample.url)}
                    <tr>
                        <td class="breaks">{sample.url.replace(/^https?:\/\/[^/]+/, '')}</td>
                        <td>{wayOf(sample.hops) || 'not asked'}{sample.noindex ? ', noindex' : ''}</td>
                        <td class="num spare">{sample.words === null ? '·' : count(sample.words)}</td>
                        <td>
                            {#each other as item (item.what)}<div>
                                    {item.what}: {item.ours} / {item.other}
                                </div>{:else}<span class="ink3">no</span>{/each}
                        </td>
                    </tr>
                {/each}
            </tbody>
        </table>
    {/if}
    {#each facts.differences.filter((item) => item.url === start.url) as item (item.what)}
        <p>Start page, {item.what}: “{item.ours}” to us, “{item.other}” to the other agent.</p>
    {/each}
</section>

{#if facts.neighbours.length > 0}
    <section class="pane border-t border-(--rule)" aria-label="Neighbour hosts">
        <h2 class="pane-name">
            Neighbour hosts <span class="note">of the same domain, linked from the start page, no part of the site</span
            >
        </h2>
        <table class="ruled">
            <thead><tr><th>host</th><th class="num">links</th><th>open to indexing?</th></tr></thead>
            <tbody>
                {#each facts.neighbours as item (item.host)}
                    <tr>
                        <td>{item.host}</td><td class="num">{count(item.links)}</td>
                        <td
                            >{#if knockName}<button
                                    class="tb outlined"
                                    name={knockName}
                                    value={new URL(item.example).origin + '/'}>Knock there</button
                                >{:else}not asked{/if}</td
                        >
                    </tr>
                {/each}
            </tbody>
        </table>
    </section>
{/if}

<style>
    .halves {
        grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    }
    @media (max-width: 900px) {
        .halves {
            grid-template-columns: minmax(0, 1fr);
        }
    }
    .bolt {
        border-left: 4px solid var(--color-accent);
        padding: 2px 0 2px 10px;
        margin: 4px 0 10px;
        max-width: 820px;
    }
    .bolt.lesser {
        border-left: 2px solid var(--color-base-content);
    }
    .real {
        font-weight: 600;
    }
    .breaks {
        overflow-wrap: anywhere;
    }
    .facts {
        display: grid;
        grid-template-columns: 84px minmax(0, 1fr);
        gap: 2px 10px;
        max-width: 560px;
    }
    .facts dt {
        color: var(--ink3);
    }
</style>
