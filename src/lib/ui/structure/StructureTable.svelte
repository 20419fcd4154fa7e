<script lang="ts">
    /** The intended pages as an outline, each beside the page that was found for it. */
    import type { StructureView } from '../../core/views/structure.ts';
    import { counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';
    import { PARTING_WORDS } from './parting-words.ts';

    let { view, to }: { view: StructureView; to: ViewLinks } = $props();
    const INDENT = 16;
</script>

<section class="pane border-b border-(--rule)" aria-label="Intended and surveyed">
    <table class="ruled">
        <thead>
            <tr>
                <th>intended</th>
                <th class="num spare">priority</th>
                <th>surveyed</th>
                <th class="num">clicks</th>
                <th>where they part</th>
            </tr>
        </thead>
        <tbody>
            {#each view.shown as item, index (index)}
                <tr>
                    <td style:padding-left="{8 + item.level * INDENT}px">{item.label}</td>
                    <td class="num spare">{item.priority ?? ''}</td>
                    <td>
                        {#if item.url === ''}<span class="ink3">–</span>
                        {:else}<PageLink url={item.url} {to} most={44} />{/if}
                    </td>
                    <td class="num">{item.depth ?? ''}</td>
                    <td class={item.parting === 'as intended' ? 'ink3' : ''}>{PARTING_WORDS[item.parting]}</td>
                </tr>
            {/each}
        </tbody>
    </table>
    {#if view.more > 0}<p class="note mt-1">{counted(view.more, 'more page')} not listed.</p>{/if}
</section>
