<script lang="ts">
    /** What to do about a finding: the advice, the edit that mends it with all that follows, or living with it. */
    import type { OpenSheet, SheetActs } from './open-sheet.ts';
    import { withoutMarks } from '../parts/format.ts';

    interface Props {
        finding: OpenSheet['findings'][number];
        acts: SheetActs;
        causeHref: string;
    }
    let { finding, acts, causeHref }: Props = $props();
    const { check, subject, advice, edit, accepted } = $derived(finding);
    let trouble = $state('');

    async function accept(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        const note = String(new FormData(event.currentTarget as HTMLFormElement).get('note') ?? '');
        trouble = await acts.accept({ check, subject, note });
    }
</script>

{#if accepted}
    <button class="tb outlined" onclick={async () => void (trouble = await acts.withdraw(accepted.id))}
        >Accept it no longer</button
    >
{:else}
    <p>{withoutMarks(advice)}</p>
    {#if edit !== ''}<p class="ink2">Follows from: <a class="set" href={causeHref}>{edit}</a></p>{/if}
    <form class="flex gap-1 my-1" onsubmit={accept}>
        <input
            class="field min-w-0"
            name="note"
            required
            maxlength="2000"
            aria-label="Why {check} is accepted here"
            placeholder="live with it, because"
        />
        <button class="tb outlined">Accept</button>
    </form>
{/if}
{#if trouble !== ''}<p role="alert">{trouble}</p>{/if}
