<script lang="ts">
    /** What the start page answers and holds, and which gates it passes. */
    import type { DoorPage } from '../../core/door/door-report.ts';
    import { startGates } from '../../core/door/start-gates.ts';
    import { whereWords } from '../../core/words/door.ts';
    import { storedWords } from '../../core/words/problems.ts';
    import { counted } from '../parts/format.ts';
    import { wayOf } from './way-of.ts';

    let { start }: { start: DoorPage } = $props();
    const gates = $derived.by(() => {
        const [first, ...others] = startGates(start);
        if (first === undefined) return 'passes all seven';
        return others.length === 0
            ? `stops at ${first}`
            : `stops at ${first}; would stop at ${others.join(' and ')} too`;
    });
</script>

<section class="pane" aria-label="Start page">
    <h2 class="pane-name">Start page</h2>
    {#if start.isLeft}
        <p class="ink2">Not asked for: {storedWords(start.closedBy)}</p>
    {:else}
        <dl class="facts">
            <dt>gates</dt>
            <dd>{gates}</dd>
            <dt>answers</dt>
            <dd class="breaks">{wayOf(start.hops)}{start.hops.length > 1 ? `, at ${start.hops.at(-1)?.url}` : ''}</dd>
            {#if start.words !== null}
                <dt>title</dt>
                <dd>{start.title === '' ? 'none' : start.title}</dd>
                <dt>language</dt>
                <dd>{start.language === '' ? 'not said' : start.language}</dd>
                <dt>holds</dt>
                <dd>{counted(start.words, 'word')}, {counted(start.links ?? 0, 'link')} into the site</dd>
                <dt>noindex</dt>
                <dd>
                    {#if start.noindex}<span class="mono breaks">{whereWords(start.noindex.where)}</span>
                    {:else}none, in meta or header{/if}
                </dd>
            {/if}
        </dl>
    {/if}
</section>
