/**
 * Benchmarks: `./edgemap bench [NAME …] [--pages N] [--folder DIR] [--against DIR] [--misses]`. They print ratios beside absolute numbers, because machines are shared and noisy; docs/performance.md keeps what was measured.
 */
import { parseArgs } from 'node:util';
import { accessLogBench } from './access-log.ts';
import { evidenceBench } from './evidence.ts';
import { frontierBench } from './frontier.ts';
import { wordsBench } from './words.ts';
import { graphBench } from './graph.ts';
import { largeBench } from './large.ts';
import { memoryBench } from './memory.ts';
import { menuBench } from './menu-site.ts';
import { checksBench } from './checks.ts';
import { mapBench } from './map.ts';
import { packedBench } from './packed.ts';
import { pipelineBench } from './pipeline.ts';
import { readingBench } from './reading.ts';
import { realBench } from './real.ts';
import { proposalsBench } from './proposals.ts';
import { storingBench } from './storing.ts';
import { togetherBench } from './together.ts';

export interface BenchOptions {
    /** Pages of the made site; each benchmark has a size of its own. */
    pages: number | null;
    /** A folder of HTML files to read in place of made pages; for `large` the data folder, which stays. */
    folder: string | null;
    /** Another built copy of the project, to be measured in turn with this one. */
    against: string | null;
    /** Tell what was missed, one by one, where a benchmark measures how good answers are. */
    misses: boolean;
}

const BENCHES: Record<string, (options: BenchOptions) => Promise<void>> = {
    reading: readingBench,
    real: realBench,
    storing: storingBench,
    pipeline: pipelineBench,
    frontier: frontierBench,
    words: wordsBench,
    proposals: proposalsBench,
    menu: menuBench,
    memory: memoryBench,
    log: accessLogBench,
    evidence: evidenceBench,
    graph: graphBench,
    packed: packedBench,
    checks: checksBench,
    map: mapBench,
    large: largeBench,
    together: togetherBench,
};

/** Wrong words end with a sentence and code 2, as everywhere. */
function wrong(say: string): never {
    console.error(`${say}\nSee ./edgemap help.`);
    process.exit(2);
}

function wordsOf(words: string[]): { names: string[]; options: BenchOptions } {
    try {
        const { values, positionals } = parseArgs({
            args: words,
            allowPositionals: true,
            // The data folder is taken everywhere; what is measured lies in one of its own.
            options: {
                pages: { type: 'string' },
                folder: { type: 'string' },
                misses: { type: 'boolean' },
                against: { type: 'string' },
                data: { type: 'string' },
            },
        });
        const pages = values.pages === undefined ? null : Number(values.pages);
        if (pages !== null && !(Number.isInteger(pages) && pages > 0))
            return wrong(`--pages is a whole number from 1, not "${values.pages}".`);
        return {
            names: positionals,
            options: {
                pages,
                folder: values.folder ?? null,
                against: values.against ?? null,
                misses: values.misses ?? false,
            },
        };
    } catch (error) {
        return wrong((error as Error).message);
    }
}

const { names, options } = wordsOf(process.argv.slice(2));
const unknown = names.find((name) => !(name in BENCHES));
if (unknown !== undefined) wrong(`There is no benchmark "${unknown}". There are: ${Object.keys(BENCHES).join(', ')}.`);
for (const name of names.length === 0 ? Object.keys(BENCHES) : names) {
    console.log(`\n${name}`);
    await BENCHES[name]!(options);
}
process.exit(0);
