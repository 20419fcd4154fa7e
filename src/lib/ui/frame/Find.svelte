<script lang="ts">
    /** One box for everything that can be gone to: pages, areas, saved sets, actions. */
    import { tick } from 'svelte';
    import type { CauseFound } from '../../wire/checks.ts';
    import { addressParts } from '../parts/format.ts';

    export interface Found {
        kind: 'page' | 'finding' | 'area' | 'set' | 'note' | 'action';
        name: string;
        note: string;
        go: () => void;
    }
    interface Props {
        /** Areas, saved sets, notes and actions: looked through here. */
        things: Found[];
        /** Pages whose address or title has the text. */
        findPages: (text: string, signal: AbortSignal) => Promise<{ url: string; title: string }[]>;
        onPage: (url: string) => void;
        /** Causes of findings that have the words, and where one leads. */
        findCauses: (words: string, signal: AbortSignal) => Promise<CauseFound[]>;
        onCause: (cause: CauseFound) => void;
        origin: string;
    }
    let { things, findPages, onPage, findCauses, onCause, origin }: Props = $props();
    let dialog: HTMLDialogElement | undefined = $state();
    let text = $state('');
    let pages = $state<Found[]>([]);
    let findings = $state<Found[]>([]);
    let place = $state(0);
    let isOpen = $state(false);
    let trouble = $state('');
    let asked: AbortController | null = null;
    let pause: ReturnType<typeof setTimeout> | undefined;
    /** Milliseconds between two letters of a word, at most. */
    const PAUSE = 150;
    const KINDS = {
        page: 'page',
        finding: 'finding',
        area: 'area',
        set: 'saved set',
        note: 'note',
        action: 'action',
    } as const;
    const MOST = 6;

    const own = $derived.by(() => {
        const words = text.toLowerCase().split(/\s+/).filter(Boolean);
        const fits = ({ name, note }: Found): boolean =>
            words.every((word) => `${name} ${note}`.toLowerCase().includes(word));
        // A note is found by its words; what nobody has asked for yet is where one can go.
        return words.length === 0
            ? things.filter(({ kind }) => kind !== 'note').slice(0, 12)
            : things.filter(fits).slice(0, MOST);
    });
    const found = $derived([...own, ...findings, ...pages]);

    export function open(): void {
        text = '';
        pages = [];
        findings = [];
        place = 0;
        trouble = '';
        isOpen = true;
        // The line of text must be there to get the focus.
        void tick().then(() => dialog?.showModal());
    }

    /** A word is typed in one go: the server is asked once it stands, not for each of its letters. */
    function onTyped(): void {
        asked?.abort();
        place = 0;
        clearTimeout(pause);
        pause = setTimeout(look, PAUSE);
    }

    async function look(): Promise<void> {
        const wanted = text.trim();
        if (wanted.length < 2) {
            pages = [];
            findings = [];
            return;
        }
        const mine = new AbortController();
        asked = mine;
        trouble = '';
        await Promise.all([lookForPages(wanted, mine), lookForFindings(wanted, mine)]);
    }

    async function lookForFindings(wanted: string, mine: AbortController): Promise<void> {
        try {
            findings = (await findCauses(wanted, mine.signal)).map((cause) => ({
                kind: 'finding',
                name: cause.say,
                note: cause.where,
                go: () => onCause(cause),
            }));
        } catch {
            if (!mine.signal.aborted) trouble = 'Findings could not be looked through just now.';
        }
    }

    async function lookForPages(wanted: string, mine: AbortController): Promise<void> {
        try {
            const rows = await findPages(wanted, mine.signal);
            pages = rows.map(({ url, title }) => {
                const { host, folder, last } = addressParts(url, origin);
                return {
                    kind: 'page' as const,
                    name: title || `${folder}${last}`,
                    note: `${host}${folder}${last}`,
                    go: () => onPage(url),
                };
            });
        } catch {
            if (!mine.signal.aborted) trouble = 'Pages could not be looked through just now.';
        }
    }

    function take(item: Found | undefined): void {
        if (!item) return;
        dialog?.close();
        item.go();
    }

    function onKey(event: KeyboardEvent): void {
        if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
            event.preventDefault();
            const step = event.key === 'ArrowDown' ? 1 : -1;
            place = found.length === 0 ? 0 : (place + step + found.length) % found.length;
        } else if (event.key === 'Enter') {
            event.preventDefault();
            take(found[place]);
        }
    }
</script>

<dialog
    bind:this={dialog}
    class="find"
    aria-label="Find"
    onclose={() => (isOpen = false)}
    onclick={(event) => event.target === dialog && dialog?.close()}
>
    {#if isOpen}
        <input
            class="field"
            type="text"
            bind:value={text}
            oninput={onTyped}
            onkeydown={onKey}
            placeholder="a page, a finding, an area, a saved set, a note, something to do"
            role="combobox"
            aria-expanded="true"
            aria-controls="found"
            aria-autocomplete="list"
            aria-activedescendant={found[place] ? `found-${place}` : undefined}
            aria-label="Find a page, a finding, an area, a saved set, a note or an action"
            autocomplete="off"
            spellcheck="false"
        />
        <ul id="found" role="listbox" aria-label="Found">
            {#each found as item, index (`${item.kind} ${item.name} ${item.note}`)}
                <!-- The line of text has the focus and its keys; pressing is a second way. -->
                <!-- svelte-ignore a11y_click_events_have_key_events -->
                <li
                    id="found-{index}"
                    role="option"
                    aria-selected={index === place}
                    onclick={() => take(item)}
                    onpointermove={() => (place = index)}
                >
                    <span class="name">{item.name}</span><span class="note cut">{item.note}</span><span
                        class="aside ink2">{KINDS[item.kind]}</span
                    >
                </li>
            {/each}
        </ul>
        {#if found.length === 0}<p class="ink2 p-2" role="status">
                Nothing found. Words are looked for in addresses, titles and what the checks find.
            </p>{/if}
        {#if trouble !== ''}<p class="p-2" role="alert">{trouble}</p>{/if}
    {/if}
</dialog>

<style>
    .find {
        width: min(620px, calc(100vw - 24px));
        margin: 72px auto auto;
        padding: 8px;
        border: 1px solid var(--edge);
        background: var(--color-base-100);
        color: inherit;
    }
    .find::backdrop {
        background: color-mix(in oklab, var(--color-base-content) 22%, transparent);
    }
    .field {
        height: 34px;
    }
    ul {
        margin-top: 6px;
        max-height: 52vh;
        overflow-y: auto;
    }
    li {
        display: grid;
        grid-template-columns: minmax(0, auto) minmax(0, 1fr) auto;
        gap: 10px;
        align-items: baseline;
        padding: 5px 8px;
        cursor: pointer;
    }
    li[aria-selected='true'] {
        background: var(--wash);
    }
    .name {
        overflow: hidden;
        text-overflow: ellipsis;
        white-space: nowrap;
    }
</style>
