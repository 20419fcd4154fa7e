<script lang="ts">
    import { page } from '$app/state';
    import type { Parting } from '$lib/core/compare/intended.ts';
    import { setQuery } from '$lib/core/sets/page-filter.ts';
    import Address from '$lib/ui/parts/Address.svelte';
    import { count, counted } from '$lib/ui/parts/format.ts';
    import { withParams, withSheet } from '$lib/ui/view/address.ts';

    let { data, form } = $props();
    // Bound, so that what was typed before this code came stays.
    let outline = $derived(form?.text ?? data.outline);
    const base = $derived(`/sites/${data.site.id}/${data.survey.path}`);
    const WORDS: Record<Parting, string> = {
        'as intended': 'as intended',
        missing: 'no page found',
        several: 'several pages are called so',
        'not reached': 'not reached by links',
        'not linked from its parent': 'its parent does not link there',
        deeper: 'deeper than intended',
    };
    const kept = $derived(data.counts.find(({ parting }) => parting === 'as intended')?.count ?? 0);
    const withParam = (name: string, value: string | null): string =>
        withParams(page.url, { kept: null, [name]: value });
</script>

<svelte:head><title>Intended structure · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <div class="pane border-b border-(--edge)">
        <h1 class="headline">
            {#if data.total === 0}
                Nothing says yet how the site is meant to be built.
            {:else if kept === data.total}
                All {count(data.total)} intended pages stand where they should.
            {:else}
                <b>{count(data.total - kept)}</b> of {counted(data.total, 'intended page')}
                {data.total - kept === 1 ? 'parts' : 'part'} from the surveyed site.
            {/if}
        </h1>
        {#if data.total > 0}
            <p class="flex flex-wrap gap-x-4">
                {#each data.counts as { parting, count: pages } (parting)}
                    <a
                        class="set"
                        href={withParam('only', data.only === parting ? null : parting)}
                        aria-current={data.only === parting}>{count(pages)} {WORDS[parting]}</a
                    >
                {/each}
                {#if data.only !== null}<a class="set" href={withParam('only', null)}>show all</a>{/if}
                {#if data.set !== null && data.setSize > 0}<span
                        >as a set of pages: <a class="set" href="{base}/pages{setQuery(data.set)}"
                            >{count(data.setSize)}</a
                        ></span
                    >{/if}
            </p>
        {/if}
    </div>
    {#if data.total > 0}
        <section class="pane border-b border-(--rule)" aria-label="Intended and surveyed">
            <table class="ruled">
                <thead
                    ><tr
                        ><th>intended</th><th class="num spare">priority</th><th>surveyed</th><th class="num">clicks</th
                        ><th>where they part</th></tr
                    ></thead
                >
                <tbody>
                    {#each data.shown as item, index (index)}
                        <tr>
                            <td style:padding-left="{8 + item.level * 16}px">{item.label}</td>
                            <td class="num spare">{item.priority ?? ''}</td>
                            <td
                                >{#if item.url !== ''}<a
                                        class="plain-set text-primary"
                                        href={withSheet(page.url, item.url, data.site.start)}
                                        data-sveltekit-noscroll
                                        ><Address url={item.url} origin={data.origin} most={44} /></a
                                    >{:else}<span class="ink3">–</span>{/if}</td
                            >
                            <td class="num">{item.depth ?? ''}</td>
                            <td class={item.parting === 'as intended' ? 'ink3' : ''}>{WORDS[item.parting]}</td>
                        </tr>
                    {/each}
                </tbody>
            </table>
            {#if data.more > 0}<p class="note mt-1">{counted(data.more, 'more page')} not listed.</p>{/if}
        </section>
    {/if}
    <section class="pane" aria-label="The outline">
        <h2 class="pane-name mb-1">
            {data.total === 0 ? 'Write or paste it' : 'Change it'}
            <span class="note">a page a line, deeper ones indented by two blanks or a tab</span>
        </h2>
        <form method="POST" action="?/keep">
            <textarea
                class="field mono !h-[220px]"
                name="outline"
                aria-label="Outline of the intended structure"
                aria-describedby="outline-help"
                spellcheck="false"
                placeholder="/&#10;  Tools !1&#10;    /tools/cutting/&#10;  Guides"
                bind:value={outline}></textarea>
            {#if form?.say}<p class="fault-line mt-1" role="alert">{form.say} Nothing was changed.</p>{/if}
            <p class="note mt-1" id="outline-help">
                A page is named by its title, its path or its URL; !1 to !3 behind it is its priority. CSV with the
                columns page, parent and priority is read as well. An empty outline takes the structure away.
            </p>
            <button class="tb outlined mt-2">Keep this structure</button>
        </form>
    </section>
</div>
