<script lang="ts">
    import { goto, invalidate } from '$app/navigation';
    import { page } from '$app/state';
    import BriefHeadline from '$lib/ui/brief/BriefHeadline.svelte';
    import FixOnce from '$lib/ui/brief/FixOnce.svelte';
    import HowDeep from '$lib/ui/brief/HowDeep.svelte';
    import HowKnown from '$lib/ui/brief/HowKnown.svelte';
    import MayBeIndexed from '$lib/ui/brief/MayBeIndexed.svelte';
    import ReadSoFar from '$lib/ui/brief/ReadSoFar.svelte';
    import Since from '$lib/ui/brief/Since.svelte';
    import SmallMap from '$lib/ui/map/SmallMap.svelte';
    import Address from '$lib/ui/parts/Address.svelte';
    import NoteList from '$lib/ui/parts/NoteList.svelte';
    import { surveyDay } from '$lib/ui/parts/format.ts';
    import { viewLinks } from '$lib/ui/view/links.ts';
    import { siteApi, tell, type Asked } from '$lib/wire/client.ts';

    let { data } = $props();
    const { view } = $derived(data);
    const to = $derived(viewLinks(page.url, data));

    /** What a note written here is about: the current set, one section where the set is just that, or the whole site. */
    const aboutSet = $derived.by(() => {
        const text = data.set.text.trim();
        if (text === '') return { about: 'set', subject: 'all', words: 'the whole site' };
        const section = /^section is ("?)([^"\s]+)\1$/.exec(text)?.[2];
        return section === undefined
            ? { about: 'set', subject: text, words: 'the current set' }
            : { about: 'section', subject: section, words: `the section ${section}` };
    });
    async function changeNotes(which: string, asked: Asked): Promise<string> {
        const refusal = await tell(`${siteApi(data.site.id)}/notes${which}`, asked);
        if (refusal === '') await invalidate('edgemap:survey');
        return refusal;
    }
    const writeNote = (text: string): Promise<string> =>
        changeNotes('', { method: 'POST', body: { about: aboutSet.about, subject: aboutSet.subject, text } });
    const forgetNote = (id: number): Promise<string> => changeNotes(`?id=${id}`, { method: 'DELETE' });
</script>

<svelte:head><title>Brief · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <p class="on-paper">
        {data.site.name}, {data.site.start}. Survey {data.survey.number} of {surveyDay(data.survey)}{data.set.text ===
        ''
            ? ''
            : `; current set: ${data.set.text}`}.
    </p>
    <div class="pane-row brief-top">
        <BriefHeadline {view} {to} isEnded={data.survey.isEnded} />
        <ReadSoFar {view} {to} survey={data.survey} />
    </div>
    <div class="pane-row brief-mid">
        <HowDeep {view} {to} onChoose={(href) => void goto(href)} />
        <MayBeIndexed {view} {to} />
        <HowKnown {view} {to} />
    </div>
    <div class="pane-row brief-low">
        <FixOnce jobs={view.jobs} {to} />
        <div class="min-w-0">
            <section class="pane" aria-label="Since the baseline">
                <Since since={view.since} baseline={data.baseline} isEnded={data.survey.isEnded} {to} />
                <h2 class="pane-name mt-4 mb-1">Notes</h2>
                {#snippet subjectOf(note: (typeof data.notes)[number])}
                    {#if note.about === 'page'}{#if note.isKnown}<a
                                class="set"
                                href={to.page(note.subject)}
                                data-sveltekit-noscroll><Address url={note.subject} origin={data.origin} most={36} /></a
                            >{:else}<Address url={note.subject} origin={data.origin} most={36} />, not in this survey{/if}
                    {:else if note.set === 'all'}the whole site{:else}<a class="set mono" href={to.set(note.set)}
                            >{note.set}</a
                        >{/if}
                {/snippet}
                <NoteList
                    notes={data.notes}
                    about={aboutSet.words}
                    {subjectOf}
                    onWrite={writeNote}
                    onForget={forgetNote}
                />
            </section>
            {#if data.small}
                <SmallMap
                    map={data.small.map}
                    name="The whole site"
                    note="by depth and section"
                    label="The map by depth"
                    sections={data.small.sections}
                    href="{to.base}/map"
                />
            {/if}
        </div>
    </div>
</div>
