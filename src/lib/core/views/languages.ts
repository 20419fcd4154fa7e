/** What *Languages* shows: which pages name each other as alternates, with the holes; and sequences with their breaks. */
import { alternatesOf } from '../checks/languages.ts';
import { sequencesOf } from '../checks/sequences.ts';
import { gateOf } from '../columns/gate-facts.ts';
import type { Gate } from '../gates/gates.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

/** Groups and sequences that are drawn, and pages of one. */
const MOST_GROUPS = 40;
const MOST_MEMBERS = 12;
const MOST_SEQUENCES = 40;
const MOST_STEPS = 60;

export interface LanguageMember {
    url: string;
    /** What others, or it itself, name it for; empty for nothing that is known. */
    codes: string[];
    /** What its html element says. */
    says: string;
    gate: Gate | 'indexable' | null;
    /** It was read, so that what it does not name is known. */
    isRead: boolean;
}

/** Pages that name each other, or are named by one that others name. */
export interface LanguageGroup {
    members: LanguageMember[];
    /** By member and member: what the first says of the second. `hole`: it was read and does not name it. */
    names: ('itself' | 'named' | 'hole' | 'unknown')[][];
    /** Pages beyond those drawn. */
    more: number;
    holes: number;
    /** Members that stop at a gate. */
    stopped: number;
    standing: number;
}

export interface SequenceStep {
    url: string;
    gate: Gate | 'indexable' | null;
    /** How it goes on to the next step: both ways, one way only, or no further. */
    on: 'both' | 'forward only' | 'backward only' | 'end';
}

export interface SequenceChain {
    steps: SequenceStep[];
    pages: number;
    breaks: number;
}

export interface LanguagesView {
    /** Languages by the pages that are named for them, most first. */
    languages: { code: string; pages: number; stopped: number }[];
    /** Pages in groups; groups, those with holes or with members that stop. */
    pages: number;
    groups: LanguageGroup[];
    groupsInAll: number;
    broken: number;
    sequences: SequenceChain[];
    sequencesInAll: number;
    sequencesBroken: number;
}

/** Needs all parts. O(pages + alternates + the squares of the groups drawn). */
export function languagesView(survey: PackedSurvey): LanguagesView {
    const groups = groupsOf(survey);
    const chains = chainsOf(survey);
    return {
        languages: languagesOf(survey),
        pages: groups.reduce((sum, { members, more }) => sum + members.length + more, 0),
        groups: groups.slice(0, MOST_GROUPS),
        groupsInAll: groups.length,
        broken: groups.filter(({ holes, stopped }) => holes > 0 || stopped > 0).length,
        sequences: chains.slice(0, MOST_SEQUENCES),
        sequencesInAll: chains.length,
        sequencesBroken: chains.filter(({ breaks }) => breaks > 0).length,
    };
}

function languagesOf(survey: PackedSurvey): LanguagesView['languages'] {
    const [alternates, gate] = [alternatesOf(survey), survey.numbers('gate')];
    const pages = new Map<string, Set<number>>();
    for (let node = 0; node < survey.count; node++) {
        for (const { code, to } of alternates(node)) {
            if (code === '') continue;
            const own = pages.get(code);
            if (own) own.add(to);
            else pages.set(code, new Set([to]));
        }
    }
    const isStopped = (to: number): boolean => {
        const own = to < survey.count ? gateOf(gate[to]!) : null;
        return own !== null && own !== 'indexable';
    };
    return [...pages]
        .map(([code, own]) => ({ code, pages: own.size, stopped: [...own].filter(isStopped).length }))
        .sort((a, b) => b.pages - a.pages || (a.code < b.code ? -1 : 1));
}

/** Those that are broken first, then those whose pages hold most standing. */
function groupsOf(survey: PackedSurvey): LanguageGroup[] {
    const alternates = alternatesOf(survey);
    const parent = Int32Array.from({ length: survey.count }, (_, node) => node);
    const rootOf = (node: number): number => {
        let at = node;
        while (parent[at] !== at) at = parent[at] = parent[parent[at]!]!;
        return at;
    };
    const isIn = new Uint8Array(survey.count);
    for (let node = 0; node < survey.count; node++) {
        for (const { to } of alternates(node)) {
            if (to >= survey.count) continue;
            isIn[node] = isIn[to] = 1;
            parent[rootOf(to)] = rootOf(node);
        }
    }
    const members = new Map<number, number[]>();
    for (let node = 0; node < survey.count; node++) {
        if (isIn[node] !== 1) continue;
        const own = members.get(rootOf(node));
        if (own) own.push(node);
        else members.set(rootOf(node), [node]);
    }
    const groups = [...members.values()].filter(({ length }) => length > 1).map((nodes) => groupOf(survey, nodes));
    const isBroken = ({ holes, stopped }: LanguageGroup): number => Number(holes > 0 || stopped > 0);
    return groups.sort(
        (a, b) =>
            isBroken(b) - isBroken(a) || b.standing - a.standing || (a.members[0]!.url < b.members[0]!.url ? -1 : 1),
    );
}

function groupOf(survey: PackedSurvey, nodes: readonly number[]): LanguageGroup {
    const [alternates, page, gate, standing] = [
        alternatesOf(survey),
        survey.numbers('page'),
        survey.numbers('gate'),
        survey.numbers('standing'),
    ];
    const named = new Map(nodes.map((node) => [node, alternates(node)]));
    const drawn = nodes.slice(0, MOST_MEMBERS);
    const codesOf = (node: number): string[] => [
        ...new Set([...named.values()].flat().flatMap(({ code, to }) => (to === node && code !== '' ? [code] : []))),
    ];
    const cell = (from: number, to: number): LanguageGroup['names'][number][number] => {
        if (from === to) return 'itself';
        if (named.get(from)!.some((alternate) => alternate.to === to)) return 'named';
        return page[from] === 1 ? 'hole' : 'unknown';
    };
    // Of all, not of those drawn: what is counted does not go by what there is room for.
    const holes = nodes.reduce((sum, from) => {
        if (page[from] !== 1) return sum;
        const ends = new Set(named.get(from)!.map(({ to }) => to));
        return sum + nodes.filter((to) => to !== from && !ends.has(to)).length;
    }, 0);
    const gates = nodes.map((node) => gateOf(gate[node]!));
    return {
        members: drawn.map((node, at) => ({
            url: survey.url(node),
            codes: codesOf(node),
            says: survey.word('language', node),
            gate: gates[at]!,
            isRead: page[node] === 1,
        })),
        names: drawn.map((from) => drawn.map((to) => cell(from, to))),
        more: nodes.length - drawn.length,
        holes,
        stopped: gates.filter((own) => own !== null && own !== 'indexable').length,
        standing: nodes.reduce((sum, node) => sum + (standing[node]! > 0 ? standing[node]! : 0), 0),
    };
}

/** Each sequence from its first page on, those with breaks first, then the longest. */
function chainsOf(survey: PackedSurvey): SequenceChain[] {
    const { next, previous } = sequencesOf(survey);
    const gate = survey.numbers('gate');
    const isIn = new Uint8Array(survey.count);
    for (let node = 0; node < survey.count; node++) {
        for (const to of [next[node]!, previous[node]!]) if (to !== -1) isIn[node] = isIn[to] = 1;
    }
    /** Pages that name another as the previous one, by that one: the first of them goes on where it names no next. */
    const behind = new Map<number, number>();
    for (let node = survey.count - 1; node >= 0; node--) if (previous[node] !== -1) behind.set(previous[node]!, node);
    const follow = (node: number): number => (next[node] !== -1 ? next[node]! : (behind.get(node) ?? -1));
    const hasBefore = new Uint8Array(survey.count);
    for (let node = 0; node < survey.count; node++) {
        if (isIn[node] === 1 && follow(node) !== -1) hasBefore[follow(node)] = 1;
    }
    const seen = new Uint8Array(survey.count);
    const chains: SequenceChain[] = [];
    const walk = (start: number): void => {
        const nodes: number[] = [];
        for (let at = start; at !== -1 && seen[at] !== 1; at = follow(at)) {
            seen[at] = 1;
            nodes.push(at);
        }
        const isStopped = (node: number): boolean => {
            const own = gateOf(gate[node]!);
            return own !== null && own !== 'indexable';
        };
        const steps = nodes.map((node): SequenceStep => {
            const to = follow(node);
            const ways =
                to === -1
                    ? 'end'
                    : next[node] !== to
                      ? 'backward only'
                      : previous[to] === node
                        ? 'both'
                        : 'forward only';
            return { url: survey.url(node), gate: gateOf(gate[node]!), on: ways };
        });
        const breaks = nodes.filter(
            (node, at) => isStopped(node) || ['forward only', 'backward only'].includes(steps[at]!.on),
        );
        chains.push({ steps: steps.slice(0, MOST_STEPS), pages: nodes.length, breaks: breaks.length });
    };
    // From first pages on; what is left then goes in circles.
    for (let node = 0; node < survey.count; node++) if (isIn[node] === 1 && hasBefore[node] !== 1) walk(node);
    for (let node = 0; node < survey.count; node++) if (isIn[node] === 1 && seen[node] !== 1) walk(node);
    return chains
        .filter(({ pages }) => pages > 1)
        .sort((a, b) => Number(b.breaks > 0) - Number(a.breaks > 0) || b.pages - a.pages);
}
