<script lang="ts">
    /** Pages that links call by many wordings. */
    import type { SameWordsView } from '../../core/views/same-words.ts';
    import { count } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';
    import PageLink from '../view/PageLink.svelte';

    interface Props {
        many: SameWordsView['many'];
        to: ViewLinks;
        hrefOf: (url: string) => string;
    }
    let { many, to, hrefOf }: Props = $props();
</script>

<section class="pane" aria-label="One page, many wordings">
    <h2 class="pane-name">One page, many wordings <span class="note">those of most wordings first</span></h2>
    <table class="ruled">
        <thead
            ><tr><th>page</th><th class="num">wordings</th><th class="num">links</th><th>the commonest</th></tr></thead
        >
        <tbody>
            {#each many as { url, names, links, some } (url)}
                <tr>
                    <td><PageLink {url} {to} most={34} /></td>
                    <td class="num"><a class="set" href={hrefOf(url)}>{count(names)}</a></td>
                    <td class="num">{count(links)}</td>
                    <td class="aside breaks">{some.map((text) => `“${text}”`).join(', ')}</td>
                </tr>
            {:else}<tr><td colspan="4">No page is called by two wordings.</td></tr>{/each}
        </tbody>
    </table>
</section>
