/** The cause of each row that the register found: rows with the same one are mended by one edit. */
import { templateWords } from '../areas/template-words.ts';
import { linkGraphOf, listOfLink } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import type { CauseParams, Spread } from '../words/cause-params.ts';
import { isFindingId, type FindingParams } from '../words/finding-params.ts';
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
        const to = spread(own, row);
        const bySpread = known.get(own) ?? new Map<Spread, number>();
        known.set(own, bySpread);
        let number = bySpread.get(to);
        if (number === undefined) bySpread.set(to, (number = numberOf(withSpread(own, to))));
        return number;
    });
    return { cause, causes };
}

function rowCauses(view: CheckView, { subject, start }: Rows): Cause[] {
    /** Made when the first single link is met. */
    let template: ((link: number) => number) | null = null;
    return CHECKS.flatMap(({ id, cause, ofLink }, number) => {
        const own = subject.subarray(start[number], start[number + 1]);
        if (own.length === 0 || !isFindingId(id)) return [];
        const of = cause?.(view);
        const atPages: Cause = { kind: 'pages', params: { check: id, spread: { of: 'some' } } };
        if (ofLink === null) return Array.from(own, (node) => of?.(node) ?? atPages);
        const templateOf = (template ??= templatesOfLinks(view.survey));
        const inTemplate = new Map<number, Cause>();
        return Array.from(own, (link) => of?.(link) ?? held(view.survey, id, templateOf(link), inTemplate) ?? atPages);
    });
}

/** The template that alone holds a link, as a cause; null where it stands elsewhere too. */
function held(
    survey: PackedSurvey,
    check: keyof FindingParams,
    template: number,
    known: Map<number, Cause>,
): Cause | null {
    if (template < 0) return null;
    let cause = known.get(template);
    if (cause === undefined) {
        const { name } = survey.measured.templates[template]!;
        cause = { kind: 'link-in', params: { check, name, words: templateWords(survey, template) } };
        known.set(template, cause);
    }
    return cause;
}

/** Of each link the template that alone holds its list; -1 for none. O(blocks) */
function templatesOfLinks(survey: PackedSurvey): (link: number) => number {
    const { blockList, blockTemplate, listStart } = linkGraphOf(survey);
    const unseen = -2;
    const alone = new Int32Array(listStart.length).fill(unseen);
    for (let block = 0; block < blockList.length; block++) {
        const list = blockList[block]!;
        const template = blockTemplate[block]!;
        alone[list] = alone[list] === unseen || alone[list] === template ? template : -1;
    }
    return (link) => alone[listOfLink(survey, link)]!;
}

function withSpread(cause: Cause<Spreading>, spread: Spread): Cause {
    return cause.kind === 'pages'
        ? { kind: 'pages', params: { ...cause.params, spread } }
        : { kind: 'stops', params: { ...cause.params, spread } };
}

const NO_NODE = -1;
const SITE: Spread = { of: 'site' };
const SOME: Spread = { of: 'some' };

/** How far what is found spreads, by kind and page: over the site, over the page's section, or here and there. */
function spreadsOf(survey: PackedSurvey, { subject, check }: Rows, causes: readonly Cause[]) {
    const isLink = (row: number): boolean => CHECKS[check[row]!]!.ofLink !== null;
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
        const node = isLink(row) ? NO_NODE : subject[row]!;
        if (isPage[node] !== 1 || own.last[node] === 1) return;
        own.last[node] = 1;
        own.pages[section[node]!]!++;
        own.total++;
    });
    const total = all.reduce((a, b) => a + b, 0);
    const isNearlyAll = (some: number, of: number): boolean => of >= ENOUGH_PAGES && some >= of * NEARLY_ALL;
    return (cause: Cause<Spreading>, row: number): Spread => {
        const own = found.get(cause)!;
        const node = isLink(row) ? NO_NODE : subject[row]!;
        // What nearly all pages have of single links stands in a template, and is told as such.
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
    variants: ({ by, to }) => `variants by ${by} ${to}`.trimEnd(),
    'cut-off': ({ section }) => `cut off in ${section}`,
    island: ({ url }) => `island ${url}`,
    'link-in': ({ name, check }) => `${check} in ${name}`,
    outside: ({ url, status }) => `${status === 0 ? 'no answer' : status} ${url}`,
    pages: ({ check, spread }) => `${check}${spreadKey(spread)}`,
};

const spreadKey = (spread: Spread): string =>
    spread.of === 'some' ? '' : spread.of === 'site' ? ' everywhere' : ` in ${spread.section}`;

/** What names a cause, in this survey and the next. */
export function causeKey({ kind, params }: Cause): string {
    return (KEYS[kind] as (params: unknown) => string)(params);
}
