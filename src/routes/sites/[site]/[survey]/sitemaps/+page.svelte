<script lang="ts">
    import { setLine, setQuery, type PageFilter } from '$lib/core/sets/page-filter.ts';
    import { count, counted } from '$lib/ui/parts/format.ts';
    import SitemapFindings from '$lib/ui/sitemaps/SitemapFindings.svelte';
    import SitemapBuilder from '$lib/ui/sitemaps/SitemapBuilder.svelte';
    import { surveyApi } from '$lib/wire/client.ts';

    let { data } = $props();
    const base = $derived(`/sites/${data.site.id}/${data.survey.path}`);
    const of = (filter: PageFilter): string => `${base}/pages${setQuery(setLine(filter))}`;
    const short = (url: string): string => (url.startsWith(`${data.origin}/`) ? url.slice(data.origin.length) : url);
</script>

<svelte:head><title>Sitemaps · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <div class="pane border-b border-(--edge)">
        <h1 class="headline">
            {#if data.files.length === 0}
                No sitemap was named or found.
            {:else if data.listed === 0}
                {counted(data.files.length, 'sitemap')}
                {data.files.length === 1 ? 'was' : 'were'} asked for, and none lists a page of this site.
            {:else}
                Sitemaps list <a class="set" href={of({ known: 'sitemap' })}><b>{counted(data.listed, 'URL')}</b></a> of
                this site;
                <a class="set" href={of({ known: 'sitemap', gate: 'stopped' })}
                    ><b>{count(data.listedNotIndexable)}</b></a
                >
                of them may not be indexed, and
                <a class="set" href={of({ unknown: 'sitemap', gate: 'indexable' })}
                    ><b>{counted(data.indexableNotListed, 'indexable page')}</b></a
                >
                {data.indexableNotListed === 1 ? 'stands' : 'stand'} in none.
            {/if}
        </h1>
        <p class="ink2">
            The door check tells what is odd about each file, test by test.
            <a class="set" href="/sites/{data.site.id}/door">Knock at the door</a>
        </p>
    </div>
    {#if data.files.length > 0}
        <section class="pane" aria-label="Files">
            <table class="ruled">
                <thead
                    ><tr
                        ><th>file</th><th class="num">answered</th><th class="num">entries</th><th class="num"
                            >URLs of the site</th
                        ><th class="num">indexable</th><th class="num spare">in this file only</th><th
                            >what was found</th
                        ></tr
                    ></thead
                >
                <tbody>
                    {#each data.files as file (file.url)}
                        <tr>
                            <td class="breaks">{short(file.url)}</td>
                            <td class="num">{file.status ?? '·'}</td>
                            <td class="num"
                                >{#if file.entries === null}<span class="ink3" aria-label="not known">·</span
                                    >{:else}{count(file.entries)}{/if}</td
                            >
                            <td class="num"
                                ><a class="plain-set text-primary" href={of({ sitemap: file.url })}
                                    >{count(file.members)}</a
                                ></td
                            >
                            <td class="num"
                                ><a class="plain-set text-primary" href={of({ sitemap: file.url, gate: 'indexable' })}
                                    >{count(file.indexable)}</a
                                ></td
                            >
                            <td class="num spare">{count(file.only)}</td>
                            <td class="ink2 breaks">{file.note}</td>
                        </tr>
                    {/each}
                </tbody>
            </table>
        </section>
    {/if}
    <SitemapFindings findings={data.findings} more={data.moreFindings} {short} />
    <SitemapBuilder
        api={surveyApi(data.site.id, data.survey.path)}
        setHref={(line) => `${base}/pages${setQuery(line)}`}
        current={data.set.text}
        origin={data.origin}
    />
</div>
