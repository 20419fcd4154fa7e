<script lang="ts">
    /** The same survey judged for another agent: what it may index that ours may not, and the other way round. */
    import type { AsAgentView, GateChange } from '../../core/views/as-agent.ts';
    import { agentWords } from '../../core/words/problems.ts';
    import { count, counted } from '../parts/format.ts';
    import SetLink from '../parts/SetLink.svelte';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';

    interface Props {
        view: AsAgentView;
        ours: number;
        to: ViewLinks;
        onAgent: (agent: string) => void;
    }
    let { view, ours, to, onAgent }: Props = $props();
    const stop = (gate: GateChange['from']): string => (gate === null ? 'not known' : gate);
    let typed = $derived(view.agent);
</script>

<section class="pane" aria-label="As another agent">
    <h2 class="pane-name">As another agent</h2>
    <form
        class="asks"
        onsubmit={(event) => {
            event.preventDefault();
            onAgent(typed.trim());
        }}
    >
        <label for="gates-agent">Judge the same answers for</label>
        <input
            id="gates-agent"
            class="field mono"
            list="gates-agents"
            maxlength="100"
            placeholder="a product token"
            autocomplete="off"
            bind:value={typed}
            onchange={() => onAgent(typed.trim())}
        />
        <datalist id="gates-agents"
            >{#each view.named as name (name)}<option value={name}></option>{/each}</datalist
        >
        {#if view.agent !== ''}<button type="button" class="set" onclick={() => onAgent('')}>only ours</button>{/if}
    </form>
    {#if view.agent === ''}
        <p class="note mt-1">
            Nothing is asked of the site again: its robots.txt, metas and headers are read for that agent.
            {#if view.named.length > 0}They name
                {#each view.named.slice(0, 8) as name, index (name)}{index === 0 ? '' : ', '}<button
                        type="button"
                        class="set"
                        onclick={() => onAgent(name)}>{name}</button
                    >{/each}{#if view.named.length > 8}
                    and {count(view.named.length - 8)} more{/if}.
            {:else}They name no agent: all are told the same.{/if}
        </p>
    {:else}
        <p class="mt-1" aria-live="polite">
            {#if view.differing.pages === 0}
                For {agentWords(view.agent)} every URL stops where it does for ours: <b>{count(view.indexable)}</b> may be
                indexed.
            {:else}
                {agentWords(view.agent)} may index <b>{count(view.indexable)}</b>, ours {count(ours)};
                <SetLink of={view.differing} hrefOf={to.set} text={counted(view.differing.pages, 'URL')} />
                {view.differing.pages === 1 ? 'differs' : 'differ'}.
            {/if}
        </p>
        {#if view.changes.length > 0}
            <table class="ruled mt-1">
                <thead>
                    <tr
                        ><th class="num">URLs</th><th>for ours</th><th>for it</th><th>the first, and what decides</th
                        ></tr
                    >
                </thead>
                <tbody>
                    {#each view.changes as change (`${change.from} ${change.to}`)}
                        <tr>
                            <td class="num"><SetLink of={change.of} hrefOf={to.set} /></td>
                            <td class="nw">{stop(change.from)}</td>
                            <td class="nw">{stop(change.to)}</td>
                            <td class="breaks"
                                ><PageLink url={change.url} {to} most={50} />{#if change.why !== ''}
                                    <span class="note block">{change.why}</span>{/if}</td
                            >
                        </tr>
                    {/each}
                </tbody>
            </table>
        {/if}
        {#if !view.knowsDirectives}
            <p class="note mt-1">
                This survey was read by an earlier version, which did not keep what pages say to other agents: only
                robots.txt is judged.
            </p>
        {/if}
        <p class="note mt-1">What our agent did not read, because it was closed to it, is not known for any other.</p>
    {/if}
</section>

<style>
    .asks {
        display: flex;
        flex-wrap: wrap;
        gap: 0.5rem;
        align-items: center;
    }
    .asks input {
        width: 14rem;
    }
</style>
