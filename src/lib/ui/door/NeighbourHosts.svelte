<script lang="ts">
    /** Hosts of the same domain that the start page links to. */
    import type { DoorFacts } from '../../core/door/door-report.ts';
    import { count } from '../parts/format.ts';

    interface Props {
        neighbours: DoorFacts['neighbours'];
        /** Name of the button that knocks there, in the form around; left out where nobody can. */
        knockName?: string;
    }
    let { neighbours, knockName }: Props = $props();
</script>

<section class="pane border-t border-(--rule)" aria-label="Neighbour hosts">
    <h2 class="pane-name">
        Neighbour hosts <span class="note">of the same domain, linked from the start page, no part of the site</span>
    </h2>
    <table class="ruled">
        <thead><tr><th>host</th><th class="num">links</th><th>open to indexing?</th></tr></thead>
        <tbody>
            {#each neighbours as { host, links, example } (host)}
                <tr>
                    <td>{host}</td>
                    <td class="num">{count(links)}</td>
                    <td>
                        {#if knockName}
                            <button class="tb outlined" name={knockName} value="{new URL(example).origin}/"
                                >Knock there</button
                            >
                        {:else}not asked{/if}
                    </td>
                </tr>
            {/each}
        </tbody>
    </table>
</section>
