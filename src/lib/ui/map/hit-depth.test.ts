import { describe, expect, it } from 'vitest';
import { depthLayout } from '../../core/map/depth-layout.ts';
import { mapFacts } from '../../core/map/map-facts.ts';
import { packSurvey } from '../../core/pack/pack-survey.ts';
import { randomSite } from '../../../../tests/support/random-site.ts';
import { DepthPlaces } from './hit-depth.ts';

const facts = mapFacts(packSurvey(randomSite(4, 200).measure()).survey, []);
const layout = depthLayout(facts, { width: 700, height: 400, nameWidth: () => 60 });
const places = new DepthPlaces(layout);
const nodes = [...layout.order, ...layout.bars.map(({ node }) => node)];

describe('places of the map', () => {
    it('are found again at the point where a page is drawn', () => {
        expect(nodes.length).toBeGreaterThan(50);
        for (const node of nodes) {
            const place = places.of(node)!;
            expect(places.at(place.x + place.width / 2, place.y + place.height / 2)?.nodes).toContain(node);
        }
        expect(places.at(-5, 10)).toBeNull();
        expect(places.at(10, layout.height + 50)).toBeNull();
        expect(places.of(999_999)).toBeNull();
    });

    it('can all be walked to with the arrow keys', () => {
        const start = places.of(layout.bars[0]!.node)!;
        const keyOf = ({ x, y }: { x: number; y: number }): string => `${x} ${y}`;
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
        expect(seen.size).toBe(layout.cells.x.length + layout.bars.length);
    });

    it('within a rectangle are those whose middles lie in it', () => {
        expect(places.within(0, 0, layout.width, layout.height).sort((a, b) => a - b)).toEqual(
            nodes.sort((a, b) => a - b),
        );
        const one = places.of(layout.order[5]!)!;
        const { x, y, width, height } = one;
        expect(places.within(x + 1, y + 1, x + width - 1, y + height - 1)).toEqual(one.nodes);
    });
});
