import { describe, expect, it } from 'vitest';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import type { SurveyInfo } from '../survey/survey-rows.ts';
import { editWords, findingSentence } from '../words/checks.ts';
import { isKnown, type CheckId } from './check.ts';
import { jobsOf } from './jobs.ts';
import { pageFindings } from './page-findings.ts';
import type { EditParams, FindingParams } from '../words/finding-params.ts';
import { CHECKS } from './register.ts';
import { sizeOf } from './set-size.ts';
import { rule } from '../../../../tests/support/problems.ts';

const ALL = ['/', '/a/one', '/a/two', '/b/three'];

/** A site with nothing wrong: four pages, each linked from two others at least, all in the sitemap. */
function whole(): Site {
    const site = new Site().known('/', 'manual');
    for (const path of ALL) {
        site.page(path, [], { title: `Title ${path}`, h1: 'Heading', words: 80 }).known(path);
    }
    site.share(ALL, [{ to: '/' }, { to: '/a/one' }, { to: '/a/two' }, { to: '/b/three' }]);
    return site.sitemap();
}

const plain = { title: 'Own title', h1: 'Heading', words: 80 };
const pack = (site: Site, info: Partial<SurveyInfo> = {}, words = new Map<string, number>()) => {
    const { rows, info: head } = site.measure(info);
    const main = new Map(
        [...words].map(([path, count]) => [site.id(path), { hash: path, words: count, signature: null }]),
    );
    return packSurvey({ rows, info: head }, { body: new Map(), main }).survey;
};

interface Planted {
    site: Site;
    /** Where it fires, and where it looks like it and must not. */
    at: string;
    not: string;
    goal?: number;
    words?: Map<string, number>;
}

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
    'same-body': () => ({ site: whole(), at: '/a/one', not: '/' }),
    'same-text': () => ({ site: whole(), at: '/a/one', not: '/' }),
};

/** Bodies and texts that two pages share are told by hashes, which no site has of itself. */
const HASHED: Partial<Record<CheckId, 'body' | 'main'>> = { 'same-body': 'body', 'same-text': 'main' };

function found(check: keyof FindingParams, path: string): string[] {
    const { site, goal = null, words } = PLANTED[check]();
    let survey = pack(site, {}, words);
    const hashed = HASHED[check];
    if (hashed !== undefined) {
        const { rows, info } = site.measure();
        const body = new Map(['/a/one', '/a/two'].map((own) => [site.id(own), 'one hash']));
        const main = new Map([...body].map(([id, hash]) => [id, { hash, words: 80, signature: null }]));
        const facts = hashed === 'body' ? { body, main } : { body: new Map(), main };
        survey = packSurvey({ rows, info }, facts).survey;
    }
    const { findings } = pageFindings(survey, survey.nodeOf(`${ORIGIN}${path}`), goal);
    for (const finding of findings) expect(findingSentence(finding), finding.check).toMatch(/^[A-Z].*\.$/);
    return findings.map((finding) => finding.check);
}

describe.each(Object.keys(PLANTED) as (keyof FindingParams)[])('the check %s', (check) => {
    it('fires where its fault was planted, and not at its near miss', () => {
        const { at, not } = PLANTED[check]();
        expect(found(check, at)).toContain(check);
        expect(found(check, not)).not.toContain(check);
    });
});

describe('the register', () => {
    it('gives every check an id of its own', () => {
        const ids = CHECKS.map(({ id }) => id);
        expect(new Set(ids).size).toBe(ids.length);
    });

    it('finds nothing on a site with nothing wrong', () => {
        const survey = pack(whole());
        for (let node = 0; node < survey.count; node++) {
            expect(pageFindings(survey, node, 3), survey.url(node)).toEqual({ findings: [], moreLinks: 0 });
        }
        expect(jobsOf(survey, 3)).toEqual({ jobs: [], more: 0 });
    });

    it('tells nothing of what a survey cannot know', () => {
        const lone = (): Site => whole().page('/lone', [], plain).known('/lone');
        const partial = pack(lone(), { state: 'stopped', cut: ['stopped'] });
        const checks = CHECKS.filter((check) => !isKnown(check, partial)).map(({ id }) => id);
        expect(checks).toEqual(['orphan-strict', 'orphan-adrift', 'decline-only', 'listing-only']);
        expect(jobsOf(partial, null).jobs.map(({ check }) => check)).not.toContain('orphan-strict');
        expect(jobsOf(pack(lone()), null).jobs.map(({ check }) => check)).toContain('orphan-strict');
    });

    it('says of every edit the set it concerns, and as many pages as that has', () => {
        const site = whole();
        site.page('/gone', [], { status: 404, words: null }).page('/old', [], {
            status: 301,
            words: null,
            redirectTo: site.id('/'),
        });
        site.share(
            ['/a/one', '/a/two'],
            [
                { to: '/gone', anchor: 'Gone' },
                { to: '/old', anchor: 'Old' },
            ],
            'footer',
        );
        site.page('/c', [{ to: '/gone' }], { ...plain, canonicals: [site.id('/gone')] });
        site.page('/d', [], { ...plain, title: 'Own title', canonicals: [site.id('/old')], noindex: true }).known('/d');
        site.page('/e', [], {
            ...plain,
            robotsAllowed: false,
            robotsRule: rule('Disallow: /e', `${ORIGIN}/robots.txt`, 4),
        }).known('/e');
        site.page('/f', [], { ...plain, noindex: true })
            .known('/f')
            .page('/g', [], { ...plain, title: 'Own title' });
        const survey = pack(site);
        const { jobs } = jobsOf(survey, 0, 100);
        const edits: Record<keyof EditParams, true> = {
            'link-to-error': true,
            'link-to-redirect': true,
            'robots-closes-wanted': true,
            'sitemap-lists-stopped': true,
            'sitemap-lacks': true,
            'orphan-strict': true,
            'canonical-to-error': true,
            'canonical-to-redirect': true,
            'deeper-than-goal': true,
            'same-title': true,
        };
        expect([...new Set(jobs.map(({ check }) => check))].sort()).toEqual(Object.keys(edits).sort());
        for (const job of jobs) {
            expect(sizeOf(survey, job.set), job.set).toBe(job.pages);
            const { say, where, effect } = editWords(job, job.pages);
            expect(say, job.check).toMatch(/^[A-Z].*[^.]$/);
            expect(where).not.toBe('');
            expect(effect).not.toBe('');
        }
    });
});
