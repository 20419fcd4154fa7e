<script lang="ts">
    /** The frame without a survey: rail, neatline, one view. */
    import type { Snippet } from 'svelte';
    import Rail from './Rail.svelte';
    import { switchTheme } from './theme.ts';

    interface Props {
        title: string;
        sites: { id: number; name: string }[];
        site?: { id: number; name: string; start: string } | null;
        children: Snippet;
    }
    let { title, sites, site = null, children }: Props = $props();
    const areas = $derived([
        {
            name: 'Sites',
            question: 'which website?',
            icon: 'page' as const,
            href: '/sites',
            isCurrent: title === 'Sites',
        },
        {
            name: 'Door check',
            question: 'is it open?',
            icon: 'door' as const,
            href: site ? `/sites/${site.id}/door` : '/door',
            isCurrent: title === 'Door check',
        },
    ]);
</script>

<svelte:head><title>{title} · Edge Map</title></svelte:head>
<div class="frame">
    <Rail {site} {sites} survey={null} surveys={[]} onTheme={switchTheme} {areas} />
    <div class="neatline" aria-hidden="true"></div>
    <main id="main" class="main">
        <div class="set-bar" aria-hidden="true"><span class="ink3">{title}</span></div>
        <div class="view">{@render children()}</div>
    </main>
</div>
