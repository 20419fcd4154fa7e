import { describe, expect, it } from 'vitest';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { checkView } from '../../../../tests/support/checks.ts';
import { rule } from '../../../../tests/support/problems.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { problem, writeProblems } from '../problems/problem.ts';
import { fileFindingSentence } from '../words/checks.ts';
import type { PageRow } from '../survey/survey-rows.ts';
import type { FileParams } from '../words/finding-params.ts';
import type { RobotsText } from './check.ts';
import { TELLING_CHECKS } from './register.ts';
import { fileFindings } from './file-findings.ts';

const { survey } = packSurvey(
    new Site()
        .sitemap()
        .known('/', 'manual')
        .page('/', [{ to: '/members/join' }])
        .page('/members/join')
        .page('/members/', [{ to: '/assets/a.css', kind: 'style' }])
        .page('/quiet', [{ to: '/inner/b.js', kind: 'script' }], { noindex: true })
        .measure(),
);
const FILE = `${ORIGIN}/robots.txt`;
const READ = problem('robots-read', { rules: 1, token: 'edgemap', delay: null, isCut: false });

/** What is found of a file: ids with their lines. */
function found(file: Partial<RobotsText>): string[] {
    const robots = [{ url: FILE, status: 200, problems: [READ], text: 'User-agent: *\n', ...file }];
    const all = fileFindings(checkView(survey, { robots }));
    // That no robots.txt names the sitemap is found of the sitemap.
    const findings = all.filter(({ check }) => check.startsWith('robots-'));
    for (const finding of findings) {
        expect(finding.file).toBe(FILE);
        expect(fileFindingSentence(finding)).toMatch(/^(?:[A-Z]|“).*\.$/);
    }
    return findings.map(({ check, line }) => `${check} ${line}`);
}

const rules = (...lines: string[]): Partial<RobotsText> => ({ text: ['User-agent: *', ...lines, ''].join('\n') });
const down = problem('all-closed', { why: problem('robots-error', { file: FILE, status: 503 }) });
const none = problem('robots-none', { status: 404 });
const cut = problem('robots-read', { rules: 1, token: 'edgemap', delay: null, isCut: true });

/** All but what is found of pages, and told of the rule that closes them. */
type OfText = Exclude<keyof FileParams & `robots-${string}`, 'robots-closes-wanted' | 'robots-variants-differ'>;

/** For each check a planted fault with its line, and what looks like it. */
const PLANTED: Record<OfText, { at: Partial<RobotsText>; line: number | null; not: Partial<RobotsText> }> = {
    'robots-unreachable': {
        at: { status: 503, problems: [down], text: '' },
        line: null,
        not: { status: 404, problems: [none], text: '' },
    },
    'robots-html': {
        at: { text: '\n<!DOCTYPE html>\n<title>Not here</title>' },
        line: 1,
        not: rules('Disallow: /members/', '# </html>'),
    },
    'robots-too-large': { at: { problems: [cut] }, line: null, not: {} },
    'robots-line-unread': {
        at: rules('Dissallow: /members/'),
        line: 2,
        not: rules('Crawl-delay: 5', 'Host: site.example', '# Dissallow: /members/', '', 'Noindex: /members/'),
    },
    'robots-no-slash': { at: rules('Disallow: members/'), line: 2, not: rules('Disallow: *members/', 'Allow:') },
    'robots-rule-hidden': {
        at: rules('Disallow: /members/', 'Allow: /members/', 'Disallow: /mem'),
        line: 2,
        not: rules('Disallow: /members/', 'Allow: /members/join', 'Disallow: /gone/'),
    },
    'robots-rule-idle': { at: rules('Disallow: /gone/'), line: 2, not: rules('Disallow: /members/') },
    'robots-sitemap-dead': {
        at: { text: `Sitemap: /sitemap.xml\n` },
        line: 1,
        not: { text: `Sitemap: ${ORIGIN}/sitemap.xml\nSitemap: https://other.example/sitemap.xml\n` },
    },
    'robots-redirect': {
        at: {
            url: `${ORIGIN}/rules.txt`,
            problems: [READ, problem('robots-redirected', { from: FILE })],
        },
        line: null,
        // Another form of the host, which redirects as a whole.
        not: { problems: [READ, problem('robots-redirected', { from: FILE.replace('https://', 'http://www.') })] },
    },
    'robots-closes-resources': {
        at: rules('Disallow: /assets/'),
        line: 2,
        // What only a page loads that may not be indexed; and what a rule would close that another opens.
        not: rules('Disallow: /inner/', 'Disallow: /assets/', 'Allow: /assets/*.css'),
    },
    'robots-noindex-line': { at: rules('Noindex: /members/'), line: 2, not: rules('Disallow: /members/ # noindex') },
};

describe.each(Object.keys(PLANTED) as OfText[])('the check %s', (check) => {
    it('fires where its fault was planted, and not at its near miss', () => {
        const { at, line, not } = PLANTED[check];
        expect(found(at)).toContain(`${check} ${line}`);
        expect(found(not).map((one) => one.split(' ')[0])).not.toContain(check);
    });
});

describe('a robots.txt that redirects', () => {
    it.each([
        [`${ORIGIN}/rules.txt`, 'remark'],
        ['https://cdn.site.example/robots.txt', 'risk'],
    ])('to %s is a %s', (url, severity) => {
        const problems = [READ, problem('robots-redirected', { from: FILE })];
        const robots = [{ url, status: 200, problems, text: 'User-agent: *\n' }];
        const all = fileFindings(checkView(survey, { robots }));
        expect(all.filter(({ check }) => check === 'robots-redirect').map((item) => item.severity)).toEqual([severity]);
    });
});

describe('findings of robots.txt', () => {
    it('are none of a file in order', () => {
        expect(found(rules('Disallow: /members/', 'Allow: /members/join', `Sitemap: ${ORIGIN}/s.xml`))).toEqual([]);
    });

    it('hold for every group: a rule counts where it decides for the agent it speaks to', () => {
        const text = 'User-agent: otter\nDisallow: /members/\n\nUser-agent: *\nDisallow: /gone/\n';
        expect(found({ text })).toEqual(['robots-rule-idle 5']);
    });

    it('tell of a rule that closes what a sitemap lists, and of none that closes what it does not', () => {
        const shut = (pattern: string, line: number): Partial<PageRow> => ({
            status: null,
            notRead: 'robots',
            robotsAllowed: false,
            robotsRule: rule(`Disallow: ${pattern}`, FILE, line),
        });
        const site = new Site()
            .known('/', 'manual')
            .known('/shut/a')
            .known('/shut/b')
            .page('/', [{ to: '/hidden' }])
            .page('/shut/a', [], shut('/shut/', 7))
            .page('/shut/b', [], shut('/shut/', 7))
            .page('/hidden', [], shut('/hidden', 8))
            .sitemap();
        const closing = packSurvey(site.measure()).survey;
        expect(fileFindings(checkView(closing))).toEqual([
            {
                check: 'robots-closes-wanted',
                severity: 'fault',
                params: { rule: 'Disallow: /shut/', pages: 2 },
                file: FILE,
                line: 7,
            },
        ]);
    });

    it('tell of other rules on another form of the host, unless that redirects', () => {
        const www = ORIGIN.replace('//', '//www.');
        const file = (origin: string, text: string): RobotsText => ({
            url: `${origin}/robots.txt`,
            status: 200,
            problems: [READ],
            text,
        });
        const own = file(ORIGIN, 'User-agent: *\nDisallow: /members/\n');
        const made = (): Site => new Site().known('/', 'manual').page('/', [{ to: `${www}/` }]);
        const told = (site: Site, other: RobotsText): string[] => {
            site.rows.addresses[site.id(`${www}/`)]!.internal = true;
            const view = checkView(packSurvey(site.measure()).survey, { robots: [own, other] });
            return fileFindings(view).flatMap(({ check, file: at }) =>
                check === 'robots-variants-differ' ? [at] : [],
            );
        };
        const differs = file(www, 'User-agent: *\nDisallow: /\n');
        const same = file(www, '# the same\nuser-agent: *\n\nDisallow: /members/\n');
        expect(told(made().page(`${www}/`), differs)).toEqual([`${www}/robots.txt`]);
        expect(told(made().page(`${www}/`), same)).toEqual([]);
        const leads = made();
        leads.page(`${www}/`, [], { status: 301, words: null, redirectTo: leads.id('/') });
        expect(told(leads, differs)).toEqual([]);
    });

    it('tell of Sitemap lines that name what could not be read', () => {
        const site = new Site().known('/', 'manual').page('/');
        site.rows.files.push({
            kind: 'sitemap',
            url: `${ORIGIN}/gone.xml`,
            status: 404,
            note: writeProblems([problem('answered', { status: 404 })]),
            entries: null,
            text: '',
        });
        const text = `Sitemap: ${ORIGIN}/gone.xml\nSitemap: ${ORIGIN}/never-asked.xml\n`;
        const robots = [{ url: FILE, status: 200, problems: [READ], text }];
        const told = fileFindings(checkView(packSurvey(site.measure()).survey, { robots }));
        expect(told.filter(({ check }) => check === 'robots-sitemap-dead').map(({ line }) => line)).toEqual([1]);
    });

    it('are asked for by every check that tells of files', () => {
        const ids = TELLING_CHECKS.filter(({ ofFiles }) => ofFiles).map(({ id }) => id as string);
        const own = ids.filter((id) => id.startsWith('robots-'));
        const others = ['robots-closes-wanted', 'robots-variants-differ'];
        expect(own.sort()).toEqual([...Object.keys(PLANTED), ...others].sort());
    });
});
