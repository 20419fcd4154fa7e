<script lang="ts">
    /** What the survey was before lists and reading on changed it. */
    interface Props {
        revisions: { number: number; why: string }[];
        /** Addresses of the newest revision, and of its counts in the API. */
        newest: string;
        counts: string;
    }
    let { revisions, newest, counts }: Props = $props();
</script>

<section class="pane border-t border-(--edge)" aria-label="Revisions">
    <h2 class="pane-name">Earlier revisions</h2>
    <ul class="plain-list">
        {#each revisions as { number, why } (number)}
            <li>
                <a class="set" href="{newest}.{number}/brief">Revision {number}</a>
                <span class="ink2">{why};</span>
                <a class="set" href="{counts}?revision={number}">its counts</a>
            </li>
        {/each}
    </ul>
</section>
