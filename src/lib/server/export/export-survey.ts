/** The files of a survey: `pages.csv`, `links.csv`, `findings.csv`, `families.csv`, `summary.json` (formats in `docs/formats.md`). */
import { storedWords } from '../../core/words/problems.ts';
import { createWriteStream } from 'node:fs';
import { access, constants, rename, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { LINK_COLUMNS } from '../../core/survey/link-records.ts';
import type { NumberName } from '../../core/packed/column-names.ts';
import type { PackedSurvey } from '../../core/packed/packed-survey.ts';
import { PAGE_FILE_COLUMNS, pageColumns } from '../../core/sets/page-columns.ts';
import { caveatsOf } from '../../core/checks/limits.ts';
import { limitWords } from '../../core/words/limits.ts';
import { evidenceNames } from '../../core/evidence/evidence.ts';
import { UNREACHED } from '../../core/graph/depth.ts';
import { gateOf } from '../../core/columns/gate-facts.ts';
import { ORPHAN } from '../../core/measures/orphans.ts';
import { makeFolder, UserError } from '../process/data-folder.ts';
import type { Survey } from '../store/survey-store.ts';
import type { Database } from '../store/connect.ts';
import { csvPieces, type RecordGroups } from './csv.ts';
import type { CheckView } from '../../core/checks/check.ts';
import { FAMILY_COLUMNS, familyRecords } from './families.ts';
import { FINDING_COLUMNS, findingRecords } from './findings.ts';
import { linkRecords } from './link-export.ts';

export const PROGRAM_VERSION = '0.1.0';

/** Makes the folder and tries to write into it, so that a survey is not made in vain. */
export async function prepareExportFolder(folder: string): Promise<void> {
    try {
        makeFolder(folder, 0o777);
        await access(folder, constants.W_OK | constants.X_OK);
        const probe = join(folder, `.edgemap-${process.pid}.tmp`);
        await writeFile(probe, '');
        await rm(probe);
    } catch (error) {
        throw new UserError(
            `The export folder ${folder} cannot be written: ${(error as Error).message}. Choose another with --export.`,
        );
    }
}

/** Counts of the rows of `pages.csv`; every `by_…` adds up to `pages`. */
export interface SummaryFile {
    version: string;
    start: string;
    settings: object;
    started: string | null;
    ended: string | null;
    complete: boolean;
    /** Why it is not complete, and what was not read whole where it is. */
    reasons: string[];
    /** Known URLs, the rows of `pages.csv`: an older name of `urls`. */
    pages: number;
    urls: number;
    /** URLs that were read: 200 with HTML. What a page is everywhere else. */
    pages_read: number;
    by_status: Record<string, number>;
    by_gate: Record<string, number>;
    by_depth: Record<string, number>;
    by_evidence: Record<string, number>;
    /** Null when the survey is partial. */
    orphans: number | null;
    /** Rows of `links.csv`. */
    links: number;
}

function time(moment: number | null): string | null {
    return moment === null ? null : new Date(moment).toISOString();
}

/** Needs the parts `core` and `text`. */
export function summaryOf(survey: Survey, packed: PackedSurvey, links: number): SummaryFile {
    const count = (into: Record<string, number>, key: string | number): void => {
        into[key] = (into[key] ?? 0) + 1;
    };
    const summary: SummaryFile = {
        version: PROGRAM_VERSION,
        start: survey.settings.start,
        settings: survey.settings,
        started: time(survey.startedAt),
        ended: time(survey.endedAt),
        complete: packed.head.complete,
        reasons: [
            ...survey.cut,
            ...(survey.trouble === '' ? [] : [storedWords(survey.trouble)]),
            ...caveatsOf(packed).map(limitWords),
        ],
        pages: packed.count,
        urls: packed.count,
        pages_read: 0,
        by_status: {},
        by_gate: {},
        by_depth: {},
        by_evidence: {},
        orphans: packed.head.complete ? 0 : null,
        links,
    };
    const of = (name: NumberName) => packed.numbers(name);
    const [isPage, depths, statuses, gates, evidence, orphans] = [
        of('page'),
        of('depth'),
        of('status'),
        of('gate'),
        of('evidence'),
        of('orphan'),
    ];
    for (let node = 0; node < packed.count; node++) {
        const depth = depths[node]!;
        if (isPage[node] === 1) summary.pages_read++;
        count(summary.by_status, statuses[node] || 'none');
        count(summary.by_gate, gateOf(gates[node]!) ?? 'unknown');
        count(summary.by_depth, depth === UNREACHED ? 'none' : depth);
        count(summary.by_evidence, evidenceNames(evidence[node]!).join(' '));
        const orphan = orphans[node];
        if (summary.orphans !== null && (orphan === ORPHAN.strict || orphan === ORPHAN.adrift)) summary.orphans++;
    }
    return summary;
}

/**
 * Writes the files of a survey; each appears whole or not at all.
 * @param packed the survey without its words: links, pages and families are told from it
 * @param whole the view with all parts, which findings need; the other files are written while it is made
 */
export async function exportSurvey(
    db: Database,
    folder: string,
    survey: Survey,
    { packed, whole }: { packed: PackedSurvey; whole: Promise<CheckView> },
): Promise<SummaryFile> {
    // Where a file cannot be written nobody waits for it any more.
    whole.catch(() => undefined);
    await prepareExportFolder(folder);
    let links = 0;
    function* pages() {
        const columns = pageColumns(packed);
        const chosen = PAGE_FILE_COLUMNS.map((id) => columns.get(id)!);
        for (let node = 0; node < packed.count; node++) {
            yield Object.fromEntries(chosen.map(({ id, value }) => [id, value(node)]));
        }
    }
    async function* counted() {
        for await (const records of linkRecords(db, survey.id, packed)) {
            links += records.length;
            yield records;
        }
    }
    const failed = (error: Error): never => {
        throw new UserError(`The export into ${folder} failed: ${error.message}.`);
    };
    try {
        await writeCsv(join(folder, 'links.csv'), LINK_COLUMNS, counted());
        await writeCsv(join(folder, 'pages.csv'), PAGE_FILE_COLUMNS, [pages()]);
        await writeCsv(join(folder, 'families.csv'), FAMILY_COLUMNS, [await familyRecords(db, survey.id)]);
    } catch (error) {
        failed(error as Error);
    }
    const view = await whole;
    try {
        await writeCsv(join(folder, 'findings.csv'), FINDING_COLUMNS, findingRecords(db, survey.id, view));
        const summary = summaryOf(survey, packed, links);
        const file = join(folder, 'summary.json');
        await writeFile(`${file}.tmp`, `${JSON.stringify(summary, null, 2)}\n`);
        await rename(`${file}.tmp`, file);
        return summary;
    } catch (error) {
        return failed(error as Error);
    }
}

async function writeCsv(file: string, columns: readonly string[], groups: RecordGroups): Promise<void> {
    await pipeline(Readable.from(csvPieces(columns, groups)), createWriteStream(`${file}.tmp`));
    await rename(`${file}.tmp`, file);
}
