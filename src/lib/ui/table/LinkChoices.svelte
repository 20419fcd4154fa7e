<script module lang="ts">
    import type { LinkSide } from '../../core/sets/link-rows.ts';

    /** Which links are shown. */
    export interface LinkChoice {
        /** Whether the set is where they stand, or where they lead. */
        side: LinkSide;
        /** A kind, or `any`. */
        kind: string;
        /** A region; empty for any. */
        region: string;
        followed: boolean;
        /** How the words of links in texts stand to their target (`LINK_SAYS`); empty for all links. */
        says: string;
    }
</script>

<script lang="ts">
    /** Which links the table shows: their side, kind and region, and whether they are followed. */
    import { LINK_KINDS, REGIONS } from '../../core/page/links.ts';
    import { LINK_SAYS, type LinkSays } from '../../core/subjects/link-says.ts';

    const SAYS: Record<LinkSays, string> = {
        any: 'anything, in texts',
        fits: 'what fits their target',
        loose: 'what is loose',
        off: 'what is off the subject',
        nothing: 'nothing',
        unknown: 'what is not judged',
    };

    interface Props {
        query: LinkChoice;
        /** Parameters of the address that change; null takes one away. */
        onChoose: (change: Record<string, string | null>) => void;
    }
    let { query, onChoose }: Props = $props();
</script>

<div class="choices" role="group" aria-label="Which links">
    <label
        >Links
        <select
            class="field"
            value={query.side}
            onchange={(event) => onChoose({ side: event.currentTarget.value === 'from' ? null : 'to' })}
        >
            <option value="from">from the set</option>
            <option value="to">to the set</option>
        </select></label
    >
    <label
        >of kind
        <select
            class="field"
            value={query.kind}
            onchange={(event) =>
                onChoose({ kind: event.currentTarget.value === 'a' ? null : event.currentTarget.value })}
        >
            <option value="any">any</option>
            {#each LINK_KINDS as kind (kind)}<option value={kind}>{kind}</option>{/each}
        </select></label
    >
    <label
        >in
        <select
            class="field"
            value={query.region}
            onchange={(event) => onChoose({ region: event.currentTarget.value || null })}
        >
            <option value="">any region</option>
            {#each REGIONS as region (region)}<option value={region}>{region}</option>{/each}
        </select></label
    >
    <label
        >saying
        <select
            class="field"
            value={query.says}
            onchange={(event) => onChoose({ says: event.currentTarget.value || null })}
        >
            <option value="">anything, anywhere</option>
            {#each LINK_SAYS as says (says)}<option value={says}>{SAYS[says]}</option>{/each}
        </select></label
    >
    <label class="flex items-center gap-1"
        ><input
            class="checkbox checkbox-xs"
            type="checkbox"
            checked={query.followed}
            onchange={(event) => onChoose({ followed: event.currentTarget.checked ? 'yes' : null })}
        /> followed only</label
    >
</div>

<style>
    .choices {
        display: flex;
        flex-wrap: wrap;
        gap: 4px 12px;
        flex-basis: 100%;
        color: var(--ink2);
    }
    .choices label {
        display: inline-flex;
        align-items: center;
        gap: 6px;
    }
    .choices select {
        width: auto;
    }
</style>
