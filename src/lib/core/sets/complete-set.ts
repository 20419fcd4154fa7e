/** Completion of the set language: what may stand at the cursor, with the words that fit what is typed so far. */
import { EVIDENCE } from '../evidence/evidence.ts';
import { SEVERITIES } from '../words/finding-params.ts';
import { REGIONS } from '../page/links.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import type { Field } from './field.ts';
import { fieldsOf } from './fields.ts';
import { FLAGS, OUTER_FLAGS } from './flags.ts';
import { parseSet, type Expected, type ListWord } from './parse-set.ts';
import { listNames } from './relations.ts';
import { RELATIONS } from './set-expression.ts';
import { quoted } from './tokens.ts';

export interface Option {
    /** What is put in place of what was typed. */
    insert: string;
    /** What it is, in a few words. */
    what: string;
    /** Pages that have the value; null where that is not counted. */
    pages: number | null;
}

export interface Completion {
    /** The piece of the line that an option replaces. */
    from: number;
    to: number;
    options: Option[];
}

export interface CompletionContext {
    survey: PackedSurvey;
    saved: readonly string[];
    surveys: readonly number[];
    /** Checks that find something of pages or links. */
    checks: readonly { id: string; name: string }[];
    /** Keys of causes that are accepted. */
    accepted: readonly string[];
}

const MOST_OPTIONS = 30;
/** Names are of at most so many words: that many may be typed of one. */
const MOST_WORDS = 4;

/**
 * @param cursor place in the line; what stands behind it is not looked at
 */
export function completeSet(line: string, cursor: number, context: CompletionContext): Completion {
    const before = line.slice(0, cursor);
    const fields = fieldsOf(context.survey);
    const starts = wordStarts(before);
    const isBehindBlank = starts[0] === cursor;
    // The longest run of words that begins some name comes first: "incoming pa" is one name, not two.
    for (const from of starts.slice(-MOST_WORDS)) {
        const typed = before.slice(from);
        const expected = expectedAfter(before.slice(0, from), fields);
        // What stands before a blank may be the beginning of a name; a word that is whole by itself stays as it is.
        if (!expected || (isBehindBlank && from !== cursor && expected.kind !== 'start')) continue;
        const options = optionsFor(expected, typed.replace(/^"/, ''), context, fields);
        if (options.length > 0) return { from, to: cursor, options };
    }
    return { from: cursor, to: cursor, options: [] };
}

/** Where the words before the cursor begin, and the cursor itself when nothing is typed yet. */
function wordStarts(before: string): number[] {
    const starts: number[] = [];
    let isOpen = false;
    let isWord = false;
    for (let at = 0; at < before.length; at++) {
        const character = before[at]!;
        if (isOpen) {
            if (character === '\\') at++;
            else if (character === '"') isOpen = isWord = false;
            continue;
        }
        if (character === '"') {
            isOpen = true;
            starts.push(at);
        } else if (/[\s(),<>=!]/.test(character)) isWord = false;
        else if (!isWord) {
            isWord = true;
            starts.push(at);
        }
    }
    // An open quote is one piece, whatever stands in it.
    if (isOpen) return [starts.at(-1)!];
    // Behind a blank what may stand there goes first, then names of which the words before it are the beginning.
    if (!isWord) return [before.length, ...starts.slice(1 - MOST_WORDS)];
    return starts;
}

/** What may follow a beginning; null where the beginning itself is wrong. */
function expectedAfter(beginning: string, fields: Field[]): Expected | null {
    if (beginning.trim() === '') return { kind: 'start' };
    const parsed = parseSet(beginning, fields);
    if (parsed.ok) return { kind: 'join', narrows: endsWithRelation(beginning), isOpen: false };
    // An error before the end is a mistake of what stands there; at the end it tells what is missing.
    return parsed.at >= beginning.trimEnd().length ? parsed.expected : null;
}

function endsWithRelation(beginning: string): boolean {
    return beginning.trimEnd().endsWith(')') || /\b(?:followed|main|nav|header|footer|aside|other)\s*$/.test(beginning);
}

function optionsFor(expected: Expected, typed: string, context: CompletionContext, fields: Field[]): Option[] {
    const wanted = typed.toLowerCase();
    const all = everything(expected, context, fields);
    const begins = all.filter(({ insert }) => plain(insert).startsWith(wanted));
    // Values are found by what they hold, too; names by their beginning only.
    const holds =
        expected.kind === 'value' && wanted !== ''
            ? all.filter(({ insert }) => !plain(insert).startsWith(wanted) && plain(insert).includes(wanted))
            : [];
    return [...begins, ...holds].slice(0, MOST_OPTIONS);
}

const plain = (insert: string): string => insert.toLowerCase().replace(/^"/, '');
const option = (insert: string, what = '', pages: number | null = null): Option => ({ insert, what, pages });

function everything(expected: Expected, context: CompletionContext, fields: Field[]): Option[] {
    switch (expected.kind) {
        case 'start':
            return [
                ...FLAGS.map(({ name, what }) => option(name, what)),
                ...fields.map(({ name, what }) => option(name, what)),
                ...RELATIONS.map(({ name, what }) => option(`${name} (`, what)),
                option('within 2 clicks of (', 'Pages so few clicks from one of these.'),
                option('known from', 'Known by some evidence.'),
                option('sitemap is', 'Listed by one sitemap.'),
                option('list is', 'Named in one list from elsewhere.'),
                option('held by template', 'Pages that one template alone leads to.'),
                option('has finding', 'Pages of which one check finds something.'),
                ...SEVERITIES.map((severity) =>
                    option(`has ${severity}`, `Pages of which some check finds a ${severity}.`),
                ),
                option('accepted', 'Pages of which what is found is accepted: by one check, or with one cause.'),
                option('differs for agent', 'URLs that stop elsewhere, or nowhere, for another agent.'),
                option('cause', 'What one edit would mend, by the key of its cause.'),
                option('in survey', 'A set of another survey of this site.'),
                option('set', 'A saved set.'),
                option('not', 'Everything else.'),
                option('all', 'All pages.'),
                ...OUTER_FLAGS.map(({ name, what }) => option(name, what)),
            ];
        case 'open':
            return [option('(')];
        case 'join':
            return [
                option('and', 'Both must hold.'),
                option('or', 'One is enough.'),
                ...(expected.isOpen ? [option(')', 'Closes the parenthesis.')] : []),
                ...(expected.narrows
                    ? [
                          option('via', 'By links of one region or template.'),
                          option('followed', 'By followed links.'),
                          option('with anchor', 'By links whose anchor has a text.'),
                      ]
                    : []),
            ];
        case 'test':
            return testsOf(expected.field);
        case 'value':
            return valuesOf(expected.field, context);
    }
}

function testsOf(field: Field | ListWord): Option[] {
    if (field === 'sitemap' || field === 'list') return [option('is')];
    if (field.kind === 'number' || field.kind === 'date') {
        return [...['=', '!=', '<', '<=', '>', '>='].map((sign) => option(sign)), option('from'), option('is unknown')];
    }
    return [
        option('is'),
        option('is not'),
        option('is one of'),
        option('has', 'Anywhere in it, in any case.'),
        option('begins'),
        option('ends'),
        option('is unknown'),
        ...(field.kind === 'text' ? [option('is empty')] : []),
    ];
}

function valuesOf(field: Extract<Expected, { kind: 'value' }>['field'], context: CompletionContext): Option[] {
    const { survey } = context;
    switch (field) {
        case 'number':
            return [];
        case 'evidence':
            return EVIDENCE.map((name) => option(name));
        case 'region':
            return [...REGIONS.map((name) => option(name)), option('template', 'One template, by its name.')];
        case 'template':
            return survey.measured.templates.map(({ name, place, pages }) => option(quoted(name, true), place, pages));
        case 'check':
            return context.checks.map(({ id, name }) => option(quoted(id, true), name));
        case 'accepted':
            return [
                ...context.checks.map(({ id, name }) => option(quoted(id, true), name)),
                ...context.accepted.map((key) => option(quoted(key, true))),
            ];
        // The keys of causes are many, and made by whoever finds: they come from the views that show them.
        case 'cause':
        case 'agent':
            return [];
        case 'saved':
            return context.saved.map((name) => option(quoted(name, true)));
        case 'survey':
            return context.surveys.map((number) => option(`${number} (`));
        case 'sitemap':
            return survey
                .texts('sitemap_words')
                .all()
                .filter((name) => name !== '')
                .map((name) => option(quoted(name, true)));
        case 'list':
            return listNames(survey).map((name) => option(quoted(name, true)));
        default:
    }
    if (field.kind !== 'choice') return [];
    const { codes, words } = field.choices(survey);
    const pages = new Uint32Array(words.length);
    for (let node = 0; node < survey.count; node++) pages[codes[node]!]!++;
    return words
        .map((word, code) => option(quoted(word), '', pages[code]!))
        .filter(({ insert, pages: count }) => insert !== '""' && count !== 0)
        .sort((a, b) => b.pages! - a.pages!);
}

/** Where an option chosen before stands among the options now; -1 where none was chosen, or it is not there any more. */
export function choiceIn(options: Completion['options'], chosen: Completion['options'][number] | undefined): number {
    return chosen === undefined ? -1 : options.findIndex(({ insert }) => insert === chosen.insert);
}

/**
 * What of a completion still stands when the line was typed on before a newer answer came: the options that hold what
 * now stands in their place. Taking one of them replaces all of it, not only what the answer was made for.
 *
 * @param asked the line the completion was made for
 * @param cursor place in the line as it is now
 */
export function narrowed(completion: Completion, asked: string, line: string, cursor: number): Completion {
    const { from, to } = completion;
    const none: Completion = { from: cursor, to: cursor, options: [] };
    const isSameAround = cursor >= from && line.slice(0, from) === asked.slice(0, from);
    if (!isSameAround || line.slice(cursor) !== asked.slice(to)) return none;
    const typed = plain(line.slice(from, cursor));
    return { from, to: cursor, options: completion.options.filter(({ insert }) => plain(insert).includes(typed)) };
}
