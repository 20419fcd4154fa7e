/** What is either so or not of a page: flags of the set language, made from the declarations of columns. */
import type { FlagShape } from '../columns/column.ts';
import { FACT_COLUMNS } from '../columns/fact-columns.ts';
import { MEASURE_COLUMNS } from '../columns/measure-columns.ts';
import { once } from '../kept.ts';
import { ORPHAN } from '../measures/orphans.ts';
import type { FactName, MeasureName } from '../packed/column-names.ts';
import { refreshTargets } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

export interface Flag {
    name: string;
    what: string;
    /** Makes the test for a survey: numbers in, yes or no. */
    test: (survey: PackedSurvey) => (node: number) => boolean;
}

/** A flag of one column; of what was not read when a survey was packed, nothing is so. */
const flagOf = (id: FactName | MeasureName, { name, what, isSo }: FlagShape): Flag => ({
    name,
    what,
    test: (survey) => {
        if (survey.lacks(id as FactName)) return () => false;
        const values = survey.numbers(id);
        return (node) => isSo(values[node]!);
    },
});

/** Flags that look at more than one column. */
const JOINED_FLAGS: Flag[] = [
    {
        name: 'behind a refresh',
        what: 'An orphan to which a page leads on by itself, after a delay.',
        test: (survey) => {
            const orphan = survey.numbers('orphan');
            const led = once(survey, 'delayed refreshes', [], () => refreshTargets(survey));
            return (node) => led[node] === 1 && (orphan[node] === ORPHAN.strict || orphan[node] === ORPHAN.adrift);
        },
    },
    {
        name: 'choke point',
        what: 'Some pages are reached through this one only; the start page is none.',
        test: (survey) => {
            const load = survey.numbers('load');
            const starts = new Set(survey.head.starts);
            return (node) => load[node]! > 0 && !starts.has(node);
        },
    },
];

export const FLAGS: readonly Flag[] = [
    ...[...FACT_COLUMNS, ...MEASURE_COLUMNS].flatMap(({ id, flags = [] }) => flags.map((flag) => flagOf(id, flag))),
    ...JOINED_FLAGS,
];

export function flagNamed(name: string): Flag | undefined {
    return FLAGS.find((flag) => flag.name === name);
}

/** Flags that need more than the survey: another survey, priorities, or the intended structure. */
export const OUTER_FLAGS = [
    { name: 'new', what: 'The baseline does not know the URL.' },
    { name: 'gone', what: 'A page of the baseline that no longer answers 200 with HTML.' },
    { name: 'starved', what: 'Has a priority, and more than half of the pages that matter less stand higher.' },
    { name: 'overfed', what: 'Priority 3 or none, and stands higher than more than half of the pages of priority 1.' },
    { name: 'misfit', what: 'Starved or overfed.' },
    { name: 'intended', what: 'The intended structure names it.' },
    { name: 'intended but not reached', what: 'Named by the intended structure, and links do not reach it.' },
    { name: 'intended but not linked', what: 'The page it is intended to lie below does not link to it.' },
    { name: 'asked for by robots', what: 'A robot asked for it and was answered, by an access log of the survey.' },
    { name: 'intended but deeper', what: 'Deeper than the intended structure has it.' },
] as const;
export type OuterFlag = (typeof OUTER_FLAGS)[number]['name'];
