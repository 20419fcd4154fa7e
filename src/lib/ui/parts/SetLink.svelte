<script lang="ts">
    /** A number that is the size of a set, and leads to it; by itself where no set says it. */
    import { count } from './format.ts';
    interface Props {
        of: { pages: number; set: string | null };
        /** Address of a set. */
        hrefOf: (line: string) => string;
        /** Order its pages are looked at in, as `COLUMN.desc`. */
        order?: string;
        /** What stands in place of the number. */
        text?: string;
    }
    let { of, hrefOf, order = '', text = count(of.pages) }: Props = $props();
</script>

{#if of.set === null}<b>{text}</b>{:else}<a class="set" href="{hrefOf(of.set)}{order === '' ? '' : `&order=${order}`}"
        >{text}</a
    >{/if}
