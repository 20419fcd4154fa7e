/** Where the steps of a walk stand: across by clicks, down by depth. */
import type { WalkStep } from '../../core/views/journey.ts';

export interface TrailRow {
    /** Null for what links do not reach. */
    depth: number | null;
    y: number;
    height: number;
}

export interface TrailLayout {
    width: number;
    height: number;
    rows: TrailRow[];
    points: { x: number; y: number }[];
    /** From one step to the next. */
    step: number;
}

const LEFT = 46;
const RIGHT = 40;
const LEAST_STEP = 84;
const ROW = 38;
const LOW_ROW = 26;
/** Depths that are all shown up to the deepest; of a deeper trail those it was at. */
const MOST_ROWS = 9;
const TOP = 22;
/** Names below. */
const FOOT = 26;

export function trailLayout(steps: readonly WalkStep[], width: number): TrailLayout {
    const depths = steps.flatMap(({ depth }) => (depth === null ? [] : [depth]));
    const deepest = Math.max(1, ...depths);
    const shown =
        deepest < MOST_ROWS
            ? Array.from({ length: deepest + 1 }, (_, depth) => depth)
            : [...new Set(depths)].sort((a, b) => a - b);
    const isLost = steps.some(({ depth }) => depth === null);
    const height = shown.length > 6 ? LOW_ROW : ROW;
    const rows: TrailRow[] = [...shown, ...(isLost ? [null] : [])].map((depth, at) => ({
        depth,
        y: TOP + at * height,
        height,
    }));
    const room = Math.max(0, width - LEFT - RIGHT - 30);
    const step = steps.length < 2 ? room : Math.max(LEAST_STEP, Math.min(180, room / (steps.length - 1)));
    const points = steps.map(({ depth }, at) => {
        const row = rows.find((own) => own.depth === depth)!;
        return { x: LEFT + 30 + at * step, y: row.y + row.height / 2 };
    });
    return {
        width: Math.max(width, LEFT + 30 + RIGHT + (steps.length - 1) * step + 40),
        height: TOP + rows.length * height + FOOT,
        rows,
        points,
        step,
    };
}
