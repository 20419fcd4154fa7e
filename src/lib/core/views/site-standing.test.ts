import { describe, expect, it } from 'vitest';
import { Site } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { siteStanding } from './site-standing.ts';

const chain = (): Site => {
    const site = new Site().known('/', 'manual').page('/', [{ to: '/1' }]);
    for (let n = 1; n < 30; n++) site.page(`/${n}`, n < 29 ? [{ to: `/${n + 1}` }] : [], { noindex: n === 3 });
    return site.page('/lone').known('/lone');
};

describe('where a site stands', () => {
    it('is told by pages, what links reach, orphans and depths', () => {
        const standing = siteStanding(packSurvey(chain().measure()).survey);
        expect(standing).toMatchObject({ pages: 31, reached: 30, orphans: 1, indexable: 30 });
        expect(standing.depths.slice(0, 4)).toEqual([
            { from: 0, to: 0, pages: 1, indexable: 1 },
            { from: 1, to: 1, pages: 1, indexable: 1 },
            { from: 2, to: 2, pages: 1, indexable: 1 },
            { from: 3, to: 3, pages: 1, indexable: 0 },
        ]);
        // However deep it is, a few bars tell it, and none is left out.
        expect(standing.depths.length).toBeLessThan(12);
        expect(standing.depths.at(-1)!.to).toBe(29);
        expect(standing.depths.reduce((sum, { pages }) => sum + pages, 0)).toBe(30);
    });

    it('claims no orphans where the survey is partial', () => {
        const { survey } = packSurvey(chain().measure({ state: 'stopped', cut: ['stopped'] }));
        expect(siteStanding(survey).orphans).toBeNull();
    });
});
