<script lang="ts">
    import { setQuery } from '$lib/core/sets/page-filter.ts';
    import { goto, invalidateAll } from '$app/navigation';
    import { navigating } from '$app/state';
    import { WHY_CLOSED } from '$lib/ui/parts/closed-words.ts';
    import { ProgressEvent } from '$lib/wire/progress.ts';
    import { surveyApi, tell } from '$lib/wire/client.ts';
    import ReadingBar from '$lib/ui/parts/ReadingBar.svelte';
    import SettingsSummary from '$lib/ui/parts/SettingsSummary.svelte';
    import { count, counted, moment } from '$lib/ui/parts/format.ts';

    let { data } = $props();
    /** Families shown here; all that were kept are in their CSV. */
    const MOST_FAMILIES = 50;
    let live = $state<ProgressEvent | null>(null);
    let lost = $state(false);
    let asking = $state('');
    let refusal = $state('');
    let wantsDelete = $state(false);
    const api = $derived(surveyApi(data.site.id, data.survey.path));
    const base = $derived(`/sites/${data.site.id}/${data.survey.path}`);
    const phase = $derived(live?.state ?? data.survey.state);
    const progress = $derived(live?.progress ?? data.progress);
    const isKnocking = $derived(phase === 'running' && (live?.isKnocking ?? data.isKnocking));
    const isEarlier = $derived(data.survey.revision < data.survey.latest);
    const isRunning = $derived(phase === 'waiting' || phase === 'running');
    const isSpot = $derived(data.survey.settings.spot !== null);
    const most = $derived(Math.max(1, ...(progress?.levels ?? []).map((level) => level.seen)));
    /** Found, and neither read nor left alone. */
    const open = $derived(
        progress === null
            ? 0
            : progress.found -
                  progress.read -
                  progress.unanswered -
                  progress.closedByRobots -
                  progress.actions -
                  progress.trapped,
    );
    const left = $derived(progress && progress.rate > 0 ? Math.ceil(Math.max(0, open) / progress.rate) : null);
    /** Why it is laid aside, or could not be made. */
    const trouble = $derived(live?.trouble || data.survey.trouble);
    const canGoOn = $derived(!isRunning && (phase !== 'finished' || data.survey.cut.some((cut) => cut !== 'spot')));

    $effect(() => {
        live = null;
        if (data.survey.isEnded) return;
        const source = new EventSource(`${api}/progress`);
        source.addEventListener('progress', (event) => {
            const read = ProgressEvent.safeParse(JSON.parse(event.data as string));
            if (!read.success) return;
            const hasKnocked = live?.isKnocking === true && !read.data.isKnocking;
            live = read.data;
            if (hasKnocked && !navigating.to) void invalidateAll();
            lost = false;
            if (live.state !== 'waiting' && live.state !== 'running') {
                source.close();
                asking = '';
                // The reader may be on the way to the Brief already.
                if (!navigating.to) void invalidateAll();
            }
        });
        source.onerror = () => (lost = true);
        return () => source.close();
    });

    async function ask(what: string, body: unknown = {}): Promise<boolean> {
        asking = what;
        refusal = '';
        refusal = await tell(`${api}/${what}`, { method: 'POST', body });
        if (refusal === '') return true;
        asking = '';
        return false;
    }

    async function askAndLook(what: string, body: unknown = {}): Promise<void> {
        if (await ask(what, body)) await invalidateAll();
        if (what !== 'stop' && what !== 'pause') asking = '';
    }

    async function remove(): Promise<void> {
        if (await ask('delete')) await goto(`/sites/${data.site.id}`, { invalidateAll: true });
    }

    const LIMIT_WORDS: Record<string, string> = {
        'max-pages': 'the page limit',
        'max-depth': 'the depth limit',
        'max-minutes': 'the time limit',
        stopped: 'a stop',
        failed: 'a failure',
        spot: 'being a spot survey',
    };
    const times = $derived(
        [
            { name: 'started', text: moment(data.survey.startedAt) },
            {
                name: 'ended',
                text: `${moment(data.survey.endedAt)}${data.survey.revision > 1 ? `, revision ${data.survey.revision}` : ''}`,
            },
        ].filter((item) => item.text !== ''),
    );
    const widerPages = $derived(data.survey.settings.maxPages * 2);
</script>

<svelte:head><title>Survey {data.survey.number} · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <div class="pane border-b border-(--edge)">
        <h1 class="headline" aria-live="polite">
            {#if phase === 'waiting'}Survey {data.survey.number} waits to be taken up.
            {:else if isKnocking}Survey {data.survey.number} knocks at the door first.
            {:else if phase === 'running'}Survey {data.survey.number} is running.
            {:else if phase === 'paused' && trouble !== ''}Survey {data.survey.number} was laid aside; nothing is lost.
            {:else if phase === 'paused'}Survey {data.survey.number} is paused; nothing is lost.
            {:else if phase === 'failed'}Survey {data.survey.number} could not be made.
            {:else if phase === 'stopped'}Survey {data.survey.number} was stopped; what was read is kept.
            {:else}Survey {data.survey.number} is done: <a class="set" href="{base}/brief">read the Brief</a>.{/if}
        </h1>
        {#if isSpot}
            <p class="ink2">
                A spot survey of <a class="set" href="/sites/{data.site.id}/{data.survey.settings.spot?.parent}/brief"
                    >survey {data.survey.settings.spot?.parent}</a
                >: {data.survey.settings.spot?.what}, read again. It has no depth and no orphans.
            </p>
        {:else if data.survey.cut.length > 0 && phase !== 'failed'}
            <p class="ink2">
                Partial, because of {data.survey.cut.map((cut) => LIMIT_WORDS[cut] ?? cut).join(' and ')}: what was not
                read is listed with its reason, and orphans are not known.
            </p>
        {/if}
        {#if data.knock && !isKnocking && !isSpot}
            <p class="ink2">
                The door before it{phase === 'failed' ? '' : `: ${data.knock.say}`}
                <a class="set" href="/sites/{data.site.id}/door?knock={data.knock.id}">{moment(data.knock.at)}</a>
            </p>
        {/if}
        {#if trouble !== '' && (phase === 'failed' || phase === 'paused')}
            <p class="fault-line mt-2 max-w-[760px] break-words" role="alert">{trouble}</p>
        {/if}
        {#if isRunning && progress && progress.warning !== ''}
            <p class="risk-line mt-2 max-w-[760px]">{progress.warning}</p>
        {/if}
        {#if phase === 'failed'}
            <p class="mt-2 flex gap-2 flex-wrap">
                <a class="tb filled" href="/sites/{data.site.id}/new-survey">Change the settings and try again</a>
                <a class="tb outlined" href="/sites/{data.site.id}/door">Knock at the door: what shuts it?</a>
                <a class="tb" href="{base}/brief">What was found all the same</a>
            </p>
        {/if}
        <p class="mt-2 flex gap-2 flex-wrap items-center">
            {#if isRunning}
                <button
                    class="tb outlined"
                    onclick={() => askAndLook('pause')}
                    disabled={asking !== '' || live?.pauseAsked === true}
                    >{live?.pauseAsked || asking === 'pause' ? 'Pausing' : 'Pause'}</button
                >
                <button
                    class="tb outlined"
                    onclick={() => askAndLook('stop')}
                    disabled={asking !== '' || live?.stopAsked === true}
                    >{live?.stopAsked || asking === 'stop' ? 'Stopping' : 'Stop and keep what is read'}</button
                >
                {#if lost}<span class="ink2">The connection to the server was lost; trying again.</span>{/if}
            {:else if !isEarlier}
                {#if canGoOn}
                    <button
                        class="tb {phase === 'failed' ? 'outlined' : 'filled'}"
                        onclick={() => askAndLook('resume')}
                        disabled={asking !== ''}
                        >{phase === 'paused'
                            ? 'Go on'
                            : phase === 'failed'
                              ? 'Try again as it is'
                              : 'Go on where it ended'}</button
                    >
                    {#if phase === 'paused'}
                        <button class="tb outlined" onclick={() => askAndLook('stop')} disabled={asking !== ''}
                            >Close it with what is read</button
                        >
                    {/if}
                    {#if data.survey.cut.includes('max-pages')}
                        <button
                            class="tb outlined"
                            onclick={() => askAndLook('resume', { maxPages: widerPages })}
                            disabled={asking !== ''}>Go on to {count(widerPages)} pages</button
                        >
                    {/if}
                    {#if data.survey.cut.includes('max-depth')}
                        <button
                            class="tb outlined"
                            onclick={() => askAndLook('resume', { maxDepth: null })}
                            disabled={asking !== ''}>Go on to any depth</button
                        >
                    {/if}
                {/if}
                <a class="tb outlined" href="{api}/pages.csv" download data-sveltekit-reload>Pages, CSV</a>
                <a class="tb outlined" href="{api}/links.csv" download data-sveltekit-reload>Links, CSV</a>
                {#if progress && progress.families.length > 0}<a
                        class="tb outlined"
                        href="{api}/families.csv"
                        download
                        data-sveltekit-reload>Families, CSV</a
                    >{/if}
                <a class="tb outlined" href="{api}/summary.json" download="summary.json" data-sveltekit-reload
                    >Counts, JSON</a
                >
                <a class="tb" href="/sites/{data.site.id}/new-survey">New survey</a>
                {#if wantsDelete}
                    <span class="ink2">Delete survey {data.survey.number} for good?</span>
                    <button class="tb outlined" onclick={remove} disabled={asking !== ''}>Delete it</button>
                    <button class="tb" onclick={() => (wantsDelete = false)}>Keep it</button>
                {:else}
                    <button class="tb" onclick={() => (wantsDelete = true)}>Delete</button>
                {/if}
            {/if}
        </p>
        {#if refusal}<p class="fault-line mt-1" role="alert">{refusal}</p>{/if}
    </div>
    <div class="pane-row two">
        <section class="pane" aria-label="Progress">
            {#if progress}
                <p class="flex items-baseline gap-2 flex-wrap">
                    <span class="font-serif text-[1.6875rem] leading-8" data-testid="read">{count(progress.read)}</span>
                    <span class="text-[1rem] font-serif">read of {count(progress.found)} found</span>
                    <span class="ml-auto ink2"
                        >{isRunning
                            ? `${progress.rate.toFixed(1)} a second${left === null ? '' : `, about ${left < 90 ? `${left} s` : `${Math.ceil(left / 60)} min`} for what is found so far`}`
                            : ''}</span
                    >
                </p>
                <ReadingBar read={progress.read} of={progress.found} />
                <p class="note mt-1">
                    {isRunning
                        ? `Now: ${progress.doing}${progress.level === null ? '' : `, level ${progress.level}`}. The whole is not known until the last level is read.`
                        : phase === 'paused'
                          ? 'Found so far; the rest is read when it is gone on with.'
                          : 'This is all that was found.'}
                    {#if progress.checks.done + progress.checks.open > 0}
                        Other targets asked for their status: {count(progress.checks.done)} of {count(
                            progress.checks.done + progress.checks.open,
                        )}.
                    {/if}
                </p>
                {#if isRunning && progress.waiting !== ''}<p class="risk-line mt-1">{progress.waiting}</p>{/if}
                {#if progress.levels.length > 0}
                    <table class="ruled levels mt-2">
                        <thead
                            ><tr
                                ><th class="num">depth</th><th><span class="visually-hidden">Share</span></th><th
                                    class="num">read of found</th
                                ></tr
                            ></thead
                        >
                        <tbody>
                            {#each progress.levels.slice(0, 40) as level (level.level)}
                                <tr>
                                    <td class="num">{level.level}</td>
                                    <td class="w-full">
                                        <svg width="100%" height="16" aria-hidden="true">
                                            <rect
                                                x="0.5"
                                                y="0.5"
                                                width="{(level.seen / most) * 99}%"
                                                height="15"
                                                fill="url(#hatch-faint)"
                                                stroke="var(--ink2)"
                                                stroke-width="0.7"
                                            />
                                            <rect
                                                x="0.5"
                                                y="0.5"
                                                width="{(level.read / most) * 99}%"
                                                height="15"
                                                fill="var(--d{Math.min(9, level.level)})"
                                                stroke="var(--ink2)"
                                                stroke-width="0.7"
                                            />
                                        </svg>
                                    </td>
                                    <td class="num">{count(level.read)} of {count(level.seen)}</td>
                                </tr>
                            {/each}
                        </tbody>
                    </table>
                    {#if progress.levels.length > 40}
                        <p class="note">
                            {counted(progress.levels.length - 40, 'deeper level')} with {count(
                                progress.levels.slice(40).reduce((sum, level) => sum + level.seen, 0),
                            )} found
                        </p>
                    {/if}
                {/if}
            {:else}<p class="ink2">{isRunning ? 'Nothing has been read yet.' : 'No progress was kept.'}</p>{/if}
        </section>
        <section class="pane" aria-label="Hosts">
            <h2 class="pane-name mb-1">By host</h2>
            {#if progress && progress.hosts.length > 0}
                <table class="ruled">
                    <thead
                        ><tr
                            ><th>host</th><th class="num">asked</th><th class="num">answers in, ms</th><th class="num"
                                >connections</th
                            ></tr
                        ></thead
                    >
                    <tbody>
                        {#each progress.hosts.slice(0, 12) as host (host.host)}
                            <tr>
                                <td
                                    >{host.host}
                                    {#if host.delay > 0}<div class="note">
                                            {(host.delay / 1000).toLocaleString('en')} s between requests
                                        </div>{/if}
                                    {#if host.crawlDelay !== null && host.crawlDelay * 1000 > host.delay}<div
                                            class="note"
                                        >
                                            robots.txt asks for {host.crawlDelay} s; not kept to
                                        </div>{/if}
                                    {#if host.slowed !== ''}<div class="note">{host.slowed}</div>{/if}</td
                                >
                                <td class="num">{count(host.asked)}</td>
                                <td class="num">{count(host.milliseconds)}</td>
                                <td class="num">{isRunning ? `${host.inUse} of ${host.allowed}` : `${host.allowed}`}</td
                                >
                            </tr>
                        {/each}
                    </tbody>
                </table>
            {:else}<p class="ink2">No host was asked yet.</p>{/if}
            {#if progress}
                <h2 class="pane-name mt-3 mb-1">Not read{isRunning ? ' so far' : ''}</h2>
                <dl class="facts">
                    <dt>robots.txt</dt>
                    <dd>
                        {#if progress.closedByRobots > 0}<a
                                class="set"
                                href="{base}/pages{setQuery('reason is robots')}"
                                >{counted(progress.closedByRobots, 'URL')}</a
                            > closed{:else}nothing closed{/if}
                    </dd>
                    <dt>actions</dt>
                    <dd>
                        {#if progress.actions > 0}<a class="set" href="{base}/pages{setQuery('reason is action')}"
                                >{counted(progress.actions, 'URL')}</a
                            > left alone{:else}none met{/if}
                    </dd>
                    <dt>closed families</dt>
                    <dd>
                        {#if progress.trapped > 0}<a class="set" href="{base}/pages{setQuery('reason is trap')}"
                                >{counted(progress.trapped, 'URL')}</a
                            > beyond what was read{:else}none{/if}
                    </dd>
                    <dt>failures</dt>
                    <dd>{count(progress.failures)}</dd>
                </dl>
                {#if progress.recentFailures.length > 0}
                    <ul class="mt-1">
                        {#each progress.recentFailures.slice(0, 8) as failure (failure.url)}
                            <li class="fault-line mb-1 break-words">
                                <span class="mono">{failure.url}</span>
                                <div class="note">{failure.say}, {moment(failure.at)}</div>
                            </li>
                        {/each}
                    </ul>
                {/if}
            {/if}
        </section>
    </div>
    {#if progress && progress.families.length > 0}
        <section class="pane border-b border-(--edge)" aria-label="Families">
            <h2 class="pane-name">Families of URLs</h2>
            <p class="note mb-1">
                URLs of one pattern that lead to ever more of the same. One that shows no end closes after {count(
                    data.survey.settings.familyLimit,
                )} pages; open it, and the survey goes on with it.
            </p>
            <table class="ruled families">
                <thead
                    ><tr
                        ><th>pattern</th><th class="num">read</th><th class="num">seen</th><th>state</th><th
                            ><span class="visually-hidden">Change</span></th
                        ></tr
                    ></thead
                >
                <tbody>
                    {#each progress.families.slice(0, MOST_FAMILIES) as family (family.pattern)}
                        <tr>
                            <td
                                ><span class="mono">{family.pattern}</span>
                                <div class="note break-all">for example {family.example}</div></td
                            >
                            <td class="num">{count(family.read)}</td>
                            <td class="num">{count(family.seen)}</td>
                            <td
                                >{family.state === 'closed'
                                    ? `closed: ${WHY_CLOSED[family.reason] ?? family.reason}`
                                    : family.byHand
                                      ? 'opened by hand'
                                      : 'open'}</td
                            >
                            <td class="num"
                                ><button
                                    class="tb outlined"
                                    disabled={asking !== ''}
                                    onclick={() =>
                                        askAndLook('decisions', {
                                            kind: 'family',
                                            of: family.pattern,
                                            state: family.state === 'closed' ? 'open' : 'closed',
                                        })}>{family.state === 'closed' ? 'Open it' : 'Close it'}</button
                                ></td
                            >
                        </tr>
                    {/each}
                </tbody>
            </table>
            {#if progress.families.length > MOST_FAMILIES}<p class="note mt-1">
                    {count(progress.families.length - MOST_FAMILIES)} more, with fewer URLs each, are in
                    <a class="set" href="{api}/families.csv" data-sveltekit-reload>Families, CSV</a>.
                </p>{/if}
        </section>
    {/if}
    <section class="pane" aria-label="How it is read">
        <h2 class="pane-name mb-1">How it {isRunning ? 'is' : 'was'} read</h2>
        <SettingsSummary settings={data.survey.settings} more={times} />
    </section>
</div>

<style>
    .levels td {
        vertical-align: middle;
    }
</style>
