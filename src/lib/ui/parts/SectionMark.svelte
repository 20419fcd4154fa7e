<script lang="ts">
    /** A section by its letter on a quiet hue: the hue helps, the letter tells. */
    import { HUES, hueOf } from './section-letters.ts';

    let { letter, place }: { letter: string; place: number } = $props();
    const hue = $derived(place < HUES ? hueOf(place) : 'transparent');
    const ink = $derived(place < HUES ? `var(--s${place + 1}-on)` : 'var(--color-base-content)');
</script>

<svg class="section-mark" width="15" height="15" viewBox="0 0 15 15" aria-hidden="true"
    ><rect x="0.5" y="0.5" width="14" height="14" fill={hue} stroke={place < HUES ? 'none' : 'var(--edge)'} /><text
        x="7.5"
        y="11"
        text-anchor="middle"
        font-size="10"
        font-weight="700"
        fill={ink}>{letter}</text
    ></svg
>

<style>
    .section-mark {
        display: inline-block;
        vertical-align: -2px;
        flex: none;
    }
</style>
