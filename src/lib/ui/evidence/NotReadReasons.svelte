<script lang="ts">
    /** What was not read, by reason, with the families of URLs that were closed. */
    import { setLine } from '../../core/sets/page-filter.ts';
    import type { ProgressFamily } from '../../core/survey/progress.ts';
    import type { CompletenessView } from '../../core/views/completeness.ts';
    import { reasonWords } from '../../core/words/limits.ts';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    interface Props {
        notRead: CompletenessView['complete']['notRead'];
        /** Families that were closed. */
        families: readonly ProgressFamily[];
        to: ViewLinks;
    }
    let { notRead, families, to }: Props = $props();
    /** Families named here; the survey's own page has the others. */
    const MOST = 12;
</script>

<section class="pane border-t border-(--rule)" aria-label="Not read">
    <h2 class="pane-name">Not read, by reason</h2>
    {#if notRead.length === 0}
        <p class="ink2">Every known URL was read.</p>
    {:else}
        <table class="ruled">
            <tbody>
                {#each notRead as { reason, urls } (reason)}
                    <tr>
                        <td>{reasonWords(reason)}</td>
                        <td class="num">
                            {#if reason === 'waiting'}{count(urls)}
                            {:else}<a class="plain-set text-primary" href={to.set(setLine({ reason }))}>{count(urls)}</a
                                >{/if}
                        </td>
                    </tr>
                {/each}
            </tbody>
        </table>
    {/if}
    {#if families.length > 0}
        <p class="mt-2">
            {counted(families.length, 'family', 'families')} of URLs closed as {families.length === 1
                ? 'a trap'
                : 'traps'}:
            {#each families.slice(0, MOST) as family, index (family.pattern)}{index > 0 ? ', ' : ''}<span class="mono"
                    >{family.pattern}</span
                >
                <span class="note">{count(family.read)} read of {count(family.seen)} seen</span
                >{/each}{#if families.length > MOST}, and {count(families.length - MOST)} more{/if}.
            <a class="set" href="{to.base}/progress">Open one by hand</a>
        </p>
    {/if}
</section>
