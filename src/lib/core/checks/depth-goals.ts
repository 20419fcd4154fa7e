/** Depth goals of a site: the deepest depth wanted for all pages, and for those of priority 1 to 3; null for none. */
export interface DepthGoalValues {
    all: number | null;
    first: number | null;
    second: number | null;
    third: number | null;
}

/** The goal that holds for a page of that priority; 0 for none: its own, else that of all pages. */
export function goalOfPriority(goals: DepthGoalValues, priority: number): number | null {
    const own = [null, goals.first, goals.second, goals.third][priority] ?? null;
    return own ?? goals.all;
}
