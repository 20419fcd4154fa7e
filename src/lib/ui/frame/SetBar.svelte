<script lang="ts">
    /** The current set above every view: its line, its size, and the sets that lie near it. */
    import type { Completion } from '../../core/sets/complete-set.ts';
    import { enteredSince } from '../../core/sets/entered-since.ts';
    import { fieldsOf } from '../../core/sets/fields.ts';
    import { parseSet } from '../../core/sets/parse-set.ts';
    import { printSet } from '../../core/sets/print-set.ts';
    import type { GivenColumn } from '../../core/packed/packed-survey.ts';
    import { count } from '../parts/format.ts';
    import SavedSets from './SavedSets.svelte';
    import { SetLine, type SetTrouble } from './set-line.svelte.ts';
    import SetField from './SetField.svelte';

    interface Props {
        text: string;
        size: number;
        of: number;
        /** What the server found wrong with it. */
        trouble: SetTrouble | null;
        /** Number of the survey this one is compared with; null for none. */
        baseline: number | null;
        saved: { name: string; expression: string }[];
        /** Columns that lists from elsewhere brought. */
        given: GivenColumn[];
        /** Address that shows a set. */
        hrefOf: (text: string) => string;
        onShow: (text: string) => void;
        /** Null where nothing can be told. */
        complete: (text: string, cursor: number, signal: AbortSignal) => Promise<Completion | null>;
        sizeOf: (text: string) => Promise<number | null>;
        onSave: (name: string, text: string) => Promise<string>;
        onForget: (name: string) => Promise<string>;
    }
    let { text, size, of, trouble, baseline, saved, given, hrefOf, onShow, complete, sizeOf, onSave, onForget }: Props =
        $props();

    const fields = $derived(fieldsOf({ head: { given } }));
    const line = new SetLine(
        () => ({ text, trouble }),
        () => fields,
        () => ({ complete, sizeOf }),
    );
    const isAll = $derived(text.trim() === '' || text.trim() === 'all');
    const inverted = $derived.by(() => {
        const parsed = parseSet(text, fields);
        if (!parsed.ok || isAll) return null;
        return printSet(parsed.set.kind === 'not' ? parsed.set.of : { kind: 'not', of: parsed.set }, fields);
    });
    /** What came into the set since the baseline: in it now, and not in it there. */
    const entered = $derived(baseline === null ? null : enteredSince(text, baseline, fields));
    const enteredWhat = $derived(
        isAll
            ? `Pages that survey ${baseline} did not know`
            : `Pages of this set that were not in it in survey ${baseline}`,
    );

    function show(): void {
        const finished = line.finish();
        if (finished !== null) onShow(finished);
    }
</script>

<div class="set-bar" role="search" aria-label="Current set">
    <label class="ink3" for="set-text">Set</label>
    <SetField {line} onShow={show} />
    <span class="whitespace-nowrap" role="status">
        {#if line.wrong}<span class="ink2">not shown</span>
        {:else if line.wouldBe !== null}<span class="ink2">would be</span> <b class="n">{count(line.wouldBe)}</b> of {count(
                of,
            )}
        {:else}<b class="n">{count(size)}</b> of {count(of)}{/if}
    </span>
    {#if !isAll}<a class="tb" href={hrefOf('')}>All pages</a>{/if}
    {#if inverted !== null}<a class="tb" href={hrefOf(inverted)}>Invert</a>{/if}
    {#if entered !== null}<a class="tb" href={hrefOf(entered)} title={enteredWhat}>Since {baseline}</a>{/if}
    <SavedSets {saved} current={isAll || trouble !== null ? null : text} {hrefOf} {onSave} {onForget} />
    <button class="tb outlined" onclick={show}>Show</button>
</div>
{#if line.wrong}<p id="set-trouble" class="set-trouble" role="alert">{line.wrong.say}</p>{/if}

<style>
    .set-trouble {
        padding: 2px 16px 4px;
        background: var(--color-base-200);
        border-left: 4px solid var(--color-accent);
        border-bottom: 1px solid var(--edge);
    }
</style>
