<script lang="ts">
    /** Families of URLs that were closed, where reading would go round for ever. */
    import { closedClause } from '../../core/words/survey.ts';
    import { count } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    interface Props {
        families: { told: { pattern: string; reason: string; read: number; seen: number }[]; more: number };
        /** URLs of closed families that were not asked for. */
        notAsked: number;
        to: ViewLinks;
    }
    let { families, notAsked, to }: Props = $props();
</script>

<section class="pane border-t border-(--rule)" aria-label="Closed families">
    <h2 class="pane-name mb-1">
        Closed families <span class="note">where reading would go round for ever</span>
    </h2>
    <table class="ruled">
        <thead><tr><th>pattern</th><th>why</th><th class="num">read</th><th class="num">seen</th></tr></thead>
        <tbody>
            {#each families.told as family (family.pattern)}
                <tr>
                    <td class="mono break-all">{family.pattern}</td>
                    <td>{closedClause(family.reason)}</td>
                    <td class="num">{count(family.read)}</td>
                    <td class="num">{count(family.seen)}</td>
                </tr>
            {/each}
        </tbody>
    </table>
    <p class="mt-1 note">
        {#if families.more > 0}{count(families.more)} more are closed.{/if}
        <a class="set" href={to.set('reason is trap')}>{count(notAsked)}</a> URLs of closed families were not asked for.
        <a class="set" href="{to.base}/progress">Open one</a> where it is no trap.
    </p>
</section>
