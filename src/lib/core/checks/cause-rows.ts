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
    /** Numbers of causes that many rows share, by how they spread: their keys are made once. */
    const known = new Map<Cause, Map<Spread, number>>();
    const cause = Int32Array.from(first, (own, row) => {
        if (!spreads(own)) return numberOf(own);
        const to = spread(own, rows.subject[row]!);
        const bySpread = known.get(own) ?? new Map<Spread, number>();
        known.set(own, bySpread);
        let number = bySpread.get(to);
        if (number === undefined) bySpread.set(to, (number = numberOf(withSpread(own, to))));
        return number;
    });
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

const SITE: Spread = { of: 'site' };
const SOME: Spread = { of: 'some' };

/** How far what is found spreads, by kind and page: over the site, over the page's section, or here and there. */
function spreadsOf(survey: PackedSurvey, { subject }: Rows, causes: readonly Cause[]) {
    const [isPage, section] = [survey.numbers('page'), survey.numbers('section')];
    const sections: readonly Spread[] = survey
        .texts('section_words')
        .all()
        .map((name) => ({ of: 'section', section: name }));
    const all = new Uint32Array(sections.length);
    for (let node = 0; node < survey.count; node++) if (isPage[node] === 1) all[section[node]!]!++;
    /** Pages by section that are found, each once, by kind. */
    const found = new Map<Cause, { pages: Uint32Array; last: Uint8Array; total: number }>();
    causes.forEach((cause, row) => {
        if (!spreads(cause)) return;
        let own = found.get(cause);
        if (!own) {
            own = { pages: new Uint32Array(sections.length), last: new Uint8Array(survey.count), total: 0 };
            found.set(cause, own);
        }
        const node = subject[row]!;
        if (isPage[node] !== 1 || own.last[node] === 1) return;
        own.last[node] = 1;
        own.pages[section[node]!]!++;
        own.total++;
    });
    const total = all.reduce((a, b) => a + b, 0);
    const isNearlyAll = (some: number, of: number): boolean => of >= ENOUGH_PAGES && some >= of * NEARLY_ALL;
    return (cause: Cause<Spreading>, node: number): Spread => {
        const own = found.get(cause)!;
        if (isPage[node] !== 1) return SOME;
        if (isNearlyAll(own.total, total)) return SITE;
        const at = section[node]!;
        return isNearlyAll(own.pages[at]!, all[at]!) ? sections[at]! : SOME;
    };
}

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
