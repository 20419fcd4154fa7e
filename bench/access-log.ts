/** An access log of 1 GB in one pass: bytes a second beside a bare count of its lines, and the memory it takes. */
import { createReadStream, mkdtempSync, openSync, writeSync, closeSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { numbers } from '../demo/big-site.ts';
import { robotFinder } from '../src/lib/core/evidence/robot-agents.ts';
import { AccessLogReader } from '../src/lib/core/formats/access-log.ts';
import type { BenchOptions } from './bench.ts';
import { fastest, line, memoryInUse, ratio } from './measure.ts';

const BYTES = 1_000_000_000;
const PIECE = 1 << 18;

export async function accessLogBench(options: BenchOptions): Promise<void> {
    const urls = options.pages ?? 100_000;
    const folder = mkdtempSync(join(tmpdir(), 'edgemap-log-'));
    const path = join(folder, 'access.log');
    try {
        const written = writeLog(path, urls);
        line('access log', `${(written / 1e6).toFixed(0)} MB, ${urls.toLocaleString('en')} URLs`);
        const bare = await fastest(3, async () => {
            let lines = 0;
            for await (const piece of createReadStream(path, { highWaterMark: PIECE }) as AsyncIterable<Buffer>) {
                for (let at = piece.indexOf(10); at !== -1; at = piece.indexOf(10, at + 1)) lines++;
            }
            if (lines === 0) throw new Error('no lines');
        });
        let memory = 0;
        const reading = await fastest(3, async () => {
            const log = new AccessLogReader({ isRobot: robotFinder() });
            for await (const piece of createReadStream(path, { highWaterMark: PIECE }) as AsyncIterable<Buffer>) {
                log.push(piece);
            }
            log.end();
            if (log.counts.bad > 0) throw new Error(`${log.counts.bad} bad lines`);
            memory = memoryInUse();
        });
        line('bare count of its lines', `${(written / bare / 1000).toFixed(0)} MB/s`);
        line('read, hits of people and robots per URL', `${(written / reading / 1000).toFixed(0)} MB/s`);
        line('reading to a bare count of lines', ratio(bare, reading));
        line('memory in use at the end', `${(memory / 1e6).toFixed(0)} MB`);
    } finally {
        rmSync(folder, { recursive: true, force: true });
    }
}

function writeLog(path: string, urls: number): number {
    const next = numbers(7);
    const file = openSync(path, 'w');
    const agents = [
        'A browser 1.0 (desk)',
        'A browser 2.0 (hand)',
        'SomeCrawler/2.1 (+https://about.example/)',
        'Another browser 11',
    ];
    let written = 0;
    for (let block = 0; written < BYTES; block++) {
        const lines: string[] = [];
        for (let index = 0; index < 5_000; index++) {
            const random = next();
            // Few URLs are asked for often, many seldom.
            const url = Math.floor(urls * ((random % 10_007) / 10_007) ** 3);
            const second = String(block % 60).padStart(2, '0');
            lines.push(
                `203.0.113.${random % 250} - - [10/Oct/2026:13:${second}:${String(index % 60).padStart(2, '0')} +0200] "GET /section-${url % 40}/page-${url}?from=${random % 3} HTTP/1.1" ${random % 23 === 0 ? 404 : 200} ${random % 90_000} "https://www.site.example/section-${url % 40}/" "${agents[random % 4]}"`,
            );
        }
        written += writeSync(file, `${lines.join('\n')}\n`);
    }
    closeSync(file);
    return written;
}
