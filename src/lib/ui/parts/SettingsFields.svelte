<script lang="ts">
    /** The settings of a survey as fields; each says what it does to the result, each trouble stands by its field. */
    import type { SettingsForm } from '$lib/core/survey/settings.ts';

    let { values, troubles }: { values: SettingsForm; troubles: { field: string; say: string }[] } = $props();
    const sayOf = (field: string): string =>
        troubles
            .filter((item) => item.field === field)
            .map((item) => item.say)
            .join(' ');
</script>

{#snippet trouble(field: string)}
    {#if sayOf(field)}<p class="fault-line mt-1" id="{field}-trouble">{sayOf(field)}</p>{/if}
{/snippet}

<div class="fields">
    <label for="start">Start page</label>
    <div>
        <input
            class="field"
            id="start"
            name="start"
            value={values.start}
            placeholder="https://www.site.example/"
            autocomplete="off"
            aria-invalid={sayOf('start') !== ''}
            aria-describedby={sayOf('start') === '' ? 'start-note' : 'start-trouble start-note'}
        />
        {@render trouble('start')}
        <p class="note" id="start-note">
            Depth is counted from here. Its host with and without www, over http and https, makes up the site.
        </p>
    </div>
    <label for="maxPages">Stop at</label>
    <div>
        <span class="inline-flex gap-2 items-center"
            ><input
                class="field !w-24 text-right"
                id="maxPages"
                name="maxPages"
                inputmode="numeric"
                value={values.maxPages}
                aria-invalid={sayOf('maxPages') !== ''}
                aria-describedby={sayOf('maxPages') === '' ? undefined : 'maxPages-trouble'}
            /> pages</span
        >
        <span class="inline-flex gap-2 items-center ml-4"
            ><label for="maxDepth">depth</label>
            <input
                class="field !w-20 text-right"
                id="maxDepth"
                name="maxDepth"
                inputmode="numeric"
                value={values.maxDepth}
                placeholder="no limit"
                aria-invalid={sayOf('maxDepth') !== ''}
                aria-describedby={sayOf('maxDepth') === '' ? undefined : 'maxDepth-trouble'}
            /></span
        >
        {@render trouble('maxPages')}{@render trouble('maxDepth')}
        <p class="note">
            Redirects and errors count as pages. A survey that a limit cuts short is partial: its orphans are not known.
        </p>
    </div>
    <label for="concurrency">Pace</label>
    <div>
        <span class="inline-flex gap-2 items-center"
            ><input
                class="field !w-16 text-right"
                id="concurrency"
                name="concurrency"
                inputmode="numeric"
                value={values.concurrency}
                aria-invalid={sayOf('concurrency') !== ''}
                aria-describedby={sayOf('concurrency') === '' ? undefined : 'concurrency-trouble'}
            /> connections at a time</span
        >
        {@render trouble('concurrency')}
        <p class="note">Slows down by itself when the server answers 429 or 503.</p>
    </div>
    <span id="robots-label">robots.txt</span>
    <div role="radiogroup" aria-labelledby="robots-label">
        <label class="inline-flex gap-1.5 items-center mr-4 min-h-[24px]"
            ><input
                class="radio radio-xs"
                type="radio"
                name="robots"
                value="obey"
                checked={values.robots !== 'record'}
            /> obey</label
        >
        <label class="inline-flex gap-1.5 items-center min-h-[24px]"
            ><input
                class="radio radio-xs"
                type="radio"
                name="robots"
                value="record"
                checked={values.robots === 'record'}
            /> record only, this is my own site</label
        >
        {@render trouble('robots')}
        <p class="note">
            Obey asks for nothing that is closed to EdgeMap. Record reads closed pages too and keeps the verdict.
        </p>
    </div>
    <label for="pins">Pins</label>
    <div>
        <textarea
            class="field"
            id="pins"
            name="pins"
            rows="3"
            placeholder="www.site.example=127.0.0.1:8080"
            spellcheck="false"
            aria-invalid={sayOf('pins') !== ''}
            aria-describedby={sayOf('pins') === '' ? undefined : 'pins-trouble'}
            value={values.pins}></textarea>
        {@render trouble('pins')}
        <p class="note">One to a line, HOST=IP:PORT: reach a host at a fixed address, for a staging copy.</p>
    </div>
    <span></span>
    <div>
        <label class="inline-flex gap-1.5 items-center min-h-[24px]"
            ><input class="checkbox checkbox-xs" type="checkbox" name="allowPrivate" checked={values.allowPrivate} /> private
            addresses may be asked</label
        >
        <p class="note">Needed only for a site inside your own network whose name leads to a private address.</p>
    </div>
</div>

<style>
    .fields {
        display: grid;
        grid-template-columns: 90px minmax(0, 1fr);
        gap: 8px 12px;
        max-width: 620px;
        align-items: start;
    }
    .fields > label,
    .fields > span {
        padding-top: 4px;
    }
    @media (max-width: 640px) {
        .fields {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
