<script lang="ts">
    import { invalidate } from '$app/navigation';
    import { page } from '$app/state';
    import type { CauseRow } from '$lib/core/views/causes.ts';
    import CausesHeadline from '$lib/ui/causes/CausesHeadline.svelte';
    import CauseTable from '$lib/ui/causes/CauseTable.svelte';
    import { count, counted } from '$lib/ui/parts/format.ts';
    import { viewLinks } from '$lib/ui/view/links.ts';
    import { siteApi, tell } from '$lib/wire/client.ts';

    let { data } = $props();
    const { view } = $derived(data);
    const to = $derived(viewLinks(page.url, data));
    const marked = $derived(view.first?.edits ?? 0);
    const acceptances = $derived(`${siteApi(data.site.id)}/acceptances`);

    async function change(path: string, asked: Parameters<typeof tell>[1]): Promise<string> {
        const refusal = await tell(path, asked);
        if (refusal === '') await invalidate('edgemap:survey');
        return refusal;
    }
    const accept = (subject: string, note: string): Promise<string> =>
        change(acceptances, { method: 'POST', body: { subject, note } });

    /** A cause is taken back as a whole; where single findings of it are accepted they are taken back at the page. */
    async function withdraw({ key }: CauseRow): Promise<string> {
        const own = data.acceptances.find(({ check, subject }) => check === '' && subject === key);
        if (!own) return 'Single findings of it are accepted: take them back on the sheets of their pages.';
        return change(`${acceptances}?id=${own.id}`, { method: 'DELETE' });
    }
</script>

<svelte:head><title>Causes · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <CausesHeadline {view} {to} isEnded={data.isEnded} />
    <section class="pane" aria-label="Causes">
        <h2 class="pane-name mb-1">
            Causes <span class="note"
                >one edit each; those in bold the headline counts; hatched: thrown away, not held</span
            >
        </h2>
        {#if view.rows.length === 0}
            <p class="ink2">Nothing was found{view.accepted.length > 0 ? ' beside what is accepted' : ''}.</p>
        {:else}
            <CauseTable
                rows={view.rows}
                {to}
                most={view.most}
                hasVisits={view.hasVisits}
                {marked}
                onAccept={accept}
                onWithdraw={withdraw}
            />
        {/if}
        {#if view.more > 0}<p class="note mt-1">{counted(view.more, 'smaller cause')} not listed.</p>{/if}
    </section>
    {#if view.accepted.length > 0}
        <section class="pane" aria-label="Accepted">
            <h2 class="pane-name mb-1">
                {count(view.accepted.length)} accepted
                <span class="note">lived with, each for a reason; they fail no gate</span>
            </h2>
            <CauseTable
                rows={view.accepted}
                {to}
                most={view.most}
                hasVisits={view.hasVisits}
                onAccept={accept}
                onWithdraw={withdraw}
            />
        </section>
    {/if}
</div>
