<script lang="ts">
    /** What robots.txt closes at the door, and which rule decides. */
    import type { DoorFacts } from '../../core/door/door-report.ts';
    import { counted } from '../parts/format.ts';

    let { robots }: { robots: DoorFacts['robots'] } = $props();
    const CLOSES = {
        nothing: { name: 'closes', says: 'nothing' },
        some: { name: 'closes', says: 'some paths, not the start page' },
        start: { name: 'closes', says: 'the start page' },
        site: { name: 'closes', says: 'the whole site' },
        unreachable: { name: 'cannot', says: 'be had, so everything counts as closed' },
    };
    const closes = $derived(CLOSES[robots.closes]);
    const group = $derived.by(() => {
        if (robots.group === '') return 'no group speaks to us';
        return robots.group === '*' ? 'every agent' : robots.group;
    });
</script>

<section class="pane" aria-label="robots.txt">
    <h2 class="pane-name">robots.txt</h2>
    <dl class="facts">
        <dt>answers</dt>
        <dd>{robots.status ?? 'nothing'}{robots.bytes === null ? '' : `, ${counted(robots.bytes, 'byte')}`}</dd>
        <dt>{closes.name}</dt>
        <dd>{closes.says}</dd>
        {#if robots.rule !== ''}
            <dt>decides</dt>
            <dd><span class="mono">{robots.rule}</span>, line {robots.line}</dd>
        {/if}
        <dt>speaks to</dt>
        <dd>{group}{robots.rules === 0 ? '' : `, ${counted(robots.rules, 'rule')}`}</dd>
    </dl>
</section>
