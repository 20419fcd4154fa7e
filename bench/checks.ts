/** All checks of the register over the packed survey of a large site: time of one core, and memory while they run. */
import { CHECKS } from '../src/lib/core/checks/register.ts';
import { siteFindings, siteView } from '../src/lib/core/checks/site-findings.ts';
import { packRows } from '../src/lib/core/pack/pack-survey.ts';
import type { BenchOptions } from './bench.ts';
import { OWN, rowsOf } from './made-columns.ts';
import { MADE_ORIGIN, occurrencesOf } from './made-rows.ts';
import { fastest, line, ratio } from './measure.ts';

const RUNS = 3;
const GOALS = { all: 4, first: null, second: null, third: null };
/** Findings between two looks at the memory. */
const LOOK = 50_000;

export async function checksBench({ pages }: BenchOptions): Promise<void> {
    const count = pages ?? 100_000;
    const began = performance.now();
    const { survey } = packRows({ start: `${MADE_ORIGIN}/`, state: 'finished', cut: [] }, rowsOf(count));
    const packing = performance.now() - began;
    const view = siteView(survey, GOALS, new Uint8Array(survey.count), []);
    let findings = 0;
    let most = 0;
    const first = performance.now();
    for (const _ of siteFindings(view)) {
        if (++findings % LOOK === 0) most = Math.max(most, process.memoryUsage().heapUsed);
    }
    const took = performance.now() - first;
    const occurrences = count * occurrencesOf(OWN);
    line(
        `${CHECKS.length} checks, ${count.toLocaleString('en')} pages, ${occurrences.toLocaleString('en')} occurrences`,
        `${took.toFixed(0)} ms at first, ${findings.toLocaleString('en')} findings`,
    );
    const again = await fastest(RUNS, () => {
        for (const _ of siteFindings(view));
    });
    line('  again', `${again.toFixed(0)} ms`);
    line('  ratio, checking to making and packing the rows', ratio(took, packing));
    line('  heap while they run, at most', `${(most / 1e6).toFixed(0)} MB`);
}
