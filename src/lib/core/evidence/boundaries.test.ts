import { describe, expect, it } from 'vitest';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import type { PageRow, SurveyInfo } from '../survey/survey-rows.ts';
import { lostFolders } from '../areas/completeness.ts';
import { matchList } from '../areas/list-matches.ts';
import type { ListRow } from './evidence-lists.ts';
import { linksIn } from '../areas/links-in.ts';
import { winningVariants } from '../areas/variants.ts';
import { NearestPages } from '../areas/nearest.ts';
import { told } from '../../../../tests/support/problems.ts';

const pack = (site: Site, info: Partial<SurveyInfo> = {}): PackedSurvey => packSurvey(site.measure(info)).survey;
const row = (url: string, source = ''): ListRow => ({ url: `${ORIGIN}${url}`, source, cells: [] });

describe('lostFolders', () => {
    it('names a folder of two URLs, not of one, and only where none of them is reached', () => {
        const site = new Site().known('/', 'manual').page('/', [{ to: '/part/reached' }]);
        for (const path of ['/two/a', '/two/b', '/one/a', '/part/reached', '/part/lost']) site.page(path).known(path);
        expect(lostFolders(pack(site)).map(({ folder, urls }) => [folder, urls])).toEqual([['/two/', 2]]);
    });

    it('names the highest folder only', () => {
        const site = new Site().known('/', 'manual').page('/');
        for (const path of ['/a/b/1', '/a/b/2', '/a/c/1', '/a/c/2']) site.page(path).known(path);
        expect(lostFolders(pack(site)).map(({ folder }) => folder)).toEqual(['/a/']);
    });
});

describe('matchList', () => {
    it('counts a URL once, however many rows name it; each row that matches nothing is told', () => {
        const site = new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/a' }])
            .page('/a');
        const rows = [
            row('/a', 'https://x.example/'),
            row('/a', 'https://y.example/'),
            row('/'),
            row('/no'),
            row('/no'),
        ];
        const matches = matchList(pack(site), rows);
        expect(matches).toMatchObject({ read: 2, notRead: 0, later: 0 });
        expect(matches.unmatched).toHaveLength(2);
    });

    it('tells what became known since from what was not read for another reason', () => {
        const left = (notRead: PageRow['notRead']): Partial<PageRow> => ({ status: null, notRead, contentType: '' });
        const site = new Site().known('/', 'manual').page('/', [{ to: '/limit' }]);
        site.page('/limit', [], left('limit')).page('/later', [], left('later')).known('/later', 'log');
        expect(matchList(pack(site), [row('/limit'), row('/later')])).toMatchObject({
            read: 0,
            notRead: 2,
            later: 1,
        });
    });
});

describe('links from elsewhere', () => {
    it.each([
        [200, 'page'],
        [204, 'page'],
        [299, 'page'],
        [300, 'error'],
        [304, 'error'],
        [404, 'error'],
        [500, 'error'],
    ])('that land on status %i land on: %s', (status, landing) => {
        const site = new Site().known('/', 'manual').page('/').page('/x', [], { status });
        expect(linksIn(pack(site), [row('/x', 'https://other.example/')])[0]?.landing).toBe(landing);
    });

    it('go to the variant with more links; a tie goes to the origin of the start page', () => {
        const http = ORIGIN.replace('https', 'http');
        const site = new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/a' }, { to: `${http}/b` }, { to: `${http}/a` }]);
        site.page('/a').page('/b', [{ to: `${http}/b` }]);
        // Of the site too, as URLs of the record.
        site.page(`${http}/a`).page(`${http}/b`);
        for (const row of site.rows.addresses) row.internal = true;
        const packed = pack(site);
        const winners = winningVariants(packed);
        const of = (url: string): string => packed.url(winners.get(packed.nodeOf(url))!);
        expect(of(`${http}/a`)).toBe(`${ORIGIN}/a`);
        expect(of(`${ORIGIN}/b`)).toBe(`${http}/b`);
    });
});

describe('NearestPages', () => {
    /** Reached pages with titles, and one orphan to be placed. */
    function site(pages: Record<string, string>, orphan: string, title: string): PackedSurvey {
        const made = new Site().known('/', 'manual').page(
            '/',
            Object.keys(pages).map((to) => ({ to })),
            { title: 'Start' },
        );
        for (const [path, name] of Object.entries(pages)) made.page(path, [], { title: name });
        return pack(made.page(orphan, [], { title }).known(orphan));
    }
    const near = (survey: PackedSurvey, of: string, most = 5): string[] =>
        new NearestPages(survey)
            .of(survey.nodeOf(ORIGIN + of), most)
            .map(({ node }) => survey.url(node).slice(ORIGIN.length));

    it('names no page of a list: what it shows is another thing next week', () => {
        const survey = site({ '/saws': 'Saws', '/saws/page/2': 'Saws' }, '/x/orphan', 'Saws');
        expect(near(survey, '/x/orphan')).toEqual(['/saws']);
    });

    it('may name the start page, and never one that links do not reach or that stops at a gate', () => {
        const made = new Site().known('/', 'manual').page('/', [{ to: '/shut' }], { title: 'Saws' });
        made.page('/shut', [], { title: 'Saws', noindex: true, noindexReason: told('meta') });
        made.page('/x/lone', [], { title: 'Saws' }).known('/x/lone').page('/x/orphan', [], { title: 'Saws' });
        expect(near(pack(made.known('/x/orphan')), '/x/orphan')).toEqual(['/']);
    });

    it('does not count words that more than a fifth of the pages have', () => {
        const pages = Object.fromEntries(
            Array.from({ length: 20 }, (_, n) => [`/p${n}/`, n < 5 ? 'Common' : `Own${'q'.repeat(n)}`]),
        );
        // "common" is on 5 of 21 pages, more than a fifth; "rare" on one.
        const survey = site({ ...pages, '/rare/': 'Rare' }, '/x/orphan', 'Common Rare');
        expect(near(survey, '/x/orphan')).toEqual(['/rare/']);
    });

    it('takes the one with the smaller depth of two that are as near, then the first by URL', () => {
        const made = new Site().known('/', 'manual').page('/', [{ to: '/z/' }, { to: '/m/' }], { title: 'Start' });
        made.page('/m/', [{ to: '/a/' }], { title: 'Middle' });
        made.page('/z/', [], { title: 'Planes' }).page('/a/', [], { title: 'Planes' });
        const survey = pack(made.page('/x/orphan', [], { title: 'Planes' }).known('/x/orphan'));
        expect(near(survey, '/x/orphan')).toEqual(['/z/', '/a/']);
    });
});
