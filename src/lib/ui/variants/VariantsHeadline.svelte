<script lang="ts">
    /** How many addresses are one page with another, and what rests on the ones that are not meant. */
    import type { VariantsView } from '../../core/views/variants.ts';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    let { view, to }: { view: VariantsView; to: ViewLinks } = $props();
</script>

<div class="pane border-b border-(--edge)">
    <h1 class="headline">
        {#if view.losing === 0}Each page answers at one address only.
        {:else}<a class="set" href={to.set(view.set)}>{counted(view.losing, 'address', 'addresses')}</a>
            {view.losing === 1 ? 'answers' : 'answer'} with the text of a page that is meant to stand elsewhere;
            {counted(view.groups.length, 'rule')}
            {view.groups.length === 1 ? 'mends' : 'mend'}
            {view.losing === 1 ? 'it' : 'them'}.
        {/if}
    </h1>
    <p class="note">
        Scheme, www., index document, a slash at the end, doubled slashes, capital letters, order of parameters: what
        differs by these alone, and says the same, is one page.
    </p>
    {#if view.standing > 0.05}
        <p class="note">
            Standing of {view.standing.toFixed(1)} average pages rests on {view.losing === 1
                ? 'the one that is'
                : `the ${count(view.losing)} that are`} not meant.
        </p>
    {/if}
</div>
