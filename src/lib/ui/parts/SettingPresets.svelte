<script lang="ts">
    /** Settings to start from, by what a survey is for. */
    import { PRESETS } from '../../core/survey/default-settings.ts';

    let { chosen }: { chosen: string } = $props();
</script>

<div class="presets" role="group" aria-label="Start from">
    {#each PRESETS as { id, name, purpose } (id)}
        <a class="preset" href="?preset={id}" aria-current={chosen === id ? 'true' : undefined}
            ><b>{name}</b> <span class="note">{purpose}</span></a
        >
    {/each}
</div>

<style>
    .presets {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
        max-width: 760px;
        border: 1px solid var(--edge);
        margin-bottom: 12px;
    }
    .preset {
        padding: 6px 10px 7px;
    }
    .preset + .preset {
        border-left: 1px solid var(--rule);
    }
    .preset b {
        display: block;
        font-weight: 600;
    }
    .preset .note {
        display: block;
    }
    .preset:hover {
        background: var(--color-base-200);
    }
    .preset[aria-current] {
        box-shadow: inset 0 3px 0 var(--color-base-content);
    }
    @media (max-width: 640px) {
        .preset + .preset {
            border-left: 0;
            border-top: 1px solid var(--rule);
        }
    }
</style>
