<script lang="ts">
    import { goto, invalidate } from '$app/navigation';
    import { page } from '$app/state';
    import Rail from '$lib/ui/frame/Rail.svelte';
    import SetBar from '$lib/ui/frame/SetBar.svelte';
    import { switchTheme } from '$lib/ui/frame/theme.ts';
    import { CompletionAnswer } from '$lib/wire/sets.ts';
    import { Refusal, SpotAnswer } from '$lib/wire/survey-requests.ts';
    import PageSheet from '$lib/ui/sheet/PageSheet.svelte';

    const PARTS_OF_SURVEY = [
        'progress',
        'completeness',
        'evidence',
        'orphans',
        'sitemaps',
        'links-in',
        'templates',
        'hosts',
    ];
    let { data, children } = $props();
    const base = $derived(`/sites/${data.site.id}/${data.survey.number}`);
    const areas = $derived([
        {
            name: 'Brief',
            question: 'where do we stand?',
            href: `${base}/brief`,
            isCurrent: page.url.pathname === `${base}/brief`,
        },
        {
            name: 'Pages',
            question: 'look a page up',
            href: `${base}/pages`,
            isCurrent: page.url.pathname === `${base}/pages`,
        },
        {
            name: 'Links',
            question: 'look a link up',
            href: `${base}/links`,
            isCurrent: page.url.pathname === `${base}/links`,
        },
        {
            name: 'Survey',
            question: 'how was it read?',
            href: `${base}/progress`,
            isCurrent: PARTS_OF_SURVEY.some((part) => page.url.pathname === `${base}/${part}`),
        },
        { name: 'Door check', question: 'is it open?', href: `/sites/${data.site.id}/door`, isCurrent: false },
    ]);
    const isPartial = $derived(data.survey.isPartial || !data.survey.isEnded);

    /** What is looked at while the survey runs follows it, one look after the other. */
    const LOOK_AGAIN = 4_000;
    $effect(() => {
        if (data.survey.isEnded) return;
        const timer = setTimeout(() => void invalidate('edgemap:survey'), LOOK_AGAIN);
        return () => clearTimeout(timer);
    });

    function withPage(node: number | null): string {
        const params = new URLSearchParams(page.url.searchParams);
        if (node === null) params.delete('page');
        else params.set('page', String(node));
        const query = params.toString();
        return query === '' ? page.url.pathname : `${page.url.pathname}?${query}`;
    }

    async function readAgain(body: { kind: 'page' | 'folder'; url: string }): Promise<string> {
        const answer = await fetch(`/api/v1${base.replace(/\/(\d+)$/, '/surveys/$1')}/spot`, {
            method: 'POST',
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify(body),
        });
        const said: unknown = await answer.json();
        const made = SpotAnswer.safeParse(said);
        if (made.success) {
            await goto(`/sites/${data.site.id}/${made.data.number}/progress`);
            return '';
        }
        const refusal = Refusal.safeParse(said);
        return refusal.success ? refusal.data.message : 'That did not work. Try again.';
    }

    /** Has an action asked for after all: the survey goes on with it. */
    async function askAllTheSame(url: string): Promise<string> {
        const answer = await fetch(`/api/v1${base.replace(/\/(\d+)$/, '/surveys/$1')}/decisions`, {
            method: 'POST',
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify({ kind: 'action', of: url, state: 'open' }),
        });
        if (answer.ok) {
            await goto(`${base}/progress`, { invalidateAll: true });
            return '';
        }
        const refusal = Refusal.safeParse(await answer.json());
        return refusal.success ? refusal.data.message : 'That did not work. Try again.';
    }

    /** Where a set is shown: in the table that is open, else among the pages. */
    function setHref(text: string): string {
        const isTable = page.url.pathname === `${base}/pages` || page.url.pathname === `${base}/links`;
        const params = new URLSearchParams(isTable ? page.url.searchParams : undefined);
        params.delete('page');
        if (text === '') params.delete('set');
        else params.set('set', text);
        const query = params.toString();
        return `${isTable ? page.url.pathname : `${base}/pages`}${query === '' ? '' : `?${query}`}`;
    }

    const sets = $derived(`/api/v1/sites/${data.site.id}/sets`);

    async function complete(text: string, cursor: number, signal: AbortSignal) {
        const asked = new URLSearchParams({ text, cursor: String(cursor) });
        const answer = await fetch(`/api/v1${base.replace(/\/(\d+)$/, '/surveys/$1')}/complete?${asked}`, { signal });
        return CompletionAnswer.parse(await answer.json());
    }

    /** @returns why it could not be done, or nothing */
    async function told(answer: Response): Promise<string> {
        if (answer.ok) {
            await invalidate('edgemap:survey');
            return '';
        }
        const refusal = Refusal.safeParse(await answer.json());
        return refusal.success ? refusal.data.message : 'That did not work. Try again.';
    }

    async function saveSet(name: string, expression: string): Promise<string> {
        const headers = { 'content-type': 'application/json' };
        return told(await fetch(sets, { method: 'POST', headers, body: JSON.stringify({ name, expression }) }));
    }

    async function forgetSet(name: string): Promise<string> {
        return told(await fetch(`${sets}?${new URLSearchParams({ name })}`, { method: 'DELETE' }));
    }

    /** Says how much the page of the sheet matters. */
    async function setPriority(url: string, value: number | null): Promise<string> {
        const headers = { 'content-type': 'application/json' };
        const body = JSON.stringify({ by: 'page', subject: url, value });
        return told(await fetch(`/api/v1/sites/${data.site.id}/priorities`, { method: 'POST', headers, body }));
    }

    function onKey(event: KeyboardEvent): void {
        const isTyping = event.target instanceof HTMLElement && event.target.matches('input, textarea, select');
        if (event.key === '/' && !isTyping && !event.ctrlKey && !event.metaKey) {
            event.preventDefault();
            document.getElementById('set-text')?.focus();
        }
        const step = event.key === '[' ? data.place?.before : event.key === ']' ? data.place?.after : undefined;
        if (step != null && !isTyping) void goto(withPage(step), { noScroll: true, keepFocus: true });
        if (event.key === 'Escape' && data.sheet) void goto(withPage(null), { noScroll: true, keepFocus: true });
    }
</script>

<svelte:window onkeydown={onKey} />

<div class="frame" class:with-sheet={data.sheet !== null}>
    <Rail
        site={data.site}
        sites={data.sites}
        survey={data.survey}
        surveys={data.surveys}
        {areas}
        onTheme={switchTheme}
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
            hrefOf={setHref}
            onShow={(text) => goto(setHref(text), { keepFocus: true })}
            {complete}
            onSave={saveSet}
            onForget={forgetSet}
        />
        {@render children()}
    </main>
    {#if data.sheet}
        <PageSheet
            sheet={data.sheet}
            place={data.place}
            origin={data.origin}
            hrefOf={withPage}
            sourceHref={(node, line) => `${base}/source?of=${node}&line=${line}`}
            details={data.details}
            given={data.given}
            onReadAgain={readAgain}
            onPriority={setPriority}
            {setHref}
            onAskAllTheSame={askAllTheSame}
            closeHref={withPage(null)}
        />
    {/if}
</div>
