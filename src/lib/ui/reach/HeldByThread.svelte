<script lang="ts">
    /** Pages that little holds: one page, one link, a listing, a declined link. */
    import type { ReachView } from '../../core/views/reach.ts';
    import SetLink from '../parts/SetLink.svelte';
    import type { ViewLinks } from '../view/links.ts';

    let { threads, to }: { threads: ReachView['threads']; to: ViewLinks } = $props();
    const THREADS = [
        { of: 'oneLink', name: 'hang from one single link' },
        { of: 'onePage', name: 'of the rest, followed links from one page alone' },
        { of: 'listings', name: 'linked from listings only' },
        { of: 'declined', name: 'reached by nofollow links only' },
    ] as const;
</script>

<section class="pane border-t border-(--rule)" aria-label="Held by a thread">
    <h2 class="pane-name mb-1">Held by a thread</h2>
    <table class="ruled">
        <tbody>
            {#each THREADS as { of, name } (of)}
                <tr>
                    <td>{name}</td>
                    <td class="num"><SetLink of={threads[of]} hrefOf={to.set} /></td>
                </tr>
            {/each}
        </tbody>
    </table>
</section>
