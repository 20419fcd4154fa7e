<script lang="ts">
    /** The settings of a survey in short: the start, and all that differs from what is usual. */
    import { DEFAULT_SETTINGS } from '$lib/core/survey/default-settings.ts';
    import { SETTING_FIELDS, type SettingField } from '$lib/core/survey/setting-fields.ts';
    import type { SurveySettings } from '$lib/core/survey/settings.ts';

    import { lowerFirst } from './format.ts';

    interface Props {
        settings: SurveySettings;
        /** More lines of the same form. */
        more?: { name: string; text: string }[];
    }
    let { settings, more = [] }: Props = $props();

    /** Told always, changed or not. */
    const ALWAYS = new Set(['start', 'robots', 'concurrency', 'maxPages']);

    function said(field: SettingField): string {
        if (field.id === 'headers' || field.id === 'cookies' || field.id === 'signIn') return '';
        const value = settings[field.id];
        const usual = field.id === 'start' ? null : DEFAULT_SETTINGS[field.id];
        if (!ALWAYS.has(field.id) && JSON.stringify(value) === JSON.stringify(usual)) return '';
        if (value === null) return field.kind === 'number' ? (field.empty ?? 'none') : 'none';
        if (typeof value === 'boolean') return value ? 'yes' : 'no';
        if (Array.isArray(value)) return value.length === 0 ? 'none' : value.join(', ');
        if (field.kind === 'number')
            return `${(Number(value) / (field.scale ?? 1)).toLocaleString('en')} ${field.unit}`;
        if (field.kind === 'choice')
            return field.choices.find((choice) => choice.value === value)?.label ?? String(value);
        return String(value);
    }

    const shown = $derived(
        SETTING_FIELDS.map((field) => ({ field, text: said(field) })).filter((item) => item.text !== ''),
    );
</script>

<dl class="facts wide">
    {#each shown as { field, text } (field.id)}
        <dt>{lowerFirst(field.label)}</dt>
        <dd>{text}</dd>
    {/each}
    {#each more as { name, text } (name)}
        <dt>{name}</dt>
        <dd>{text}</dd>
    {/each}
    {#if settings.sends.length > 0}
        <dt>sent besides</dt>
        <dd>{settings.sends.join(', ')}</dd>
    {/if}
</dl>

<style>
    .wide {
        grid-template-columns: 170px minmax(0, 1fr);
        max-width: 760px;
    }
</style>
