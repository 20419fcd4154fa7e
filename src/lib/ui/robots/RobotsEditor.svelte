<script lang="ts">
    /** Plain controls that close or open pages, and the text itself; both change the same edit. */
    import type { RobotsOption } from '../../core/robots/edit-robots.ts';
    import { quoteRule } from '../../core/robots/decide.ts';
    import { count, counted } from '../parts/format.ts';
    import type { RobotsEdit } from './robots-edit.svelte.ts';

    interface Props {
        edit: RobotsEdit;
        named: readonly string[];
        /** The current set, and how many pages it has; empty for all. */
        set: { text: string; pages: number };
    }
    let { edit, named, set }: Props = $props();
    let make: 'closed' | 'open' = $state('closed');
    let by: 'path' | 'set' = $state('path');
    let path = $state('');
    let agent = $state('*');
    let isAsking = $state(false);
    let isText = $state(false);

    async function offer(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        isAsking = true;
        await edit.offer(make, agent, by === 'set' ? { by, set: set.text } : { by, path: path.trim() });
        isAsking = false;
    }

    function words({ removed, added }: RobotsOption): string {
        const first = added.slice(0, 3).map(({ allow, pattern }) => quoteRule({ allow, pattern }));
        const more = added.length > first.length ? `, and ${count(added.length - first.length)} more` : '';
        const lines = removed.map(({ line }) => line).join(', ');
        const out = removed.length === 0 ? '' : `taking out ${removed.length === 1 ? 'line' : 'lines'} ${lines}`;
        const into = added.length === 0 ? '' : `adding ${counted(added.length, 'line')}: ${first.join(', ')}${more}`;
        return [out, into].filter(Boolean).join(' and ');
    }
</script>

<section class="pane border-b border-(--edge)" aria-label="Edit">
    <h2 class="pane-name">Edit <span class="note">tried here; the site is not touched</span></h2>
    <form class="wish" onsubmit={offer}>
        <label for="robots-do">Do</label>
        <select id="robots-do" class="field" bind:value={make}>
            <option value="closed">Close</option>
            <option value="open">Open</option>
        </select>
        <label for="robots-by">Pages</label>
        <div class="grid gap-1">
            <select id="robots-by" class="field" bind:value={by}>
                <option value="path">a folder or a page</option>
                <option value="set" disabled={set.text.trim() === ''}
                    >the current set{set.text.trim() === '' ? '' : `, ${counted(set.pages, 'page')}`}</option
                >
            </select>
            {#if by === 'path'}
                <input
                    class="field mono"
                    aria-label="Path"
                    placeholder="/folder/ or /page"
                    pattern="/.*"
                    required
                    bind:value={path}
                />
            {/if}
        </div>
        <label for="robots-for">For</label>
        <select id="robots-for" class="field" bind:value={agent}>
            <option value="*">every agent without a group of its own</option>
            {#each [...new Set(['edgemap', ...named])] as name (name)}<option value={name}
                    >{name === 'edgemap' ? 'EdgeMap' : name} alone</option
                >{/each}
        </select>
        <span></span>
        <p><button class="tb outlined" disabled={isAsking}>Find the rules</button></p>
    </form>
    <div aria-live="polite">
        {#each edit.options as option, index (option.text)}
            <p class="flex items-baseline gap-2 mt-1">
                <button class="tb outlined" onclick={() => edit.take(option)}>Take</button>
                <span class="breaks">{words(option)}{index === 0 && edit.options.length > 1 ? ' (the least)' : ''}</span
                >
            </p>
        {/each}
        {#if edit.say !== ''}<p class="note mt-1">{edit.say}</p>{/if}
    </div>
    <p class="flex items-baseline gap-3 mt-2">
        <label class="tick"><input type="checkbox" bind:checked={isText} /> as text</label>
        {#if edit.isChanged}
            <button class="tb outlined" onclick={() => edit.back()}>Undo all</button>
            <a class="set" download="robots.txt" href="data:text/plain;charset=utf-8,{encodeURIComponent(edit.text)}"
                >Save as file</a
            >
        {/if}
    </p>
    {#if isText}
        <textarea
            class="field mono w-full mt-1"
            rows="12"
            spellcheck="false"
            aria-label="robots.txt as text"
            value={edit.text}
            oninput={(event) => edit.write(event.currentTarget.value)}></textarea>
    {/if}
</section>

<style>
    .wish {
        display: grid;
        grid-template-columns: max-content minmax(0, 1fr);
        gap: 0.4rem 0.75rem;
        align-items: baseline;
        margin-top: 0.5rem;
    }
</style>
