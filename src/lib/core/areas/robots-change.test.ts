import { describe, expect, it } from 'vitest';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { robotsChange } from './robots-change.ts';

/**
 * Start → guides → shears → deep; the tool leads to deep as well, and stands in the sitemap. What is closed was not read,
 * and a picture beside it is no page.
 */
const { survey } = packSurvey(
    new Site()
        .known('/', 'manual')
        .known('/tools/saw', 'sitemap')
        .page('/', [{ to: '/guides/' }, { to: '/members/' }, { to: '/pictures/saw.png', kind: 'img' }])
        .page('/guides/', [{ to: '/guides/shears' }, { to: '/tools/saw' }])
        .page('/guides/shears', [{ to: '/deep' }])
        .page('/tools/saw', [], { noindex: true })
        .page('/deep')
        .page('/members/', [], { status: null, robotsAllowed: false, notRead: 'robots' })
        .measure(),
);

const BEFORE = 'User-agent: *\nDisallow: /members/\n';
const change = (after: string, agent = 'edgemap') => robotsChange(survey, ORIGIN, { before: BEFORE, after }, agent);
const paths = (some: { first: string[] } | null): string[] =>
    (some?.first ?? []).map((url) => url.slice(ORIGIN.length));

describe('another robots.txt', () => {
    it('that says the same changes nothing', () => {
        const none = { count: 0, first: [] };
        const all = { closes: none, opens: none, lost: none, dropped: none, listed: none, unread: 0 };
        expect(change(`# a comment\n${BEFORE}`)).toEqual({ ...all, decides: [[3, 1]] });
    });

    it('closes, drops from the index, and takes the only path away from what lies behind', () => {
        const { closes, dropped, lost, listed } = change(`${BEFORE}Disallow: /guides/shears$\n`);
        expect([paths(closes), paths(dropped), paths(lost), paths(listed)]).toEqual([
            ['/guides/shears'],
            ['/guides/shears'],
            ['/deep'],
            [],
        ]);
    });

    it('keeps what another path leads to, and tells of the sitemap; noindexed pages cannot drop out', () => {
        const { closes, dropped, lost, listed } = change(`${BEFORE}Disallow: /tools/\n`);
        expect([paths(closes), paths(dropped), paths(lost), paths(listed)]).toEqual([
            ['/tools/saw'],
            [],
            [],
            ['/tools/saw'],
        ]);
    });

    it('opens what was never read, and says so', () => {
        expect(change('User-agent: *\nDisallow:\n')).toMatchObject({
            opens: { count: 1 },
            closes: { count: 0 },
            unread: 1,
        });
    });

    it('counts what is no page, and judges for the agent that is asked for', () => {
        const after = `${BEFORE}\nUser-agent: otter\nDisallow: /pictures/\n`;
        expect(change(after).closes.count).toBe(0);
        expect(paths(change(after, 'otter').closes)).toEqual(['/pictures/saw.png']);
        expect(paths(change(after, 'otter').opens)).toEqual(['/members/']);
    });
});
