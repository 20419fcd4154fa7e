<script lang="ts">
    import Plain from '$lib/ui/frame/Plain.svelte';
    import { moment } from '$lib/ui/parts/format.ts';
    import KnockFirst from '$lib/ui/door/KnockFirst.svelte';
    import SettingsFields from '$lib/ui/parts/SettingsFields.svelte';

    let { data, form } = $props();
</script>

<Plain title="New survey" sites={data.sites} site={data.site}>
    <form method="post" class="pane" novalidate>
        <h1 class="headline mb-1">Survey {data.site.name} again, with the settings last used.</h1>
        <p class="ink2 mb-3">
            Earlier surveys stay as they are.
            {#if data.lastKnock}<span class="block"
                    >{data.lastKnock.say} <span class="note">{moment(data.lastKnock.at)}</span></span
                >{/if}
            <a class="set" href="/sites/{data.site.id}/door">The door of this site</a>
        </p>
        <SettingsFields
            values={form?.values ?? data.values}
            troubles={form?.troubles ?? []}
            kept={data.kept}
            preset={form ? '' : data.preset}
            previewHref={data.hasSurvey ? `/api/v1/sites/${data.site.id}/rules-preview` : undefined}
        />
        <KnockFirst />
        <p class="mt-2"><button class="tb filled">Start the survey</button></p>
    </form>
</Plain>
