<script lang="ts">
    /** What feeds a page and what it feeds, grouped: streams into the page at the left, out of it at the right. */
    import type { LinkGroup } from '$lib/core/areas/page-links.ts';
    import { count, counted } from '../parts/format.ts';

    interface Props {
        fedBy: LinkGroup[];
        feeds: LinkGroup[];
        setHref: (line: string) => string;
    }
    let { fedBy, feeds, setHref }: Props = $props();
    const MOST = 6;
    const ROW = 22;
    const MIDDLE = 110;
    const left = $derived(fedBy.slice(0, MOST));
    const right = $derived(feeds.slice(0, MOST));
    const rows = $derived(Math.max(left.length, right.length, 1));
    const height = $derived(rows * ROW);
    const most = $derived(Math.max(1, ...left.map(({ pages }) => pages), ...right.map(({ pages }) => pages)));
    const width = (pages: number): number => 1 + 8 * Math.sqrt(pages / most);
    /** Groups stand in the middle of the height they do not fill. */
    const y = (index: number, of: number): number => (height - of * ROW) / 2 + index * ROW + ROW / 2;
    const called = ({ where, section }: LinkGroup): string =>
        where === 'text' ? `text, ${section === '/' ? 'root' : section}` : where;
</script>

<div class="grid-of">
    <ul class="side" style:padding-top="{y(0, left.length) - ROW / 2}px">
        {#each left as group (group.set)}
            <li style:height="{ROW}px">
                <span class="cut">{called(group)}</span>
                <a
                    class="set plain-set"
                    href={setHref(group.set)}
                    aria-label="{counted(group.pages, 'page')} feed it from {called(group)}">{count(group.pages)}</a
                >
            </li>
        {:else}<li class="ink3">nothing feeds it</li>{/each}
    </ul>
    <svg width={MIDDLE} {height} viewBox="0 0 {MIDDLE} {height}" aria-hidden="true">
        {#each left as group, index (group.set)}
            <path
                d="M0 {y(index, left.length)}C{MIDDLE * 0.25} {y(index, left.length)} {MIDDLE * 0.25} {height /
                    2} {MIDDLE / 2 - 8} {height / 2}"
                fill="none"
                stroke="var(--color-primary)"
                stroke-width={width(group.pages)}
                opacity={group.isTemplate ? 0.45 : 1}
            />
        {/each}
        {#each right as group, index (group.set)}
            <path
                d="M{MIDDLE / 2 + 8} {height / 2}C{MIDDLE * 0.75} {height / 2} {MIDDLE * 0.75} {y(
                    index,
                    right.length,
                )} {MIDDLE} {y(index, right.length)}"
                fill="none"
                stroke="var(--color-primary)"
                stroke-width={width(group.pages)}
                opacity={group.isTemplate ? 0.45 : 1}
            />
        {/each}
        <rect
            x={MIDDLE / 2 - 7}
            y={height / 2 - 7}
            width="14"
            height="14"
            fill="var(--color-base-100)"
            stroke="currentColor"
            stroke-width="1.3"
        />
    </svg>
    <ul class="side" style:padding-top="{y(0, right.length) - ROW / 2}px">
        {#each right as group (group.set)}
            <li style:height="{ROW}px">
                <span class="cut">{called(group)}</span>
                <a
                    class="set plain-set"
                    href={setHref(group.set)}
                    aria-label="it feeds {counted(group.pages, 'page')} by {called(group)}">{count(group.pages)}</a
                >
            </li>
        {:else}<li class="ink3">it feeds nothing</li>{/each}
    </ul>
</div>
<p class="note">
    Pages, by template or section; shared blocks are drawn paler.{fedBy.length > MOST || feeds.length > MOST
        ? ' Smaller groups are not drawn.'
        : ''}
</p>

<style>
    .grid-of {
        display: grid;
        grid-template-columns: minmax(0, 1fr) 110px minmax(0, 1fr);
    }
    .side li {
        display: flex;
        justify-content: space-between;
        gap: 6px;
        padding-inline: 5px;
        align-items: center;
    }
    .side a {
        min-width: 24px;
        text-align: right;
    }
</style>
