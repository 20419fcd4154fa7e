<script lang="ts">
    /** One anchor of a page: how it stands, where it is said, and, in hand, what becomes of it. */
    import type { PageProfile, ProfileAnchor } from '../../core/views/anchors.ts';
    import { listed } from '../../core/words/numbers.ts';
    import type { KeptChange } from '../../wire/laid-change.ts';
    import { count } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';
    import Address from '../parts/Address.svelte';
    import AnchorInHand from './AnchorInHand.svelte';
    import FitMark from './FitMark.svelte';
    import { quoted } from './fit-words.ts';

    interface Props {
        anchor: ProfileAnchor;
        lines: readonly (number | null)[];
        /** Changes of links with this anchor that are laid aside. */
        laid: readonly KeptChange[];
        target: PageProfile;
        isInHand: boolean;
        onHand: () => void;
        site: number;
        start: string;
        survey: string;
        surveyNumber: number;
        to: ViewLinks;
        onLaid: () => Promise<void>;
    }
    let { anchor, lines, laid, target, isInHand, onHand, site, start, survey, surveyNumber, to, onLaid }: Props =
        $props();
    const why = $derived.by((): string => {
        switch (anchor.fit) {
            case 'fits':
                return `shares: ${anchor.shared.join(', ')}`;
            case 'loose':
                return anchor.shared.length > 0
                    ? `shares little: ${anchor.shared.join(', ')}`
                    : `${listed(anchor.inText.slice(0, 3).map(quotedWord), 'and')} in its text, not in its subject`;
            case 'off':
                return `shares nothing with: ${target.subject.slice(0, 3).join(', ')}`;
            case 'nothing':
                return anchor.text !== ''
                    ? 'says nothing of it'
                    : anchor.name !== ''
                      ? 'a name only'
                      : 'neither words nor a name';
            case 'unknown':
                return 'not known: another language, or no words to judge';
            default:
                return '';
        }
    });
    const quotedWord = (word: string): string => `“${word}”`;
    const change = $derived(laid[0]);
    const more = $derived(anchor.links - anchor.places.length);
</script>

<li class="anchor" class:in-hand={isInHand}>
    <FitMark fit={anchor.fit} />
    <div class="min-w-0">
        <button class="words" aria-expanded={isInHand} onclick={onHand}>
            {#if change}
                <s class="aside ink3">{quoted(anchor.text, anchor.name)}</s>
                {#if change.kind === 'reword'}<span class="aside text-primary">“{change.newAnchor}”</span>{/if}
                <span class="ink2"
                    >{change.kind === 'reword'
                        ? 're-worded'
                        : change.kind === 'retarget'
                          ? 'led elsewhere'
                          : 'removed'}, laid aside{laid.length > 1 ? `, ${count(laid.length)} links` : ''}</span
                >
            {:else}
                <span class="aside">{quoted(anchor.text, anchor.name)}</span> <span class="ink2">{why}</span>
            {/if}
        </button>
        <p class="note">
            {#each anchor.places as place, index (index)}{index === 0 ? `${place.region} ` : '; '}<Address
                    url={place.url}
                    origin={to.origin}
                    most={40}
                />{#if lines[index]}, <a class="set" href={to.source(place.url, lines[index]!)}>line {lines[index]}</a
                    >{/if}{/each}{more > 0 ? `; ${count(more)} more` : ''}
        </p>
        {#if isInHand}
            <AnchorInHand {anchor} {target} {site} {start} {survey} {surveyNumber} {to} {onLaid} />
        {/if}
    </div>
    <b class="num text-primary">{count(anchor.links)}</b>
</li>

<style>
    .anchor {
        display: grid;
        grid-template-columns: 16px minmax(0, 1fr) auto;
        gap: 8px;
        padding: 5px 8px;
        margin-inline: -8px;
        border-bottom: 1px solid var(--rule);
        overflow-wrap: anywhere;
    }
    .in-hand {
        background: var(--wash);
        box-shadow: inset 3px 0 0 var(--color-primary);
    }
    .words {
        text-align: left;
        cursor: pointer;
    }
</style>
