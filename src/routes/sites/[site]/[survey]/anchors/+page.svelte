<script lang="ts">
    import { invalidate } from '$app/navigation';
    import { page } from '$app/state';
    import { pageKey } from '$lib/core/address/page-key.ts';
    import AnchorsHeadline from '$lib/ui/anchors/AnchorsHeadline.svelte';
    import PageProfile from '$lib/ui/anchors/PageProfile.svelte';
    import ProfileList from '$lib/ui/anchors/ProfileList.svelte';
    import SharedAnchors from '$lib/ui/anchors/SharedAnchors.svelte';
    import { withParams } from '$lib/ui/view/address.ts';
    import { viewLinks } from '$lib/ui/view/links.ts';
    import { siteApi, tell } from '$lib/wire/client.ts';

    let { data } = $props();
    const { view } = $derived(data);
    const to = $derived(viewLinks(page.url, data));
    const hrefOf = (url: string): string => withParams(page.url, { of: pageKey(url, data.site.start) });

    async function saySubject(words: string[]): Promise<string> {
        const body = { subjects: [{ by: 'page', subject: view.chosen?.url, words }] };
        const refusal = await tell(`${siteApi(data.site.id)}/subjects`, { method: 'PUT', body });
        if (refusal === '') await invalidate('edgemap:survey');
        return refusal;
    }
</script>

<svelte:head><title>Anchors · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <AnchorsHeadline {view} laidAside={data.laidAside} set={data.set.text} {to} />
    {#if view.total > 0}
        <div class="pane-row anchors">
            <div class="min-w-0">
                <ProfileList
                    {view}
                    origin={to.origin}
                    {hrefOf}
                    hrefOrder={(order) => withParams(page.url, { order, from: null })}
                    hrefFrom={(from) => withParams(page.url, { from: String(from) })}
                />
            </div>
            <div class="min-w-0 right">
                {#if view.chosen}
                    <PageProfile
                        profile={view.chosen}
                        lines={data.lines}
                        laid={data.laid}
                        total={view.total}
                        site={data.site.id}
                        start={data.site.start}
                        survey={data.survey.path}
                        surveyNumber={data.surveyNumber}
                        {to}
                        {hrefOf}
                        onSubject={saySubject}
                        onLaid={() => invalidate('edgemap:survey')}
                    />
                {/if}
                <SharedAnchors {view} {to} />
            </div>
        </div>
    {:else}<SharedAnchors {view} {to} />{/if}
</div>

<style>
    .anchors {
        grid-template-columns: minmax(0, 4fr) minmax(0, 5fr);
    }
    .right {
        border-left: 1px solid var(--edge);
    }
    @media (max-width: 62rem) {
        .anchors {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
