<script lang="ts">
    /** How much weight the page has, what hangs on it, and how much it matters, which can be said here. */
    import type { ToldSheet } from '../../core/areas/page-sheet.ts';
    import { quoted } from '../../core/sets/tokens.ts';
    import Address from '../parts/Address.svelte';
    import { counted } from '../parts/format.ts';
    import type { SheetLinks } from './open-sheet.ts';

    interface Props {
        sheet: ToldSheet;
        to: SheetLinks;
        onPriority: (value: number | null) => void;
    }
    let { sheet, to, onPriority }: Props = $props();
    /** Less than this is none, as a share of the mean standing. */
    const LEAST_LEAK = 0.0005;
    const { weight } = $derived(sheet);
    /** Two sheets may stand beside each other. */
    const id = $props.id();
</script>

<h3 class="pane-name">Weight</h3>
<dl class="facts">
    <dt>standing</dt>
    <dd>
        {#if weight.standing === null}not ranked
        {:else}{weight.standing.toFixed(2)} <span class="note">1 is the average page</span>{/if}
    </dd>
    {#if weight.leak !== null && weight.leak > LEAST_LEAK}
        <dt>leak</dt>
        <dd>{weight.leak.toFixed(2)} <span class="note">to errors and closed pages</span></dd>
    {/if}
    {#if weight.load > 0 && sheet.way.length > 1}
        <dt>load</dt>
        <dd>
            <a class="set" href={to.set(`behind (url is ${quoted(sheet.url, true)})`)}>{counted(weight.load, 'page')}</a
            > reached through this one only
        </dd>
    {/if}
    {#if weight.heldBy !== null}
        <dt>held by</dt>
        <dd>one link, on <Address url={weight.heldBy} origin={to.origin} most={40} /></dd>
    {/if}
    {#each sheet.doubles as double (double.what)}
        <dt>double</dt>
        <dd>
            <a class="set" href={to.set(double.set)}>{counted(double.others, 'other page')}</a>
            {double.others === 1 ? 'has' : 'have'}
            {double.what}
        </dd>
    {/each}
    <dt><label for="sheet-priority-{id}">priority</label></dt>
    <dd>
        <select
            id="sheet-priority-{id}"
            class="field !w-auto"
            value={String(weight.priority ?? '')}
            onchange={({ currentTarget: { value } }) => onPriority(value === '' ? null : Number(value))}
        >
            <option value="">not set</option>
            <option value="1">1, matters most</option>
            <option value="2">2</option>
            <option value="3">3</option>
        </select>
    </dd>
</dl>
