import { describe, expect, it } from 'vitest';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { problem, writeProblem } from '../problems/problem.ts';
import type { SurveyInfo } from '../survey/survey-rows.ts';
import { findingSentence } from '../words/checks.ts';
import { isKnown } from './check.ts';
import { causesOf } from './causes.ts';
import { pageFindings } from './page-findings.ts';
import type { FindingParams } from '../words/finding-params.ts';
import { CHECKS } from './register.ts';
import { checkView, NO_GOALS, withGoal } from '../../../../tests/support/checks.ts';
import { canonicals, plain, redirects, shared, whole, type Planted } from '../../../../tests/support/planted-site.ts';
import { PLANTED_GROUPS, PLANTED_LINK_ENDS, PLANTED_MARKUP } from '../../../../tests/support/planted-markup.ts';
import { PLANTED_ANCHORS, PLANTED_PARTS } from '../../../../tests/support/planted-anchors.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

const pack = (site: Site, info: Partial<SurveyInfo> = {}, words = new Map<string, number>()) => {
    const { rows, info: head } = site.measure(info);
    const main = new Map(
        [...words].map(([path, count]) => [site.id(path), { hash: path, words: count, signature: null }]),
    );
    return packSurvey({ rows, info: head }, { body: new Map(), main }).survey;
};

/** A fault planted for each check of pages, and its near miss: complete by type. */
const PLANTED: { [I in keyof FindingParams]: () => Planted } = {
    'orphan-strict': () => ({ site: whole().page('/lone', [], plain).known('/lone'), at: '/lone', not: '/' }),
    'orphan-adrift': () => ({
        site: whole()
            .page('/x', [{ to: '/y' }], plain)
            .page('/y', [{ to: '/x' }], plain)
            .known('/x'),
        at: '/y',
        not: '/a/one',
    }),
    'thin-hold': () => ({
        site: whole()
            .page('/a/one', [{ to: '/thin' }])
            .page('/thin', [], plain),
        at: '/thin',
        not: '/a/two',
    }),
    'decline-only': () => ({
        site: whole()
            .page('/', [{ to: '/declined', rel: 'nofollow' }])
            .page('/declined', [{ to: '/' }], plain),
        at: '/declined',
        not: '/a/one',
    }),
    'listing-only': () => ({
        site: whole()
            .page('/a/one', [{ to: '/list?page=2' }])
            .page('/list?page=2', [{ to: '/only' }], plain)
            .page('/only', [], plain),
        at: '/only',
        not: '/list?page=2',
    }),
    'deeper-than-goal': () => ({ site: whole(), at: '/a/one', not: '/', goal: 0 }),
    'dead-end': () => ({
        site: whole()
            .page('/a/one', [{ to: '/end' }, { to: '/out' }])
            .page('/end', [], plain)
            .page('/out', [{ to: 'https://other.example/' }], plain),
        at: '/end',
        not: '/out',
    }),
    'link-to-error': () => ({
        site: whole()
            .page('/c', [{ to: '/gone' }], plain)
            .page('/gone', [], { status: 404, words: null }),
        at: '/c',
        not: '/a/one',
    }),
    'link-to-redirect': () => ({
        site: whole()
            .page('/c', [{ to: '/old' }], plain)
            .page('/old', [], { status: 301, words: null }),
        at: '/c',
        not: '/a/one',
    }),
    'link-to-closed': () => ({
        site: whole()
            .page('/c', [{ to: '/shut' }], plain)
            .page('/shut', [], { status: null, notRead: 'robots', robotsAllowed: false, words: null }),
        at: '/c',
        not: '/a/one',
    }),
    'noindex-unseen': () => ({
        site: whole()
            .page('/c', [], { ...plain, robotsAllowed: false, noindex: true })
            .page('/d', [], { ...plain, noindex: true }),
        at: '/c',
        not: '/d',
    }),
    'sitemap-lists-stopped': () => ({
        site: whole()
            .page('/c', [], { ...plain, noindex: true })
            .known('/c')
            .page('/d', [], { ...plain, noindex: true }),
        at: '/c',
        not: '/d',
    }),
    'sitemap-lacks': () => ({ site: whole().page('/c', [], plain), at: '/c', not: '/a/one' }),
    'title-missing': () => ({
        site: whole()
            .page('/c', [], { ...plain, title: '' })
            .page('/d', [], { title: '', status: 404, words: null }),
        at: '/c',
        not: '/d',
    }),
    'h1-missing': () => ({ site: whole().page('/c', [], { ...plain, h1: '' }), at: '/c', not: '/a/one' }),
    'few-words': () => ({
        site: whole(),
        at: '/a/one',
        not: '/a/two',
        words: new Map([
            ['/a/one', 49],
            ['/a/two', 50],
        ]),
    }),
    'same-title': () => ({
        site: whole()
            .page('/c', [], { ...plain, title: 'Twin' })
            .page('/d', [], { ...plain, title: ' twin' })
            .page('/e', [], { ...plain, title: '' })
            .page('/f', [], { ...plain, title: '' }),
        at: '/c',
        not: '/e',
    }),
    'server-error': () => ({
        site: whole().page('/c', [], { status: 503, words: null }).page('/d', [], { status: 404, words: null }),
        at: '/c',
        not: '/d',
    }),
    'type-lies': () => ({
        site: whole()
            .page('/c', [], { ...plain, typeNote: writeProblem(problem('type-unsaid', { begins: 'text/html' })) })
            .page('/d', [], plain),
        at: '/c',
        not: '/d',
    }),
    'body-trouble': () => ({
        site: whole()
            .page('/c', [], { ...plain, bodyTrouble: writeProblem(problem('body-broken-off', { bytes: 9 })) })
            .page('/d', [], plain),
        at: '/c',
        not: '/d',
    }),
    'canonical-several': () =>
        canonicals(
            (id) => [id('/'), id('/a/one')],
            (id) => [id('/a/one')],
        ),
    'canonical-to-error': () =>
        canonicals(
            (id) => [id('/gone')],
            (id) => [id('/a/one')],
        ),
    'canonical-to-redirect': () =>
        canonicals(
            (id) => [id('/old')],
            (id) => [id('/gone')],
        ),
    'canonical-to-closed': () =>
        canonicals(
            (id) => [id('/shut')],
            (id) => [id('https://other.example/')],
        ),
    'canonical-to-noindexed': () =>
        canonicals(
            (id) => [id('/quiet')],
            (id) => [id('/a/one')],
        ),
    'canonical-chain': () =>
        canonicals(
            (id) => [id('/hands-on')],
            (id) => [id('/itself')],
        ),
    'canonical-loop': () =>
        canonicals(
            (id) => [id('/hands-back')],
            (id) => [id('/d')],
        ),
    'canonical-out': () =>
        canonicals(
            (id) => [id('https://other.example/')],
            (id) => [id('/a/one')],
        ),
    'noindex-and-canonical': () =>
        canonicals(
            (id) => [id('/a/one')],
            (id) => [id('/d')],
            { noindex: true },
        ),
    'link-to-noncanonical': () => {
        const { site } = canonicals(
            (id) => [id('/a/one')],
            (id) => [id('/d')],
        );
        site.page('/e', [{ to: '/c' }], plain).page('/f', [{ to: '/d' }], plain);
        return { site, at: '/e', not: '/f' };
    },
    'redirect-chain': () =>
        redirects([
            ['/c', '/mid'],
            ['/mid', '/a/one'],
            ['/d', '/a/one'],
        ]),
    'redirect-loop': () =>
        redirects([
            ['/c', '/mid'],
            ['/mid', '/c'],
            ['/d', '/far'],
            ['/far', '/a/one'],
        ]),
    'redirect-to-error': () => {
        const planted = redirects([
            ['/c', '/gone'],
            ['/d', '/a/one'],
        ]);
        planted.site.page('/gone', [], { status: 410, words: null });
        return planted;
    },
    'redirect-to-closed': () => {
        const planted = redirects([
            ['/c', '/shut'],
            ['/d', '/gone'],
        ]);
        planted.site
            .page('/shut', [], { status: null, notRead: 'robots', robotsAllowed: false, words: null })
            .page('/gone', [], { status: 410, words: null });
        return planted;
    },
    'redirect-to-start': () => {
        const ten = Array.from({ length: 9 }, (_, n): [string, string] => [`/old/${n}`, '/']);
        return redirects([['/c', '/'], ...ten, ['/d', '/a/one']]);
    },
    'same-h1': () => ({
        site: whole()
            .page('/c', [], { ...plain, h1: 'Twin' })
            .page('/d', [], { ...plain, h1: ' twin', noindex: true })
            .page('/e', [], { ...plain, h1: 'TWIN' }),
        at: '/c',
        not: '/d',
    }),
    'title-long': () => ({
        site: whole()
            .page('/c', [], { ...plain, title: 'é'.repeat(71) })
            .page('/d', [], { ...plain, title: 'é'.repeat(70) }),
        at: '/c',
        not: '/d',
    }),
    'description-missing': () => ({
        site: whole()
            .page('/c', [], { ...plain, description: '' })
            .page('/d', [], { ...plain, description: '', noindex: true }),
        at: '/c',
        not: '/d',
    }),
    'language-missing': () => ({
        site: whole()
            .page('/c', [], { ...plain, language: '' })
            .page('/d', [], { language: '', status: 404, words: null }),
        at: '/c',
        not: '/d',
    }),
    'link-to-noindexed': () => ({
        site: whole()
            .page('/c', [{ to: '/quiet' }], plain)
            .page('/d', [{ to: '/quiet', rel: 'nofollow' }], plain)
            .page('/quiet', [{ to: '/quieter' }], { ...plain, noindex: true }),
        at: '/c',
        not: '/d',
    }),
    'link-scheme-down': () => {
        const old = ORIGIN.replace('https:', 'http:');
        const site = whole();
        for (const path of ['/a/one', '/from']) site.rows.addresses[site.id(`${old}${path}`)]!.internal = true;
        site.page('/c', [{ to: `${old}/a/one` }], plain).page(`${old}/from`, [{ to: `${old}/a/one` }], plain);
        return { site: site.page('/d', [{ to: '/a/one' }], plain), at: '/c', not: '/d', never: `${old}/from` };
    },
    'nofollow-inside': () => ({
        site: whole()
            .page('/c', [{ to: '/a/one', rel: 'nofollow' }], plain)
            .page(
                '/d',
                [
                    { to: '/shut', rel: 'nofollow' },
                    { to: '/basket?add=1', rel: 'nofollow' },
                ],
                plain,
            )
            .page('/basket?add=1', [], { status: null, notRead: 'action', words: null })
            .page('/shut', [], { status: null, notRead: 'robots', robotsAllowed: false, words: null }),
        at: '/c',
        not: '/d',
    }),
    'action-open': () => ({
        site: whole()
            .page('/c', [{ to: '/basket?add=1' }], plain)
            .page('/d', [{ to: '/basket?add=1', rel: 'nofollow' }], plain)
            .page('/basket?add=1', [], { status: null, notRead: 'action', words: null }),
        at: '/c',
        not: '/d',
    }),
    'mixed-follow': () => ({
        site: whole()
            .page(
                '/c',
                [
                    { to: '/d', rel: 'nofollow' },
                    { to: '/a/one', rel: 'nofollow' },
                ],
                plain,
            )
            .page('/d', [], plain),
        at: '/a/one',
        not: '/d',
    }),
    'many-own-links': () => {
        const links = Array.from({ length: 101 }, (_, number) => ({ to: `https://other.example/${number}` }));
        return {
            site: whole().page('/c', links, plain).page('/d', links.slice(1), plain),
            at: '/c',
            not: '/d',
        };
    },
    'redirect-out': () =>
        redirects([
            ['/c', 'https://other.example/'],
            ['/d', ORIGIN.replace('//', '//www.')],
        ]),
    'redirect-unusable': () => ({
        site: whole()
            .page('/c', [], { status: 302, words: null, contentType: '' })
            .page('/d', [], { status: 304, words: null, contentType: '' }),
        at: '/c',
        not: '/d',
    }),
    'refresh-instant': () => {
        const site = whole();
        return {
            site: site
                .page('/c', [], { ...plain, instantRefresh: site.id('/a/one') })
                .page('/d', [], { ...plain, instantRefresh: site.id('/d') }),
            at: '/c',
            not: '/d',
        };
    },
    'weak-choke': () => {
        const ten = Array.from({ length: 10 }, (_, number) => ({ to: `/below/${number}` }));
        const site = whole()
            .page('/a/one', [{ to: '/c' }, { to: '/d' }])
            .page('/c', ten, plain)
            .page('/d', [...ten.slice(1).map(({ to }) => ({ to: `${to}/d` }))], plain);
        for (const { to } of ten) site.page(to, [], plain).page(`${to}/d`, [], plain);
        return { site, at: '/c', not: '/d' };
    },
    'near-text': () => ({ site: whole(), at: '/a/one', not: '/', texts: shared('near') }),
    'stopped-but-wanted': () => {
        const site = whole();
        return {
            site: site
                .page('/c', [], { ...plain, noindex: true })
                .page('/d', [], { status: 301, words: null, redirectTo: site.id('/a/one') })
                .page('/e', [], { ...plain, noindex: true })
                .known('/e', 'external'),
            priority: { '/c': 2, '/d': 1 },
            at: '/c',
            not: '/d',
        };
    },
    'noindex-section': () => {
        const site = whole();
        for (let number = 0; number < 10; number++) {
            site.page(`/out/${number}`, [], { ...plain, noindex: number !== 9 });
            site.page(`/in/${number}`, [], { ...plain, noindex: number < 8 });
        }
        return { site, at: '/out/0', not: '/in/0' };
    },
    'directive-conflict': () => ({
        site: whole()
            .page('/c', [], { ...plain, noindex: true, metaRobots: 'Index, follow', xRobotsTag: 'noindex' })
            .page('/d', [], { ...plain, noindex: true, metaRobots: 'noindex', xRobotsTag: 'none' }),
        at: '/c',
        not: '/d',
    }),
    'sitemap-lists-orphan': () => ({
        site: whole()
            .page('/c', [], plain)
            .known('/c')
            .page('/d', [], { ...plain, noindex: true })
            .known('/d'),
        at: '/c',
        not: '/d',
    }),
    'same-body': () => ({ site: whole(), at: '/a/one', not: '/', texts: shared('body') }),
    'same-text': () => ({ site: whole(), at: '/a/one', not: '/', texts: shared('main') }),
    ...PLANTED_LINK_ENDS,
    ...PLANTED_MARKUP,
    ...PLANTED_GROUPS,
    ...PLANTED_ANCHORS,
    ...PLANTED_PARTS,
};

function found(check: keyof FindingParams, path: string): string[] {
    const { site, goal = null, words, texts, priority = {}, beside } = PLANTED[check]();
    const survey = texts
        ? packSurvey(
              site.measure(),
              texts((path) => site.id(path)),
          ).survey
        : pack(site, {}, words);
    const of = new Uint8Array(survey.count);
    for (const [own, value] of Object.entries(priority)) of[survey.nodeOf(`${ORIGIN}${own}`)] = value;
    const view = checkView(survey, { goals: { ...NO_GOALS, all: goal }, priority: of, ...(beside && { beside }) });
    const node = survey.nodeOf(path.startsWith('http') ? path : `${ORIGIN}${path}`);
    const { findings } = pageFindings(view, node);
    for (const { finding } of findings) expect(findingSentence(finding), finding.check).toMatch(/^[A-Z0-9].*\.$/);
    return findings.map(({ finding }) => finding.check);
}

describe.each(Object.keys(PLANTED) as (keyof FindingParams)[])('the check %s', (check) => {
    it('fires where its fault was planted, and not at its near miss', () => {
        const { at, not, never } = PLANTED[check]();
        expect(found(check, at)).toContain(check);
        expect(found(check, not)).not.toContain(check);
        if (never !== undefined) expect(found(check, never)).not.toContain(check);
    });
});

describe('redirects to the start page', () => {
    it.each([
        [9, 0],
        [10, 10],
    ])('%i of them are %i findings', (count, told) => {
        const ways = Array.from({ length: count }, (_, n): [string, string] => [`/old/${n}`, '/']);
        const survey = pack(redirects(ways).site);
        const nodes = Array.from({ length: survey.count }, (_, node) => node);
        const found = nodes.filter((node) =>
            pageFindings(checkView(survey), node).findings.some(({ finding }) => finding.check === 'redirect-to-start'),
        );
        expect(found).toHaveLength(told);
    });
});

describe('pages without the frame of their language', () => {
    it('are told where languages have frames of their own and none in common, and not where a language has none', () => {
        const site = whole();
        const of = (language: string, from: number, count: number): string[] => {
            const paths = Array.from({ length: count }, (_, n) => `/${language}/${from + n}`);
            for (const path of paths) site.page(path, [], { ...plain, language });
            return paths;
        };
        site.share(of('cy', 0, 100), [{ to: '/a/one', anchor: 'Dewislen' }], 'header');
        site.share(of('fr', 0, 200), [{ to: '/a/two', anchor: 'Menu' }], 'header');
        of('fr', 200, 12);
        of('ga', 0, 12);
        const survey = pack(site);
        const found = Array.from({ length: survey.count }, (_, node) => node).filter((node) =>
            pageFindings(checkView(survey), node).findings.some(({ finding }) => finding.check === 'design-apart'),
        );
        const told = found.map((node) => survey.url(node).slice(ORIGIN.length));
        expect(told.filter((path) => path.startsWith('/fr/2'))).toHaveLength(12);
        expect(told.filter((path) => /^\/(?:cy|ga)\/|^\/fr\/1/.test(path))).toEqual([]);
    });
});

describe('the register', () => {
    it('gives every check an id of its own', () => {
        const ids = CHECKS.map(({ id }) => id);
        expect(new Set(ids).size).toBe(ids.length);
    });

    it('says of every check when it fires, when not, why, what to do, and what it looks like', () => {
        for (const { id, name, fires, quiet, why, advice, example } of CHECKS) {
            for (const words of [name, fires, quiet, why, advice, example]) {
                expect(words.length, id).toBeGreaterThan(4);
                expect(words, id).not.toMatch(/\bTODO\b/);
            }
            for (const sentence of [fires, quiet, why, advice]) expect(sentence, id).toMatch(/^\S.*\.$/);
            expect(example, id).not.toMatch(/\.$/);
        }
        expect(new Set(CHECKS.map(({ example }) => example)).size).toBeGreaterThan(CHECKS.length - 3);
    });

    it('finds nothing on a site with nothing wrong', () => {
        const survey = pack(whole());
        for (let node = 0; node < survey.count; node++) {
            expect(pageFindings(withGoal(survey, 3), node), survey.url(node)).toEqual({ findings: [], moreLinks: 0 });
        }
        expect(causesOf(withGoal(survey, 3))).toEqual({ open: [], accepted: [] });
    });

    it('tells nothing of what a survey cannot know', () => {
        const lone = (): Site => whole().page('/lone', [], plain).known('/lone');
        const partial = pack(lone(), { state: 'stopped', cut: ['stopped'] });
        const checks = CHECKS.filter((check) => !isKnown(check, partial)).map(({ id }) => id);
        expect(checks).toEqual([
            // No made-up address was asked for.
            'errors-answer-200',
            'sitemap-lists-orphan',
            'orphan-strict',
            'orphan-adrift',
            'decline-only',
            'listing-only',
            'lost-section',
            'external-new',
        ]);
        const keys = (survey: PackedSurvey): string[] => causesOf(checkView(survey)).open.map(({ key }) => key);
        expect(keys(partial)).not.toContain('cut off in /');
        expect(keys(pack(lone()))).toContain('cut off in /');
    });
});
