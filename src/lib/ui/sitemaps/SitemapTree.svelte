<script lang="ts">
    /** The files below whatever names them, each with its state and how much of what it lists may be indexed. */
    import type { SitemapsView } from '../../core/views/sitemaps.ts';
    import { count, counted } from '../parts/format.ts';
    import SeverityMark from '../parts/SeverityMark.svelte';
    import type { ViewLinks } from '../view/links.ts';
    import { quoted } from '../../core/sets/tokens.ts';

    interface Props {
        files: SitemapsView['files'];
        /** Files that are not shown. */
        more: number;
        to: ViewLinks;
        short: (url: string) => string;
    }
    let { files, more, to, short }: Props = $props();
    const STEP = 1.25;
    const deepest = $derived(files.reduce((most, { level }) => Math.max(most, level), 0));
    const listing = (url: string, also = ''): string => to.set(`sitemap is ${quoted(url)}${also}`);
</script>

<section class="pane" aria-label="Files">
    <table class="ruled">
        <thead
            ><tr
                ><th>file{deepest > 0 ? ', below the index that names it' : ''}</th><th class="num">answered</th><th
                    class="num">entries</th
                ><th class="num">URLs of the site</th><th class="num">indexable</th><th class="num spare"
                    >in this file only</th
                ><th>what was found</th></tr
            ></thead
        >
        <tbody>
            {#each files as file (file.url)}
                <tr>
                    <td class="breaks" style:padding-left="{file.level * STEP}rem"
                        >{#if file.level > 0}<span class="ink3" aria-hidden="true"
                                >└
                            </span>{/if}{#if file.worst !== null}
                            <span class="mr-1"><SeverityMark severity={file.worst} /></span>{/if}{short(
                            file.url,
                        )}{#if file.isIndex}<span class="note ml-1">an index</span>{/if}</td
                    >
                    <td class="num">{file.status ?? '·'}</td>
                    <td class="num"
                        >{#if file.entries === null}<span
                                class="ink3"
                                aria-label={file.isIndex ? 'an index' : 'not known'}>·</span
                            >{:else}{count(file.entries)}{/if}</td
                    >
                    <td class="num"
                        >{#if file.isIndex}<span class="ink3" aria-label="none of its own">·</span>{:else}<a
                                class="plain-set text-primary"
                                href={listing(file.url)}>{count(file.members)}</a
                            >{/if}</td
                    >
                    <td class="num"
                        >{#if file.isIndex}<span class="ink3" aria-label="none of its own">·</span>{:else}<a
                                class="plain-set text-primary"
                                href={listing(file.url, ' and indexable')}>{count(file.indexable)}</a
                            >{/if}</td
                    >
                    <td class="num spare">{file.isIndex ? '·' : count(file.only)}</td>
                    <td class="ink2 breaks"
                        >{file.note}{#if file.findings > 0}<span class="note ml-1"
                                >{counted(file.findings, 'finding')} below</span
                            >{/if}</td
                    >
                </tr>
            {/each}
        </tbody>
    </table>
    {#if more > 0}<p class="note">
            {counted(more, 'more file')}: shown are indexes, then those with the worst findings.
        </p>{/if}
</section>
