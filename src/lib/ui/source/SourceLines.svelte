<script lang="ts">
    /** Lines of a source as text; nothing in it is executed or loaded. */
    interface Props {
        lines: readonly string[];
        /** Number of the first of them, and of the line that is looked at; from 1. */
        from: number;
        line: number;
        /** Lines that hold links. */
        linked: ReadonlySet<number>;
        hrefOf: (line: number) => string;
    }
    let { lines, from, line, linked, hrefOf }: Props = $props();
    let box: HTMLElement | undefined = $state();
    $effect(() => {
        const wanted = line;
        box?.querySelector(`[data-line="${wanted}"]`)?.scrollIntoView({ block: 'center' });
    });
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="lines" bind:this={box} role="region" aria-label="Source" tabindex="0">
    {#each lines as text, index (index)}
        {@const number = from + index}
        <div class="line" class:current={number === line} data-line={number}>
            <a
                class="number"
                href={hrefOf(number)}
                aria-label="Line {number}"
                data-sveltekit-noscroll
                data-sveltekit-replacestate>{number}</a
            ><span class="mark" aria-hidden="true">{linked.has(number) ? '·' : ''}</span><code>{text}</code>
        </div>
    {/each}
</div>

<style>
    .lines {
        overflow: auto;
        flex: 1;
        min-height: 0;
        padding: 4px 0;
        background: var(--field);
        font: 0.75rem/1.125rem var(--font-mono);
    }
    .line {
        display: grid;
        grid-template-columns: 56px 12px minmax(0, 1fr);
        align-items: start;
    }
    .line.current {
        background: var(--wash);
        box-shadow: inset 4px 0 0 var(--color-base-content);
    }
    .number {
        text-align: right;
        padding-right: 4px;
        color: var(--ink3);
        user-select: none;
    }
    .line.current .number {
        color: var(--color-base-content);
        font-weight: 700;
    }
    .mark {
        color: var(--color-primary);
        font-weight: 700;
        text-align: center;
        vertical-align: baseline;
    }
    code {
        white-space: pre-wrap;
        overflow-wrap: anywhere;
        padding-right: 16px;
    }
</style>
