<script lang="ts">
    /** The sentence in hand, why it is proposed, what is answered, what it does, what comes next. All by keys too. */
    import type { ViewLinks } from '../view/links.ts';
    import Answers from './Answers.svelte';
    import NearestPlaces from './NearestPlaces.svelte';
    import NextOnes from './NextOnes.svelte';
    import OneProposal from './OneProposal.svelte';
    import OtherTarget from './OtherTarget.svelte';
    import type { ProposalCourse } from './proposal-course.svelte.ts';
    import WhatItDoes from './WhatItDoes.svelte';
    import WhyThis from './WhyThis.svelte';

    interface Props {
        course: ProposalCourse;
        to: ViewLinks;
        hasTarget: boolean;
        onTaken: () => void;
        onNextTarget: () => void;
    }
    let { course, to, hasTarget, onTaken, onNextTarget }: Props = $props();

    async function take(): Promise<void> {
        if (await course.take()) onTaken();
    }
    const KEYS: Record<string, (isShifted: boolean) => void> = {
        Enter: () => void take(),
        x: () => void course.answer('refused'),
        l: () => void course.answer('later'),
        t: () => void course.askOthers(),
        n: () => course.step(1),
        p: () => course.step(-1),
        m: () => onNextTarget(),
        ArrowLeft: (isShifted) => course.grow(isShifted ? 'start' : 'end', -1),
        ArrowRight: (isShifted) => course.grow(isShifted ? 'start' : 'end', 1),
    };
    function keyed(event: KeyboardEvent): void {
        if (event.ctrlKey || event.metaKey || event.altKey || course.current === null) return;
        const at = event.target as HTMLElement | null;
        // Fields take letters, and whatever is a link or a button takes its own Enter.
        if (at?.closest('input, textarea, select, [contenteditable], dialog')) return;
        if (event.key === 'Enter' && at?.closest('a, button, summary')) return;
        const deed = KEYS[event.key.length === 1 ? event.key.toLowerCase() : event.key];
        if (!deed) return;
        event.preventDefault();
        deed(event.shiftKey);
    }
</script>

<svelte:window onkeydown={keyed} />

<div class="min-w-0 table-top">
    <p class="sr-only" role="status">{course.said}</p>
    {#if course.trouble !== ''}<p class="fault-line pane" role="alert">{course.trouble}</p>{/if}
    {#if course.current}
        <div class="in-hand">
            <OneProposal
                proposal={course.current}
                span={course.span}
                {to}
                onDraw={(end, word) => course.draw(end, word)}
                onGrow={(end, by) => course.grow(end, by)}
            />
            <WhyThis parts={course.current.parts} />
        </div>
        {#if course.others}
            <OtherTarget
                others={course.others}
                words={course.anchor}
                onChoose={(other) => {
                    course.instead = other;
                    course.others = null;
                }}
            />
        {/if}
        <Answers
            words={course.span[1] - course.span[0]}
            instead={course.instead}
            isBusy={course.isBusy}
            onTake={take}
            onAnswer={(what) => void course.answer(what)}
            onOther={() => void course.askOthers()}
            onNext={() => course.step(1)}
        />
        <NextOnes next={course.next} origin={to.origin} />
        {#if course.effect}<WhatItDoes effect={course.effect} />{/if}
    {:else if course.told?.isWhole}
        <NearestPlaces told={course.told} {to} />
        <p class="pane note"><button class="set" onclick={onNextTarget}>the next target</button> <kbd>M</kbd></p>
    {:else if hasTarget && course.trouble === ''}
        <p class="pane" role="status">Looking for sentences …</p>
    {:else if !hasTarget}
        <p class="pane">
            Choose a set above, for example <span class="mono">orphan</span>, or say how many links are wanted.
        </p>
    {/if}
</div>

<style>
    .table-top {
        border-left: 1px solid var(--edge);
    }
    .in-hand {
        display: grid;
        grid-template-columns: minmax(0, 1fr) minmax(180px, 250px);
        background: var(--field);
    }
    @media (max-width: 75rem) {
        .in-hand {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
