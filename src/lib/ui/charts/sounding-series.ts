/** What the depth sounding draws of each row: what may be indexed, and behind it the rest. */
import type { DepthRow } from '../../core/areas/depth-rows.ts';
import { count } from '../parts/format.ts';
import type { TokenName } from './tokens.ts';

export interface SoundingRow {
    pages: number;
    indexable: number;
}

/** Filled and open length of each row; together they are its pages. */
export function soundingSeries(rows: readonly SoundingRow[]): { filled: number[]; open: number[] } {
    return {
        filled: rows.map(({ indexable }) => indexable),
        open: rows.map(({ pages, indexable }) => pages - indexable),
    };
}

/** A depth, or a range of them. */
export const depthName = ({ from, to }: Pick<DepthRow, 'from' | 'to'>): string =>
    from === to ? `${from}` : `${count(from)}–${count(to)}`;

/** The shade of a depth: the same from the ninth on. */
const shade = (depth: number): TokenName => `--d${Math.min(9, depth)}` as TokenName;

/**
 * The drawing, for the chart.
 * @param widest pages that take the whole width
 * @param height of a row, pixels
 */
export function soundingOption(rows: readonly DepthRow[], widest: number, height: number) {
    const { filled, open } = soundingSeries(rows);
    return (token: (name: TokenName) => string) => {
        const outline = { borderColor: token('--ink2'), borderWidth: 0.7 };
        const bars = { type: 'bar', stack: 'pages', barWidth: height - 2, emphasis: { disabled: true } };
        const drawn = (lengths: number[], colour: (row: DepthRow) => TokenName) => ({
            ...bars,
            data: rows.map((row, at) => ({
                value: lengths[at],
                itemStyle: { ...outline, color: token(colour(row)) },
            })),
        });
        return {
            grid: { left: 0, right: 1, top: 0, bottom: 0 },
            xAxis: { type: 'value', show: false, max: widest },
            yAxis: { type: 'category', show: false, inverse: true, data: rows.map(depthName) },
            series: [drawn(filled, ({ from }) => shade(from)), drawn(open, () => '--color-base-100')],
        };
    };
}
