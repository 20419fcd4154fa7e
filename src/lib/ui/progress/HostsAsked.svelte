<script lang="ts">
    /** Which hosts were asked, how fast they answer, and how hard they are pressed. */
    import type { ProgressView } from '../../core/views/progress.ts';
    import { slowWords } from '../../core/words/progress.ts';
    import { count } from '../parts/format.ts';

    let { view, isRunning }: { view: ProgressView; isRunning: boolean } = $props();
</script>

<table class="ruled">
    <thead>
        <tr>
            <th>host</th>
            <th class="num">asked</th>
            <th class="num">answers in, ms</th>
            <th class="num">connections</th>
        </tr>
    </thead>
    <tbody>
        {#each view.hosts as host (host.host)}
            <tr>
                <td>
                    {host.host}
                    {#if host.delay > 0}
                        <div class="note">{(host.delay / 1000).toLocaleString('en')} s between requests</div>
                    {/if}
                    {#if host.crawlDelay !== null && host.crawlDelay * 1000 > host.delay}
                        <div class="note">robots.txt asks for {host.crawlDelay} s; not kept to</div>
                    {/if}
                    {#if host.slowed}<div class="note">{slowWords(host.slowed)}</div>{/if}
                </td>
                <td class="num">{count(host.asked)}</td>
                <td class="num">{count(host.milliseconds)}</td>
                <td class="num">{isRunning ? `${host.inUse} of ${host.allowed}` : `${host.allowed}`}</td>
            </tr>
        {/each}
    </tbody>
</table>
