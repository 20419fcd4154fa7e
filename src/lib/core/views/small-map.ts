/** The map as an overview in other areas: a small picture of few paths, made once for a survey, without a canvas. */
import { depthLayout, type DepthLayout } from '../map/depth-layout.ts';
import { FORM, mapFacts } from '../map/map-facts.ts';
import { branchTree } from '../map/map-tree.ts';
import { treeLayout } from '../map/tree-layout.ts';
import { once } from '../kept.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

export type SmallForm = 'solid' | 'pale' | 'open' | 'hatched' | 'gathered';

/** All marks of one section and form, as one path. */
export interface SmallMarks {
    /** Empty for sections that are drawn together. */
    section: string;
    form: SmallForm;
    path: string;
}

export interface SmallMap {
    width: number;
    height: number;
    marks: SmallMarks[];
    /** The bands of depths or levels that links reach. */
    bands: { y: number; height: number; from: number; to: number }[];
    /** Pages a mark stands for, at most. */
    perCell: number;
}

/** In proportion to a pane: it is drawn as wide as that is, which is about half of this by depth. */
const BY_DEPTH = { width: 640, height: 280 };
const BY_BRANCH = { width: 700, height: 170 };

/** By depth. Needs the measures. O(nodes log nodes), once. */
export const smallDepthMap = (survey: PackedSurvey): SmallMap =>
    once(survey, 'small map', ['depth'], () => {
        const facts = mapFacts(survey, []);
        return ofDepth(depthLayout(facts, { ...BY_DEPTH, nameWidth: () => 20 }));
    });

/** By what holds. Needs the measures and `text`. O(nodes log nodes), once. */
export const smallBranchMap = (survey: PackedSurvey): SmallMap =>
    once(survey, 'small map', ['hold'], () => {
        const facts = mapFacts(survey, []);
        const layout = treeLayout(branchTree(survey, facts, 'hold'), facts, BY_BRANCH, null);
        const drawing = new Drawing();
        for (const { x, y, width, height, kind, section, node } of layout.boxes) {
            const name = facts.sections[section] ?? '';
            const isOpen = node >= 0 && facts.form[node] === FORM.stopped;
            drawing.add(
                name,
                kind === 'gathered' ? 'gathered' : isOpen ? 'open' : 'pale',
                x,
                y + 1,
                width - 1,
                height - 2,
            );
            if (kind !== 'gathered') drawing.add(name, 'solid', x, y + 1, width - 1, Math.min(4, height - 2));
        }
        const { loose } = layout;
        if (loose) {
            loose.x.forEach((x, cell) => {
                drawing.add('', 'hatched', x, loose.y[cell]!, loose.pitch - 1.2, loose.pitch - 1.2);
            });
        }
        return {
            width: layout.width,
            height: layout.height,
            marks: drawing.marks(),
            bands: layout.levels.map(({ y, height }, level) => ({ y, height, from: level, to: level })),
            perCell: loose?.perCell ?? 1,
        };
    });

function ofDepth({ width, height, cells, bars, bands, columns, pitch, perCell }: DepthLayout): SmallMap {
    const drawing = new Drawing();
    const size = pitch - 1.2;
    const nameOf = (column: number): string => columns[column]!.section ?? '';
    const forms: Partial<Record<number, SmallForm>> = { [FORM.indexable]: 'solid', [FORM.stopped]: 'open' };
    for (let cell = 0; cell < cells.x.length; cell++) {
        const form = forms[cells.form[cell]!] ?? 'hatched';
        drawing.add(nameOf(cells.column[cell]!), form, cells.x[cell]!, cells.y[cell]!, size, size);
    }
    for (const { column, x, y, width: wide, height: high, share, isStart } of bars) {
        const name = isStart ? '' : nameOf(column);
        drawing.add(name, 'open', x, y, wide, high);
        drawing.add(name, 'pale', x, y, wide * share, high);
    }
    const last = bands.at(-1);
    return {
        width,
        // What was not read stands below, and on the map only.
        height: last ? last.y + last.height : height,
        marks: drawing.marks(),
        bands: bands
            .filter(({ from }) => from >= 0)
            .map(({ y, height: high, from, to }) => ({ y, height: high, from, to })),
        perCell,
    };
}

/** Rectangles, gathered by section and form. */
class Drawing {
    readonly #paths = new Map<string, { section: string; form: SmallForm; parts: string[] }>();

    add(section: string, form: SmallForm, x: number, y: number, width: number, height: number): void {
        const key = `${form} ${section}`;
        let own = this.#paths.get(key);
        if (!own) this.#paths.set(key, (own = { section, form, parts: [] }));
        const [wide, high] = [short(Math.max(0.5, width)), short(Math.max(0.5, height))];
        own.parts.push(`M${short(x)} ${short(y)}h${wide}v${high}h-${wide}z`);
    }

    marks(): SmallMarks[] {
        return [...this.#paths.values()].map(({ section, form, parts }) => ({ section, form, path: parts.join('') }));
    }
}

const short = (value: number): number => Math.round(value * 10) / 10;
