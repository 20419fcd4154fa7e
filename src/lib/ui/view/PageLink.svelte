<script lang="ts">
    /** The address of a page, that opens its sheet beside the view. */
    import Address from '../parts/Address.svelte';
    import type { ViewLinks } from './links.ts';

    /** @param most characters of the address that are shown */
    let { url, to, most }: { url: string; to: ViewLinks; most?: number } = $props();
</script>

<a class="plain-set text-primary" href={to.page(url)} data-sveltekit-noscroll
    ><Address {url} origin={to.origin} {...most === undefined ? {} : { most }} /></a
>
