<script lang="ts">
    /** Changes to links that wait for a draft: page by page, as whoever edits them needs them. */
    import type { KeptChange } from '../../wire/laid-change.ts';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';

    interface Props {
        changes: readonly (KeptChange & { isKnown: boolean; isSeen: boolean })[];
        csv: string;
        to: ViewLinks;
        onDrop: (ids: number[]) => Promise<void>;
        /** Notes that the work was done. @returns why not, as a sentence */
        onMark: () => Promise<string>;
    }
    let { changes, csv, to, onDrop, onMark }: Props = $props();
    const KINDS: Record<KeptChange['kind'], string> = {
        add: 'new link',
        reword: 're-word',
        retarget: 'retarget',
        remove: 'remove',
    };
    const pages = $derived.by(() => {
        const found: Record<string, (typeof changes)[number][]> = {};
        for (const change of changes) (found[change.page] ??= []).push(change);
        return Object.entries(found);
    });
    const seen = $derived(changes.filter(({ isSeen }) => isSeen));
    let said = $state('');

    async function mark(): Promise<void> {
        said = (await onMark()) || 'Noted, with today’s date.';
    }
</script>

<div class="pane border-b border-(--edge) flex flex-wrap justify-between gap-x-6 gap-y-1 items-baseline">
    <h1 class="headline">
        {#if changes.length === 0}No change is laid aside.
        {:else}<b>{counted(changes.length, 'change')}</b> on <b>{counted(pages.length, 'page')}</b>
            {changes.length === 1 ? 'waits' : 'wait'} for a draft.{/if}
    </h1>
    {#if changes.length > 0}
        <p class="flex gap-3 items-baseline no-print">
            <a class="set" href={csv} download>changes.csv</a>
            <button class="set" onclick={() => print()}>print the list</button>
            <button class="set" onclick={mark}>note that it was done</button>
            <span class="note" role="status">{said}</span>
        </p>
    {/if}
</div>
{#if changes.length === 0}
    <p class="pane">
        Changes come here from <a class="set" href="{to.base}/proposals">Proposals</a>, where a sentence is taken, and
        from
        <a class="set" href="{to.base}/anchors">Profiles</a>, where links are re-worded, led elsewhere or removed.
    </p>
{/if}
{#if seen.length > 0}
    <p class="pane border-b border-(--rule)">
        This survey sees {count(seen.length)} of them on the site.
        <button class="set no-print" onclick={() => onDrop(seen.map(({ id }) => id))}>Take these off the list</button>
    </p>
{/if}
{#each pages as [url, own] (url)}
    <section class="pane border-b border-(--rule)" aria-label="Changes on {url}">
        <h2>
            <PageLink {url} {to} />
            {#if !own[0]!.isKnown}<span class="note">not known to this survey</span>{/if}
        </h2>
        <ul>
            {#each own as change (change.id)}
                <li class="change">
                    <span class="note">{change.line > 0 ? `line ${change.line}` : ''}</span>
                    <div class="min-w-0">
                        <p>
                            <b>{KINDS[change.kind]}</b>
                            {#if change.oldAnchor !== '' || change.kind !== 'add'}<s class="aside ink3"
                                    >“{change.oldAnchor || 'no words'}”</s
                                >{/if}
                            {#if change.kind === 'add' || change.kind === 'reword'}<span class="aside text-primary"
                                    >“{change.newAnchor}”</span
                                >{/if}
                            {#if change.kind === 'add'}to <PageLink url={change.newTarget} {to} />
                            {:else if change.kind === 'retarget'}from <PageLink url={change.oldTarget} {to} /> to
                                <PageLink url={change.newTarget} {to} />
                            {:else}to <PageLink url={change.oldTarget} {to} />{/if}
                            <span class="note">{change.isSeen ? 'seen on the site' : 'not yet on the site'}</span>
                        </p>
                        {#if change.sentence !== ''}<p class="sentence">{change.sentence}</p>{/if}
                    </div>
                    <button
                        class="tb no-print"
                        aria-label="Drop this change on {url}"
                        onclick={() => onDrop([change.id])}>drop</button
                    >
                </li>
            {/each}
        </ul>
    </section>
{/each}

<style>
    .change {
        display: grid;
        grid-template-columns: 64px minmax(0, 1fr) auto;
        gap: 8px;
        padding-block: 4px;
        overflow-wrap: anywhere;
    }
    .sentence {
        font: 400 0.9375rem/1.375rem var(--font-serif);
        color: var(--ink2);
    }
    @media print {
        .no-print {
            display: none;
        }
    }
</style>
