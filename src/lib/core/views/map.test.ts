import { describe, expect, it } from 'vitest';
import { nodesIn } from '../../../../tests/support/sets.ts';
import { randomSite } from '../../../../tests/support/random-site.ts';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { mapCard, mapView } from './map.ts';

describe('the map in numbers', () => {
    it('says of each form as many pages as its set has, on random sites', () => {
        for (let seed = 1; seed <= 10; seed++) {
            const { survey } = packSurvey(randomSite(seed).measure());
            const { forms, reached, unreached, table } = mapView(survey, null, []);
            for (const { form, pages, set } of forms) {
                expect(nodesIn(survey, set).length, `seed ${seed}, ${form}`).toBe(pages);
            }
            expect(nodesIn(survey, 'page and reached').length).toBe(reached);
            expect(nodesIn(survey, 'page and not reached').length).toBe(unreached);
            for (const { from, to, pages, cells } of table.rows) {
                const line = from < 0 ? 'page and not reached' : `page and depth from ${from} to ${to}`;
                expect(nodesIn(survey, line).length).toBe(pages);
                expect(cells.reduce((sum, own) => sum + own, 0)).toBe(pages);
            }
            for (const [column, { section, pages }] of table.columns.entries()) {
                expect(table.rows.reduce((sum, { cells }) => sum + cells[column]!, 0)).toBe(pages);
                if (section !== null) expect(nodesIn(survey, `page and section is "${section}"`).length).toBe(pages);
            }
        }
    });

    it('tells as few depths side by side as hold half of the pages', () => {
        const site = new Site().known('/', 'manual').page('/', [{ to: '/a' }]);
        // 1, 1, 3, 4 and 1 pages from depth 0 to 4: two depths hold seven of ten, none alone holds five.
        site.page('/a', [{ to: '/b1' }, { to: '/b2' }, { to: '/b3' }]);
        site.page('/b1', [{ to: '/c1' }, { to: '/c2' }])
            .page('/b2', [{ to: '/c3' }])
            .page('/b3', [{ to: '/c4' }]);
        site.page('/c1', [{ to: '/d' }])
            .page('/c2')
            .page('/c3')
            .page('/c4')
            .page('/d');
        const view = mapView(packSurvey(site.measure()).survey, null, []);
        expect(view.most).toEqual({ from: 2, to: 3, pages: 7 });
        expect([view.deepest, view.reached, view.unreached]).toEqual([4, 10, 0]);
    });

    it('tells nothing of depths where links reach no page', () => {
        const view = mapView(packSurvey(new Site().page('/x').measure()).survey, null, []);
        expect(view.most).toBeNull();
    });

    it('tells of a page what its own columns say', () => {
        const site = new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/a' }])
            .page('/a', [{ to: '/b' }, { to: '/' }], { title: 'Saws', words: 12 })
            .page('/b')
            .page('/alone');
        const { survey } = packSurvey(site.measure());
        const card = (path: string) => mapCard(survey, survey.nodeOf(`${ORIGIN}${path}`));
        expect(card('/a')).toMatchObject({
            title: 'Saws',
            gate: 'indexable',
            depth: 1,
            words: 12,
            waysIn: 1,
            waysOut: 2,
            behind: 1,
        });
        expect(card('/alone')).toMatchObject({ depth: null, waysIn: 0, behind: 0 });
    });
});
