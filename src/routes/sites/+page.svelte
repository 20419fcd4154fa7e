<script lang="ts">
    import Plain from '$lib/ui/frame/Plain.svelte';
    import { counted, day } from '$lib/ui/parts/format.ts';

    let { data } = $props();
    const STATES: Record<string, string> = {
        waiting: 'waiting to start',
        running: 'running',
        finished: '',
        stopped: 'stopped, partial',
        failed: 'could not survey',
    };
</script>

<Plain title="Sites" sites={data.sites}>
    {#if data.sites.length === 0}
        <div class="pane">
            <h1 class="headline">No site yet.</h1>
            <p class="note my-2">
                A site is a website you work on: its start page, what belongs to it, and its surveys.
            </p>
            <a class="tb outlined" href="/sites/new">Add a site</a>
        </div>
    {:else}
        <div class="pane">
            <h1 class="headline mb-2">{counted(data.sites.length, 'site')}.</h1>
            <table class="ruled">
                <thead
                    ><tr
                        ><th>Site</th><th>Start page</th><th class="num">Surveys</th><th>Last survey</th><th
                            ><span class="visually-hidden">Action</span></th
                        ></tr
                    ></thead
                >
                <tbody>
                    {#each data.sites as site (site.id)}
                        <tr>
                            <td><a class="set" href="/sites/{site.id}">{site.name}</a></td>
                            <td class="ink2">{site.start}</td>
                            <td class="num">{site.surveys}</td>
                            <td
                                >{site.last ? `${site.last.number} · ${day(site.last.createdAt)}` : 'none yet'}
                                <span class="ink3">{site.last ? STATES[site.last.state] : ''}</span></td
                            >
                            <td class="num"><a class="set" href="/sites/{site.id}/new-survey">New survey</a></td>
                        </tr>
                    {/each}
                </tbody>
            </table>
            <p class="mt-3"><a class="tb outlined" href="/sites/new">Add a site</a></p>
        </div>
    {/if}
</Plain>
