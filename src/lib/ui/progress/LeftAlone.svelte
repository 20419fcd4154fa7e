<script lang="ts">
    /** What was not read and why, with the last failures. */
    import type { ProgressView } from '../../core/views/progress.ts';
    import { setQuery } from '../../core/sets/page-filter.ts';
    import { storedWords } from '../../core/words/problems.ts';
    import { count, counted, moment } from '../parts/format.ts';

    let { view, base, isRunning }: { view: ProgressView; base: string; isRunning: boolean } = $props();
    const { progress } = $derived(view);
    const reasons = $derived([
        {
            name: 'robots.txt',
            urls: progress.closedByRobots,
            reason: 'robots',
            after: 'closed',
            none: 'nothing closed',
        },
        { name: 'actions', urls: progress.actions, reason: 'action', after: 'left alone', none: 'none met' },
        {
            name: 'closed families',
            urls: progress.trapped,
            reason: 'trap',
            after: 'beyond what was read',
            none: 'none',
        },
    ]);
</script>

<h2 class="pane-name mt-3 mb-1">Not read{isRunning ? ' so far' : ''}</h2>
<dl class="facts">
    {#each reasons as { name, urls, reason, after, none } (name)}
        <dt>{name}</dt>
        <dd>
            {#if urls > 0}<a class="set" href="{base}/pages{setQuery(`reason is ${reason}`)}">{counted(urls, 'URL')}</a>
                {after}{:else}{none}{/if}
        </dd>
    {/each}
    <dt>failures</dt>
    <dd>{count(progress.failures)}</dd>
</dl>
{#if view.failures.length > 0}
    <ul class="mt-1">
        {#each view.failures as failure (failure.url)}
            <li class="fault-line mb-1 break-words">
                <span class="mono">{failure.url}</span>
                <div class="note">{storedWords(failure.failure)}, {moment(failure.at)}</div>
            </li>
        {/each}
    </ul>
{/if}
