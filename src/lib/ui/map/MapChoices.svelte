<script lang="ts">
    /** How the map is arranged and shaded, how large it is, and what can be done with it. */
    import type { Snippet } from 'svelte';
    import type { ShadeChoices } from '../../core/map/shading.ts';
    import { GROUPINGS } from '../../core/map/address-tree.ts';
    import type { ShownLinks } from './map-address.ts';
    import type { Arrangement } from '../../workers/map-answers.ts';

    interface Props {
        arrange: Arrangement;
        shade: string;
        choices: ShadeChoices;
        links: ShownLinks;
        /** There is a current set. */
        hasSet: boolean;
        /** Something says how the site is meant to be built. */
        hasIntended: boolean;
        isWhole: boolean;
        isLargest: boolean;
        /** The address with some of its parameters changed. */
        hrefOf: (change: Record<string, string | null>) => string;
        onChoose: (change: Record<string, string | null>) => void;
        onZoom: (by: number | 'whole') => void;
        menu: Snippet;
    }
    let {
        arrange,
        shade,
        choices,
        links,
        hasSet,
        hasIntended,
        isWhole,
        isLargest,
        hrefOf,
        onChoose,
        onZoom,
        menu,
    }: Props = $props();
    const HANGS = [
        { hang: 'way', say: 'shortest path' },
        { hang: 'hold', say: 'what holds' },
    ] as const;
</script>

<div class="picture-choices">
    <span class="parts" role="group" aria-label="Arrange by"
        >arrange by
        {#each ['depth', 'branch', 'address'] as by (by)}
            <a
                class="part"
                aria-current={arrange.by === by}
                href={hrefOf({ arrange: by === 'depth' ? null : by, in: null, size: null })}
                data-sveltekit-noscroll>{by}</a
            >
        {/each}</span
    >
    {#if arrange.by === 'depth'}
        <label
            >within by
            <select
                class="field"
                value={arrange.order}
                onchange={({ currentTarget: { value } }) => onChoose({ order: value === 'url' ? value : null })}
            >
                <option value="standing">standing</option><option value="url">address</option>
            </select></label
        >
    {:else if arrange.by === 'branch'}
        <span class="parts" role="group" aria-label="Hang by"
            >hang by
            {#each HANGS as { hang, say } (hang)}
                <a
                    class="part"
                    aria-current={arrange.hang === hang}
                    href={hrefOf({ hang: hang === 'way' ? null : hang, in: null })}
                    data-sveltekit-noscroll>{say}</a
                >
            {/each}</span
        >
    {:else if arrange.by === 'address'}
        <label
            >grouped by
            <select
                class="field"
                value={arrange.group}
                onchange={(event) => onChoose({ group: event.currentTarget.value, in: null })}
            >
                {#each GROUPINGS as own (own)}<option value={own}>{own}</option>{/each}
                {#if hasIntended}<option value="intended">intended structure</option>{/if}
            </select></label
        >
    {/if}
    <label
        >shade by
        <select class="field" value={shade} onchange={(event) => onChoose({ shade: event.currentTarget.value })}>
            {#each choices as { group, choices: own } (group)}
                {#if group === ''}
                    {#each own as { by, name } (by)}<option value={by}>{name}</option>{/each}
                {:else}<optgroup label={group}
                        >{#each own as { by, name } (by)}<option value={by}>{name}</option>{/each}</optgroup
                    >{/if}
            {/each}
        </select></label
    >
    <label
        >links
        <select
            class="field"
            value={links}
            onchange={({ currentTarget: { value } }) => onChoose({ links: value === 'page' ? null : value })}
        >
            <option value="page">of the page</option>
            <option value="set" disabled={!hasSet}>of the set</option>
            {#if arrange.by === 'depth'}<option value="sections">between sections</option>{/if}
            <option value="none">none</option>
        </select></label
    >
    <span class="sizes" role="group" aria-label="Size">
        <button class="tb" aria-label="Smaller" disabled={isWhole} onclick={() => onZoom(0.7)}>−</button>
        <button class="tb" disabled={isWhole} onclick={() => onZoom('whole')}>whole</button>
        <button class="tb" aria-label="Larger" disabled={isLargest} onclick={() => onZoom(1.4)}>+</button>
        {@render menu()}
    </span>
</div>

<style>
    .picture-choices select {
        width: auto;
        max-width: 130px;
        margin-left: 4px;
    }
    .sizes {
        display: inline-flex;
        margin-left: auto;
    }
</style>
