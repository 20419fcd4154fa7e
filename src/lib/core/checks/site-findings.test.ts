import { describe, expect, it } from 'vitest';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { checkView, NO_GOALS } from '../../../../tests/support/checks.ts';
import { randomSite } from '../../../../tests/support/random-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import { causesOf } from './causes.ts';
import { isKnown } from './check.ts';
import { pageFindings } from './page-findings.ts';
import { CHECKS } from './register.ts';
import { siteFindings } from './site-findings.ts';

const isOfPage = (check: string): boolean => CHECKS.some(({ id, ofPage }) => id === check && ofPage !== null);

const all = (survey: PackedSurvey) => [...siteFindings(checkView(survey))];

/** The same site, its lists and blocks numbered the other way round: as if its answers had come in another order. */
function backwards(site: Site): Site {
    const { lists, blocks, pageBlocks } = site.rows;
    const turned = (ids: readonly number[]): ((id: number) => number) => {
        const most = Math.max(...ids);
        return (id) => most - id + 1;
    };
    const [list, block] = [turned(lists.map(({ id }) => id)), turned(blocks.map(({ id }) => id))];
    for (const row of lists) row.id = list(row.id);
    for (const row of blocks) [row.id, row.list] = [block(row.id), list(row.list)];
    for (const row of pageBlocks) row.block = block(row.block);
    lists.reverse();
    blocks.reverse();
    return site;
}

describe('the findings of a site', () => {
    it('tell a link of a template once, with its pages, and one in a sentence where it stands', () => {
        const site = new Site().known('/', 'manual').page('/gone', [], { status: 404, words: null });
        for (const path of ['/', '/a', '/b', '/c']) site.page(path, path === '/c' ? [{ to: '/gone' }] : []);
        site.share(['/', '/a', '/b'], [{ to: '/a' }, { to: '/b' }, { to: '/c' }, { to: '/gone' }]);
        const survey = packSurvey(site.measure()).survey;
        const links = all(survey).filter(({ finding }) => finding.check === 'link-to-error');
        expect(links.map(({ node, to, template, pages }) => [survey.url(node), to, template, pages])).toEqual([
            [`${ORIGIN}/`, `${ORIGIN}/gone`, 0, 3],
            [`${ORIGIN}/c`, `${ORIGIN}/gone`, -1, 1],
        ]);
    });

    it('are those of its pages, taken one by one, on random sites', () => {
        for (let seed = 1; seed <= 25; seed++) {
            const survey = packSurvey(randomSite(seed).measure()).survey;
            const { pageBlocks, blockTemplate } = linkGraphOf(survey);
            /** Page by page as the sheet has them; a link of a template once for all pages. */
            const wanted = new Set<string>();
            const view = checkView(survey);
            for (let node = 0; node < survey.count; node++) {
                for (const check of CHECKS.filter((item) => isKnown(item, survey))) {
                    if (check.ofPage?.(view)(node)) wanted.add(`${check.id} ${survey.url(node)}`);
                }
            }
            const found = all(survey);
            expect(
                new Set(
                    found
                        .filter(({ finding }) => isOfPage(finding.check))
                        .map(({ finding, node }) => `${finding.check} ${survey.url(node)}`),
                ),
            ).toEqual(wanted);
            // Each link that the sheet of a page tells is told of the site: there, or of the template it stands in.
            for (let node = 0; node < survey.count; node++) {
                for (const { finding } of pageFindings(view, node).findings) {
                    const { check, place, params } = finding;
                    if (place === null || isOfPage(check)) continue;
                    const template = blockTemplate[pageBlocks[place.pageBlock]!]!;
                    const isTold = found.some(
                        (item) =>
                            item.finding.check === check &&
                            JSON.stringify(item.finding.params) === JSON.stringify(params) &&
                            (template === -1 ? item.node === node : item.template === template),
                    );
                    expect(isTold, `${seed} ${check} ${survey.url(node)}`).toBe(true);
                }
            }
        }
    });

    it('are told in one order, and with the same causes, whichever answer came first', () => {
        for (let seed = 1; seed <= 25; seed++) {
            const told = (site: Site): string[] => {
                const { survey } = packSurvey(site.measure());
                const findings = all(survey).map(({ finding, node, to, cause }) =>
                    JSON.stringify([finding.check, finding.params, survey.url(node), to, finding.place, cause]),
                );
                return [...findings, ...causesOf(checkView(survey)).open.map(({ key }) => key)];
            };
            expect(told(backwards(randomSite(seed))), `seed ${seed}`).toEqual(told(randomSite(seed)));
        }
    });

    it('hold a page to the goal of its priority, else to that of all pages', () => {
        const site = new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/a' }, { to: '/b' }])
            .page('/a')
            .page('/b');
        const survey = packSurvey(site.measure()).survey;
        const priority = new Uint8Array(survey.count);
        priority[survey.nodeOf(`${ORIGIN}/a`)] = 1;
        const deep = (goals: object): string[] =>
            [...siteFindings(checkView(survey, { goals: { ...NO_GOALS, ...goals }, priority }))]
                .filter(({ finding }) => finding.check === 'deeper-than-goal')
                .map(({ node }) => survey.url(node).slice(ORIGIN.length));
        expect(deep({})).toEqual([]);
        expect(deep({ first: 0 })).toEqual(['/a']);
        expect(deep({ all: 0, first: 1 })).toEqual(['/b']);
    });

    it('leave out what a survey cannot know', () => {
        const site = new Site().known('/', 'manual').page('/').page('/lone').known('/lone');
        const told = (info: object) => all(packSurvey(site.measure(info)).survey).map(({ finding }) => finding.check);
        expect(told({})).toContain('orphan-strict');
        expect(told({ state: 'stopped', cut: ['stopped'] })).not.toContain('orphan-strict');
    });
});
