<script lang="ts">
    /** The intended structure as text, to be written, pasted and changed. */
    interface Props {
        /** The outline as it is kept; empty for none. */
        outline: string;
        /** What was wrong with the one that was sent last, and that one; null for nothing. */
        refused: { say: string; text: string } | null;
    }
    let { outline, refused }: Props = $props();
    // Bound, so that what was typed before this code came stays.
    let text = $derived(refused?.text ?? outline);
</script>

<section class="pane" aria-label="The outline">
    <h2 class="pane-name mb-1">
        {outline === '' ? 'Write or paste it' : 'Change it'}
        <span class="note">a page a line, deeper ones indented by two blanks or a tab</span>
    </h2>
    <form method="POST" action="?/keep">
        <textarea
            class="field mono !h-[220px]"
            name="outline"
            aria-label="Outline of the intended structure"
            aria-describedby="outline-help"
            spellcheck="false"
            placeholder="/&#10;  Tools !1&#10;    /tools/cutting/&#10;  Guides"
            bind:value={text}></textarea>
        {#if refused}<p class="fault-line mt-1" role="alert">{refused.say} Nothing was changed.</p>{/if}
        <p class="note mt-1" id="outline-help">
            A page is named by its title, its path or its URL; !1 to !3 behind it is its priority. CSV with the columns
            page, parent and priority is read as well. An empty outline takes the structure away.
        </p>
        <button class="tb outlined mt-2">Keep this structure</button>
    </form>
</section>
