<script lang="ts">
    /** What the pages of sets are about, as said: of the set in hand, and of those before. */
    import type { SaidSubject } from '../../wire/subjects.ts';
    import { counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';
    import SubjectWords from '../anchors/SubjectWords.svelte';

    interface Props {
        said: readonly SaidSubject[];
        /** The line of the set that is looked at; empty for all pages. */
        set: string;
        setSize: number;
        to: ViewLinks;
        /** @returns why not, as a sentence; empty where it is kept */
        onSave: (subjects: SaidSubject[]) => Promise<string>;
    }
    let { said, set, setSize, to, onSave }: Props = $props();
    const ofSets = $derived(said.filter(({ by }) => by === 'set'));
    const own = $derived(ofSets.find(({ subject }) => subject === set));
    const others = $derived(ofSets.filter(({ subject }) => subject !== set));
    const save = (subject: string, words: string[]): Promise<string> => onSave([{ by: 'set', subject, words }]);
</script>

{#if set !== '' || ofSets.length > 0}
    <details class="pane border-t border-(--rule)" open={own !== undefined}>
        <summary class="pane-name"
            >Subjects of sets <span class="note"
                >{ofSets.length === 0 ? 'all pages of this set at once' : `${ofSets.length} said`}</span
            ></summary
        >
        {#if set !== ''}
            <p class="note mt-2">
                All {counted(setSize, 'page')} of this set are about; what is said of a single page counts before it
            </p>
            <SubjectWords
                words={own?.words ?? []}
                from={own === undefined ? 'set' : 'page'}
                onChange={(words) => save(set, words)}
            />
        {/if}
        {#each others as { subject, words } (subject)}
            <p class="mt-2 breaks"><a class="set mono" href={to.set(subject)}>{subject}</a></p>
            <SubjectWords {words} from="page" onChange={(next) => save(subject, next)} />
        {/each}
    </details>
{/if}
