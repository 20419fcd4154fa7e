<script lang="ts">
    /** By what the page is known, and what lists from elsewhere say of it. */
    import type { GivenFact } from '../../core/areas/list-matches.ts';
    import type { ToldSheet } from '../../core/areas/page-sheet.ts';
    import { count, counted, day } from '../parts/format.ts';

    let { evidence, given }: { evidence: ToldSheet['evidence']; given: readonly GivenFact[] } = $props();
</script>

<h3 class="pane-name">How it is known</h3>
<dl class="facts">
    {#each evidence as { name, detail } (name)}
        <dt>{name}</dt>
        <dd>
            {detail || 'said by another page'}
            {#each given.filter(({ kind }) => kind === name) as fact (fact.name)}
                {#each fact.values as value (value.column)}
                    <div>
                        <span class="ink3">{value.column}</span>
                        {value.type === 'date' ? day(value.value) : count(value.value)}
                    </div>
                {/each}
                {#if fact.links > 0}
                    <details>
                        <summary
                            >{counted(fact.links, 'page')} of other sites {fact.links === 1 ? 'links' : 'link'} here</summary
                        >
                        {#each fact.sources as source (source)}<div class="breaks">{source}</div>{/each}
                        {#if fact.links > fact.sources.length}
                            <div class="ink3">and {count(fact.links - fact.sources.length)} more</div>
                        {/if}
                    </details>
                {/if}
            {/each}
        </dd>
    {/each}
</dl>
