<script lang="ts">
    import { onDestroy } from 'svelte';
    import { goto, invalidate } from '$app/navigation';
    import { navigating, page } from '$app/state';
    import Rail from '$lib/ui/frame/Rail.svelte';
    import SheetHandle from '$lib/ui/frame/SheetHandle.svelte';
    import Find from '$lib/ui/frame/Find.svelte';
    import KeyList from '$lib/ui/frame/KeyList.svelte';
    import SetBar from '$lib/ui/frame/SetBar.svelte';
    import SubAreas from '$lib/ui/frame/SubAreas.svelte';
    import { AREAS, viewNamed, type AreaView } from '$lib/core/views/areas.ts';
    import { switchTheme } from '$lib/ui/frame/theme.ts';
    import { CompletionAnswer, PageWindowAnswer } from '$lib/wire/sets.ts';
    import { ask, siteApi, surveyApi, tell, type Asked } from '$lib/wire/client.ts';
    import { SpotAnswer } from '$lib/wire/survey-requests.ts';
    import { pageKey } from '$lib/core/address/page-key.ts';
    import { quoted } from '$lib/core/sets/tokens.ts';
    import PageSheet from '$lib/ui/sheet/PageSheet.svelte';
    import UnknownSheet from '$lib/ui/sheet/UnknownSheet.svelte';
    import { queryOf, sourceHref, withParams, withSheet } from '$lib/ui/view/address.ts';
    import { SurveyClient } from '$lib/workers/survey-client.ts';

    let { data, children } = $props();
    /** Width of the page sheet, of both together where one is pinned; the reader may drag its edge. */
    let sheetWidth = $state(420);
    const base = $derived(`/sites/${data.site.id}/${data.survey.path}`);
    const part = $derived(page.url.pathname.slice(base.length + 1));
    const shown = $derived(viewNamed(part));
    const hrefOf = (view: AreaView): string =>
        `${base}/${view.id}${view.takesSet && data.set.text !== '' ? `?${new URLSearchParams({ set: data.set.text })}` : ''}`;
    const areas = $derived([
        ...AREAS.map(({ name, question, icon, views }) => ({
            name,
            question,
            icon,
            href: hrefOf(views[0]),
            isCurrent: shown?.area.name === name,
        })),
        {
            name: 'Door check',
            question: 'is it open?',
            icon: 'door' as const,
            href: `/sites/${data.site.id}/door`,
            isCurrent: false,
        },
    ]);
    const hasSheet = $derived(data.open !== null || data.unknown !== null);
    const isPartial = $derived(data.survey.isPartial || !data.survey.isEnded);

    /** What is looked at while the survey runs follows it, one look after the other. */
    const LOOK_AGAIN = 4_000;
    $effect(() => {
        if (data.survey.isEnded) return;
        let timer = setTimeout(look, LOOK_AGAIN);
        // Looking again would call off the way to another view that is just being gone.
        function look(): void {
            if (navigating.to) timer = setTimeout(look, LOOK_AGAIN / 8);
            else void invalidate('edgemap:survey');
        }
        return () => clearTimeout(timer);
    });

    const withPage = (url: string): string => withSheet(page.url, url, data.site.start);
    const withoutPage = $derived(withParams(page.url, { page: null }));

    /** The same view of another survey, or of a page in it: what is looked at goes along. */
    function inSurvey(number: number, url?: string): string {
        const params = new URLSearchParams();
        for (const name of ['set', 'page', 'pin']) {
            const value = page.url.searchParams.get(name);
            if (value !== null) params.set(name, value);
        }
        if (url !== undefined) params.set('page', pageKey(url, data.site.start));
        return `/sites/${data.site.id}/${number}/${shown?.view.id ?? 'brief'}${queryOf(params)}`;
    }
    const others = $derived(data.surveys.filter(({ number }) => number !== data.survey.number));

    const api = $derived(surveyApi(data.site.id, data.survey.path));
    const ofSite = $derived(siteApi(data.site.id));

    async function readAgain(body: { kind: 'page' | 'folder'; url: string }): Promise<string> {
        const made = await ask(SpotAnswer, `${api}/spot`, { method: 'POST', body });
        if (!made.ok) return made.say;
        await goto(`/sites/${data.site.id}/${made.data.number}/progress`);
        return '';
    }

    /** Has an action asked for after all: the survey goes on with it. */
    async function askAllTheSame(url: string): Promise<string> {
        const body = { kind: 'action', of: url, state: 'open' };
        const refusal = await tell(`${api}/decisions`, { method: 'POST', body });
        if (refusal === '') await goto(`${base}/progress`, { invalidateAll: true });
        return refusal;
    }

    /** Where a set is shown: in the view that is open if it shows sets, else among the pages. */
    function setHref(text: string): string {
        const stays = shown?.view.takesSet ?? false;
        const params = new URLSearchParams(stays ? page.url.searchParams : undefined);
        params.delete('page');
        if (text === '') params.delete('set');
        else params.set('set', text);
        return `${stays ? page.url.pathname : `${base}/pages`}${queryOf(params)}`;
    }

    async function complete(text: string, cursor: number, signal: AbortSignal) {
        const asked = new URLSearchParams({ text, cursor: String(cursor) });
        const answer = await ask(CompletionAnswer, `${api}/complete?${asked}`, { signal });
        return answer.ok ? answer.data : null;
    }

    const browserSurvey = new SurveyClient();
    onDestroy(() => browserSurvey.close());

    /** While a survey runs it changes all the time: nothing is told of what is typed. */
    function sizeOf(text: string): Promise<number | null> {
        if (!data.survey.isEnded) return Promise.resolve(null);
        return browserSurvey.size({ survey: api, revision: `${data.survey.revision}` }, text);
    }

    /** Has something of the site changed, and looks again. @returns why it could not be done, or nothing */
    async function change(path: string, asked: Asked): Promise<string> {
        const refusal = await tell(`${ofSite}/${path}`, asked);
        if (refusal === '') await invalidate('edgemap:survey');
        return refusal;
    }

    const saveSet = (name: string, expression: string) =>
        change('sets', { method: 'POST', body: { name, expression } });
    const forgetSet = (name: string) => change(`sets?${new URLSearchParams({ name })}`, { method: 'DELETE' });
    /** Says how much the page of the sheet matters. */
    const setPriority = (subject: string, value: number | null) =>
        change('priorities', { method: 'POST', body: { by: 'page', subject, value } });
    const writeNote = (subject: string, text: string) =>
        change('notes', { method: 'POST', body: { about: 'page', subject, text } });
    const forgetNote = (id: number) => change(`notes?id=${id}`, { method: 'DELETE' });

    /** What a note is about, shown. */
    function noteHref(about: string, subject: string): string {
        if (about === 'page') return withPage(subject);
        if (about === 'section') return setHref(`section is ${quoted(subject)}`);
        return subject === '' ? `${base}/brief` : setHref(subject);
    }

    let find: ReturnType<typeof Find> | undefined = $state();
    let keys: ReturnType<typeof KeyList> | undefined = $state();
    const things = $derived([
        ...areas.map(({ name, question, href }) => ({
            kind: 'area' as const,
            name,
            note: question,
            go: () => void goto(href),
        })),
        ...AREAS.flatMap(({ name, views }) =>
            views.slice(1).map((view) => ({
                kind: 'area' as const,
                name: view.name,
                note: `in ${name}`,
                go: () => void goto(hrefOf(view)),
            })),
        ),
        ...data.saved.map(({ name, expression }) => ({
            kind: 'set' as const,
            name,
            note: expression,
            go: () => void goto(setHref(`set ${JSON.stringify(name)}`)),
        })),
        ...data.notes.map(({ about, subject, text }) => ({
            kind: 'note' as const,
            name: text,
            note: subject === '' ? 'the whole site' : subject,
            go: () => void goto(noteHref(about, subject)),
        })),
        ...[
            { name: 'Start a new survey', note: '', go: () => void goto(`/sites/${data.site.id}/new-survey`) },
            { name: 'Show all pages', note: 'clears the set', go: () => void goto(setHref('')) },
            { name: 'Switch between light and dark', note: '', go: switchTheme },
            { name: 'All sites', note: '', go: () => void goto('/sites') },
            { name: 'List of keys', note: '?', go: () => keys?.open() },
        ].map((action) => ({ kind: 'action' as const, ...action })),
    ]);

    async function findPages(text: string, signal: AbortSignal) {
        const asked = new URLSearchParams({ set: JSON.stringify(text), count: '8', columns: 'url,title' });
        const answer = await ask(PageWindowAnswer, `${api}/pages?${asked}`, { signal });
        if (!answer.ok) throw new Error(answer.say);
        return answer.data.rows.map(({ url, record }) => ({ url, title: String(record.title ?? '') }));
    }

    function onKey(event: KeyboardEvent): void {
        const isTyping = event.target instanceof HTMLElement && event.target.matches('input, textarea, select');
        if (event.key.toLowerCase() === 'k' && (event.ctrlKey || event.metaKey)) {
            event.preventDefault();
            find?.open();
            return;
        }
        if (document.querySelector('dialog[open]')) return;
        if (event.key === '?' && !isTyping) keys?.open();
        const isPlain = !isTyping && !event.ctrlKey && !event.metaKey && !event.altKey;
        const area = isPlain ? AREAS.find(({ key }) => key === event.key) : undefined;
        if (area) void goto(hrefOf(area.views[0]));
        if (event.key === '/' && !isTyping && !event.ctrlKey && !event.metaKey) {
            event.preventDefault();
            document.getElementById('set-text')?.focus();
        }
        const step = event.key === '[' ? data.place?.before : event.key === ']' ? data.place?.after : undefined;
        if (step != null && !isTyping) void goto(withPage(step), { noScroll: true, keepFocus: true });
        if (event.key === 'Escape' && (data.open || data.unknown !== null))
            void goto(withoutPage, { noScroll: true, keepFocus: true });
    }
</script>

<svelte:window onkeydown={onKey} />

{#snippet sheetEdge()}<SheetHandle bind:width={sheetWidth} />{/snippet}

{#snippet sheetOf(item: NonNullable<typeof data.open>, isPinned: boolean)}
    <PageSheet
        {...item}
        {isPinned}
        edge={isPinned || data.beside === null ? sheetEdge : undefined}
        place={isPinned ? null : data.place}
        origin={data.origin}
        hrefOf={withPage}
        sourceHref={(url, line) => sourceHref(base, url, data.site.start, line)}
        onReadAgain={readAgain}
        onPriority={setPriority}
        {setHref}
        linksHref={(line, side) => `${base}/links?${new URLSearchParams({ set: line, side })}`}
        onAskAllTheSame={askAllTheSame}
        onNote={writeNote}
        onForgetNote={forgetNote}
        pinHref={withParams(page.url, { pin: pageKey(item.sheet.url, data.site.start) })}
        closeHref={withParams(page.url, isPinned ? { pin: null } : { page: null })}
        elsewhere={others.map(({ number }) => ({ number, href: inSurvey(number, item.sheet.url) }))}
    />
{/snippet}

<Find
    bind:this={find}
    {things}
    {findPages}
    origin={data.origin}
    onPage={(url) => goto(withPage(url), { noScroll: true })}
/>
<KeyList bind:this={keys} />
<div
    class="frame"
    class:with-sheet={hasSheet || data.beside !== null}
    class:with-two={hasSheet && data.beside !== null}
    style:--sheet="{sheetWidth}px"
>
    <Rail
        site={data.site}
        sites={data.sites}
        survey={data.survey}
        surveys={data.surveys}
        {areas}
        hrefOfSurvey={(number) => inSurvey(number)}
        onTheme={switchTheme}
        onFind={() => find?.open()}
        onKeys={() => keys?.open()}
    />
    <div class="neatline" class:partial={isPartial} aria-hidden="true"></div>
    <main id="main" class="main">
        <SetBar
            text={data.set.text}
            size={data.set.size}
            of={data.known}
            trouble={data.set.trouble}
            saved={data.saved}
            given={data.givenColumns}
            baseline={data.baseline}
            hrefOf={setHref}
            onShow={(text) => goto(setHref(text), { keepFocus: true })}
            {complete}
            {sizeOf}
            onSave={saveSet}
            onForget={forgetSet}
        />
        {#if data.survey.revision < data.survey.latest}
            <p class="earlier">
                Revision {data.survey.revision} of survey {data.survey.number}: what it said earlier, to be looked at
                and not changed.
                <a class="set" href="/sites/{data.site.id}/{data.survey.number}/{part}{page.url.search}"
                    >Revision {data.survey.latest}, the newest</a
                >
            </p>
        {/if}
        {#if shown && shown.area.views.length > 1}<SubAreas
                name={shown.area.name}
                items={shown.area.views.map((view) => ({ ...view, href: hrefOf(view) }))}
                current={part}
            />{/if}
        {@render children()}
    </main>
    {#if data.beside}{@render sheetOf(data.beside, true)}{/if}
    {#if data.open}{@render sheetOf(data.open, false)}{/if}
    {#if data.unknown !== null}<UnknownSheet
            url={data.unknown}
            survey={data.survey.number}
            isRunning={!data.survey.isEnded}
            closeHref={withoutPage}
            edge={data.beside === null ? sheetEdge : undefined}
            elsewhere={others.map(({ number }) => ({ number, href: inSurvey(number) }))}
        />{/if}
</div>

<style>
    .earlier {
        padding: 4px 16px;
        border-bottom: 1px solid var(--edge);
    }
</style>
