<script lang="ts">
    /** Clusters as small drawings: who names, at the left; what is named and what answers there, at the right. */
    import type { CanonicalEnd, Cluster } from '../../core/views/canonicals.ts';
    import { count, counted } from '../parts/format.ts';
    import PageMark from '../parts/PageMark.svelte';
    import SetLink from '../parts/SetLink.svelte';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';

    let { clusters, to }: { clusters: readonly Cluster[]; to: ViewLinks } = $props();
    const SAY: Record<CanonicalEnd, (cluster: Cluster) => string> = {
        fine: () => 'may be indexed',
        outside: () => 'lies outside the site',
        error: ({ status }) => (status === 0 ? 'does not answer' : `answers ${status}`),
        redirects: ({ status }) => `redirects (${status})`,
        closed: () => 'is closed by robots.txt',
        noindex: () => 'says noindex',
        'names another': ({ next }) =>
            `names ${next.startsWith(`${to.origin}/`) ? next.slice(to.origin.length) : next} in turn`,
        unread: () => 'was not read',
    };
    const isBad = ({ end }: Cluster): boolean => end !== 'fine' && end !== 'unread';
</script>

<ul>
    {#each clusters as cluster (cluster.url)}
        <li class="cluster" class:bad={isBad(cluster)}>
            <div class="min-w-0">
                {#each cluster.named as { url, linkedFrom, isListed } (url)}
                    <p class="named">
                        <PageLink {url} {to} most={44} />
                        <span class="note"
                            >{linkedFrom === 0 ? 'not linked' : `from ${counted(linkedFrom, 'page')}`}{isListed
                                ? ', listed'
                                : ''}</span
                        >
                    </p>
                {/each}
                {#if cluster.pages > cluster.named.length}
                    <p class="note">and {count(cluster.pages - cluster.named.length)} more</p>
                {/if}
            </div>
            <svg
                class="joint"
                width="26"
                height="100%"
                viewBox="0 0 26 100"
                preserveAspectRatio="none"
                aria-hidden="true"
            >
                <path
                    d="M1 3H10V97H1M10 50H{isBad(cluster) ? 19 : 25}"
                    fill="none"
                    stroke="currentColor"
                    vector-effect="non-scaling-stroke"
                    stroke-dasharray={isBad(cluster) ? '3 3' : undefined}
                />
            </svg>
            <div class="min-w-0 target">
                <p class="breaks">
                    <PageMark gate={cluster.gate} reached={null} />
                    {#if cluster.end === 'outside'}<span class="mono">{cluster.url}</span>{:else}<PageLink
                            url={cluster.url}
                            {to}
                            most={44}
                        />{/if}
                </p>
                <p class:font-semibold={isBad(cluster)}>{SAY[cluster.end](cluster)}</p>
                <p class="note">
                    named by <SetLink of={cluster} hrefOf={to.set} />{#if cluster.standing > 0.05}; {cluster.pages === 1
                            ? 'it holds'
                            : 'they hold'}
                        {cluster.standing.toFixed(1)} of standing{/if}{#if cluster.listed > 0}; {count(cluster.listed)} listed{/if}
                </p>
            </div>
        </li>
    {/each}
</ul>

<style>
    .cluster {
        display: grid;
        grid-template-columns: minmax(0, 1fr) 26px minmax(0, 1fr);
        column-gap: 0.6rem;
        padding-block: 0.5rem;
        border-bottom: 1px solid var(--rule);
        align-items: stretch;
    }
    .cluster.bad {
        border-left: 2px solid currentColor;
        padding-left: 0.5rem;
    }
    .named {
        display: flex;
        flex-wrap: wrap;
        justify-content: space-between;
        column-gap: 0.6rem;
    }
    /* As tall as what stands beside it, and no taller. */
    .joint {
        height: 0;
        min-height: 100%;
    }
    .target {
        align-self: center;
    }
</style>
