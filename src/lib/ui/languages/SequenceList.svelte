<script lang="ts">
    /** Sequences as chains: a step is a square, a line that runs both ways is whole, one that runs one way is broken. */
    import type { LanguagesView, SequenceStep } from '../../core/views/languages.ts';
    import { count, counted } from '../parts/format.ts';
    import PageMark from '../parts/PageMark.svelte';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';

    let { view, to }: { view: LanguagesView; to: ViewLinks } = $props();
    const WAYS: Record<SequenceStep['on'], string> = {
        both: '—',
        'forward only': '⇢',
        'backward only': '⇠',
        end: '',
    };
    const SAY: Record<SequenceStep['on'], string> = {
        both: 'both name each other',
        'forward only': 'names the next, which does not name it back',
        'backward only': 'is named as the previous one, and names no next',
        end: 'the last',
    };
</script>

<section class="pane" aria-labelledby="sequences">
    <h2 class="pane-name mb-1" id="sequences">
        Sequences
        <span class="note">
            {#if view.sequencesInAll === 0}no page names a next or a previous one
            {:else}{counted(view.sequencesInAll, 'sequence')}, {view.sequencesBroken === 0
                    ? 'all whole'
                    : `${count(view.sequencesBroken)} broken; those first`}{/if}
        </span>
    </h2>
    {#each view.sequences as { steps, pages, breaks } (steps[0]!.url)}
        <div class="chain" class:broken={breaks > 0}>
            <p class="breaks">
                <PageLink url={steps[0]!.url} {to} most={60} />
                <span class="note">{counted(pages, 'page')}{breaks > 0 ? `, ${counted(breaks, 'break')}` : ''}</span>
            </p>
            <p class="steps">
                {#each steps as { url, gate, on } (url)}
                    <a href={to.page(url)} data-sveltekit-noscroll title={url} aria-label="{url}, {SAY[on]}"
                        ><PageMark {gate} reached={null} /></a
                    >{#if on !== 'end'}<span class:way={on !== 'both'} aria-hidden="true">{WAYS[on]}</span>{/if}
                {/each}
                {#if pages > steps.length}<span class="note">and {count(pages - steps.length)} more</span>{/if}
            </p>
        </div>
    {/each}
    {#if view.sequencesInAll > view.sequences.length}
        <p class="note mt-1">{counted(view.sequencesInAll - view.sequences.length, 'more sequence')} not drawn.</p>
    {/if}
</section>

<style>
    .chain {
        padding: 0.3rem 0 0.3rem 0.5rem;
        border-left: 2px solid transparent;
        border-bottom: 1px solid var(--rule);
    }
    .chain.broken {
        border-left-color: currentColor;
    }
    .steps {
        display: flex;
        flex-wrap: wrap;
        align-items: center;
        column-gap: 2px;
    }
    .way {
        font-weight: 600;
    }
</style>
