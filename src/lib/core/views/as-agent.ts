/** What another agent may index: what stops elsewhere for it than for ours, or nowhere. */
import { agentsNamed, judgedAs, type ReceivedRobots } from '../areas/as-agent.ts';
import { hasMarks } from '../text/link-words.ts';
import { GATE_INDEXABLE, gateOf } from '../columns/gate-facts.ts';
import type { Gate } from '../gates/gates.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { quoted } from '../sets/tokens.ts';
import type { SetOfPages } from './robots.ts';

/** URLs that stop at one gate for our agent and at another for that one; null for what is not known. */
export interface GateChange {
    from: Gate | 'indexable' | null;
    to: Gate | 'indexable' | null;
    of: SetOfPages;
    /** The first of them, and what decides there. */
    url: string;
    why: string;
}

export interface AsAgentView {
    /** Product token it is judged for; empty for none. */
    agent: string;
    /** Our own. */
    token: string;
    /** Agents that robots.txt files and pages name. */
    named: string[];
    /** False where the pages were read by a version that did not keep what they say to others. */
    knowsDirectives: boolean;
    indexable: number;
    differing: SetOfPages;
    changes: GateChange[];
}

/** Needs all parts. O(URLs · rules). */
export function asAgentView(
    survey: PackedSurvey,
    robots: readonly ReceivedRobots[],
    { agent, token }: { agent: string; token: string },
): AsAgentView {
    const named = agentsNamed(survey, robots).filter((name) => name !== token);
    const base = { agent, token, named, knowsDirectives: hasMarks(survey) };
    const ours = survey.numbers('gate');
    if (agent === '') return { ...base, indexable: 0, differing: { pages: 0, set: null }, changes: [] };
    const { gate, why } = judgedAs(survey, robots, agent);
    const groups = new Map<number, { from: number; to: number; pages: number; first: number }>();
    let [indexable, differing] = [0, 0];
    for (let node = 0; node < survey.count; node++) {
        const [from, to] = [ours[node]!, gate[node]!];
        if (to === GATE_INDEXABLE) indexable++;
        if (from === to) continue;
        differing++;
        const key = from * 16 + to;
        const group = groups.get(key);
        if (group) group.pages++;
        else groups.set(key, { from, to, pages: 1, first: node });
    }
    const set = `differs for agent ${quoted(agent, true)}`;
    const all = [...groups.values()].sort((a, b) => b.pages - a.pages);
    return {
        ...base,
        indexable,
        differing: { pages: differing, set: differing === 0 ? null : set },
        changes: all.map(({ from, to, pages, first }) => {
            // The set language tells where it stops for our agent: enough where one other end belongs to that.
            const isAlone = all.filter((group) => group.from === from).length === 1;
            const name = gateOf(from);
            const own = name === null ? 'gate is unknown' : name === 'indexable' ? 'indexable' : `gate is ${name}`;
            return {
                from: name,
                to: gateOf(to),
                of: { pages, set: isAlone ? `${set} and ${own}` : null },
                url: survey.url(first),
                why: why(first),
            };
        }),
    };
}
