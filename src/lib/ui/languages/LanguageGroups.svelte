<script lang="ts">
    /** Groups as small matrices: a row says whom it names; a hole is a page that was read and does not name the other. */
    import type { LanguageGroup, LanguagesView } from '../../core/views/languages.ts';
    import { count, counted } from '../parts/format.ts';
    import PageMark from '../parts/PageMark.svelte';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';

    let { view, to }: { view: LanguagesView; to: ViewLinks } = $props();
    const short = (codes: readonly string[], at: number): string => codes[0] ?? String(at + 1);
    const SAY: Record<LanguageGroup['names'][number][number], string> = {
        itself: 'the page itself',
        named: 'names it',
        hole: 'does not name it',
        unknown: 'was not read',
    };
</script>

{#if view.groups.length > 0}
    <section class="pane border-b border-(--edge)" aria-labelledby="language-groups">
        <h2 class="pane-name mb-1" id="language-groups">
            Groups <span class="note"
                >broken ones first; a filled square names, an empty one does not, a dot was not read</span
            >
        </h2>
        <div class="groups">
            {#each view.groups as group (group.members[0]!.url)}
                <table class="group" class:broken={group.holes > 0 || group.stopped > 0}>
                    <caption class="visually-hidden">
                        Who names whom in a group of {counted(group.members.length + group.more, 'page')}, {counted(
                            group.holes,
                            'hole',
                        )}
                    </caption>
                    <thead>
                        <tr>
                            <td></td>
                            {#each group.members as { codes, url }, at (url)}<th scope="col" class="code"
                                    >{short(codes, at)}</th
                                >{/each}
                        </tr>
                    </thead>
                    <tbody>
                        {#each group.members as member, at (member.url)}
                            <tr>
                                <th scope="row" class="member">
                                    <span class="code">{short(member.codes, at)}</span>
                                    <PageMark gate={member.gate} reached={null} />
                                    <PageLink url={member.url} {to} most={26} />
                                </th>
                                {#each group.names[at]! as names, other (other)}
                                    <td class="cell"
                                        ><span class="square {names}" role="img" aria-label={SAY[names]}></span></td
                                    >
                                {/each}
                            </tr>
                        {/each}
                    </tbody>
                </table>
            {/each}
        </div>
        {#if view.groupsInAll > view.groups.length}
            <p class="note mt-1">{counted(view.groupsInAll - view.groups.length, 'more group')} not drawn.</p>
        {/if}
        {#if view.groups.some(({ more }) => more > 0)}
            <p class="note">
                Of groups of more than {count(12)} pages the first are drawn; holes are counted in all of them.
            </p>
        {/if}
    </section>
{/if}

<style>
    .groups {
        display: flex;
        flex-wrap: wrap;
        gap: 0.9rem 1.6rem;
        align-items: flex-start;
    }
    .group {
        border-collapse: collapse;
        border-left: 2px solid transparent;
        padding-left: 0.4rem;
        max-width: 100%;
    }
    .group.broken {
        border-left-color: currentColor;
    }
    .code {
        font-size: 11px;
        font-weight: 400;
        color: var(--ink2);
        text-align: center;
        min-width: 1.6rem;
        display: inline-block;
    }
    thead .code {
        display: table-cell;
    }
    .member {
        text-align: left;
        font-weight: 400;
        padding: 1px 0.4rem;
        overflow-wrap: anywhere;
    }
    .cell {
        text-align: center;
        padding: 1px;
    }
    .square {
        display: inline-block;
        width: 13px;
        height: 13px;
        vertical-align: middle;
        border: 1px solid currentColor;
    }
    .square.named {
        background: currentColor;
    }
    .square.itself {
        border-color: transparent;
        background: linear-gradient(to top right, transparent 46%, currentColor 46%, currentColor 54%, transparent 54%);
    }
    .square.hole {
        border-style: dashed;
        border-width: 1.5px;
    }
    .square.unknown {
        border-color: transparent;
        background: radial-gradient(currentColor 2px, transparent 2.5px);
    }
</style>
