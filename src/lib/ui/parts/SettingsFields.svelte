<script lang="ts">
    /** The settings of a survey, grouped by the question they answer; each says what it does to the result. */
    import { SETTING_FIELDS, SETTING_GROUPS, type SettingField } from '$lib/core/survey/setting-fields.ts';
    import { PRESETS } from '$lib/core/survey/default-settings.ts';
    import { lowerFirst } from './format.ts';
    import Choices from './Choices.svelte';
    import RulesPreview from './RulesPreview.svelte';

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

    const sayOf = (field: string): string =>
        troubles
            .filter((item) => item.field === field)
            .map((item) => item.say)
            .join(' ');
    const isInvalid = (field: string): boolean => sayOf(field) !== '';
    const describedBy = (field: string): string => `${isInvalid(field) ? `${field}-trouble ` : ''}${field}-note`;
    const text = (id: string): string => (typeof values[id] === 'string' ? values[id] : '');
    // Bound, so that what was typed and chosen before this code came stays; other values, of a preset for example,
    // begin anew, equal ones do not.
    const given = $derived(JSON.stringify(values));
    const held = $derived.by(() => {
        const now = $state<Held>(heldBy(given));
        return now;
    });
    const fieldsOf = (group: string, first: boolean): SettingField[] =>
        SETTING_FIELDS.filter((field) => field.group === group && (field.first === true) === first);
    const rowsOf = (id: string): number => Math.min(6, Math.max(2, text(id).split('\n').length));
    const opensMore = (group: string): boolean => fieldsOf(group, false).some((field) => isInvalid(field.id));
    const whole = $derived(
        troubles
            .filter((item) => item.field === '')
            .map((item) => item.say)
            .join(' '),
    );

    function withPreset(id: string): string {
        return `?preset=${id}`;
    }
</script>

{#snippet control(field: SettingField)}
    {#if field.kind === 'yes-no'}
        <span></span>
        <div>
            <label class="tick"
                ><input
                    class="checkbox checkbox-xs"
                    type="checkbox"
                    name={field.id}
                    bind:checked={held.ticks[field.id]}
                    aria-describedby={describedBy(field.id)}
                />
                {field.label}</label
            >
            {@render notes(field)}
        </div>
    {:else if field.kind === 'choice'}
        <span id="{field.id}-label">{field.label}</span>
        <div role="radiogroup" aria-labelledby="{field.id}-label" aria-describedby={describedBy(field.id)}>
            <Choices name={field.id} choices={field.choices} bind:one={held.texts[field.id]} />
            {@render notes(field)}
        </div>
    {:else if field.kind === 'kinds'}
        <span id="{field.id}-label">{field.label}</span>
        <div role="group" aria-labelledby="{field.id}-label" aria-describedby={describedBy(field.id)}>
            <Choices name={field.id} choices={field.choices} bind:many={held.lists[field.id]} />
            {@render notes(field)}
        </div>
    {:else}
        <label for={field.id}>{field.label}</label>
        <div>
            {#if field.kind === 'lines' || field.kind === 'secret-lines'}
                <textarea
                    class="field"
                    id={field.id}
                    name={field.id}
                    rows={rowsOf(field.id)}
                    placeholder={field.placeholder}
                    spellcheck="false"
                    autocomplete="off"
                    aria-invalid={isInvalid(field.id)}
                    aria-describedby={describedBy(field.id)}
                    bind:value={held.texts[field.id]}></textarea>
            {:else if field.kind === 'number'}
                <span class="inline-flex gap-2 items-center"
                    ><input
                        class="field !w-24 text-right"
                        id={field.id}
                        name={field.id}
                        inputmode="decimal"
                        bind:value={held.texts[field.id]}
                        placeholder={field.empty}
                        aria-invalid={isInvalid(field.id)}
                        aria-describedby={describedBy(field.id)}
                    />
                    {field.unit}</span
                >
            {:else}
                <input
                    class="field"
                    id={field.id}
                    name={field.id}
                    bind:value={held.texts[field.id]}
                    placeholder={field.placeholder}
                    autocomplete="off"
                    spellcheck="false"
                    aria-invalid={isInvalid(field.id)}
                    aria-describedby={describedBy(field.id)}
                />
            {/if}
            {@render notes(field)}
        </div>
    {/if}
{/snippet}

{#snippet notes(field: SettingField)}
    {#if isInvalid(field.id)}<p class="fault-line mt-1" id="{field.id}-trouble">{sayOf(field.id)}</p>{/if}
    <p class="note" id="{field.id}-note">
        {field.effect}{field.kind === 'lines' || field.kind === 'secret-lines' ? ' One to a line.' : ''}
    </p>
{/snippet}

{#snippet others(group: (typeof SETTING_GROUPS)[number], first: SettingField[], more: SettingField[])}
    <summary
        ><span class="set">{first.length === 0 ? 'Show' : 'More'}</span>
        <span class="note">{more.map((field) => lowerFirst(field.label)).join(', ')}</span></summary
    >
    <div class="fields">
        {#each more as field (field.id)}{@render control(field)}{/each}
        {#if group.id === 'whom' && kept.length > 0}
            <span></span>
            <div>
                <p>Kept from last time: {kept.join(', ')}.</p>
                <label class="tick"
                    ><input class="checkbox checkbox-xs" type="checkbox" name="forget" /> forget them</label
                >
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
<div class="presets" role="group" aria-label="Start from">
    {#each PRESETS as item (item.id)}
        <a class="preset" href={withPreset(item.id)} aria-current={preset === item.id ? 'true' : undefined}
            ><b>{item.name}</b> <span class="note">{item.purpose}</span></a
        >
    {/each}
</div>
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
    .presets {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
        max-width: 760px;
        border: 1px solid var(--edge);
        margin-bottom: 12px;
    }
    .preset {
        padding: 6px 10px 7px;
    }
    .preset + .preset {
        border-left: 1px solid var(--rule);
    }
    .preset b {
        display: block;
        font-weight: 600;
    }
    .preset .note {
        display: block;
    }
    .preset:hover {
        background: var(--color-base-200);
    }
    .preset[aria-current] {
        box-shadow: inset 0 3px 0 var(--color-base-content);
    }
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
    .fields > label,
    .fields > span {
        padding-top: 4px;
    }
    @media (max-width: 640px) {
        .fields {
            grid-template-columns: minmax(0, 1fr);
            gap: 4px;
        }
        .fields > div {
            margin-bottom: 6px;
        }
        .preset + .preset {
            border-left: 0;
            border-top: 1px solid var(--rule);
        }
    }
</style>
