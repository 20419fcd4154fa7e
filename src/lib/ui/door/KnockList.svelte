<script lang="ts">
    /** Earlier knocks, newest first. */
    import { moment } from '../parts/format.ts';

    interface Props {
        list: { id: number; url: string; at: number; state: string }[];
        shown: number | null;
    }
    let { list, shown }: Props = $props();
    const WORDS: Record<string, string> = { open: 'open', half: 'half open', shut: 'shut' };
</script>

{#if list.length > 1}
    <section class="pane border-t border-(--edge)" aria-label="Earlier knocks">
        <h2 class="pane-name">Knocks</h2>
        <ul class="knocks">
            {#each list as item (item.id)}
                <li>
                    <a class="set" href="?knock={item.id}" aria-current={item.id === shown ? 'true' : undefined}
                        >{moment(item.at)}</a
                    >
                    <span>{WORDS[item.state]}</span> <span class="ink3">{item.url}</span>
                </li>
            {/each}
        </ul>
    </section>
{/if}

<style>
    .knocks {
        list-style: none;
    }
    .knocks li {
        min-height: 24px;
        padding: 2px 0;
    }
    .knocks a[aria-current] {
        color: var(--color-base-content);
    }
</style>
