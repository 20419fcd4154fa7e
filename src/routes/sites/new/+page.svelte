<script lang="ts">
    import Plain from '$lib/ui/frame/Plain.svelte';
    import KnockFirst from '$lib/ui/door/KnockFirst.svelte';
    import SettingsFields from '$lib/ui/parts/SettingsFields.svelte';

    let { data, form } = $props();
    // Bound, so that what was typed before this code came stays.
    let name = $derived(form?.name ?? '');
</script>

<Plain title="Add a site" sites={data.sites}>
    <form method="post" class="pane" novalidate>
        <h1 class="headline mb-1">Which website is it, and where does it start?</h1>
        <p class="ink2 mb-3 max-w-[640px]">
            A survey reads the pages that links reach, level by level, then those that only the sitemap knows. Nothing
            on the site is changed.
        </p>
        <SettingsFields
            values={form?.values ?? data.values}
            troubles={form?.troubles ?? []}
            preset={form ? '' : data.preset}
        />
        <div class="name-row">
            <label for="name">Name</label>
            <input
                class="field"
                id="name"
                name="name"
                bind:value={name}
                placeholder="made from the address"
                autocomplete="off"
            />
        </div>
        <KnockFirst />
        <p class="mt-2 flex flex-wrap gap-2">
            <button class="tb filled" name="then" value="survey">Add and start the survey</button>
            <button class="tb outlined" name="then" value="knock">Add and knock only</button>
            <button class="tb outlined" name="then" value="keep">Add only</button>
        </p>
    </form>
</Plain>

<style>
    .name-row {
        display: grid;
        grid-template-columns: 170px minmax(0, 1fr);
        gap: 12px;
        max-width: 760px;
        align-items: center;
        margin-top: 8px;
    }
</style>
