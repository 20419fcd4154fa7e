<script lang="ts">
    /** A chart with its name, and what can be done with any chart: seen as a table, saved as picture or CSV. */
    import type { Snippet } from 'svelte';
    import Menu from '../parts/Menu.svelte';
    import { csvOf, pictureOf, pngOf, saveFile } from './picture.ts';

    interface Props {
        name: string;
        note?: string;
        /** What is drawn, as cells; the first row is the head. */
        cells: () => (string | number | null)[][];
        children: Snippet;
        /** Classes of its pane. */
        class?: string;
    }
    let { name, note = '', cells, children, class: kind = '' }: Props = $props();
    let body: HTMLDivElement | undefined = $state();
    let isTable = $state(false);
    let trouble = $state('');
    const rows = $derived(isTable ? cells() : []);
    const file = $derived(
        name
            .toLowerCase()
            .replace(/[^a-z0-9]+/g, '-')
            .replace(/^-|-$/g, ''),
    );

    async function save(as: 'png' | 'svg' | 'csv'): Promise<void> {
        trouble = '';
        try {
            if (as === 'csv') saveFile(`${file}.csv`, new Blob([csvOf(cells())], { type: 'text/csv;charset=utf-8' }));
            else if (body) {
                const svg = pictureOf(body);
                if (as === 'svg') saveFile(`${file}.svg`, new Blob([svg], { type: 'image/svg+xml' }));
                else saveFile(`${file}.png`, await pngOf(svg));
            }
        } catch {
            trouble = 'The picture could not be made here. The CSV has the same numbers.';
        }
    }
</script>

<section class="pane {kind}" aria-label={name}>
    <div class="flex items-start justify-between gap-2">
        <h2 class="pane-name mb-1">
            {name}
            {#if note !== ''}<span class="note">{note}</span>{/if}
        </h2>
        <Menu label="{name}: table, picture, CSV">
            {#snippet items(done)}
                <li>
                    <button
                        class="tb"
                        onclick={() => {
                            isTable = !isTable;
                            done();
                        }}>{isTable ? 'As a drawing' : 'As a table'}</button
                    >
                </li>
                <li><button class="tb" onclick={() => void save('png').then(done)}>Save as PNG</button></li>
                <li><button class="tb" onclick={() => void save('svg').then(done)}>Save as SVG</button></li>
                <li><button class="tb" onclick={() => void save('csv').then(done)}>Save as CSV</button></li>
            {/snippet}
        </Menu>
    </div>
    {#if trouble !== ''}<p role="alert" class="note">{trouble}</p>{/if}
    <div bind:this={body} class="drawn">
        {#if isTable}
            <div class="over">
                <table class="ruled">
                    <thead
                        ><tr
                            >{#each rows[0] ?? [] as cell, index (index)}<th class:num={index > 0}>{cell}</th
                                >{/each}</tr
                        ></thead
                    >
                    <tbody>
                        {#each rows.slice(1) as row, index (index)}
                            <tr
                                >{#each row as cell, at (at)}<td class:num={at > 0}>{cell ?? ''}</td>{/each}</tr
                            >
                        {/each}
                    </tbody>
                </table>
            </div>
        {:else}{@render children()}{/if}
    </div>
</section>

<style>
    .over {
        max-height: 420px;
        overflow: auto;
    }
</style>
