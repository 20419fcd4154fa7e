<script lang="ts">
    /** The words that say nothing, a list a language, with what each catches; the site's own are added and taken out. */
    import type { EmptyWordsView } from '../../core/views/empty-words.ts';
    import type { GenericChange } from '../../wire/generic-words.ts';
    import { by } from '../../core/words/numbers.ts';
    import { count, counted } from '../parts/format.ts';
    import EmptyWordForm from './EmptyWordForm.svelte';
    import { languageName } from './language-name.ts';

    interface Props {
        view: EmptyWordsView;
        api: string;
        onSay: (change: GenericChange) => Promise<string>;
    }
    let { view, api, onSay }: Props = $props();
    let refusal = $state('');
    const own = $derived(view.lists.map(({ language }) => language));
    const languages = $derived([...own.filter(Boolean), '', ...view.languages.filter((other) => !own.includes(other))]);
    type Listed = EmptyWordsView['lists'][number]['wordings'][number];
    const catching = (wordings: readonly Listed[]): Listed[] =>
        wordings.filter(({ links, from }) => links > 0 || from !== 'ours');

    const say = async (change: GenericChange): Promise<void> => void (refusal = await onSay(change));
</script>

<section class="pane" aria-label="Words that say nothing">
    <h2 class="pane-name">
        Words that say nothing <span class="note">whole texts of links, by the language of their page</span>
    </h2>
    <EmptyWordForm {languages} {api} {onSay} />
    {#if refusal !== ''}<p class="fault-line" role="alert">{refusal}</p>{/if}
    {#if view.offered.length > 0}
        <h3 class="note list-name">Short, on no list, and calling many pages: do they say anything?</h3>
        <table class="ruled">
            <thead
                ><tr
                    ><th>words</th><th class="num">links</th><th class="num">to pages</th><th
                        ><span class="visually-hidden">say otherwise</span></th
                    ></tr
                ></thead
            >
            <tbody>
                {#each view.offered as { text, language, links, targets } (text)}
                    <tr>
                        <td class="aside breaks">“{text}”</td>
                        <td class="num">{count(links)}</td>
                        <td class="num">{count(targets)}</td>
                        <td
                            ><button
                                class="tb"
                                aria-label="“{text}” says nothing"
                                onclick={() => say({ language, text, isGeneric: true })}>Says nothing</button
                            ></td
                        >
                    </tr>
                {/each}
            </tbody>
        </table>
    {/if}
    {#each view.lists as { language, pages, wordings } (language)}
        {@const shown = catching(wordings)}
        {@const idle = wordings.filter((one) => !shown.includes(one))}
        <h3 class="note list-name">
            <b>{languageName(language)}</b>{#if language !== ''}, {counted(pages, 'page')}{/if}
        </h3>
        {#if shown.length === 0}<p class="note">None of its words catches a link here.</p>
        {:else}
            <table class="ruled">
                <thead
                    ><tr
                        ><th>words</th><th class="num">links</th><th class="num">to places</th><th
                            ><span class="visually-hidden">say otherwise</span></th
                        ></tr
                    ></thead
                >
                <tbody>
                    {#each shown as { text, from, links, targets } (text)}
                        <tr class:ink3={from === 'dropped'}>
                            <td class="aside breaks"
                                >{#if from === 'dropped'}<s>“{text}”</s>{:else}“{text}”{/if}</td
                            >
                            <td class="num">{count(links)}</td>
                            <td class="num">{count(targets)}</td>
                            <td>
                                {#if from === 'ours'}<button
                                        class="tb"
                                        aria-label="“{text}” says something"
                                        onclick={() => say({ language, text, isGeneric: false })}>Says something</button
                                    >
                                {:else}<button
                                        class="tb"
                                        aria-label="Take back what was said of “{text}”"
                                        onclick={() => say({ language, text, isGeneric: null })}
                                        >{from === 'added' ? 'Take out' : 'Put back'}</button
                                    >{/if}
                            </td>
                        </tr>
                    {/each}
                </tbody>
            </table>
        {/if}
        {#if idle.length > 0}
            <details>
                <summary class="note"
                    >{count(idle.length)} more {by(idle.length, 'wording', 'wordings')} of this list, of which no link here
                    is made</summary
                >
                <p class="aside breaks">{idle.map(({ text }) => text).join(', ')}</p>
            </details>
        {/if}
    {/each}
</section>

<style>
    .ruled td {
        vertical-align: baseline;
    }
    .ruled .tb {
        height: 24px;
    }
    .list-name {
        margin-top: 12px;
    }
    summary {
        cursor: pointer;
        margin-top: 4px;
    }
</style>
