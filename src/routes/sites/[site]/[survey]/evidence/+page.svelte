<script lang="ts">
    import { invalidateAll } from '$app/navigation';
    import type { ListKind } from '$lib/core/evidence/evidence-lists.ts';
    import EarlierRevisions from '$lib/ui/evidence/EarlierRevisions.svelte';
    import EvidenceFile from '$lib/ui/evidence/EvidenceFile.svelte';
    import EvidenceHeadline from '$lib/ui/evidence/EvidenceHeadline.svelte';
    import ListsGiven from '$lib/ui/evidence/ListsGiven.svelte';
    import WithoutFile from '$lib/ui/evidence/WithoutFile.svelte';
    import { ask, surveyApi, tell } from '$lib/wire/client.ts';
    import { UploadAnswer } from '$lib/wire/evidence.ts';

    let { data, form } = $props();
    const newest = $derived(`/sites/${data.site.id}/${data.survey.number}`);
    const base = $derived(`/sites/${data.site.id}/${data.survey.path}`);
    const api = $derived(surveyApi(data.site.id, data.survey.path));
    const others = $derived(data.surveys.filter(({ number, isSpot }) => number !== data.survey.number && !isSpot));

    async function upload(kind: ListKind, file: File) {
        const which = new URLSearchParams({ kind, name: file.name });
        return ask(UploadAnswer, `${api}/evidence?${which}`, { method: 'POST', body: file });
    }

    async function confirm(id: string, how: object) {
        const answer = await ask(null, `${api}/evidence/${id}`, { method: 'POST', body: how });
        if (answer.ok) await invalidateAll();
        return answer.ok ? null : answer;
    }

    async function readThem(): Promise<string> {
        const refusal = await tell(`${api}/resume`, { method: 'POST', body: {} });
        if (refusal === '') location.href = `${base}/progress`;
        return refusal;
    }
</script>

<svelte:head><title>Evidence · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <EvidenceHeadline
        view={data.view}
        next={data.isEarlier ? null : data.survey.revision + 1}
        onRead={data.survey.isEnded && !data.isEarlier ? readThem : null}
    />
    {#if data.view.lists.length > 0}<ListsGiven view={data.view} {base} {api} />{/if}
    {#if data.isEarlier}
        <p class="pane ink2">Lists are added to <a class="set" href="{newest}/evidence">the newest revision</a>.</p>
    {:else if data.survey.isEnded}
        <section class="pane border-b border-(--edge)" aria-label="Add a list">
            <h2 class="pane-name">Add a list</h2>
            <EvidenceFile {upload} {confirm} robotWords={data.robotWords} />
        </section>
        <WithoutFile surveys={others} refused={form} />
    {:else}
        <p class="pane ink2">Lists can be added once the survey has ended.</p>
    {/if}
    {#if data.revisions.length > 0}
        <EarlierRevisions
            revisions={data.revisions}
            {newest}
            counts="{surveyApi(data.site.id, data.survey.number)}/summary.json"
        />
    {/if}
</div>
