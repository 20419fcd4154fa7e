/**
 * Benchmarks: `./edgemap bench [reading|storing|pipeline|menu|frontier|memory|log|evidence|graph|packed|large] [--pages N] [--folder DIR]`. They print ratios
 * beside absolute numbers, because machines are shared and noisy; docs/performance.md keeps what was measured.
 */
import { parseArgs } from 'node:util';
import { accessLogBench } from './access-log.ts';
import { evidenceBench } from './evidence.ts';
import { frontierBench } from './frontier.ts';
import { graphBench } from './graph.ts';
import { largeBench } from './large.ts';
import { memoryBench } from './memory.ts';
import { menuBench } from './menu-site.ts';
import { packedBench } from './packed.ts';
import { pipelineBench } from './pipeline.ts';
import { readingBench } from './reading.ts';
import { storingBench } from './storing.ts';

export interface BenchOptions {
    /** Pages of the made site; each benchmark has a size of its own. */
    pages: number | null;
    /** A folder of HTML files to read in place of made pages; for `large` the data folder, which stays. */
    folder: string | null;
}

const BENCHES: Record<string, (options: BenchOptions) => Promise<void>> = {
    reading: readingBench,
    storing: storingBench,
    pipeline: pipelineBench,
    frontier: frontierBench,
    menu: menuBench,
    memory: memoryBench,
    log: accessLogBench,
    evidence: evidenceBench,
    graph: graphBench,
    packed: packedBench,
    large: largeBench,
};

const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: { pages: { type: 'string' }, folder: { type: 'string' } },
});
const options: BenchOptions = {
    pages: values.pages === undefined ? null : Number(values.pages),
    folder: values.folder ?? null,
};
for (const name of positionals.length === 0 ? Object.keys(BENCHES) : positionals) {
    const bench = BENCHES[name];
    if (!bench) {
        console.error(`There is no benchmark "${name}". There are: ${Object.keys(BENCHES).join(', ')}.`);
        process.exit(2);
    }
    console.log(`\n${name}`);
    await bench(options);
}
process.exit(0);
