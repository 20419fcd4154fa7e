<script lang="ts">
    /** What leads to a page at its left, what it leads to at its right, a group each; ribbons as wide as the root of their pages. */
    import { GATE_GLYPHS } from '../parts/gate-glyphs.ts';
    import type { AroundView } from '../../core/views/around.ts';
    import type { WalkPage } from '../../core/views/journey.ts';
    import { count, counted } from '../parts/format.ts';
    import { hueOf, sectionMarks } from '../parts/section-letters.ts';
    import SectionMark from '../parts/SectionMark.svelte';
    import { tailOf } from '../map/map-sets.ts';
    import type { ViewLinks } from '../view/links.ts';
    import type { AroundLinks } from './around-links.ts';
    import { aroundLayout } from './around-layout.ts';

    interface Props {
        view: AroundView;
        links: AroundLinks;
        to: ViewLinks;
        sections: readonly string[];
        width: number;
    }
    let { view, links, to, sections, width }: Props = $props();
    const layout = $derived(aroundLayout(view, Math.max(320, width - 32)));
    const hue = (section: string): string => {
        const place = sections.indexOf(section);
        return section === '' ? 'var(--edge)' : hueOf(place === -1 ? sections.length : place);
    };
    const markOf = (section: string) => sectionMarks([...sections], [section])[0]!;
    const [centre] = $derived(view.centre);
    const nameOf = ({ url, title }: WalkPage): string =>
        url === `${to.origin}/` ? 'start page' : tailOf(url, to.origin) || title || url;
    const glyphOf = ({ gate }: WalkPage) => (gate === null || gate === 'indexable' ? null : GATE_GLYPHS[gate]);
    const MOST_SECTIONS = 6;
</script>

{#snippet mark(page: WalkPage)}
    <svg class="form" width="11" height="11" viewBox="0 0 12 12" aria-hidden="true"
        ><rect
            x="0.5"
            y="0.5"
            width="11"
            height="11"
            fill={page.depth === null ? 'url(#hatch)' : page.gate === 'indexable' ? hue(page.section) : 'none'}
            stroke="var(--color-base-content)"
            stroke-width="0.8"
        />{#if glyphOf(page)}<path d={glyphOf(page)} fill="none" stroke="var(--color-base-content)" />{/if}</svg
    >
{/snippet}

<div class="over">
    <div class="around" style:width="{layout.width}px" style:height="{layout.height}px">
        <svg width={layout.width} height={layout.height} aria-hidden="true">
            {#each layout.ribbons as { path, wide, section }, at (at)}
                <path d={path} fill="none" stroke={hue(section)} stroke-width={wide} opacity="0.5" />
            {/each}
        </svg>
        {#each layout.groups as { group, x, y, width: wide, height } (`${x} ${y}`)}
            <section
                class="group"
                style:left="{x}px"
                style:top="{y}px"
                style:width="{wide}px"
                style:height="{height}px"
            >
                <h2>
                    <span class="cut" title={group.name}>{group.name === '/' ? 'root' : group.name}</span>
                    {#if group.set}<a class="set num" href={to.set(group.set)}>{count(group.total)}</a>{:else}<b
                            class="num">{count(group.total)}</b
                        >{/if}
                </h2>
                <ul>
                    {#each group.pages as page (page.url)}
                        <li>
                            {@render mark(page)}
                            <a
                                class="cut"
                                href={links.around(page.url)}
                                title={page.title || page.url}
                                data-sveltekit-noscroll>{nameOf(page)}</a
                            >
                            <span class="num ink2">{page.depth ?? '–'}</span>
                        </li>
                    {/each}
                    {#if group.total > group.pages.length}<li class="ink2">
                            <span></span>{count(group.total - group.pages.length)} more
                        </li>{/if}
                </ul>
            </section>
        {/each}
        {#each layout.shared as { x, y, width: wide, height, shared, side } (side)}
            <section
                class="group shared"
                style:left="{x}px"
                style:top="{y}px"
                style:width="{wide}px"
                style:height="{height}px"
                title={shared.names.join('; ')}
            >
                <h2>
                    <span class="cut"
                        >{shared.names.length === 1
                            ? shared.names[0]
                            : counted(shared.names.length, 'widely shared block')}</span
                    >
                    <b class="num">{count(shared.total)}</b>
                </h2>
                <p class="note">
                    {side === 'in' ? 'told as one: it says nothing of this page' : 'the same on much of the site'}
                </p>
            </section>
        {/each}
        <section
            class="centre"
            style:left="{layout.centre.x}px"
            style:top="{layout.centre.y}px"
            style:width="{layout.centre.width}px"
            style:height="{layout.centre.height}px"
        >
            {#if view.centre.length === 1}
                <h2>
                    {@render mark(centre!)}
                    <a class="two" href={to.page(centre!.url)} data-sveltekit-noscroll>{centre!.title || centre!.url}</a
                    >
                </h2>
                <p class="note cut" title={centre!.url}>{centre!.url.replace(to.origin, '')}</p>
                <p>{centre!.depth === null ? 'not reached' : `depth ${centre!.depth}`}</p>
                <p class="note">
                    {centre!.gate === 'indexable'
                        ? 'passes all seven gates'
                        : centre!.gate === null
                          ? 'gate not known'
                          : `stops at ${centre!.gate}`}
                </p>
            {:else}
                <h2>{counted(view.centre.length, 'page')}</h2>
                {#each view.centre.slice(0, 4) as page (page.url)}<p class="cut">
                        {@render mark(page)}
                        {nameOf(page)}
                    </p>{/each}
            {/if}
        </section>
        <span class="side" style:left="{layout.groups.find(({ x }) => x < layout.centre.x)?.x ?? 0}px"
            >{view.in ? 'leads there' : ''}</span
        >
        {#if view.on}<span
                class="side"
                style:left="{layout.groups.find(({ x }) => x > layout.centre.x)?.x ??
                    layout.centre.x + layout.centre.width + 20}px">it leads on to</span
            >{/if}
        {#each layout.beyond as { x, side, step } (`${side} ${step}`)}
            {@const told = view[side]?.beyond[step - 2]}
            <div class="beyond" style:left="{x}px">
                <span class="ink2">{step} steps {side === 'in' ? 'before' : 'on'}</span>
                <b>{count(told?.total ?? 0)}</b>
                {#each told?.sections.slice(0, MOST_SECTIONS) ?? [] as { section, pages } (section)}
                    <span class="cut"
                        ><SectionMark {...markOf(section)} /> {section === '/' ? 'root' : section} {count(pages)}</span
                    >
                {/each}
                {#if (told?.sections.length ?? 0) > MOST_SECTIONS}<span class="ink2"
                        >{counted(told!.sections.length - MOST_SECTIONS, 'section')} more</span
                    >{/if}
            </div>
        {/each}
    </div>
</div>

<style>
    .over {
        overflow-x: auto;
        padding: 4px 16px 8px;
    }
    .around {
        position: relative;
    }
    .around > svg {
        position: absolute;
        inset: 0;
    }
    .group,
    .centre {
        position: absolute;
        overflow: hidden;
        border: 1px solid var(--edge);
        background: var(--color-base-100);
    }
    .group h2 {
        display: flex;
        gap: 8px;
        height: 22px;
        padding: 2px 7px;
        border-bottom: 1px solid var(--rule);
        font-weight: 600;
    }
    .group h2 .num {
        margin-left: auto;
    }
    .group li {
        display: grid;
        grid-template-columns: 14px minmax(0, 1fr) auto;
        gap: 4px;
        align-items: center;
        height: 18px;
        padding: 0 7px;
    }
    .group li a {
        color: inherit;
    }
    .group li a:hover {
        text-decoration: underline;
    }
    .shared {
        background: var(--color-base-200);
    }
    .shared .note {
        padding: 0 7px;
    }
    .centre {
        border: 2px solid var(--color-primary);
        padding: 6px 8px;
    }
    .centre h2 {
        display: flex;
        gap: 6px;
        font: 400 0.9375rem/1.2rem var(--font-serif);
    }
    .two {
        display: -webkit-box;
        -webkit-line-clamp: 2;
        line-clamp: 2;
        -webkit-box-orient: vertical;
        overflow: hidden;
        color: inherit;
    }
    .form {
        flex: none;
        display: inline;
    }
    .side {
        position: absolute;
        top: 2px;
        font: italic 0.875rem/1.2rem var(--font-serif);
        color: var(--ink2);
    }
    .beyond {
        position: absolute;
        top: 2px;
        width: 106px;
        display: grid;
        gap: 2px;
    }
</style>
