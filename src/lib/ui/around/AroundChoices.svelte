<script lang="ts">
    /** Which page is in the middle, how far, which ways and which kinds of links. */
    import { NEAR_KINDS, type NearKind } from '../../core/areas/neighbourhood.ts';
    import {
        MOST_CENTRES,
        MOST_STEPS_AROUND,
        NEAR_GROUPS,
        NEAR_WAYS,
        type AroundView,
    } from '../../core/views/around.ts';
    import { count } from '../parts/format.ts';
    import { typedUrl } from '../view/address.ts';
    import type { ViewLinks } from '../view/links.ts';
    import type { AroundLinks } from './around-links.ts';

    interface Props {
        view: AroundView;
        links: AroundLinks;
        to: ViewLinks;
        unknown: readonly string[];
        tooLarge: number;
        onGo: (href: string) => void;
    }
    let { view, links, to, unknown, tooLarge, onGo }: Props = $props();
    let wanted = $state('');
    const KIND_NAMES: Record<NearKind, string> = {
        text: 'in the text',
        shared: 'widely shared blocks',
        redirect: 'redirects',
        canonical: 'canonicals',
    };
    const steps = Array.from({ length: MOST_STEPS_AROUND }, (_, at) => at + 1);
    const param = (value: string, usual: string): string | null => (value === usual ? null : value);
    function go(event: SubmitEvent): void {
        event.preventDefault();
        const url = typedUrl(wanted, to.origin);
        wanted = '';
        if (url !== null) onGo(links.around(url));
    }
    const turned = (kind: NearKind): NearKind[] =>
        NEAR_KINDS.filter((own) => (own === kind ? !view.kinds.includes(own) : view.kinds.includes(own)));
</script>

<div class="picture-choices">
    <form onsubmit={go}>
        <label>around <input class="field" bind:value={wanted} placeholder="/a/path/, then Enter" /></label>
    </form>
    <span class="parts" role="group" aria-label="Steps"
        >steps
        {#each steps as own (own)}<a
                class="part"
                aria-current={view.steps === own}
                href={links.with({ steps: param(`${own}`, '1') })}
                data-sveltekit-noscroll>{own}</a
            >{/each}</span
    >
    <span class="parts" role="group" aria-label="Ways"
        >ways
        {#each NEAR_WAYS as own (own)}<a
                class="part"
                aria-current={view.ways === own}
                href={links.with({ ways: param(own, 'both') })}
                data-sveltekit-noscroll>{own}</a
            >{/each}</span
    >
    <label
        >group by <select
            class="field"
            value={view.group}
            onchange={({ currentTarget: { value } }) => onGo(links.with({ group: param(value, 'block') }))}
            >{#each NEAR_GROUPS as own (own)}<option value={own}>{own}</option>{/each}</select
        ></label
    >
    <span class="kinds" role="group" aria-label="Kinds of links"
        >{#each NEAR_KINDS as kind (kind)}<label class="tick"
                ><input
                    class="checkbox checkbox-xs"
                    type="checkbox"
                    checked={view.kinds.includes(kind)}
                    disabled={view.kinds.length === 1 && view.kinds[0] === kind}
                    onchange={() => onGo(links.kinds(turned(kind)))}
                />
                {KIND_NAMES[kind]}</label
            >{/each}</span
    >
</div>
{#if unknown.length > 0}<p class="pane note" role="status">This survey knows nothing of {unknown.join(', ')}.</p>{/if}
{#if tooLarge > 0}<p class="pane note" role="status">
        The current set has {count(tooLarge)} pages: {MOST_CENTRES} at most stand in the middle together. Shown is what lies
        around the start page.
    </p>{/if}

<style>
    .picture-choices :is(input.field, select) {
        width: auto;
        margin-left: 4px;
    }
    input.field {
        max-width: 170px;
    }
    .kinds {
        display: inline-flex;
        flex-wrap: wrap;
        gap: 2px 12px;
    }
</style>
