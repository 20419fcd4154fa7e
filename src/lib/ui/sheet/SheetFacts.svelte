<script lang="ts">
    /** Headings, tags, structured data, dates and headers of a page. All of it was read from the site: text only. */
    import { count, counted } from '../parts/format.ts';
    import type { SheetDetails } from '../../core/survey/page-details.ts';

    let { details }: { details: SheetDetails } = $props();
    const CHARSET_FROM: Record<string, string> = {
        bom: 'byte order mark',
        header: 'Content-Type header',
        meta: 'meta',
        fallback: 'nothing says it',
    };
    const document = $derived(details.document);
    const remarks = $derived(
        document === null
            ? []
            : [
                  ...(document.noscriptLinks > 0
                      ? [`${counted(document.noscriptLinks, 'link')} in noscript, not counted`]
                      : []),
                  ...document.robotsInBody.map(
                      (content) => `a robots meta outside the head says "${content}"; it does not count`,
                  ),
                  ...document.canonicalsInBody.map(
                      (href) => `a canonical outside the head names ${href}; it does not count`,
                  ),
              ],
    );
</script>

<section>
    <h3 class="pane-name">Words and headings</h3>
    {#if details.mainWords !== null}
        <p>{counted(details.mainWords, 'word')} of its own, shared blocks left out.</p>
    {/if}
    {#if details.sameText.length > 0}
        <p class="risk-line">
            The same text stands at {details.sameText.join(', ')}.
        </p>
    {/if}
    {#if document && document.headings.length > 0}
        <ol>
            {#each document.headings.slice(0, 60) as heading, index (index)}
                <li class="heading" style:padding-left="{(heading.level - 1) * 10}px">
                    <span class="note">h{heading.level}</span>
                    {heading.text === '' ? '(empty)' : heading.text}
                </li>
            {/each}
        </ol>
        {#if document.headings.length > 60}<p class="note">{count(document.headings.length - 60)} more</p>{/if}
    {:else}<p class="ink2">No headings.</p>{/if}
    {#each remarks as remark (remark)}<p class="remark-line mt-1">{remark}</p>{/each}
</section>
{#if document && (document.structured.length > 0 || document.social.length > 0 || details.dates.length > 0)}
    <section>
        <h3 class="pane-name">Said about itself</h3>
        <dl class="facts">
            {#each document.structured as item, index (index)}
                <dt>{item.syntax}</dt>
                <dd class:fault-line={item.error !== ''}>
                    {item.types.join(', ')}{item.error === '' ? '' : ` cannot be read: ${item.error}`}
                    <span class="note">{item.line > 0 ? `line ${count(item.line)}` : ''}</span>
                </dd>
            {/each}
            {#each document.social as item, index (index)}
                <dt>{item.name}</dt>
                <dd>{item.content}</dd>
            {/each}
            {#each details.dates as date, index (index)}
                <dt>date, {date.from}</dt>
                <dd>{date.value} <span class="note">{date.what}</span></dd>
            {/each}
        </dl>
    </section>
{/if}
<section>
    <details>
        <summary class="pane-name cursor-pointer py-1"
            >Answer headers <span class="note">{counted(details.headers.length, 'line')}</span></summary
        >
        <dl class="facts">
            {#if details.charset !== ''}
                <dt>charset</dt>
                <dd>{details.charset} <span class="note">{CHARSET_FROM[details.charsetFrom] ?? ''}</span></dd>
            {/if}
            {#if document}<dt>ids</dt>
                <dd>{count(document.ids.length)} places a fragment can point at</dd>{/if}
            {#if details.cookieNames.length > 0}<dt>cookies set</dt>
                <dd>{details.cookieNames.join(', ')} <span class="note">values are not kept</span></dd>{/if}
            {#each details.headers as [name, value], index (index)}
                <dt class="break-all">{name}</dt>
                <dd>{value}</dd>
            {/each}
        </dl>
    </details>
</section>

<style>
    .heading {
        overflow-wrap: anywhere;
    }
</style>
