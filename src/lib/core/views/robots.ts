/** What *Robots* shows: a robots.txt line by line, what each rule does to known URLs, and what is found of the file. */
import { originOf, readAddress } from '../address/address.ts';
import { hostUrls } from '../areas/robots-change.ts';
import { SEVERITIES, type CheckView, type RobotsText, type Severity } from '../checks/check.ts';
import { fileFindings, isAcceptedFile } from '../checks/file-findings.ts';
import { once } from '../kept.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { problem, readProblem, readProblems } from '../problems/problem.ts';
import { readRobots, rulesFor, type RobotsRule } from '../robots/read-robots.ts';
import { productToken, robotsLines, type RobotsLine } from '../robots/robots-lines.ts';
import { robotsEffects } from '../robots/rule-effects.ts';
import { quoted } from '../sets/tokens.ts';
import { fileFindingSentence } from '../words/checks.ts';
import { noteWords, problemWords } from '../words/problems.ts';
import { robotsLineRemark } from '../words/robots.ts';

/** Pages, and the set they are; null where no set says them. */
export interface SetOfPages {
    pages: number;
    set: string | null;
}

export interface RuleView {
    allows: boolean;
    decides: SetOfPages;
    /** Known addresses beside pages that it decides: pictures, scripts, other files. */
    others: number;
    /** URLs that it fits and another decides, and the line that does so most often; null for none. */
    loses: number;
    hiddenBy: number | null;
}

export interface RobotsLineView extends Omit<RobotsLine, 'value' | 'key'> {
    /** It stands in a group that speaks to the agent. */
    speaks: boolean;
    /** Of a rule that speaks to it. */
    rule: RuleView | null;
    /** Of a Sitemap line what was found there, where it was asked for: addresses, or the files of an index. */
    sitemap: { status: number | null; entries: number | null; files: number | null } | null;
    /** Why it says nothing, or not what it seems to; empty otherwise. */
    remark: string;
}

export interface RobotsFileView {
    url: string;
    origin: string;
    status: number | null;
    note: string;
    text: string;
    /** In their order; of a very long file those that do most, see `MOST_LINES`. */
    lines: RobotsLineView[];
    /** Product tokens that have groups of their own. */
    named: string[];
    /** Known URLs of the host, pages of the site among them or not. */
    known: number;
    closed: SetOfPages;
    /** Decided by an Allow. */
    kept: SetOfPages;
    /** The rule that closes most. */
    most: { line: number; rule: RuleView } | null;
    findings: { severity: Severity; say: string; line: number | null }[];
    /** Findings that are not told here; all are in findings.csv. */
    moreFindings: number;
}

/** Lines that are told of a file; files go up to half a million bytes. */
const MOST_LINES = 400;
/** Told of a long file whatever they say: it is known by how it begins. */
const FIRST_LINES = 12;
const MOST_FINDINGS = 60;

export interface RobotsAsked {
    /** Origin of the host that is looked at; null for that of the start page. */
    origin: string | null;
    /** Product token it is judged for, and the one the survey was made with: only of that one are there sets. */
    agent: string;
    token: string;
}

/** Needs `core`, `text` and the measures. O(URLs of the host · rules). */
export function robotsView(view: CheckView, asked: RobotsAsked) {
    const { survey, robots } = view;
    const hosts = robots.map(({ url }) => ({ url, origin: originOf(url) }));
    const start = originOf(survey.url(survey.head.starts[0] ?? 0));
    const file = robots.find(({ url }) => originOf(url) === (asked.origin ?? start)) ?? robots[0];
    return { hosts, agent: asked.agent, token: asked.token, file: file ? fileView(view, file, asked) : null };
}

export type RobotsView = ReturnType<typeof robotsView>;

function fileView(view: CheckView, file: RobotsText, { agent, token }: RobotsAsked): RobotsFileView {
    const { survey } = view;
    const origin = originOf(file.url);
    const read = readRobots(file.text);
    const rules = rulesFor(read, agent);
    const { nodes } = hostUrls(survey, origin);
    const isOurs = agent === token;
    const ruleViews = viewsOf(survey, file, rules, isOurs);
    const speaking = new Set(
        read.groups.flatMap(({ agents }, group) => (speaksTo(read.groups, agents, agent) ? [group] : [])),
    );
    const sum = (some: RuleView[]): number => some.reduce((total, { decides }) => total + decides.pages, 0);
    const all = [...ruleViews.values()];
    const isUnreachable = file.problems.some(({ code }) => code === 'all-closed');
    const pages = nodes.reduce((total, node) => total + Number(node >= 0), 0);
    const closed = isUnreachable ? pages : sum(all.filter(({ allows }) => !allows));
    const closedSet = `closed by robots and origin is ${quoted(origin)}`;
    const closing = [...ruleViews].filter(([, rule]) => !rule.allows && rule.decides.pages > 0);
    const found = fileFindings({ ...view, robots: [file] })
        .filter((finding) => finding.file === file.url && !isAcceptedFile(view, finding))
        .sort(
            (a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity) || (a.line ?? 0) - (b.line ?? 0),
        );
    const [most] = closing.sort(([, a], [, b]) => b.decides.pages - a.decides.pages);
    return {
        url: file.url,
        origin,
        status: file.status,
        note: noteWords(file.problems),
        text: file.text,
        lines: mostTelling(robotsLines(file.text), ruleViews, speaking).map((line) => ({
            line: line.line,
            text: line.text,
            kind: line.kind,
            group: line.group,
            speaks: speaking.has(line.group),
            rule: ruleViews.get(line.line) ?? null,
            sitemap: line.kind === 'sitemap' ? sitemapAt(survey, line.value, file.url) : null,
            remark: robotsLineRemark(line),
        })),
        named: [...new Set(read.groups.flatMap(({ agents }) => agents))].filter((name) => name !== '*' && name !== ''),
        known: nodes.length,
        closed: { pages: closed, set: isOurs && closed === closedPages(survey, nodes) ? closedSet : null },
        kept: { pages: sum(all.filter(({ allows }) => allows)), set: null },
        most: most ? { line: most[0], rule: most[1] } : null,
        findings: found.slice(0, MOST_FINDINGS).map((finding) => ({
            severity: finding.severity,
            say: fileFindingSentence(finding),
            line: finding.line,
        })),
        moreFindings: Math.max(0, found.length - MOST_FINDINGS),
    };
}

/** URLs that a rule touches: those it decides, and those that another decides before it. */
export const touchedBy = ({ decides, others, loses }: RuleView): number => decides.pages + others + loses;

/** All lines of a file that is not too long, else those that do most, and how it begins. */
function mostTelling(
    lines: readonly RobotsLine[],
    rules: ReadonlyMap<number, RuleView>,
    speaking: ReadonlySet<number>,
): readonly RobotsLine[] {
    if (lines.length <= MOST_LINES) return lines;
    const weightOf = ({ line, kind, group }: RobotsLine): number => {
        if (line <= FIRST_LINES || (kind === 'agent' && speaking.has(group))) return Infinity;
        const rule = rules.get(line);
        if (rule) return touchedBy(rule);
        // What is written wrongly may explain what is missing.
        return kind === 'stray' || kind === 'directive' || kind === 'unread' || kind === 'sitemap' ? 0.5 : 0;
    };
    return lines
        .map((line) => ({ line, weight: weightOf(line) }))
        .filter(({ weight }) => weight > 0)
        .sort((a, b) => (a.weight === b.weight ? a.line.line - b.line.line : b.weight - a.weight))
        .slice(0, MOST_LINES)
        .map(({ line }) => line)
        .sort((a, b) => a.line - b.line);
}

/** A Sitemap line may only be absolute; a relative one is resolved all the same, as it was when it was asked for. */
function sitemapAt(survey: PackedSurvey, href: string, base: string): RobotsLineView['sitemap'] {
    const address = readAddress(href, base);
    const url = address.ok ? address.address.url : null;
    const file = survey.head.files.find((item) => item.kind === 'sitemap' && item.url === url);
    if (!file) return null;
    const index = readProblems(file.note).find((item) => item.code === 'sitemap-index');
    const files = index?.code === 'sitemap-index' ? index.params.files : null;
    return { status: file.status, entries: file.entries, files };
}

/** Its own groups where it has any, those for all others where it has none (RFC 9309 2.2.1). */
function speaksTo(groups: readonly { agents: string[] }[], agents: readonly string[], agent: string): boolean {
    const name = productToken(agent);
    const isNamed = groups.some((group) => group.agents.includes(name));
    return agents.includes(isNamed ? name : '*');
}

function viewsOf(
    survey: PackedSurvey,
    file: RobotsText,
    rules: readonly RobotsRule[],
    isOurs: boolean,
): Map<number, RuleView> {
    const { nodes, matcher } = hostUrls(survey, originOf(file.url));
    const { rules: effects, decidedBy } = robotsEffects(rules, matcher);
    const pages = new Uint32Array(rules.length);
    const others = new Uint32Array(rules.length);
    for (let at = 0; at < nodes.length; at++) {
        if (decidedBy[at] !== -1) (nodes[at]! >= 0 ? pages : others)[decidedBy[at]!]!++;
    }
    const stored = isOurs ? storedRules(survey) : new Map<string, number>();
    return new Map(
        effects.map(({ rule, loses, hiddenBy }, place) => {
            const words = problemWords(
                problem('robots-rule', { allows: rule.allow, pattern: rule.pattern, file: file.url, line: rule.line }),
            );
            // The set is told where it has as many pages as are told here: what was decided when it was surveyed.
            const isSame = pages[place]! > 0 && stored.get(words) === pages[place];
            const decides = { pages: pages[place]!, set: isSame ? `robots rule is ${quoted(words, true)}` : null };
            return [rule.line, { allows: rule.allow, decides, others: others[place]!, loses, hiddenBy }];
        }),
    );
}

/** How many pages each rule was stored with, by its words. */
function storedRules(survey: PackedSurvey): ReadonlyMap<string, number> {
    return once(survey, 'pages by robots rule', [], () => {
        const words = survey
            .texts('robots_rule_words')
            .all()
            .map((text) => {
                const rule = readProblem(text);
                return rule === null ? '' : problemWords(rule);
            });
        const codes = survey.numbers('robots_rule');
        const counts = new Map<string, number>();
        for (let node = 0; node < survey.count; node++) {
            const rule = words[codes[node]!]!;
            counts.set(rule, (counts.get(rule) ?? 0) + 1);
        }
        return counts;
    });
}

/** Pages of a host that were closed when it was surveyed. */
function closedPages(survey: PackedSurvey, nodes: Int32Array): number {
    const allowed = survey.numbers('robots_allowed');
    return nodes.reduce((closed, node) => closed + Number(node >= 0 && allowed[node] === 0), 0);
}
