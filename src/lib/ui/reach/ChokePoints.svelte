<script lang="ts">
    /** Pages and templates through which alone others are reached. */
    import type { ReachView } from '../../core/views/reach.ts';
    import Figure from '../charts/Figure.svelte';
    import LoadBars from '../charts/LoadBars.svelte';
    import Address from '../parts/Address.svelte';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to }: { view: ReachView; to: ViewLinks } = $props();
    /** Pages and templates are drawn on one scale. */
    const most = $derived(Math.max(1, ...[...view.chokePoints, ...view.templates].map(({ pages }) => pages)));
</script>

<Figure
    name="Choke points"
    note="pages behind, if this one goes"
    cells={() => [
        ['through', 'pages behind'],
        ...view.chokePoints.map(({ url, pages }) => [url, pages]),
        ...view.templates.map(({ words, pages }) => [words, pages]),
    ]}
>
    {#if view.chokePoints.length === 0}
        <p class="ink2">None: no page but the start page holds another.</p>
    {:else}
        <LoadBars
            {most}
            bars={view.chokePoints.map(({ url, pages, set }) => ({
                key: url,
                value: pages,
                href: to.set(set),
                says: `${counted(pages, 'page')} behind ${url}`,
            }))}
        >
            {#snippet name(bar, index)}
                <a class="plain-set text-primary" href={to.page(String(bar.key))} data-sveltekit-noscroll
                    ><Address url={view.chokePoints[index]!.url} origin={to.origin} most={44} /></a
                >
            {/snippet}
        </LoadBars>
        {#if view.chokeTotal > view.chokePoints.length}<p class="mt-1 note">
                <a class="set" href="{to.set('choke point')}&order=load.desc"
                    >{view.chokeTotal >= 100 ? 'All others' : `${count(view.chokeTotal)} in all`}, by load</a
                >
            </p>{/if}
    {/if}
    {#if view.templates.length > 0}
        <p class="note mt-2">The same for templates: reached by their links alone</p>
        <LoadBars
            {most}
            outlined
            bars={view.templates.map(({ name, pages, words, set }) => ({
                key: name,
                value: pages,
                href: to.set(set),
                says: `${counted(pages, 'page')} reached through the template “${words}” alone`,
            }))}
        >
            {#snippet name(bar, index)}<a
                    class="plain-set text-primary"
                    href="{to.base}/templates?template={encodeURIComponent(String(bar.key))}"
                    >{view.templates[index]!.words}</a
                > <span class="note">on {counted(view.templates[index]!.on, 'page')}</span>{/snippet}
        </LoadBars>
    {/if}
</Figure>
