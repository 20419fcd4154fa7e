<script lang="ts">
    /** May an agent read an address? By the text as it stands, and as edited; the line that decides. */
    import { readAddress } from '../../core/address/address.ts';
    import { deciderOf, quoteRule } from '../../core/robots/decide.ts';
    import { readRobots, rulesFor } from '../../core/robots/read-robots.ts';

    interface Props {
        origin: string;
        /** The file as received, and as edited. */
        before: string;
        after: string;
        agent: string;
        /** Everything is closed, because the file cannot be had. */
        isUnreachable: boolean;
        named: readonly string[];
        onAgent: (agent: string) => void;
        path: string;
    }
    let { origin, before, after, agent, isUnreachable, named, onAgent, path = $bindable() }: Props = $props();
    const agents = $derived([...new Set(['edgemap', agent, ...named])]);
    const address = $derived(path.trim() === '' ? null : readAddress(path.trim(), `${origin}/`));
    const isElsewhere = $derived(address?.ok === true && !`${address.address.url}/`.startsWith(`${origin}/`));
    const verdict = $derived((text: string) =>
        address?.ok ? deciderOf(rulesFor(readRobots(text), agent))(address.address.url) : null,
    );
    const now = $derived(verdict(before));
    const then = $derived(verdict(after));
</script>

<section class="pane border-b border-(--edge)" aria-label="May it be read?">
    <div class="asks">
        <label for="robots-agent"><b>May</b></label>
        <select id="robots-agent" class="field" value={agent} onchange={(event) => onAgent(event.currentTarget.value)}>
            {#each agents as name (name)}<option value={name}>{name === 'edgemap' ? 'EdgeMap' : name}</option>{/each}
        </select>
        <label for="robots-path"><b>read</b></label>
        <input id="robots-path" class="field mono" placeholder="/a/path or an address" bind:value={path} />
    </div>
    <p class="mt-1" aria-live="polite" data-testid="robots-verdict">
        {#if address === null}<span class="ink3">Type a path, to see the line that decides.</span>
        {:else if !address.ok}That is no address.
        {:else if isElsewhere}That address lies on another host: this file says nothing of it.
        {:else if isUnreachable}<b>No</b>: the file cannot be had, so everything counts as closed.
        {:else if now && then}
            <b>{now.allowed ? 'Yes' : 'No'}</b>, {now.rule
                ? `by line ${now.rule.line}: ${quoteRule(now.rule)}`
                : 'no rule fits'}.
            {#if after !== before}
                After your edit: <b>{then.allowed ? 'yes' : 'no'}</b>, {then.rule
                    ? `by ${quoteRule(then.rule)}`
                    : 'no rule fits'}.
            {/if}
        {/if}
    </p>
</section>

<style>
    .asks {
        display: grid;
        grid-template-columns: max-content minmax(5rem, 9rem) max-content minmax(8rem, 1fr);
        gap: 0.5rem;
        align-items: center;
    }
    @media (max-width: 40rem) {
        .asks {
            grid-template-columns: max-content minmax(0, 1fr);
        }
    }
</style>
