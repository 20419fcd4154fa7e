/** What must not be after a survey: pages in a set, findings of a check or of a severity; all of them, or new ones only. */
import {
    isKnown,
    SEVERITIES,
    type Check,
    type CheckId,
    type CheckView,
    type Severity,
} from '../src/lib/core/checks/check.ts';
import { TELLING_CHECKS } from '../src/lib/core/checks/register.ts';
import { fileFindings, isAcceptedFile } from '../src/lib/core/checks/file-findings.ts';
import { siteFindings } from '../src/lib/core/checks/site-findings.ts';
import { parseSet } from '../src/lib/core/sets/parse-set.ts';
import { fileFindingSentence, findingSentence } from '../src/lib/core/words/checks.ts';
import type { Surveys } from '../src/lib/server/baseline.ts';
import { evaluateIn } from '../src/lib/server/current-set.ts';
import type { Database } from '../src/lib/server/store/connect.ts';
import { findSurvey, type Survey } from '../src/lib/server/store/survey-store.ts';
import { UsageError } from './usage.ts';

export type Gate =
    | { kind: 'set'; option: string; line: string }
    | { kind: 'check'; id: CheckId }
    | { kind: 'severity'; severity: Severity };

/** A survey, and what the register needs to tell of it. */
export interface Judged {
    survey: Survey;
    view: CheckView;
}

/** Pages and findings named for each gate; the rest is counted. */
const MOST_NAMED = 100;

/** Read before anything is surveyed. Columns of lists are known only afterwards. @param option as it was written */
export function readGates(option: string, lines: readonly string[]): Gate[] {
    return lines.map((line): Gate => {
        const severity = SEVERITIES.find((known) => known === line);
        if (severity) return { kind: 'severity', severity };
        const check = TELLING_CHECKS.find(({ id }) => id === line);
        if (check) return { kind: 'check', id: check.id };
        const parsed = parseSet(line);
        if (!parsed.ok && parsed.code !== 'unknown-name') throw new UsageError(`${option} '${line}': ${parsed.say}`);
        return { kind: 'set', option, line };
    });
}

/** The number of the survey to compare with; null where nothing is to be compared. */
export function readBaseline(text: string | undefined, isWanted: boolean): number | null {
    if (text === undefined) {
        if (isWanted)
            throw new UsageError('--fail-on-new needs --baseline N, the number of an earlier survey of the site.');
        return null;
    }
    if (!isWanted) throw new UsageError('--baseline is of use with --fail-on-new only.');
    if (!/^[1-9]\d{0,8}$/.test(text))
        throw new UsageError(`--baseline takes the number of a survey; "${text}" is none.`);
    return Number(text);
}

/** The survey to compare with. @throws UsageError where there is none of that number that was read to its end */
export async function findBaseline(db: Database, site: number, number: number | null): Promise<Survey | null> {
    if (number === null) return null;
    const survey = await findSurvey(db, site, number);
    if (survey?.state !== 'finished' || survey.settings.spot !== null) {
        throw new UsageError(
            `--baseline ${number}: site ${site} has no survey of that number in this data folder that was read to its end.`,
        );
    }
    return survey;
}

/** Something a gate found: what tells it from others, in whatever survey it is found, and how it is told. */
interface Found {
    key: string;
    say: () => string;
}

/** Tells whether a survey has what must not be, and names it. */
export async function failsOn(surveys: Surveys, gate: Gate, now: Judged): Promise<boolean> {
    if (isUnknown(gate, now)) {
        console.log(`Not known of this survey: ${nameOf(gate)}`);
        return false;
    }
    return told(gate, await foundBy(surveys, gate, now), '');
}

/** The same of what the baseline did not have: a link is the same one wherever it stands in its template. */
export async function failsOnNew(surveys: Surveys, gate: Gate, now: Judged, before: Judged): Promise<boolean> {
    for (const [judged, which] of [
        [now, 'this survey'],
        [before, 'the baseline'],
    ] as const) {
        if (!isUnknown(gate, judged)) continue;
        console.log(`Not known of ${which}, so nothing is called new: ${nameOf(gate)}`);
        return false;
    }
    const had = new Set((await foundBy(surveys, gate, before)).map(({ key }) => key));
    const found = (await foundBy(surveys, gate, now)).filter(({ key }) => !had.has(key));
    return told(gate, found, ` that survey ${before.survey.number} did not have`);
}

const nameOf = (gate: Gate): string =>
    gate.kind === 'set' ? gate.line : gate.kind === 'check' ? gate.id : `severity ${gate.severity}`;

function isUnknown(gate: Gate, { view }: Judged): boolean {
    const check: Check | undefined = TELLING_CHECKS.find(({ id }) => gate.kind === 'check' && id === gate.id);
    return check !== undefined && !isKnown(check, view.survey);
}

function told(gate: Gate, found: readonly Found[], new_: string): boolean {
    const count = found.length.toLocaleString('en');
    const name = nameOf(gate);
    if (gate.kind === 'set') {
        const pages = found.length === 1 ? `${count} page is` : `${count} pages are`;
        console.log(
            found.length === 0 ? `No page${new_} is in the set: ${name}` : `${pages} in the set${new_}: ${name}`,
        );
    } else if (found.length === 0) console.log(`Nothing found${new_}: ${name}`);
    else console.log(`${count} ${found.length === 1 ? 'finding' : 'findings'}${new_}: ${name}`);
    for (const { say } of found.slice(0, MOST_NAMED)) console.log(`  ${say()}`);
    if (found.length > MOST_NAMED) console.log(`  and ${(found.length - MOST_NAMED).toLocaleString('en')} more`);
    return found.length > 0;
}

async function foundBy(surveys: Surveys, gate: Gate, { survey, view }: Judged): Promise<Found[]> {
    if (gate.kind !== 'set') return findingsOf(gate, view);
    const current = await evaluateIn(surveys, survey, gate.line);
    if (current.trouble) throw new UsageError(`${gate.option} '${gate.line}': ${current.trouble.say}`);
    return [...current.bits.nodes()].map((node) => {
        const url = current.survey.url(node);
        return { key: url, say: () => url };
    });
}

function findingsOf(gate: Exclude<Gate, { kind: 'set' }>, view: CheckView): Found[] {
    const { survey } = view;
    const isMeant = (id: CheckId, severity: Severity): boolean =>
        gate.kind === 'check' ? id === gate.id : severity === gate.severity;
    const found: Found[] = [];
    for (const finding of fileFindings(view)) {
        const { check: id, severity, file, line, params } = finding;
        if (!isMeant(id, severity) || isAcceptedFile(view, finding)) continue;
        const at = line === null ? '' : `, line ${line}`;
        // A rule is the same one when lines are put above it, and when it closes a page more.
        const rule = 'rule' in params ? params.rule : 'text' in params ? params.text : '';
        const key = JSON.stringify([id, file, rule]);
        found.push({ key, say: () => `${id} ${file}${at}: ${fileFindingSentence(finding)}` });
    }
    for (const { finding, node, to, template, isAccepted } of siteFindings(view)) {
        // What is accepted is lived with: it fails nothing.
        if (isAccepted || !isMeant(finding.check, finding.severity)) continue;
        const url = survey.url(node);
        // A menu to which something was added is another block, and its old links are no news.
        const where = template === -1 ? url : '';
        const key = JSON.stringify([finding.check, where, to]);
        found.push({ key, say: () => `${finding.check} ${url}: ${findingSentence(finding)}` });
    }
    return found;
}

/** The register, a line a check. */
export function checkLines(): string {
    const width = Math.max(...TELLING_CHECKS.map(({ id }) => id.length));
    return TELLING_CHECKS.map(({ id, severity, name }) => `${id.padEnd(width)}  ${severity.padEnd(6)}  ${name}`).join(
        '\n',
    );
}
