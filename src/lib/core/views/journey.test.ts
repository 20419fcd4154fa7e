import { describe, expect, it } from 'vitest';
import { nodesIn } from '../../../../tests/support/sets.ts';
import { randomSite } from '../../../../tests/support/random-site.ts';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { siteWalks, WALKERS } from '../map/site-walks.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { journeyView } from './journey.ts';

/**
 * / leads to /shop/ and, declined, to /help; /shop/ to /shop/a and back; /shop/a to /old, which redirects to /shop/b, and
 * to /gone, which answers 404; /shop/b leads nowhere. A menu on / and /shop/ leads to /help.
 */
function site(): Site {
    const made = new Site().known('/', 'manual');
    made.page('/', [
        { to: '/shop/', anchor: 'The shop' },
        { to: '/help', rel: 'nofollow', anchor: 'Help' },
    ]);
    made.page('/shop/', [{ to: '/shop/a', anchor: 'A saw' }, { to: '/' }, { to: 'https://else.example/' }]);
    made.page('/shop/a', [{ to: '/old', anchor: 'moved' }, { to: '/gone', anchor: 'gone' }, { to: '/shop/' }]);
    made.page('/old', [], { status: 301, words: null, redirectTo: made.id('/shop/b') });
    made.page('/gone', [], { status: 404, words: null });
    made.page('/shop/b').page('/help');
    return made.share(['/', '/shop/'], [{ to: '/help', anchor: 'Help' }]);
}
const { survey } = packSurvey(site().measure());
const node = (path: string): number => survey.nodeOf(`${ORIGIN}${path}`);
const walk = (as: 'reader' | 'robot', ...paths: string[]) => journeyView(survey, paths.map(node), as);
const paths = (urls: { url: string }[]): string[] => urls.map(({ url }) => url.slice(ORIGIN.length));

describe('a walk through the site', () => {
    it('tells the ways on by block, in the order of the page, and where they end', () => {
        const { blocks } = walk('reader', '/', '/shop/', '/shop/a');
        expect(blocks.map(({ name, pages, ways }) => [name, pages, paths(ways)])).toEqual([
            ['text', 1, ['/shop/b', '/gone', '/shop/']],
        ]);
        const [redirected, gone, back] = blocks[0]!.ways;
        expect([redirected!.anchor, redirected!.end]).toEqual(['moved', '']);
        expect(gone!.end).toMatch(/^Stops at response: .*404/);
        expect(back!.been).toEqual([1]);
    });

    it('names loops, dead ends and jumps', () => {
        const { steps, loops, ends, pages } = walk('reader', '/', '/shop/', '/', '/shop/b', '/gone');
        expect(steps.map(({ by, before }) => [by, before])).toEqual([
            ['start', null],
            ['link', null],
            ['link', 0],
            ['jump', null],
            ['jump', null],
        ]);
        expect(steps.map(({ end }) => end !== '')).toEqual([false, false, false, true, true]);
        expect(steps[3]!.end).toBe('Nothing on it leads on within the site.');
        expect([loops, ends, pages]).toEqual([1, 2, 4]);
        expect(steps[1]!.anchor).toBe('The shop');
    });

    it('goes as a robot only where links are followed', () => {
        expect(walk('reader', '/').blocks.flatMap(({ ways }) => paths(ways))).toEqual(['/shop/', '/help', '/help']);
        expect(walk('robot', '/').blocks.flatMap(({ ways }) => paths(ways))).toEqual(['/shop/', '/help']);
        const menu = walk('reader', '/').blocks.at(-1);
        expect([menu!.isTemplate, menu!.pages]).toEqual([true, 2]);
    });

    it('counts links out of the site, and what it never came near', () => {
        const { blocks, missed, far, sections } = walk('reader', '/', '/shop/');
        expect(blocks.reduce((sum, { outside }) => sum + outside, 0)).toBe(1);
        // Reached are /, /shop/, /shop/a, /shop/b and /help; /shop/b is two clicks from /shop/.
        expect(nodesIn(survey, far.set).map((at) => survey.url(at).slice(ORIGIN.length))).toEqual(['/shop/b']);
        expect(far.pages).toBe(1);
        expect(missed.length).toBeLessThan(sections);
        for (const { set } of missed) expect(nodesIn(survey, set).length).toBeGreaterThan(0);
    });

    it('has sets of the sizes it tells, on random sites', () => {
        for (let seed = 1; seed <= 8; seed++) {
            const { survey: random } = packSurvey(randomSite(seed).measure());
            const trail = nodesIn(random, 'page and reached').slice(0, 4);
            if (trail.length === 0) continue;
            for (const as of WALKERS) {
                const view = journeyView(random, trail, as);
                expect(nodesIn(random, view.trailSet)).toEqual(trail);
                expect(nodesIn(random, view.far.set).length, `seed ${seed}, ${as}`).toBe(view.far.pages);
            }
        }
    });
});

describe('random walks over a site', () => {
    const asked = { as: 'reader', walks: 2_000, clicks: 10, seed: 11, deadEnds: true, goal: node('/shop/b') } as const;

    it('tell where walks get stuck, how sections share them, and what they never met', () => {
        const told = siteWalks(survey, asked);
        expect(told.steps).toBe(2_000 * 11);
        expect(paths(told.ends).sort()).toEqual(['/gone', '/help', '/shop/b']);
        expect(told.sections.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
        expect(told.sections.reduce((sum, { standing }) => sum + standing, 0)).toBeCloseTo(1, 9);
        expect([told.unmet, told.reached]).toEqual([0, 5]);
        // Three clicks at the least: the shop, the saw, and the one that moved.
        expect(told.goal!.clicks).toBeGreaterThanOrEqual(3);
        expect(told.goal!.met).toBeGreaterThan(100);
    });

    it('leave out what cannot be read on where they are told to', () => {
        const told = siteWalks(survey, { ...asked, deadEnds: false });
        expect(paths(told.ends).sort()).toEqual(['/help', '/shop/b']);
    });

    it('take no step where the start page cannot be read', () => {
        const none = packSurvey(new Site().known('/', 'manual').page('/', [], { status: 500, words: null }).measure());
        const told = siteWalks(none.survey, { ...asked, goal: -1 });
        expect([told.steps, told.stuck, told.reached, told.goal]).toEqual([0, 0, 0, null]);
        const { ends, sections, steps } = journeyView(none.survey, [0], 'reader');
        expect([ends, sections, steps[0]!.end]).toEqual([1, 0, expect.stringMatching(/500/)]);
    });

    it('take no more steps than can be waited for', () => {
        const { walks, clicks } = siteWalks(survey, { ...asked, walks: 1e9, clicks: 1e9 });
        expect(walks * clicks).toBeLessThanOrEqual(5_000_000);
    });
});
