<script lang="ts">
    /** One check of anchors: what it finds and where, template first, an example of each place, and what to write instead. */
    import type { WordingCheck, WordingPlace } from '../../core/views/wording-checks.ts';
    import Address from '../parts/Address.svelte';
    import { by } from '../../core/words/numbers.ts';
    import { count, counted, withoutMarks } from '../parts/format.ts';
    import SeverityMark from '../parts/SeverityMark.svelte';
    import type { ViewLinks } from '../view/links.ts';

    type Place = Omit<WordingPlace, 'example'> & { example: { url: string; say: string; line: number | null } | null };
    interface Props {
        check: Omit<WordingCheck, 'places'> & { places: Place[] };
        to: ViewLinks;
    }
    let { check, to }: Props = $props();
</script>

<article class="check">
    <header>
        <SeverityMark severity={check.severity} />
        <h2 class="pane-name">{check.name}</h2>
        <span class="num">
            {#if check.set === null}{count(check.pages)}
            {:else}<a class="set" href={to.set(check.set)}>{counted(check.pages, 'page')}</a
                >{/if}{#if check.accepted > 0}<span class="note">, {count(check.accepted)} accepted</span>{/if}
        </span>
    </header>
    <ul class="places">
        {#each check.places as place (place.say + place.where)}
            <li>
                <p>
                    {place.say}
                    <span class="note"
                        >{place.where};
                        {#if place.set === null}{counted(place.pages, 'page')}{:else}<a
                                class="set"
                                href={to.set(place.set)}>{counted(place.pages, 'page')}</a
                            >{/if}</span
                    >
                </p>
                {#if place.example}
                    <p class="note">
                        <Address url={place.example.url} origin={to.origin} most={44} />
                        {#if place.example.line !== null}<a
                                class="set"
                                href={to.source(place.example.url, place.example.line)}>line {place.example.line}</a
                            >:{/if}
                        <span class="breaks">{place.example.say.replaceAll(`${to.origin}/`, '/')}</span>
                    </p>
                {/if}
            </li>
        {/each}
    </ul>
    {#if check.morePlaces > 0}<p class="note">
            {count(check.morePlaces)} more {by(check.morePlaces, 'place', 'places')}, in
            <a class="set" href="{to.base}/causes">Causes</a>.
        </p>{/if}
    <dl class="advice">
        <dt class="note">advice</dt>
        <dd class="aside">{withoutMarks(check.advice)}</dd>
        <dt class="note">not</dt>
        <dd><s class="breaks">{withoutMarks(check.example)}</s></dd>
        <dt class="note">but</dt>
        <dd class="breaks">{withoutMarks(check.mended)}</dd>
    </dl>
</article>

<style>
    .check {
        padding-block: 10px;
        border-top: 1px solid var(--rule);
    }
    .check:first-of-type {
        border-top: 0;
    }
    header {
        display: flex;
        gap: 8px;
        align-items: baseline;
    }
    header .num {
        margin-left: auto;
        white-space: nowrap;
    }
    .places li {
        padding-block: 3px;
    }
    .advice {
        display: grid;
        grid-template-columns: 44px minmax(0, 1fr);
        gap: 1px 6px;
        margin-top: 4px;
        border-left: 2px solid var(--edge);
        padding-left: 10px;
    }
    s {
        color: var(--ink3);
    }
</style>
