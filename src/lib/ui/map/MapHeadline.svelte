<script lang="ts">
    /** What the picture says first: where pages lie, what they hang from, or where addresses and menus part. */
    import type { MapHead } from '../../core/views/map-heads.ts';
    import type { MapView } from '../../core/views/map.ts';
    import { counted, count } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    interface Props {
        head: MapHead;
        view: MapView;
        to: ViewLinks;
        /** The address of the map with a branch gone into. */
        intoHref: (key: string) => string;
    }
    let { head, view, to, intoHref }: Props = $props();
    const { most } = $derived(view);
    const depths = ({ from, to: last }: { from: number; to: number }): string =>
        from === last ? `depth = ${from}` : `depth from ${from} to ${last}`;
    const clicks = ({ from, to: last }: { from: number; to: number }): string =>
        from === last ? counted(from, 'click') : `${count(from)} to ${count(last)} clicks`;
    const PARTED: Record<string, string> = {
        missing: 'without a page',
        several: 'that several pages could be',
        'not reached': 'not reached',
        'not linked from its parent': 'not linked from where they lie',
        deeper: 'deeper',
    };
    /** What stands before each of several: nothing, a comma, "and". */
    const joint = (at: number, all: number): string => (at === 0 ? '' : at === all - 1 ? ' and ' : ', ');
</script>

{#snippet unreached()}{#if view.unreached > 0}; <a class="set" href={to.set('page and not reached')}
            ><b>{counted(view.unreached, 'page')}</b></a
        >
        {view.unreached === 1 ? 'hangs' : 'hang'} on nothing{/if}{/snippet}

<div class="pane">
    <h1 class="headline">
        {#if head.by === 'intended'}
            <a class="set" href={to.set(head.asIntended.set)}><b>{count(head.asIntended.pages)}</b></a> of {counted(
                head.meant,
                'page',
            )} that are meant stand as intended{#each head.parted as { parting, pages, set }, at (parting)}{at === 0
                    ? '; '
                    : ', '}{#if set}<a class="set" href={to.set(set)}><b>{count(pages)}</b></a>{:else}{count(
                        pages,
                    )}{/if}
                {PARTED[parting]}{/each}.
        {:else if head.by === 'address'}
            {#if head.judged === 0}No page lies in a folder that has a page of its own; shared blocks, words or language
                may group them.
            {:else}
                <a class="set" href={to.set('apart from its folder')}><b>{count(head.apart)}</b></a> of
                {count(head.judged)} pages below a folder’s page are not linked from it: there menu and addresses part.
            {/if}
        {:else if most === null}No page is reached by links.
        {:else if view.deepest === 0}The start page is all that links reach{@render unreached()}.
        {:else if head.by === 'way'}
            {#if head.largest.every(({ pages }) => pages === 1)}
                Nothing lies below {head.branches === 1 ? 'the one page' : `any of the ${count(head.branches)} pages`} that
                the start page leads to{@render unreached()}.
            {:else}
                {counted(head.half, 'branch', 'branches')} of {count(head.branches)}
                {head.half === 1 ? 'holds' : 'hold'} half of what lies below the start page:
                {#each head.largest as { name, key, pages }, at (key)}{joint(at, head.largest.length)}<a
                        class="set"
                        href={intoHref(key)}>{name}</a
                    >
                    with {count(pages)}{/each}{head.half > head.largest.length ? ' first' : ''}{@render unreached()}.
            {/if}
        {:else if head.by === 'hold'}
            <a class="set" href={to.set(head.freeSet)}><b>{count(head.free)}</b></a> of
            <a class="set" href={to.set('page and reached')}><b>{count(head.reached)}</b></a>
            reached pages hang from no single page but the start page{#if head.largest.length > 0}; from
                {#each head.largest as { name, key, pages, set }, at (key)}{joint(at, head.largest.length)}{name} alone
                    <a class="set" href={to.set(set)}><b>{count(pages)}</b></a>{/each}{/if}.
        {:else}
            <a class="set" href={to.set(`page and ${depths(most)}`)}><b>{count(most.pages)}</b></a> of
            <a class="set" href={to.set('page and reached')}><b>{count(view.reached)}</b></a>
            reached pages lie {clicks(most)} down{view.deepest > most.to
                ? `; the deepest is ${counted(view.deepest, 'click')} away`
                : ''}{@render unreached()}.
        {/if}
    </h1>
</div>
