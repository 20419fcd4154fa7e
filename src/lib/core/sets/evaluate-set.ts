/** Which pages are in a set: bitset operations over columns of a packed survey. */
import { align } from '../compare/align.ts';
import { evidenceBit } from '../evidence/evidence.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import type { Part } from '../columns/column.ts';
import type { NumberColumn } from '../number-column.ts';
import { Bits } from './bits.ts';
import type { Field, NumberField, TextField } from './field.ts';
import type { Overlays } from '../columns/overlay-columns.ts';
import { fieldsOf } from './fields.ts';
import { once } from '../kept.ts';
import { againstIntended, type IntendedPage, type Parting } from '../compare/intended.ts';
import { FLAGS, OUTER_FLAGS } from './flags.ts';
import { misfits } from './misfits.ts';
import {
    behind,
    canonicalTo,
    linkedFrom,
    linkedOnlyFrom,
    linksTo,
    heldBy,
    listedBy,
    namedIn,
    redirectsTo,
    withinClicks,
} from './relations.ts';
import { seeks, walkSet, type Comparison, type SetExpression, type Sought } from './set-expression.ts';

export interface SetContext extends Overlays {
    survey: PackedSurvey;
    /** Other surveys of the site by number. */
    surveys?: (number: number) => PackedSurvey | undefined;
    /** The survey that `new` and `gone` compare with. */
    baseline?: PackedSurvey | undefined;
    saved?: (name: string) => SetExpression | undefined;
    /** What the checks find: pages of a survey. They know the sets, so whoever evaluates brings them. */
    finds?: (survey: PackedSurvey, sought: Sought, priority: SetContext['priority']) => Bits;
    /** The structure that is intended for the site; left out where nothing says so. */
    intended?: readonly IntendedPage[] | undefined;
    /** 1 for each URL that a robot asked for; left out where no access log tells it. */
    asked?: Uint8Array | undefined;
}

/** A set that cannot be told: it speaks of something that is not there. Worded for the user. */
export class SetUnknown extends Error {}

/** Saved sets may name saved sets; one that comes back to itself has no meaning. */
const MOST_SAVED = 200;

/** Parts of a survey that a set looks at beside `core`. */
export function partsFor(set: SetExpression, survey: PackedSurvey): Part[] {
    const parts = new Set<Part>();
    const fields = new Map(fieldsOf(survey).map((field) => [field.name, field]));
    walkSet(set, (part) => {
        if (part.kind === 'search' || part.kind === 'survey') parts.add('text');
        if (part.kind === 'flag' && (part.name === 'new' || part.name === 'gone')) parts.add('text');
        if ('field' in part && fields.get(part.field)?.part) parts.add(fields.get(part.field)!.part!);
        if (seeks(part)) parts.add('text').add('links');
        if ('narrow' in part && part.narrow.anchor !== undefined) parts.add('links');
    });
    return [...parts];
}

/**
 * @param within saved sets that led here, outermost first
 * @throws SetUnknown when it speaks of a survey, a saved set or a column that is not there
 */
export function evaluateSet(set: SetExpression, context: SetContext, within: readonly string[] = []): Bits {
    const { survey } = context;
    const inner = (of: SetExpression): Bits => evaluateSet(of, context, within);
    switch (set.kind) {
        case 'all':
            return Bits.all(survey.count);
        case 'flag':
            return flagged(set.name, context);
        case 'known': {
            const bit = evidenceBit(set.evidence);
            const evidence = wide(survey, 'evidence', survey.numbers('evidence'));
            return filled(survey.count, (node) => (evidence[node]! & bit) !== 0);
        }
        case 'listed':
            return set.by === 'sitemap' ? listedBy(survey, set.name) : namedIn(survey, set.name);
        case 'held':
            return heldBy(survey, set.template);
        case 'finding':
        case 'found':
        case 'cause':
        case 'accepted':
        case 'agent':
            if (!context.finds) throw new SetUnknown('What the checks find cannot be told here.');
            return context.finds(survey, set, context.priority);
        case 'number':
            return compared(context, numberField(context, set.field), set.test, set.value);
        case 'range': {
            const field = numberField(context, set.field);
            return compared(context, field, '>=', set.from).and(
                field.kind === 'date'
                    ? compared(context, field, '<', set.to + DAY)
                    : compared(context, field, '<=', set.to),
            );
        }
        case 'text': {
            const field = fieldNamed(context, set.field);
            if (set.test === 'is not') {
                return matched(survey, field, 'is', set.value).not().and(unknownOf(context, field).not());
            }
            return matched(survey, field, set.test, set.value);
        }
        case 'any': {
            const field = fieldNamed(context, set.field);
            let found = new Bits(survey.count);
            for (const value of set.values) {
                found = found.or(
                    typeof value === 'number'
                        ? compared(context, numberField(context, set.field), '=', value)
                        : matched(survey, field, 'is', value),
                );
            }
            return found;
        }
        case 'unknown':
            return unknownOf(context, fieldNamed(context, set.field));
        case 'empty': {
            const texts = textField(context, set.field).texts(survey);
            return filled(survey.count, (node) => texts[node] === '');
        }
        case 'search': {
            const text = set.text.toLowerCase();
            const urls = survey.texts('url').lower();
            const titles = survey.texts('title').lower();
            return filled(survey.count, (node) => urls[node]!.includes(text) || titles[node]!.includes(text));
        }
        case 'not':
            return inner(set.of).not();
        case 'and':
            return set.parts.map(inner).reduce((all, part) => all.and(part));
        case 'or':
            return set.parts.map(inner).reduce((any, part) => any.or(part));
        case 'relation': {
            const of = inner(set.of);
            switch (set.relation) {
                case 'links to':
                    return linksTo(survey, of, set.narrow);
                case 'linked from':
                    return linkedFrom(survey, of, set.narrow);
                case 'linked only from':
                    return linkedOnlyFrom(survey, of, set.narrow);
                case 'behind':
                    return behind(survey, of);
                case 'redirects to':
                    return redirectsTo(survey, of);
                case 'canonical to':
                    return canonicalTo(survey, of);
            }
        }
        case 'within':
            return withinClicks(survey, inner(set.of), set.clicks, set.narrow);
        case 'survey': {
            const other = context.surveys?.(set.number);
            if (!other) throw new SetUnknown(`There is no survey ${set.number} of this site.`);
            return carried(
                evaluateSet(set.of, { ...context, survey: other, priority: undefined, asked: undefined }, within),
                other,
                survey,
            );
        }
        case 'saved': {
            const of = context.saved?.(set.name);
            if (!of) throw new SetUnknown(`There is no saved set "${set.name}".`);
            if (within.includes(set.name)) throw new SetUnknown(`The saved set "${set.name}" comes back to itself.`);
            if (within.length >= MOST_SAVED) {
                throw new SetUnknown(`The set leads through more than ${MOST_SAVED} saved sets, one naming the next.`);
            }
            return evaluateSet(of, context, [...within, set.name]);
        }
    }
}

const DAY = 86_400_000;

/** Fills a set by a test, a word at a time. */
function filled(size: number, test: (node: number) => boolean): Bits {
    const bits = new Bits(size);
    for (let at = 0; at < bits.words.length; at++) {
        const first = at << 5;
        const last = Math.min(32, size - first);
        let word = 0;
        for (let bit = 0; bit < last; bit++) if (test(first + bit)) word |= 1 << bit;
        bits.words[at] = word;
    }
    return bits;
}

/**
 * Loops over columns of eight kinds in one function are ten times slower than over one kind: whole numbers are compared
 * as 32-bit ones, fractions as they are. Made once for each column that is asked about.
 */
function wide(survey: PackedSurvey, name: string, column: NumberColumn): Int32Array | Float64Array {
    if (column instanceof Int32Array || column instanceof Float64Array) return column;
    return once(survey, 'wide', [name], () => {
        if (column instanceof Float32Array) return Float64Array.from(column);
        for (let at = 0; at < column.length; at++) if (column[at]! > 0x7fffffff) return Float64Array.from(column);
        return Int32Array.from(column);
    });
}

function compared(context: SetContext, field: NumberField, test: Comparison, value: number): Bits {
    const { survey } = context;
    const column = field.isOverlay
        ? Int32Array.from(field.numbers(survey, context))
        : wide(survey, field.name, field.numbers(survey, context));
    // A day is all its hours.
    if (field.kind === 'date' && (test === '=' || test === '!=' || test === '<=' || test === '>')) {
        const from = compareColumn(column, '>=', value, field.unknown);
        const before = compareColumn(column, '<', value + DAY, field.unknown);
        if (test === '=') return from.and(before);
        if (test === '<=') return before;
        const after = compareColumn(column, '>=', value + DAY, field.unknown);
        return test === '>' ? after : compareColumn(column, '<', value, field.unknown).or(after);
    }
    return compareColumn(column, test, value, field.unknown);
}

/** O(nodes). What is not known is in no comparison. */
function compareColumn(column: Int32Array | Float64Array, test: Comparison, value: number, unknown: number): Bits {
    const size = column.length;
    const bits = new Bits(size);
    const { words } = bits;
    const isFraction = Number.isNaN(unknown);
    for (let at = 0; at < words.length; at++) {
        const first = at << 5;
        const last = Math.min(size, first + 32);
        let word = 0;
        switch (test) {
            case '=':
                for (let node = first; node < last; node++) word |= Number(column[node] === value) << node;
                break;
            case '!=':
                for (let node = first; node < last; node++) word |= Number(column[node] !== value) << node;
                break;
            case '<':
                for (let node = first; node < last; node++) word |= Number(column[node]! < value) << node;
                break;
            case '<=':
                for (let node = first; node < last; node++) word |= Number(column[node]! <= value) << node;
                break;
            case '>':
                for (let node = first; node < last; node++) word |= Number(column[node]! > value) << node;
                break;
            case '>=':
                for (let node = first; node < last; node++) word |= Number(column[node]! >= value) << node;
                break;
        }
        // NaN compares false with everything but by !=; a code for "not known" is a number like others.
        if (!isFraction) {
            for (let node = first; node < last; node++) word &= ~(Number(column[node] === unknown) << node);
        } else if (test === '!=') {
            for (let node = first; node < last; node++) word &= ~(Number(column[node] !== column[node]) << node);
        }
        words[at] = word;
    }
    return bits;
}

function matched(survey: PackedSurvey, field: Field, test: 'is' | 'has' | 'begins' | 'ends', value: string): Bits {
    if (field.kind === 'choice') {
        const { codes, words } = field.choices(survey);
        const fits = Uint8Array.from(words, (word) => (word !== '' && fitting(word, test, value, true) ? 1 : 0));
        const column = wide(survey, `choice ${field.name}`, codes);
        return filled(survey.count, (node) => fits[column[node]!] === 1);
    }
    if (field.kind !== 'text') throw new SetUnknown(`"${field.name}" is a number.`);
    const texts = field.texts(survey);
    const wanted = field.isUrl && test !== 'has' ? value : value.toLowerCase();
    if (field.isUrl && test !== 'has') {
        return filled(survey.count, (node) => texts[node] != null && fitting(texts[node]!, test, wanted, true));
    }
    const lower = once(survey, 'lower', [field.name], () => texts.map((text) => text?.toLowerCase() ?? null));
    return filled(survey.count, (node) => lower[node] != null && fitting(lower[node]!, test, wanted, true));
}

function fitting(text: string, test: 'is' | 'has' | 'begins' | 'ends', value: string, keepsCase: boolean): boolean {
    if (test === 'has') return text.toLowerCase().includes(value.toLowerCase());
    if (test === 'begins') return text.startsWith(value);
    if (test === 'ends') return text.endsWith(value);
    return keepsCase ? text === value : text.toLowerCase() === value.toLowerCase();
}

function unknownOf(context: SetContext, field: Field): Bits {
    const { survey } = context;
    if (field.kind === 'text') {
        const texts = field.texts(survey);
        return filled(survey.count, (node) => texts[node] == null);
    }
    if (field.kind === 'choice') {
        const { codes, words } = field.choices(survey);
        const isUnknown = Uint8Array.from(words, (word) => (word === '' ? 1 : 0));
        return filled(survey.count, (node) => isUnknown[codes[node]!] === 1);
    }
    const column = field.numbers(survey, context);
    const { unknown } = field;
    return Number.isNaN(unknown)
        ? filled(survey.count, (node) => Number.isNaN(column[node]))
        : filled(survey.count, (node) => column[node] === unknown);
}

function fieldNamed({ survey }: SetContext, name: string): Field {
    const field = once(survey, 'fields', [], () => new Map(fieldsOf(survey).map((item) => [item.name, item]))).get(
        name,
    );
    if (!field) throw new SetUnknown(`This survey has no column "${name}".`);
    return field;
}

function numberField(context: SetContext, name: string): NumberField {
    const field = fieldNamed(context, name);
    if (field.kind !== 'number' && field.kind !== 'date') throw new SetUnknown(`"${name}" is no number.`);
    return field;
}

function textField(context: SetContext, name: string): TextField {
    const field = fieldNamed(context, name);
    if (field.kind !== 'text') throw new SetUnknown(`"${name}" is no text.`);
    return field;
}

function flagged(name: string, context: SetContext): Bits {
    const { survey } = context;
    const flag = FLAGS.find((item) => item.name === name);
    if (flag) return once(survey, 'flag', [name], () => filled(survey.count, flag.test(survey)));
    const outer = OUTER_FLAGS.find((item) => item.name === name)?.name;
    if (outer === undefined) throw new SetUnknown(`There is no flag "${name}".`);
    if (outer === 'starved' || outer === 'overfed' || outer === 'misfit') {
        const { starved, overfed } = misfits(survey, context.priority ?? new Uint8Array(survey.count));
        const of = (nodes: number[]): Bits => Bits.of(survey.count, nodes);
        if (outer === 'starved') return of(starved);
        return outer === 'overfed' ? of(overfed) : of([...starved, ...overfed]);
    }
    if (INTENDED_PARTING[outer] !== undefined) return intendedPages(context, INTENDED_PARTING[outer]);
    if (outer === 'asked for by robots') {
        const { asked } = context;
        if (!asked) throw new SetUnknown('No access log of this survey tells what robots asked for.');
        return filled(survey.count, (node) => asked[node] === 1);
    }
    const { baseline } = context;
    if (!baseline) throw new SetUnknown(`There is no earlier survey that "${outer}" could compare with.`);
    if (outer === 'new') return carried(Bits.all(baseline.count), baseline, survey).not();
    const before = carried(flagged('page', { survey: baseline }), baseline, survey);
    return before.and(flagged('page', context).not());
}

/** Flags of the intended structure, and what parts their pages from it; `any` for all that it names. */
const INTENDED_PARTING: Partial<Record<string, Parting | 'any'>> = {
    intended: 'any',
    'intended but not reached': 'not reached',
    'intended but not linked': 'not linked from its parent',
    'intended but deeper': 'deeper',
};

function intendedPages({ survey, intended }: SetContext, parting: Parting | 'any'): Bits {
    if (!intended)
        throw new SetUnknown('Nothing says yet how the site is meant to be built (Reach, Intended structure).');
    const found = new Bits(survey.count);
    for (const page of againstIntended(survey, intended)) {
        if (page.node !== null && (parting === 'any' || page.parting === parting)) found.add(page.node);
    }
    return found;
}

/** A set of one survey as a set of another: the same URLs. O(nodes). */
function carried(set: Bits, from: PackedSurvey, to: PackedSurvey): Bits {
    const same = align(from, to);
    const found = new Bits(to.count);
    for (const other of set.nodes()) if (same[other] !== -1) found.add(same[other]!);
    return found;
}
