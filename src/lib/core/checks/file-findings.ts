/** What the register finds of the files of a site, and what that follows from. */
import type { Cause, CheckView, FileFinding } from './check.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { causeKey } from './cause-rows.ts';
import { toldChecks } from './found.ts';
import { CHECKS } from './register.ts';
import { shortened } from './roots.ts';

/** Check by check in the order of the register. Needs `core`, `text` and the measures; `links` where sitemaps name languages. */
export function fileFindings(view: CheckView): FileFinding[] {
    // What the others need to be known may not be there.
    const checks = CHECKS.filter(({ ofFiles }) => ofFiles !== null);
    return toldChecks(view, checks).flatMap(({ ofFiles }) => ofFiles!(view));
}

/** The rule, where it is one that closes what is wanted; else the file by what is found of it. */
export function fileCause(survey: PackedSurvey, finding: FileFinding): Cause {
    const { check, line } = finding;
    const file = shortened(survey, finding.file);
    if (check === 'robots-closes-wanted' && line !== null) {
        return { kind: 'rule', params: { file, line, rule: finding.params.rule, isWanted: true } };
    }
    return { kind: 'file', params: { file, check } };
}

/** True where its cause is accepted. */
export function isAcceptedFile({ survey, settings }: CheckView, finding: FileFinding): boolean {
    return settings.accepted.causes.has(causeKey(fileCause(survey, finding)));
}
