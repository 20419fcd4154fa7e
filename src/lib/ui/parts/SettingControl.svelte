<script lang="ts">
    /** One setting: its name, the control that takes its value, what it does, what is wrong with it. */
    import type { SettingField } from '../../core/survey/setting-fields.ts';
    import Choices from './Choices.svelte';

    interface Props {
        field: SettingField;
        /** What is wrong with its value; empty for nothing. */
        trouble: string;
        /** Its value, in the one that its kind of field takes. */
        text?: string;
        tick?: boolean;
        list?: string[];
    }
    let { field, trouble, text = $bindable(), tick = $bindable(), list = $bindable() }: Props = $props();
    const isInvalid = $derived(trouble !== '');
    const describedBy = $derived(`${isInvalid ? `${field.id}-trouble ` : ''}${field.id}-note`);
    const isLines = $derived(field.kind === 'lines' || field.kind === 'secret-lines');
    const rows = $derived(Math.min(6, Math.max(2, (text ?? '').split('\n').length)));
</script>

{#if field.kind === 'yes-no'}<span></span>
{:else if field.kind === 'choice' || field.kind === 'kinds'}<span id="{field.id}-label">{field.label}</span>
{:else}<label for={field.id}>{field.label}</label>{/if}
<div>
    {#if field.kind === 'yes-no'}
        <label class="tick">
            <input
                class="checkbox checkbox-xs"
                type="checkbox"
                name={field.id}
                bind:checked={tick}
                aria-describedby={describedBy}
            />
            {field.label}
        </label>
    {:else if field.kind === 'choice'}
        <div role="radiogroup" aria-labelledby="{field.id}-label" aria-describedby={describedBy}>
            <Choices name={field.id} choices={field.choices} bind:one={text} />
        </div>
    {:else if field.kind === 'kinds'}
        <div role="group" aria-labelledby="{field.id}-label" aria-describedby={describedBy}>
            <Choices name={field.id} choices={field.choices} bind:many={list} />
        </div>
    {:else if field.kind === 'lines' || field.kind === 'secret-lines'}
        <textarea
            class="field"
            id={field.id}
            name={field.id}
            {rows}
            placeholder={field.placeholder}
            spellcheck="false"
            autocomplete="off"
            aria-invalid={isInvalid}
            aria-describedby={describedBy}
            bind:value={text}></textarea>
    {:else if field.kind === 'number'}
        <span class="inline-flex gap-2 items-center">
            <input
                class="field !w-24 text-right"
                id={field.id}
                name={field.id}
                inputmode="decimal"
                bind:value={text}
                placeholder={field.empty}
                aria-invalid={isInvalid}
                aria-describedby={describedBy}
            />
            {field.unit}
        </span>
    {:else}
        <input
            class="field"
            id={field.id}
            name={field.id}
            bind:value={text}
            placeholder={field.placeholder}
            autocomplete="off"
            spellcheck="false"
            aria-invalid={isInvalid}
            aria-describedby={describedBy}
        />
    {/if}
    {#if isInvalid}<p class="fault-line mt-1" id="{field.id}-trouble">{trouble}</p>{/if}
    <p class="note" id="{field.id}-note">{field.effect}{isLines ? ' One to a line.' : ''}</p>
</div>
