/** Which pages lack links: orphans, and pages under the number of links that is wanted for their priority. */
import { gateOf } from '../columns/gate-facts.ts';
import { ORPHAN } from '../measures/orphans.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { followedIn } from './effect.ts';

/** Followed incoming pages wanted of pages of priority 1 to 3, and of all others; null for no wish. */
export interface Wanted {
    first: number | null;
    second: number | null;
    third: number | null;
    others: number | null;
}

export interface TargetNeed {
    node: number;
    /** Followed incoming pages it has. */
    has: number;
    /** It should have; null where nothing is wished. */
    wanted: number | null;
    isOrphan: boolean;
    /** 0 to 1: an orphan needs most, then whoever lacks the largest share of what is wanted. */
    need: number;
}

const ORDER = ['others', 'first', 'second', 'third'] as const;

export const wantedOf = (wanted: Wanted, priority: number): number | null => wanted[ORDER[priority] ?? 'others'];

/** @param priority 1 to 3 by node, 0 for none */
export function needOf(survey: PackedSurvey, node: number, wanted: Wanted, priority: ArrayLike<number>): TargetNeed {
    const orphan = survey.numbers('orphan')[node]!;
    const isOrphan = orphan === ORPHAN.strict || orphan === ORPHAN.adrift;
    const has = followedIn(survey)[node]!;
    const wish = wantedOf(wanted, priority[node] ?? 0);
    const lack = wish === null ? 0 : Math.max(0, wish - has) / wish;
    return { node, has, wanted: wish, isOrphan, need: isOrphan ? 1 : 0.9 * lack };
}

/**
 * Pages that are asked for, or all that lack links: read and indexable, neediest first, then those of higher priority,
 * then by their links in.
 * @param within a set; null for whatever lacks links
 */
export function targetsOf(
    survey: PackedSurvey,
    within: { nodes(): ArrayLike<number> } | null,
    wanted: Wanted,
    priority: ArrayLike<number>,
): TargetNeed[] {
    const isPage = survey.numbers('page');
    const gate = survey.numbers('gate');
    const nodes = within ? Array.from(within.nodes()) : Array.from({ length: survey.count }, (_, node) => node);
    return nodes
        .filter((node) => isPage[node] === 1 && gateOf(gate[node]!) === 'indexable')
        .map((node) => needOf(survey, node, wanted, priority))
        .filter(({ need }) => within !== null || need > 0)
        .sort(
            (a, b) =>
                b.need - a.need || rank(priority, a.node) - rank(priority, b.node) || a.has - b.has || a.node - b.node,
        );
}

const rank = (priority: ArrayLike<number>, node: number): number => priority[node] || 4;

/** The middle of what pages of each priority have: what is offered as a wish. */
export function offeredWanted(survey: PackedSurvey, priority: ArrayLike<number>): Wanted {
    const isPage = survey.numbers('page');
    const links = followedIn(survey);
    const byPriority: number[][] = [[], [], [], []];
    for (let node = 0; node < survey.count; node++) {
        if (isPage[node] === 1) byPriority[priority[node] ?? 0]!.push(links[node]!);
    }
    const middle = (level: number): number | null => {
        const sorted = byPriority[level]!.sort((a, b) => a - b);
        return sorted.length === 0 ? null : Math.max(1, sorted[sorted.length >> 1]!);
    };
    return { first: middle(1), second: middle(2), third: middle(3), others: middle(0) };
}
