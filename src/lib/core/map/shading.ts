/**
 * What the map is shaded by, as sets: a page has the shade of the first set that has it. So every entry of the legend is
 * a set, and whatever the set language can say can be seen on the map.
 */
import { CHECK_FAMILIES, FINDING_CHECKS } from '../checks/register.ts';
import { GATES } from '../gates/gates.ts';
import type { NumberColumn } from '../number-column.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { fieldsOf } from '../sets/fields.ts';
import { quoted } from '../sets/tokens.ts';

export interface ShadeEntry {
    say: string;
    set: string;
    /** Step of lightness, from 0; `section`: the full hue of its section. */
    tone: number;
    /** Told by the one colour that no section has, in place of the hue of the section. */
    isMarked: boolean;
}

export interface Shading {
    /** As the address has it: `standing`, `column visits`, `finding orphan-page`. */
    by: string;
    name: string;
    entries: ShadeEntry[];
}

export const TONES = 5;
/** Standing from which each further step begins. */
const STANDING_STEPS = [0.2, 0.5, 1, 4];
const PRIORITIES = [1, 2, 3];
/** Shades that every survey has. */
export const PLAIN_SHADES = ['standing', 'depth', 'section', 'gate', 'words'] as const;

/** What is there to shade by beside what every survey has. */
export interface ShadeSources {
    /** Numbers of the earlier survey that changes are told from; null for none. */
    baseline: number | null;
    hasPriorities: boolean;
    hasIntended: boolean;
}

export interface ShadeChoice {
    by: string;
    name: string;
}

/** What the reader can choose from, in groups; a group without a name comes first. */
export type ShadeChoices = { group: string; choices: ShadeChoice[] }[];
const asItIs = (name: string): ShadeChoice => ({ by: name, name });

export function shadeChoices(survey: PackedSurvey, sources: ShadeSources): ShadeChoices {
    const plain = [
        ...PLAIN_SHADES,
        ...(sources.hasPriorities ? ['priority'] : []),
        ...(sources.hasIntended ? ['structure'] : []),
        ...(sources.baseline === null ? [] : ['change']),
    ];
    const given = survey.head.given.filter(({ type }) => type === 'number').map(({ name }) => name);
    return [
        { group: '', choices: plain.map(asItIs) },
        { group: 'Given', choices: given.map((name) => ({ by: `column ${name}`, name })) },
        ...CHECK_FAMILIES.map(({ question, checks }) => ({
            group: question,
            choices: checks
                .filter((check) => FINDING_CHECKS.includes(check))
                .map(({ id }) => ({ by: `finding ${id}`, name: id })),
        })),
    ].filter(({ choices }) => choices.length > 0);
}

/** The shading of a name; that by standing for a name there is none of. Needs the measures. O(nodes log nodes) */
export function shadingOf(survey: PackedSurvey, by: string, sources: ShadeSources): Shading {
    const isKnown = shadeChoices(survey, sources).some(({ choices }) => choices.some((choice) => choice.by === by));
    const own = isKnown ? by : 'standing';
    const rest = own.slice(own.indexOf(' ') + 1);
    switch (own.split(' ', 1)[0]) {
        case 'depth':
            return {
                by: own,
                name: 'depth',
                entries: steps('depth', cutsOf(survey.numbers('depth'), isPageOf(survey), -1)),
            };
        case 'words':
            return {
                by: own,
                name: 'words',
                entries: steps('words', cutsOf(survey.numbers('words'), isPageOf(survey), -1)),
            };
        case 'section':
            return { by: own, name: 'section', entries: [] };
        case 'gate':
            return { by: own, name: 'gate', entries: gateEntries() };
        case 'priority':
            return { by: own, name: 'priority', entries: priorityEntries() };
        case 'structure':
            return { by: own, name: 'structure', entries: structureEntries() };
        case 'change':
            return { by: own, name: 'change', entries: changeEntries(sources.baseline!) };
        case 'column': {
            const field = fieldsOf(survey).find(({ name, kind }) => name === rest && kind === 'number');
            const numbers = field?.kind === 'number' ? field.numbers(survey, {}) : new Int32Array(0);
            const unknown = field?.kind === 'number' ? field.unknown : -1;
            return { by: own, name: rest, entries: steps(rest, cutsOf(numbers, isPageOf(survey), unknown)) };
        }
        case 'finding':
            return {
                by: own,
                name: rest,
                entries: [
                    { say: `has ${rest}`, set: `page and has finding ${quoted(rest, true)}`, tone: 4, isMarked: true },
                    { say: 'has not', set: `page and not has finding ${quoted(rest, true)}`, tone: 0, isMarked: false },
                ],
            };
        default:
            return { by: 'standing', name: 'standing', entries: steps('standing', STANDING_STEPS) };
    }
}

const isPageOf = (survey: PackedSurvey): ((node: number) => boolean) => {
    const isPage = survey.numbers('page');
    return (node) => isPage[node] === 1;
};

/** Numbers from which each further step begins: a fifth of the pages each, as far as the same number does not go on. */
function cutsOf(numbers: NumberColumn, isPage: (node: number) => boolean, unknown: number): number[] {
    const known: number[] = [];
    numbers.forEach((value, node) => {
        if (isPage(node) && value !== unknown && !Number.isNaN(value)) known.push(value);
    });
    known.sort((a, b) => a - b);
    const cuts: number[] = [];
    for (let step = 1; step < TONES; step++) {
        const cut = known[Math.floor((known.length * step) / TONES)];
        if (cut !== undefined && cut > (cuts.at(-1) ?? known[0]!)) cuts.push(cut);
    }
    return cuts;
}

/** A step from each cut to the next, the lightest first; what has no number comes last, without a tone of its own. */
function steps(name: string, cuts: readonly number[]): ShadeEntry[] {
    const count = cuts.length + 1;
    const entries = Array.from({ length: count }, (_, step): ShadeEntry => {
        const [from, to] = [cuts[step - 1], cuts[step]];
        return {
            say:
                from === undefined && to === undefined
                    ? 'all the same'
                    : from === undefined
                      ? `under ${told(to!)}`
                      : to === undefined
                        ? `from ${told(from)}`
                        : `${told(from)} to ${told(to)}`,
            set: [
                'page',
                ...(from === undefined ? [] : [`${name} >= ${from}`]),
                ...(to === undefined ? [] : [`${name} < ${to}`]),
                ...(from === undefined && to === undefined ? [`${name} is known`] : []),
            ].join(' and '),
            // So that few steps are as far from each other as many.
            tone: count === 1 ? 2 : Math.round((step * (TONES - 1)) / (count - 1)),
            isMarked: false,
        };
    });
    return [...entries, { say: 'not known', set: `page and ${name} is unknown`, tone: -1, isMarked: false }];
}

const told = (value: number): string => value.toLocaleString('en', { maximumFractionDigits: 2 });

function gateEntries(): ShadeEntry[] {
    return [
        { say: 'passes all', set: 'page and indexable', tone: 0, isMarked: false },
        ...GATES.map((gate): ShadeEntry => ({
            say: `stops at ${gate}`,
            set: `page and gate is ${gate}`,
            tone: 4,
            isMarked: true,
        })),
        { say: 'not known', set: 'page and gate is unknown', tone: -1, isMarked: false },
    ];
}

const priorityEntries = (): ShadeEntry[] => [
    ...PRIORITIES.map((value): ShadeEntry => ({
        say: `priority ${value}`,
        set: `page and priority = ${value}`,
        tone: TONES - 2 * (value - 1) - 1,
        isMarked: false,
    })),
    { say: 'none', set: 'page and priority is unknown', tone: -1, isMarked: false },
];

/** How pages stand to the structure that is meant, in the order in which that is told. */
function structureEntries(): ShadeEntry[] {
    const parted = ['intended but not reached', 'intended but not linked', 'intended but deeper'];
    const before = (at: number): string =>
        parted
            .slice(0, at)
            .map((flag) => ` and not ${flag}`)
            .join('');
    return [
        ...parted.map((flag, at): ShadeEntry => ({
            say: flag.replace('intended but ', ''),
            set: `page and ${flag}${before(at)}`,
            tone: 4 - at,
            isMarked: at < 2,
        })),
        { say: 'as intended', set: `page and intended${before(parted.length)}`, tone: 1, isMarked: false },
        { say: 'not intended', set: 'page and not intended', tone: -1, isMarked: false },
    ];
}

/** Against the baseline: what came, what may be indexed now or no more, what links reach now or no more. */
function changeEntries(baseline: number): ShadeEntry[] {
    const before = (set: string): string => `in survey ${baseline} (${set})`;
    const entry = (say: string, set: string, tone: number, isMarked: boolean): ShadeEntry => ({
        say,
        set: `page and ${set}`,
        tone,
        isMarked,
    });
    const moved = [
        ['new', 'new', 4, false],
        ['no longer reached', `not new and not reached and ${before('reached')}`, 4, true],
        ['reached now', `not new and reached and ${before('not reached')}`, 3, false],
        [
            'no longer indexable',
            `not new and not indexable and ${before('indexable')} and (reached or ${before('not reached')})`,
            3,
            true,
        ],
        ['indexable now', `not new and indexable and ${before('not indexable')} and reached`, 2, false],
    ] as const;
    // Each page is in one entry: what an earlier one has, later ones leave out.
    const taken: string[] = [];
    const entries = moved.map(([say, set, tone, isMarked]) => {
        const own = taken.length === 0 ? set : `${set} and not (${taken.map((other) => `(${other})`).join(' or ')})`;
        taken.push(set);
        return entry(say, own, tone, isMarked);
    });
    return [...entries, entry('as before', `not (${taken.map((other) => `(${other})`).join(' or ')})`, 0, false)];
}
