/** The findings of a survey as rows: the same for `findings.csv`, NDJSON and the command line. */
import type { CheckView } from '../../core/checks/check.ts';
import { causeKey } from '../../core/checks/cause-rows.ts';
import { fileCause, fileFindings, isAcceptedFile } from '../../core/checks/file-findings.ts';
import { siteFindings, type PlacedFinding } from '../../core/checks/site-findings.ts';
import { fileFindingSentence, findingSentence } from '../../core/words/checks.ts';
import { linkMarks } from '../link-marks.ts';
import type { Database } from '../store/connect.ts';

export const FINDING_COLUMNS = [
    'check',
    'severity',
    'url',
    'other_url',
    'reason',
    'line',
    'column',
    'block',
    'template',
    'pages',
    'group',
    'accepted',
] as const;

export type FindingRecord = Record<(typeof FINDING_COLUMNS)[number], string | number | null>;

/** Layouts asked for at a time. */
const AT_ONCE = 500;

/** So many at once as their places are read. Needs all parts of the survey. */
export async function* findingRecords(
    db: Database,
    surveyId: number,
    view: CheckView,
): AsyncGenerator<FindingRecord[]> {
    for (const finding of fileFindings(view)) {
        const { check, severity, file, line } = finding;
        const none = { other_url: '', column: null, block: '', template: '', pages: 0 };
        const group = causeKey(fileCause(view.survey, finding));
        const accepted = isAcceptedFile(view, finding) ? 'yes' : 'no';
        yield [{ ...none, check, severity, url: file, reason: fileFindingSentence(finding), line, group, accepted }];
    }
    let some: PlacedFinding[] = [];
    for (const placed of siteFindings(view)) {
        some.push(placed);
        if (some.length < AT_ONCE) continue;
        yield await recordsOf(db, surveyId, view, some);
        some = [];
    }
    yield await recordsOf(db, surveyId, view, some);
}

async function recordsOf(
    db: Database,
    surveyId: number,
    { survey }: CheckView,
    findings: readonly PlacedFinding[],
): Promise<FindingRecord[]> {
    const places = findings.flatMap(({ finding: { place } }) => (place ? [place] : []));
    const marks = await linkMarks(db, surveyId, survey, places);
    const names = survey.texts('block_name');
    const blocks = survey.numbers('page_block');
    let next = 0;
    return findings.map(({ finding, node, to, template, pages, cause, isAccepted }) => {
        const mark = finding.place ? marks[next++]! : null;
        return {
            check: finding.check,
            severity: finding.severity,
            url: survey.url(node),
            other_url: to,
            reason: findingSentence(finding),
            line: mark?.line ?? finding.line ?? null,
            column: mark?.column ?? null,
            block: finding.place ? names.at(blocks[finding.place.pageBlock]!) : '',
            template: template === -1 ? '' : survey.measured.templates[template]!.name,
            pages,
            group: cause,
            accepted: isAccepted ? 'yes' : 'no',
        };
    });
}
