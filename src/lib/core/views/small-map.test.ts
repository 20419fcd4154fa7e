import { describe, expect, it } from 'vitest';
import { randomSite } from '../../../../tests/support/random-site.ts';
import { nodesIn } from '../../../../tests/support/sets.ts';
import { Site } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { smallBranchMap, smallDepthMap, type SmallMap } from './small-map.ts';

/** Rectangles of all paths of a form. */
const rectangles = ({ marks }: SmallMap, form: string): number =>
    marks.filter((own) => own.form === form).reduce((sum, { path }) => sum + path.split('M').length - 1, 0);

describe('the small maps', () => {
    it('show each page once by depth, on random sites, as solid, open or hatched', () => {
        for (let seed = 1; seed <= 6; seed++) {
            const { survey } = packSurvey(randomSite(seed).measure());
            const map = smallDepthMap(survey);
            expect(map.perCell).toBe(1);
            const [bars, all] = [rectangles(map, 'pale'), nodesIn(survey, 'page').length];
            // A bar is open, and pale so far as it is filled; all else is a cell.
            expect(rectangles(map, 'solid') + rectangles(map, 'open') + rectangles(map, 'hatched')).toBe(all);
            expect(rectangles(map, 'hatched')).toBe(nodesIn(survey, 'page and not reached').length);
            expect(bars).toBeLessThan(all);
            expect(smallDepthMap(survey)).toBe(map);
        }
    });

    it('show by what holds a bar on each page that is wide enough, and the rest gathered', () => {
        const site = new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/a' }, { to: '/b' }])
            .page('/a', [{ to: '/c' }]);
        const { survey } = packSurvey(site.page('/b').page('/c').page('/alone').measure());
        const map = smallBranchMap(survey);
        expect([rectangles(map, 'solid'), rectangles(map, 'pale'), rectangles(map, 'hatched')]).toEqual([4, 4, 1]);
        expect(map.bands.map(({ from }) => from)).toEqual([0, 1, 2]);
    });
});
