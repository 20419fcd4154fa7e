<script lang="ts">
    /** The current set: narrowings as words that can be taken away, and a text. Sends the set to the pages table. */
    import { filterToParams, filterWords, type PageFilter } from '$lib/core/sets/page-filter.ts';
    import { count } from '../parts/format.ts';

    interface Props {
        filter: PageFilter;
        size: number;
        of: number;
        /** Where the set is shown. */
        action: string;
    }
    let { filter, size, of, action }: Props = $props();
    const words = $derived(filterWords(filter));
    const kept = $derived(filterToParams(filter).filter(([name]) => name !== 'q'));
    const without = (param: string): string => {
        const rest = filterToParams(filter).filter(([name]) => name !== param);
        return `${action}?${new URLSearchParams(rest)}`;
    };
    const isAll = $derived(words.length === 0 && !filter.text);
</script>

<form class="set-bar" method="get" {action} role="search" aria-label="Current set">
    <label class="ink3" for="set-text">Set</label>
    <div class="set-field">
        {#if isAll}<span class="mono ink2 whitespace-nowrap">all pages</span>{/if}
        {#each words as word (word.param)}
            <span class="mono whitespace-nowrap">
                <span class="text-primary">{word.field}</span> <span class="ink2">{word.relation}</span>
                <b>{word.value}</b><a
                    class="px-1.5 inline-block"
                    href={without(word.param)}
                    aria-label="Take away: {word.field} {word.relation} {word.value}">×</a
                >
            </span>
        {/each}
        {#each kept as [name, value] (name)}<input type="hidden" {name} {value} />{/each}
        <input
            id="set-text"
            name="q"
            value={filter.text ?? ''}
            placeholder="address or title contains…"
            autocomplete="off"
            spellcheck="false"
        />
    </div>
    <span class="whitespace-nowrap" role="status"><b class="n">{count(size)}</b> of {count(of)}</span>
    {#if !isAll}<a class="tb" href={action}>All pages</a>{/if}
    <button class="tb outlined" type="submit">Show</button>
</form>
