<script lang="ts">
    /** A sitemap of any set: what it would hold, how it differs from today's, and its files. */
    import { untrack } from 'svelte';
    import { SitemapBuilt } from '../../wire/sitemap-build.ts';
    import { ask } from '../../wire/client.ts';
    import { count, counted } from '../parts/format.ts';

    interface Props {
        /** Address of the survey's API. */
        api: string;
        /** A set among the pages. */
        setHref: (line: string) => string;
        /** Line of the current set; empty for all pages. */
        current: string;
        origin: string;
    }
    let { api, setHref, current, origin }: Props = $props();
    let set = $state(untrack(() => (current === '' ? 'indexable' : current)));
    /** Gates and status codes that are taken; none for all there are. */
    let gates = $state<string[]>([]);
    let statuses = $state<number[]>([]);
    let split = $state<'size' | 'section'>('size');
    let dates = $state<'pages' | 'headers' | 'sitemaps' | 'none'>('sitemaps');
    let hasLanguages = $state(false);
    let isPacked = $state(false);
    let at = $state(untrack(() => `${origin}/`));
    let built = $state<SitemapBuilt | null>(null);
    let trouble = $state('');
    let asked: AbortController | null = null;
    const params = $derived(
        new URLSearchParams({
            set,
            gates: gates.join(','),
            statuses: statuses.join(','),
            split,
            dates,
            languages: hasLanguages ? 'pages' : 'none',
            gzip: isPacked ? 'yes' : 'no',
            at,
        }),
    );
    const filesHref = $derived(`${api}/sitemap-build/files?${params}`);

    $effect(() => {
        const path = `${api}/sitemap-build?${params}`;
        untrack(() => void look(path));
        return () => asked?.abort();
    });

    async function look(path: string): Promise<void> {
        const mine = new AbortController();
        asked = mine;
        const answer = await ask(SitemapBuilt, path, { signal: mine.signal });
        if (answer.ok) [built, trouble] = [answer.data, ''];
        else if (!answer.isCalledOff) [built, trouble] = [null, answer.say];
    }

    const kilobytes = (bytes: number): string => `${count(Math.max(1, Math.round(bytes / 1024)))} KB`;
</script>

<section class="pane" aria-label="Build a sitemap">
    <h2 class="pane-name mb-1">Build a sitemap <span class="note">of any set, by the protocol’s limits</span></h2>
    <form class="plan" onsubmit={(event) => event.preventDefault()}>
        <label class="wide"
            ><span class="note">pages of the set</span><input
                class="field mono"
                value={set}
                onchange={(event) => {
                    [gates, statuses] = [[], []];
                    set = event.currentTarget.value;
                }}
                maxlength="20000"
                spellcheck="false"
            /></label
        >
        <label class="wide"
            ><span class="note">folder it will stand in</span><input
                class="field mono"
                value={at}
                onchange={(event) => (at = event.currentTarget.value)}
                maxlength="2000"
                spellcheck="false"
            /></label
        >
        <label
            ><span class="note">parted</span><select class="field" bind:value={split}>
                <option value="size">by size alone</option>
                <option value="section">a list for each section</option>
            </select></label
        >
        <label
            ><span class="note">dates</span><select class="field" bind:value={dates}>
                <option value="sitemaps">as sitemaps say today</option>
                <option value="pages">as pages say they changed</option>
                <option value="headers">as Last-Modified says</option>
                <option value="none">none</option>
            </select></label
        >
        <label class="tick"><input type="checkbox" class="box" bind:checked={hasLanguages} /> with languages</label>
        <label class="tick"><input type="checkbox" class="box" bind:checked={isPacked} /> packed (gzip)</label>
    </form>
    {#if trouble !== ''}<p role="alert" class="ink2 mt-1">{trouble}</p>{/if}
    {#if built}
        {#if built.gates.length > 1 || built.statuses.length > 1}
            <p class="stops">
                {#if built.gates.length > 1}<span class="note">stopping at</span>
                    {#each built.gates as { gate, urls } (gate)}<label
                            ><input type="checkbox" class="box" value={gate} bind:group={gates} />
                            {gate === 'indexable' ? 'no gate' : gate}
                            <span class="note">{count(urls)}</span></label
                        >{/each}{/if}
                {#if built.statuses.length > 1}<span class="note">answering</span>
                    {#each built.statuses as { status, urls } (status)}{#if status !== 0}<label
                                ><input type="checkbox" class="box" value={status} bind:group={statuses} />
                                {status} <span class="note">{count(urls)}</span></label
                            >{/if}{/each}{/if}
                <span class="note">none ticked: all of them</span>
            </p>
        {/if}
        <p class="mt-2">
            It lists <b>{counted(built.entries, 'page')}</b> in {counted(built.files.length, 'file')}. Against what is
            listed today:
            <a class="set" href={setHref(`(${built.set}) and not in sitemap`)}>{count(built.added)}</a> come in,
            <a class="set" href={setHref(`in sitemap and not (${built.set})`)}>{count(built.gone)}</a> go out.
        </p>
        {#each built.refused as { why, urls, first } (why)}
            <p class="ink2 breaks">
                Left out, because they would not count there: {counted(urls, 'URL')}
                {why}, such as
                <span class="mono">{first}</span>.
            </p>
        {/each}
        {#if built.files.length > 0}
            <ul class="files">
                {#each built.files as { name, entries, bytes } (name)}
                    <li>
                        <span class="mono">{name}</span> <span class="note">{count(entries)}, {kilobytes(bytes)}</span>
                    </li>
                {/each}
            </ul>
            <p class="mt-2">
                <a class="tb outlined" href={filesHref} download data-sveltekit-reload
                    >Save {built.files.length === 1 ? built.files[0]!.name : 'as an archive'}</a
                >
            </p>
        {:else}<p class="ink2">No page of the set can be listed there.</p>{/if}
    {/if}
</section>

<style>
    .plan {
        display: flex;
        flex-wrap: wrap;
        gap: 0.5rem 0.75rem;
        align-items: end;
    }
    .plan label > span {
        display: block;
    }
    .wide {
        flex: 1 1 20rem;
        min-width: 0;
    }
    .tick {
        padding-bottom: 5px;
    }
    .stops {
        display: flex;
        flex-wrap: wrap;
        gap: 2px 0.9rem;
        margin-top: 0.5rem;
    }
    .files {
        display: flex;
        flex-wrap: wrap;
        gap: 2px 1.25rem;
        margin-top: 0.35rem;
    }
</style>
