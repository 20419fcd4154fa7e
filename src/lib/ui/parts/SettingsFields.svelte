<script lang="ts">
    /** The settings of a survey, grouped by the question they answer; each says what it does to the result. */
    import { SETTING_FIELDS, SETTING_GROUPS, type SettingField } from '../../core/survey/setting-fields.ts';
    import { lowerFirst } from './format.ts';
    import RulesPreview from './RulesPreview.svelte';
    import SettingControl from './SettingControl.svelte';
    import SettingPresets from './SettingPresets.svelte';

    interface Props {
        values: Record<string, string | boolean | string[]>;
        troubles: { field: string; say: string }[];
        /** Names of headers, cookies and sign-in that are kept; never values. */
        kept?: string[];
        preset?: string;
        /** Where a preview of the URL rules is asked for; none without a survey to preview them on. */
        previewHref?: string;
    }
    let { values, troubles, kept = [], preset = '', previewHref }: Props = $props();

    interface Held {
        texts: Record<string, string>;
        ticks: Record<string, boolean>;
        lists: Record<string, string[]>;
    }

    /** A value for every field of a form, by what kind of field takes it. @param given of the form, as JSON */
    function heldBy(given: string): Held {
        const all = new Map<string, unknown>(Object.entries(JSON.parse(given) as object));
        const made: Held = { texts: {}, ticks: {}, lists: {} };
        for (const { id, kind } of SETTING_FIELDS) {
            const value = all.get(id);
            if (kind === 'yes-no') made.ticks[id] = value === true;
            else if (kind === 'kinds') made.lists[id] = Array.isArray(value) ? value.map(String) : [];
            else made.texts[id] = typeof value === 'string' ? value : '';
        }
        return made;
    }

    // Bound, so that what was typed and chosen before this code came stays; other values, of a preset for example,
    // begin anew, equal ones do not.
    const given = $derived(JSON.stringify(values));
    const held = $derived.by(() => {
        const now = $state<Held>(heldBy(given));
        return now;
    });
    /** What is wrong with a field; with the whole form for none. */
    const troubleOf = (id: string): string =>
        troubles
            .filter(({ field }) => field === id)
            .map(({ say }) => say)
            .join(' ');
    const whole = $derived(troubleOf(''));
    const fieldsOf = (group: string, first: boolean): SettingField[] =>
        SETTING_FIELDS.filter((field) => field.group === group && (field.first === true) === first);
    const opensMore = (group: string): boolean => fieldsOf(group, false).some(({ id }) => troubleOf(id) !== '');
</script>

{#snippet control(field: SettingField)}
    <SettingControl
        {field}
        trouble={troubleOf(field.id)}
        bind:text={held.texts[field.id]}
        bind:tick={held.ticks[field.id]}
        bind:list={held.lists[field.id]}
    />
{/snippet}

{#snippet others(group: (typeof SETTING_GROUPS)[number], first: SettingField[], more: SettingField[])}
    <summary>
        <span class="set">{first.length === 0 ? 'Show' : 'More'}</span>
        <span class="note">{more.map(({ label }) => lowerFirst(label)).join(', ')}</span>
    </summary>
    <div class="fields">
        {#each more as field (field.id)}{@render control(field)}{/each}
        {#if group.id === 'whom' && kept.length > 0}
            <span></span>
            <div>
                <p>Kept from last time: {kept.join(', ')}.</p>
                <label class="tick">
                    <input class="checkbox checkbox-xs" type="checkbox" name="forget" /> forget them
                </label>
                <p class="note">Anything typed above takes the place of all that is kept.</p>
            </div>
        {/if}
        {#if group.id === 'where' && previewHref}
            <span></span>
            <RulesPreview href={previewHref} />
        {/if}
    </div>
{/snippet}

<input type="hidden" name="whole-form" value="1" />
{#if whole}<p class="fault-line mb-2">{whole}</p>{/if}
<SettingPresets chosen={preset} />
{#each SETTING_GROUPS as group (group.id)}
    {@const first = fieldsOf(group.id, true)}
    {@const more = fieldsOf(group.id, false)}
    <fieldset class="group">
        <legend class="aside">{group.title}</legend>
        <div class="fields">
            {#each first as field (field.id)}{@render control(field)}{/each}
        </div>
        {#if more.length > 0}
            <!-- Written out, not set: what a reader opened before this code came stays open. -->
            {#if opensMore(group.id)}<details open>{@render others(group, first, more)}</details>
            {:else}<details>{@render others(group, first, more)}</details>{/if}
        {/if}
    </fieldset>
{/each}

<style>
    .group {
        border-top: 1px solid var(--rule);
        padding: 8px 0 10px;
        max-width: 760px;
    }
    .group legend {
        padding-right: 10px;
        color: var(--ink2);
    }
    details summary {
        cursor: pointer;
        padding: 3px 0;
        min-height: 24px;
    }
    details[open] summary {
        margin-bottom: 6px;
    }
    .fields {
        display: grid;
        grid-template-columns: 170px minmax(0, 1fr);
        gap: 8px 12px;
        align-items: start;
    }
    .fields > :global(label),
    .fields > :global(span) {
        padding-top: 4px;
    }
    @media (max-width: 640px) {
        .fields {
            grid-template-columns: minmax(0, 1fr);
            gap: 4px;
        }
        .fields > :global(div) {
            margin-bottom: 6px;
        }
    }
</style>
