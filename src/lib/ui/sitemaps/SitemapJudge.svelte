<script lang="ts">
    /** A sitemap that is not on the site yet, or on none: judged as it would be there, and against a survey where one is looked at. */
    import { ask } from '../../wire/client.ts';
    import { SitemapJudgedAnswer } from '../../wire/sitemap-judging.ts';
    import { by } from '../../core/words/numbers.ts';
    import { count, counted } from '../parts/format.ts';

    /** Address in the API, of a survey or of a site. @prop title of the pane */
    let { api, title = 'Judge another one' }: { api: string; title?: string } = $props();
    let from = $state<'file' | 'text' | 'address'>('file');
    let files = $state<FileList | undefined>();
    let text = $state('');
    let address = $state('');
    let at = $state('');
    let busy = $state(false);
    let trouble = $state('');
    let judged = $state<SitemapJudgedAnswer | null>(null);
    const MARK = { true: 'fine', false: 'fails', null: 'odd' } as const;

    async function judge(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        const file = files?.[0];
        if (from === 'file' && !file) return;
        busy = true;
        trouble = '';
        judged = null;
        const path = `${api}/sitemap-judge`;
        const answer = await (from === 'file'
            ? ask(SitemapJudgedAnswer, `${path}?${new URLSearchParams({ at })}`, { method: 'POST', body: file })
            : ask(SitemapJudgedAnswer, path, {
                  method: 'POST',
                  body: from === 'text' ? { text, at } : { url: address },
              }));
        busy = false;
        if (answer.ok) judged = answer.data;
        else trouble = answer.say;
    }
</script>

<section class="pane border-t border-(--rule)" aria-label={title}>
    <h2 class="pane-name">{title} <span class="note">nothing of it is kept</span></h2>
    <form class="asks" onsubmit={judge}>
        <label
            ><span class="note">from</span><select class="field" bind:value={from}>
                <option value="file">a file</option>
                <option value="text">a text</option>
                <option value="address">an address</option>
            </select></label
        >
        {#if from === 'file'}
            <label class="wide"
                ><span class="note">file, plain or gzip</span><input
                    class="field"
                    type="file"
                    required
                    bind:files
                /></label
            >
        {:else if from === 'address'}
            <label class="wide"
                ><span class="note">address, asked for once</span><input
                    class="field mono"
                    required
                    maxlength="4096"
                    placeholder="/sitemap.xml"
                    spellcheck="false"
                    bind:value={address}
                /></label
            >
        {/if}
        {#if from !== 'address'}
            <label class="wide"
                ><span class="note">where it would stand; empty where that does not matter</span><input
                    class="field mono"
                    maxlength="4096"
                    placeholder="/sitemap.xml"
                    spellcheck="false"
                    bind:value={at}
                /></label
            >
        {/if}
        <button class="tb outlined" disabled={busy}>{busy ? 'Being judged' : 'Judge it'}</button>
        {#if from === 'text'}
            <textarea
                class="field mono all"
                rows="8"
                required
                maxlength="900000"
                spellcheck="false"
                aria-label="The text of a sitemap"
                bind:value={text}></textarea>
        {/if}
    </form>
    <div aria-live="polite">
        {#if trouble !== ''}<p class="fault-line mt-1">{trouble}</p>{/if}
        {#if judged}
            <p class="mt-2"><b>{judged.kind}</b>{judged.at === null ? '' : `, judged at ${judged.at}`}.</p>
            <ol class="tried">
                {#each judged.steps as { ok, tried, seen }, index (index)}
                    <li class:fault-line={ok === false}>
                        <span class="ink3">{MARK[`${ok}`]}</span>
                        <span class="breaks"><span class="ink2">{tried}:</span> {seen}</span>
                    </li>
                {/each}
            </ol>
            {#if judged.against}
                {@const { entries, indexable, stopped, notRead, unheard, lacking } = judged.against}
                <p class="mt-2">
                    Of {counted(entries, 'URL')} it lists, <b>{count(indexable)}</b> may be indexed by this survey;
                    {counted(lacking, 'indexable page')}
                    {by(lacking, 'is', 'are')} not in it.
                </p>
                <ul class="note">
                    {#each stopped as { gate, entries: own, first } (gate)}
                        <li class="breaks">
                            {count(own)}
                            {by(own, 'stops', 'stop')} at {gate}, first in line {count(first.line)}:
                            <span class="mono">{first.url}</span>
                        </li>
                    {/each}
                    {#if notRead > 0}<li>{count(notRead)} {by(notRead, 'is', 'are')} known, and not read.</li>{/if}
                    {#if unheard.first}<li class="breaks">
                            {count(unheard.entries)}
                            {by(unheard.entries, 'is', 'are')} not known to this survey, first in line {count(
                                unheard.first.line,
                            )}: <span class="mono">{unheard.first.url}</span>
                        </li>{/if}
                </ul>
            {/if}
        {/if}
    </div>
</section>

<style>
    .asks {
        display: flex;
        flex-wrap: wrap;
        gap: 0.5rem 0.75rem;
        align-items: end;
    }
    .asks label > span {
        display: block;
    }
    .wide {
        flex: 1 1 16rem;
        min-width: 0;
    }
    .wide input,
    .all {
        width: 100%;
    }
    .tried li {
        display: grid;
        grid-template-columns: 3rem minmax(0, 1fr);
        padding-block: 1px;
    }
</style>
