<script lang="ts">
    /** An address: folder dimmed, last part in ink, another host written out; full on hover. */
    import { addressParts, cutMiddle } from './format.ts';

    let { url, origin, most = 60 }: { url: string; origin: string; most?: number } = $props();
    const parts = $derived(addressParts(url, origin));
    const room = $derived(Math.max(12, most - parts.host.length));
    const last = $derived(cutMiddle(parts.last, room));
    const folder = $derived(cutMiddle(parts.folder, Math.max(4, room - last.length)));
</script>

<span title={url}
    >{#if parts.host}<span class="ink3">{cutMiddle(parts.host, 40)}</span>{/if}<span class="ink2">{folder}</span
    >{last}</span
>
