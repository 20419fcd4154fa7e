/**
 * Where robots spend their visits: requests of robots, as access logs tell them, by what the survey knows of the URL and
 * by how they were answered then.
 */
import { reasonOf } from '../columns/reason-codes.ts';
import { GATE_INDEXABLE, GATE_UNKNOWN, gateOf } from '../columns/gate-facts.ts';
import type { RobotVisits } from '../evidence/robot-visits.ts';
import type { Gate } from '../gates/gates.ts';
import { UNREACHED } from '../graph/depth.ts';
import { LINK_KINDS } from '../page/links.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';

/**
 * What a request was spent on. As it was answered then: an error, a redirect. Of what was answered: an indexable page; a
 * URL that stops at a gate; a family that was closed or an action; a picture, script, style or other file; a URL whose
 * gate is not known; a URL that the survey does not know.
 */
export type SpentOn = 'indexable' | Gate | 'error' | 'family' | 'resource' | 'not-known' | 'unheard';

export interface SpentRow {
    on: SpentOn;
    requests: number;
    /** Different URLs. */
    urls: number;
    /** The one asked for most, with its requests. */
    most: { url: string; requests: number };
}

export interface RobotRow {
    name: string;
    requests: number;
    indexable: number;
    redirect: number;
    error: number;
    /** Indexable pages it asked for. */
    pages: number;
}

export interface AskedRow {
    /** Depth of pages; null for pages that links do not reach. */
    depth: number | null;
    /** Indexable pages there, those never asked for, and requests of all. */
    pages: number;
    never: number;
    requests: number;
}

export interface Spent {
    requests: number;
    left: number;
    /** First and last request of any log. */
    first: number;
    last: number;
    rows: SpentRow[];
    robots: RobotRow[];
    indexable: number;
    /** Nodes of indexable pages that no robot asked for. */
    never: number[];
    byDepth: AskedRow[];
    /** Indexable pages by standing in fifths, the highest first: requests of each fifth, and pages never asked for. */
    byStanding: { requests: number; never: number; pages: number; least: number }[];
}

/** Endings of what pages load, where no link of a page tells it. */
const FILE =
    /\.(?:css|m?js|map|json|png|jpe?g|gif|svg|webp|avif|ico|bmp|woff2?|ttf|otf|eot|mp[34]|webm|ogg|pdf|zip|gz|txt|xml)$/i;
const FIFTHS = 5;

/** Addresses beside pages that some page loads as a picture, script or style. O(links) */
function resources(survey: PackedSurvey): Set<number> {
    const [kinds, targets] = [survey.numbers('link_kind'), survey.numbers('link_target')];
    const loaded = new Set(
        ['img', 'script', 'style'].map((kind) => LINK_KINDS.indexOf(kind as (typeof LINK_KINDS)[number])),
    );
    const found = new Set<number>();
    for (let link = 0; link < kinds.length; link++) if (loaded.has(kinds[link]!)) found.add(targets[link]!);
    return found;
}

/** What a URL is to the survey, whatever a log says of how it was answered. */
function spentOn(survey: PackedSurvey): (url: string) => { node: number; on: SpentOn } {
    const [gate, left] = [survey.numbers('gate'), survey.numbers('not_read')];
    const loaded = resources(survey);
    const others = new Map(
        survey
            .texts('other_url')
            .all()
            .map((url, at) => [url, survey.count + at]),
    );
    return (url) => {
        const node = survey.nodeOf(url);
        const path = url.split(/[?#]/, 1)[0]!;
        if (node === -1) {
            const isFile = loaded.has(others.get(url) ?? -1) || FILE.test(path);
            return { node, on: isFile ? 'resource' : 'unheard' };
        }
        if (gate[node] === GATE_INDEXABLE) return { node, on: 'indexable' };
        const reason = reasonOf(left[node]!);
        if (reason === 'trap' || reason === 'action') return { node, on: 'family' };
        if (gate[node] !== GATE_UNKNOWN) {
            const stop = gateOf(gate[node]!) as Gate;
            return { node, on: stop === 'type' && (FILE.test(path) || loaded.has(node)) ? 'resource' : stop };
        }
        return { node, on: 'not-known' };
    };
}

/** Needs all parts. O(pairs of robots and URLs + links). */
export function spentOf(survey: PackedSurvey, logs: readonly RobotVisits[]): Spent {
    const whatIs = spentOn(survey);
    const [gate, depth, standing] = [survey.numbers('gate'), survey.numbers('depth'), survey.numbers('standing')];
    const asked = new Float64Array(survey.count);
    const rows = new Map<SpentOn, Map<string, number>>();
    const robots = new Map<string, RobotRow & { asked: Set<number> }>();
    const spend = (on: SpentOn, url: string, requests: number): void => {
        if (requests === 0) return;
        const own = rows.get(on) ?? new Map<string, number>();
        rows.set(on, own.set(url, (own.get(url) ?? 0) + requests));
    };
    let [requests, left, first, last] = [0, 0, Infinity, -Infinity];
    for (const log of logs) {
        const known = log.urls.map(whatIs);
        left += log.left;
        first = Math.min(first, log.first);
        last = Math.max(last, log.last);
        for (let at = 0; at < log.robot.length; at++) {
            const { node, on } = known[log.url[at]!]!;
            const url = log.urls[log.url[at]!]!;
            const [fine, redirect, error] = [log.fine[at]!, log.redirect[at]!, log.error[at]!];
            spend(on, url, fine);
            spend('redirect', url, redirect);
            spend('error', url, error);
            if (node !== -1) asked[node]! += fine;
            requests += fine + redirect + error;
            const name = log.robots[log.robot[at]!]!;
            const robot = robots.get(name) ?? {
                ...{ name, requests: 0, indexable: 0, redirect: 0, error: 0, pages: 0 },
                asked: new Set<number>(),
            };
            robots.set(name, robot);
            robot.requests += fine + redirect + error;
            robot.redirect += redirect;
            robot.error += error;
            if (on === 'indexable' && fine > 0) {
                robot.indexable += fine;
                robot.asked.add(node);
            }
        }
    }
    const indexable: number[] = [];
    for (let node = 0; node < survey.count; node++) if (gate[node] === GATE_INDEXABLE) indexable.push(node);
    const never = indexable.filter((node) => asked[node] === 0);
    const byDepth = new Map<number | null, AskedRow>();
    for (const node of indexable) {
        const at = depth[node] === UNREACHED ? null : depth[node]!;
        const row = byDepth.get(at) ?? { depth: at, pages: 0, never: 0, requests: 0 };
        byDepth.set(at, row);
        row.pages++;
        row.requests += asked[node]!;
        if (asked[node] === 0) row.never++;
    }
    const ranked = indexable.filter((node) => standing[node]! > 0).sort((a, b) => standing[b]! - standing[a]! || a - b);
    const byStanding = Array.from({ length: FIFTHS }, (_, fifth) => {
        const own = ranked.slice(
            Math.round((fifth * ranked.length) / FIFTHS),
            Math.round(((fifth + 1) * ranked.length) / FIFTHS),
        );
        return {
            requests: own.reduce((sum, node) => sum + asked[node]!, 0),
            never: own.filter((node) => asked[node] === 0).length,
            pages: own.length,
            least: own.length === 0 ? 0 : standing[own.at(-1)!]!,
        };
    }).filter(({ pages }) => pages > 0);
    return {
        requests,
        left,
        first,
        last,
        rows: [...rows].map(([on, urls]) => rowOf(on, urls)).sort((a, b) => b.requests - a.requests),
        robots: [...robots.values()]
            .map(({ asked: own, ...robot }) => ({ ...robot, pages: own.size }))
            .sort((a, b) => b.requests - a.requests || (a.name < b.name ? -1 : 1)),
        indexable: indexable.length,
        never,
        byDepth: [...byDepth.values()].sort((a, b) => (a.depth ?? Infinity) - (b.depth ?? Infinity)),
        byStanding,
    };
}

function rowOf(on: SpentOn, urls: ReadonlyMap<string, number>): SpentRow {
    let most = { url: '', requests: 0 };
    let requests = 0;
    for (const [url, own] of urls) {
        requests += own;
        if (own > most.requests) most = { url, requests: own };
    }
    return { on, requests, urls: urls.size, most };
}

/** 1 for each URL of the survey that a robot asked for and was answered. */
export function askedByRobots(survey: PackedSurvey, logs: readonly RobotVisits[]): Uint8Array {
    const asked = new Uint8Array(survey.count);
    for (const { urls, url, fine } of logs) {
        const nodes = urls.map((own) => survey.nodeOf(own));
        for (let at = 0; at < url.length; at++) {
            const node = nodes[url[at]!]!;
            if (node !== -1 && fine[at]! > 0) asked[node] = 1;
        }
    }
    return asked;
}
