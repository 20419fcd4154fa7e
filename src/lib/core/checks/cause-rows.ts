/** The cause of each row that the register found: rows with the same one are mended by one edit. */
import type { PackedSurvey } from '../packed/packed-survey.ts';
import type { CauseParams, Spread } from '../words/cause-params.ts';
import { isFindingId } from '../words/finding-params.ts';
import type { Cause, CheckView } from './check.ts';
import { CHECKS } from './register.ts';

/** Pages of a section, or of a site, from which on it can be told whether nearly all of them share something. */
const ENOUGH_PAGES = 10;
const NEARLY_ALL = 0.9;

export interface CauseOf {
    /** Names it for good: in the set language, in what is accepted, in `findings.csv`. */
    key: string;
    cause: Cause;
}

/** Kinds that are told by how far they spread. */
type Spreading = 'pages' | 'stops';
const spreads = (cause: Cause): cause is Cause<Spreading> => cause.kind === 'pages' || cause.kind === 'stops';

interface Rows {
    check: Uint8Array;
    subject: Int32Array;
    start: Uint32Array;
}

/** @returns the number of each row's cause, and the causes by that number */
export function causesOfRows(view: CheckView, rows: Rows): { cause: Int32Array; causes: CauseOf[] } {
    const numbers = new Map<string, number>();
    const causes: CauseOf[] = [];
    const numberOf = (cause: Cause): number => {
        const key = causeKey(cause);
        let number = numbers.get(key);
        if (number === undefined) {
            numbers.set(key, (number = causes.length));
            causes.push({ key, cause });
        }
        return number;
    };
    const first = rowCauses(view, rows);
    const spread = spreadsOf(view.survey, rows, first);
    const cause = Int32Array.from(first, (own, row) =>
        numberOf(spreads(own) ? withSpread(own, spread(own, rows.subject[row]!)) : own),
    );
    return { cause, causes };
}

function rowCauses(view: CheckView, { subject, start }: Rows): Cause[] {
    return CHECKS.flatMap(({ id, cause }, number) => {
        const own = subject.subarray(start[number], start[number + 1]);
        if (own.length === 0 || !isFindingId(id)) return [];
        const of = cause?.(view);
        const atPages: Cause = { kind: 'pages', params: { check: id, spread: { of: 'some' } } };
        return Array.from(own, (node) => of?.(node) ?? atPages);
    });
}

function withSpread(cause: Cause<Spreading>, spread: Spread): Cause {
    return cause.kind === 'pages'
        ? { kind: 'pages', params: { ...cause.params, spread } }
        : { kind: 'stops', params: { ...cause.params, spread } };
}

/** How far what is found spreads, by kind and page: over the site, over the page's section, or here and there. */
function spreadsOf(survey: PackedSurvey, { subject }: Rows, causes: readonly Cause[]) {
    const [isPage, section] = [survey.numbers('page'), survey.numbers('section')];
    const sections = survey.texts('section_words');
    const count = (nodes: Iterable<number>): Map<number, number> => {
        const pages = new Map<number, number>();
        for (const node of nodes) {
            if (isPage[node] === 1) pages.set(section[node]!, (pages.get(section[node]!) ?? 0) + 1);
        }
        return pages;
    };
    const all = count(new Uint32Array(survey.count).keys());
    const total = sum(all);
    /** Pages that are found, each once, by key of the kind. */
    const found = new Map<string, Set<number>>();
    causes.forEach((cause, row) => {
        if (!spreads(cause)) return;
        const own = found.get(causeKey(cause)) ?? new Set();
        found.set(causeKey(cause), own.add(subject[row]!));
    });
    const counted = new Map([...found].map(([key, nodes]) => [key, count(nodes)]));
    const isNearlyAll = (some: number, of: number): boolean => of >= ENOUGH_PAGES && some >= of * NEARLY_ALL;
    return (cause: Cause<Spreading>, node: number): Spread => {
        const pages = counted.get(causeKey(cause))!;
        if (isPage[node] !== 1) return { of: 'some' };
        if (isNearlyAll(sum(pages), total)) return { of: 'site' };
        const own = section[node]!;
        if (isNearlyAll(pages.get(own) ?? 0, all.get(own) ?? 0)) return { of: 'section', section: sections.at(own) };
        return { of: 'some' };
    };
}

const sum = (counts: ReadonlyMap<unknown, number>): number => [...counts.values()].reduce((a, b) => a + b, 0);

const KEYS: { [K in keyof CauseParams]: (params: CauseParams[K]) => string } = {
    answers: ({ url, status }) => `${status === 0 ? 'no answer' : status} ${url}`,
    moved: ({ url }) => `moved ${url}`,
    template: ({ name, to }) => `${to} in ${name}`,
    rule: ({ file, rule }) => `${file} ${rule}`,
    file: ({ file, check }) => `${file} ${check}`,
    stops: ({ gate, spread }) => `stops at ${gate}${spreadKey(spread)}`,
    'cut-off': ({ section }) => `cut off in ${section}`,
    island: ({ url }) => `island ${url}`,
    pages: ({ check, spread }) => `${check}${spreadKey(spread)}`,
};

const spreadKey = (spread: Spread): string =>
    spread.of === 'some' ? '' : spread.of === 'site' ? ' everywhere' : ` in ${spread.section}`;

/** What names a cause, in this survey and the next. */
export function causeKey({ kind, params }: Cause): string {
    return (KEYS[kind] as (params: unknown) => string)(params);
}
