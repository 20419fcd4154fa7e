<script lang="ts">
    /** The lists that were given, and how each fits what the survey knows. */
    import { LIST_WORDS } from '../../core/evidence/evidence-lists.ts';
    import { setQuery } from '../../core/sets/page-filter.ts';
    import type { EvidenceView } from '../../core/views/evidence.ts';
    import { count, day } from '../parts/format.ts';

    /** @param base address of the survey; `api` the same in the API */
    let { view, base, api }: { view: EvidenceView; base: string; api: string } = $props();
</script>

{#snippet linked(size: number, href: string | null)}
    {#if size > 0 && href !== null}<a class="plain-set text-primary" {href}>{count(size)}</a>{:else}{count(size)}{/if}
{/snippet}

<section class="pane border-b border-(--edge)" aria-label="Lists">
    <table class="ruled">
        <thead>
            <tr>
                <th>list</th>
                <th class="num">rows</th>
                <th class="num">URLs read</th>
                <th class="num">URLs not read</th>
                <th class="num">match nothing</th>
                <th class="num">lines not readable</th>
                <th class="spare">added</th>
            </tr>
        </thead>
        <tbody>
            {#each view.lists as list (list.id)}
                {@const files = `${api}/evidence/${list.id}`}
                <tr>
                    <td>
                        <b>{LIST_WORDS[list.kind].name}</b> <span class="ink2">{list.name}</span>
                        {#if list.columns.length > 0}<div class="note">keeps {list.columns.join(', ')}</div>{/if}
                        {#each list.notes as note (note)}<div class="note">{note}</div>{/each}
                    </td>
                    {#if list.bare}
                        <td class="num">{count(list.bare.count)}</td>
                        <td colspan="4" class="ink3">a count of {list.bare.day}, without a list</td>
                    {:else}
                        {@const sets = list.sets}
                        <td class="num">{count(list.rows)}</td>
                        <td class="num">{@render linked(list.read, sets && `${base}/pages${setQuery(sets.read)}`)}</td>
                        <td class="num"
                            >{@render linked(list.notRead, sets && `${base}/pages${setQuery(sets.notRead)}`)}</td
                        >
                        <td class="num">{@render linked(list.unmatched, `${files}/unmatched.csv`)}</td>
                        <td class="num">{@render linked(list.bad, `${files}/bad.csv`)}</td>
                    {/if}
                    <td class="spare ink2">{day(list.at)}, revision {list.revision}</td>
                </tr>
            {/each}
        </tbody>
    </table>
    <p class="note">
        Addresses that match nothing lie on other hosts or outside the scope. They and the unreadable lines can be
        downloaded.
    </p>
</section>
