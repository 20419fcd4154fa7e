<script lang="ts">
    import '../app.css';
    import Hatch from '$lib/ui/parts/Hatch.svelte';
    import { onMount, type Snippet } from 'svelte';

    let { children }: { children: Snippet } = $props();
    // What is pressed before its code has come does nothing yet: said to whoever drives the page.
    onMount(() => (document.documentElement.dataset.awake = ''));
</script>

<a class="skip" href="#main">To the content</a>
<Hatch />
{@render children()}
