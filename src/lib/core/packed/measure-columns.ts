/** Measures of the link graph as columns of a packed survey (`docs/measures.md`): made once, when it is packed. */
import { isListing } from '../evidence/listing.ts';
import { strongComponents, weakComponents } from '../graph/components.ts';
import { depths, UNREACHED } from '../graph/depth.ts';
import { linksOf, reversed, type Links } from '../graph/distinct.ts';
import { bridges, dominators, loads } from '../graph/dominators.ts';
import { childrenOf, lostWithout } from '../graph/without.ts';
import { once } from '../kept.ts';
import { ORPHAN } from '../survey/page-kind.ts';
import { depthGraph, linkGraphOf, wayGraph } from './link-graph.ts';
import type { PackedSurvey } from './packed-survey.ts';
import { narrowed, type NumberColumn } from './sections.ts';
import { standingOf } from './standing.ts';

/** Templates of which it is asked what would be lost without them: those on most pages. */
const MOST_TEMPLATES = 300;

/** All of them; `head.leak` and `head.templates[].holds` are filled in. O(measures of the graph). */
export function measureColumns(survey: PackedSurvey): Map<string, NumberColumn> {
    const { count, head } = survey;
    const columns = new Map<string, NumberColumn>();
    const isPage = survey.numbers('page');
    const depth = survey.numbers('depth');
    const orphan = survey.numbers('orphan');
    const { out, into } = wayGraph(survey);
    const home = head.starts[0] ?? -1;

    const found = dominators(out, into, head.starts);
    columns.set('load', narrowed(loads(found, Uint8Array.from(isPage))));
    columns.set('dominator', narrowed(found.nearest));
    columns.set('held_by', narrowed(bridges(into, found, head.starts)));
    columns.set('component', narrowed(strongComponents(out, into, home).of));

    // Islands: weak components of orphans among themselves, two or more, numbered by size.
    columns.set('island', narrowed(islandNumbers(out, orphan)));

    // Holds: distinct reached pages that link here, and whether any says so with a followed link.
    const followed = depthGraph(survey, true);
    const followedInto = reversed(followed.clicks);
    const allInto = reversed(depthGraph(survey).clicks);
    const thin = new Uint8Array(count);
    const listing = new Uint8Array(count);
    const starts = new Uint8Array(count);
    for (const node of head.starts) starts[node] = 1;
    const urls = survey.texts('url');
    const isList = new Uint8Array(count);
    for (let node = 0; node < count; node++) if (isListing(urls.at(node))) isList[node] = 1;
    for (let node = 0; node < count; node++) {
        if (isPage[node] !== 1 || depth[node] === UNREACHED || starts[node] === 1) continue;
        let holds = 0;
        for (let slot = followedInto.start[node]!; slot < followedInto.start[node + 1]!; slot++) {
            if (depth[followedInto.targets[slot]!] !== UNREACHED) holds++;
        }
        if (holds === 1) thin[node] = 1;
        const from = allInto.start[node]!;
        const to = allInto.start[node + 1]!;
        if (from === to || isList[node] === 1) continue;
        let onlyListings = 1;
        for (let slot = from; slot < to; slot++) if (isList[allInto.targets[slot]!] === 0) onlyListings = 0;
        listing[node] = onlyListings;
    }
    columns.set('thin', thin);
    columns.set('listing_only', head.complete ? listing : new Uint8Array(count));

    const declined = new Uint8Array(count);
    const { depth: followedDepth } = depths(followed.clicks, followed.free, head.starts);
    columns.set('followed_depth', narrowed(followedDepth));
    if (head.complete) {
        for (let node = 0; node < count; node++) {
            if (isPage[node] === 1 && depth[node] !== UNREACHED && followedDepth[node] === UNREACHED)
                declined[node] = 1;
        }
    }
    columns.set('decline_only', declined);

    const weight = standingOf(survey);
    columns.set('standing', weight.standing);
    columns.set('leak', weight.leak);
    columns.set('own_standing', standingOf(survey, true).standing);
    head.leak = weight.siteLeak;
    holdsOfTemplates(survey);
    return columns;
}

function islandNumbers(out: Links, orphan: NumberColumn): Int32Array {
    const isOrphan = (node: number): boolean => orphan[node] === ORPHAN.strict || orphan[node] === ORPHAN.adrift;
    const from: number[] = [];
    const to: number[] = [];
    for (let node = 0; node < out.nodes; node++) {
        if (!isOrphan(node)) continue;
        for (let slot = out.start[node]!; slot < out.start[node + 1]!; slot++) {
            if (!isOrphan(out.targets[slot]!)) continue;
            from.push(node);
            to.push(out.targets[slot]!);
        }
    }
    const component = weakComponents(linksOf(out.nodes, from, to), []).of;
    const size = new Map<number, number>();
    for (let node = 0; node < component.length; node++) {
        if (isOrphan(node)) size.set(component[node]!, (size.get(component[node]!) ?? 0) + 1);
    }
    const largest = [...size].filter(([, pages]) => pages > 1).sort((a, b) => b[1] - a[1] || a[0] - b[0]);
    const number = new Map(largest.map(([group], index) => [group, index]));
    return Int32Array.from(component, (group, node) => (isOrphan(node) ? (number.get(group) ?? -1) : -1));
}

/** The paths of a survey by the template each is entered through, made once. */
interface WaysByTemplate {
    children: Links;
    /** Nodes whose shortest path ends with a link of each template. */
    enteredBy: Map<number, number[]>;
    into: Links;
}

function waysByTemplate(survey: PackedSurvey): WaysByTemplate {
    return once(survey, 'ways by template', [], () => {
        const graph = linkGraphOf(survey);
        const wayBlock = survey.numbers('way_block');
        const enteredBy = new Map<number, number[]>();
        for (let node = 0; node < survey.count; node++) {
            const at = wayBlock[node]!;
            if (at === -1) continue;
            const template = graph.blockTemplate[graph.pageBlocks[at]!]!;
            const nodes = enteredBy.get(template);
            if (nodes) nodes.push(node);
            else enteredBy.set(template, [node]);
        }
        const children = childrenOf({ parent: Int32Array.from(survey.numbers('parent')) });
        return { children, enteredBy, into: wayGraph(survey).into };
    });
}

/** Reached URLs that would not be reached without a template, by its number in the head. */
export function heldByTemplate(survey: PackedSurvey, template: number): number[] {
    const { children, enteredBy, into } = waysByTemplate(survey);
    const entered = enteredBy.get(template);
    if (!entered) return [];
    const graph = linkGraphOf(survey);
    const redirect = survey.numbers('redirect');
    const refresh = survey.numbers('refresh');
    const holds = (from: number, to: number): boolean =>
        redirect[from] === to || refresh[from] === to || hasLinkBeside(graph, from, to, template);
    return lostWithout(into, survey.numbers('depth'), children, entered, holds);
}

/** How many reached pages would not be reached without each template. */
function holdsOfTemplates(survey: PackedSurvey): void {
    const isPage = survey.numbers('page');
    survey.head.templates.slice(0, MOST_TEMPLATES).forEach((template, number) => {
        template.holds = heldByTemplate(survey, number).reduce((pages, node) => pages + isPage[node]!, 0);
    });
}

/** True when a page links to another by a block of another template, or of none. */
function hasLinkBeside(graph: ReturnType<typeof linkGraphOf>, from: number, to: number, template: number): boolean {
    for (let at = graph.pageStart[from]!; at < graph.pageStart[from + 1]!; at++) {
        const block = graph.pageBlocks[at]!;
        if (graph.blockTemplate[block] === template) continue;
        const list = graph.blockList[block]!;
        for (let link = graph.listStart[list]!; link < graph.listStart[list + 1]!; link++) {
            if (graph.kind[link] === 0 && graph.target[link] === to) return true;
        }
    }
    return false;
}
