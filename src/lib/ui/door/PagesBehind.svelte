<script lang="ts">
    /** A few pages behind the door, and what differs for another agent. */
    import type { DoorFacts } from '../../core/door/door-report.ts';
    import { toldDifference, type ToldDifference } from '../../core/words/door.ts';
    import { count, counted } from '../parts/format.ts';
    import { wayOf } from './way-of.ts';

    let { facts }: { facts: DoorFacts } = $props();
    const open = $derived(
        facts.samples.filter(({ status, failure, noindex }) => status === 200 && failure === '' && noindex === null)
            .length,
    );
    const differences = (url: string): ToldDifference[] =>
        facts.differences.filter((item) => item.url === url).map(toldDifference);
</script>

<section class="pane border-t border-(--edge)" aria-label="Pages behind it and another agent">
    <h2 class="pane-name">
        {facts.samples.length === 0
            ? 'No page behind it was tried'
            : `${open} of ${counted(facts.samples.length, 'page')} tried behind it may be indexed`}
        <span class="note">asked as {facts.agent}, and again as “{facts.otherAgent}”</span>
    </h2>
    {#if facts.samples.length > 0}
        <table class="ruled">
            <thead>
                <tr>
                    <th>page</th>
                    <th>answers</th>
                    <th class="num spare">words</th>
                    <th>differs for the other agent</th>
                </tr>
            </thead>
            <tbody>
                {#each facts.samples as { url, hops, noindex, words } (url)}
                    <tr>
                        <td class="breaks">{url.replace(/^https?:\/\/[^/]+/, '')}</td>
                        <td>{wayOf(hops) || 'not asked'}{noindex ? ', noindex' : ''}</td>
                        <td class="num spare">{words === null ? '·' : count(words)}</td>
                        <td>
                            {#each differences(url) as { what, ours, other } (what)}
                                <div>{what}: {ours} / {other}</div>
                            {:else}<span class="ink3">no</span>{/each}
                        </td>
                    </tr>
                {/each}
            </tbody>
        </table>
    {/if}
    {#each differences(facts.start.url) as { what, ours, other } (what)}
        <p>Start page, {what}: “{ours}” to us, “{other}” to the other agent.</p>
    {/each}
    <p class="note mt-1">
        A survey asks each host once for an address that nobody can have made as well, to learn how it answers for what
        is not there. A setting leaves that out; this check never asks for it.
    </p>
</section>
