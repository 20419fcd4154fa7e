<script lang="ts">
    /** Choices of one field: one of them, or any of them. A component of its own, so that each field is a group of its own. */
    interface Props {
        name: string;
        choices: readonly { value: string; label: string }[];
        /** The one that is chosen, where one is. */
        one?: string;
        /** Those that are, where any may be. */
        many?: string[];
    }
    let { name, choices, one = $bindable(), many = $bindable() }: Props = $props();
</script>

{#each choices as choice (choice.value)}
    <label class="tick mr-4">
        {#if many === undefined}<input
                class="radio radio-xs"
                type="radio"
                {name}
                value={choice.value}
                bind:group={one}
            />{:else}<input
                class="checkbox checkbox-xs"
                type="checkbox"
                {name}
                value={choice.value}
                bind:group={many}
            />{/if}
        {choice.label}</label
    >
{/each}
