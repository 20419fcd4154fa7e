<script lang="ts">
    /** How deep a page may lie: for all, and by priority; and how many lie deeper. */
    import type { DepthGoalValues, ReachView } from '../../core/views/reach.ts';
    import { counted } from '../parts/format.ts';
    import SetLink from '../parts/SetLink.svelte';
    import type { ViewLinks } from '../view/links.ts';

    interface Props {
        view: ReachView;
        to: ViewLinks;
        goals: DepthGoalValues;
        /** @returns why they were not kept, or nothing */
        onKeep: (goals: DepthGoalValues) => Promise<string>;
    }
    let { view, to, goals, onKeep }: Props = $props();
    let trouble = $state('');
    const GOALS = [
        { name: 'all', label: 'all pages' },
        { name: 'first', label: 'priority 1' },
        { name: 'second', label: 'priority 2' },
        { name: 'third', label: 'priority 3' },
    ] as const;
    async function keep(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        const form = new FormData(event.currentTarget as HTMLFormElement);
        const goalOf = (name: keyof DepthGoalValues): number | null => {
            const text = String(form.get(name) ?? '').trim();
            return text === '' ? null : Number(text);
        };
        trouble = await onKeep({
            all: goalOf('all'),
            first: goalOf('first'),
            second: goalOf('second'),
            third: goalOf('third'),
        });
    }
</script>

<section class="pane border-t border-(--rule)" aria-label="Depth goal">
    <h2 class="pane-name mb-1">
        Depth goal <span class="note"
            >{view.offered === null ? '' : `nine of ten reached pages lie within ${view.offered} clicks`}</span
        >
    </h2>
    <form onsubmit={keep} class="flex flex-wrap items-end gap-2">
        {#each GOALS as { name, label } (name)}
            <label class="note"
                >{label}<input
                    class="field !w-[74px] block"
                    type="number"
                    min="0"
                    max="1000"
                    step="1"
                    {name}
                    value={goals[name] ?? ''}
                    placeholder={name === 'all' && view.offered !== null ? String(view.offered) : 'none'}
                /></label
            >
        {/each}
        <button class="tb outlined">Keep goals</button>
    </form>
    {#if trouble !== ''}<p role="alert" class="mt-1">{trouble}</p>{/if}
    {#if view.beyond.length > 0}
        <ul class="mt-1">
            {#each view.beyond as item (item.priority)}<li>
                    <SetLink of={item} hrefOf={to.set} />
                    {item.priority === null ? '' : `of priority ${item.priority} `}{item.pages === 1 ? 'lies' : 'lie'} deeper
                    than {counted(item.goal, 'click')}
                </li>{/each}
        </ul>
    {:else}<p class="note mt-1">Without a goal nothing is called too deep.</p>{/if}
</section>
