<script lang="ts">
    import { doorSentence } from '$lib/core/words/door.ts';
    import { enhance } from '$app/forms';
    import Plain from '$lib/ui/frame/Plain.svelte';
    import DoorReportView from '$lib/ui/door/DoorReportView.svelte';
    import KnockControls from '$lib/ui/door/KnockControls.svelte';
    import KnockList from '$lib/ui/door/KnockList.svelte';
    import { moment } from '$lib/ui/parts/format.ts';

    let { data, form } = $props();
    // Bound, so that what was typed before this code came stays.
    let url = $derived(form?.url ?? data.knock?.url ?? '');
    let pins = $derived(form?.pins ?? '');
    let isKnocking = $state(false);
    const sayOf = (field: string): string =>
        (form?.troubles ?? [])
            .filter((item) => item.field === field || (field === 'start' && item.field !== 'pins'))
            .map((item) => item.say)
            .join(' ');
</script>

<Plain title="Door check" sites={data.sites}>
    <form
        method="post"
        novalidate
        use:enhance={() => {
            isKnocking = true;
            return async ({ update }) => {
                await update({ reset: false });
                isKnocking = false;
            };
        }}
    >
        <div class="pane">
            <h1 class="headline mb-1">
                {data.knock ? doorSentence(data.knock.report) : 'At which door shall we knock?'}
            </h1>
            <p class="ink2 mb-2">
                {#if data.knock}{data.knock.url}, {moment(data.knock.at)}.{:else}A door check asks for robots.txt, the
                    start page, the sitemaps and a few pages, and says whether the site is open to be read and what
                    shuts it.{/if}
            </p>
            <div class="asked">
                <label for="url">Address</label>
                <div>
                    <input
                        class="field"
                        id="url"
                        name="url"
                        bind:value={url}
                        placeholder="https://www.site.example/"
                        autocomplete="off"
                        spellcheck="false"
                        aria-invalid={sayOf('start') !== ''}
                        aria-describedby={sayOf('start') === '' ? undefined : 'url-trouble'}
                    />
                    {#if sayOf('start') !== ''}<p class="fault-line mt-1" id="url-trouble">{sayOf('start')}</p>{/if}
                </div>
                <label for="pins">Pins</label>
                <div>
                    <textarea
                        class="field"
                        id="pins"
                        name="pins"
                        rows="1"
                        placeholder="www.site.example=127.0.0.1:8080"
                        spellcheck="false"
                        autocomplete="off"
                        aria-invalid={sayOf('pins') !== ''}
                        aria-describedby="pins-note"
                        bind:value={pins}></textarea>
                    {#if sayOf('pins') !== ''}<p class="fault-line mt-1">{sayOf('pins')}</p>{/if}
                    <p class="note" id="pins-note">For a staging copy: a host at a fixed address. One to a line.</p>
                </div>
            </div>
            <KnockControls label="Knock" isFirst={true} {isKnocking}>
                {#if data.knock}<a class="tb outlined" href="/sites/new?start={encodeURIComponent(data.knock.url)}"
                        >Survey this site</a
                    >{/if}
            </KnockControls>
        </div>
        {#if data.knock}
            <DoorReportView report={data.knock.report} before={data.before} knockName="at" />
        {/if}
    </form>
    <KnockList list={data.list} shown={data.knock?.id ?? null} />
</Plain>

<style>
    .asked {
        display: grid;
        grid-template-columns: 84px minmax(0, 1fr);
        gap: 6px 12px;
        max-width: 760px;
        align-items: start;
    }
    .asked > label {
        padding-top: 4px;
    }
    @media (max-width: 640px) {
        .asked {
            grid-template-columns: minmax(0, 1fr);
            gap: 4px;
        }
    }
</style>
