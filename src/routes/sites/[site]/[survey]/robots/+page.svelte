<script lang="ts">
    import { untrack } from 'svelte';
    import { goto, invalidateAll } from '$app/navigation';
    import { page } from '$app/state';
    import { deciderOf } from '$lib/core/robots/decide.ts';
    import { readAddress } from '$lib/core/address/address.ts';
    import { readRobots, rulesFor } from '$lib/core/robots/read-robots.ts';
    import { agentWords } from '$lib/core/words/problems.ts';
    import { browserSurvey } from '$lib/ui/frame/browser-survey.ts';
    import RobotsEditor from '$lib/ui/robots/RobotsEditor.svelte';
    import RobotsFindings from '$lib/ui/robots/RobotsFindings.svelte';
    import RobotsHeadline from '$lib/ui/robots/RobotsHeadline.svelte';
    import RobotsKept from '$lib/ui/robots/RobotsKept.svelte';
    import RobotsLines from '$lib/ui/robots/RobotsLines.svelte';
    import RobotsTester from '$lib/ui/robots/RobotsTester.svelte';
    import RobotsWouldChange from '$lib/ui/robots/RobotsWouldChange.svelte';
    import { RobotsEdit } from '$lib/ui/robots/robots-edit.svelte.ts';
    import { ask, siteApi, tell } from '$lib/wire/client.ts';
    import { RobotsNow } from '$lib/wire/robots-now.ts';
    import { withParams } from '$lib/ui/view/address.ts';
    import { viewLinks } from '$lib/ui/view/links.ts';

    let { data } = $props();
    const { view } = $derived(data);
    const { file } = $derived(view);
    const to = $derived(viewLinks(page.url, data));
    const survey = browserSurvey();
    /** An edit is of one text, and begins anew with another; what is looked at again is the same one. */
    const subject = $derived(file && JSON.stringify({ origin: file.origin, before: file.text }));
    const edit = $derived(
        subject === null
            ? null
            : new RobotsEdit(
                  survey,
                  JSON.parse(subject) as { origin: string; before: string },
                  untrack(() => view.agent),
              ),
    );
    $effect(() => edit?.judge(view.agent));
    let path = $state('');
    const proposals = $derived(`/api/v1/sites/${data.site.id}/robots-proposals`);
    async function changed(refusal: string): Promise<string> {
        if (refusal === '') await invalidateAll();
        return refusal;
    }
    const keep = async (text: string, note: string): Promise<string> =>
        changed(await tell(proposals, { method: 'PUT', body: { origin: file?.origin, text, note } }));
    const drop = async (): Promise<string> =>
        changed(
            await tell(`${proposals}?${new URLSearchParams({ origin: file?.origin ?? '' })}`, { method: 'DELETE' }),
        );
    const askNow = () =>
        ask(RobotsNow, `${siteApi(data.site.id)}/robots-live`, { method: 'POST', body: { origin: file?.origin } });
    const asked = $derived.by(() => {
        const address = file && path.trim() !== '' ? readAddress(path.trim(), `${file.origin}/`) : null;
        if (!file || !address?.ok) return null;
        return deciderOf(rulesFor(readRobots(file.text), view.agent))(address.address.url).rule?.line ?? null;
    });
</script>

<svelte:head><title>Robots · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <RobotsHeadline {view} {to} readAt={data.survey.startedAt} hrefOfHost={(host) => withParams(page.url, { host })} />
    {#if file && edit}
        <div class="pane-row robots">
            <section class="pane min-w-0" aria-label="The file">
                <h2 class="pane-name">The file, and what each line does</h2>
                <RobotsLines {file} {edit} {to} who={agentWords(view.agent)} {asked} />
            </section>
            <div class="min-w-0">
                <RobotsTester
                    origin={file.origin}
                    before={file.text}
                    after={edit.text}
                    agent={view.agent}
                    named={file.named}
                    isUnreachable={file.findings.some(({ line }) => line === null) && file.text === ''}
                    onAgent={(agent) => goto(withParams(page.url, { agent }), { noScroll: true, keepFocus: true })}
                    bind:path
                />
                <RobotsEditor {edit} named={file.named} set={{ text: data.set.text, pages: data.set.size }} />
                <RobotsKept
                    {edit}
                    before={file.text}
                    proposal={data.proposal}
                    others={data.others}
                    {keep}
                    {drop}
                    {askNow}
                />
                <RobotsWouldChange {edit} {to} />
                <RobotsFindings {file} />
            </div>
        </div>
    {/if}
</div>

<style>
    .robots {
        grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
    }
    @media (max-width: 62rem) {
        .robots {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
