/** Pages that links are sought for, and those for which as many are taken as they lack. */
import type { PackedSurvey } from '../../core/packed/packed-survey.ts';
import { targetsOf, type TargetNeed } from '../../core/proposals/targets.ts';
import type { KeptChange } from '../../wire/laid-change.ts';
import type { CurrentSet } from '../current-set.ts';
import type { Site } from '../store/site-store.ts';

export interface Needy {
    /** Neediest first. */
    open: TargetNeed[];
    /** They wait for the site. */
    covered: TargetNeed[];
    /** Links that are taken for a page. */
    takenOf: (node: number) => number;
}

/** @param within a set; null for whatever lacks links */
export function needyOf(
    packed: PackedSurvey,
    within: CurrentSet['bits'] | null,
    { wantedLinks }: Pick<Site, 'wantedLinks'>,
    priority: ArrayLike<number>,
    changes: readonly KeptChange[],
): Needy {
    const taken = new Map<string, number>();
    for (const { kind, newTarget } of changes) {
        if (kind === 'add') taken.set(newTarget, (taken.get(newTarget) ?? 0) + 1);
    }
    const takenOf = (node: number): number => taken.get(packed.url(node)) ?? 0;
    const isCovered = ({ node, has, wanted }: TargetNeed): boolean =>
        takenOf(node) > 0 && (wanted === null || has + takenOf(node) >= wanted);
    const all = targetsOf(packed, within, wantedLinks, priority);
    return { open: all.filter((target) => !isCovered(target)), covered: all.filter(isCovered), takenOf };
}
