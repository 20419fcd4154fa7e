/** Holds a packed survey against the plain measuring of the same rows: page by page, link by link, count by count. */
import { expect } from 'vitest';
import { countPages } from '$lib/core/areas/count-pages.ts';
import { linksOfNode, countLinkRecords } from '$lib/core/areas/link-records.ts';
import { packSurvey } from '$lib/core/pack/pack-survey.ts';
import type { PackedSurvey } from '$lib/core/packed/packed-survey.ts';
import { pageColumns } from '$lib/core/sets/page-columns.ts';
import { countSurvey } from './count-survey.ts';
import { linksOfPage } from './link-records.ts';
import type { MeasuredSurvey } from './measured-survey.ts';
import { PAGE_COLUMNS, pageRecord } from './page-record.ts';

/** Columns that are measures of the link graph, which the reference has none of. */
const BEYOND = new Set(['standing']);

/** An empty text and what is not known are the same cell of a file. */
const cell = (value: unknown): unknown => (value === '' ? null : value);

export function holdAgainst(measured: MeasuredSurvey, packed: PackedSurvey = packSurvey(measured).survey): void {
    expect(packed.texts('url').all()).toEqual(measured.urls);
    const columns = pageColumns(packed);
    let links = 0;
    for (let node = 0; node < measured.count; node++) {
        const record = pageRecord(measured, node);
        for (const name of PAGE_COLUMNS) {
            // Of what waits the packed survey says so, where the record has nothing.
            if (BEYOND.has(name) || (name === 'not_read' && measured.pages[node] === null)) continue;
            expect(cell(columns.get(name)!.value(node)), `${name} of ${measured.urls[node]}`).toEqual(
                cell(record[name]),
            );
        }
        const own = linksOfNode(packed, node, (id) => measured.layoutById.get(id));
        expect(own, `links of ${measured.urls[node]}`).toEqual(linksOfPage(measured, node));
        links += own.length;
    }
    expect(countLinkRecords(packed)).toBe(links);
    const { links: _, ...counts } = countSurvey(measured);
    const told = countPages(packed);
    const sorted = (groups: { evidence: string[] }[]): string[] => groups.map((group) => JSON.stringify(group)).sort();
    expect(sorted(told.evidence)).toEqual(sorted(counts.evidence));
    expect(sorted(told.orphanEvidence)).toEqual(sorted(counts.orphanEvidence));
    expect({ ...told, evidence: [], orphanEvidence: [] }).toEqual({ ...counts, evidence: [], orphanEvidence: [] });
}
