/** The set, the order and the columns that the parameters of an address name, told for a survey. */
import { askedByRobots } from '../core/areas/spent.ts';
import { NOTHING_BESIDE } from '../core/checks/beside.ts';
import { pagesFound } from '../core/checks/pages-found.ts';
import { siteView } from '../core/checks/site-findings.ts';
import { NO_GOALS } from '../wire/goals.ts';
import { getSite } from './store/site-store.ts';
import type { PackedSurvey } from '../core/packed/packed-survey.ts';
import type { Part } from '../core/columns/column.ts';
import { Bits } from '../core/sets/bits.ts';
import { evaluateSet, partsFor, SetUnknown, type SetContext } from '../core/sets/evaluate-set.ts';
import type { Field, Value } from '../core/sets/field.ts';
import { fieldsOf } from '../core/sets/fields.ts';
import { once } from '../core/kept.ts';
import { inOrder, pageColumns, placesBy, type PageColumn } from '../core/sets/page-columns.ts';
import { parseSet } from '../core/sets/parse-set.ts';
import { prioritiesOf, type SaidPriority } from '../core/sets/priorities.ts';
import { seeks, surveysIn, walkSet, type SetExpression } from '../core/sets/set-expression.ts';
import { wordIndexOf } from './proposals/open-words.ts';
import { appStore, openPacked } from './app.ts';
import { baselineOf, type Surveys } from './baseline.ts';
import { besideOf } from './beside.ts';
import { robotsTexts } from './received-files.ts';
import { askedOnce } from './request-memo.ts';
import { checkSettingsIn } from './site-checks.ts';
import { loadVisits } from './store/evidence-store.ts';
import { listIntended } from './store/intended-store.ts';
import { listPriorities, listSavedSets, type SavedSet } from './store/set-store.ts';
import { findSurvey, type Survey } from './store/survey-store.ts';

/** What is wrong with a set, and where in its line. */
export interface SetTroubleAt {
    at: number;
    length: number;
    say: string;
}

export interface CurrentSet {
    survey: PackedSurvey;
    /** As written in the address. */
    text: string;
    /** Empty when the set could not be told. */
    bits: Bits;
    trouble: SetTroubleAt | null;
    priority: Uint8Array;
    saved: SavedSet[];
}

interface Params {
    get(name: string): string | null;
}

/** Reads and evaluates the set of a line. */
export function evaluateLine(survey: Survey, text: string, parts: readonly Part[] = []): Promise<CurrentSet> {
    return askedOnce(`set ${survey.id}.${survey.revision} ${parts.join(' ')} ${text}`, () =>
        evaluateIn({ db: appStore().db, open: openPacked, words: wordIndexOf }, survey, text, parts),
    );
}

/** The same, on surveys from wherever they are. */
export async function evaluateIn(
    surveys: Surveys,
    survey: Survey,
    text: string,
    parts: readonly Part[] = [],
): Promise<CurrentSet> {
    const { db } = surveys;
    const [saved, said, intended] = await Promise.all([
        askedOnce(`saved sets ${survey.siteId}`, () => listSavedSets(db, survey.siteId)),
        askedOnce(`priorities ${survey.siteId}`, () => listPriorities(db, survey.siteId)),
        askedOnce(`intended ${survey.siteId}`, () => listIntended(db, survey.siteId)),
    ]);
    const packed = await surveys.open(survey, ['core', 'text', ...parts]);
    const fields = fieldsOf(packed);
    const parsed = parseSet(text, fields);
    const nothing = {
        survey: packed,
        text,
        bits: new Bits(packed.count),
        priority: new Uint8Array(packed.count),
        saved,
    };
    if (!parsed.ok) return { ...nothing, trouble: { at: parsed.at, length: parsed.length, say: parsed.say } };
    const sets = new Map(saved.map(({ name, expression }) => [name, readSaved(expression, fields)]));
    const rules: SaidPriority[] = said.filter((rule): rule is typeof rule & SaidPriority => rule.value >= 0);
    const asked = [parsed.set, ...[...sets.values()].filter((set) => set !== undefined)];
    for (const { by, subject } of rules) {
        const of = by === 'set' ? parseSet(subject, fields) : null;
        if (of?.ok) asked.push(of.set);
    }
    const context = {
        ...(await contextFor(surveys, survey, packed, asked, (name) => sets.get(name))),
        intended: intended.length === 0 ? undefined : intended,
    };
    try {
        const { priority } = prioritiesOf(rules, context);
        const bits = evaluateSet(parsed.set, { ...context, priority });
        return { ...nothing, bits, priority, trouble: null };
    } catch (error) {
        if (!(error instanceof SetUnknown)) throw error;
        return { ...nothing, trouble: { at: 0, length: text.length, say: error.message } };
    }
}

function readSaved(expression: string, fields: Field[]): SetExpression | undefined {
    const parsed = parseSet(expression, fields);
    return parsed.ok ? parsed.set : undefined;
}

/** Brings what the sets speak of: parts of the survey, other surveys, the baseline. */
async function contextFor(
    { db, open, words }: Surveys,
    survey: Survey,
    packed: PackedSurvey,
    sets: readonly SetExpression[],
    saved: (name: string) => SetExpression | undefined,
): Promise<SetContext> {
    const others = new Map<number, PackedSurvey>();
    let baseline: PackedSurvey | undefined;
    let asksRobots = false;
    for (const set of sets) {
        const parts = partsFor(set, packed);
        for (const part of parts) if (!packed.has(part)) await open(survey, [part]);
        for (const number of surveysIn(set)) {
            const other = await findSurvey(db, survey.siteId, number);
            if (other) others.set(number, await open(other, ['core', 'text', ...parts]));
        }
        let comparesWith = false;
        walkSet(set, (part) => {
            if (part.kind !== 'flag') return;
            if (part.name === 'new' || part.name === 'gone') comparesWith = true;
            if (part.name === 'asked for by robots') asksRobots = true;
        });
        if (comparesWith && !baseline) {
            const earlier = await baselineOf(db, survey);
            if (earlier) baseline = await open(earlier, ['core', 'text']);
        }
    }
    const logs = asksRobots ? await loadVisits(db, survey.id, survey.revision) : [];
    return {
        asked: logs.length === 0 ? undefined : askedByRobots(packed, logs),
        survey: packed,
        surveys: (number) => others.get(number),
        baseline,
        saved,
        ...(sets.some(seeksFindings) ? { finds: await finderOf({ db, open, words }, survey, packed, sets) } : {}),
    };
}

function judgesAgents(set: SetExpression): boolean {
    let isSo = false;
    walkSet(set, (part) => (isSo ||= part.kind === 'agent'));
    return isSo;
}

function seeksFindings(set: SetExpression): boolean {
    let isSo = false;
    walkSet(set, (part) => (isSo ||= seeks(part)));
    return isSo;
}

/** What the checks find, by what the site says of them; in another survey no page has a priority, and nothing is known beside it. */
async function finderOf(
    surveys: Surveys,
    survey: Survey,
    packed: PackedSurvey,
    sets: readonly SetExpression[],
): Promise<SetContext['finds']> {
    const { db } = surveys;
    const [site, settings, beside, robots] = await Promise.all([
        getSite(db, survey.siteId),
        checkSettingsIn(db, survey.siteId),
        besideOf(surveys, survey),
        // Only another agent needs the rules again.
        sets.some(judgesAgents) ? robotsTexts(db, survey.id) : [],
    ]);
    const goals = site?.depthGoals ?? NO_GOALS;
    return (of, sought, said) => {
        const priority = Uint8Array.from(said ?? new Uint8Array(of.count));
        return pagesFound(
            siteView(of, {
                goals,
                priority,
                settings,
                // Which words say nothing holds for all surveys of the site.
                beside: of === packed ? beside : { ...NOTHING_BESIDE, generic: beside.generic },
                ...(of === packed && { robots }),
            }),
            sought,
        );
    };
}

export interface PageOrder {
    column: string;
    descending: boolean;
}

export function orderOf(params: Params): PageOrder {
    const [column = '', direction] = (params.get('order') ?? '').split('.');
    return { column: column || 'url', descending: direction === 'desc' };
}

/** Nodes of a set in an order; an unknown column is the order of addresses. Kept with the survey for the next window. */
export function orderedNodes(current: CurrentSet, order: PageOrder): Uint32Array {
    const { survey, bits } = current;
    const column = pageColumns(survey, current).get(order.column);
    const nodes = bits.nodes();
    if (!column || (column.id === 'url' && !order.descending)) return nodes;
    return inOrder(nodes, placesBy(survey, column), order.descending);
}

export const MOST_ROWS = 500;

export interface PageWindow {
    /** Size of the set. */
    total: number;
    from: number;
    /** `url` names the page, whatever columns were asked for. */
    rows: { url: string; record: Record<string, Value> }[];
}

function whole(params: Params, name: string, otherwise: number): number {
    const value = Number(params.get(name) ?? otherwise);
    return Number.isInteger(value) && value >= 0 ? value : otherwise;
}

/** Where a window of rows begins, and how many it has. */
export function windowOf(params: Params): { from: number; count: number } {
    return { from: whole(params, 'from', 0), count: Math.min(whole(params, 'count', 100), MOST_ROWS) };
}

/** Values of some columns at a page. */
export function recordOf(columns: readonly PageColumn[], node: number): Record<string, Value> {
    return Object.fromEntries(columns.map((column) => [column.id, column.value(node)]));
}

/** The columns that are named, in the order of all; all when none is. */
export function columnsNamed(current: CurrentSet, names: string | null): PageColumn[] {
    const columns = [...pageColumns(current.survey, current).values()];
    const wanted = names?.split(',');
    const chosen = wanted ? columns.filter((column) => wanted.includes(column.id)) : columns;
    return chosen.length > 0 ? chosen : columns;
}

export function pageWindow(current: CurrentSet, params: Params): PageWindow {
    const nodes = orderedNodes(current, orderOf(params));
    const { from, count } = windowOf(params);
    const columns = columnsNamed(current, params.get('columns'));
    return {
        total: nodes.length,
        from,
        rows: [...nodes.subarray(from, from + count)].map((node) => ({
            url: current.survey.url(node),
            record: recordOf(columns, node),
        })),
    };
}

/** Where a page stands in the set, and the URLs of its neighbours there; null when it is not in it. */
export function placeInSet(current: CurrentSet, params: Params, node: number) {
    if (node < 0 || node >= current.survey.count || !current.bits.has(node)) return null;
    const nodes = orderedNodes(current, orderOf(params));
    const at = nodes.indexOf(node);
    const urlAt = (index: number): string | null => (index in nodes ? current.survey.url(nodes[index]!) : null);
    return { place: at + 1, of: nodes.length, before: urlAt(at - 1), after: urlAt(at + 1) };
}

/** Fields for the pages to complete with, without the functions that read them. */
export function columnList(
    current: CurrentSet,
): { id: string; name: string; what: string; kind: PageColumn['kind'] }[] {
    return once(current.survey, 'column list', [], () =>
        [...pageColumns(current.survey).values()].map(({ id, name, what, kind }) => ({ id, name, what, kind })),
    );
}
