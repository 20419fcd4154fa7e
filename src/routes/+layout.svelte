<script lang="ts">
    import '../app.css';
    import Hatch from '$lib/ui/parts/Hatch.svelte';
    import type { Snippet } from 'svelte';

    let { children }: { children: Snippet } = $props();
</script>

<a class="skip" href="#main">To the content</a>
<Hatch />
{@render children()}
