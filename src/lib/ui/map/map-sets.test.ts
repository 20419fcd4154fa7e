import { describe, expect, it } from 'vitest';
import { depthLayout } from '../../core/map/depth-layout.ts';
import { gateAt, mapFacts } from '../../core/map/map-facts.ts';
import { packSurvey } from '../../core/pack/pack-survey.ts';
import { nodesIn } from '../../../../tests/support/sets.ts';
import { randomSite } from '../../../../tests/support/random-site.ts';
import { bandSet, columnSet, depthName, depthSet, tailOf } from './map-sets.ts';

describe('sets of the map', () => {
    it('have as many pages as the picture says, on random sites', () => {
        let aside = 0;
        for (let seed = 1; seed <= 10; seed++) {
            const { survey } = packSurvey(randomSite(seed).measure());
            const { bands, columns } = depthLayout(mapFacts(survey, []), {
                width: 800,
                height: 400,
                nameWidth: () => 60,
            });
            const size = (line: string): number => nodesIn(survey, line).length;
            for (const band of bands) {
                expect(size(bandSet(band)), `seed ${seed}, ${bandSet(band)}`).toBe(band.pages);
                for (const [code, urls] of band.aside.entries()) {
                    const gate = gateAt(code);
                    if (!urls || !gate) continue;
                    expect(size(`not page and gate is ${gate} and ${depthSet(band)}`)).toBe(urls);
                    aside++;
                }
            }
            for (const column of columns) expect(size(`page and ${columnSet(column, columns)}`)).toBe(column.pages);
        }
        expect(aside).toBeGreaterThan(20);
    });

    it('of the sections together are those without a column', () => {
        const named = [
            { section: 'a', sections: 1 },
            { section: 'b c', sections: 1 },
            { section: null, sections: 3 },
        ];
        expect(columnSet(named[2]!, named)).toBe('section is not one of a, "b c"');
    });

    it('are called by their depth, and pages by the end of their address', () => {
        expect([
            depthName({ from: 3, to: 3 }),
            depthName({ from: 20, to: 39 }),
            depthName({ from: -1, to: -1 }),
        ]).toEqual(['3', '20–39', '']);
        const origin = 'https://site.example';
        expect(
            [`${origin}/a/b/`, `${origin}/a/b.html`, `${origin}/a/?page=2`].map((url) => tailOf(url, origin)),
        ).toEqual(['b/', 'b.html', '?page=2']);
    });
});
