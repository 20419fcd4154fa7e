<script lang="ts">
    /** What the area says in a sentence: how much robots.txt decides, and the rule that closes most. */
    import type { RobotsView } from '../../core/views/robots.ts';
    import { agentWords } from '../../core/words/problems.ts';
    import { count, counted, moment } from '../parts/format.ts';
    import SetLink from '../parts/SetLink.svelte';
    import type { ViewLinks } from '../view/links.ts';

    interface Props {
        view: RobotsView;
        to: ViewLinks;
        readAt: number | null;
        hrefOfHost: (origin: string) => string;
    }
    let { view, to, readAt, hrefOfHost }: Props = $props();
    const { file, hosts } = $derived(view);
    const who = $derived(agentWords(view.agent));
</script>

<div class="pane border-b border-(--edge)">
    <h1 class="headline">
        {#if file === null}No robots.txt was asked for.
        {:else if file.closed.pages === 0}robots.txt closes none of {counted(file.known, 'known URL')} to {who}.
        {:else}
            robots.txt closes <SetLink of={file.closed} hrefOf={to.set} /> of {counted(file.known, 'known URL')} to {who}{#if file.kept.pages > 0},
                and keeps {count(file.kept.pages)} open{/if}.
            {#if file.most && file.most.rule.decides.pages < file.closed.pages}
                Line {file.most.line} closes <SetLink of={file.most.rule.decides} hrefOf={to.set} /> of them.{/if}
        {/if}
    </h1>
    {#if file}
        <p class="note">
            <span class="mono">{file.url}</span>, answered {file.status ?? 'nothing'}; {file.note}{readAt === null
                ? ''
                : `; read ${moment(readAt)}`}.
        </p>
    {/if}
    {#if hosts.length > 1}
        <p class="note flex flex-wrap gap-x-3">
            <span>Of the hosts</span>
            {#each hosts as { origin, url } (url)}
                {#if file?.url === url}<b aria-current="true">{origin}</b>
                {:else}<a class="set" href={hrefOfHost(origin)}>{origin}</a>{/if}
            {/each}
        </p>
    {/if}
</div>
