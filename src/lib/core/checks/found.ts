/**
 * What the register finds in a survey, as columns: a row for each page, each target of links, and each single link, of
 * which a check finds something. Sets, findings one by one, causes and the page sheet are made of these rows; what a row says is asked
 * of its check again, which is O(1).
 */
import { bytesColumn, signedColumn } from '../growing-column.ts';
import { latest } from '../kept.ts';
import { causesOfRows, type CauseOf } from './cause-rows.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import {
    ANY_LINK,
    FOLLOWED,
    isKnown,
    isSameSort,
    SEVERITIES,
    type Check,
    type CheckView,
    type Finding,
    type LinkSort,
    type Tells,
} from './check.ts';
import { HeldLinks } from './held-links.ts';
import { linkEnd } from '../packed/link-graph.ts';
import { eachLinkedPair } from './linked-pairs.ts';
import { CHECKS } from './register.ts';
import { acceptedKey } from './settings.ts';

export interface Found {
    /** Rows check by check, and of each by the number of the page. */
    check: Uint8Array;
    severity: Uint8Array;
    /** The page, or what the links lead to, or the number of the link. */
    subject: Int32Array;
    /** Number of the cause. */
    cause: Int32Array;
    /** 1 for what is accepted, by itself or with its cause. */
    accepted: Uint8Array;
    /** First row of each check of the register; one more at the end. */
    start: Uint32Array;
    causes: readonly CauseOf[];
}

/** Made once for what it goes by. Needs all parts. O(checks · nodes + link occurrences). */
export function foundOf(view: CheckView): Found {
    return latest(view.survey, 'found', view.basis, () => find(view));
}

/** The checks that are told of a survey: known, and not switched off. */
export function toldChecks({ survey, settings }: CheckView, among: readonly Check[] = CHECKS): Check[] {
    return among.filter((check) => isKnown(check, survey) && !settings.off.has(check.id));
}

/** What a check tells of a page, a target or a link; null for a check of files. */
export const tellsOf = ({ ofPage, ofTarget, ofLink }: Check): Tells | null => ofPage ?? ofTarget ?? ofLink;

function find(view: CheckView): Found {
    const { survey, settings } = view;
    const [check, severity, subject] = [bytesColumn(), bytesColumn(), signedColumn()];
    const start = new Uint32Array(CHECKS.length + 1);
    const told = new Set(toldChecks(view));
    const held = new HeldLinks(survey);
    CHECKS.forEach((item, number) => {
        start[number] = check.length;
        const tells = told.has(item) ? tellsOf(item)?.(view) : undefined;
        if (!tells) return;
        const tell = (of: number): void => {
            const finding = tells(of);
            if (finding === null) return;
            check.push(number);
            severity.push(SEVERITIES.indexOf(finding.severity));
            subject.push(of);
        };
        if (item.ofLink !== null) {
            held.each(view, item, tell);
            return;
        }
        // Of targets only what another page links to, by a link of the sort that is asked about.
        const isLinked = item.ofTarget === null ? null : linkedBy(survey, item.links, tells);
        for (let node = 0; node < survey.count; node++) if (isLinked?.[node] !== 0) tell(node);
    });
    start[CHECKS.length] = check.length;
    // Kept as long as the survey is: without the room they had to grow in.
    const columns = {
        check: check.values().slice(),
        severity: severity.values().slice(),
        subject: subject.values().slice(),
        start,
    };
    const { cause, causes } = causesOfRows(view, columns);
    const { accepted } = settings;
    const isAccepted = (row: number): boolean =>
        accepted.causes.has(causes[cause[row]!]!.key) ||
        (accepted.findings.size > 0 &&
            accepted.findings.has(acceptedKey(CHECKS[columns.check[row]!]!.id, subjectText(survey, columns, row))));
    return { ...columns, cause, causes, accepted: Uint8Array.from(cause, (_, row) => (isAccepted(row) ? 1 : 0)) };
}

/** Not 0 for what another page links to by such a link, as far as a check tells something of it. */
function linkedBy(survey: PackedSurvey, links: LinkSort, tells: (node: number) => Finding | null): ArrayLike<number> {
    if (isSameSort(links, ANY_LINK)) return survey.numbers('incoming_links');
    if (isSameSort(links, FOLLOWED)) return survey.numbers('incoming_followed');
    const [all, followed] = [survey.numbers('incoming_links'), survey.numbers('incoming_followed')];
    // Most targets are in order, and most links are followed: only what is left is looked for.
    const isAsked = (node: number): boolean =>
        (links.takes === 'declined' ? all[node]! > followed[node]! : all[node]! > 0) && tells(node) !== null;
    const marked = Uint8Array.from({ length: survey.count }, (_, node) => (isAsked(node) ? 1 : 0));
    const linked = new Uint8Array(survey.count);
    if (marked.includes(1)) eachLinkedPair(survey, { marked, links }, (_, target) => void (linked[target] = 1));
    return linked;
}

/** What a row is accepted by: the URL of its page, or what its links lead to: a URL, or what is written in place of one. */
export function subjectText(
    survey: PackedSurvey,
    { check, subject }: Pick<Found, 'check' | 'subject'>,
    row: number,
): string {
    const own = subject[row]!;
    return CHECKS[check[row]!]!.ofLink === null ? survey.url(own) : linkEnd(survey, own);
}

/** The sorts of links that checks ask about: of targets, and of single links. */
export const LINK_SORTS: readonly LinkSort[] = CHECKS.filter(({ ofTarget, ofLink }) => (ofTarget ?? ofLink) !== null)
    .map(({ links }) => links)
    .filter((sort, place, all) => all.findIndex((other) => isSameSort(sort, other)) === place);

/** The row of a check for a page, target or link; -1 for none. O(log rows) */
export function rowOf({ start, subject }: Found, check: number, of: number): number {
    let low = start[check]!;
    let high = start[check + 1]!;
    while (low < high) {
        const middle = (low + high) >> 1;
        if (subject[middle]! < of) low = middle + 1;
        else high = middle;
    }
    return low < start[check + 1]! && subject[low] === of ? low : -1;
}

/** What rows say, asked of their checks again. */
export function findingsAt(view: CheckView, { check, subject }: Found): (row: number) => Finding {
    const ready = new Map<number, ReturnType<Tells>>();
    return (row) => {
        const number = check[row]!;
        let tells = ready.get(number);
        if (tells === undefined) ready.set(number, (tells = tellsOf(CHECKS[number]!)!(view)));
        return tells(subject[row]!)!;
    };
}
