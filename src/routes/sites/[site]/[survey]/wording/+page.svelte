<script lang="ts">
    import { invalidate } from '$app/navigation';
    import { page } from '$app/state';
    import { count, counted } from '$lib/ui/parts/format.ts';
    import { viewLinks } from '$lib/ui/view/links.ts';
    import EmptyWords from '$lib/ui/wording/EmptyWords.svelte';
    import WordingCheck from '$lib/ui/wording/WordingCheck.svelte';
    import { siteApi, surveyApi, tell } from '$lib/wire/client.ts';
    import type { GenericChange } from '$lib/wire/generic-words.ts';

    let { data } = $props();
    const to = $derived(viewLinks(page.url, data));
    const finding = $derived(data.checks.filter(({ pages, isOff }) => pages > 0 && !isOff));
    const quiet = $derived(data.checks.filter((check) => !finding.includes(check)));
    const unknown = $derived(quiet.filter(({ unknown: why }) => why !== null));

    async function say(change: GenericChange): Promise<string> {
        const refusal = await tell(`${siteApi(data.site.id)}/generic-words`, { method: 'PUT', body: change });
        if (refusal === '') await invalidate('edgemap:survey');
        return refusal;
    }
</script>

<svelte:head><title>Wording · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <div class="pane border-b border-(--edge)">
        <h1 class="headline">
            {#if finding.length === 0}No check of anchors finds anything.
            {:else}{count(finding.length)} of {counted(data.checks.length, 'check')} of anchors
                {finding.length === 1 ? 'finds' : 'find'} something.{/if}
        </h1>
        <p class="note">
            What a template holds stands first: one edit mends it on all its pages. Numbers are pages on which such
            links stand; thresholds and switches are under <a class="set" href="{to.base}/checks">Checks</a>.
        </p>
    </div>
    <div class="pane-row wording">
        <section class="pane" aria-label="Checks of anchors">
            {#each finding as check (check.id)}<WordingCheck {check} {to} />{/each}
            {#if quiet.length > 0}
                <p class="note quiet">
                    Nothing found, or not asked: {quiet
                        .map(({ name, isOff, unknown: why }) =>
                            isOff ? `${name} (switched off)` : why === null ? name : `${name} (not known)`,
                        )
                        .join('; ')}.
                    {#if unknown.length > 0}What is not known needs a survey of this version.{/if}
                </p>
            {/if}
        </section>
        <EmptyWords view={data.empty} api={surveyApi(data.site.id, data.survey.path)} onSay={say} />
    </div>
</div>

<style>
    .wording {
        grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
    }
    .quiet {
        border-top: 1px solid var(--rule);
        padding-top: 8px;
    }
    @media (max-width: 62rem) {
        .wording {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
