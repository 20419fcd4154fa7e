<script lang="ts">
    import { page } from '$app/state';
    import type { PartCount } from '$lib/core/areas/completeness.ts';
    import { setLine, type PageFilter } from '$lib/core/sets/page-filter.ts';
    import HowKnown from '$lib/ui/evidence/HowKnown.svelte';
    import KnownHeadline from '$lib/ui/evidence/KnownHeadline.svelte';
    import LostFolders from '$lib/ui/evidence/LostFolders.svelte';
    import NotReadReasons from '$lib/ui/evidence/NotReadReasons.svelte';
    import PartTable from '$lib/ui/evidence/PartTable.svelte';
    import { counted } from '$lib/ui/parts/format.ts';
    import { withParams } from '$lib/ui/view/address.ts';
    import { viewLinks } from '$lib/ui/view/links.ts';

    let { data } = $props();
    const { view } = $derived(data);
    const { complete } = $derived(view);
    const to = $derived(viewLinks(page.url, data));
    const showsAll = $derived(page.url.searchParams.has('all'));
    const of =
        (field: 'section' | 'origin' | 'path') =>
        ({ name }: PartCount, more?: PageFilter): string =>
            to.set(setLine({ [field]: name, ...more }));
</script>

<svelte:head><title>Completeness · {data.site.name} · Edge Map</title></svelte:head>
<div class="view">
    <KnownHeadline {view} counts={data.counts} {to} isEnded={data.survey.isEnded} />
    <div class="pane-row halves">
        <HowKnown
            {view}
            bare={data.bare}
            {to}
            {showsAll}
            otherHref={withParams(page.url, { all: showsAll ? null : '' })}
        />
        <div>
            <LostFolders lost={complete.lost} {to} />
            <NotReadReasons notRead={complete.notRead} families={data.families} {to} />
        </div>
    </div>
    <div class="pane-row halves">
        <section class="pane" aria-label="Sections">
            <h2 class="pane-name">By section</h2>
            <PartTable what="section" parts={complete.sections} hrefOf={of('section')} />
            {#if complete.moreSections > 0}
                <p class="note">and {counted(complete.moreSections, 'smaller section')}</p>
            {/if}
        </section>
        <div>
            <section class="pane" aria-label="Hosts">
                <h2 class="pane-name">By scheme and host</h2>
                <PartTable what="scheme and host" parts={complete.origins} hrefOf={of('origin')} />
            </section>
            {#if complete.folders.length > 0}
                <section class="pane border-t border-(--rule)" aria-label="Folders">
                    <h2 class="pane-name">
                        By folder <span class="note">one level below the sections, largest first</span>
                    </h2>
                    <PartTable what="folder" parts={complete.folders} hrefOf={of('path')} />
                </section>
            {/if}
        </div>
    </div>
</div>
