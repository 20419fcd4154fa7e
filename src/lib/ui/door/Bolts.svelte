<script lang="ts">
    /** What shuts the door, where it stands, and what would open it. */
    import type { ToldVerdict } from '../../core/words/door.ts';

    let { bolts }: { bolts: ToldVerdict['bolts'] } = $props();
</script>

<section class="pane border-t border-(--rule)" aria-label="What shuts it">
    {#each bolts as bolt (bolt.kind)}
        <div class="bolt" class:lesser={bolt.onlyHere || bolt.isHidden}>
            <p><b>{bolt.say}</b></p>
            <p class="ink2">
                Stands in <span class="mono">{bolt.where}</span>{bolt.isHidden
                    ? ', where nobody who keeps to robots.txt will see it'
                    : ''}{bolt.onlyHere ? '; the pages behind are open' : ''}.
            </p>
            <p><span class="aside">What would open it?</span> {bolt.opens}</p>
        </div>
    {/each}
</section>

<style>
    .bolt {
        border-left: 4px solid var(--color-accent);
        padding: 2px 0 2px 10px;
        margin: 4px 0 10px;
        max-width: 820px;
    }
    .bolt.lesser {
        border-left: 2px solid var(--color-base-content);
    }
</style>
