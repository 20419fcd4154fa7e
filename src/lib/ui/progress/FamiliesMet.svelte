<script lang="ts">
    /** Families of URLs that lead to ever more of the same, to be opened and closed by hand. */
    import type { ProgressView } from '../../core/views/progress.ts';
    import { closedClause } from '../../core/words/survey.ts';
    import { count } from '../parts/format.ts';

    interface Props {
        view: ProgressView;
        /** Pages of a family that are read before it closes. */
        familyLimit: number;
        /** Address of the survey in the API. */
        api: string;
        isAsking: boolean;
        onDecide: (pattern: string, state: 'open' | 'closed') => void;
    }
    let { view, familyLimit, api, isAsking, onDecide }: Props = $props();
    type Family = ProgressView['families'][number];

    function stateOf(family: Family): string {
        if (family.state === 'closed') return `closed: ${closedClause(family.reason)}`;
        return family.byHand ? 'opened by hand' : 'open';
    }
</script>

<section class="pane border-b border-(--edge)" aria-label="Families">
    <h2 class="pane-name">Families of URLs</h2>
    <p class="note mb-1">
        URLs of one pattern that lead to ever more of the same. One that shows no end closes after {count(familyLimit)}
        pages; open it, and the survey goes on with it.
    </p>
    <table class="ruled families">
        <thead>
            <tr>
                <th>pattern</th>
                <th class="num">read</th>
                <th class="num">seen</th>
                <th>state</th>
                <th><span class="visually-hidden">Change</span></th>
            </tr>
        </thead>
        <tbody>
            {#each view.families as family (family.pattern)}
                {@const isClosed = family.state === 'closed'}
                <tr>
                    <td>
                        <span class="mono">{family.pattern}</span>
                        <div class="note break-all">for example {family.example}</div>
                    </td>
                    <td class="num">{count(family.read)}</td>
                    <td class="num">{count(family.seen)}</td>
                    <td>{stateOf(family)}</td>
                    <td class="num">
                        <button
                            class="tb outlined"
                            disabled={isAsking}
                            onclick={() => onDecide(family.pattern, isClosed ? 'open' : 'closed')}
                            >{isClosed ? 'Open it' : 'Close it'}</button
                        >
                    </td>
                </tr>
            {/each}
        </tbody>
    </table>
    {#if view.moreFamilies > 0}
        <p class="note mt-1">
            {count(view.moreFamilies)} more, with fewer URLs each, are in
            <a class="set" href="{api}/families.csv" data-sveltekit-reload>Families, CSV</a>.
        </p>
    {/if}
</section>
