<script lang="ts">
    /** What requests are spent on, each bar to one scale: filled is what may be indexed, hatched is spent elsewhere. */
    import type { SpentTold } from '../../core/views/spent.ts';
    import { count, percent } from '../parts/format.ts';
    import SetLink from '../parts/SetLink.svelte';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';

    let { spent, to }: { spent: SpentTold; to: ViewLinks } = $props();
    const SAY: Record<SpentTold['rows'][number]['on'], string> = {
        indexable: 'indexable pages',
        scope: 'what is not of the site',
        robots: 'closed by robots.txt',
        response: 'stop at response',
        redirect: 'redirects',
        type: 'stop at type',
        noindex: 'noindexed',
        canonical: 'give way to their canonical',
        error: 'errors',
        family: 'closed families and actions',
        resource: 'pictures, scripts, styles, files',
        'not-known': 'not read by the survey',
        unheard: 'not known to the survey',
    };
    const WIDTH = 160;
    const most = $derived(Math.max(...spent.rows.map(({ share }) => share), 0.001));
</script>

<section class="pane" aria-label="What requests are spent on">
    <h2 class="pane-name">What requests are spent on</h2>
    <table class="ruled">
        <thead>
            <tr>
                <th>on</th>
                <th><span class="sr-only">share</span></th>
                <th class="num">requests</th>
                <th class="num">share</th>
                <th class="num">URLs</th>
                <th class="spare">asked for most</th>
            </tr>
        </thead>
        <tbody>
            {#each spent.rows as { on, requests, share, urls, most: one, isKnown } (on)}
                <tr>
                    <td>{SAY[on]}</td>
                    <td>
                        <svg width={WIDTH} height="12" class="block" aria-hidden="true">
                            <rect
                                x="0.5"
                                y="1.5"
                                width={Math.max(1, (share / most) * (WIDTH - 1))}
                                height="9"
                                fill={on === 'indexable' ? 'var(--color-primary)' : 'url(#hatch)'}
                                stroke={on === 'indexable' ? 'none' : 'currentColor'}
                                stroke-width="0.8"
                            />
                        </svg>
                    </td>
                    <td class="num">{count(requests)}</td>
                    <td class="num">{percent(share, share < 0.1 ? 1 : 0)}</td>
                    <td class="num"><SetLink of={urls} hrefOf={to.set} /></td>
                    <td class="spare breaks"
                        >{#if isKnown}<PageLink url={one.url} {to} most={36} />{:else}<span class="mono">{one.url}</span
                            >{/if}</td
                    >
                </tr>
            {/each}
        </tbody>
    </table>
    <p class="note mt-1">
        Errors and redirects as the log has them answered; all else by what the survey knows of the URL. What was not
        changed since (304) counts as answered.
    </p>
</section>
