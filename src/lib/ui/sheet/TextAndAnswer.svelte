<script lang="ts">
    /** What the page answered and holds, as its columns say it. */
    import type { ToldSheet } from '../../core/areas/page-sheet.ts';
    import { count, counted, moment } from '../parts/format.ts';

    let { sheet }: { sheet: ToldSheet } = $props();
    type Fact = [name: string, value: string | number | boolean | null];
    const record = $derived(sheet.record);
    const facts = $derived<Fact[]>([
        ['status', record.status ?? null],
        ['type', record.content_type ?? null],
        ['type is odd', record.type_note ?? null],
        ['body is cut', record.body_trouble ?? null],
        ['words', typeof record.words === 'number' ? count(record.words) : null],
        ['language', record.language ?? null],
        ['h1', (record.h1 === record.title ? 'as the title' : record.h1) ?? null],
        ['description', record.description ?? null],
        ['canonical', record.canonical ?? null],
        ['meta robots', record.meta_robots ?? null],
        ['X-Robots-Tag', record.x_robots_tag ?? null],
        ['redirects to', record.redirect_to ?? null],
        [
            'passwords',
            sheet.credentialsRemoved === 0
                ? null
                : `${counted(sheet.credentialsRemoved, 'link')} named a user or a password; not stored`,
        ],
        ['read', sheet.readAt === null ? null : moment(sheet.readAt)],
        ['answer took', sheet.milliseconds === null ? null : `${count(sheet.milliseconds)} ms`],
    ]);
    const known = $derived(facts.filter(([, value]) => value !== null && value !== ''));
</script>

<h3 class="pane-name">Text and answer</h3>
{#if known.length === 0}<p>Not read.</p>{/if}
<dl class="facts">
    {#each known as [name, value] (name)}
        <dt>{name}</dt>
        <dd class="few-lines" title={String(value)}>{value}</dd>
    {/each}
</dl>
