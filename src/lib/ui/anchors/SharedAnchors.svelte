<script lang="ts">
    /** Anchors of menus and shared blocks that say little, each told once, however many pages carry it. */
    import type { AnchorsView } from '../../core/views/anchors.ts';
    import { count, counted } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';

    let { view, to }: { view: AnchorsView; to: ViewLinks } = $props();
</script>

{#if view.shared.length > 0}
    <section class="pane border-t border-(--edge)" aria-label="In menus and shared blocks">
        <h2 class="pane-name">
            In menus and shared blocks <span class="note">what says little, told once, however many pages carry it</span
            >
        </h2>
        <table class="ruled">
            <thead><tr><th>says</th><th>to</th><th>template</th><th class="num">pages</th></tr></thead>
            <tbody>
                {#each view.shared as row, index (index)}
                    <tr>
                        <td
                            >{#if row.says === 'nothing'}nothing, and has no name{:else}<span class="aside"
                                    >“{row.text}”</span
                                >{row.isName ? ' (a name only)' : ''}{/if}</td
                        >
                        <td
                            >{#if row.url !== ''}<PageLink url={row.url} {to} most={30} />{:else}{counted(
                                    row.targets,
                                    'page',
                                )}{/if}</td
                        >
                        <td class="note">{row.region}, {row.templateName}</td>
                        <td class="num">{count(row.pages)}</td>
                    </tr>
                {/each}
            </tbody>
        </table>
        {#if view.moreShared > 0}<p class="note">{count(view.moreShared)} more not listed.</p>{/if}
    </section>
{/if}
