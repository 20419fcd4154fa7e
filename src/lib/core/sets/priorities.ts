/**
 * Priorities of pages from what the architect said: by hand counts before the intended structure, that before by set,
 * by set before by a column; of several sets the last one said.
 */
import { againstIntended } from '../compare/intended.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { evaluateSet, SetUnknown, type SetContext } from './evaluate-set.ts';
import { fieldsOf } from './fields.ts';
import { parseSet } from './parse-set.ts';

export interface SaidPriority {
    by: 'page' | 'set' | 'column';
    /** A URL, a line of the set language, or the name of a column. */
    subject: string;
    /** 1 to 3. */
    value: number;
}

/** Shares of the visited pages, most visited first, that a column of counts gives priority 1, 2 and 3. */
const SHARES = [0.05, 0.2, 0.5];

/** @returns 1 to 3 for each page, 0 for none, and what could not be told, in sentences */
export function prioritiesOf(
    said: readonly SaidPriority[],
    context: Omit<SetContext, 'priority'>,
): { priority: Uint8Array; troubles: string[] } {
    const { survey } = context;
    const priority = new Uint8Array(survey.count);
    const troubles: string[] = [];
    // Priorities are not told from priorities.
    const fields = fieldsOf(survey).filter((field) => !('isOverlay' in field));
    for (const { subject } of said.filter((item) => item.by === 'column')) {
        const field = fields.find((item) => item.name === subject);
        if (field?.kind !== 'number') troubles.push(`This survey has no column "${subject}" to take priorities from.`);
        else byColumn(survey, field.numbers(survey, {}), field.unknown, priority);
    }
    for (const { subject, value } of said.filter((item) => item.by === 'set')) {
        const parsed = parseSet(subject, fields);
        if (!parsed.ok) {
            troubles.push(`The set "${subject}" of priority ${value} cannot be read: ${parsed.say}`);
            continue;
        }
        try {
            for (const node of evaluateSet(parsed.set, context).nodes()) priority[node] = value;
        } catch (error) {
            if (!(error instanceof SetUnknown)) throw error;
            troubles.push(`The set "${subject}" of priority ${value} cannot be told: ${error.message}`);
        }
    }
    for (const { node, priority: value } of context.intended ? againstIntended(survey, context.intended) : []) {
        if (node !== null && value !== null) priority[node] = value;
    }
    for (const { subject, value } of said.filter((item) => item.by === 'page')) {
        const node = survey.nodeOf(subject);
        if (node !== -1) priority[node] = value;
    }
    return { priority, troubles };
}

/** The most visited twentieth gets 1, up to a fifth 2, up to a half 3; pages with equal counts get the same. */
function byColumn(survey: PackedSurvey, values: ArrayLike<number>, unknown: number, into: Uint8Array): void {
    const visited: number[] = [];
    for (let node = 0; node < survey.count; node++) {
        const value = values[node]!;
        if (value > 0 && value !== unknown) visited.push(node);
    }
    visited.sort((a, b) => values[b]! - values[a]!);
    SHARES.forEach((share, index) => {
        const last = visited[Math.ceil(visited.length * share) - 1];
        if (last === undefined) return;
        for (const node of visited) {
            if (values[node]! >= values[last]! && into[node] === 0) into[node] = index + 1;
        }
    });
}
