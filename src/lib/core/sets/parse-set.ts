/** Reads a line of the set language (`docs/set-language.md`). */
import { isFindingId, SEVERITIES, type Severity } from '../words/finding-params.ts';
import { EVIDENCE } from '../evidence/evidence.ts';
import { REGIONS } from '../page/links.ts';
import type { Field } from './field.ts';
import { fieldsOf } from './fields.ts';
import { FLAGS, OUTER_FLAGS } from './flags.ts';
import {
    COMPARISONS,
    RELATIONS,
    type Narrowing,
    type SetExpression,
    type TextTest,
    type FindingId,
} from './set-expression.ts';
import { tokensOf, type SetTrouble, type Token } from './tokens.ts';

/** What names pages: a sitemap by its address, a list from elsewhere by its name. */
export type ListWord = 'sitemap' | 'list';

/** What may come next, for completion. */
export type Expected =
    | { kind: 'start' }
    | { kind: 'test'; field: Field | ListWord }
    | {
          kind: 'value';
          field:
              | Field
              | ListWord
              | 'evidence'
              | 'region'
              | 'template'
              | 'saved'
              | 'survey'
              | 'number'
              | 'check'
              | 'cause'
              | 'accepted'
              | 'agent';
      }
    | { kind: 'open' }
    | { kind: 'join'; narrows: boolean; isOpen: boolean };

/** `unknown-name`: a word that is no name here and may be one elsewhere, as columns of lists are; `form`: anything else. */
export type SetTroubleCode = 'unknown-name' | 'form';

export type ParsedSet = { ok: true; set: SetExpression } | (SetTrouble & { code: SetTroubleCode; expected: Expected });

/** Nesting beyond this is refused: nobody reads it, and it would be deep work. */
const MOST_NESTED = 60;

class Trouble extends Error {
    readonly token: Token;
    readonly expected: Expected;
    readonly code: SetTroubleCode;

    constructor(token: Token, say: string, expected: Expected, code: SetTroubleCode) {
        super(say);
        this.token = token;
        this.expected = expected;
        this.code = code;
    }
}

interface Name {
    words: string[];
    of:
        | { kind: 'flag'; name: string }
        | { kind: 'field'; field: Field }
        | { kind: 'relation'; name: (typeof RELATIONS)[number] }
        | { kind: 'found'; severity: Severity }
        | { kind: 'finding' | 'cause' | 'accepted' | 'agent' }
        | { kind: 'known' | 'within' | 'survey' | 'saved' | ListWord | 'held' | 'all' };
}

/** Every name an expression can begin with, longest first. */
function namesFor(fields: readonly Field[]): Name[] {
    const names: Name[] = [
        ...[...FLAGS, ...OUTER_FLAGS].map(({ name }): Name => ({ words: name.split(' '), of: { kind: 'flag', name } })),
        ...fields.map((field): Name => ({ words: field.name.split(' '), of: { kind: 'field', field } })),
        ...RELATIONS.map((name): Name => ({ words: name.name.split(' '), of: { kind: 'relation', name } })),
        { words: ['known', 'from'], of: { kind: 'known' } },
        { words: ['within'], of: { kind: 'within' } },
        { words: ['in', 'survey'], of: { kind: 'survey' } },
        { words: ['set'], of: { kind: 'saved' } },
        { words: ['sitemap'], of: { kind: 'sitemap' } },
        { words: ['list'], of: { kind: 'list' } },
        { words: ['held', 'by', 'template'], of: { kind: 'held' } },
        { words: ['has', 'finding'], of: { kind: 'finding' } },
        { words: ['cause'], of: { kind: 'cause' } },
        { words: ['accepted'], of: { kind: 'accepted' } },
        { words: ['differs', 'for', 'agent'], of: { kind: 'agent' } },
        ...SEVERITIES.map((severity): Name => ({ words: ['has', severity], of: { kind: 'found', severity } })),
        { words: ['all'], of: { kind: 'all' } },
    ];
    return names.sort((a, b) => b.words.length - a.words.length);
}

/**
 * @param fields of the survey the set is for; those all surveys have when left out
 */
export function parseSet(line: string, fields: readonly Field[] = fieldsOf(null)): ParsedSet {
    const found = tokensOf(line);
    if (!found.ok) return { ...found, code: 'form', expected: { kind: 'start' } };
    try {
        return { ok: true, set: new Parser(found.tokens, namesFor(fields)).whole() };
    } catch (error) {
        if (!(error instanceof Trouble)) throw error;
        const { token, message, expected, code } = error;
        const length = Math.max(1, token.to - token.from);
        return { ok: false, code, at: token.from, length, say: message, expected };
    }
}

class Parser {
    readonly #tokens: Token[];
    readonly #names: Name[];
    #at = 0;
    #nested = 0;

    constructor(tokens: Token[], names: Name[]) {
        this.#tokens = tokens;
        this.#names = names;
    }

    whole(): SetExpression {
        if (this.#peek().kind === 'end') return { kind: 'all' };
        const set = this.#anyOf();
        const rest = this.#peek();
        if (rest.kind !== 'end') {
            const say =
                rest.value === ')'
                    ? 'This parenthesis closes nothing.'
                    : `Here "and" or "or" is expected, not ${told(rest)}.`;
            this.#fail(say, { kind: 'join', narrows: false, isOpen: false });
        }
        return set;
    }

    #peek(): Token {
        return this.#tokens[this.#at]!;
    }

    #isWord(word: string): boolean {
        const token = this.#peek();
        return token.kind === 'word' && token.value.toLowerCase() === word;
    }

    #takeWord(word: string): boolean {
        if (!this.#isWord(word)) return false;
        this.#at++;
        return true;
    }

    #takeSign(sign: string): boolean {
        const token = this.#peek();
        if (token.kind !== 'sign' || token.value !== sign) return false;
        this.#at++;
        return true;
    }

    #fail(say: string, expected: Expected, code: SetTroubleCode = 'form'): never {
        throw new Trouble(this.#peek(), say, expected, code);
    }

    #anyOf(): SetExpression {
        const parts = [this.#allOf()];
        while (this.#takeWord('or')) parts.push(this.#allOf());
        return parts.length === 1 ? parts[0]! : { kind: 'or', parts };
    }

    #allOf(): SetExpression {
        const parts = [this.#one()];
        while (this.#takeWord('and')) parts.push(this.#one());
        return parts.length === 1 ? parts[0]! : { kind: 'and', parts };
    }

    #one(): SetExpression {
        if (++this.#nested > MOST_NESTED) this.#fail('The set is nested too deeply.', { kind: 'start' });
        const set = this.#single();
        this.#nested--;
        return set;
    }

    #single(): SetExpression {
        const token = this.#peek();
        if (this.#takeWord('not')) return { kind: 'not', of: this.#one() };
        if (this.#takeSign('(')) return this.#inside();
        if (token.kind === 'text') {
            this.#at++;
            return { kind: 'search', text: token.value };
        }
        const name = this.#name();
        switch (name.of.kind) {
            case 'all':
                return { kind: 'all' };
            case 'flag':
                return { kind: 'flag', name: name.of.name };
            case 'known':
                return { kind: 'known', evidence: this.#choice(EVIDENCE, 'evidence', 'a kind of evidence') };
            case 'sitemap':
            case 'list': {
                const by = name.of.kind;
                const what = by === 'sitemap' ? 'the address of a sitemap' : 'the name of a list from elsewhere';
                if (!this.#takeWord('is') && !this.#takeSign('=')) {
                    this.#fail(`After "${by}" comes "is" and ${what}.`, { kind: 'test', field: by });
                }
                return { kind: 'listed', by, name: this.#value(by, what) };
            }
            case 'held':
                return { kind: 'held', template: this.#value('template', 'the name of a template') };
            case 'found':
                return { kind: 'found', severity: name.of.severity };
            case 'finding':
                return { kind: 'finding', check: this.#check(), cause: this.#ofCause() };
            case 'cause':
                return { kind: 'cause', key: this.#value('cause', 'the key of a cause') };
            case 'accepted':
                return { kind: 'accepted', what: this.#value('accepted', 'the id of a check or the key of a cause') };
            case 'agent':
                return { kind: 'agent', token: this.#value('agent', 'the product token of an agent').toLowerCase() };
            case 'saved':
                return { kind: 'saved', name: this.#value('saved', 'the name of a saved set') };
            case 'survey': {
                const number = this.#whole('survey', 'the number of a survey');
                return { kind: 'survey', number, of: this.#parenthesis() };
            }
            case 'within': {
                const clicks = this.#whole('number', 'a number of clicks');
                if (!this.#takeWord('clicks') && !this.#takeWord('click')) {
                    this.#fail('Here "clicks of (…)" is expected.', { kind: 'open' });
                }
                if (!this.#takeWord('of')) this.#fail('Here "of (…)" is expected.', { kind: 'open' });
                const of = this.#parenthesis();
                return { kind: 'within', clicks, of, narrow: this.#narrowing() };
            }
            case 'relation': {
                const { name: relation, takesLinks } = name.of.name;
                const of = this.#parenthesis();
                return { kind: 'relation', relation, of, narrow: takesLinks ? this.#narrowing() : {} };
            }
            case 'field':
                return this.#test(name.of.field);
        }
    }

    /** `of "KEY"` after a finding. */
    #ofCause(): string | null {
        return this.#takeWord('of') ? this.#value('cause', 'the key of a cause') : null;
    }

    /** The id of a check. */
    #check(): FindingId {
        const at = this.#at;
        const id = this.#value('check', 'the id of a check');
        if (isFindingId(id)) return id;
        this.#at = at;
        return this.#fail(`There is no check "${id}" that finds something of pages.`, {
            kind: 'value',
            field: 'check',
        });
    }

    #name(): Name {
        for (const name of this.#names) {
            const fits = name.words.every((word, index) => {
                const token = this.#tokens[this.#at + index];
                return token?.kind === 'word' && token.value.toLowerCase() === word;
            });
            if (fits) {
                this.#at += name.words.length;
                return name;
            }
        }
        const token = this.#peek();
        if (token.kind === 'end') {
            this.#fail('Here a field, a flag or a relation is expected.', { kind: 'start' });
        }
        const near = token.kind === 'word' ? nearest(token.value.toLowerCase(), this.#names) : null;
        const say =
            token.kind === 'word'
                ? `"${token.value}" is no field, flag or relation.${near ? ` Is it "${near}"?` : ''} A text to look for stands in quotes: "${token.value}".`
                : `Here a field, a flag or a relation is expected, not ${told(token)}.`;
        return this.#fail(say, { kind: 'start' }, token.kind === 'word' ? 'unknown-name' : 'form');
    }

    /** Behind an opened parenthesis. */
    #inside(): SetExpression {
        const set = this.#anyOf();
        if (!this.#takeSign(')')) {
            const token = this.#peek();
            const say =
                token.kind === 'end'
                    ? 'A closing parenthesis is missing.'
                    : `Here "and", "or" or a closing parenthesis is expected, not ${told(token)}.`;
            this.#fail(say, { kind: 'join', narrows: false, isOpen: true });
        }
        return set;
    }

    #parenthesis(): SetExpression {
        if (!this.#takeSign('(')) this.#fail('Here a set in parentheses is expected.', { kind: 'open' });
        return this.#inside();
    }

    #narrowing(): Narrowing {
        const narrow: Narrowing = {};
        for (;;) {
            if (this.#takeWord('followed')) narrow.followed = true;
            else if (this.#takeWord('via')) {
                if (this.#takeWord('template')) narrow.template = this.#value('template', 'the name of a template');
                else narrow.region = this.#choice(REGIONS, 'region', '"template" or a region');
            } else if (this.#isWord('with')) {
                this.#at++;
                if (!this.#takeWord('anchor')) {
                    this.#fail('After "with" comes "anchor" and a text.', {
                        kind: 'join',
                        narrows: true,
                        isOpen: false,
                    });
                }
                narrow.anchor = this.#value('number', 'a text');
            } else return narrow;
        }
    }

    #choice<T extends string>(words: readonly T[], field: 'evidence' | 'region', what: string): T {
        const token = this.#peek();
        const word = words.find((candidate) => candidate === token.value.toLowerCase());
        if (token.kind === 'end' || token.kind === 'sign' || word === undefined) {
            this.#fail(`Here ${what} is expected: ${words.join(', ')}.`, { kind: 'value', field });
        }
        this.#at++;
        return word!;
    }

    #value(field: Extract<Expected, { kind: 'value' }>['field'], what: string): string {
        const token = this.#peek();
        if (token.kind !== 'word' && token.kind !== 'text') {
            this.#fail(`Here ${what} is expected.`, { kind: 'value', field });
        }
        this.#at++;
        return token.value;
    }

    #whole(field: 'number' | 'survey', what: string): number {
        const token = this.#peek();
        if (token.kind !== 'word' || !/^\d{1,9}$/.test(token.value)) {
            this.#fail(`Here ${what} is expected.`, { kind: 'value', field });
        }
        this.#at++;
        return Number(token.value);
    }

    #test(field: Field): SetExpression {
        const expected: Expected = { kind: 'test', field };
        const { name } = field;
        const token = this.#peek();
        if (this.#takeWord('is')) {
            const isNot = this.#takeWord('not');
            const not = (set: SetExpression): SetExpression => (isNot ? { kind: 'not', of: set } : set);
            if (this.#takeWord('unknown')) return not({ kind: 'unknown', field: name });
            if (this.#takeWord('known')) return not({ kind: 'not', of: { kind: 'unknown', field: name } });
            if (field.kind === 'text' && this.#takeWord('empty')) return not({ kind: 'empty', field: name });
            if (this.#takeWord('one')) {
                if (!this.#takeWord('of')) this.#fail('After "one" comes "of" and a list.', expected);
                return not({ kind: 'any', field: name, values: this.#list(field) });
            }
            return this.#equal(field, isNot);
        }
        const comparison = COMPARISONS.find((sign) => token.kind === 'sign' && token.value === sign);
        if (comparison !== undefined) {
            if (field.kind !== 'number' && field.kind !== 'date') {
                if (comparison !== '=' && comparison !== '!=') {
                    this.#fail(`"${name}" is a text: compare it with is, has, begins or ends.`, expected);
                }
                this.#at++;
                return this.#equal(field, comparison === '!=');
            }
            this.#at++;
            return { kind: 'number', field: name, test: comparison, value: this.#number(field) };
        }
        if ((field.kind === 'number' || field.kind === 'date') && this.#takeWord('from')) {
            const from = this.#number(field);
            if (!this.#takeWord('to')) this.#fail('Here "to" and a second number are expected.', expected);
            return { kind: 'range', field: name, from, to: this.#number(field) };
        }
        for (const test of ['has', 'begins', 'ends'] as const) {
            if (!this.#isWord(test)) continue;
            if (field.kind === 'number' || field.kind === 'date') {
                this.#fail(`"${name}" is a number: compare it with =, <, > or "from … to …".`, expected);
            }
            this.#at++;
            return { kind: 'text', field: name, test, value: this.#value(field, 'a text') };
        }
        return this.#fail(
            field.kind === 'number' || field.kind === 'date'
                ? `After "${name}" comes =, !=, <, <=, >, >=, "is" or "from … to …".`
                : `After "${name}" comes is, is not, has, begins or ends.`,
            expected,
        );
    }

    #equal(field: Field, isNot: boolean): SetExpression {
        if (field.kind === 'number' || field.kind === 'date') {
            const value = this.#number(field);
            return { kind: 'number', field: field.name, test: isNot ? '!=' : '=', value };
        }
        const test: TextTest = isNot ? 'is not' : 'is';
        return { kind: 'text', field: field.name, test, value: this.#value(field, 'a value') };
    }

    #number(field: Field): number {
        const token = this.#peek();
        const isDay = field.kind === 'date';
        const value = isDay ? dayOf(token.value) : /^-?\d+(\.\d+)?$/.test(token.value) ? Number(token.value) : NaN;
        if (token.kind === 'end' || token.kind === 'sign' || Number.isNaN(value)) {
            const what = isDay ? 'a day as 2026-03-31' : 'a number';
            this.#fail(`Here ${what} is expected${token.kind === 'end' ? '' : `, not ${told(token)}`}.`, {
                kind: 'value',
                field,
            });
        }
        this.#at++;
        return value;
    }

    #list(field: Field): (string | number)[] {
        const isNumber = field.kind === 'number' || field.kind === 'date';
        const values: (string | number)[] = [];
        do values.push(isNumber ? this.#number(field) : this.#value(field, 'a value'));
        while (this.#takeSign(','));
        return values;
    }
}

/** A day, `2026-03-31`, as UTC milliseconds; NaN for what is none. */
export function dayOf(text: string): number {
    const parts = /^(\d{4})-(\d{2})-(\d{2})$/.exec(text);
    if (!parts) return NaN;
    const time = Date.UTC(Number(parts[1]), Number(parts[2]) - 1, Number(parts[3]));
    // A day that does not exist would count on into the next month.
    return new Date(time).toISOString().slice(0, 10) === text ? time : NaN;
}

function told(token: Token): string {
    if (token.kind === 'end') return 'the end';
    return token.kind === 'text' ? `the text "${token.value}"` : `"${token.value}"`;
}

/** The name a misspelt word may stand for: one letter wrong, missing, too many, or two swapped. */
function nearest(word: string, names: readonly Name[]): string | null {
    if (word.length < 3) return null;
    // A name begun and not ended comes first, the shortest of them.
    const begun = names.map((name) => name.words.join(' ')).filter((name) => name.startsWith(word));
    if (begun.length > 0) return begun.reduce((a, b) => (b.length < a.length ? b : a));
    let best: string | null = null;
    let least = word.length <= 4 ? 1.5 : 2.5;
    for (const name of names) {
        const whole = name.words.join(' ');
        const apart = Math.min(distance(word, whole), distance(word, name.words[0]!));
        if (apart < least) {
            least = apart;
            best = whole;
        }
    }
    return best;
}

/** Edits between two words (Levenshtein). O(a x b). */
function distance(a: string, b: string): number {
    let row = Array.from({ length: b.length + 1 }, (_, index) => index);
    for (let i = 1; i <= a.length; i++) {
        const next = [i];
        for (let j = 1; j <= b.length; j++) {
            next.push(Math.min(next[j - 1]! + 1, row[j]! + 1, row[j - 1]! + (a[i - 1] === b[j - 1] ? 0 : 1)));
        }
        row = next;
    }
    return row[b.length]!;
}
