<script lang="ts">
    /** What is said for all targets: links that are wanted, subjects of sets, subjects as a list. */
    import type { SaidSubject } from '../../wire/subjects.ts';
    import type { WantedLinks } from '../../wire/wanted-links.ts';
    import type { ViewLinks } from '../view/links.ts';
    import SetSubjects from './SetSubjects.svelte';
    import SubjectListForm from './SubjectListForm.svelte';
    import WantedForm from './WantedForm.svelte';

    interface Props {
        data: {
            wanted: WantedLinks;
            offered: WantedLinks;
            subjects: readonly SaidSubject[];
            set: { text: string; size: number };
            site: { start: string };
        };
        to: ViewLinks;
        /** Says something of the site. @returns why not, as a sentence; empty where it is kept */
        say: (path: string, body: unknown) => Promise<string>;
    }
    let { data, to, say }: Props = $props();
    const saySubjects = (subjects: SaidSubject[]): Promise<string> => say('subjects', { subjects });
</script>

<WantedForm wanted={data.wanted} offered={data.offered} onSave={(wanted) => say('wanted-links', wanted)} />
<SetSubjects said={data.subjects} set={data.set.text.trim()} setSize={data.set.size} {to} onSave={saySubjects} />
<SubjectListForm start={data.site.start} onSave={saySubjects} />
