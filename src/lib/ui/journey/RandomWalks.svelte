<script lang="ts">
    /** Many walks by chance, the same for the same seed: how often each section is met, where walks get stuck. */
    import type { SiteWalks, Walker } from '../../core/map/site-walks.ts';
    import type { BrowserSurvey } from '../frame/browser-survey.ts';
    import { newest } from '../map/newest.ts';
    import Address from '../parts/Address.svelte';
    import { count, counted } from '../parts/format.ts';
    import { sectionMarks } from '../parts/section-letters.ts';
    import SectionMark from '../parts/SectionMark.svelte';
    import { typedUrl } from '../view/address.ts';
    import type { ViewLinks } from '../view/links.ts';
    import { WALK_NUMBERS, type WalksChosen } from './walks-address.ts';

    interface Props {
        survey: BrowserSurvey;
        as: Walker;
        chosen: WalksChosen;
        /** Where the trail stands: of that it is told how long it takes to get there, unless another page is named. */
        here: string;
        sections: readonly string[];
        revision: number;
        to: ViewLinks;
        /** Parameters of the address that change; null takes one away. */
        onChoose: (change: Record<string, string | null>) => void;
    }
    let { survey, as, chosen, here, sections, revision, to, onChoose }: Props = $props();
    const goal = $derived(typedUrl(chosen.until, to.origin) ?? here);
    let told = $state.raw<SiteWalks | null>(null);
    let isAsked = $state(false);
    const MOST_SECTIONS = 10;
    $effect(() => {
        void revision;
        const { until: _, ...asked } = chosen;
        return newest(survey.walks({ as, ...asked, goal }), (answer) => {
            [told, isAsked] = [answer, true];
        });
    });
    const most = $derived(
        Math.max(0.001, ...(told?.sections.flatMap(({ share, standing }) => [share, standing]) ?? [])),
    );
    const goalName = $derived(chosen.until === '' ? 'where the trail stands' : chosen.until);
    const percent = (share: number): string => `${(share * 100).toFixed(1)}`;
    const markOf = (section: string) => sectionMarks([...sections], [section])[0]!;
</script>

<section class="pane" aria-label="Random walks">
    <h2 class="pane-name">Random walks <span class="note">as a {as}, from the start page</span></h2>
    <p class="asked">
        {#each ['walks', 'clicks', 'seed'] as const as name (name)}
            <label
                >{name}
                <input
                    class="field num"
                    type="number"
                    min={WALK_NUMBERS[name].min}
                    max={WALK_NUMBERS[name].max}
                    value={chosen[name]}
                    onchange={({ currentTarget: { value } }) =>
                        onChoose({ [name]: Number(value) === WALK_NUMBERS[name].usual ? null : value })}
                /></label
            >
        {/each}
    </p>
    <p class="asked">
        <label
            >until they come to
            <input
                class="field wide"
                value={chosen.until}
                placeholder="where the trail stands"
                onchange={({ currentTarget: { value } }) => onChoose({ until: value.trim() || null })}
            /></label
        >
        <label class="tick"
            ><input
                class="checkbox checkbox-xs"
                type="checkbox"
                checked={chosen.deadEnds}
                onchange={({ currentTarget: { checked } }) => onChoose({ ends: checked ? null : 'left' })}
            /> what cannot be read on is a dead end</label
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
            {#if !told.goal && chosen.until !== ''}This survey knows nothing of {chosen.until}.{/if}
            {#if told.goal}
                {#if told.goal.met === 0}None of them came to {goalName}.
                {:else}<b>{count(told.goal.met)}</b> of {count(told.walks)} came to {goalName}{told.goal.clicks === null
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
    .asked input.wide {
        width: 150px;
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
