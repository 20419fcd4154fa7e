<script lang="ts">
    /** Many walks by chance, the same for the same seed: how often each section is met, where walks get stuck. */
    import type { SiteWalks, Walker } from '../../core/map/site-walks.ts';
    import type { BrowserSurvey } from '../frame/browser-survey.ts';
    import { newest } from '../map/newest.ts';
    import Address from '../parts/Address.svelte';
    import { count, counted } from '../parts/format.ts';
    import { sectionMarks } from '../parts/section-letters.ts';
    import SectionMark from '../parts/SectionMark.svelte';
    import type { ViewLinks } from '../view/links.ts';

    interface Props {
        survey: BrowserSurvey;
        as: Walker;
        /** The page of which it is told how long it takes to get there. */
        goal: string;
        sections: readonly string[];
        revision: number;
        to: ViewLinks;
    }
    let { survey, as, goal, sections, revision, to }: Props = $props();
    let walks = $state(10_000);
    let clicks = $state(20);
    let seed = $state(11);
    let deadEnds = $state(true);
    let told = $state.raw<SiteWalks | null>(null);
    let isAsked = $state(false);
    const MOST_SECTIONS = 10;
    $effect(() => {
        void revision;
        if (!(walks > 0 && clicks > 0)) return;
        return newest(survey.walks({ as, walks, clicks, seed, deadEnds, goal }), (answer) => {
            [told, isAsked] = [answer, true];
        });
    });
    const most = $derived(
        Math.max(0.001, ...(told?.sections.flatMap(({ share, standing }) => [share, standing]) ?? [])),
    );
    const percent = (share: number): string => `${(share * 100).toFixed(1)}`;
    const markOf = (section: string) => sectionMarks([...sections], [section])[0]!;
</script>

<section class="pane" aria-label="Random walks">
    <h2 class="pane-name">Random walks <span class="note">as a {as}, from the start page</span></h2>
    <p class="asked">
        <label
            ><input class="field num" type="number" min="100" max="250000" step="100" bind:value={walks} /> walks</label
        >
        <label>of <input class="field num" type="number" min="1" max="1000" bind:value={clicks} /> clicks</label>
        <label>seed <input class="field num" type="number" min="0" max="999999" bind:value={seed} /></label>
    </p>
    <p class="asked">
        <label class="tick"
            ><input class="checkbox checkbox-xs" type="checkbox" bind:checked={deadEnds} /> what cannot be read on is a dead
            end</label
        >
    </p>
    {#if told?.steps === 0}
        <p class="ink2">No walk can begin: the start page cannot be read.</p>
    {:else if told}
        <table class="shares">
            <thead
                ><tr><th colspan="2">section</th><th class="num">time, %</th><th class="num">standing, %</th></tr
                ></thead
            >
            <tbody>
                {#each told.sections.slice(0, MOST_SECTIONS) as { section, share, standing } (section)}
                    <tr>
                        <td class="nw"
                            ><SectionMark {...markOf(section)} />
                            {section === '/' ? 'root' : section}</td
                        >
                        <td class="bars" aria-hidden="true">
                            <span class="time" style:width="{(share / most) * 100}%"></span>
                            <span class="rank" style:width="{(standing / most) * 100}%"></span>
                        </td>
                        <td class="num"><b>{percent(share)}</b></td>
                        <td class="num">{percent(standing)}</td>
                    </tr>
                {/each}
            </tbody>
        </table>
        <p class="note">
            Filled: share of the time. Open: share of standing, to which the time tends where walks begin again
            anywhere; these begin again at the start page, at every click with a chance of 15 in a hundred.
        </p>
        <p>
            {#if told.stuck === 0}No walk got stuck.
            {:else}Walks got stuck <b>{count(told.stuck)}</b> times in {count(told.steps)} steps, most often at
                {#each told.ends.slice(0, 3) as { url, times }, at (url)}{at > 0 ? ', ' : ''}<a
                        class="link"
                        href={to.page(url)}
                        data-sveltekit-noscroll><Address {url} origin={to.origin} most={34} /></a
                    >
                    ({count(times)}){/each}.{/if}
            {#if told.goal}
                {#if told.goal.met === 0}None of them came to where the trail stands.
                {:else}<b>{count(told.goal.met)}</b> of {count(told.walks)} came to where the trail stands{told.goal
                        .clicks === null
                        ? ''
                        : `, half of those within ${counted(told.goal.clicks, 'click')}`}.{/if}
            {/if}
            {count(told.unmet)} of {count(told.reached)} reached pages were never met.
        </p>
    {:else if isAsked}
        <p class="ink2">Walks need the whole survey in this browser: it has to have ended, and to be small enough.</p>
    {:else}<p class="note" role="status">Walking …</p>{/if}
</section>

<style>
    .asked {
        display: flex;
        flex-wrap: wrap;
        gap: 4px 12px;
        margin-bottom: 4px;
    }
    .asked input.field {
        width: 76px;
    }
    .shares {
        width: 100%;
    }
    .shares th {
        font-weight: 400;
        color: var(--ink2);
        text-align: left;
    }
    .shares .num {
        text-align: right;
    }
    .shares td {
        padding: 2px 4px 2px 0;
    }
    .bars {
        width: 40%;
    }
    .bars span {
        display: block;
        height: 6px;
        border: 1px solid var(--color-base-content);
    }
    .time {
        background: var(--color-primary);
    }
    .rank {
        margin-top: 1px;
    }
</style>
