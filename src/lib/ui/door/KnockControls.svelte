<script lang="ts">
    /** The button that knocks, and how; what else can be done stands beside it. */
    import type { Snippet } from 'svelte';

    interface Props {
        label: string;
        /** Nothing was knocked at yet: the button is what the view is for. */
        isFirst: boolean;
        isKnocking: boolean;
        children?: Snippet;
    }
    let { label, isFirst, isKnocking, children }: Props = $props();
</script>

<p class="flex flex-wrap gap-2 items-center mt-2" aria-live="polite">
    <button class="tb {isFirst ? 'filled' : 'outlined'}" disabled={isKnocking}>{label}</button>
    {@render children?.()}
    <label class="inline-flex gap-1.5 items-center min-h-[24px]"
        ><input class="checkbox checkbox-xs" type="checkbox" name="keepsOut" /> keep out of what robots.txt closes, the start
        page included</label
    >
    {#if isKnocking}<span class="ink2">Knocking; this takes a few seconds, longer where nobody answers.</span>{/if}
</p>
