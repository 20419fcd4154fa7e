<script lang="ts">
    import { invalidateAll } from '$app/navigation';
    import { IMPORT_WORDS, type ImportKind } from '$lib/core/evidence/imports.ts';
    import EvidenceFile from '$lib/ui/evidence/EvidenceFile.svelte';
    import { setQuery } from '$lib/core/sets/page-filter.ts';
    import { quoted } from '$lib/core/sets/tokens.ts';
    import { count, counted, day } from '$lib/ui/parts/format.ts';
    import { UploadAnswer, type UploadPreview } from '$lib/wire/evidence.ts';
    import { ask, surveyApi, tell } from '$lib/wire/client.ts';

    let { data, form } = $props();
    // Bound, so that what was typed before this code came stays.
    let urls = $derived(form?.urls ?? '');
    const base = $derived(`/sites/${data.site.id}/${data.survey.path}`);
    const api = $derived(surveyApi(data.site.id, data.survey.path));
    const counts = $derived(`/api/v1/sites/${data.site.id}/surveys/${data.survey.number}/summary.json`);
    const later = $derived(data.imports.reduce((sum, item) => sum + item.later, 0));
    const others = $derived(data.surveys.filter((item) => item.number !== data.survey.number && !item.isSpot));
    const sayOf = (of: string): string => (form?.of === of ? form.say : '');

    async function upload(
        kind: ImportKind,
        file: File,
    ): Promise<{ ok: true; upload: string; preview: UploadPreview | null } | { ok: false; say: string }> {
        const which = new URLSearchParams({ kind, name: file.name });
        const answer = await ask(UploadAnswer, `${api}/evidence?${which}`, { method: 'POST', body: file });
        return answer.ok ? { ok: true, ...answer.data } : { ok: false, say: answer.say };
    }

    /** Null when it was added; else why not, and whether it is when asked for once more. */
    async function confirm(id: string, how: object): Promise<{ say: string; doubt: boolean } | null> {
        const answer = await ask(null, `${api}/evidence/${id}`, { method: 'POST', body: how });
        if (!answer.ok) return { say: answer.say, doubt: answer.doubt };
        await invalidateAll();
        return null;
    }

    let goOnTrouble = $state('');
    async function readThem(): Promise<void> {
        goOnTrouble = await tell(`${api}/resume`, { method: 'POST', body: {} });
        if (goOnTrouble === '') location.href = `${base}/progress`;
    }
</script>

{#snippet pages(list: string, size: number, which: string)}
    <!-- Two lists of one name are one in a set. -->
    {#if size > 0 && data.imports.filter((item) => item.name === list).length === 1}<a
            class="plain-set text-primary"
            href="{base}/pages{setQuery(`list is ${quoted(list, true)} and ${which}`)}">{count(size)}</a
        >{:else}{count(size)}{/if}
{/snippet}

<svelte:head><title>Evidence · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <div class="pane border-b border-(--edge)">
        <h1 class="headline">
            {#if data.imports.length === 0}
                This survey knows only what links, sitemaps and redirects told it.
            {:else}
                {counted(data.imports.length, 'list')} from elsewhere {data.imports.length === 1 ? 'was' : 'were'} laid beside
                the links{later > 0
                    ? `; ${counted(later, 'URL')} in ${later === 1 ? 'it' : 'them'} ${later === 1 ? 'has' : 'have'} not been read yet`
                    : ''}.
            {/if}
        </h1>
        <p class="ink2">
            What visitors reach, what a search index lists and what others link to shows pages that links miss.
            {#if !data.isEarlier}Adding a list makes revision {data.survey.revision + 1}; earlier revisions stay as they
                were.{/if}
        </p>
        {#if later > 0 && data.survey.isEnded && !data.isEarlier}
            <p class="mt-2">
                <button class="tb outlined" onclick={readThem}>Read {later === 1 ? 'it' : 'them'} now</button>
            </p>
            {#if goOnTrouble !== ''}<p class="fault-line mt-1" role="alert">{goOnTrouble}</p>{/if}
        {/if}
    </div>
    {#if data.imports.length > 0}
        <section class="pane border-b border-(--edge)" aria-label="Lists">
            <table class="ruled">
                <thead
                    ><tr
                        ><th>list</th><th class="num">rows</th><th class="num">URLs read</th><th class="num"
                            >URLs not read</th
                        ><th class="num">match nothing</th><th class="num">lines not readable</th><th class="spare"
                            >added</th
                        ></tr
                    ></thead
                >
                <tbody>
                    {#each data.imports as item (item.id)}
                        <tr>
                            <td
                                ><b>{IMPORT_WORDS[item.kind].name}</b> <span class="ink2">{item.name}</span>
                                {#if item.columns.length > 0}<div class="note">
                                        keeps {item.columns.join(', ')}
                                    </div>{/if}
                                {#each item.notes as note (note)}<div class="note">{note}</div>{/each}</td
                            >
                            {#if item.bare}
                                <td class="num">{count(item.bare.count)}</td>
                                <td colspan="4" class="ink3">a count of {item.bare.day}, without a list</td>
                            {:else}
                                <td class="num">{count(item.rows)}</td>
                                <td class="num">{@render pages(item.name, item.read, 'read')}</td>
                                <td class="num">{@render pages(item.name, item.notRead, 'not read')}</td>
                                <td class="num"
                                    >{#if item.unmatched > 0}<a
                                            class="plain-set text-primary"
                                            href="{api}/evidence/{item.id}/unmatched.csv">{count(item.unmatched)}</a
                                        >{:else}0{/if}</td
                                >
                                <td class="num"
                                    >{#if item.bad > 0}<a
                                            class="plain-set text-primary"
                                            href="{api}/evidence/{item.id}/bad.csv">{count(item.bad)}</a
                                        >{:else}0{/if}</td
                                >
                            {/if}
                            <td class="spare ink2">{day(item.at)}, revision {item.revision}</td>
                        </tr>
                    {/each}
                </tbody>
            </table>
            <p class="note">
                Addresses that match nothing lie on other hosts or outside the scope. They and the unreadable lines can
                be downloaded.
            </p>
        </section>
    {/if}
    {#if data.isEarlier}
        <p class="pane ink2">
            Lists are added to <a class="set" href="/sites/{data.site.id}/{data.survey.number}/evidence"
                >the newest revision</a
            >.
        </p>
    {:else if data.survey.isEnded}
        <section class="pane border-b border-(--edge)" aria-label="Add a list">
            <h2 class="pane-name">Add a list</h2>
            <EvidenceFile {upload} {confirm} robotWords={data.robotWords} />
        </section>
        <section class="pane add" aria-label="Without a file">
            <form method="post" action="?/typed">
                <label for="urls"><b>Addresses you know of</b></label>
                <textarea
                    class="field"
                    id="urls"
                    name="urls"
                    rows="3"
                    placeholder="/guides/forgotten-page"
                    spellcheck="false"
                    bind:value={urls}></textarea>
                {#if sayOf('typed')}<p class="fault-line">{sayOf('typed')}</p>{/if}
                <p>
                    <button class="tb outlined">Add addresses</button>
                    <span class="note">One to a line, whole or from the slash.</span>
                </p>
            </form>
            <form method="post" action="?/count">
                <b>A count without a list</b>
                <p class="row">
                    <label for="count-kind">of</label>
                    <select class="field" id="count-kind" name="kind">
                        {#each ['search', 'visits', 'external', 'log'] as kind (kind)}<option value={kind}
                                >{IMPORT_WORDS[kind as ImportKind].name.toLowerCase()}</option
                            >{/each}
                    </select>
                    <label for="count">number</label><input class="field" id="count" name="count" inputmode="numeric" />
                    <label for="count-day">on</label><input
                        class="field"
                        id="count-day"
                        name="day"
                        placeholder="2026-03-02"
                    />
                    <label for="count-name">said by</label><input class="field" id="count-name" name="name" />
                </p>
                {#if sayOf('count')}<p class="fault-line">{sayOf('count')}</p>{/if}
                <p><button class="tb outlined">Add the count</button></p>
            </form>
            {#if others.length > 0}
                <form method="post" action="?/survey">
                    <label for="number"><b>What another survey knows</b></label>
                    <p class="row">
                        <select class="field" id="number" name="number">
                            {#each others as item (item.number)}<option value={item.number}
                                    >Survey {item.number}, {item.asOf === ''
                                        ? day(item.createdAt)
                                        : `as of ${item.asOf}`}</option
                                >{/each}
                        </select>
                        <button class="tb outlined">Add its addresses</button>
                    </p>
                    {#if sayOf('survey')}<p class="fault-line">{sayOf('survey')}</p>{/if}
                </form>
            {/if}
        </section>
    {:else}
        <p class="pane ink2">Lists can be added once the survey has ended.</p>
    {/if}
    {#if data.revisions.length > 0}
        <section class="pane border-t border-(--edge)" aria-label="Revisions">
            <h2 class="pane-name">Earlier revisions</h2>
            <ul class="plain">
                {#each data.revisions as item (item.number)}
                    <li>
                        <a class="set" href="/sites/{data.site.id}/{data.survey.number}.{item.number}/brief"
                            >Revision {item.number}</a
                        >
                        <span class="ink2">{item.why};</span>
                        <a class="set" href="{counts}?revision={item.number}">its counts</a>
                    </li>
                {/each}
            </ul>
        </section>
    {/if}
</div>

<style>
    .add {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
        gap: 16px 24px;
    }
    .row {
        display: grid;
        grid-template-columns: max-content minmax(0, 1fr);
        gap: 4px 8px;
        align-items: center;
        margin: 4px 0;
    }
    .row .tb {
        justify-self: start;
    }
    .plain {
        list-style: none;
    }
    .plain li {
        min-height: 24px;
    }
</style>
