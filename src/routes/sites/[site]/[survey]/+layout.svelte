<script lang="ts">
    import { onDestroy } from 'svelte';
    import { goto, invalidate } from '$app/navigation';
    import { navigating, page } from '$app/state';
    import { viewNamed, type Area } from '$lib/core/views/areas.ts';
    import Find from '$lib/ui/frame/Find.svelte';
    import { findThings } from '$lib/ui/frame/find-things.ts';
    import { keyDeed } from '$lib/ui/frame/frame-keys.ts';
    import { frameLinks } from '$lib/ui/frame/frame-links.ts';
    import KeyList from '$lib/ui/frame/KeyList.svelte';
    import Rail from '$lib/ui/frame/Rail.svelte';
    import { railAreas } from '$lib/ui/frame/rail-areas.ts';
    import SetBar from '$lib/ui/frame/SetBar.svelte';
    import SheetHandle from '$lib/ui/frame/SheetHandle.svelte';
    import SubAreas from '$lib/ui/frame/SubAreas.svelte';
    import { surveyActs } from '$lib/ui/frame/survey-acts.ts';
    import { switchTheme } from '$lib/ui/frame/theme.ts';
    import PageSheet from '$lib/ui/sheet/PageSheet.svelte';
    import UnknownSheet from '$lib/ui/sheet/UnknownSheet.svelte';
    import { BrowserSurvey, giveBrowserSurvey } from '$lib/ui/frame/browser-survey.ts';
    import { surveyApi } from '$lib/wire/client.ts';

    let { data, children } = $props();
    /** Width of the page sheet, of both together where one is pinned; the reader may drag its edge. */
    let sheetWidth = $state(420);
    const to = $derived(frameLinks(page.url, data.site, data.survey, data.set.text));
    const shown = $derived(viewNamed(to.part));
    const areas = $derived(railAreas(to, shown?.area.name ?? null));
    const hasSheet = $derived(data.open !== null || data.unknown !== null);
    const others = $derived(data.surveys.filter(({ number }) => number !== data.survey.number));
    const place = $derived(
        data.place && {
            ...data.place,
            before: data.place.before === null ? null : to.page(data.place.before),
            after: data.place.after === null ? null : to.page(data.place.after),
        },
    );
    const lookAgain = (): Promise<void> => invalidate('edgemap:survey');
    const acts = $derived(
        surveyActs(data.site.id, data.survey.path, lookAgain, (number) =>
            goto(number === null ? `${to.base}/progress` : `${to.site}/${number}/progress`, { invalidateAll: true }),
        ),
    );
    const sheetLinks = $derived({ ...to, origin: data.origin });

    /** What is looked at while the survey runs follows it, one look after the other. */
    const LOOK_AGAIN = 4_000;
    $effect(() => {
        if (data.survey.isEnded) return;
        let timer = setTimeout(look, LOOK_AGAIN);
        // Looking again would call off the way to another view that is just being gone.
        function look(): void {
            if (navigating.to) timer = setTimeout(look, LOOK_AGAIN / 8);
            else void lookAgain();
        }
        return () => clearTimeout(timer);
    });

    const held = giveBrowserSurvey(
        new BrowserSurvey(() => ({
            survey: surveyApi(data.site.id, data.survey.path),
            revision: `${data.survey.revision}`,
            isEnded: data.survey.isEnded,
        })),
    );
    onDestroy(() => held.close());

    let find: ReturnType<typeof Find> | undefined = $state();
    let keys: ReturnType<typeof KeyList> | undefined = $state();
    const things = $derived(
        findThings({
            areas,
            saved: data.saved,
            notes: data.notes,
            to,
            go: (href) => void goto(href),
            onTheme: switchTheme,
            onKeys: () => keys?.open(),
        }),
    );
    const inPlace = (href: string): void => void goto(href, { noScroll: true, keepFocus: true });
    const deeds = {
        find: () => find?.open(),
        keys: () => keys?.open(),
        area: ({ views }: Area) => void goto(to.view(views[0])),
        set: () => document.getElementById('set-text')?.focus(),
        step: (by: 'before' | 'after') => place?.[by] != null && inPlace(place[by]),
        closeSheet: () => hasSheet && inPlace(to.withoutPage),
    };

    function onKey(event: KeyboardEvent): void {
        const isTyping = event.target instanceof HTMLElement && event.target.matches('input, textarea, select');
        const deed = keyDeed(event, deeds, isTyping, document.querySelector('dialog[open]') !== null);
        // A key that leads into a field is not to be typed there too.
        if (deed === deeds.find || deed === deeds.set) event.preventDefault();
        deed?.();
    }
</script>

<svelte:window onkeydown={onKey} />

{#snippet sheetEdge()}<SheetHandle bind:width={sheetWidth} />{/snippet}

{#snippet sheetOf(item: NonNullable<typeof data.open>, isPinned: boolean)}
    <PageSheet
        open={item}
        to={sheetLinks}
        {acts}
        place={isPinned ? null : place}
        pinHref={isPinned ? null : to.pinned(item.sheet.url)}
        closeHref={isPinned ? to.withoutPinned : to.withoutPage}
        elsewhere={others.map(({ number }) => ({ number, href: to.survey(number, item.sheet.url) }))}
        edge={isPinned || data.beside === null ? sheetEdge : undefined}
    />
{/snippet}

<Find
    bind:this={find}
    {things}
    findPages={acts.findPages}
    origin={data.origin}
    onPage={(url) => goto(to.page(url), { noScroll: true })}
    findCauses={acts.findCauses}
    onCause={({ urls }) =>
        goto(urls?.set ? to.set(urls.set) : to.view({ id: 'causes', name: 'Causes', takesSet: false }))}
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
        hrefOfSurvey={to.survey}
        onTheme={switchTheme}
        onFind={() => find?.open()}
        onKeys={() => keys?.open()}
    />
    <div class="neatline" class:partial={data.survey.isPartial || !data.survey.isEnded} aria-hidden="true"></div>
    <main id="main" class="main">
        <SetBar
            text={data.set.text}
            size={data.set.size}
            of={data.known}
            trouble={data.set.trouble}
            saved={data.saved}
            given={data.givenColumns}
            baseline={data.baseline}
            hrefOf={to.set}
            onShow={(text) => goto(to.set(text), { keepFocus: true })}
            complete={acts.complete}
            sizeOf={(text) => held.sizeOf(text)}
            onSave={acts.saveSet}
            onForget={acts.forgetSet}
        />
        {#if data.survey.revision < data.survey.latest}
            <p class="earlier">
                Revision {data.survey.revision} of survey {data.survey.number}: what it said earlier, to be looked at
                and not changed.
                <a class="set" href={to.newest}>Revision {data.survey.latest}, the newest</a>
            </p>
        {/if}
        {#if shown && shown.area.views.length > 1}
            <SubAreas
                name={shown.area.name}
                items={shown.area.views.map((view) => ({ ...view, href: to.view(view) }))}
                current={to.part}
            />
        {/if}
        {@render children()}
    </main>
    {#if data.beside}{@render sheetOf(data.beside, true)}{/if}
    {#if data.open}{@render sheetOf(data.open, false)}{/if}
    {#if data.unknown !== null}
        <UnknownSheet
            url={data.unknown}
            survey={data.survey.number}
            isRunning={!data.survey.isEnded}
            closeHref={to.withoutPage}
            elsewhere={others.map(({ number }) => ({ number, href: to.survey(number) }))}
            edge={data.beside === null ? sheetEdge : undefined}
        />
    {/if}
</div>

<style>
    .earlier {
        padding: 4px 16px;
        border-bottom: 1px solid var(--edge);
    }
</style>
