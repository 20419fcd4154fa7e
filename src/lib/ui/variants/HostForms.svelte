<script lang="ts">
    /** The four forms of the host: what each does at its root, what its pages name, and what links go there. */
    import type { HostForm } from '../../core/views/variants.ts';
    import { count, counted, moment } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    interface Props {
        hosts: readonly HostForm[];
        /** When the door was knocked at; null for never. */
        knockedAt: number | null;
        to: ViewLinks;
    }
    let { hosts, knockedAt, to }: Props = $props();
    const isKnocked = $derived(hosts.some(({ door }) => door !== null));
    const atDoor = ({ origin, door }: HostForm): string => {
        if (door === null) return '·';
        if (door.status === null) return 'no answer';
        return door.lands === origin ? `answers ${door.status}` : `leads to ${door.lands || 'nowhere'}`;
    };
    /** More than one form that answers by itself is one too many. */
    const standing = $derived(hosts.filter(({ origin, door }) => door?.status === 200 && door.lands === origin).length);
    const does = ({ does: how, status, to: end }: HostForm): string => {
        if (how === 'not asked') return 'was not asked for';
        return how === 'redirects' ? `redirects (${status}) to ${end}` : `answers ${status}`;
    };
</script>

<section class="pane border-b border-(--edge)" aria-labelledby="host-forms">
    <h2 class="pane-name mb-1" id="host-forms">
        Forms of the host <span class="note">one is meant; the others redirect to it</span>
    </h2>
    <table class="ruled">
        <thead>
            <tr
                ><th>form</th><th>its root</th>{#if isKnocked}<th>at the door check</th>{/if}<th>canonical there</th><th
                    class="num">URLs known</th
                ><th class="num">links</th></tr
            >
        </thead>
        <tbody>
            {#each hosts as host (host.origin)}
                <tr>
                    <td class="mono nw"
                        >{host.origin}{#if host.isStart}
                            <span class="note start">start</span>{/if}</td
                    >
                    <td
                        class:ink3={host.does === 'not asked'}
                        class:font-semibold={host.does === 'answers' && !host.isStart}
                    >
                        {does(host)}
                    </td>
                    {#if isKnocked}<td
                            class:font-semibold={standing > 1 &&
                                host.door?.status === 200 &&
                                host.door.lands === host.origin}>{atDoor(host)}</td
                        >{/if}
                    <td class="breaks">{host.canonical}</td>
                    <td class="num">
                        {#if host.urls === 0}<span class="ink3">0</span>{:else}<a class="set" href={to.set(host.set)}
                                >{count(host.urls)}</a
                            >{/if}
                    </td>
                    <td class="num">{count(host.links)}</td>
                </tr>
            {/each}
        </tbody>
    </table>
    {#if knockedAt !== null}<p class="note mt-1">The door check was on {moment(knockedAt)}.</p>{/if}
    {#if !isKnocked && hosts.some((host) => host.does === 'not asked')}
        <p class="note mt-1">
            A survey asks for what links and sitemaps name; a door check knocks at all {counted(hosts.length, 'form')}.
        </p>
    {/if}
</section>

<style>
    .start {
        margin-left: 0.5rem;
    }
</style>
