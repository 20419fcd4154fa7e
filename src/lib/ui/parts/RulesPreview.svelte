<script lang="ts">
    /** Asks what the URL rules as typed would merge, over the URLs of the last survey, before they are switched on. */
    import { ask } from '../../wire/client.ts';
    import { RulesPreviewAnswer } from '$lib/wire/rules-preview.ts';
    import { count, counted } from './format.ts';

    let { href }: { href: string } = $props();
    let answer = $state<RulesPreviewAnswer | null>(null);
    let trouble = $state('');
    let asking = $state(false);

    const NAMES: Record<string, string> = {
        dropParameters: 'Leaving out parameters',
        sortParameters: 'Order of parameters',
        trailingSlash: 'Slash at the end',
        lowerCasePath: 'Letter case',
        indexDocuments: 'Index documents',
        all: 'All together',
    };

    async function preview(event: MouseEvent): Promise<void> {
        const form = (event.currentTarget as HTMLElement).closest('form');
        if (!form) return;
        asking = true;
        trouble = '';
        const got = await ask(RulesPreviewAnswer, href, { method: 'POST', body: new FormData(form) });
        if (got.ok) answer = got.data;
        else trouble = got.say;
        asking = false;
    }
</script>

<div aria-live="polite">
    <button type="button" class="tb outlined" onclick={preview} disabled={asking}
        >{asking ? 'Looking' : 'What would these rules merge?'}</button
    >
    {#if trouble}<p class="fault-line mt-1">{trouble}</p>{/if}
    {#if answer}
        {#if answer.previews.length === 0}
            <p class="mt-1">No rule is switched on: every URL stands for itself.</p>
        {:else}
            <p class="mt-1">
                Of {counted(answer.known, 'known URL')} of survey {answer.survey}:
            </p>
            <table class="ruled">
                <thead
                    ><tr><th>rule</th><th class="num">rewritten</th><th class="num">merged</th><th>for example</th></tr
                    ></thead
                >
                <tbody>
                    {#each answer.previews as item (item.rule)}
                        <tr>
                            <td>{NAMES[item.rule] ?? item.rule}</td>
                            <td class="num">{count(item.rewritten)}</td>
                            <td class="num">{count(item.merged)}</td>
                            <td class="mono"
                                >{#each item.examples as example (example.url)}<div>
                                        {example.of.join(' + ')} → {example.url}
                                    </div>{:else}<span class="ink3">nothing is merged</span>{/each}</td
                            >
                        </tr>
                    {/each}
                </tbody>
            </table>
        {/if}
    {/if}
</div>
