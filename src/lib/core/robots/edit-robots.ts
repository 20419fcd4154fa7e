/**
 * Edits of a robots.txt that close or open chosen URLs and leave all other known ones as they are: the fewest lines, then
 * the fewest characters. A pattern ends where a folder, a path, a name of the query or a file ending does, never within a
 * word: a shorter one would also decide what is named alike tomorrow.
 */
import { closedUrls, UrlMatcher } from './rule-effects.ts';
import { fits, pathForms, prepareRules, type PathForms, type PreparedRule } from './decide.ts';
import { readRobots, rulesFor, type RobotsRule } from './read-robots.ts';
import { productToken, robotsLines } from './robots-lines.ts';

export interface RobotsWish {
    make: 'closed' | 'open';
    /** The product token it is for; `*` for all who have no group of their own. */
    agent: string;
    /** One for each known URL: 1 where it is chosen. */
    chosen: Uint8Array;
}

export interface RobotsOption {
    /** The file after it. */
    text: string;
    /** Lines of the file before it that it takes out. */
    removed: RobotsRule[];
    /** Rules it adds, without their lines. */
    added: { allow: boolean; pattern: string }[];
}

/** Candidates that are tried in every way; beyond them each line closes or opens as much as it can. */
const MOST_TRIED = 60;

/**
 * What can be done, the least first; empty where nothing has to be done or nothing can be. O(URLs · rules).
 * @param text the file; empty where there is none
 */
export function robotsOptions(text: string, known: UrlMatcher, wish: RobotsWish): RobotsOption[] {
    const { urls } = known;
    const rules = rulesFor(readRobots(text), wish.agent);
    const closed = closedUrls(rules, known);
    const isAsked = wish.make === 'closed' ? 1 : 0;
    const wanted = closed.map((is, url) => (wish.chosen[url] === 1 ? isAsked : is));
    if (wanted.every((is, url) => is === closed[url])) return [];
    const options: RobotsOption[] = [];
    const added = rulesThatMake(wanted, rules, urls, wish.make);
    if (added) options.push({ text: withRules(text, wish.agent, [], added), removed: [], added });
    // The lines that decide as they should not, taken out; what else they decided is decided by new ones.
    const against = rulesAgainst(rules, urls, (url) => wanted[url] !== closed[url]);
    if (against.length > 0) {
        const rest = rules.filter((rule) => !against.includes(rule));
        const lost = closedUrls(rest, known);
        const toClose = wanted.some((is, url) => is === 1 && lost[url] === 0);
        const toOpen = wanted.some((is, url) => is === 0 && lost[url] === 1);
        const make = toClose ? 'closed' : 'open';
        const instead = toClose && toOpen ? null : toClose || toOpen ? rulesThatMake(wanted, rest, urls, make) : [];
        if (instead) {
            options.push({ text: withRules(text, wish.agent, against, instead), removed: against, added: instead });
        }
    }
    const size = ({ removed, added: rulesAdded }: RobotsOption): [number, number] => [
        rulesAdded.length - removed.length,
        rulesAdded.reduce((sum, { pattern }) => sum + pattern.length, 0),
    ];
    return options.sort((a, b) => size(a)[0] - size(b)[0] || size(a)[1] - size(b)[1]);
}

/** The rules that decide at least one of the URLs. */
function rulesAgainst(
    rules: readonly RobotsRule[],
    urls: readonly PathForms[],
    isMeant: (url: number) => boolean,
): RobotsRule[] {
    const prepared = prepareRules(rules);
    const found = new Set<RobotsRule>();
    for (let url = 0; url < urls.length; url++) {
        const decides = isMeant(url) ? prepared.find((item) => fits(item, urls[url]!)) : undefined;
        if (decides) found.add(decides.rule);
    }
    return rules.filter((rule) => found.has(rule));
}

/** Patterns that fit a path, each of a form in which all known URLs that it fits have it among theirs. */
export function patternsOf(path: string): string[] {
    // No rule speaks of it (RFC 9309 2.2.2).
    if (path === '/robots.txt') return [];
    const patterns: string[] = [];
    const query = path.indexOf('?');
    const end = query === -1 ? path.length : query;
    for (let at = path.indexOf('/'); at !== -1 && at < end; at = path.indexOf('/', at + 1)) {
        patterns.push(path.slice(0, at + 1));
    }
    if (query !== -1) patterns.push(path.slice(0, query + 1));
    for (const [, mark, name] of path.matchAll(/([?&])([^=&?]+)=/g)) patterns.push(`/*${mark}${name}=`);
    const ending = /\.[A-Za-z0-9]{1,5}$/.exec(path);
    if (ending) patterns.push(`/*${ending[0]}$`);
    patterns.push(`${path}$`);
    return [...new Set(patterns)];
}

/**
 * The rules that, added to others, make all URLs as wanted, where all that is to change is to be closed, or all of it to
 * be opened; null where none can: a longer rule stands against them.
 */
function rulesThatMake(
    wanted: Uint8Array,
    rules: readonly RobotsRule[],
    urls: readonly PathForms[],
    make: RobotsWish['make'],
): RobotsOption['added'] | null {
    const prepared = prepareRules(rules);
    const isAsked = make === 'closed' ? 1 : 0;
    const deciding = urls.map((forms) => prepared.find((item) => fits(item, forms)));
    const isClosed = (rule: PreparedRule | undefined): number => (rule === undefined || rule.rule.allow ? 0 : 1);
    /** A new rule of that length decides there: allow wins among equals. */
    const wins = (length: number, rule: PreparedRule | undefined): boolean =>
        length > (rule?.length ?? -1) || (length === rule?.length && (make === 'open' || !rule.rule.allow));
    const lengths = new Map<string, number>();
    const lengthOf = (pattern: string): number => {
        let length = lengths.get(pattern);
        if (length === undefined) {
            length = prepareRules([{ allow: true, pattern, line: 0 }])[0]!.length;
            lengths.set(pattern, length);
        }
        return length;
    };
    const targets: number[] = [];
    const covers = new Map<string, number[]>();
    for (let url = 0; url < urls.length; url++) {
        if (wanted[url] !== isAsked || isClosed(deciding[url]) === isAsked) continue;
        const target = targets.push(url) - 1;
        for (const pattern of patternsOf(urls[url]!.path)) {
            if (!wins(lengthOf(pattern), deciding[url])) continue;
            const list = covers.get(pattern);
            if (list) list.push(target);
            else covers.set(pattern, [target]);
        }
    }
    // What would also change one that is to stay as it is, will not do.
    for (let url = 0; url < urls.length; url++) {
        if (wanted[url] === isAsked) continue;
        for (const pattern of patternsOf(urls[url]!.path)) {
            if (covers.has(pattern) && wins(lengthOf(pattern), deciding[url])) covers.delete(pattern);
        }
    }
    const patterns = fewest(covers, targets.length);
    return patterns && patterns.map((pattern) => ({ allow: make === 'open', pattern }));
}

/** Least number of patterns that cover all targets, then the fewest characters; null where some target has none. */
function fewest(covers: ReadonlyMap<string, number[]>, targets: number): string[] | null {
    // Of patterns that cover the same only the shortest counts.
    const shortest = new Map<string, string>();
    for (const [pattern, list] of covers) {
        const key = list.length === targets ? 'all' : list.join(' ');
        const before = shortest.get(key);
        if (before === undefined || isBefore(pattern, before)) shortest.set(key, pattern);
    }
    const all = shortest.get('all');
    if (all !== undefined) return [all];
    const candidates = [...shortest.values()].sort(
        (a, b) => covers.get(b)!.length - covers.get(a)!.length || (isBefore(a, b) ? -1 : 1),
    );
    const sets = candidates.map((pattern) => new Set(covers.get(pattern)!));
    if (candidates.length <= MOST_TRIED) {
        const few = anyOf(sets, candidates, targets, 3);
        if (few) return few;
    }
    return greedy(sets, candidates, targets);
}

const isBefore = (a: string, b: string): boolean => a.length < b.length || (a.length === b.length && a < b);

/** The best choice of at most so many, by trying all. */
function anyOf(
    sets: readonly ReadonlySet<number>[],
    candidates: readonly string[],
    targets: number,
    most: number,
): string[] | null {
    let best: { characters: number; chosen: number[] } | null = null;
    const missing = (chosen: readonly number[]): number => {
        for (let target = 0; target < targets; target++) {
            if (!chosen.some((item) => sets[item]!.has(target))) return target;
        }
        return -1;
    };
    const go = (chosen: number[], left: number): void => {
        const target = missing(chosen);
        if (target === -1) {
            const characters = chosen.reduce((sum, item) => sum + candidates[item]!.length, 0);
            if (best === null || characters < best.characters) best = { characters, chosen };
            return;
        }
        if (left === 0) return;
        // One of those that cover the first target that is missing must be among them.
        for (let item = 0; item < sets.length; item++) {
            if (sets[item]!.has(target)) go([...chosen, item], left - 1);
        }
    };
    for (let lines = 2; lines <= most; lines++) {
        go([], lines);
        const found = best as { chosen: number[] } | null;
        if (found) return found.chosen.map((item) => candidates[item]!).sort();
    }
    return null;
}

/** Always the one that covers most of what is still missing. */
function greedy(sets: readonly ReadonlySet<number>[], candidates: readonly string[], targets: number): string[] | null {
    const missing = new Set(Array.from({ length: targets }, (_, target) => target));
    const chosen: string[] = [];
    while (missing.size > 0) {
        let best = -1;
        let most = 0;
        for (let item = 0; item < sets.length; item++) {
            if (sets[item]!.size <= most) continue;
            let gain = 0;
            for (const target of sets[item]!) if (missing.has(target)) gain++;
            if (gain > most) [best, most] = [item, gain];
        }
        if (best === -1) return null;
        for (const target of sets[best]!) missing.delete(target);
        chosen.push(candidates[best]!);
    }
    return chosen.sort();
}

/**
 * A file with lines taken out and rules added to the last group of an agent. Where it has none it gets one, with the rules
 * that held for it until then: who is named is spoken to by that group alone.
 */
export function withRules(
    text: string,
    agent: string,
    removed: readonly RobotsRule[],
    added: readonly { allow: boolean; pattern: string }[],
): string {
    const token = agent === '*' ? '*' : productToken(agent);
    const written = added.map(({ allow, pattern }) => `${allow ? 'Allow' : 'Disallow'}: ${pattern}`);
    const out = new Set(removed.map(({ line }) => line));
    const lines = robotsLines(text);
    const groups = lines.filter(({ kind, value }) => kind === 'agent' && productToken(value) === token);
    const last = groups.at(-1)?.group;
    if (last === undefined) {
        const file = readRobots(text);
        const before = rulesFor(file, token).filter(({ line }) => !out.has(line));
        const kept = before.map(({ allow, pattern }) => `${allow ? 'Allow' : 'Disallow'}: ${pattern}`);
        const head = text === '' || text.endsWith('\n') ? text : `${text}\n`;
        const name = agent === '*' ? '*' : agent;
        return `${head}${head === '' ? '' : '\n'}User-agent: ${name}\n${[...kept, ...written].join('\n')}\n`;
    }
    // After the last line of the group that speaks.
    const at = lines
        .filter(({ group, kind }) => group === last && ['agent', 'rule', 'empty'].includes(kind))
        .at(-1)!.line;
    const result = lines.flatMap(({ line, text: own }) => [
        ...(out.has(line) ? [] : [own]),
        ...(line === at ? written : []),
    ]);
    return result.join('\n');
}

/** Many URLs ready to be asked about. */
export const matcherOf = (urls: readonly string[], onKept?: (bytes: number) => void): UrlMatcher =>
    new UrlMatcher(urls.map(pathForms), onKept);
