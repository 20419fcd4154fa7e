<script lang="ts">
    /** Variants of one kind: what speaks for which form, pairs, and the rule that leads to the one that is meant. */
    import type { VariantGroup } from '../../core/views/variants.ts';
    import { count, counted } from '../parts/format.ts';
    import PageMark from '../parts/PageMark.svelte';
    import SetLink from '../parts/SetLink.svelte';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';

    let { group, to }: { group: VariantGroup; to: ViewLinks } = $props();
    const NAMES: Record<VariantGroup['kind'], string> = {
        scheme: 'By scheme',
        host: 'With and without www.',
        index: 'By index document',
        slash: 'By the slash at the end',
        slashes: 'By doubled slashes',
        case: 'By capital letters',
        order: 'By the order of parameters',
    };
    const speaking = $derived([
        { what: 'name the one that is meant as canonical', of: group.canonical, isGood: true },
        { what: 'are linked from other pages', of: group.linked, isGood: false },
        { what: 'are listed in a sitemap', of: group.listed, isGood: false },
        { what: 'are linked from other sites', of: group.external, isGood: false },
    ]);
    const servers = $derived([
        { name: 'Apache httpd', lines: group.rules.apache },
        { name: 'nginx', lines: group.rules.nginx },
    ]);
    const headingId = $derived(`variants-${group.kind}-${group.set.length}-${group.pages}`);
</script>

<section class="pane border-b border-(--edge)" aria-labelledby={headingId}>
    <h2 class="pane-name mb-1" id={headingId}>
        {NAMES[group.kind]}
        <span class="note"
            ><SetLink of={group} hrefOf={to.set} text={counted(group.pages, 'address', 'addresses')} /> not meant{#if group.standing > 0.05},
                {group.standing.toFixed(1)} of standing{/if}</span
        >
    </h2>
    <div class="parts">
        <div class="min-w-0">
            {#each group.named as pair (pair.url)}
                <p class="breaks pair">
                    <PageMark gate={pair.gate} reached={null} />
                    <PageLink url={pair.url} {to} most={40} />
                    <span class="ink3" aria-label="is meant as">→</span>
                    <PageLink url={pair.meant} {to} most={40} />
                    <span class="note">
                        {pair.linkedFrom === 0
                            ? 'not linked'
                            : `from ${counted(pair.linkedFrom, 'page')}`}{pair.isListed ? ', listed' : ''}
                    </span>
                </p>
            {/each}
            {#if group.pages > group.named.length}<p class="note">
                    and {count(group.pages - group.named.length)} more
                </p>{/if}
            <ul class="mt-1">
                {#each speaking as { what, of, isGood } (what)}
                    <li class:ink3={of === 0 && !isGood}><span class="tally">{count(of)}</span> {what}</li>
                {/each}
            </ul>
        </div>
        <div class="min-w-0">
            {#each servers as { name, lines } (name)}
                {#if lines.length > 0}
                    <p class="note">{name}</p>
                    <pre class="rule">{lines.join('\n')}</pre>
                {/if}
            {/each}
            {#if group.rules.caution !== ''}<p class="ink2">{group.rules.caution}</p>{/if}
        </div>
    </div>
</section>

<style>
    .parts {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(min(20rem, 100%), 1fr));
        gap: 0.4rem 1.4rem;
    }
    .pair {
        padding-block: 1px;
    }
    .tally {
        display: inline-block;
        min-width: 2.4rem;
        text-align: right;
        font-variant-numeric: tabular-nums;
    }
    .rule {
        font-family: var(--mono, ui-monospace, monospace);
        font-size: 12px;
        line-height: 1.5;
        white-space: pre-wrap;
        overflow-wrap: anywhere;
        padding: 0.35rem 0.5rem;
        border: 1px solid var(--rule);
    }
</style>
