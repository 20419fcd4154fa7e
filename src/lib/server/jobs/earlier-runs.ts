/** What earlier runs of a survey left, read from its rows. */
import { EarlierRun } from '../crawl/earlier-run.ts';
import { tracesOf } from '../crawl/text-traces.ts';
import type { Database } from '../store/connect.ts';
import { RowsBroken } from '../store/mend-rows.ts';
import { RowReader } from '../store/row-reader.ts';

/** @throws RowsBroken when a row leads to one that is not there, or a number is missing: `mendRows` mends it */
export async function loadEarlierRun(db: Database, surveyId: number): Promise<EarlierRun> {
    const earlier = new EarlierRun();
    const read = new RowReader(db, surveyId);
    const counts = { address: 0, list: 0, layout: 0, block: 0 };
    const next = (kind: keyof typeof counts, id: number): void => {
        if (id !== counts[kind]++) throw new RowsBroken(`survey ${surveyId}: ${kind} ${counts[kind] - 1} is missing`);
    };
    const refer = (from: string, kind: keyof typeof counts, to: number | null): void => {
        if (to !== null && to >= counts[kind])
            throw new RowsBroken(`survey ${surveyId}: ${from} leads to ${kind} ${to}, which is missing`);
    };
    for await (const row of read.addresses()) {
        next('address', row.id);
        earlier.addAddress(row);
    }
    for await (const row of read.lists()) {
        next('list', row.id);
        for (const { target } of row.links) refer(`list ${row.id}`, 'address', target);
        earlier.addList(row);
    }
    for await (const row of read.layouts()) {
        next('layout', row.id);
        earlier.addLayout(row);
    }
    for await (const row of read.blocks()) {
        next('block', row.id);
        refer(`block ${row.id}`, 'list', row.list);
        earlier.addBlock(row);
    }
    for await (const row of read.pageBlocks()) {
        const page = `page ${row.page}`;
        refer(page, 'address', row.page);
        refer(page, 'block', row.block);
        refer(page, 'layout', row.layout);
        earlier.addPageBlock(row.page, row.block);
    }
    for await (const row of read.pages()) {
        const page = `page ${row.address}`;
        for (const to of [row.address, row.redirectTo, row.instantRefresh, ...row.canonicals])
            refer(page, 'address', to);
        earlier.addPage(row);
    }
    for (const page of await read.pagesInPart()) {
        throw new RowsBroken(`survey ${surveyId}: page ${page} is there in part only`);
    }
    for await (const { page, ...traces } of read.traces()) earlier.addTraces(page, tracesOf(traces));
    for (const file of await read.files()) earlier.files.set(file.url, file);
    for await (const row of read.checks()) earlier.checked.add(row.address);

    // Where the entries of each sitemap stand among the evidence, so that each can be fetched when its turn comes.
    const ranges = new Map<string, { from: number; to: number }>();
    for await (const row of read.evidence()) {
        refer(`evidence ${row.id}`, 'address', row.address);
        earlier.addEvidence(row);
        if (row.evidence !== 'sitemap') continue;
        const range = ranges.get(row.source);
        if (range) range.to = row.id;
        else ranges.set(row.source, { from: row.id, to: row.id });
    }
    earlier.sitemapEntries = async (url) => {
        const range = ranges.get(url);
        if (!range) return [];
        const rows = await read.evidenceOf(url, range.from, range.to);
        return rows.map(({ address, line, lastmod }) => ({ url: earlier.urls[address] ?? '', line, lastmod }));
    };
    return earlier;
}
