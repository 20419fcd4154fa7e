<script lang="ts">
    /** What the page is about, to be said otherwise; from here to the links it could get and give. */
    import { SUBJECT_FROM } from '../anchors/subject-from.ts';
    import SubjectWords from '../anchors/SubjectWords.svelte';
    import type { OpenSheet, SheetActs, SheetLinks } from './open-sheet.ts';

    interface Props {
        url: string;
        subject: NonNullable<OpenSheet['subject']>;
        to: SheetLinks;
        acts: SheetActs;
    }
    let { url, subject, to, acts }: Props = $props();
</script>

<section>
    <h3 class="pane-name">Subject <span class="note">{SUBJECT_FROM[subject.from]}</span></h3>
    <SubjectWords words={subject.words} from={subject.from} onChange={(words) => acts.setSubject(url, words)} />
    <p class="mt-1.5 flex flex-wrap gap-x-4">
        <a class="set" href={to.proposals(url)}>links it could get</a>
        <a class="set" href={to.outward(url)}>links it could give</a>
    </p>
</section>
