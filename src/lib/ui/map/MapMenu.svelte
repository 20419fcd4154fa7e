<script lang="ts">
    /** What can be done with the picture: kept as points or vectors, printed. */
    import Menu from '../parts/Menu.svelte';
    import { tick } from 'svelte';
    import { saveFile } from '../charts/picture.ts';
    import type { DragShape } from './map-pointer.svelte.ts';
    import { mapPng, mapSvg, MOST_VECTOR_PAGES, type MapSheet } from './map-file.ts';

    interface Props {
        /** Null where there is no picture. */
        sheet: MapSheet | null;
        pages: number;
        /** What the file is called, without its ending. */
        file: string;
        /** What a drag draws around pages. */
        shape: DragShape;
        onShape: (shape: DragShape) => void;
    }
    let { sheet, pages, file, shape, onShape }: Props = $props();
    const other = $derived(shape === 'outline' ? 'rectangle' : 'outline');
    let trouble = $state('');

    async function save(as: 'png' | 'svg'): Promise<void> {
        if (!sheet) return;
        trouble = '';
        try {
            saveFile(`${file}.${as}`, as === 'png' ? await mapPng(sheet) : mapSvg(sheet));
        } catch {
            trouble = 'The picture could not be made here. The table below has the same numbers.';
        }
    }
    let printed = $state('');
    let image = $state<HTMLImageElement>();
    /** What the page may show of its own making: it takes pictures from nowhere else. */
    const asDataUrl = (blob: Blob): Promise<string> =>
        new Promise((resolve, reject) => {
            const reader = new FileReader();
            reader.onload = () =>
                typeof reader.result === 'string' ? resolve(reader.result) : reject(new Error('no text'));
            reader.onerror = () => reject(new Error('not read'));
            reader.readAsDataURL(blob);
        });
    /** Prints the picture that would be saved, as wide as the paper is: the frame shows a part of it only. */
    async function printSheet(): Promise<void> {
        if (!sheet) return;
        trouble = '';
        try {
            printed = await asDataUrl(await mapPng(sheet));
            await tick();
            await image?.decode();
            print();
        } catch {
            trouble = 'The picture could not be made here. The table below has the same numbers.';
        } finally {
            printed = '';
        }
    }
</script>

<Menu label="The map: picture, print">
    {#snippet items(done)}
        <li>
            <button
                class="tb"
                onclick={() => {
                    onShape(other);
                    done();
                }}>A drag draws {other === 'outline' ? 'an outline' : 'a rectangle'}</button
            >
        </li>
        <li><button class="tb" disabled={!sheet} onclick={() => void save('png').then(done)}>Save as PNG</button></li>
        <li>
            <button
                class="tb"
                disabled={!sheet || pages > MOST_VECTOR_PAGES}
                title={pages > MOST_VECTOR_PAGES ? 'Vectors go up to 20,000 pages.' : undefined}
                onclick={() => void save('svg').then(done)}>Save as SVG</button
            >
        </li>
        <li>
            <button class="tb" disabled={!sheet} onclick={() => void printSheet().then(done)}>Print</button>
        </li>
    {/snippet}
</Menu>
{#if printed !== ''}<img class="printed" src={printed} alt={sheet?.title ?? ''} bind:this={image} />{/if}
{#if trouble !== ''}<p class="note" role="alert">{trouble}</p>{/if}

<style>
    .printed {
        display: none;
    }
    @media print {
        .printed {
            display: block;
            page: sheet;
            position: static;
            width: 100%;
        }
    }
</style>
