<script lang="ts">
    /** The ways on from where the walk stands, by block in the order of the page: a press goes there. */
    import type { JourneyView, WayOn, WaysBlock } from '../../core/views/journey.ts';
    import Address from '../parts/Address.svelte';
    import { count, counted } from '../parts/format.ts';
    import { sectionMarks } from '../parts/section-letters.ts';
    import SectionMark from '../parts/SectionMark.svelte';
    import type { ViewLinks } from '../view/links.ts';
    import type { JourneyLinks } from './journey-links.ts';

    interface Props {
        view: JourneyView;
        sections: readonly string[];
        isFull: boolean;
        walk: JourneyLinks;
        to: ViewLinks;
    }
    let { view, sections, isFull, walk, to }: Props = $props();
    const here = $derived(view.steps.at(-1)!);
    const markOf = (section: string) => sectionMarks([...sections], [section])[0]!;
    const words = ({ anchor, title, url }: WayOn): string => anchor || title || url;
    const note = ({ been, end, isFollowed }: WayOn): string =>
        [
            been.length > 0 ? `been there, click ${been.join(', ')}` : '',
            end === '' ? '' : end.replace(/\.$/, ''),
            isFollowed ? '' : 'nofollow',
        ]
            .filter((part) => part !== '')
            .join('; ');
    const where = ({ isTemplate, pages }: WaysBlock): string =>
        isTemplate ? `the same on ${counted(pages, 'page')}` : 'only here';
</script>

<section class="pane" aria-label="Ways on">
    <h2 class="pane-name">
        Ways on from <a class="link" href={to.page(here.url)} data-sveltekit-noscroll>{here.title || here.url}</a>
        <span class="note">in the order of the page; at the right depth, and where the walk was</span>
    </h2>
    {#each view.blocks as block, number (number)}
        <div class="block">
            <h3 class="block-name">
                {block.name}
                <span class="note"
                    >{where(block)}{block.outside > 0
                        ? `; ${counted(block.outside, 'link')} out of the site`
                        : ''}</span
                >
                <b class="num">{count(block.ways.length)}</b>
            </h3>
            {#if block.isTemplate}
                <ul class="chips">
                    {#each block.ways as way, at (at)}
                        <li>
                            <SectionMark {...markOf(way.section)} />
                            {#if isFull}{words(way)}{:else}<a
                                    class="anchor"
                                    href={walk.on(way.url)}
                                    data-sveltekit-noscroll
                                    title={way.url}>{words(way)}</a
                                >{/if}
                            {#if way.been.length > 0}<span class="note">{way.been.join(', ')}</span>{/if}
                            {#if way.end !== ''}<span class="end" title={way.end}>dead end</span>{/if}
                        </li>
                    {/each}
                </ul>
            {:else}
                <ul>
                    {#each block.ways as way, at (at)}
                        <li class="row">
                            <SectionMark {...markOf(way.section)} />
                            {#if isFull}<span class="anchor">“{words(way)}”</span>{:else}<a
                                    class="anchor"
                                    href={walk.on(way.url)}
                                    data-sveltekit-noscroll>“{words(way)}”</a
                                >{/if}
                            <span class="cut ink2"><Address url={way.url} origin={to.origin} most={46} /></span>
                            <span class="num">{way.depth ?? '–'}</span>
                            <span class="note">{note(way)}</span>
                        </li>
                    {/each}
                </ul>
            {/if}
        </div>
    {:else}
        <p class="ink2">Nothing on it leads on within the site. Go back one click, or begin again.</p>
    {/each}
</section>

<style>
    .block {
        border-top: 1px solid var(--rule);
        padding: 3px 0;
    }
    .block-name {
        display: flex;
        gap: 8px;
        align-items: baseline;
        font-weight: 600;
    }
    .block-name .num {
        margin-left: auto;
        color: var(--color-primary);
    }
    .chips {
        display: flex;
        flex-wrap: wrap;
        gap: 2px 12px;
    }
    .row {
        display: grid;
        grid-template-columns: 18px minmax(0, 1.2fr) minmax(0, 1.4fr) 28px minmax(0, 1fr);
        gap: 0 8px;
        align-items: baseline;
        padding: 2px 0;
    }
    .anchor {
        font: italic 400 0.9375rem/1.25rem var(--font-serif);
    }
    a.anchor {
        color: inherit;
        text-decoration: underline;
        text-decoration-color: var(--edge);
        text-underline-offset: 2px;
    }
    .end {
        color: var(--color-accent);
    }
    @media (max-width: 600px) {
        .row {
            grid-template-columns: 18px minmax(0, 1fr) 28px;
        }
        .row .note,
        .row .cut {
            grid-column: 2;
        }
    }
</style>
