import { describe, expect, it } from 'vitest';
import { addressTree } from '../../core/map/address-tree.ts';
import { depthLayout } from '../../core/map/depth-layout.ts';
import { FORM, mapFacts } from '../../core/map/map-facts.ts';
import { branchTree } from '../../core/map/map-tree.ts';
import { treeLayout } from '../../core/map/tree-layout.ts';
import { packSurvey } from '../../core/pack/pack-survey.ts';
import { randomSite } from '../../../../tests/support/random-site.ts';
import { DepthPlaces } from './hit-depth.ts';
import { TreePlaces } from './hit-tree.ts';
import type { MapPlace } from './map-place.ts';

const { survey } = packSurvey(randomSite(4, 200).measure());
const facts = mapFacts(survey, []);
const SIZE = { width: 700, height: 400 };
const byDepth = depthLayout(facts, { ...SIZE, nameWidth: () => 60 });
const byBranch = treeLayout(branchTree(survey, facts, 'way'), facts, SIZE, null);
const byAddress = treeLayout(addressTree(survey, facts, 'folders'), facts, SIZE, null);
const cells = (loose: typeof byBranch.loose): number => loose?.x.length ?? 0;
const ARRANGEMENTS = [
    {
        by: 'depth',
        layout: byDepth,
        places: new DepthPlaces(byDepth),
        marks: byDepth.cells.x.length + byDepth.bars.length,
    },
    {
        by: 'branch',
        layout: byBranch,
        places: new TreePlaces(byBranch),
        marks: byBranch.boxes.length + cells(byBranch.loose),
    },
    {
        by: 'address',
        layout: byAddress,
        places: new TreePlaces(byAddress),
        marks: byAddress.boxes.length + cells(byAddress.loose),
    },
];
const pages = [...facts.form.keys()].filter((node) => facts.form[node]! <= FORM.unreached);
const nodesOf = (place: MapPlace | null): number[] => Array.from(place?.nodes ?? []);

describe.each(ARRANGEMENTS)('places of the map by $by', ({ layout, places, marks }) => {
    it('are found again at the point where a page is drawn', () => {
        expect(pages.length).toBeGreaterThan(50);
        for (const node of pages) {
            const place = places.of(node)!;
            const found = places.at(place.x + place.width / 2, place.y + place.height / 2);
            expect(nodesOf(found)).toEqual(nodesOf(place));
            // What stands for several is told by its name, or has them all.
            if (place.group === null) expect(nodesOf(place)).toContain(node);
        }
        expect(places.at(-5, 10)).toBeNull();
        expect(places.at(10, layout.height + 50)).toBeNull();
        expect(places.of(999_999)).toBeNull();
    });

    it('can all be walked to with the arrow keys', () => {
        const start = places.first()!;
        const keyOf = ({ x, y, width }: MapPlace): string => `${x} ${y} ${width}`;
        const seen = new Map([[keyOf(start), start]]);
        const open = [start];
        while (open.length > 0) {
            const from = open.pop()!;
            for (const step of ['left', 'right', 'up', 'down'] as const) {
                const next = places.next(from, step);
                if (seen.has(keyOf(next))) continue;
                seen.set(keyOf(next), next);
                open.push(next);
            }
        }
        expect(seen.size).toBe(marks);
    });

    it('within an outline are those whose middles lie in it', () => {
        expect(places.within(() => true).sort((a, b) => a - b)).toEqual(pages);
        expect(places.within(() => false)).toEqual([]);
        const one = places.of(pages[20]!)!;
        const { x, y, width, height } = one;
        const inside = places.within((a, b) => a > x && a < x + width && b > y && b < y + height);
        expect(inside).toContain(pages[20]);
    });
});

describe('a branch that is gone into', () => {
    it('is one that has something below it, and not where the picture begins', () => {
        const places = new TreePlaces(byBranch);
        expect(places.first()!.into).toBeNull();
        for (const { level, kind, pages: below, key, node } of byBranch.boxes) {
            if (level === 0 || kind === 'gathered') continue;
            expect(places.of(node)!.into).toBe(below > 1 ? key : null);
        }
    });
});
