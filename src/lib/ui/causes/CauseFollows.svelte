<script lang="ts">
    /** What follows from a cause, folded; and living with it, or no longer. */
    import type { CauseRow } from '../../core/views/causes.ts';
    import { count } from '../parts/format.ts';
    import SetLink from '../parts/SetLink.svelte';
    import type { ViewLinks } from '../view/links.ts';

    interface Props {
        row: CauseRow;
        to: ViewLinks;
        onAccept: (key: string, note: string) => Promise<string>;
        onWithdraw: (row: CauseRow) => Promise<string>;
    }
    let { row, to, onAccept, onWithdraw }: Props = $props();
    let trouble = $state('');
    const MOST_NAMED = 2;
    const named = $derived(row.follows.slice(0, MOST_NAMED));
    const more = $derived(row.follows.length - named.length);

    async function accept(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        const form = new FormData(event.currentTarget as HTMLFormElement);
        trouble = await onAccept(row.key, String(form.get('note') ?? ''));
    }
</script>

<details>
    <summary class="note">
        {named.map(({ pages, say }) => `${count(pages)} ${say}`).join(', ')}{#if more > 0}, and {count(more)} more{/if}
        {#if row.accepted}<span>: “{row.accepted}”</span>{/if}
    </summary>
    <ul class="follows">
        {#each row.follows as item (item.check)}
            <li>
                <span class="num"><SetLink of={item} hrefOf={to.set} /></span>
                <span>{item.say}</span>
                <span class="note mono">{item.check}</span>
            </li>
        {/each}
    </ul>
    {#if row.accepted === null}
        <form class="live" onsubmit={accept}>
            <label class="note" for="why {row.key}">Live with it, because</label>
            <input id="why {row.key}" class="field" name="note" required maxlength="2000" />
            <button class="tb outlined">Accept</button>
        </form>
    {:else}
        <p class="live">
            <button class="tb outlined" onclick={async () => void (trouble = await onWithdraw(row))}
                >Accept it no longer</button
            >
        </p>
    {/if}
    {#if trouble !== ''}<p class="ink2" role="alert">{trouble}</p>{/if}
</details>

<style>
    summary {
        cursor: pointer;
        padding-block: 3px;
    }
    .follows li {
        display: grid;
        grid-template-columns: 4rem minmax(0, 1fr) auto;
        column-gap: 0.6rem;
        padding-block: 1px;
    }
    .live {
        display: flex;
        flex-wrap: wrap;
        align-items: center;
        gap: 0.5rem;
        margin-block: 0.35rem 0.5rem;
    }
    .live .field {
        flex: 1 1 12rem;
        min-width: 0;
    }
</style>
