import { describe, expect, it } from 'vitest';
import { nodesIn } from '../../../../tests/support/sets.ts';
import { randomSite } from '../../../../tests/support/random-site.ts';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { NEAR_KINDS, stepsFrom } from '../areas/neighbourhood.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { aroundView, NEAR_GROUPS, pathsTold, type AroundAsked, type NearSide } from './around.ts';

/**
 * A menu on all ten pages leads to /, /saws/ and /help; /saws/ lists /saws/a and /saws/b; /note, in its text, speaks of
 * /saws/a, and /saws/a of /saws/b and /x4; /old redirects to /saws/a; /print names /saws/a as its canonical.
 */
function site(): Site {
    const made = new Site().known('/', 'manual').page('/', [{ to: '/note' }]);
    made.page('/saws/', [{ to: '/saws/a' }, { to: '/saws/b' }, { to: '/old' }]);
    made.page('/saws/a', [{ to: '/saws/b' }, { to: '/x4' }])
        .page('/saws/b', [{ to: '/x1' }])
        .page('/help', [{ to: '/x2' }]);
    made.page('/note', [{ to: '/saws/a' }, { to: '/x3' }])
        .page('/x1')
        .page('/x2')
        .page('/x3')
        .page('/x4');
    made.page('/old', [], { status: 301, words: null, redirectTo: made.id('/saws/a') });
    const pages = ['/', '/saws/', '/saws/a', '/saws/b', '/help', '/note', '/x1', '/x2', '/x3', '/x4'];
    return made.share(pages, [{ to: '/' }, { to: '/saws/' }, { to: '/help' }]);
}
const { survey } = packSurvey(site().measure());
const node = (path: string): number => survey.nodeOf(`${ORIGIN}${path}`);
const around = (path: string, asked: Partial<AroundAsked> = {}) =>
    aroundView(survey, { of: [node(path)], steps: 1, ways: 'both', kinds: ['text'], group: 'block', ...asked });
const pathsOf = (side: NearSide | null): string[] =>
    side!.groups.flatMap(({ pages }) => pages.map(({ url }) => url.slice(ORIGIN.length))).sort();

describe('the pages around a page', () => {
    it('are those that text leads to and from; menus are told as one', () => {
        const view = around('/saws/a');
        expect([pathsOf(view.in), pathsOf(view.on)]).toEqual([
            ['/note', '/saws/'],
            ['/saws/b', '/x4'],
        ]);
        expect(view.in!.shared).toBeNull();
        // Of what the menu leads to nothing is shown: the start page, the list, help.
        expect(view.on!.shared!.total).toBe(3);
        expect(view.on!.shared!.names).toHaveLength(1);
        expect(around('/help').in!.shared!.total).toBe(9);
    });

    it('grow by steps, by the kinds of links and the directions that are chosen', () => {
        expect(pathsOf(around('/saws/a', { kinds: ['text', 'redirect'] }).in)).toEqual(['/note', '/old', '/saws/']);
        expect(around('/saws/a', { kinds: ['text', 'shared'] }).on!.total).toBe(5);
        expect(around('/saws/a', { kinds: ['text', 'shared'] }).on!.shared).toBeNull();
        const far = around('/saws/a', { steps: 3, ways: 'on' });
        expect(far.in).toBeNull();
        // /saws/b, then /x1, then nothing.
        expect(far.on!.beyond.map(({ total }) => total)).toEqual([1, 0]);
    });

    it('stay where they are while more is found around them', () => {
        const [one, two] = [around('/saws/a'), around('/saws/a', { steps: 2 })];
        expect(two.in!.groups).toEqual(one.in!.groups);
        expect(two.on!.groups).toEqual(one.on!.groups);
    });

    it('are in one group each, whatever they are grouped by, and its set names them, on random sites', () => {
        for (let seed = 1; seed <= 6; seed++) {
            const { survey: random } = packSurvey(randomSite(seed).measure());
            for (const group of NEAR_GROUPS) {
                for (const of of nodesIn(random, 'page')
                    .slice(0, 6)
                    .map((own) => [own])) {
                    const view = aroundView(random, { of, steps: 2, ways: 'both', kinds: NEAR_KINDS, group });
                    for (const [side, direction] of [
                        [view.in!, 'in'],
                        [view.on!, 'out'],
                    ] as const) {
                        const first = stepsFrom(random, of, NEAR_KINDS, direction, 1)[0]!;
                        expect(side.total).toBe(first.length);
                        const named = side.groups.flatMap(({ set }) => nodesIn(random, set!));
                        expect(named.sort((a, b) => a - b)).toEqual(first);
                    }
                }
            }
        }
    });

    it('of one kind are what the set language says, on random sites', () => {
        for (let seed = 1; seed <= 6; seed++) {
            const { survey: random } = packSurvey(randomSite(seed).measure());
            for (const own of nodesIn(random, 'page').slice(0, 8)) {
                const page = `url is "${random.url(own)}"`;
                const [into] = stepsFrom(random, [own], ['text', 'shared'], 'in', 1);
                expect(into).toEqual(nodesIn(random, `links to (${page}) and not (${page})`));
                const [on] = stepsFrom(random, [own], ['text', 'shared'], 'out', 1);
                expect(on).toEqual(nodesIn(random, `linked from (${page}) and not (${page})`));
            }
        }
    });
});

describe('the paths between two pages', () => {
    it('are counted, and told again without a page', () => {
        // From the start page: by the menu to /saws/, or by /note; two clicks either way.
        const told = pathsTold(survey, node('/'), node('/saws/a'), node('/note'));
        expect([told.clicks, told.paths]).toEqual([2, 2]);
        expect(told.through.map(({ url }) => url.slice(ORIGIN.length)).sort()).toEqual(['/note', '/saws/']);
        expect(told.without).toEqual({ url: `${ORIGIN}/note`, clicks: 2, paths: 1 });
        expect(told.path!.steps.map(({ url }) => url.slice(ORIGIN.length))[0]).toBe('/');
    });

    it('are none where nothing leads there, also only without a page', () => {
        const alone = packSurvey(
            new Site()
                .known('/', 'manual')
                .page('/', [{ to: '/a' }])
                .page('/a', [{ to: '/b' }])
                .page('/b')
                .measure(),
        );
        const at = (path: string): number => alone.survey.nodeOf(`${ORIGIN}${path}`);
        expect(pathsTold(alone.survey, at('/b'), at('/'), -1)).toMatchObject({ path: null, paths: 0, without: null });
        expect(pathsTold(alone.survey, at('/'), at('/b'), at('/a'))).toMatchObject({
            clicks: 2,
            paths: 1,
            without: { clicks: null, paths: 0 },
        });
    });
});
