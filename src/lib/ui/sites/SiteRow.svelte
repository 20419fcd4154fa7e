<script lang="ts">
    /** A site in the list of all: where it stands by its last survey, and what is under way. */
    import type { SiteStanding } from '../../core/views/site-standing.ts';
    import { count, counted, surveyDay } from '../parts/format.ts';
    import { setQuery } from '../../core/sets/page-filter.ts';
    import SetLink from '../parts/SetLink.svelte';
    import SmallSounding from './SmallSounding.svelte';

    export interface ListedSurvey {
        number: number;
        state: string;
        isPartial: boolean;
        createdAt: number;
        asOf: string;
    }
    export interface ListedSite {
        id: number;
        name: string;
        start: string;
        surveys: number;
        /** The last whole survey: what the standing is of. */
        told: ListedSurvey | null;
        /** A later one that runs, waits, is laid aside or could not be made. */
        later: (ListedSurvey & { read: number | null }) | null;
        /** On its way; null where nothing was surveyed yet, or it cannot be shown. */
        standing: Promise<SiteStanding | null>;
    }
    let { site }: { site: ListedSite } = $props();
    const hrefOf = (line: string): string => `/sites/${site.id}/${site.told?.number}/pages${setQuery(line)}`;
    const LATER: Record<string, string> = {
        waiting: 'waits to start',
        running: 'is running',
        paused: 'is paused',
        failed: 'could not be made',
    };
</script>

<article class="site" aria-labelledby="site-{site.id}">
    <div class="sounding">
        {#await site.standing then standing}{#if standing && standing.pages > 0}<SmallSounding
                    rows={standing.depths}
                    unreached={standing.orphans}
                />{/if}{/await}
    </div>
    <div class="min-w-0">
        <h2 class="pane-name">
            <a class="set" id="site-{site.id}" href="/sites/{site.id}">{site.name}</a>
            <span class="note break-all">{site.start}</span>
        </h2>
        {#await site.standing}
            <p class="says ink3">Looking at survey {site.told?.number}.</p>
        {:then standing}
            <p class="says">
                {#if standing === null}
                    {site.told === null ? 'Not surveyed yet.' : 'Its survey cannot be shown; open it to see why.'}
                {:else if standing.pages === 0}No page could be read.{:else}
                    <SetLink of={{ pages: standing.pages, set: 'page' }} {hrefOf} />
                    {standing.pages === 1 ? 'page' : 'pages'}; links reach
                    <SetLink of={{ pages: standing.reached, set: 'page and reached' }} {hrefOf} />.
                    {#if standing.orphans === null}What they miss is not known: the survey is partial.{:else}
                        {#if standing.orphans === 0}None is an orphan.{:else}<SetLink
                                of={{ pages: standing.orphans, set: 'orphan' }}
                                {hrefOf}
                            />
                            {standing.orphans === 1 ? 'is an orphan' : 'are orphans'}.{/if}{/if}
                    <SetLink of={{ pages: standing.indexable, set: 'indexable' }} {hrefOf} /> may be indexed.
                {/if}
            </p>
        {/await}
        <p class="note">
            {#if site.told}Survey {site.told.number}, {surveyDay(site.told)}{site.told.isPartial
                    ? ', partial'
                    : ''}{site.surveys > 1 ? `; ${counted(site.surveys, 'survey')}` : ''}.{/if}
            {#if site.later}<a class="set" href="/sites/{site.id}/{site.later.number}/progress"
                    >Survey {site.later.number}</a
                >
                {LATER[site.later.state] ?? site.later.state}{site.later.read === null
                    ? ''
                    : `, ${count(site.later.read)} read`}.{/if}
            <a class="set" href="/sites/{site.id}/new-survey">New survey</a>
        </p>
    </div>
</article>

<style>
    .site {
        display: grid;
        grid-template-columns: 160px minmax(0, 1fr);
        gap: 4px 24px;
        padding: 10px 16px;
        border-bottom: 1px solid var(--rule);
    }
    .says {
        font-family: var(--font-serif);
        font-size: 1.0625rem;
        line-height: 1.4;
    }
    .sounding {
        min-height: 62px;
    }
    @container (max-width: 560px) {
        .site {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
