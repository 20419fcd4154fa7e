<script lang="ts">
    /** The links of one anchor in their sentences; chosen ones are re-worded, led elsewhere or removed: laid aside. */
    import { pageKey, urlOfKey } from '../../core/address/page-key.ts';
    import { readAddress } from '../../core/address/address.ts';
    import type { PageProfile, ProfileAnchor } from '../../core/views/anchors.ts';
    import { ask, siteApi, surveyApi } from '../../wire/client.ts';
    import { KeptChanges, type LaidChange } from '../../wire/laid-change.ts';
    import { LinksInSentences, type LinkInSentence } from '../../wire/proposals.ts';
    import { by } from '../../core/words/numbers.ts';
    import { count } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';
    import Address from '../parts/Address.svelte';
    import { adviceFor } from './fit-words.ts';

    interface Props {
        anchor: ProfileAnchor;
        target: PageProfile;
        site: number;
        start: string;
        survey: string;
        surveyNumber: number;
        to: ViewLinks;
        onLaid: () => Promise<void>;
    }
    let { anchor, target, site, start, survey, surveyNumber, to, onLaid }: Props = $props();
    let told = $state<LinksInSentences | null>(null);
    let trouble = $state('');
    let isBusy = $state(false);
    /** Places in `told.links` that are chosen. */
    let chosen = $state<boolean[]>([]);
    let words = $state('');
    let elsewhere = $state('');
    const advice = $derived(adviceFor(anchor.fit, anchor.text, target.title));
    const picked = $derived((told?.links ?? []).filter((_, index) => chosen[index]));

    $effect(() => {
        const query = new URLSearchParams({ to: pageKey(target.url, start), anchor: anchor.text });
        void ask(LinksInSentences, `${surveyApi(site, survey)}/anchor-sentences?${query}`).then((answer) => {
            if (!answer.ok) {
                trouble = answer.say;
                return;
            }
            told = answer.data;
            chosen = answer.data.links.map(() => true);
        });
    });

    async function lay(make: (link: LinkInSentence) => Pick<LaidChange, 'kind' | 'newAnchor' | 'newTarget'>) {
        isBusy = true;
        const changes = picked.map((link) => ({
            page: link.page,
            line: link.line,
            block: link.block,
            oldAnchor: anchor.text,
            oldTarget: target.url,
            sentence: link.sentence,
            ...make(link),
        }));
        const answer = await ask(KeptChanges, `${siteApi(site)}/laid-changes?survey=${surveyNumber}`, {
            method: 'POST',
            body: { changes },
        });
        isBusy = false;
        trouble = answer.ok ? '' : answer.say;
        if (answer.ok) await onLaid();
    }
    function reword(event: SubmitEvent): void {
        event.preventDefault();
        void lay(() => ({ kind: 'reword', newAnchor: words.trim(), newTarget: target.url }));
    }
    function retarget(event: SubmitEvent): void {
        event.preventDefault();
        const found = readAddress(urlOfKey(elsewhere.trim(), start), start);
        if (!found.ok) {
            trouble = 'Give the address the link is to lead to, as /path/ or as a whole URL.';
            return;
        }
        void lay(() => ({ kind: 'retarget', newAnchor: anchor.text, newTarget: found.address.url }));
    }
</script>

<div class="hand">
    {#if trouble !== ''}<p class="fault-line" role="alert">{trouble}</p>{/if}
    {#if told}
        <ul class="sentences">
            {#each told.links as link, index (index)}
                <li>
                    <input
                        type="checkbox"
                        class="checkbox"
                        aria-label="Choose the link on {link.page}, line {link.line}"
                        bind:checked={chosen[index]}
                    />
                    <div class="min-w-0">
                        {#if link.sentence !== ''}<p class="sentence">
                                {link.sentence.slice(0, link.from)}<u>{link.sentence.slice(link.from, link.to)}</u
                                >{link.sentence.slice(link.to)}
                            </p>{/if}
                        <p class="note">
                            <Address url={link.page} origin={to.origin} most={50} />
                            {#if link.line > 0}<a class="set" href={to.source(link.page, link.line)}>line {link.line}</a
                                >{/if}
                        </p>
                    </div>
                </li>
            {/each}
        </ul>
        {#if told.more > 0}<p class="note">{count(told.more)} more are not shown, and not chosen.</p>{/if}
        <p class="note">
            {count(picked.length)} of {count(told.links.length)}
            {by(told.links.length, 'link', 'links')} chosen
        </p>
        <form class="act" onsubmit={reword}>
            <label>re-word <input class="field" placeholder={target.title} maxlength="1000" bind:value={words} /></label
            >
            <button class="tb outlined" disabled={isBusy || picked.length === 0 || words.trim() === ''}
                >Lay aside</button
            >
            <button
                type="button"
                class="tb"
                disabled={isBusy || picked.length === 0}
                onclick={() => lay(() => ({ kind: 'remove', newAnchor: '', newTarget: '' }))}>Remove</button
            >
        </form>
        <form class="act" onsubmit={retarget}>
            <label
                >lead to <input
                    class="field"
                    placeholder="/another/page/"
                    maxlength="4000"
                    bind:value={elsewhere}
                /></label
            >
            <button class="tb outlined" disabled={isBusy || picked.length === 0 || elsewhere.trim() === ''}
                >Retarget</button
            >
        </form>
    {:else if trouble === ''}<p class="note" role="status">Looking for the sentences …</p>{/if}
    {#if advice}
        <p class="advice">
            <span class="aside">{advice.say}</span>
            <span class="note">not <s class="aside">{advice.not}</s> but <span class="aside">{advice.but}</span></span>
        </p>
    {/if}
</div>

<style>
    .hand {
        margin-top: 6px;
        display: grid;
        gap: 6px;
    }
    .sentences {
        max-height: 320px;
        overflow-y: auto;
    }
    .sentences li {
        display: grid;
        grid-template-columns: 20px minmax(0, 1fr);
        gap: 6px;
        padding-block: 3px;
    }
    .checkbox {
        width: 14px;
        height: 14px;
        margin-top: 3px;
    }
    .sentence {
        font: 400 0.9375rem/1.375rem var(--font-serif);
    }
    .act {
        display: flex;
        flex-wrap: wrap;
        gap: 8px;
        align-items: baseline;
    }
    .act .field {
        width: 200px;
        margin-left: 6px;
        font-family: var(--font-serif);
    }
    .advice {
        border-left: 2px solid var(--edge);
        padding-left: 10px;
    }
</style>
