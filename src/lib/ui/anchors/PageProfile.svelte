<script lang="ts">
    /** Every anchor that calls one page, worst first; the one in hand with its sentences and what can be done. */
    import { SUBJECT_FROM } from './subject-from.ts';
    import type { PageProfile } from '../../core/views/anchors.ts';
    import type { KeptChange } from '../../wire/laid-change.ts';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';
    import AnchorLine from './AnchorLine.svelte';
    import FitMark from './FitMark.svelte';
    import FitStrip from './FitStrip.svelte';
    import SubjectWords from './SubjectWords.svelte';
    import { quoted } from './fit-words.ts';

    interface Props {
        profile: PageProfile;
        /** Lines of the places of each anchor. */
        lines: readonly (readonly (number | null)[])[];
        laid: readonly KeptChange[];
        total: number;
        site: number;
        start: string;
        survey: string;
        surveyNumber: number;
        to: ViewLinks;
        hrefOf: (url: string) => string;
        onSubject: (words: string[]) => Promise<string>;
        onLaid: () => Promise<void>;
    }
    let { profile, lines, laid, total, site, start, survey, surveyNumber, to, hrefOf, onSubject, onLaid }: Props =
        $props();
    /** Index of the anchor in hand. */
    let hand = $state<number | null>(null);
    $effect(() => {
        void profile.url;
        hand = null;
    });
</script>

<section class="pane" aria-label="Profile of one page">
    <div class="flex justify-between gap-3 items-baseline">
        <h2 class="title">{profile.title || profile.url}</h2>
        {#if profile.rank !== null}
            <span class="note nw">
                {count(profile.rank)} of {count(total)}
                {#if profile.before}<a class="set" href={hrefOf(profile.before)} data-sveltekit-noscroll>before</a>{/if}
                {#if profile.next}<a class="set" href={hrefOf(profile.next)} data-sveltekit-noscroll>next</a>{/if}
            </span>
        {/if}
    </div>
    <p><PageLink url={profile.url} {to} /></p>
    {#if profile.subject.length > 0}
        <p class="note mt-1">Its subject, {SUBJECT_FROM[profile.subjectFrom]}</p>
        <SubjectWords words={profile.subject} from={profile.subjectFrom} onChange={onSubject} />
    {/if}
    <p class="flex items-center gap-3 my-2">
        <FitStrip segments={profile.segments} width={360} height={13} />
        <span><b>{count(profile.fitting)} of {count(profile.links)}</b> fit; worst first</span>
    </p>
    <ul>
        {#each profile.anchors as anchor, index (`${anchor.text} ${anchor.name}`)}
            <AnchorLine
                {anchor}
                lines={lines[index] ?? []}
                laid={laid.filter(({ oldTarget, oldAnchor }) => oldTarget === profile.url && oldAnchor === anchor.text)}
                target={profile}
                isInHand={hand === index}
                onHand={() => (hand = hand === index ? null : index)}
                {site}
                {start}
                {survey}
                {surveyNumber}
                {to}
                {onLaid}
            />
        {:else}<li class="note">No link in a text leads here.</li>{/each}
    </ul>
    {#if profile.moreAnchors > 0}<p class="note">{counted(profile.moreAnchors, 'more anchor')} not listed.</p>{/if}
    {#if profile.own.length > 0}
        <h3 class="pane-name mt-3">
            What its own text says <span class="note">anchors it uses, the commonest first</span>
        </h3>
        <p class="own">
            {#each profile.own as own, index (index)}
                <span class="nw"
                    ><FitMark fit={own.fit} /> <span class="aside">{quoted(own.text)}</span>
                    <span class="ink3"
                        >{count(own.links)}{own.targets > 1 ? ` to ${count(own.targets)} pages` : ''}</span
                    ></span
                >
            {/each}
        </p>
    {/if}
</section>

<style>
    .title {
        font: 400 1.125rem/1.5rem var(--font-serif);
        overflow-wrap: anywhere;
    }
    .own {
        display: flex;
        flex-wrap: wrap;
        gap: 2px 14px;
    }
    .own .nw {
        max-width: 100%;
        overflow: hidden;
        text-overflow: ellipsis;
    }
</style>
