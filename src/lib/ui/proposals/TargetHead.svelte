<script lang="ts">
    /** The page that links are sought for: what it is about, why it needs them, how many are wanted. */
    import { SUBJECT_FROM } from '../anchors/subject-from.ts';
    import type { TargetProposals } from '../../wire/proposals.ts';
    import SubjectWords from '../anchors/SubjectWords.svelte';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';
    import Tally from './Tally.svelte';

    interface Props {
        told: TargetProposals;
        to: ViewLinks;
        onSubject: (words: string[]) => Promise<string>;
    }
    let { told, to, onSubject }: Props = $props();
</script>

<section class="pane border-b border-(--edge)" aria-label="Target">
    <p class="note">Link to</p>
    <h2 class="title">{told.title || told.target}</h2>
    <p><PageLink url={told.target} {to} most={34} /></p>
    {#if told.subject.length > 0}
        <p class="note mt-2">Its subject, {SUBJECT_FROM[told.subjectFrom]}</p>
        <SubjectWords words={told.subject} from={told.subjectFrom} onChange={onSubject} />
    {/if}
    <p class="note mt-2">Why it needs links</p>
    <p>{told.needs}</p>
    {#if told.wanted !== null}
        <p class="flex items-center gap-2 mt-1 flex-wrap">
            <Tally wanted={told.wanted} has={told.has} taken={told.taken} />
            <span>wanted <b>{told.wanted}</b>, has <b>{told.has}</b>, taken <b>{told.taken}</b></span>
        </p>
    {:else if told.taken > 0}<p><b>{told.taken}</b> taken, not yet on the site.</p>{/if}
</section>

<style>
    .title {
        font: 400 1.125rem/1.5rem var(--font-serif);
        overflow-wrap: anywhere;
    }
</style>
