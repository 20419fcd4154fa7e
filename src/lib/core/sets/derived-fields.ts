/** Fields that are told from columns when somebody asks for them, and are kept nowhere. */
import { hostOf, originOf, pathOf } from '../address/address.ts';
import { evidenceNames } from '../evidence/evidence.ts';
import { once } from '../kept.ts';
import type { NumberColumn } from '../number-column.ts';
import { problemWordsOrNone } from '../words/problems.ts';
import type { Problem } from '../problems/problem.ts';
import { gateReason, problemAt } from '../packed/gate-reason.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import type { Field, NumberField, TextField } from './field.ts';

const length = (of: 'title' | 'h1' | 'description'): NumberField => ({
    name: `${of} length`,
    id: `${of}_length`,
    what: `Characters of the ${of}.`,
    kind: 'number',
    part: 'text',
    unknown: -1,
    numbers: (survey) =>
        once(survey, 'length', [of], () => {
            const words = survey.numbers('words');
            const isKnown = !survey.lacks(of);
            const texts = survey.texts(of).all();
            return Int32Array.from(texts, (value, node) => (isKnown && words[node] !== -1 ? [...value].length : -1));
        }),
});

/** A text of every page, made at the first look. */
const text = (
    told: Pick<TextField, 'name' | 'what' | 'csv'> & Partial<Pick<TextField, 'isUrl'>>,
    make: (survey: PackedSurvey) => (string | null)[],
): TextField => ({
    isUrl: false,
    ...told,
    id: told.name.replaceAll(' ', '_'),
    kind: 'text',
    part: 'text',
    texts: (survey) => once(survey, 'texts', [told.name], () => make(survey)),
});

/** The code of a problem a page has; the word for "none" is the empty one. */
const code = (name: string, what: string, of: (survey: PackedSurvey, node: number) => Problem | null): Field => ({
    name,
    id: name.replaceAll(' ', '_'),
    what,
    kind: 'choice',
    part: 'text',
    choices: (survey) =>
        once(survey, 'choices', [name], () =>
            choicesOf(Array.from({ length: survey.count }, (_, node) => of(survey, node)?.code ?? '')),
        ),
});

export const DERIVED_FIELDS: readonly Field[] = [
    code('gate code', 'Why it stops there, as a code.', (survey, node) => gateReason(survey, node)),
    code('failure code', 'Why asking or reading failed, as a code.', (survey, node) =>
        problemAt(survey, 'failure', node),
    ),
    code('type code', 'What is odd about the content type, as a code.', (survey, node) =>
        problemAt(survey, 'type_note', node),
    ),
    code('body code', 'Why the body is not whole, as a code.', (survey, node) =>
        problemAt(survey, 'body_trouble', node),
    ),
    text({ name: 'path', what: 'The address without scheme and host.', isUrl: true }, (survey) =>
        survey.texts('url').all().map(pathOf),
    ),
    {
        name: 'host',
        id: 'host',
        what: 'Host of the address, with its port where that is not the usual one.',
        kind: 'choice',
        part: 'text',
        choices: (survey) => once(survey, 'choices', ['host'], () => choicesOf(survey.texts('url').all().map(hostOf))),
    },
    {
        name: 'origin',
        id: 'origin',
        what: 'Scheme and host of the address.',
        kind: 'choice',
        part: 'text',
        choices: (survey) =>
            once(survey, 'choices', ['origin'], () => choicesOf(survey.texts('url').all().map(originOf))),
    },
    text({ name: 'gate reason', what: 'Why it stops there.', csv: 22 }, (survey) =>
        Array.from({ length: survey.count }, (_, node) => problemWordsOrNone(gateReason(survey, node))),
    ),
    {
        name: 'outgoing links',
        id: 'outgoing_links',
        what: 'Links to other pages and sites, each occurrence.',
        csv: 10,
        kind: 'number',
        unknown: -1,
        numbers: (survey) =>
            once(survey, 'outgoing links', [], () => {
                const status = survey.numbers('status');
                return Int32Array.from(survey.numbers('outgoing_links'), (links, node) =>
                    status[node] === 0 ? -1 : links,
                );
            }),
    },
    {
        name: 'own links',
        id: 'own_links',
        what: 'Links outside blocks that other pages have too, each occurrence.',
        kind: 'number',
        unknown: -1,
        numbers: (survey) => once(survey, 'own links', [], () => ownLinks(survey)),
    },
    length('title'),
    length('h1'),
    length('description'),
    {
        name: 'evidence',
        id: 'evidence',
        what: 'How the URL is known, all of it: "link sitemap".',
        csv: 19,
        kind: 'choice',
        choices: (survey) =>
            once(survey, 'choices', ['evidence'], () =>
                choicesOf(Array.from(survey.numbers('evidence'), (mask) => evidenceNames(mask).join(' '))),
            ),
    },
    text({ name: 'canonical', what: 'Canonicals the page declares.', isUrl: true, csv: 15 }, (survey) => {
        const start = survey.numbers('canonical_start');
        const targets = survey.numbers('canonical');
        const status = survey.numbers('status');
        return Array.from({ length: survey.count }, (_, node) => {
            if (status[node] === 0) return null;
            const own: string[] = [];
            for (let at = start[node]!; at < start[node + 1]!; at++) own.push(survey.addressUrl(targets[at]!));
            return own.join(' ');
        });
    }),
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
