<script lang="ts">
    /** How many intended pages part from the surveyed site, and in which ways. */
    import type { StructureView } from '../../core/views/structure.ts';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';
    import { PARTING_WORDS } from './parting-words.ts';

    interface Props {
        view: StructureView;
        to: ViewLinks;
        /** Address of the view narrowed to those that stand in one way; null for all. */
        onlyHref: (parting: string | null) => string;
    }
    let { view, to, onlyHref }: Props = $props();
    const parted = $derived(view.total - (view.counts.find(({ parting }) => parting === 'as intended')?.count ?? 0));
</script>

<div class="pane border-b border-(--edge)">
    <h1 class="headline">
        {#if view.total === 0}
            Nothing says yet how the site is meant to be built.
        {:else if parted === 0}
            All {count(view.total)} intended pages stand where they should.
        {:else}
            <b>{count(parted)}</b> of {counted(view.total, 'intended page')}
            {parted === 1 ? 'parts' : 'part'} from the surveyed site.
        {/if}
    </h1>
    {#if view.total > 0}
        <p class="flex flex-wrap gap-x-4">
            {#each view.counts as { parting, count: pages } (parting)}
                {@const isShown = view.only === parting}
                <a class="set" href={onlyHref(isShown ? null : parting)} aria-current={isShown}
                    >{count(pages)} {PARTING_WORDS[parting]}</a
                >
            {/each}
            {#if view.only !== null}<a class="set" href={onlyHref(null)}>show all</a>{/if}
            {#if view.set !== null && view.setSize > 0}
                <span>as a set of pages: <a class="set" href={to.set(view.set)}>{count(view.setSize)}</a></span>
            {/if}
        </p>
    {/if}
</div>
