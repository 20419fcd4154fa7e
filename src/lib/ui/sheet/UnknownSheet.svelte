<script lang="ts">
    /** In the place of a page sheet: the page that was asked for is not known in this survey. */
    import type { Snippet } from 'svelte';
    import Elsewhere from './Elsewhere.svelte';

    interface Props {
        url: string;
        /** Number of the survey. */
        survey: number;
        isRunning: boolean;
        closeHref: string;
        elsewhere: { number: number; href: string }[];
        /** What its left edge is moved with; left out where it is not the outermost. */
        edge?: Snippet;
    }
    let { url, survey, isRunning, closeHref, elsewhere, edge }: Props = $props();
</script>

<aside class="sheet" aria-label="Page sheet">
    {@render edge?.()}
    <div class="set-bar !justify-between">
        <span class="ink3">Page sheet</span>
        <a class="tb" href={closeHref} aria-label="Close the page sheet" data-sveltekit-noscroll>Close ×</a>
    </div>
    <div class="sheet-body" data-sveltekit-noscroll>
        <section class="!border-t-0">
            <h2 class="font-serif text-[1.1875rem] leading-6">Not known here</h2>
            <p class="break-all ink2">{url}</p>
            <p class="mt-2">
                {isRunning
                    ? `Survey ${survey} is running and has not come across this URL so far.`
                    : `No link, sitemap or list of survey ${survey} names this URL.`}
            </p>
            <Elsewhere {elsewhere} />
        </section>
    </div>
</aside>
