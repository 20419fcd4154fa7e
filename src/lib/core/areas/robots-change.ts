/** What a robots.txt does to the known URLs of its host, and what another text in its place would change. */
import { GATE_INDEXABLE } from '../columns/gate-facts.ts';
import { depths, UNREACHED } from '../graph/depth.ts';
import { countKept, once } from '../kept.ts';
import { depthGraph } from '../model/way-graph.ts';
import { modelOf } from '../packed/model-of.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { readRobots, rulesFor } from '../robots/read-robots.ts';
import { matcherOf } from '../robots/edit-robots.ts';
import { closedUrls, robotsEffects, type UrlMatcher } from '../robots/rule-effects.ts';

/** The known URLs of one host, ready to be asked about: nodes first, then files and what links lead to beside pages. */
export interface HostUrls {
    /** Node of each; -1 for what is none. */
    nodes: Int32Array<ArrayBuffer>;
    urls: string[];
    matcher: UrlMatcher;
}

/** Needs `core`, and `text` for its other addresses, which are left out without. O(addresses), once for each host. */
export function hostUrls(survey: PackedSurvey, origin: string): HostUrls {
    return once(survey, 'host urls', [origin, survey.has('text') ? 'all' : 'nodes'], () => {
        const nodes: number[] = [];
        const urls: string[] = [];
        const within = `${origin}/`;
        const take = (url: string, node: number): void => {
            if (!url.startsWith(within)) return;
            nodes.push(node);
            urls.push(url);
        };
        for (let node = 0; node < survey.count; node++) take(survey.url(node), node);
        if (survey.has('text')) for (const url of survey.texts('other_url').all()) take(url, -1);
        return { nodes: Int32Array.from(nodes), urls, matcher: matcherOf(urls, (bytes) => countKept(survey, bytes)) };
    });
}

/** Some URLs, and how many there are in all. */
export interface SomeUrls {
    count: number;
    first: string[];
}

export interface RobotsChange {
    /** Open now, and closed by the new text; and the other way round. Files and other addresses among them. */
    closes: SomeUrls;
    opens: SomeUrls;
    /** Reached now, and no more where closed pages lead nowhere; null where the links were not at hand. */
    lost: SomeUrls | null;
    /** Indexable now, and closed then. */
    dropped: SomeUrls;
    /** Listed in a sitemap, and closed then. */
    listed: SomeUrls;
    /** URLs that each rule of the new text decides, by its line; rules that decide none are left out. */
    decides: [line: number, urls: number][];
    /** Of those that open, how many were never read: what they hold and where they lead is not known. */
    unread: number;
}

const FIRST = 8;

class Some implements SomeUrls {
    count = 0;
    readonly first: string[] = [];

    add(url: string): void {
        if (this.first.length < FIRST) this.first.push(url);
        this.count++;
    }
}

/** Needs `core` and the measures; paths are followed where `links` is there too. Parameters as below. */
export function robotsChange(
    survey: PackedSurvey,
    origin: string,
    texts: { before: string; after: string },
    agent: string,
): RobotsChange {
    const { after, ...change } = judgedUrls(survey, origin, texts, agent);
    const lost = survey.has('links') ? lostPaths(survey, hostUrls(survey, origin).nodes, after) : null;
    return { ...change, lost };
}

/**
 * Needs `core`. O(URLs of the host · rules).
 * @param agent product token both texts are judged for
 */
export function judgedUrls(
    survey: PackedSurvey,
    origin: string,
    texts: { before: string; after: string },
    agent: string,
): Omit<RobotsChange, 'lost'> & { after: Uint8Array } {
    const { nodes, urls, matcher } = hostUrls(survey, origin);
    const before = closedUrls(rulesFor(readRobots(texts.before), agent), matcher);
    const rules = rulesFor(readRobots(texts.after), agent);
    const effects = robotsEffects(rules, matcher);
    const after = Uint8Array.from(effects.decidedBy, (place) => (place === -1 || rules[place]!.allow ? 0 : 1));
    const [gate, status, sitemaps] = [
        survey.numbers('gate'),
        survey.numbers('status'),
        survey.numbers('sitemap_start'),
    ];
    const [closes, opens, dropped, listed] = [new Some(), new Some(), new Some(), new Some()];
    let unread = 0;
    for (let at = 0; at < urls.length; at++) {
        if (before[at] === after[at]) continue;
        const [url, node] = [urls[at]!, nodes[at]!];
        if (after[at] === 0) {
            opens.add(url);
            if (node >= 0 && status[node]! <= 0) unread++;
            continue;
        }
        closes.add(url);
        if (node < 0) continue;
        if (gate[node] === GATE_INDEXABLE) dropped.add(url);
        if (sitemaps[node] !== sitemaps[node + 1]) listed.add(url);
    }
    return {
        closes,
        opens,
        decides: effects.rules.filter(({ decides }) => decides > 0).map(({ rule, decides }) => [rule.line, decides]),
        dropped,
        listed,
        unread,
        after,
    };
}

/** Reached now, and not when the pages that the new text closes lead nowhere. O(links). */
function lostPaths(survey: PackedSurvey, nodes: Int32Array, after: Uint8Array): SomeUrls {
    const model = modelOf(survey);
    const isClosed = Uint8Array.from(model.isClosed);
    for (let at = 0; at < nodes.length; at++) if (nodes[at]! >= 0) isClosed[nodes[at]!] = after[at]!;
    const { clicks, free } = depthGraph({ ...model, isClosed });
    const { depth } = depths(clicks, free, model.starts);
    const now = survey.numbers('depth');
    const lost = new Some();
    for (let node = 0; node < survey.count; node++) {
        if (now[node] !== UNREACHED && depth[node] === UNREACHED) lost.add(survey.url(node));
    }
    return lost;
}
