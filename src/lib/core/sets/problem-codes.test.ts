import { describe, expect, it } from 'vitest';
import { rule } from '../../../../tests/support/problems.ts';
import { nodesIn } from '../../../../tests/support/sets.ts';
import { Site } from '../../../../tests/support/small-site.ts';
import { packSurvey } from '../pack/pack-survey.ts';
import { problem, writeProblem } from '../problems/problem.ts';

const failed = { status: null, notRead: 'timeout', contentType: '', words: null } as const;

const survey = packSurvey(
    new Site()
        .known('/', 'manual')
        .page('/', [{ to: '/late' }, { to: '/late2' }, { to: '/shut' }, { to: '/odd' }, { to: '/gone' }])
        .page('/late', [], { ...failed, failure: writeProblem(problem('timeout', { host: 'a.example' })) })
        .page('/late2', [], { ...failed, failure: writeProblem(problem('timeout', { host: 'b.example' })) })
        .page('/shut', [], { robotsAllowed: false, robotsRule: rule('Disallow: /shut', 'https://a.example/r', 2) })
        .page('/odd', [], { typeNote: writeProblem(problem('type-unsaid', { begins: 'text/html' })) })
        .page('/gone', [], { status: 404 })
        .measure(),
).survey;

const pathsOfLine = (line: string): string[] => nodesIn(survey, line).map((node) => new URL(survey.url(node)).pathname);

describe('codes of problems', () => {
    it.each([
        ['failure code is timeout', ['/late', '/late2']],
        ['gate code is robots-rule', ['/shut']],
        ['gate code is status', ['/gone']],
        ['type code is type-unsaid', ['/odd']],
        // In words they are looked into as ever.
        ['failure has "b.example did not"', ['/late2']],
        ['robots rule is "Disallow: /shut (https://a.example/r, line 2)"', ['/shut']],
        ['gate reason is "status 404"', ['/gone']],
        ['type note has "first bytes are text/html"', ['/odd']],
    ])('%s', (line, paths) => expect(pathsOfLine(line)).toEqual(paths));
});
