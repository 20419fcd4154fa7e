<script lang="ts">
    /** Blocks that pages share, those on most pages first. */
    import type { TemplatesView } from '../../core/views/templates.ts';
    import { count } from '../parts/format.ts';

    interface Props {
        view: TemplatesView;
        /** Address of the view with a template open. */
        hrefOf: (name: string) => string;
    }
    let { view, hrefOf }: Props = $props();
</script>

<section class="pane" aria-label="Templates">
    <table class="ruled">
        <thead>
            <tr>
                <th>where and what</th>
                <th class="num">pages</th>
                <th class="num spare">blocks</th>
                <th class="num">links</th>
                <th class="num">to errors</th>
            </tr>
        </thead>
        <tbody>
            {#each view.templates as item (item.name)}
                <tr class:chosen={view.open?.name === item.name}>
                    <td>
                        <b class="font-semibold">{item.region}</b>
                        <span class="mono ink2">{item.place}</span>
                        <div class="aside ink2">{item.first.map((anchor) => `“${anchor}”`).join(' ')}</div>
                    </td>
                    <td class="num">
                        <a class="set" href={hrefOf(item.name)} data-sveltekit-noscroll>{count(item.pages)}</a>
                    </td>
                    <td class="num spare">{count(item.blocks)}</td>
                    <td class="num">{count(item.links)}</td>
                    <td class="num">
                        {#if item.broken > 0}<b>{count(item.broken)}</b>
                        {:else}<span class="ink3" aria-label="none">·</span>{/if}
                    </td>
                </tr>
            {/each}
        </tbody>
    </table>
    {#if view.total > view.templates.length}
        <p class="note mt-1">{count(view.total - view.templates.length)} more on fewer pages are not listed.</p>
    {/if}
</section>

<style>
    .chosen td {
        background: var(--wash);
    }
</style>
