/**
 * What can be said of a page: every column, under the name the set language, the tables and the exports have for it.
 * Numbers and dates compare, texts are looked into, choices are one of few words.
 */
import { hostOf, originOf, pathOf } from '../address/address.ts';
import { evidenceNames } from '../evidence/evidence.ts';
import { GATES, isRedirectStatus, type Gate } from '../gates/gates.ts';
import { gateOf, NOT_SETTLED, reasonOf } from '../packed/codes.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey, Part } from '../packed/packed-survey.ts';
import type { NumberColumn } from '../packed/sections.ts';
import { once } from '../kept.ts';
import { ORPHAN } from '../survey/page-kind.ts';
import { NOT_READ_REASONS } from '../survey/survey-rows.ts';

export type Value = string | number | boolean | null;

interface Common {
    /** As the set language writes it: small letters, single spaces. */
    name: string;
    /** As exports write it, where that is not the name with underscores. */
    id?: string;
    /** What it is, for completion and the docs. */
    what: string;
    /** Parts of the packed survey it needs beside `core`. */
    part?: Part;
}

export interface NumberField extends Common {
    kind: 'number' | 'date';
    /** The column, and the number in it that says "not known". Fractions say it by NaN. */
    numbers: (survey: PackedSurvey) => NumberColumn;
    unknown: number;
}

export interface TextField extends Common {
    kind: 'text';
    /** A URL keeps its case when compared; `has` looks in any case. */
    isUrl: boolean;
    /** All texts, by node; null where nothing can be said. */
    texts: (survey: PackedSurvey) => (string | null)[];
}

export interface ChoiceField extends Common {
    kind: 'choice';
    /** Number of the word of each node, and the words; an empty word says "not known". */
    choices: (survey: PackedSurvey) => { codes: NumberColumn; words: readonly string[] };
}

export type Field = NumberField | TextField | ChoiceField;

const number = (name: string, what: string, unknown = -1, column = name.replaceAll(' ', '_')): NumberField => ({
    name,
    what,
    kind: 'number',
    numbers: (survey) => survey.numbers(column),
    unknown,
});

const text = (name: string, what: string, isUrl = false, column = name.replaceAll(' ', '_')): TextField => ({
    name,
    what,
    kind: 'text',
    isUrl,
    part: 'text',
    texts: (survey) => survey.texts(column).all(),
});

/** A text of which many pages have the same: each is decoded once. */
const chosenText = (name: string, what: string, column = name.replaceAll(' ', '_')): TextField => ({
    name,
    what,
    kind: 'text',
    isUrl: false,
    part: 'text',
    texts: (survey) =>
        once(survey, 'texts', [`of ${column}`], () => {
            const words = survey.texts(`${column}_words`).all();
            return Array.from(survey.numbers(column), (code) => words[code]!);
        }),
});

const choice = (name: string, what: string, column = name.replaceAll(' ', '_')): ChoiceField => ({
    name,
    what,
    kind: 'choice',
    choices: (survey) => ({ codes: survey.numbers(column), words: survey.texts(`${column}_words`).all() }),
});

/** Words for codes that are not texts of the survey: made once, in the order of the codes. */
const coded = (
    name: string,
    what: string,
    column: string,
    words: readonly string[],
    wordOf: (code: number) => string,
): ChoiceField => ({
    name,
    what,
    kind: 'choice',
    choices: (survey) => ({
        codes: once(survey, 'codes', [name], () =>
            Uint8Array.from(survey.numbers(column), (code) => words.indexOf(wordOf(code))),
        ),
        words,
    }),
});

const isDocument = (survey: PackedSurvey, node: number): boolean => survey.numbers('words')[node] !== -1;

/** Texts of a document are not known of what is none. */
const documentText = (name: string, what: string): TextField => ({
    ...text(name, what),
    texts: (survey) =>
        once(survey, 'texts', [name], () =>
            survey
                .texts(name.replaceAll(' ', '_'))
                .all()
                .map((value, node) => (isDocument(survey, node) ? value : null)),
        ),
});

const length = (of: 'title' | 'h1' | 'description'): NumberField => ({
    name: `${of} length`,
    what: `Characters of the ${of}.`,
    kind: 'number',
    part: 'text',
    unknown: -1,
    numbers: (survey) =>
        once(survey, 'length', [of], () => {
            const texts = survey.texts(of).all();
            return Int32Array.from(texts, (value, node) => (isDocument(survey, node) ? [...value].length : -1));
        }),
});

/** Addresses that a column of numbers points at, as texts. */
const pointed = (name: string, what: string, column: string): TextField => ({
    name,
    what,
    kind: 'text',
    isUrl: true,
    part: 'text',
    texts: (survey) =>
        once(survey, 'texts', [name], () =>
            Array.from(survey.numbers(column), (to) => (to < 0 ? null : survey.addressUrl(to))),
        ),
});

const told = (survey: PackedSurvey, column: string, node: number): string =>
    survey.texts(`${column}_words`).at(survey.numbers(column)[node]!);

/** Why asking for a page gave no answer; empty where it did. */
export function failureOf(survey: PackedSurvey, node: number): string {
    return told(survey, 'failure', node);
}

/** Why a page fails a gate, in words, from the facts the gates look at; by itself the gate it stops at. */
export function gateReason(
    survey: PackedSurvey,
    node: number,
    gate: Gate | undefined = GATES[survey.numbers('gate')[node]!],
): string {
    const to = (address: number): string => survey.addressUrl(address);
    const status = survey.numbers('status')[node]!;
    const redirect = survey.numbers('redirect')[node]!;
    switch (gate) {
        case 'scope':
            return 'does not belong to the site';
        case 'robots':
            return told(survey, 'robots_rule', node);
        case 'response':
            if (failureOf(survey, node) !== '') return failureOf(survey, node);
            return isRedirectStatus(status) ? `status ${status} without a usable Location` : `status ${status}`;
        case 'redirect':
            return redirect >= 0
                ? `${status} to ${to(redirect)}`
                : `refresh without delay to ${to(survey.numbers('refresh')[node]!)}`;
        case 'type':
            return told(survey, 'content_type', node) || 'no content type';
        case 'noindex':
            return told(survey, 'noindex_reason', node);
        case 'canonical': {
            const first = survey.numbers('canonical')[survey.numbers('canonical_start')[node]!]!;
            return `points at ${to(first)}`;
        }
        default:
            return '';
    }
}

const GATE_WORDS = ['', ...GATES, 'indexable'];
const REASON_WORDS = ['', ...NOT_READ_REASONS, 'waiting'];
const ORPHAN_WORDS = ['', 'no', 'strict', 'adrift'];

/** All fields that every survey has. */
const FIELDS: Field[] = [
    text('url', 'The whole address.', true),
    {
        name: 'path',
        what: 'The address without scheme and host.',
        kind: 'text',
        isUrl: true,
        part: 'text',
        texts: (survey) => once(survey, 'texts', ['path'], () => survey.texts('url').all().map(pathOf)),
    },
    {
        name: 'host',
        what: 'Host of the address, with its port where that is not the usual one.',
        kind: 'choice',
        part: 'text',
        choices: (survey) => once(survey, 'choices', ['host'], () => choicesOf(survey.texts('url').all().map(hostOf))),
    },
    {
        name: 'origin',
        what: 'Scheme and host of the address.',
        kind: 'choice',
        part: 'text',
        choices: (survey) =>
            once(survey, 'choices', ['origin'], () => choicesOf(survey.texts('url').all().map(originOf))),
    },
    choice('section', 'First folder of the path, / for pages at the root.'),
    documentText('title', 'Text of the title element.'),
    documentText('h1', 'Text of the first h1.'),
    documentText('description', 'Text of the meta description.'),
    number('status', 'Status code; unknown for what was not read.', 0),
    choice('content type', 'Media type after sniffing.'),
    number('depth', 'Least number of clicks from the start page; unknown for what links do not reach.'),
    coded('gate', 'The gate a URL stops at, or indexable.', 'gate', GATE_WORDS, (code) => gateOf(code) ?? ''),
    {
        name: 'gate reason',
        what: 'Why it stops there.',
        kind: 'text',
        isUrl: false,
        part: 'text',
        texts: (survey) =>
            once(survey, 'texts', ['gate reason'], () =>
                Array.from({ length: survey.count }, (_, node) => gateReason(survey, node)),
            ),
    },
    number('standing', 'Share of internal PageRank times the number of ranked pages; 1 is the average.', NaN),
    number('leak', 'Standing that goes to errors and closed pages.', NaN),
    number('load', 'Pages that are reached through this one only.'),
    number('incoming links', 'Links from other pages, each occurrence.'),
    number('incoming followed', 'Followed links from other pages, each occurrence.'),
    number('incoming pages', 'Other pages that link here.'),
    {
        ...number('outgoing links', 'Links to other pages and sites, each occurrence.'),
        numbers: (survey) =>
            once(survey, 'outgoing links', [], () =>
                Int32Array.from(survey.numbers('outgoing_links'), (links, node) =>
                    survey.numbers('status')[node] === 0 ? -1 : links,
                ),
            ),
    },
    {
        ...number('own links', 'Links outside blocks that other pages have too, each occurrence.'),
        numbers: (survey) => once(survey, 'own links', [], () => ownLinks(survey)),
    },
    number('words', 'Words of the body text.'),
    number('main words', 'Words of the main text, without shared blocks.'),
    length('title'),
    length('h1'),
    length('description'),
    number('folder depth', 'Folders the address lies in.'),
    number('bytes', 'Size of the body, unpacked.'),
    number('milliseconds', 'From asking to the last byte.'),
    number('order read', 'Place in the order of asking, from 0.', -1, 'seq'),
    {
        name: 'read at',
        what: 'When it was read: a day, as 2026-03-31.',
        kind: 'date',
        numbers: (survey) => survey.numbers('read_at'),
        unknown: NaN,
    },
    choice('language', 'Language the page says it is in.'),
    {
        ...coded('reason', 'Why there is no status.', 'not_read', REASON_WORDS, (code) =>
            code === NOT_SETTLED ? 'waiting' : (reasonOf(code) ?? ''),
        ),
        id: 'not_read',
    },
    coded('orphan kind', 'no, strict or adrift; unknown in a partial survey.', 'orphan', ORPHAN_WORDS, (code) =>
        code === ORPHAN.unknown ? '' : ORPHAN_WORDS[code + 1]!,
    ),
    {
        name: 'evidence',
        what: 'How the URL is known, all of it: "link sitemap".',
        kind: 'choice',
        choices: (survey) =>
            once(survey, 'choices', ['evidence'], () =>
                choicesOf(Array.from(survey.numbers('evidence'), (mask) => evidenceNames(mask).join(' '))),
            ),
    },
    pointed('redirect to', 'Where it redirects, the next hop.', 'redirect'),
    {
        name: 'canonical',
        what: 'Canonicals the page declares.',
        kind: 'text',
        isUrl: true,
        part: 'text',
        texts: (survey) =>
            once(survey, 'texts', ['canonical'], () => {
                const start = survey.numbers('canonical_start');
                const targets = survey.numbers('canonical');
                return Array.from({ length: survey.count }, (_, node) => {
                    if (survey.numbers('status')[node] === 0) return null;
                    const own: string[] = [];
                    for (let at = start[node]!; at < start[node + 1]!; at++) own.push(survey.addressUrl(targets[at]!));
                    return own.join(' ');
                });
            }),
    },
    chosenText('meta robots', 'Content of the robots metas in the head.'),
    chosenText('x robots tag', 'Directives of X-Robots-Tag headers that concern our agent.'),
    chosenText('robots rule', 'The rule of robots.txt that decides.'),
    chosenText('failure', 'Why asking gave no answer.'),
    chosenText('type note', 'What is odd about the content type as sent.'),
    chosenText('body trouble', 'Why the body is not whole.'),
];

/** `a` links with a target in blocks that stand on one page alone; -1 for what is no page. O(page blocks + links). */
function ownLinks(survey: PackedSurvey): Int32Array {
    const graph = linkGraphOf(survey);
    const { pageStart, pageBlocks, blockList, blockPages, listStart, target, kind, isPage } = graph;
    const perList = Uint32Array.from({ length: listStart.length - 1 }, (_, list) => {
        let links = 0;
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
            if (kind[link] === 0 && target[link]! >= 0) links++;
        }
        return links;
    });
    const found = new Int32Array(survey.count).fill(-1);
    for (let node = 0; node < survey.count; node++) {
        if (isPage[node] !== 1) continue;
        let links = 0;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const block = pageBlocks[at]!;
            if (blockPages[block]! <= 1) links += perList[blockList[block]!]!;
        }
        found[node] = links;
    }
    return found;
}

/** Texts -> numbers of words; the empty text has number 0. */
function choicesOf(texts: readonly string[]): { codes: NumberColumn; words: readonly string[] } {
    const numbers = new Map<string, number>([['', 0]]);
    const words = [''];
    const codes = Uint32Array.from(texts, (word) => {
        let code = numbers.get(word);
        if (code === undefined) {
            numbers.set(word, (code = words.length));
            words.push(word);
        }
        return code;
    });
    return { codes, words };
}

/** The fields of a survey: those all surveys have, the priority, and the columns its imports brought. */
export function fieldsOf(survey: PackedSurvey | null): Field[] {
    const given = (survey?.head.given ?? []).map(({ name, list, type, column }): NumberField => ({
        name,
        what: `From the list ${list}.`,
        kind: type,
        numbers: (of) => of.numbers(column),
        unknown: NaN,
    }));
    return [...FIELDS, ...given.filter(({ name }) => !FIELDS.some((field) => field.name === name))];
}

/** Name of the field whose numbers come from the site, not from the survey. */
export const PRIORITY: NumberField = {
    name: 'priority',
    what: 'How much the page matters: 1 (most) to 3; unknown where nothing says so.',
    kind: 'number',
    numbers: () => new Uint8Array(0),
    unknown: 0,
};

/** Value of a field at a page; null for "not known". */
export function valueAt(survey: PackedSurvey, field: Field, node: number): Value {
    if (field.kind === 'text') return field.texts(survey)[node] ?? null;
    if (field.kind === 'choice') {
        const { codes, words } = field.choices(survey);
        return words[codes[node]!] || null;
    }
    const value = field.numbers(survey)[node];
    return value === undefined || value === field.unknown || Number.isNaN(value) ? null : value;
}
