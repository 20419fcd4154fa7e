<script lang="ts">
    /** The checks of one question, each with what it finds, its threshold, and a switch. */
    import { thresholdRefusal } from '../../core/checks/settings.ts';
    import type { CheckRow } from '../../core/views/checks.ts';
    import { count, withoutMarks } from '../parts/format.ts';
    import SeverityMark from '../parts/SeverityMark.svelte';
    import type { ViewLinks } from '../view/links.ts';

    interface Props {
        question: string;
        checks: readonly CheckRow[];
        to: ViewLinks;
        /** @returns why it was not, or nothing */
        onChange: (change: { check: string; isOff?: boolean; threshold?: number | null }) => Promise<string>;
    }
    let { question, checks, to, onChange }: Props = $props();
    let trouble = $state('');

    async function setThreshold(event: Event, { id, name, threshold }: CheckRow): Promise<void> {
        const text = (event.currentTarget as HTMLInputElement).value.trim();
        const value = text === '' ? null : Number(text);
        trouble = value === null ? '' : thresholdRefusal(name, threshold ?? undefined, value);
        if (trouble === '') trouble = await onChange({ check: id, threshold: value });
    }
</script>

<section class="pane" aria-label={question}>
    <h2 class="pane-name mb-1">{question}</h2>
    <table class="ruled checks">
        <thead>
            <tr>
                <th><span class="visually-hidden">Severity</span></th>
                <th>check</th>
                <th class="num">found</th>
                <th class="num">accepted</th>
                <th>threshold</th>
                <th>asked</th>
            </tr>
        </thead>
        <tbody>
            {#each checks as check (check.id)}
                <tr class:ink3={check.isOff}>
                    <td><SeverityMark severity={check.severity} /></td>
                    <td>
                        <details>
                            <summary>{check.name} <span class="note mono">{check.id}</span></summary>
                            <dl class="about">
                                <dt>fires</dt>
                                <dd>{withoutMarks(check.fires)}</dd>
                                <dt>quiet</dt>
                                <dd>{withoutMarks(check.quiet)}</dd>
                                <dt>why</dt>
                                <dd>{withoutMarks(check.why)}</dd>
                                <dt>advice</dt>
                                <dd>{withoutMarks(check.advice)}</dd>
                                <dt>example</dt>
                                <dd>{withoutMarks(check.example)}</dd>
                            </dl>
                        </details>
                    </td>
                    <td class="num nw">
                        {#if check.isOff}<span class="note">off</span>
                        {:else if check.unknown === 'partial'}<span class="note">not known: partial survey</span>
                        {:else if check.unknown === 'no sitemap'}<span class="note">not known: no sitemap</span>
                        {:else if check.unknown === 'no made-up address'}<span class="note"
                                >not known: no made-up address was asked for</span
                            >
                        {:else if check.unknown === 'earlier version'}<span class="note"
                                >not known: surveyed by an earlier version</span
                            >
                        {:else if check.pages === 0}<span class="ink3">0</span>
                        {:else if check.set === null}{count(check.pages)}
                        {:else}<a class="set" href={to.set(check.set)}>{count(check.pages)}</a>{/if}
                    </td>
                    <td class="num">{check.accepted === 0 ? '' : count(check.accepted)}</td>
                    <td class="nw">
                        {#if check.threshold}
                            {@const { own, value, min, max, unit } = check.threshold}
                            <label
                                ><input
                                    class="field !w-[74px]"
                                    type="number"
                                    {min}
                                    {max}
                                    step="1"
                                    value={own ?? ''}
                                    placeholder={String(value)}
                                    aria-label="Threshold of {check.name}, in {unit}"
                                    onchange={(event) => setThreshold(event, check)}
                                /> <span class="note">{unit}</span></label
                            >
                        {/if}
                    </td>
                    <td
                        ><input
                            type="checkbox"
                            class="box"
                            checked={!check.isOff}
                            aria-label="Ask {check.name}"
                            onchange={async (event) =>
                                void (trouble = await onChange({
                                    check: check.id,
                                    isOff: !event.currentTarget.checked,
                                }))}
                        /></td
                    >
                </tr>
            {/each}
        </tbody>
    </table>
    {#if trouble !== ''}<p class="ink2" role="alert">{trouble}</p>{/if}
</section>

<style>
    .checks td {
        vertical-align: top;
    }
    .checks td:nth-child(2) {
        width: 60%;
    }
    summary {
        cursor: pointer;
    }
    .about {
        display: grid;
        grid-template-columns: 4rem minmax(0, 1fr);
        gap: 2px 0.6rem;
        padding: 0.3rem 0 0.5rem;
    }
    .about dt {
        color: var(--ink3);
    }
</style>
