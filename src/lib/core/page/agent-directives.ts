/**
 * What a page says to agents by their names: robots metas of another name than `robots`, and lines of `X-Robots-Tag`
 * that open with a name. Kept beside what it says to all, so that a survey can be judged for any agent later.
 */
import { problem, type Problem } from '../problems/problem.ts';
import { tokensForAgent, tokensOf, type RobotsMeta } from './directives.ts';

/** Stands for all agents that are not named. */
export const ALL_AGENTS = '*';
/** Agents kept of one page: a bound against hostile documents. */
const MOST_AGENTS = 20;
const MOST_SAID = 200;

/** Names as agents have them (RFC 9309 2.2.1: letters, "_" and "-"), digits taken too. */
const NAME = /^[a-z][a-z0-9_-]*$/;
/** Words that speak to robots; a meta that holds nothing else is meant for them, whatever its name. */
const SPEAKS = new Set(['all', 'none', 'index', 'noindex', 'follow', 'nofollow']);
const ALSO =
    /^(?:no)?(?:archive|cache|snippet|imageindex|translate|odp|ydir)$|^indexifembedded$|^(?:max-|unavailable_after)/;

/** Whether a meta speaks to an agent: by a name of its own, and by nothing but directives. */
export function isAgentMeta(name: string, content: string): boolean {
    if (name === 'robots' || !NAME.test(name)) return false;
    const tokens = tokensOf(content);
    return tokens.some((token) => SPEAKS.has(token)) && tokens.every((token) => SPEAKS.has(token) || ALSO.test(token));
}

/** Names at the head of lines of `X-Robots-Tag`, in small letters. */
function namedIn(lines: readonly string[]): string[] {
    const names = new Set<string>();
    for (const line of lines) {
        for (const [, name] of line.toLowerCase().matchAll(/(?:^|,)\s*([a-z][a-z0-9_-]*)\s*:/g)) {
            if (!ALSO.test(name!)) names.add(name!);
        }
    }
    return [...names];
}

/**
 * What is said to each agent that is named, and to all others; nothing where none is named.
 * @param metas those of the head named `robots`, and those that speak to an agent
 */
export function agentDirectives(metas: readonly RobotsMeta[], xRobotsTag: readonly string[]): Problem[] {
    const named = new Set([
        ...metas.map(({ name }) => name).filter((name) => name !== 'robots'),
        ...namedIn(xRobotsTag),
    ]);
    if (named.size === 0) return [];
    const said = (agent: string): string => {
        const byMeta = metas.filter(({ name }) => name === (agent === ALL_AGENTS ? 'robots' : agent));
        const all = new Set(xRobotsTag.flatMap((line) => tokensForAgent(line, '')));
        const byHeader = xRobotsTag.flatMap((line) => tokensForAgent(line, agent === ALL_AGENTS ? '' : agent));
        const own = agent === ALL_AGENTS ? byHeader : byHeader.filter((token) => !all.has(token));
        return [...byMeta.flatMap(({ content }) => tokensOf(content)), ...own].join(', ').slice(0, MOST_SAID);
    };
    return [ALL_AGENTS, ...[...named].slice(0, MOST_AGENTS)].map((agent) =>
        problem('agent-directives', { agent, says: said(agent) }),
    );
}

/** Whether a page says noindex to an agent: to it by name, or to all. Null where it names no agent. */
export function noindexFor(problems: readonly Problem[], agent: string): { noindex: boolean; by: string } | null {
    let isNamed = false;
    for (const found of problems) {
        if (found.code !== 'agent-directives') continue;
        isNamed = true;
        const { agent: name, says } = found.params;
        if (name !== ALL_AGENTS && name !== agent) continue;
        if (tokensOf(says).some((token) => token === 'noindex' || token === 'none')) return { noindex: true, by: name };
    }
    return isNamed ? { noindex: false, by: '' } : null;
}
