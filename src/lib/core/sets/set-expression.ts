/** The set language (`docs/set-language.md`) as data: what a parsed line is. */
import type { Evidence } from '../evidence/evidence.ts';
import type { FindingParams, Severity } from '../words/finding-params.ts';
import { OUTER_FLAGS } from './flags.ts';
import { OVERLAY_COLUMNS } from '../columns/overlay-columns.ts';
import type { Region } from '../page/links.ts';

export const COMPARISONS = ['=', '!=', '<', '<=', '>', '>='] as const;
export type Comparison = (typeof COMPARISONS)[number];
export type TextTest = 'is' | 'is not' | 'has' | 'begins' | 'ends';

/** Narrows the links a relation looks at. */
export interface Narrowing {
    region?: Region;
    template?: string;
    followed?: true;
    /** Part of the anchor, or of the name, in any case. */
    anchor?: string;
}

export const RELATIONS = [
    { name: 'links to', what: 'Pages with a link to one of these.', takesLinks: true },
    { name: 'linked from', what: 'Pages that one of these links to.', takesLinks: true },
    { name: 'linked only from', what: 'Pages that these link to, and no other page.', takesLinks: true },
    { name: 'behind', what: 'Pages that are reached through one of these only.', takesLinks: false },
    { name: 'redirects to', what: 'URLs whose redirects lead to one of these.', takesLinks: false },
    { name: 'canonical to', what: 'Pages whose accepted canonical is another page, one of these.', takesLinks: false },
] as const;
export type Relation = (typeof RELATIONS)[number]['name'];

export type SetExpression =
    | { kind: 'all' }
    | { kind: 'flag'; name: string }
    | { kind: 'known'; evidence: Evidence }
    | { kind: 'listed'; by: 'sitemap' | 'list'; name: string }
    | { kind: 'held'; template: string }
    /** Something was found of it: by one check, or anything of a severity. */
    | { kind: 'finding'; check: FindingId; cause: string | null }
    | { kind: 'found'; severity: Severity }
    /** What one edit would mend, by its key. */
    | { kind: 'cause'; key: string }
    /** Found, and accepted: by one check, or with one cause. */
    | { kind: 'accepted'; what: string }
    /** Stops elsewhere, or nowhere, for another agent: by its product token. */
    | { kind: 'agent'; token: string }
    | { kind: 'number'; field: string; test: Comparison; value: number }
    | { kind: 'range'; field: string; from: number; to: number }
    | { kind: 'text'; field: string; test: TextTest; value: string }
    | { kind: 'any'; field: string; values: (string | number)[] }
    | { kind: 'unknown'; field: string }
    | { kind: 'empty'; field: string }
    /** A text in quotes alone: the address or the title has it. */
    | { kind: 'search'; text: string }
    | { kind: 'not'; of: SetExpression }
    | { kind: 'and' | 'or'; parts: SetExpression[] }
    | { kind: 'relation'; relation: Relation; of: SetExpression; narrow: Narrowing }
    | { kind: 'within'; clicks: number; of: SetExpression; narrow: Narrowing }
    | { kind: 'survey'; number: number; of: SetExpression }
    | { kind: 'saved'; name: string };

/** A check that finds something of pages or links. */
export type FindingId = keyof FindingParams;

/** What is found: by one check, of one severity, of one cause, accepted, or otherwise for another agent. */
export type Sought = Extract<SetExpression, { kind: 'finding' | 'found' | 'cause' | 'accepted' | 'agent' }>;

const SEEKING: readonly string[] = ['finding', 'found', 'cause', 'accepted', 'agent'] satisfies Sought['kind'][];

/** True for what only the checks can tell. */
export function seeks(set: SetExpression): set is Sought {
    return SEEKING.includes(set.kind);
}

/** Calls `visit` for an expression and everything inside it. */
export function walkSet(set: SetExpression, visit: (part: SetExpression) => void): void {
    visit(set);
    if (set.kind === 'and' || set.kind === 'or') for (const part of set.parts) walkSet(part, visit);
    else if ('of' in set) walkSet(set.of, visit);
}

/** Names of the fields that belong to the site. */
const OVERLAYS: ReadonlySet<string> = new Set(OVERLAY_COLUMNS.map(({ field }) => field.name));

/**
 * True when a survey by itself cannot tell the set: it speaks of another survey, a saved set, or what the site says of its
 * pages.
 */
export function needsMore(set: SetExpression): boolean {
    let needs = false;
    walkSet(set, (part) => {
        if (part.kind === 'survey' || part.kind === 'saved') needs = true;
        // Depth goals, and what is accepted, are of the site.
        if (seeks(part)) needs = true;
        if (part.kind === 'flag' && OUTER_FLAGS.some(({ name }) => name === part.name)) needs = true;
        if ('field' in part && OVERLAYS.has(part.field)) needs = true;
    });
    return needs;
}

/** Numbers of the surveys a set speaks of beside its own. */
export function surveysIn(set: SetExpression): number[] {
    const numbers = new Set<number>();
    walkSet(set, (part) => {
        if (part.kind === 'survey') numbers.add(part.number);
    });
    return [...numbers];
}
