<script lang="ts">
    /**
     * The line of the set, with completion: a combobox (WAI-ARIA 1.2). What is wrong in the line is marked where it
     * stands.
     */
    import { tick } from 'svelte';
    import { count } from '../parts/format.ts';
    import type { SetLine } from './set-line.svelte.ts';

    let { line, onShow }: { line: SetLine; onShow: () => void } = $props();
    let input: HTMLInputElement | undefined = $state();
    let scrolled = $state(0);
    /** Time for a click on an option to arrive before leaving the line closes them, milliseconds. */
    const CLICK = 150;

    const cursor = (): number => input?.selectionStart ?? line.text.length;

    async function take(index: number): Promise<void> {
        const at = line.take(index);
        if (at === null) return;
        await tick();
        input?.focus();
        input?.setSelectionRange(at, at);
        void line.ask(at);
    }

    function onKey(event: KeyboardEvent): void {
        const { key } = event;
        const isArrow = key === 'ArrowDown' || key === 'ArrowUp';
        if (isArrow || key === 'Enter' || (key === 'Tab' && line.isOpen && line.active !== -1)) event.preventDefault();
        if (isArrow && !line.isOpen) void line.ask(cursor());
        else if (isArrow) {
            line.step(key === 'ArrowDown' ? 1 : -1);
            document.getElementById(`set-option-${line.active}`)?.scrollIntoView({ block: 'nearest' });
        } else if ((key === 'Enter' || key === 'Tab') && line.isOpen && line.active !== -1) void take(line.active);
        else if (key === 'Enter') onShow();
        else if (key === 'Escape') {
            if (line.isOpen) event.stopPropagation();
            line.close();
        }
    }
</script>

<div class="set-field">
    {#if line.wrong}
        {@const { at, length } = line.wrong}
        <!-- The same text behind the field, with what is wrong underlined. -->
        <div class="mirror" aria-hidden="true">
            <span style:transform="translateX({-scrolled}px)"
                >{line.text.slice(0, at)}<mark>{line.text.slice(at, at + length) || ' '}</mark></span
            >
        </div>
    {/if}
    <input
        id="set-text"
        bind:this={input}
        bind:value={line.text}
        placeholder="all pages"
        autocomplete="off"
        autocapitalize="off"
        spellcheck="false"
        role="combobox"
        aria-expanded={line.isOpen}
        aria-controls="set-options"
        aria-autocomplete="list"
        aria-activedescendant={line.isOpen && line.active !== -1 ? `set-option-${line.active}` : undefined}
        aria-invalid={line.wrong !== null}
        aria-describedby={line.wrong ? 'set-trouble' : undefined}
        oninput={() => line.typed(cursor())}
        onblur={() => setTimeout(() => (line.isOpen = false), CLICK)}
        onscroll={(event) => (scrolled = event.currentTarget.scrollLeft)}
        onkeydown={onKey}
    />
    <ul id="set-options" class="options" role="listbox" aria-label="What may stand here" hidden={!line.isOpen}>
        {#each line.options as { insert, what, pages }, index (insert)}
            <!-- svelte-ignore a11y_click_events_have_key_events -->
            <li
                id="set-option-{index}"
                role="option"
                aria-selected={index === line.active}
                onmousedown={(event) => event.preventDefault()}
                onclick={() => take(index)}
            >
                <span class="mono">{insert}</span>
                <span class="ink2 cut">{what}</span>
                {#if pages !== null}<span class="n ink2">{count(pages)}</span>{/if}
            </li>
        {/each}
    </ul>
</div>

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
</style>
