/** Everything about one page, for the page sheet: gates, the way here, links in and out, evidence, text facts. */
import type { Value } from '../sets/field.ts';
import type { NumberName } from '../packed/column-names.ts';
import { evidenceNames } from '../evidence/evidence.ts';
import { GATES, type Gate } from '../gates/gates.ts';
import { UNREACHED } from '../graph/depth.ts';
import { isFollowed, LINK_KINDS, REGIONS } from '../page/links.ts';
import { problemWordsOrNone } from '../words/problems.ts';
import type { Problem } from '../problems/problem.ts';
import { gateReason, problemAt, PROBLEM_COLUMNS, type ProblemColumn } from '../packed/gate-reason.ts';
import type { Overlays } from '../columns/overlay-columns.ts';
import { pageColumns } from '../sets/page-columns.ts';
import { gateOf } from '../columns/gate-facts.ts';
import { reasonOf } from '../columns/reason-codes.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { wayEnds } from './way-ends.ts';

/** `open`: passed; `stop`: it stops here; `shut`: would fail too; `unknown`: never got that far. */
export type GateState = 'open' | 'stop' | 'shut' | 'unknown';

/** Where a link stands: which of its page's blocks, and which link of that; its line is in the rows of the page. */
export interface LinkPlace {
    pageBlock: number;
    /** Index in the block's list. */
    at: number;
}

export interface WayStep {
    url: string;
    title: string;
    depth: number;
    /** How this step is entered. */
    by: 'start' | 'link' | 'redirect' | 'refresh';
    anchor: string;
    region: string;
    /** Line of the link in the page before; null where there is none. */
    line: number | null;
    place: LinkPlace | null;
}

export interface SheetLink {
    url: string;
    /** A URL of the site, which has a sheet of its own. */
    isKnown: boolean;
    title: string;
    anchor: string;
    followed: boolean;
    region: string;
    line: number | null;
    occurrences: number;
    block: string;
    place: LinkPlace;
}

export interface PageSheet {
    url: string;
    record: Record<string, Value>;
    /** `problem` is what `reason` says in words; null where it does not fail. */
    gates: { gate: Gate; state: GateState; reason: string; problem: Problem | null }[];
    /** What went wrong with it or is odd, by the column of the record that says it in words. */
    problems: Partial<Record<ProblemColumn, Problem>>;
    /** Where it stops and why, as a sentence; a page that passes says so too. */
    verdict: string;
    way: WayStep[];
    /** Steps in the middle of a very long way, behind the first `WAY_END`, that are not told; 0 for none. */
    wayLeftOut: number;
    incoming: SheetLink[];
    incomingTotal: number;
    outgoing: SheetLink[];
    outgoingTotal: number;
    evidence: { name: string; detail: string }[];
    readAt: number | null;
    milliseconds: number | null;
    bytes: number | null;
    /** Links of the page that named a user or a password, which were removed. */
    credentialsRemoved: number;
    /** What the link graph says of it. */
    weight: {
        standing: number | null;
        leak: number | null;
        load: number;
        heldBy: string | null;
        priority: number | null;
    };
    /** Pages that share its body, main text, title or h1: how many others, and the set they are. */
    doubles: { what: string; others: number; set: string }[];
}

/** A sheet as it is shown: the lines of its links are told, where they stand in the packed survey is not. */
export type ToldSheet = Omit<PageSheet, 'way' | 'incoming' | 'outgoing'> & {
    way: Omit<WayStep, 'place'>[];
    incoming: Omit<SheetLink, 'place'>[];
    outgoing: Omit<SheetLink, 'place'>[];
};

/** Links listed of each side; the total is told beside. */
const MAX_LISTED = 300;
const A = LINK_KINDS.indexOf('a');

/** Needs all three parts of the survey. Lines of links are null: see `placesOf`. */
export function pageSheet(survey: PackedSurvey, node: number, overlays: Overlays = {}): PageSheet {
    const columns = pageColumns(survey, overlays);
    const record = Object.fromEntries([...columns].map(([id, column]) => [id, column.value(node)]));
    const number = (name: NumberName): number | null => {
        const value = survey.numbers(name)[node]!;
        return value === -1 || Number.isNaN(value) ? null : value;
    };
    const held = survey.numbers('held_by')[node]!;
    return {
        url: survey.url(node),
        record,
        gates: gateStates(survey, node),
        problems: problemsOf(survey, node),
        verdict: verdictOf(survey, node),
        ...wayTo(survey, node),
        ...incomingOf(survey, node),
        ...outgoingOf(survey, node),
        evidence: evidenceOf(survey, node),
        readAt: number('read_at'),
        milliseconds: number('milliseconds'),
        bytes: number('bytes'),
        credentialsRemoved: survey.numbers('credentials')[node]!,
        weight: {
            standing: number('standing'),
            leak: number('leak'),
            load: survey.numbers('load')[node]!,
            heldBy: held === -1 ? null : survey.url(held),
            priority: overlays.priority?.[node] || null,
        },
        doubles: doublesOf(survey, node),
    };
}

/** All links of a sheet whose lines are not told yet. */
export function placesOf(sheet: PageSheet): { line: number | null; place: LinkPlace }[] {
    return [...sheet.way, ...sheet.incoming, ...sheet.outgoing].filter(
        (item): item is typeof item & { place: LinkPlace } => item.place !== null,
    );
}

function gateStates(survey: PackedSurvey, node: number): PageSheet['gates'] {
    const failed = survey.numbers('failed_gates')[node]!;
    const first = gateOf(survey.numbers('gate')[node]!);
    const stop = first === null || first === 'indexable' ? -1 : GATES.indexOf(first);
    const wasRead = survey.numbers('status')[node] !== 0;
    return GATES.map((gate, index) => {
        const fails = ((failed >> index) & 1) === 1;
        let state: GateState = fails ? (index === stop ? 'stop' : 'shut') : 'open';
        // A page that was never read passed nothing that reading decides.
        if (!fails && index >= 2 && !wasRead) state = 'unknown';
        if (!fails && gate === 'robots' && survey.numbers('robots_allowed')[node] === -1) state = 'unknown';
        // A redirect has no document: type, noindex and canonical are questions to its target.
        if (!fails && index > 3 && stop >= 2 && stop <= 3) state = 'unknown';
        const problem = fails ? gateReason(survey, node, gate) : null;
        return { gate, state, reason: problemWordsOrNone(problem), problem };
    });
}

/** All problems a page has, column by column. */
function problemsOf(survey: PackedSurvey, node: number): PageSheet['problems'] {
    const problems: PageSheet['problems'] = {};
    for (const column of PROBLEM_COLUMNS) {
        const problem = problemAt(survey, column, node);
        if (problem !== null) problems[column] = problem;
    }
    return problems;
}

/** Where a page stops and why, or that it passes, as a sentence. Needs `text`. */
export function verdictOf(survey: PackedSurvey, node: number): string {
    const gate = gateOf(survey.numbers('gate')[node]!);
    if (gate === 'indexable') return 'Passes all seven gates: it may be indexed.';
    if (gate !== null) return `Stops at ${gate}: ${problemWordsOrNone(gateReason(survey, node, gate))}.`;
    const reason = reasonOf(survey.numbers('not_read')[node]!);
    if (reason === 'limit') return 'Not read, because a limit of the survey was reached: its gates are not known.';
    if (reason === 'stopped') return 'Not read, because the survey was stopped: its gates are not known.';
    return problemAt(survey, 'failure', node) === null
        ? 'Not read yet: its gates are not known.'
        : 'Its gates are not known.';
}

function wayTo(survey: PackedSurvey, node: number): Pick<PageSheet, 'way' | 'wayLeftOut'> {
    const depth = survey.numbers('depth');
    const parent = survey.numbers('parent');
    if (depth[node] === UNREACHED) return { way: [], wayLeftOut: 0 };
    const path: number[] = [];
    for (let at = node; at !== -1; at = parent[at]!) path.push(at);
    path.reverse();
    const graph = linkGraphOf(survey);
    const tell = (index: number): WayStep => {
        const at = path[index]!;
        const step: WayStep = {
            url: survey.url(at),
            title: survey.texts('title').at(at),
            depth: depth[at]!,
            by: 'start',
            anchor: '',
            region: '',
            line: null,
            place: null,
        };
        const before = path[index - 1];
        if (before === undefined) return step;
        const pageBlock = survey.numbers('way_block')[at]!;
        if (depth[before] === depth[at] || pageBlock === -1) {
            step.by = survey.numbers('redirect')[before] === at ? 'redirect' : 'refresh';
            return step;
        }
        const inList = survey.numbers('way_link')[at]!;
        const block = graph.pageBlocks[pageBlock]!;
        return {
            ...step,
            by: 'link',
            anchor: anchorOf(survey, graph.listStart[graph.blockList[block]!]! + inList),
            region: REGIONS[graph.blockRegion[block]!] ?? 'other',
            place: { pageBlock, at: inList },
        };
    };
    const { steps, leftOut } = wayEnds(path.length, tell);
    return { way: steps, wayLeftOut: leftOut };
}

/** The anchor of a link of a list, or its name. */
function anchorOf(survey: PackedSurvey, link: number): string {
    return survey.word('link_anchor', link) || survey.word('link_name', link);
}

/** Links from other pages, equal ones of one page together, pages of least depth first. O(lists + page blocks). */
function incomingOf(survey: PackedSurvey, node: number): Pick<PageSheet, 'incoming' | 'incomingTotal'> {
    const graph = linkGraphOf(survey);
    const { pageStart, pageBlocks, blockList, listStart, target, kind, isPage } = graph;
    const depth = survey.numbers('depth');
    const anchors = survey.numbers('link_anchor');
    const names = survey.numbers('link_name');
    /** Links of each list that lead here, the first of each anchor with the number of its like. */
    const here = new Map<number, { link: number; occurrences: number }[]>();
    for (let list = 0; list < listStart.length - 1; list++) {
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
            if (target[link] !== node || kind[link] !== A) continue;
            const own = here.get(list) ?? [];
            const known = own.find((item) => anchors[item.link] === anchors[link] && names[item.link] === names[link]);
            if (known) known.occurrences++;
            else own.push({ link, occurrences: 1 });
            here.set(list, own);
        }
    }
    const found: { source: number; pageBlock: number; link: number; occurrences: number }[] = [];
    if (here.size > 0) {
        for (let source = 0; source < survey.count; source++) {
            if (isPage[source] !== 1 || source === node) continue;
            for (let pageBlock = pageStart[source]!; pageBlock < pageStart[source + 1]!; pageBlock++) {
                for (const item of here.get(blockList[pageBlocks[pageBlock]!]!) ?? []) {
                    found.push({ source, pageBlock, ...item });
                }
            }
        }
    }
    const order = (source: number): number => (depth[source] === UNREACHED ? Infinity : depth[source]!);
    found.sort((a, b) => order(a.source) - order(b.source) || a.source - b.source);
    return {
        incomingTotal: found.length,
        incoming: found.slice(0, MAX_LISTED).map(({ source, pageBlock, link, occurrences }): SheetLink => {
            const block = pageBlocks[pageBlock]!;
            return {
                url: survey.url(source),
                isKnown: true,
                title: survey.texts('title').at(source),
                anchor: anchorOf(survey, link),
                followed: graph.follow[link] === 1 && graph.nofollow[source] !== 1,
                region: REGIONS[graph.blockRegion[block]!] ?? 'other',
                line: null,
                occurrences,
                block: survey.texts('block_name').at(block),
                place: { pageBlock, at: link - listStart[blockList[block]!]! },
            };
        }),
    };
}

/** Links of the page itself, equal ones of one block together, in the order of their blocks. */
function outgoingOf(survey: PackedSurvey, node: number): Pick<PageSheet, 'outgoing' | 'outgoingTotal'> {
    const graph = linkGraphOf(survey);
    const { pageStart, pageBlocks, blockList, listStart, target, kind } = graph;
    const code = (name: NumberName, link: number): number => survey.numbers(name)[link]!;
    const links = new Map<string, SheetLink>();
    for (let pageBlock = pageStart[node]!; pageBlock < pageStart[node + 1]!; pageBlock++) {
        const block = pageBlocks[pageBlock]!;
        const list = blockList[block]!;
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
            if (kind[link] !== A) continue;
            const to = target[link]!;
            const key = [
                block,
                to < 0 ? `text ${code('link_text', link)}` : to,
                code('link_fragment', link),
                code('link_anchor', link),
                code('link_name', link),
                code('link_rel', link),
            ].join(' ');
            const known = links.get(key);
            if (known) {
                known.occurrences++;
                continue;
            }
            const rel = survey.texts('link_rel_words').at(code('link_rel', link));
            links.set(key, {
                url: to < 0 ? survey.texts('link_text_words').at(code('link_text', link)) : survey.addressUrl(to),
                isKnown: to >= 0 && to < survey.count,
                title: to >= 0 && to < survey.count ? survey.texts('title').at(to) : '',
                anchor: anchorOf(survey, link),
                followed: isFollowed(rel, graph.nofollow[node] === 1),
                region: REGIONS[graph.blockRegion[block]!] ?? 'other',
                line: null,
                occurrences: 1,
                block: survey.texts('block_name').at(block),
                place: { pageBlock, at: link - listStart[list]! },
            });
        }
    }
    const all = [...links.values()];
    return { outgoing: all.slice(0, MAX_LISTED), outgoingTotal: all.length };
}

/** Rows of evidence of a page, as stored. */
export function evidenceRows(
    survey: PackedSurvey,
    node: number,
): { kind: string; source: string; line: number; lastmod: string }[] {
    const start = survey.numbers('evidence_row_start');
    const word = (name: 'kind' | 'source' | 'lastmod', row: number): string => survey.word(`evidence_row_${name}`, row);
    return Array.from({ length: start[node + 1]! - start[node]! }, (_, index) => {
        const row = start[node]! + index;
        return {
            kind: word('kind', row),
            source: word('source', row),
            line: survey.numbers('evidence_row_line')[row]!,
            lastmod: word('lastmod', row),
        };
    });
}

function evidenceOf(survey: PackedSurvey, node: number): PageSheet['evidence'] {
    const rows = evidenceRows(survey, node);
    return evidenceNames(survey.numbers('evidence')[node]!).map((name) => {
        if (name === 'link') {
            const pages = survey.numbers('incoming_pages')[node]!;
            return { name, detail: pages === 1 ? 'from 1 page' : `from ${pages.toLocaleString('en')} pages` };
        }
        const own = rows.filter((row) => row.kind === name);
        if (name === 'manual' && own.every((row) => row.source === '')) return { name, detail: 'typed in' };
        const details = own.map(
            ({ source, line, lastmod }) =>
                `${source}${line === 0 ? '' : `, line ${line}`}${lastmod === '' ? '' : `, lastmod ${lastmod}`}`,
        );
        return { name, detail: details.join('; ') };
    });
}

const DOUBLES = [
    ['same_body', 'the very same body', 'same body'],
    ['same_text', 'the same main text', 'same text'],
    ['near_text', 'nearly the same main text', 'near text'],
    ['same_title', 'the same title', 'same title'],
    ['same_h1', 'the same h1', 'same h1'],
] as const;

function doublesOf(survey: PackedSurvey, node: number): PageSheet['doubles'] {
    return DOUBLES.flatMap(([column, what, flag]) => {
        const groups = survey.numbers(column);
        const own = groups[node]!;
        if (own === -1) return [];
        let others = -1;
        for (let other = 0; other < survey.count; other++) if (groups[other] === own) others++;
        const title = survey.texts(column === 'same_h1' ? 'h1' : 'title').at(node);
        const narrowed = column === 'same_title' || column === 'same_h1';
        const field = column === 'same_h1' ? 'h1' : 'title';
        const set = narrowed ? `${flag} and ${field} is ${JSON.stringify(title.trim())}` : flag;
        return [{ what, others, set }];
    });
}
