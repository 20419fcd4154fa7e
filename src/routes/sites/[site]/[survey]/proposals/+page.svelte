<script lang="ts">
    import { untrack } from 'svelte';
    import { goto, invalidate } from '$app/navigation';
    import { page } from '$app/state';
    import { pageKey } from '$lib/core/address/page-key.ts';
    import RunThrough from '$lib/ui/proposals/RunThrough.svelte';
    import OneText from '$lib/ui/proposals/OneText.svelte';
    import ProposalDesk from '$lib/ui/proposals/ProposalDesk.svelte';
    import { ProposalCourse, type CoursePlace } from '$lib/ui/proposals/proposal-course.svelte.ts';
    import ProposalsHeadline from '$lib/ui/proposals/ProposalsHeadline.svelte';
    import TargetHead from '$lib/ui/proposals/TargetHead.svelte';
    import TargetSettings from '$lib/ui/proposals/TargetSettings.svelte';
    import TargetList from '$lib/ui/proposals/TargetList.svelte';
    import { withParams } from '$lib/ui/view/address.ts';
    import { viewLinks } from '$lib/ui/view/links.ts';
    import { siteApi, surveyApi, tell } from '$lib/wire/client.ts';

    let { data } = $props();
    const to = $derived(viewLinks(page.url, data));
    const chosen = $derived(data.of ?? data.targets[0]?.url ?? null);
    /** One course goes on while what is taken is counted anew. */
    const place = $derived({ site: data.site.id, start: data.site.start, survey: data.survey.path });
    const key = $derived(JSON.stringify({ ...place, surveyNumber: data.surveyNumber }));
    const course = $derived(new ProposalCourse(JSON.parse(key) as CoursePlace));
    $effect(() => {
        const [one, url] = [course, chosen];
        untrack(() => void one.load(url));
    });
    const hrefOf = (url: string): string => withParams(page.url, { of: pageKey(url, data.site.start) });

    const say = async (path: string, body: unknown): Promise<string> => {
        const refusal = await tell(`${siteApi(data.site.id)}/${path}`, { method: 'PUT', body });
        if (refusal === '') await Promise.all([invalidate('edgemap:survey'), course.load(chosen)]);
        return refusal;
    };
    const saySubject = (words: string[]): Promise<string> =>
        say('subjects', { subjects: [{ by: 'page', subject: chosen, words }] });
    /** What is taken leaves the list of open targets at once; the page in hand stays in hand. */
    async function taken(): Promise<void> {
        if (data.of === null && chosen !== null) {
            await goto(hrefOf(chosen), { replaceState: true, noScroll: true, keepFocus: true });
        }
        await invalidate('edgemap:survey');
    }
    function nextTarget(): void {
        const at = data.targets.findIndex(({ url }) => url === chosen);
        const next = data.targets[at + 1] ?? data.targets[0];
        if (next && next.url !== chosen) void goto(hrefOf(next.url), { noScroll: true, keepFocus: true });
    }
</script>

{#snippet oneText()}
    <OneText {...place} surveyNumber={data.surveyNumber} page={data.text} {to} onTaken={taken} />
{/snippet}

<svelte:head><title>Proposals · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <ProposalsHeadline
        {data}
        taken={data.taken}
        takenPages={data.takenPages}
        set={page.url.searchParams.get('set') ?? ''}
        {to}
    />
    <div class="pane-row desk">
        <div class="min-w-0">
            {#if data.text !== null}{@render oneText()}{/if}
            {#if course.told}<TargetHead told={course.told} {to} onSubject={saySubject} />{/if}
            {#key data.survey.path}
                <RunThrough
                    run={data.run}
                    total={data.total}
                    set={data.set.text.trim()}
                    api={surveyApi(data.site.id, data.survey.path)}
                    isByFound={data.isByFound}
                    hrefByFound={(isFound) =>
                        withParams(page.url, { order: isFound ? 'found' : null, from: null, of: null })}
                    onFound={() => invalidate('edgemap:survey')}
                />
            {/key}
            <TargetList
                {...data}
                {chosen}
                {hrefOf}
                hrefFrom={(from) => withParams(page.url, { from: String(from), of: null })}
            />
            <TargetSettings {data} {to} {say} />
            {#if data.text === null}{@render oneText()}{/if}
        </div>
        <ProposalDesk {course} {to} hasTarget={chosen !== null} onTaken={taken} onNextTarget={nextTarget} />
    </div>
</div>

<style>
    .desk {
        grid-template-columns: minmax(200px, 240px) minmax(0, 1fr);
    }
    @media (max-width: 62rem) {
        .desk {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
