/** Storing what a crawl found, against bare LOAD DATA of the same rows written out beforehand. */
import { getTableName } from 'drizzle-orm';
import type { SurveyBatch } from '../src/lib/core/survey/survey-rows.ts';
import { belongingOf } from '../src/lib/core/scope/belonging.ts';
import { DEFAULT_SETTINGS } from '../src/lib/core/survey/default-settings.ts';
import { packOutline } from '../src/lib/core/page/main-text.ts';
import { readPage } from '../src/lib/core/page/read-page.ts';
import { NO_URL_RULES } from '../src/lib/core/address/url-rules.ts';
import { unreadPage } from '../src/lib/core/survey/survey-rows.ts';
import { EarlierRun } from '../src/lib/server/crawl/earlier-run.ts';
import { BlockReceiver, BlockSender } from '../src/lib/server/crawl/block-relay.ts';
import { RowMaker } from '../src/lib/server/crawl/row-maker.ts';
import { packFacts, packJson } from '../src/lib/server/packed-json.ts';
import { textHash } from '../src/lib/server/text-hash.ts';
import { inTransaction, rowsOfBatch, storeBatch } from '../src/lib/server/store/batch-store.ts';
import { bulkLoad, RowWriter } from '../src/lib/server/store/bulk-load.ts';
import { addSite } from '../src/lib/server/store/site-store.ts';
import { createSurvey } from '../src/lib/server/store/survey-store.ts';
import { bigSite } from '../demo/big-site.ts';
import type { BenchOptions } from './bench.ts';
import { line, ratio } from './measure.ts';
import { openBenchStore } from './made-site.ts';

const PAGES_PER_BATCH = 200;
const ORIGIN = 'https://big.example';

/** Batches as a crawl of the made site gives them. */
function batchesOf(pages: number): SurveyBatch[] {
    const { page, pathOf } = bigSite({ pages, origin: ORIGIN });
    const rows = new RowMaker(belongingOf(`${ORIGIN}/`), NO_URL_RULES, new EarlierRun());
    const batches: SurveyBatch[] = [];
    const sender = new BlockSender();
    const receiver = new BlockReceiver();
    for (let number = 0; number < pages; number++) {
        const text = page(number);
        const url = ORIGIN + pathOf(number);
        const facts = readPage(text, url, { link: [], refresh: '', xRobotsTag: [] });
        const address = rows.address(url);
        const { title, h1, description, language, words } = facts;
        rows.addPage({
            ...unreadPage(address),
            orderRead: number,
            status: 200,
            contentType: 'text/html',
            title,
            h1,
            description,
            language,
            words,
            bytes: text.length,
            readAt: number,
        });
        rows.addBlocks(address, receiver.receive(sender.send(facts.blocks)));
        rows.addDetail({
            page: address,
            facts: packFacts({
                document: facts.document,
                sentType: 'text/html; charset=utf-8',
                charset: 'UTF-8',
                charsetFrom: 'header',
                headers: [],
                cookieNames: [],
            }),
            text: packJson(facts.text),
            bodyHash: Buffer.alloc(8, number % 251),
            signature: facts.signature === null ? new Uint8Array(0) : new Uint8Array(facts.signature.buffer),
            ids: null,
            sketch: new Uint8Array(facts.sketch.slice().buffer),
            outline: packOutline(facts.text, facts.textWords, textHash),
            source: packJson(text),
        });
        if (number % PAGES_PER_BATCH === PAGES_PER_BATCH - 1 || number === pages - 1) batches.push(rows.take());
    }
    return batches;
}

export async function storingBench(options: BenchOptions): Promise<void> {
    const pages = options.pages ?? 3_000;
    const batches = batchesOf(pages);
    const bench = await openBenchStore();
    const { db } = bench.store;
    const settings = { ...DEFAULT_SETTINGS, start: `${ORIGIN}/` };
    const { id } = await addSite(db, 'bench', settings);
    let best = { bare: Infinity, stored: Infinity };
    let rows = 0;
    for (let run = 0; run < 5; run++) {
        const first = await createSurvey(db, id, settings);
        const files = batches.map((batch) =>
            [...rowsOfBatch(first.id, batch, { evidence: 0, file: 0 })].map(({ table, columns, rows }) => {
                const writer = new RowWriter();
                for (const row of rows) writer.row(row);
                return { name: getTableName(table), columns, writer };
            }),
        );
        rows = files.flat().reduce((sum, { writer }) => sum + writer.rows, 0);
        const bareStarted = performance.now();
        for (const tables of files) {
            await inTransaction(db, async (_, connection) => {
                for (const { name, columns, writer } of tables) await bulkLoad(connection, name, columns, writer);
            });
        }
        const bare = performance.now() - bareStarted;

        const second = await createSurvey(db, id, settings);
        const started = performance.now();
        for (const [index, batch] of batches.entries()) await storeBatch(db, second.id, index + 1, batch);
        const stored = performance.now() - started;
        best = { bare: Math.min(best.bare, bare), stored: Math.min(best.stored, stored) };
    }
    await bench.end();
    line('rows', `${rows.toLocaleString('en')} of ${pages.toLocaleString('en')} pages`);
    line(
        'bare LOAD DATA of rows written out before',
        `${Math.round((rows / best.bare) * 1000).toLocaleString('en')} rows a second`,
    );
    line(
        'storing: packing, writing out, loading, checking',
        `${Math.round((rows / best.stored) * 1000).toLocaleString('en')} rows a second`,
    );
    line('ratio, storing to bare', ratio(best.bare, best.stored));
}
