<script lang="ts">
    /** What was said of priorities, and ways to say more. */
    import { counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    type By = 'set' | 'column' | 'page';
    interface Props {
        rules: { id: number; by: By; subject: string; value: number }[];
        /** Pages that have a priority, and pages of the intended structure that give one. */
        prioritised: number;
        intended: number;
        /** Columns of lists that priorities can be taken from. */
        columns: string[];
        /** The current set; empty for all pages. */
        text: string;
        to: ViewLinks;
        /** Why the last could not be kept. */
        trouble: string;
        onSay: (by: By, subject: string, value: number | null) => void;
    }
    let { rules, prioritised, intended, columns, text, to, trouble, onSay }: Props = $props();
    const shown = $derived(rules.filter(({ by }) => by !== 'page'));
    const byHand = $derived(rules.length - shown.length);
</script>

<section class="pane border-t border-(--rule)" aria-label="What matters">
    <h2 class="pane-name mb-1">
        What matters <span class="note">{counted(prioritised, 'page')} with a priority</span>
    </h2>
    {#if shown.length > 0}
        <ul>
            {#each shown as rule (rule.id)}<li class="flex items-center gap-2">
                    <span class="w-full"
                        >{#if rule.by === 'column'}from the column <b>{rule.subject}</b>{:else}<b>{rule.value}</b>
                            <span class="mono">{rule.subject}</span>{/if}</span
                    >
                    <button
                        class="tb"
                        onclick={() => onSay(rule.by, rule.subject, null)}
                        aria-label="Take away the priority of {rule.subject}">Take away</button
                    >
                </li>{/each}
        </ul>
    {/if}
    {#if intended > 0}<p class="note">
            {counted(intended, 'page')} of the
            <a class="set" href="{to.base}/structure">intended structure</a>.
        </p>{/if}
    {#if byHand > 0}<p class="note">{counted(byHand, 'page')} by hand, on their sheets.</p>{/if}
    <div class="flex flex-wrap items-center gap-1 mt-1">
        {#if text === ''}<span class="note">Choose a set above to give all its pages a priority.</span>{:else}
            <span class="note">Give the current set priority</span>
            {#each [1, 2, 3] as value (value)}<button
                    class="tb outlined"
                    onclick={() => onSay('set', text, value)}
                    aria-label="Give the current set priority {value}">{value}</button
                >{/each}
        {/if}
        {#each columns as column (column)}
            {#if !shown.some((rule) => rule.by === 'column' && rule.subject === column)}
                <button class="tb outlined" onclick={() => onSay('column', column, 1)}>Take it from {column}</button>
            {/if}
        {/each}
    </div>
    {#if trouble !== ''}<p role="alert" class="mt-1">{trouble}</p>{/if}
</section>
