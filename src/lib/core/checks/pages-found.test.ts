import { describe, expect, it } from 'vitest';
import { checkView } from '../../../../tests/support/checks.ts';
import { randomSite } from '../../../../tests/support/random-site.ts';
import { ORIGIN, Site } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { evaluateSet, SetUnknown } from '../sets/evaluate-set.ts';
import { parseSet } from '../sets/parse-set.ts';
import { printSet } from '../sets/print-set.ts';
import { SEVERITIES } from './check.ts';
import { pageFindings } from './page-findings.ts';
import { pagesFound } from './pages-found.ts';
import { FINDING_CHECKS } from './register.ts';

function pagesOf(survey: PackedSurvey, line: string): string[] {
    const parsed = parseSet(line);
    if (!parsed.ok) throw new Error(parsed.say);
    const finds = (of: PackedSurvey, sought: Parameters<typeof pagesFound>[1]) => pagesFound(checkView(of), sought);
    return [...evaluateSet(parsed.set, { survey, finds }).nodes()].map((node) => survey.url(node));
}

describe('the pages that something is found of', () => {
    it('are those whose own sheet tells it, on random sites', () => {
        for (let seed = 1; seed <= 25; seed++) {
            const survey = packSurvey(randomSite(seed, 24).measure()).survey;
            const told = Array.from({ length: survey.count }, (_, node) =>
                pageFindings(checkView(survey), node, Infinity),
            );
            const withThat = (isSo: (finding: { check: string; severity: string }) => boolean): string[] =>
                told.flatMap(({ findings }, node) =>
                    findings.some(({ finding }) => isSo(finding)) ? [survey.url(node)] : [],
                );
            for (const { id } of FINDING_CHECKS) {
                expect(pagesOf(survey, `has finding "${id}"`), `${seed} ${id}`).toEqual(
                    withThat(({ check }) => check === id),
                );
            }
            for (const severity of SEVERITIES) {
                expect(pagesOf(survey, `has ${severity}`), `${seed}`).toEqual(
                    withThat((found) => found.severity === severity),
                );
            }
        }
    });

    it('are those with a link of that kind, a link of a page to itself aside', () => {
        const site = new Site()
            .known('/', 'manual')
            .page('/', [{ to: '/old' }, { to: '/a' }])
            .page('/a', [{ to: '/' }])
            .page('/old', [{ to: '/old' }, { to: '/' }], { canonicals: [] });
        site.page('/c', [{ to: '/c' }], { canonicals: [site.id('/a')] }).share(['/a', '/c'], [{ to: '/c' }]);
        const survey = packSurvey(site.measure()).survey;
        expect(pagesOf(survey, 'has finding "link-to-noncanonical"')).toEqual([`${ORIGIN}/a`]);
    });
});

describe('a set of findings', () => {
    it.each(['has finding "link-to-error"', 'has fault', 'has remark and not has finding "few-words"'])(
        'is written as it is read: %s',
        (line) => {
            const parsed = parseSet(line);
            expect(parsed.ok && printSet(parsed.set)).toBe(line);
        },
    );

    it('names a check that there is', () => {
        const parsed = parseSet('has finding "link-to-nowhere"');
        expect(parsed).toMatchObject({ ok: false, at: 12, say: expect.stringContaining('There is no check') });
        expect(parseSet('has finding "toString"').ok).toBe(false);
        expect(parseSet('has finding').ok).toBe(false);
    });

    it('is not told where nobody brings the checks', () => {
        const survey = packSurvey(new Site().known('/', 'manual').page('/').measure()).survey;
        const parsed = parseSet('has fault');
        expect(() => parsed.ok && evaluateSet(parsed.set, { survey })).toThrow(SetUnknown);
    });
});
