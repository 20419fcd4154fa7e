/** Memory of what a worker holds per known URL: addresses, frontier and families, without a site behind them. */
import { belongingOf } from '../src/lib/core/scope/belonging.ts';
import { NO_URL_RULES } from '../src/lib/core/address/url-rules.ts';
import { Families } from '../src/lib/core/traps/families.ts';
import { Frontier } from '../src/lib/server/crawl/frontier.ts';
import { EarlierRun } from '../src/lib/server/crawl/earlier-run.ts';
import { RowMaker } from '../src/lib/server/crawl/row-maker.ts';
import { bigSite } from '../demo/big-site.ts';
import type { BenchOptions } from './bench.ts';
import { line, memoryInUse, perSecond } from './measure.ts';

const ORIGIN = 'https://www.big-tool-library.example';
const LINKS = 12;

export async function frontierBench(options: BenchOptions): Promise<void> {
    for (const pages of options.pages === null ? [10_000, 100_000, 1_000_000] : [options.pages]) {
        const { pathOf } = bigSite({ pages });
        const before = memoryInUse();
        const rows = new RowMaker(belongingOf(`${ORIGIN}/`), NO_URL_RULES, new EarlierRun());
        const families = new Families(200);
        const frontier = new Frontier(Infinity, (id, fresh) =>
            families.settled(
                rows.urlOf(id),
                fresh.map((item) => rows.urlOf(item)),
                null,
            ),
        );
        const started = performance.now();
        frontier.start(rows.address(`${ORIGIN}/`));
        let settled = 0;
        for (let next = frontier.next(); next; next = frontier.next()) {
            families.take(rows.urlOf(next.id));
            const clicks: number[] = [];
            const number = Number(/page-(\d+)/.exec(rows.urlOf(next.id))?.[1] ?? 0);
            for (let link = 1; link <= LINKS; link++) {
                const child = link <= 8 ? number * 8 + link : (number * 31 + link * 977) % pages;
                if (child < pages) clicks.push(rows.address(ORIGIN + pathOf(child)));
            }
            frontier.settle(next.slot, { clicks, free: [], others: [] });
            // What the store would have taken.
            if (++settled % 1_000 === 0) rows.take();
        }
        rows.take();
        const took = performance.now() - started;
        const each = (memoryInUse() - before) / pages;
        line(
            `${pages.toLocaleString('en')} URLs, ${settled.toLocaleString('en')} settled`,
            `${Math.round(each)} bytes each, ${perSecond(settled, took)}`,
        );
        if (frontier.known !== pages) line('known', String(frontier.known));
    }
}
