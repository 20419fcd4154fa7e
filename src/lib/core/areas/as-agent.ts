/**
 * A survey judged for another agent: the same answers and pages, its robots.txt files and directives read with another
 * product token. Nothing is asked of the site; what our agent did not read stays unknown.
 */
import { originOf } from '../address/address.ts';
import { GATE_INDEXABLE, GATE_UNKNOWN } from '../columns/gate-facts.ts';
import { GATES } from '../gates/gates.ts';
import { ALL_AGENTS, noindexFor } from '../page/agent-directives.ts';
import { markupProblems } from '../packed/gate-reason.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import type { Problem } from '../problems/problem.ts';
import { quoteRule } from '../robots/decide.ts';
import { readRobots, rulesFor, type RobotsRule } from '../robots/read-robots.ts';
import { robotsEffects } from '../robots/rule-effects.ts';
import { hostUrls } from './robots-change.ts';

/** A robots.txt as it was received. */
export interface ReceivedRobots {
    url: string;
    problems: readonly Problem[];
    text: string;
}

export interface JudgedAs {
    /** Where each URL stops for that agent: as the column `gate`. */
    gate: Uint8Array;
    /** What decides of a URL for it: a rule with its line, or whom a noindex is said to; empty for neither. */
    why: (node: number) => string;
}

const [ROBOTS, NOINDEX] = [GATES.indexOf('robots'), GATES.indexOf('noindex')];

/** Needs `core`, `text` and the measures. O(URLs · rules). @param agent product token, in small letters */
export function judgedAs(survey: PackedSurvey, robots: readonly ReceivedRobots[], agent: string): JudgedAs {
    const [failed, ours, status, allowed, markup] = [
        survey.numbers('failed_gates'),
        survey.numbers('gate'),
        survey.numbers('status'),
        survey.numbers('robots_allowed'),
        survey.numbers('markup'),
    ];
    const rules = rulesByNode(survey, robots, agent);
    const noindex = markupProblems(survey).map((problems) => noindexFor(problems, agent));
    const gate = new Uint8Array(survey.count);
    for (let node = 0; node < survey.count; node++) {
        let bits = failed[node]!;
        const verdict = rules.at(node);
        const isOpen = verdict === null ? allowed[node] !== 0 : verdict.isOpen;
        bits = isOpen ? bits & ~(1 << ROBOTS) : bits | (1 << ROBOTS);
        const said = noindex[markup[node]!];
        if (said) bits = said.noindex && status[node] === 200 ? bits | (1 << NOINDEX) : bits & ~(1 << NOINDEX);
        const first = GATES.findIndex((_, at) => (bits >> at) & 1);
        if (first !== -1) gate[node] = first;
        // What was not read for our agent's sake is not known for any other.
        else if (!(status[node]! > 0)) gate[node] = GATE_UNKNOWN;
        else gate[node] = ours[node] === GATE_UNKNOWN && verdict === null ? GATE_UNKNOWN : GATE_INDEXABLE;
    }
    return {
        gate,
        why: (node) => {
            if (gate[node] === ROBOTS || (ours[node] === ROBOTS && gate[node] !== NOINDEX)) return rules.say(node);
            const said = noindex[markup[node]!];
            if (!said) return '';
            return said.noindex
                ? `noindex, said to ${said.by === ALL_AGENTS ? 'all' : said.by}`
                : 'noindex is said to others alone';
        },
    };
}

interface Verdict {
    isOpen: boolean;
    rule: RobotsRule | null;
}

/** What the robots.txt of its host says of each URL; null where none was asked for. */
function rulesByNode(survey: PackedSurvey, robots: readonly ReceivedRobots[], agent: string) {
    const decided = new Int32Array(survey.count).fill(-2);
    const fileOf = new Int32Array(survey.count).fill(-1);
    const files = robots.map((file) => ({
        file,
        rules: rulesFor(readRobots(file.text), agent),
        isShut: file.problems.some(({ code }) => code === 'all-closed'),
    }));
    files.forEach(({ file, rules }, number) => {
        const { nodes, matcher } = hostUrls(survey, originOf(file.url));
        const { decidedBy } = robotsEffects(rules, matcher);
        for (let at = 0; at < nodes.length; at++) {
            const node = nodes[at]!;
            if (node < 0) continue;
            decided[node] = decidedBy[at]!;
            fileOf[node] = number;
        }
    });
    const at = (node: number): Verdict | null => {
        if (fileOf[node] === -1) return null;
        const { rules, isShut } = files[fileOf[node]!]!;
        const rule = decided[node]! < 0 ? null : rules[decided[node]!]!;
        return { isOpen: !isShut && (rule === null || rule.allow), rule };
    };
    const say = (node: number): string => {
        const verdict = at(node);
        if (verdict === null) return '';
        if (verdict.rule === null) return verdict.isOpen ? 'no rule for it fits' : 'robots.txt cannot be had';
        return `${quoteRule(verdict.rule)}, line ${verdict.rule.line}`;
    };
    return { at, say };
}

/** Agents by name that robots.txt files and pages speak to, in the order of the alphabet. O(different markups). */
export function agentsNamed(survey: PackedSurvey, robots: readonly ReceivedRobots[]): string[] {
    const names = new Set<string>();
    for (const { text } of robots)
        for (const { agents } of readRobots(text).groups) for (const own of agents) names.add(own);
    for (const problems of markupProblems(survey)) {
        for (const found of problems) if (found.code === 'agent-directives') names.add(found.params.agent);
    }
    names.delete(ALL_AGENTS);
    names.delete('');
    return [...names].sort();
}
