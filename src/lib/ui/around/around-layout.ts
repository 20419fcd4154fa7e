/** Where the groups around a page stand: those that lead there at its left, those that it leads to at its right. */
import type { AroundView, NearGroup, NearSide } from '../../core/views/around.ts';

export interface PlacedGroup {
    group: NearGroup;
    x: number;
    y: number;
    width: number;
    height: number;
    /** Pages that are named. */
    shown: number;
}

export interface Ribbon {
    path: string;
    wide: number;
    section: string;
}

export interface PlacedShared {
    x: number;
    y: number;
    width: number;
    height: number;
    shared: NonNullable<NearSide['shared']>;
    side: 'in' | 'on';
}

export interface AroundLayout {
    width: number;
    height: number;
    groups: PlacedGroup[];
    shared: PlacedShared[];
    ribbons: Ribbon[];
    centre: { x: number; y: number; width: number; height: number };
    /** Columns of further steps: their left edges, from the middle outwards. */
    beyond: { x: number; side: 'in' | 'on'; step: number }[];
}

export const ROW = 18;
const HEAD = 22;
const GAP = 9;
const BEYOND = 120;
const LEAST = 660;
const LEAST_CENTRE = 170;
const CENTRE_HEIGHT = 118;
const TOP = 26;
const SHARED_HEIGHT = 42;
const WIDEST = 30;

export function aroundLayout(view: AroundView, room: number): AroundLayout {
    const further = view.steps - 1;
    const sides = ([view.in ? 'in' : null, view.on ? 'on' : null] as const).filter((own) => own !== null);
    const width = Math.max(room, LEAST + sides.length * further * BEYOND);
    const inner = width - sides.length * further * BEYOND;
    const column = Math.floor(Math.min(250, (inner - LEAST_CENTRE) / (sides.length + 0.9)));
    const left = view.in ? further * BEYOND : 0;
    const centreWidth = Math.max(LEAST_CENTRE, Math.min(220, inner - sides.length * column - 120));
    const inX = left;
    const onX = width - (view.on ? further * BEYOND : 0) - column;
    const centreX = view.in && view.on ? (inX + column + onX - centreWidth) / 2 : view.in ? onX : left;
    const groups: PlacedGroup[] = [];
    const heights = sides.map((side) => {
        let y = TOP;
        for (const group of view[side]!.groups) {
            const shown = group.pages.length;
            const height = HEAD + shown * ROW + (group.total > shown ? ROW : 0) + 4;
            groups.push({ group, x: side === 'in' ? inX : onX, y, width: column, height, shown });
            y += height + GAP;
        }
        return y;
    });
    const tallest = Math.max(TOP + CENTRE_HEIGHT, ...heights);
    const centre = {
        x: centreX,
        y: Math.max(TOP, Math.min((tallest - CENTRE_HEIGHT) / 2, TOP + 160)),
        width: centreWidth,
        height: CENTRE_HEIGHT,
    };
    const shared: PlacedShared[] = [];
    let height = tallest;
    sides.forEach((side, at) => {
        const own = view[side]!.shared;
        if (own === null) return;
        const y = Math.max(heights[at]! + 6, centre.y + CENTRE_HEIGHT + 34);
        shared.push({ x: side === 'in' ? inX : onX, y, width: column, height: SHARED_HEIGHT, shared: own, side });
        height = Math.max(height, y + SHARED_HEIGHT + 8);
    });
    const ribbons = [...sideRibbons(groups, inX, centre, 'in', view), ...sideRibbons(groups, onX, centre, 'on', view)];
    for (const own of shared) {
        const [x, y] = [own.side === 'in' ? own.x + own.width : own.x, own.y + own.height / 2];
        const into = centre.x + centre.width * (own.side === 'in' ? 0.3 : 0.7);
        ribbons.push({
            path: `M${x} ${y}C${into} ${y} ${into} ${y} ${into} ${centre.y + centre.height}`,
            wide: 8,
            section: '',
        });
    }
    const beyond = sides.flatMap((side) =>
        Array.from({ length: further }, (_, at) => ({
            x: side === 'in' ? inX - (at + 1) * BEYOND : onX + column + at * BEYOND + 14,
            side,
            step: at + 2,
        })),
    );
    return { width, height, groups, shared, ribbons, centre, beyond };
}

/** As wide as the root of the pages they stand for; where they meet the middle side by side. */
function sideRibbons(
    groups: readonly PlacedGroup[],
    x: number,
    centre: AroundLayout['centre'],
    side: 'in' | 'on',
    view: AroundView,
): Ribbon[] {
    const own = groups.filter((placed) => placed.x === x && view[side]?.groups.includes(placed.group));
    const roots = own.map(({ group }) => Math.sqrt(group.total));
    const all = roots.reduce((sum, root) => sum + root, 0);
    const scale = Math.min(6, (centre.height - 16) / Math.max(1, all));
    let y = centre.y + (centre.height - all * scale) / 2;
    return own.map((placed, at) => {
        const wide = Math.max(1.5, Math.min(WIDEST, roots[at]! * scale));
        const middle = y + (roots[at]! * scale) / 2;
        y += roots[at]! * scale;
        const outer = { x: side === 'in' ? placed.x + placed.width : placed.x, y: placed.y + HEAD / 2 };
        const inner = { x: side === 'in' ? centre.x : centre.x + centre.width, y: middle };
        const bend = (outer.x + inner.x) / 2;
        return {
            path: `M${outer.x} ${outer.y}C${bend} ${outer.y} ${bend} ${inner.y} ${inner.x} ${inner.y}`,
            wide,
            section: placed.group.section,
        };
    });
}
