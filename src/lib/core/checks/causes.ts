/**
 * Causes: what the register found, grouped by the one edit that mends it, with what it touches (`docs/measures.md`,
 * "Causes"). *Fix once* of the Brief, the view *Causes* and `--fail-on` are made of them.
 */
import { latest } from '../kept.ts';
import { givenTo } from './given-to.ts';
import { quoted } from '../sets/tokens.ts';
import type { FileParams, FindingParams } from '../words/finding-params.ts';
import type { Cause, CheckView, FileFinding } from './check.ts';
import { SEVERITIES, type Severity } from './check.ts';
import { fileCause, fileFindings } from './file-findings.ts';
import { causeKey } from './cause-rows.ts';
import { foundOf, type Found } from './found.ts';
import { eachPlace } from './found-places.ts';
import { CHECKS } from './register.ts';
import { thrownAway } from './roots.ts';
import { siteUrl } from './site-url.ts';

/** What one check found that follows from a cause. */
export interface Follows {
    check: keyof FindingParams | keyof FileParams;
    severity: Severity;
    /** Pages it is found of, or on which links it is found of stand: the size of `set`. Of files the findings. */
    pages: number;
    /** In the set language; null for findings of files. */
    set: string | null;
}

export interface ToldCause {
    key: string;
    cause: Cause;
    /** The worst of what follows. */
    severity: Severity;
    /** The URL it is about, where it is one: as the reader of the site knows it. */
    only: string | null;
    /** URLs it is about: what is found of pages, what links lead to, and pages with such single links. The size of `set`; 0 for files alone. Null where it is accepted. */
    urls: number;
    set: string | null;
    /** Standing of those URLs; of those that are not ranked what links give them. In average pages. */
    standing: number;
    /** How much of it is thrown away, at errors and at what is closed. */
    thrown: number;
    /** By the first list of visits that was given; null where none says anything of them. */
    visits: number | null;
    /** The worst first, then by pages. */
    follows: Follows[];
}

export interface Causes {
    /** By severity, then standing, then visits where they are known, then URLs, then name. */
    open: ToldCause[];
    accepted: ToldCause[];
}

/** All causes. Needs all parts. O(findings + link occurrences) once for what it goes by, then O(causes + findings of files). */
export function causesOf(view: CheckView): Causes {
    const pages = pageCausesOf(view);
    const files = fileFindings(view).map((finding) => ({ finding, cause: fileCause(view.survey, finding) }));
    if (files.length === 0) return pages;
    const { accepted } = view.settings;
    const isAccepted = (item: FileFound): boolean => accepted.causes.has(causeKey(item.cause));
    return {
        open: withFiles(
            pages.open,
            files.filter((item) => !isAccepted(item)),
            0,
        ),
        accepted: withFiles(pages.accepted, files.filter(isAccepted), 1),
    };
}

/** Those of what is found of pages and links, without files; made once for what they go by. Needs all parts. */
export function pageCausesOf(view: CheckView): Causes {
    return latest(view.survey, 'causes', view.basis, () => ({ open: told(view, 0), accepted: told(view, 1) }));
}

/** The causes of what is accepted, or is not. */
function told(view: CheckView, accepted: 0 | 1): ToldCause[] {
    const found = foundOf(view);
    const rows = rowsByCause(found, accepted);
    if (rows.size === 0) return [];
    const worth = worthOf(view);
    const holders = holdersOf(view, found, accepted);
    /** The last cause that each URL was counted for: one with several findings of it counts once. */
    const last = new Int32Array(view.survey.count).fill(-1);
    const causes = [...rows].map(([number, own]) => {
        const { key, cause } = found.causes[number]!;
        const made = emptyCause(key, cause, accepted);
        for (const row of own) {
            const [subject, check] = [found.subject[row]!, found.check[row]!];
            follow(made, checkAt(check), SEVERITIES[found.severity[row]!]!, () => holders.count(number, check));
            if (CHECKS[check]!.ofLink !== null) continue;
            if (last[subject] !== number) worth.add(made, subject);
            last[subject] = number;
        }
        for (const node of holders.ofLinks(number)) if (last[node] !== number) worth.add(made, node);
        return made;
    });
    return sorted(causes);
}

interface FileFound {
    finding: FileFinding;
    cause: Cause;
}

/** The same causes with what is found of files, each with its own: a rule may have both. Those given stay as they are. */
function withFiles(causes: readonly ToldCause[], files: readonly FileFound[], accepted: 0 | 1): ToldCause[] {
    const byKey = new Map(causes.map((cause) => [cause.key, cause]));
    const touched = new Map<string, ToldCause>();
    for (const { finding, cause } of files) {
        const key = causeKey(cause);
        const before = byKey.get(key);
        const own = touched.get(key) ?? { ...(before ?? emptyCause(key, cause, accepted)) };
        if (!touched.has(key)) own.follows = own.follows.map((line) => ({ ...line }));
        touched.set(key, own);
        const line = follow(own, finding.check, finding.severity, () => 0);
        line.set = null;
        line.pages++;
    }
    return sorted([...causes.filter(({ key }) => !touched.has(key)), ...touched.values()]);
}

/** In the order in which they are told, each with what follows: the worst first, then on most pages. */
function sorted(causes: ToldCause[]): ToldCause[] {
    for (const { follows } of causes) {
        follows.sort((a, b) => bySeverity(a, b) || b.pages - a.pages || (a.check < b.check ? -1 : 1));
    }
    return causes.sort(inOrder);
}

const checkAt = (number: number): keyof FindingParams => CHECKS[number]!.id as keyof FindingParams;

function emptyCause(key: string, cause: Cause, accepted: 0 | 1): ToldCause {
    const set = accepted === 1 ? null : `cause ${quoted(key, true)}`;
    return {
        key,
        cause,
        severity: 'remark',
        only: null,
        urls: 0,
        set,
        standing: 0,
        thrown: 0,
        visits: null,
        follows: [],
    };
}

/** Rows of each cause that has any, in the order in which the causes were met. */
function rowsByCause({ cause, accepted }: Found, wanted: 0 | 1): Map<number, number[]> {
    const rows = new Map<number, number[]>();
    for (let row = 0; row < cause.length; row++) {
        if (accepted[row] !== wanted) continue;
        const own = rows.get(cause[row]!);
        if (own) own.push(row);
        else rows.set(cause[row]!, [row]);
    }
    return rows;
}

const bySeverity = (a: { severity: Severity }, b: { severity: Severity }): number =>
    SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity);

/** Shares are sums of fractions: what differs by less than this is the same. */
const SAME = 1e-6;

function inOrder(a: ToldCause, b: ToldCause): number {
    const standing = Math.abs(a.standing - b.standing) < SAME ? 0 : b.standing - a.standing;
    return (
        bySeverity(a, b) || standing || (b.visits ?? 0) - (a.visits ?? 0) || b.urls - a.urls || (a.key < b.key ? -1 : 1)
    );
}

/** Notes that a check found something that follows from a cause. */
function follow(cause: ToldCause, check: Follows['check'], severity: Severity, pages: () => number): Follows {
    let own = cause.follows.find((item) => item.check === check);
    if (!own) {
        // Of what is accepted no set tells one check apart.
        const set = cause.set === null ? null : `has finding ${quoted(check, true)} of ${quoted(cause.key, true)}`;
        cause.follows.push((own = { check, severity, pages: pages(), set }));
    }
    if (bySeverity({ severity }, own) < 0) own.severity = severity;
    if (bySeverity({ severity }, cause) < 0) cause.severity = severity;
    return own;
}

/** On which pages what follows from a cause is found: of links those they stand on. */
interface Holders {
    /** How many of one check. */
    count: (cause: number, check: number) => number;
    /** Those with single links the cause is about. */
    ofLinks: (cause: number) => Iterable<number>;
}

function holdersOf(view: CheckView, found: Found, accepted: 0 | 1): Holders {
    const keyOf = (cause: number, check: number): number => cause * CHECKS.length + check;
    const counts = new Uint32Array(found.causes.length * CHECKS.length);
    /** The last page that was counted of a cause and check: places of one check come in the order of pages. */
    const last = new Int32Array(counts.length).fill(-1);
    /** Single links come link by link, and not by pages: theirs are gathered, by cause and check, and by cause. */
    const [ofLinks, ofCause] = [new Map<number, Set<number>>(), new Map<number, Set<number>>()];
    const isMeant = (row: number): boolean => found.accepted[row] === accepted;
    eachPlace(view.survey, found, isMeant, (row, node) => {
        const [cause, check] = [found.cause[row]!, found.check[row]!];
        const key = keyOf(cause, check);
        if (CHECKS[check]!.ofLink !== null) {
            put(ofLinks, key, node);
            put(ofCause, cause, node);
        } else if (last[key] !== node) {
            last[key] = node;
            counts[key]!++;
        }
    });
    return {
        count: (cause, check) => ofLinks.get(keyOf(cause, check))?.size ?? counts[keyOf(cause, check)]!,
        ofLinks: (cause) => ofCause.get(cause) ?? [],
    };
}

function put(into: Map<number, Set<number>>, key: number, node: number): void {
    const own = into.get(key);
    if (own) own.add(node);
    else into.set(key, new Set([node]));
}

/** What a URL is worth that a cause is about: its standing, else what links give it; and its visits. */
function worthOf({ survey }: CheckView) {
    const standing = survey.numbers('standing');
    const thrown = thrownAway(survey);
    const given = givenTo(survey);
    const list = survey.head.given.find(({ name, type }) => type === 'number' && name.startsWith('visits'));
    const visits = list && survey.given(list.column);
    return {
        add(cause: ToldCause, node: number): void {
            cause.urls++;
            cause.only = cause.urls === 1 ? siteUrl(survey, node) : null;
            // Of what is not ranked nobody knows a standing.
            const own = standing[node]! > 0 ? standing[node]! : 0;
            const away = thrown.get(node) ?? 0;
            cause.standing += own > 0 ? own : away > 0 ? away : (given.get(node) ?? 0);
            if (own === 0) cause.thrown += away;
            const seen = visits?.[node] ?? NaN;
            if (seen >= 0) cause.visits = (cause.visits ?? 0) + seen;
        },
    };
}
