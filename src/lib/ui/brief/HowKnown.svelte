<script lang="ts">
    /** URLs by the evidence that makes them known. */
    import type { BriefView } from '../../core/views/brief.ts';
    import type { Evidence } from '../../core/evidence/evidence.ts';
    import { setLine, type PageFilter } from '../../core/sets/page-filter.ts';
    import EvidenceMatrix from '../charts/EvidenceMatrix.svelte';
    import Figure from '../charts/Figure.svelte';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to }: { view: BriefView; to: ViewLinks } = $props();
    const { counts } = $derived(view);
    const set = (filter: PageFilter): string => to.set(setLine(filter));
</script>

<Figure
    name="How we know of them"
    cells={() => [
        ['known by', 'URLs', 'pages', 'orphans'],
        ...counts.evidence.map((group) => [group.evidence.join(' '), group.urls, group.pages, group.orphans]),
    ]}
>
    <EvidenceMatrix groups={counts.evidence} hrefOf={(group) => set({ evidence: group.evidence as Evidence[] })} />
    <p class="note mt-1"><a class="set" href="{to.base}/completeness">What this survey cannot claim</a></p>
</Figure>
