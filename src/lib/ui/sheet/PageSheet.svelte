<script lang="ts">
    /** Everything about one page, beside any view. All text in it was read from the site and is shown as text. */
    import type { Snippet } from 'svelte';
    import NoteList from '../parts/NoteList.svelte';
    import Called from './Called.svelte';
    import Elsewhere from './Elsewhere.svelte';
    import FedFeeds from './FedFeeds.svelte';
    import GateChain from './GateChain.svelte';
    import KnownBy from './KnownBy.svelte';
    import { keptSource, type OpenSheet, type SheetActs, type SheetLinks } from './open-sheet.ts';
    import SheetBar from './SheetBar.svelte';
    import SheetFacts from './SheetFacts.svelte';
    import SheetFindings from './SheetFindings.svelte';
    import SheetSides from './SheetSides.svelte';
    import SheetSubject from './SheetSubject.svelte';
    import SheetWeight from './SheetWeight.svelte';
    import TextAndAnswer from './TextAndAnswer.svelte';
    import WayHere from './WayHere.svelte';

    interface Props {
        open: OpenSheet;
        to: SheetLinks;
        acts: SheetActs;
        /** Where the page stands in the current set, with the addresses of its neighbours; null when it is not in it. */
        place: { place: number; of: number; before: string | null; after: string | null } | null;
        /** Keeps the sheet beside the next one; null where it is pinned. */
        pinHref: string | null;
        closeHref: string;
        /** The same page in the other surveys of the site; one of them may not know it. */
        elsewhere: { number: number; href: string }[];
        /** What its left edge is moved with; left out where it is not the outermost. */
        edge?: Snippet;
    }
    let { open, to, acts, place, pinHref, closeHref, elsewhere, edge }: Props = $props();
    let refusal = $state('');
    const { sheet, details, links, findings } = $derived(open);
    const { url, record } = $derived(sheet);
    const isPinned = $derived(pinHref === null);
    const folder = $derived(url.split('?', 1)[0]!.replace(/[^/]*$/, ''));

    async function refused(asked: Promise<string>): Promise<void> {
        refusal = await asked;
    }
</script>

<aside class="sheet" class:pinned={isPinned} aria-label={isPinned ? 'Pinned page sheet' : 'Page sheet'}>
    {@render edge?.()}
    <SheetBar {place} {pinHref} {closeHref} />
    <div class="sheet-body" data-sveltekit-noscroll>
        <section class="!border-t-0">
            <h2 class="font-serif text-[1.1875rem] leading-6 few-lines" title={String(record.title ?? '')}>
                {record.title || (record.status === null ? 'Not read' : 'No title')}
            </h2>
            <p class="break-all ink2 few-lines" title={url}>{url}</p>
            <Elsewhere {elsewhere} />
            <GateChain gates={sheet.gates} />
            <p class="mt-1.5 break-words">{sheet.verdict}</p>
        </section>
        <section><WayHere {sheet} {to} /></section>
        {#if findings.length > 0}
            <section>
                <SheetFindings
                    {findings}
                    moreLinks={open.moreLinks}
                    setHref={to.set}
                    {acts}
                    lineHref={(line) => keptSource(open, to, url, line)}
                />
            </section>
        {/if}
        {#if open.subject}
            <SheetSubject {url} subject={open.subject} {to} {acts} />
        {/if}
        {#if links.called.length > 0}<section><Called called={links.called} /></section>{/if}
        <section>
            <h3 class="pane-name mb-1">Fed by, feeds</h3>
            <FedFeeds fedBy={links.fedBy} feeds={links.feeds} setHref={to.set} />
        </section>
        <SheetSides {open} {to} />
        <section>
            <SheetWeight {sheet} {to} onPriority={(value) => void refused(acts.setPriority(url, value))} />
        </section>
        <section>
            <h3 class="pane-name mb-1">Notes</h3>
            <NoteList
                notes={open.notes}
                about="this page"
                onWrite={(text) => acts.writeNote(url, text)}
                onForget={acts.forgetNote}
            />
        </section>
        <section><KnownBy evidence={sheet.evidence} given={open.given} /></section>
        <section>
            <TextAndAnswer {sheet} />
            <p class="mt-2 flex gap-2 flex-wrap">
                {#if details?.hasSource}<a class="tb outlined" href={to.source(url, 1)}>Source as received</a>{/if}
                {#if record.not_read === 'action'}
                    <button class="tb outlined" onclick={() => refused(acts.askAllTheSame(url))}
                        >Ask for it all the same</button
                    >
                {/if}
                <button class="tb outlined" onclick={() => refused(acts.readAgain({ kind: 'page', url }))}
                    >Read this page again</button
                >
                <button class="tb" onclick={() => refused(acts.readAgain({ kind: 'folder', url: folder }))}
                    >Read its folder again</button
                >
            </p>
            {#if refusal}<p class="fault-line mt-1" role="alert">{refusal}</p>{/if}
        </section>
        {#if details}<SheetFacts {details} />{/if}
    </div>
</aside>
