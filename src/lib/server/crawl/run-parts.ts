/** What the parts of one survey's run share: made once, when the run begins. */
import type { Belonging } from '../../core/scope/belonging.ts';
import type { SurveyDecisions } from '../../core/survey/survey-rows.ts';
import type { SurveySettings } from '../../core/survey/settings.ts';
import type { Families } from '../../core/traps/families.ts';
import type { EarlierRun } from './earlier-run.ts';
import type { Answer, NoAnswer } from './fetch-url.ts';
import type { Frontier } from './frontier.ts';
import type { PageReader } from './page-reader.ts';
import type { PatientClient } from './patient-client.ts';
import type { RobotsFiles } from './robots-files.ts';
import type { RowMaker } from './row-maker.ts';
import type { TargetChecks } from './target-checks.ts';

export interface RunParts {
    settings: SurveySettings;
    decisions: SurveyDecisions;
    earlier: EarlierRun;
    belonging: Belonging;
    /** Numbers and rows of what is found. */
    rows: RowMaker;
    /** The order of reading. */
    frontier: Frontier;
    /** Asking: pace, patience, robots.txt, documents. */
    client: PatientClient;
    robots: RobotsFiles;
    reader: PageReader;
    /** Families that grow without end. */
    families: Families;
    /** Targets that are asked for their status alone. */
    checks: TargetChecks;
    /** Answers to sitemap URLs that are pages of the record too; null where an earlier run had it. */
    sitemapAnswers: Map<number, Answer | NoAnswer | null>;
    /** Aborted by the user, by the time limit, or because nothing more can be stored. */
    end: AbortController;
}
