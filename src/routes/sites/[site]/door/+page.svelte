<script lang="ts">
    import { doorSentence } from '$lib/core/words/door.ts';
    import { enhance } from '$app/forms';
    import Plain from '$lib/ui/frame/Plain.svelte';
    import DoorReportView from '$lib/ui/door/DoorReportView.svelte';
    import KnockControls from '$lib/ui/door/KnockControls.svelte';
    import KnockList from '$lib/ui/door/KnockList.svelte';
    import SitemapJudge from '$lib/ui/sitemaps/SitemapJudge.svelte';
    import { siteApi } from '$lib/wire/client.ts';
    import { moment } from '$lib/ui/parts/format.ts';

    let { data, form } = $props();
    let isKnocking = $state(false);
</script>

<Plain title="Door check" sites={data.sites} site={data.site}>
    <form
        method="post"
        novalidate
        use:enhance={() => {
            isKnocking = true;
            return async ({ update }) => {
                await update();
                isKnocking = false;
            };
        }}
    >
        <div class="pane">
            <h1 class="headline mb-1">
                {data.knock ? doorSentence(data.knock.report) : `Nobody has knocked at ${data.site.name} yet.`}
            </h1>
            <p class="ink2 mb-2">
                {#if data.knock}{data.knock.url}, {moment(data.knock.at)}.{:else}A door check asks for robots.txt, the
                    start page, the sitemaps and a few pages, to say whether a survey can get in and what would keep it
                    out.{/if}
            </p>
            {#each form?.troubles ?? [] as trouble (trouble.say)}<p class="fault-line mb-2">{trouble.say}</p>{/each}
            <KnockControls label={data.knock ? 'Knock again' : 'Knock'} isFirst={!data.knock} {isKnocking}>
                <a class="tb outlined" href="/sites/{data.site.id}/new-survey">Start a survey</a>
            </KnockControls>
        </div>
        {#if data.knock}
            <DoorReportView report={data.knock.report} before={data.before} knockName="at" />
        {/if}
    </form>
    <SitemapJudge api={siteApi(data.site.id)} title="Judge a sitemap" />
    <KnockList list={data.list} shown={data.knock?.id ?? null} />
</Plain>
