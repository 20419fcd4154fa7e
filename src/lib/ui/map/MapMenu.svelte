<script lang="ts">
    /** What can be done with the picture: kept as points or vectors, printed. */
    import Menu from '../parts/Menu.svelte';
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
            <button
                class="tb"
                onclick={() => {
                    done();
                    print();
                }}>Print</button
            >
        </li>
    {/snippet}
</Menu>
{#if trouble !== ''}<p class="note" role="alert">{trouble}</p>{/if}
