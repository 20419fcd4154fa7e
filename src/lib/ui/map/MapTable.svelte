<script lang="ts">
    /** The map as a table: pages by depth and section, every number a set. */
    import type { DepthTable } from '../../core/map/depth-layout.ts';
    import { count } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';
    import { bandSet, columnName, columnSet, depthName } from './map-sets.ts';

    let { table, to }: { table: DepthTable; to: ViewLinks } = $props();
    const depthOf = (row: DepthTable['rows'][number]): string => depthName(row) || 'not reached';
</script>

<table class="ruled">
    <thead>
        <tr>
            <th>depth</th>
            {#each table.columns as column (columnName(column))}<th class="num">{columnName(column)}</th>{/each}
            <th class="num">pages</th>
        </tr>
    </thead>
    <tbody>
        {#each table.rows as row (row.from)}
            <tr>
                <td class="nw">{depthOf(row)}</td>
                {#each row.cells as pages, column (column)}
                    <td class="num"
                        >{#if pages === 0}<span class="ink3">·</span>{:else}<a
                                class="set"
                                href={to.set(`${bandSet(row)} and ${columnSet(table.columns[column]!, table.columns)}`)}
                                >{count(pages)}</a
                            >{/if}</td
                    >
                {/each}
                <td class="num"><a class="set" href={to.set(bandSet(row))}>{count(row.pages)}</a></td>
            </tr>
        {/each}
    </tbody>
</table>
