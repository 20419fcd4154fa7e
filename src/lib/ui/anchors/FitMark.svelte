<script lang="ts">
    /** One segment of the strip, as a mark in front of an anchor and in the legend. */
    import type { Fit } from '../../core/subjects/anchor-fit.ts';
    import FitStrip from './FitStrip.svelte';
    import { FIT_NAMES } from './fit-words.ts';

    let { fit }: { fit: Fit } = $props();
</script>

<span class="inline-block align-middle" title={FIT_NAMES[fit]}
    ><FitStrip segments={[{ fit, links: 1 }]} width={14} height={9} /><span class="sr-only">{FIT_NAMES[fit]}</span
    ></span
>
