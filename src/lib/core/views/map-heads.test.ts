import { describe, expect, it } from 'vitest';
import { nodesIn } from '../../../../tests/support/sets.ts';
import { randomSite } from '../../../../tests/support/random-site.ts';
import { Site } from '../../../../tests/support/small-site.ts';
import { readOutline } from '../compare/intended.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { intendedHead, mapHead } from './map-heads.ts';

/** / leads to /a (with four below it), /b (with two) and /c; /b2 is reached through /b and /c. */
function site(): Site {
    const made = new Site().known('/', 'manual').page('/', [{ to: '/a' }, { to: '/b' }, { to: '/c' }]);
    made.page('/a', [{ to: '/a1' }, { to: '/a2' }]).page('/a1', [{ to: '/a3' }, { to: '/a4' }]);
    made.page('/b', [{ to: '/b1' }, { to: '/b2' }]).page('/c', [{ to: '/b2' }]);
    for (const path of ['/a2', '/a3', '/a4', '/b1', '/b2']) made.page(path);
    return made;
}

describe('the headline of the map', () => {
    it('names as few branches as hold half of what is below the start page', () => {
        const head = mapHead(packSurvey(site().measure()).survey, 'branch', 'way');
        // Nine pages below it: /a with its four is more than half.
        expect(head).toMatchObject({ by: 'way', reached: 10, half: 1, branches: 3 });
        expect(head.by === 'way' && head.largest.map(({ name, pages }) => [name, pages])).toEqual([['a', 5]]);
    });

    it('names what truly holds, with sets of that size', () => {
        const { survey } = packSurvey(site().measure());
        const head = mapHead(survey, 'branch', 'hold');
        if (head.by !== 'hold') throw new Error('another headline');
        expect(head.largest.map(({ name, pages }) => [name, pages])).toEqual([
            ['a', 4],
            ['b', 1],
        ]);
        for (const { set, pages } of head.largest) expect(nodesIn(survey, set).length).toBe(pages);
        // The start page, /a, /b, /c and /b2, to which two ways lead.
        expect([head.free, nodesIn(survey, head.freeSet).length]).toEqual([5, 5]);
    });

    it('counts what is apart from its folder, as the set does, and the pages that can be judged', () => {
        for (let seed = 1; seed <= 6; seed++) {
            const { survey } = packSurvey(randomSite(seed).measure());
            const head = mapHead(survey, 'address', 'way');
            if (head.by !== 'address') throw new Error('another headline');
            expect(head.apart).toBe(nodesIn(survey, 'apart from its folder').length);
            expect(head.judged).toBeGreaterThanOrEqual(head.apart);
            expect(head.pages).toBe(nodesIn(survey, 'page').length);
        }
    });

    it('says nothing of branches where links reach no page', () => {
        const { survey } = packSurvey(new Site().page('/x').measure());
        expect(mapHead(survey, 'branch', 'way')).toMatchObject({ reached: 0, largest: [], half: 0, branches: 0 });
        expect(mapHead(survey, 'branch', 'hold')).toMatchObject({ reached: 0, largest: [], free: 0 });
    });

    it('counts how what is meant stands, with sets of that size', () => {
        const { survey } = packSurvey(site().measure());
        const outline = readOutline('/\n  /a\n  /b\n    /a3\n  /planned\n');
        if (!outline.ok) throw new Error(outline.say);
        const head = intendedHead(survey, outline.pages);
        if (head.by !== 'intended') throw new Error('another headline');
        // /a3 hangs from /a1, not from /b; /planned is not there.
        expect([head.meant, head.asIntended.pages]).toEqual([5, 3]);
        expect(head.parted.map(({ parting, pages }) => [parting, pages]).sort()).toEqual([
            ['missing', 1],
            ['not linked from its parent', 1],
        ]);
    });
});
