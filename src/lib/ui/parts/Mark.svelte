<script lang="ts">
    let { size = 22 }: { size?: number } = $props();
</script>

<svg class="mark" width={size} height={size} viewBox="0 0 24 24" fill="none" aria-hidden="true">
    <path fill="currentColor" d="M1.5 1.5h4v7h-4zM1.5 15.5h4v3h3v4h-7zM15.5 18.5h7v4h-7z" />
    <path stroke="currentColor" d="M2 8.5v7M5 8.5v7M8.5 19h7M8.5 22h7" />
    <path stroke="currentColor" stroke-width="1.8" d="M10.6 13.4L16.6 7.4" />
    <circle cx="9.6" cy="14.4" r="2.7" fill="currentColor" />
    <circle cx="18.6" cy="5.4" r="2.8" stroke="currentColor" stroke-width="1.8" />
</svg>
