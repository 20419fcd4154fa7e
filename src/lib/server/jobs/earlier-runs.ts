/** What earlier runs of a survey left, read from its rows. */
import { EarlierRun } from '../crawl/earlier-run.ts';
import type { Database } from '../store/connect.ts';
import { RowReader } from '../store/row-reader.ts';

export async function loadEarlierRun(db: Database, surveyId: number): Promise<EarlierRun> {
    const earlier = new EarlierRun();
    const read = new RowReader(db, surveyId);
    for await (const row of read.addresses()) earlier.addAddress(row);
    for await (const row of read.lists()) earlier.addList(row);
    for await (const row of read.layouts()) earlier.addLayout(row);
    for await (const row of read.blocks()) earlier.addBlock(row);
    for await (const row of read.pageBlocks()) earlier.addPageBlock(row.page, row.block);
    for await (const row of read.pages()) earlier.addPage(row);
    for await (const { page, signature } of read.signatures()) earlier.addSignature(page, signature);
    for (const file of await read.files()) earlier.files.set(file.url, file);
    for await (const row of read.checks()) earlier.checked.add(row.address);

    // Where the entries of each sitemap stand among the evidence, so that each can be fetched when its turn comes.
    const ranges = new Map<string, { from: number; to: number }>();
    for await (const row of read.evidence()) {
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
