/** Which rows of an import a survey knows, and which match nothing it knows. */
import type { MeasuredSurvey } from '../survey/measured-survey.ts';
import { nodeOfUrl } from '../survey/page-sheet.ts';
import type { ImportRow } from './imports.ts';

export interface ImportMatches {
    /** Rows whose URL was read. */
    read: number;
    /** Rows whose URL is known and was not read, whatever the reason. */
    notRead: number;
    /** Of these, known only since the survey. */
    later: number;
    /** Rows that match no known URL: other hosts, or out of scope. */
    unmatched: ImportRow[];
}

export function matchImport(survey: MeasuredSurvey, rows: readonly ImportRow[]): ImportMatches {
    const matches: ImportMatches = { read: 0, notRead: 0, later: 0, unmatched: [] };
    for (const row of rows) {
        const node = nodeOfUrl(survey, row.url);
        if (node === null) matches.unmatched.push(row);
        else if (survey.pages[node]?.status != null) matches.read++;
        else {
            matches.notRead++;
            if (survey.pages[node]?.notRead === 'later') matches.later++;
        }
    }
    return matches;
}
