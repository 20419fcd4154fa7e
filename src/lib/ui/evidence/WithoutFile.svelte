<script lang="ts">
    /** Evidence that needs no file: addresses typed in, a count, what another survey knows. */
    import { LIST_WORDS, type ListKind } from '../../core/evidence/evidence-lists.ts';
    import { day } from '../parts/format.ts';

    interface Props {
        /** Surveys whose addresses can be added. */
        surveys: { number: number; createdAt: number; asOf: string }[];
        /** What was wrong with the form that was sent last; null for nothing. */
        refused: { of: string; say: string; urls?: string } | null;
    }
    let { surveys, refused }: Props = $props();
    // Bound, so that what was typed before this code came stays.
    let urls = $derived(refused?.urls ?? '');
    const COUNTED: ListKind[] = ['search', 'visits', 'external', 'log'];
</script>

{#snippet refusal(of: string)}
    {#if refused?.of === of}<p class="fault-line">{refused.say}</p>{/if}
{/snippet}

<section class="pane add" aria-label="Without a file">
    <form method="post" action="?/typed">
        <label for="urls"><b>Addresses you know of</b></label>
        <textarea
            class="field"
            id="urls"
            name="urls"
            rows="3"
            placeholder="/guides/forgotten-page"
            spellcheck="false"
            bind:value={urls}></textarea>
        {@render refusal('typed')}
        <p>
            <button class="tb outlined">Add addresses</button>
            <span class="note">One to a line, whole or from the slash.</span>
        </p>
    </form>
    <form method="post" action="?/count">
        <b>A count without a list</b>
        <p class="row">
            <label for="count-kind">of</label>
            <select class="field" id="count-kind" name="kind">
                {#each COUNTED as kind (kind)}
                    <option value={kind}>{LIST_WORDS[kind].name.toLowerCase()}</option>
                {/each}
            </select>
            <label for="count">number</label><input class="field" id="count" name="count" inputmode="numeric" />
            <label for="count-day">on</label>
            <input class="field" id="count-day" name="day" placeholder="2026-03-02" />
            <label for="count-name">said by</label><input class="field" id="count-name" name="name" />
        </p>
        {@render refusal('count')}
        <p><button class="tb outlined">Add the count</button></p>
    </form>
    {#if surveys.length > 0}
        <form method="post" action="?/survey">
            <label for="number"><b>What another survey knows</b></label>
            <p class="row">
                <select class="field" id="number" name="number">
                    {#each surveys as { number, asOf, createdAt } (number)}
                        <option value={number}>Survey {number}, {asOf === '' ? day(createdAt) : `as of ${asOf}`}</option
                        >
                    {/each}
                </select>
                <button class="tb outlined">Add its addresses</button>
            </p>
            {@render refusal('survey')}
        </form>
    {/if}
</section>

<style>
    .add {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
        gap: 16px 24px;
    }
    .row {
        display: grid;
        grid-template-columns: max-content minmax(0, 1fr);
        gap: 4px 8px;
        align-items: center;
        margin: 4px 0;
    }
    .row .tb {
        justify-self: start;
    }
</style>
