/** What the area Reach tells of a survey: depths by choice, goals, islands, and what everything hangs from. */
import { UNREACHED } from '../graph/depth.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { once } from '../kept.ts';

/** Depths along followed links alone. */
export function followedDepths(survey: PackedSurvey): ArrayLike<number> {
    return survey.numbers('followed_depth');
}

/** The depth within which nine of ten reached pages lie: what is offered as a goal. Null where nothing is reached. */
export function offeredGoal(survey: PackedSurvey): number | null {
    return once(survey, 'offered goal', [], () => {
        const isPage = survey.numbers('page');
        const depth = survey.numbers('depth');
        const reached: number[] = [];
        for (let node = 0; node < survey.count; node++) {
            if (isPage[node] === 1 && depth[node] !== UNREACHED) reached.push(depth[node]!);
        }
        const sorted = Int32Array.from(reached).sort();
        return sorted.length === 0 ? null : sorted[Math.ceil(sorted.length * 0.9) - 1]!;
    });
}

export interface BeyondGoal {
    goal: number;
    all: number;
    /** By priority 1, 2, 3; 0 for pages without one. */
    byPriority: [number, number, number, number];
}

/** Reached pages deeper than a goal, by priority. O(pages). */
export function beyondGoal(survey: PackedSurvey, goal: number, priority: Uint8Array): BeyondGoal {
    const isPage = survey.numbers('page');
    const depth = survey.numbers('depth');
    const found: BeyondGoal = { goal, all: 0, byPriority: [0, 0, 0, 0] };
    for (let node = 0; node < survey.count; node++) {
        if (isPage[node] !== 1 || depth[node] === UNREACHED || depth[node]! <= goal) continue;
        found.all++;
        found.byPriority[priority[node]!]!++;
    }
    return found;
}

export interface Island {
    /** The page of it that most of the others link to: where a link would bring most of it back. */
    url: string;
    pages: number;
}

/** Islands, largest first. O(pages). */
export function islandsOf(survey: PackedSurvey): Island[] {
    return once(survey, 'islands', [], () => {
        const island = survey.numbers('island');
        const incoming = survey.numbers('incoming_pages');
        const found: { node: number; pages: number }[] = [];
        for (let node = 0; node < survey.count; node++) {
            const number = island[node]!;
            if (number === -1) continue;
            const own = found[number];
            if (!own) found[number] = { node, pages: 1 };
            else {
                own.pages++;
                if (incoming[node]! > incoming[own.node]!) own.node = node;
            }
        }
        return found.map(({ node, pages }) => ({ url: survey.url(node), pages }));
    });
}
