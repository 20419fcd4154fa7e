<script lang="ts">
    /**
     * The current set as one line of the set language, with completion: a combobox (WAI-ARIA 1.2). What is wrong in the
     * line is marked where it stands, and said below.
     */
    import { tick } from 'svelte';
    import { fieldsOf } from '$lib/core/sets/fields.ts';
    import { enteredSince } from '$lib/core/sets/entered-since.ts';
    import { parseSet } from '$lib/core/sets/parse-set.ts';
    import { printSet } from '$lib/core/sets/print-set.ts';
    import type { GivenColumn } from '$lib/core/packed/packed-survey.ts';
    import { choiceIn, narrowed, type Completion } from '$lib/core/sets/complete-set.ts';
    import { count } from '../parts/format.ts';

    interface Props {
        text: string;
        size: number;
        of: number;
        /** What the server found wrong with it. */
        trouble: { at: number; length: number; say: string } | null;
        /** Number of the survey this one is compared with; null for none. */
        baseline: number | null;
        saved: { name: string; expression: string }[];
        /** Columns that lists from elsewhere brought. */
        given: GivenColumn[];
        /** Address that shows a set. */
        hrefOf: (text: string) => string;
        onShow: (text: string) => void;
        /** Null where nothing can be told: no completion is no harm, the line can be typed without. */
        complete: (text: string, cursor: number, signal: AbortSignal) => Promise<Completion | null>;
        /** Size of what is typed and not shown yet; null where it cannot be told. */
        sizeOf: (text: string) => Promise<number | null>;
        onSave: (name: string, text: string) => Promise<string>;
        onForget: (name: string) => Promise<string>;
    }
    let { text, size, of, trouble, saved, given, baseline, hrefOf, onShow, complete, sizeOf, onSave, onForget }: Props =
        $props();

    const fields = $derived(fieldsOf({ head: { given } }));
    let input: HTMLInputElement | undefined = $state();
    // What is typed, until the address says something else.
    let line = $derived(text);
    let wrong = $derived(trouble);
    let completion: Completion = $state({ from: 0, to: 0, options: [] });
    let isOpen = $state(false);
    let active = $state(-1);
    let scrolled = $state(0);
    let isSetsOpen = $state(false);
    let said = $state('');
    let name = $state('');
    let request: AbortController | null = null;
    /** The line that the options shown were made for. */
    let asked = '';

    const isAll = $derived(text.trim() === '' || text.trim() === 'all');
    const inverted = $derived.by(() => {
        const parsed = parseSet(text, fields);
        if (!parsed.ok) return null;
        return printSet(parsed.set.kind === 'not' ? parsed.set.of : { kind: 'not', of: parsed.set }, fields);
    });

    /** What came into the set since the baseline: in it now, and not in it there. */
    const entered = $derived(baseline === null ? null : enteredSince(text, baseline, fields));

    const cursor = (): number => input?.selectionStart ?? line.length;

    /** Shows options for a line; an answer that comes late does not move what the reader has chosen meanwhile. */
    function offer(found: Completion, of: string): void {
        active = choiceIn(found.options, completion.options[active]);
        completion = found;
        asked = of;
        isOpen = found.options.length > 0;
    }

    async function ask(): Promise<void> {
        request?.abort();
        request = new AbortController();
        const { signal } = request;
        const of = line;
        const found = await complete(of, cursor(), signal);
        if (found !== null && !signal.aborted) offer(found, of);
    }

    /** Size of the typed line, for as long as that is the line. */
    let typed: { line: string; size: number } | null = $state(null);
    let soon: ReturnType<typeof setTimeout> | undefined;
    /** Letters that follow each other this quickly are one question, milliseconds. */
    const PAUSE = 120;

    function weigh(): void {
        clearTimeout(soon);
        soon = setTimeout(async () => {
            const weighed = line;
            if (weighed.trim() === text.trim() || !parseSet(weighed, fields).ok) return;
            const found = await sizeOf(weighed.trim());
            if (found !== null) typed = { line: weighed, size: found };
        }, PAUSE);
    }

    function onInput(): void {
        wrong = null;
        // Until the answer for this line is there, the options are those of the last that still fit.
        if (isOpen) offer(narrowed(completion, asked, line, cursor()), line);
        void ask();
        weigh();
    }

    async function take(index: number): Promise<void> {
        const option = completion.options[index];
        if (!option || !input) return;
        // A name is followed by a space, an opening parenthesis by the set within.
        const gap = option.insert.endsWith('(') ? '' : ' ';
        const before = line.slice(0, completion.from) + option.insert + gap;
        line = before + line.slice(completion.to).replace(/^ /, '');
        isOpen = false;
        active = -1;
        await tick();
        input.focus();
        input.setSelectionRange(before.length, before.length);
        void ask();
        weigh();
    }

    function show(): void {
        const parsed = parseSet(line, fields);
        request?.abort();
        isOpen = false;
        if (!parsed.ok) {
            wrong = parsed;
            return;
        }
        wrong = null;
        onShow(line.trim());
    }

    function onKey(event: KeyboardEvent): void {
        const options = completion.options.length;
        if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
            event.preventDefault();
            if (!isOpen) {
                void ask();
                return;
            }
            const step = event.key === 'ArrowDown' ? 1 : -1;
            active = active === -1 && step === -1 ? options - 1 : (active + step + options) % options;
            document.getElementById(`set-option-${active}`)?.scrollIntoView({ block: 'nearest' });
        } else if ((event.key === 'Enter' || event.key === 'Tab') && isOpen && active !== -1) {
            event.preventDefault();
            void take(active);
        } else if (event.key === 'Enter') {
            event.preventDefault();
            show();
        } else if (event.key === 'Escape') {
            // An answer under way does not open again what was just closed.
            request?.abort();
            if (!isOpen) return;
            event.stopPropagation();
            isOpen = false;
        }
    }

    async function save(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        said = await onSave(name, text);
        if (said === '') name = '';
    }
</script>

<div class="set-bar" role="search" aria-label="Current set">
    <label class="ink3" for="set-text">Set</label>
    <div class="set-field">
        {#if wrong}
            <!-- The same text behind the field, with what is wrong underlined. -->
            <div class="mirror" aria-hidden="true">
                <span style:transform="translateX({-scrolled}px)"
                    >{line.slice(0, wrong.at)}<mark>{line.slice(wrong.at, wrong.at + wrong.length) || ' '}</mark></span
                >
            </div>
        {/if}
        <input
            id="set-text"
            bind:this={input}
            bind:value={line}
            placeholder="all pages"
            autocomplete="off"
            autocapitalize="off"
            spellcheck="false"
            role="combobox"
            aria-expanded={isOpen}
            aria-controls="set-options"
            aria-autocomplete="list"
            aria-activedescendant={isOpen && active !== -1 ? `set-option-${active}` : undefined}
            aria-invalid={wrong !== null}
            aria-describedby={wrong ? 'set-trouble' : undefined}
            oninput={onInput}
            onblur={() => setTimeout(() => (isOpen = false), 150)}
            onscroll={(event) => (scrolled = event.currentTarget.scrollLeft)}
            onkeydown={onKey}
        />
        <ul id="set-options" class="options" role="listbox" aria-label="What may stand here" hidden={!isOpen}>
            {#each completion.options as option, index (option.insert)}
                <!-- svelte-ignore a11y_click_events_have_key_events -->
                <li
                    id="set-option-{index}"
                    role="option"
                    aria-selected={index === active}
                    onmousedown={(event) => event.preventDefault()}
                    onclick={() => take(index)}
                >
                    <span class="mono">{option.insert}</span>
                    <span class="ink2 cut">{option.what}</span>
                    {#if option.pages !== null}<span class="n ink2">{count(option.pages)}</span>{/if}
                </li>
            {/each}
        </ul>
    </div>
    <span class="whitespace-nowrap" role="status"
        >{#if wrong}<span class="ink2">not shown</span
            >{:else if typed !== null && typed.line === line && line.trim() !== text.trim()}<span class="ink2"
                >would be</span
            > <b class="n">{count(typed.size)}</b> of {count(of)}{:else}<b class="n">{count(size)}</b> of {count(
                of,
            )}{/if}</span
    >
    {#if !isAll}<a class="tb" href={hrefOf('')}>All pages</a>{/if}
    {#if inverted !== null && !isAll}<a class="tb" href={hrefOf(inverted)}>Invert</a>{/if}
    {#if entered !== null}<a
            class="tb"
            href={hrefOf(entered)}
            title={isAll
                ? `Pages that survey ${baseline} did not know`
                : `Pages of this set that were not in it in survey ${baseline}`}>Since {baseline}</a
        >{/if}
    <details class="sets" bind:open={isSetsOpen}>
        <summary class="tb">Sets</summary>
        <div class="menu-sheet">
            {#if saved.length === 0}<p class="ink2 px-1">No set is saved yet.</p>{/if}
            {#each saved as set (set.name)}
                <div class="flex items-center gap-2">
                    <a
                        class="tb flex-1 cut"
                        href={hrefOf(`set ${JSON.stringify(set.name)}`)}
                        title={set.expression}
                        onclick={() => (isSetsOpen = false)}>{set.name}</a
                    >
                    <button
                        class="tb"
                        aria-label="Forget the set {set.name}"
                        onclick={async () => (said = await onForget(set.name))}>×</button
                    >
                </div>
            {/each}
            {#if !isAll && trouble === null}
                <form class="flex gap-1 mt-1" onsubmit={save}>
                    <input
                        class="input input-xs flex-1"
                        bind:value={name}
                        aria-label="Name of the current set"
                        placeholder="Name of this set"
                        maxlength="100"
                        required
                    />
                    <button class="tb outlined" type="submit">Save</button>
                </form>
            {/if}
            <p role="status">{said}</p>
        </div>
    </details>
    <button class="tb outlined" onclick={show}>Show</button>
</div>
{#if wrong}<p id="set-trouble" class="set-trouble" role="alert">{wrong.say}</p>{/if}

<style>
    .set-field {
        position: relative;
    }
    .mirror,
    .set-field input {
        font: inherit;
        font-family: var(--font-mono);
        font-size: 0.75rem;
    }
    .mirror {
        position: absolute;
        inset: 0;
        padding: 0 6px;
        display: flex;
        align-items: center;
        overflow: hidden;
        white-space: pre;
        pointer-events: none;
        color: transparent;
    }
    .mirror mark {
        color: transparent;
        background: none;
        text-decoration: underline wavy var(--color-accent) 1px;
        text-underline-offset: 3px;
    }
    .options {
        position: absolute;
        top: 100%;
        left: 0;
        z-index: 20;
        min-width: min(520px, 90vw);
        max-height: 320px;
        overflow: auto;
        margin-top: 3px;
        border: 1px solid var(--edge);
        background: var(--color-base-100);
    }
    .options li {
        display: grid;
        grid-template-columns: max-content 1fr max-content;
        gap: 14px;
        padding: 3px 8px;
        cursor: pointer;
    }
    .options li[aria-selected='true'],
    .options li:hover {
        background: var(--wash);
    }
    .sets {
        position: relative;
    }
    .sets summary {
        list-style: none;
    }
    .menu-sheet {
        position: absolute;
        right: 0;
        top: 100%;
        z-index: 20;
        margin-top: 2px;
        padding: 6px;
        width: 280px;
        border: 1px solid var(--edge);
        background: var(--color-base-100);
    }
    .set-trouble {
        padding: 2px 16px 4px;
        background: var(--color-base-200);
        border-left: 4px solid var(--color-accent);
        border-bottom: 1px solid var(--edge);
    }
</style>
