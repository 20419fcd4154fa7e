<script lang="ts">
    /** The ways to write the host: what each answers, where it lands, which certificate it shows. */
    import type { DoorFacts } from '../../core/door/door-report.ts';
    import { storedWords } from '../../core/words/problems.ts';
    import { realOrigin } from '../../core/door/judge-door.ts';
    import { day } from '../parts/format.ts';
    import { wayOf } from './way-of.ts';

    let { facts }: { facts: DoorFacts } = $props();
    type Variant = DoorFacts['variants'][number];
    const real = $derived(realOrigin(facts));
    const isOne = $derived(facts.variants.length === 1);
    const settled = $derived.by(() => {
        if (isOne) return 'an address or a port of its own has no variants';
        return real === '' ? 'nothing settles which is the real one' : `the real one is ${real}`;
    });

    function landing({ lands, origin }: Variant): string {
        if (lands === '') return 'nowhere';
        return lands === origin ? 'itself' : lands;
    }

    function certificateWords(certificate: NonNullable<Variant['certificate']>): string {
        const { isTrusted, validTo, trouble, isPinned } = certificate;
        if (isTrusted) return validTo === null ? 'valid' : `valid to ${day(validTo)}`;
        const why = storedWords(trouble);
        return isPinned ? `${why}; taken, because the host is pinned` : why;
    }
</script>

<section class="pane border-t border-(--edge)" aria-label="Ways to write the host">
    <h2 class="pane-name">
        {isOne ? 'The host' : `${facts.variants.length} ways to write the host`}
        <span class="note">{settled}</span>
    </h2>
    <table class="ruled">
        <thead>
            <tr>
                <th>asked</th>
                <th>answers</th>
                <th>lands at</th>
                <th class="spare">canonical of its page</th>
                <th>certificate</th>
            </tr>
        </thead>
        <tbody>
            {#each facts.variants as variant (variant.origin)}
                <tr>
                    <td class:font-semibold={variant.origin === real}>{variant.origin}</td>
                    <td>{wayOf(variant.hops) || 'not asked'}</td>
                    <td>{landing(variant)}</td>
                    <td class="spare breaks">{variant.canonical || '·'}</td>
                    <td>
                        {#if variant.certificate === null}<span class="ink3" aria-label="none">·</span>
                        {:else}{certificateWords(variant.certificate)}{/if}
                    </td>
                </tr>
            {/each}
        </tbody>
    </table>
</section>
