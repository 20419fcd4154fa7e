<script lang="ts">
    import { invalidate } from '$app/navigation';
    import { ProgressEvent } from '$lib/wire/progress.ts';
    import ReadingBar from '$lib/ui/parts/ReadingBar.svelte';
    import { count, counted, moment } from '$lib/ui/parts/format.ts';

    let { data } = $props();
    let live = $state<ProgressEvent | null>(null);
    let lost = $state(false);
    let stopping = $state(false);
    const api = $derived(`/api/v1/sites/${data.site.id}/surveys/${data.survey.number}`);
    const base = $derived(`/sites/${data.site.id}/${data.survey.number}`);
    const phase = $derived(live?.state ?? data.survey.state);
    const progress = $derived(live?.progress ?? data.progress);
    const isRunning = $derived(phase === 'waiting' || phase === 'running');
    const most = $derived(Math.max(1, ...(progress?.levels ?? []).map((level) => level.seen)));
    const left = $derived(
        progress && progress.rate > 0 ? Math.ceil((progress.found - progress.read) / progress.rate) : null,
    );

    $effect(() => {
        live = null;
        stopping = false;
        if (data.survey.isEnded) return;
        const source = new EventSource(`${api}/progress`);
        source.addEventListener('progress', (event) => {
            const read = ProgressEvent.safeParse(JSON.parse(event.data as string));
            if (!read.success) return;
            live = read.data;
            lost = false;
            if (live.state !== 'waiting' && live.state !== 'running') {
                source.close();
                void invalidate('edgemap:survey');
            }
        });
        source.onerror = () => (lost = true);
        return () => source.close();
    });

    async function stop(): Promise<void> {
        stopping = true;
        const answer = await fetch(`${api}/stop`, { method: 'POST' });
        if (!answer.ok) stopping = false;
    }

    const settings = $derived(data.survey.settings);
</script>

<svelte:head><title>Survey {data.survey.number} · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <div class="pane border-b border-(--edge)">
        <h1 class="headline" aria-live="polite">
            {#if phase === 'waiting'}Survey {data.survey.number} waits to be taken up.
            {:else if phase === 'running'}Survey {data.survey.number} is running.
            {:else if phase === 'failed'}Survey {data.survey.number} could not be made.
            {:else if phase === 'stopped'}Survey {data.survey.number} was stopped; what was read is kept.
            {:else}Survey {data.survey.number} is done: <a class="set" href="{base}/brief">read the Brief</a>.{/if}
        </h1>
        {#if phase === 'failed'}
            <p class="fault-line mt-2 max-w-[760px] break-words">{live?.trouble || data.survey.trouble}</p>
            <p class="mt-2 flex gap-2">
                <a class="tb outlined" href="/sites/{data.site.id}/new-survey">Change the settings and try again</a><a
                    class="tb"
                    href="{base}/brief">What was found all the same</a
                >
            </p>
        {/if}
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
                        ? `Now: ${progress.doing}${progress.level === null ? '' : `, level ${progress.level}`}${progress.waiting === '' ? '' : `; ${progress.waiting}`}. The whole is not known until the last level is read.`
                        : 'This is all that was found.'}
                </p>
                <table class="ruled levels mt-2">
                    <thead
                        ><tr
                            ><th class="num">depth</th><th><span class="visually-hidden">Share</span></th><th
                                class="num">read of found</th
                            ></tr
                        ></thead
                    >
                    <tbody>
                        {#each progress.levels as level (level.level)}
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
            {:else}<p class="ink2">{isRunning ? 'Nothing has been read yet.' : 'No progress was kept.'}</p>{/if}
            {#if isRunning}
                <p class="mt-3 flex gap-3 items-center">
                    <button class="tb outlined" onclick={stop} disabled={stopping || live?.stopAsked}
                        >{stopping || live?.stopAsked ? 'Stopping' : 'Stop and keep what is read'}</button
                    >
                    {#if lost}<span class="ink2">The connection to the server was lost; trying again.</span>{/if}
                </p>
            {:else}
                <p class="mt-3 flex gap-2 flex-wrap">
                    <a class="tb outlined" href="{api}/pages.csv" download data-sveltekit-reload>Pages, CSV</a>
                    <a class="tb outlined" href="{api}/links.csv" download data-sveltekit-reload>Links, CSV</a>
                    <a class="tb outlined" href="{api}/summary.json" download="summary.json" data-sveltekit-reload
                        >Counts, JSON</a
                    >
                    <a class="tb" href="/sites/{data.site.id}/new-survey">New survey</a>
                </p>
            {/if}
        </section>
        <section class="pane" aria-label="How it is read">
            <h2 class="pane-name mb-1">How it is read</h2>
            <dl class="facts">
                <dt>start page</dt>
                <dd>{settings.start}</dd>
                <dt>stops at</dt>
                <dd>
                    {counted(settings.maxPages, 'page')}{settings.maxDepth === null
                        ? ', any depth'
                        : `, depth ${settings.maxDepth}`}
                </dd>
                <dt>pace</dt>
                <dd>{counted(settings.concurrency, 'connection')} at a time</dd>
                <dt>robots.txt</dt>
                <dd>{settings.robots === 'obey' ? 'obeyed' : 'recorded only'}</dd>
                {#if settings.pins.length > 0}<dt>pins</dt>
                    <dd>{settings.pins.join(', ')}</dd>{/if}
                {#if data.survey.startedAt}<dt>started</dt>
                    <dd>{moment(data.survey.startedAt)}</dd>{/if}
                {#if data.survey.endedAt}<dt>ended</dt>
                    <dd>{moment(data.survey.endedAt)}</dd>{/if}
            </dl>
            {#if progress}
                <h2 class="pane-name mt-3 mb-1">Not read so far</h2>
                <dl class="facts">
                    <dt>robots.txt</dt>
                    <dd>{counted(progress.closedByRobots, 'URL')} closed</dd>
                    <dt>failures</dt>
                    <dd>{count(progress.failures)}</dd>
                </dl>
            {/if}
        </section>
    </div>
</div>

<style>
    .levels td {
        vertical-align: middle;
    }
</style>
