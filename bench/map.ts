/** The map of a large site: where each page is drawn, against putting the same pages in order once. */
import { depthLayout } from '../src/lib/core/map/depth-layout.ts';
import { mapFacts } from '../src/lib/core/map/map-facts.ts';
import { packRows } from '../src/lib/core/pack/pack-survey.ts';
import { mapFrames } from './map-frames.ts';
import type { BenchOptions } from './bench.ts';
import { rowsOf } from './made-columns.ts';
import { MADE_ORIGIN } from './made-rows.ts';
import { fastest, line, ratio } from './measure.ts';

const RUNS = 5;
const WINDOW = { width: 1_000, height: 520, nameWidth: () => 90 };

export async function mapBench({ pages }: BenchOptions): Promise<void> {
    const count = pages ?? 100_000;
    const { survey } = packRows({ start: `${MADE_ORIGIN}/`, state: 'finished', cut: [] }, rowsOf(count));
    const facts = await fastest(RUNS, () => void mapFacts(survey, []));
    const known = mapFacts(survey, []);
    const laying = await fastest(RUNS, () => void depthLayout(known, WINDOW));
    const sorting = await fastest(RUNS, () => {
        const nodes = Array.from({ length: survey.count }, (_, node) => node);
        nodes.sort((a, b) => known.standing[b]! - known.standing[a]! || a - b);
    });
    const layout = depthLayout(known, WINDOW);
    line(
        `the map by depth of ${count.toLocaleString('en')} pages`,
        `${laying.toFixed(0)} ms, ${facts.toFixed(0)} ms for its facts; ${layout.cells.x.length.toLocaleString('en')} cells of up to ${layout.perCell} pages`,
    );
    line('  ratio, to sorting its pages by standing once', ratio(laying, sorting));
    await mapFrames(pages === null ? [10_000, 100_000, 1_000_000] : [pages]);
}
