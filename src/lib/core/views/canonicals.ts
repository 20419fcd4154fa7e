/** What *Canonicals* shows: clusters of pages that name one another, what answers there, and what goes by the way. */
import { acceptedOf } from '../checks/canonicals.ts';
import { answersBadly, isListed } from '../checks/roots.ts';
import { gateOf } from '../columns/gate-facts.ts';
import type { Gate } from '../gates/gates.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { quoted } from '../sets/tokens.ts';

/** Clusters that are drawn, and pages that are named of one. */
const MOST_CLUSTERS = 60;
const MOST_NAMED = 4;

/** How what is named stands to being one. */
export type CanonicalEnd =
    'fine' | 'outside' | 'error' | 'redirects' | 'closed' | 'noindex' | 'names another' | 'unread';

export interface CanonicalPage {
    url: string;
    /** Pages that link to it. */
    linkedFrom: number;
    isListed: boolean;
}

export interface Cluster {
    /** What they name. */
    url: string;
    end: CanonicalEnd;
    /** Status it answered with; 0 for none. */
    status: number;
    gate: Gate | 'indexable' | null;
    /** What it names in turn; empty for itself or nothing. */
    next: string;
    /** Pages that name it. `set` null for what lies outside the site. */
    pages: number;
    set: string | null;
    /** Those most linked to first. */
    named: CanonicalPage[];
    /** Of them, those that other pages link to, or a sitemap lists, and their standing: what links give to pages that give themselves up. */
    linked: number;
    listed: number;
    standing: number;
}

export interface CanonicalsView {
    /** Pages that name another page, that name themselves, and that name none or several. */
    elsewhere: number;
    itself: number;
    none: number;
    several: number;
    /** Those whose links weigh most first. */
    clusters: Cluster[];
    more: number;
    /** Clusters that do not end at a page that may be indexed. */
    bad: number;
    /** Standing of all pages that name another one. */
    standing: number;
}

/** Needs `core`, `text` and the measures. O(nodes + clusters log clusters). */
export function canonicalsView(survey: PackedSurvey): CanonicalsView {
    const [start, canonical, page] = [
        survey.numbers('canonical_start'),
        survey.numbers('canonical'),
        survey.numbers('page'),
    ];
    const accepted = acceptedOf(survey);
    const members = new Map<number, number[]>();
    const view = { elsewhere: 0, itself: 0, none: 0, several: 0 };
    for (let node = 0; node < survey.count; node++) {
        if (page[node] !== 1) continue;
        const named = start[node + 1]! - start[node]!;
        const to = accepted(node);
        if (named === 0) view.none++;
        else if (named > 1) view.several++;
        else if (to === -1 || canonical[start[node]!] === node) view.itself++;
        else {
            view.elsewhere++;
            const own = members.get(to);
            if (own) own.push(node);
            else members.set(to, [node]);
        }
    }
    const make = clusterOf(survey, accepted);
    const all = [...members].map(([to, nodes]) => make(to, nodes));
    all.sort((a, b) => b.standing - a.standing || b.pages - a.pages || (a.url < b.url ? -1 : 1));
    return {
        ...view,
        clusters: all.slice(0, MOST_CLUSTERS),
        more: Math.max(all.length - MOST_CLUSTERS, 0),
        bad: all.filter(({ end }) => end !== 'fine' && end !== 'unread').length,
        standing: all.reduce((sum, { standing }) => sum + standing, 0),
    };
}

function clusterOf(survey: PackedSurvey, accepted: (node: number) => number) {
    const [status, gate, standing, linkedFrom] = [
        survey.numbers('status'),
        survey.numbers('gate'),
        survey.numbers('standing'),
        survey.numbers('incoming_pages'),
    ];
    const endOf = endsOf(survey, accepted);
    return (to: number, nodes: number[]): Cluster => {
        const isOutside = to >= survey.count;
        const next = isOutside ? -1 : accepted(to);
        const most = [...nodes].sort((a, b) => linkedFrom[b]! - linkedFrom[a]! || a - b).slice(0, MOST_NAMED);
        return {
            url: survey.addressUrl(to),
            end: endOf(to),
            status: isOutside ? 0 : status[to]!,
            gate: isOutside ? null : gateOf(gate[to]!),
            next: next < 0 ? '' : survey.addressUrl(next),
            pages: nodes.length,
            set: isOutside ? null : `page and canonical to (url is ${quoted(survey.url(to), true)})`,
            named: most.map((node) => ({
                url: survey.url(node),
                linkedFrom: linkedFrom[node]!,
                isListed: isListed(survey, node),
            })),
            linked: nodes.filter((node) => linkedFrom[node]! > 0).length,
            listed: nodes.filter((node) => isListed(survey, node)).length,
            standing: nodes.reduce((sum, node) => sum + (standing[node]! > 0 ? standing[node]! : 0), 0),
        };
    };
}

function endsOf(survey: PackedSurvey, accepted: (node: number) => number): (to: number) => CanonicalEnd {
    const [status, redirect, allowed, noindex] = [
        survey.numbers('status'),
        survey.numbers('redirect'),
        survey.numbers('robots_allowed'),
        survey.numbers('noindex'),
    ];
    const isBad = answersBadly(survey);
    return (to) => {
        if (to >= survey.count) return 'outside';
        if (allowed[to] === 0) return 'closed';
        if (redirect[to] !== -1) return 'redirects';
        if (isBad(to)) return 'error';
        if (status[to] === 0) return 'unread';
        if (noindex[to] === 1) return 'noindex';
        return accepted(to) === -1 ? 'fine' : 'names another';
    };
}
