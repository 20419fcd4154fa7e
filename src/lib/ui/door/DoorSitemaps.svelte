<script lang="ts">
    /** The sitemaps of a door check, each as the ordered list of what was tried and seen. */
    import type { DoorSitemap } from '$lib/core/door/door-report.ts';
    import { toldStep } from '../../core/words/sitemap-steps.ts';
    import { counted } from '../parts/format.ts';

    let { sitemaps, expected }: { sitemaps: DoorSitemap[]; expected: number | null } = $props();
    const failing = (sitemap: DoorSitemap): boolean => sitemap.steps.some((step) => step.ok === false);
    const isMissing = (sitemap: DoorSitemap): boolean => sitemap.kind === 'missing';
    const summary = (sitemap: DoorSitemap): string => {
        if (isMissing(sitemap)) return 'nothing there';
        const last = sitemap.steps.find((step) => step.ok === false);
        if (last) return toldStep(last).seen;
        const odd = sitemap.steps.filter((step) => step.ok === null).length;
        return odd === 0 ? 'nothing found on the site’s side' : counted(odd, 'oddity', 'oddities');
    };
    const size = (sitemap: DoorSitemap): string =>
        sitemap.entries === null
            ? ''
            : sitemap.kind === 'sitemapindex'
              ? counted(sitemap.entries, 'file')
              : counted(sitemap.entries, 'address', 'addresses');
    const MARK = { true: 'fine', false: 'fails', null: 'odd' } as const;
</script>

<section class="pane border-t border-(--edge)" aria-label="Sitemaps">
    <h2 class="pane-name">
        Sitemaps
        <span class="note"
            >{expected === null
                ? 'none could be read, so the number of pages to expect is not known'
                : `${counted(expected, 'address', 'addresses')} in all: the number of pages to expect`}</span
        >
    </h2>
    {#each sitemaps as sitemap (sitemap.url)}
        <details class="file" open={failing(sitemap) && !isMissing(sitemap)}>
            <summary>
                <span class="breaks">{sitemap.url}</span>
                <span class="note">{[size(sitemap), summary(sitemap)].filter(Boolean).join('; ')}</span>
            </summary>
            <ol>
                {#each sitemap.steps.map(toldStep) as step, index (index)}
                    <li class:fault={step.ok === false && !isMissing(sitemap)} class:odd={step.ok === null}>
                        <span class="ink3 mark">{MARK[`${step.ok}`]}</span>
                        <span><span class="ink2">{step.tried}:</span> {step.seen}</span>
                    </li>
                {/each}
            </ol>
        </details>
    {:else}
        <p class="ink2">No sitemap is named in robots.txt, and none stands at the usual places.</p>
    {/each}
</section>

<style>
    .file {
        border-top: 1px solid var(--grid);
        padding: 2px 0;
    }
    summary {
        cursor: pointer;
        min-height: 24px;
        padding: 2px 0;
    }
    ol {
        padding: 2px 0 8px 16px;
        max-width: 860px;
    }
    li {
        display: grid;
        grid-template-columns: 40px minmax(0, 1fr);
        padding: 1px 0 1px 8px;
        border-left: 2px solid transparent;
        overflow-wrap: anywhere;
    }
    li.fault {
        border-left: 4px solid var(--color-accent);
        padding-left: 6px;
    }
    li.odd {
        border-left-color: var(--color-base-content);
    }
</style>
