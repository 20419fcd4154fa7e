<script lang="ts">
    /** Parts of a site: how much of each is known, read and reached by links. */
    import type { PageFilter } from '$lib/core/sets/page-filter.ts';
    import type { PartCount } from '$lib/core/areas/completeness.ts';
    import { count } from '../parts/format.ts';

    interface Props {
        /** What a part is: section, folder. */
        what: string;
        parts: PartCount[];
        /** Address of the set of a part, narrowed further where it says so. */
        hrefOf: (part: PartCount, more?: PageFilter) => string;
    }
    let { what, parts, hrefOf }: Props = $props();
    const share = (part: PartCount): string =>
        part.known === 0 ? '' : `${Math.round((part.read / part.known) * 100)}%`;
</script>

<table class="ruled">
    <thead
        ><tr
            ><th>{what}</th><th class="num">known</th><th class="num">read</th><th class="num spare">share read</th><th
                class="num">pages</th
            ><th class="num">reached by links</th></tr
        ></thead
    >
    <tbody>
        {#each parts as part (part.name)}
            <tr>
                <td>{part.name}</td>
                <td class="num"><a class="plain-set text-primary" href={hrefOf(part)}>{count(part.known)}</a></td>
                <td class="num">{count(part.read)}</td>
                <td class="num spare">{share(part)}</td>
                <td class="num"
                    ><a class="plain-set text-primary" href={hrefOf(part, { read: 'pages' })}>{count(part.pages)}</a
                    ></td
                >
                <td class="num"
                    ><a class="plain-set text-primary" href={hrefOf(part, { read: 'pages', reached: true })}
                        >{count(part.reached)}</a
                    ></td
                >
            </tr>
        {/each}
    </tbody>
</table>
