/**
 * Relations of the set language: sets of pages by their links. Each list of links is looked at once, whatever number of
 * pages carries it; then each page's blocks. O(lists' links + page blocks).
 */
import { LIST_KINDS } from '../evidence/evidence-lists.ts';
import { LINK_KINDS, REGIONS } from '../page/links.ts';
import { linkGraphOf, type LinkGraph } from '../packed/link-graph.ts';
import { withoutTemplates } from '../measures/held-by-template.ts';
import type { InnerName } from '../packed/column-names.ts';
import { modelOf } from '../packed/model-of.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { Bits } from './bits.ts';
import { once } from '../kept.ts';
import type { Narrowing } from './set-expression.ts';

const A = LINK_KINDS.indexOf('a');
/** No page yet; more than one. */
const NONE = -1;
const SEVERAL = -2;

/** Links of lists that lead to pages of the site, as plain columns: the loops over them see one kind of array. */
interface Lists {
    /** Links of list `n`: `targets[start[n]] … targets[start[n + 1] - 1]`. */
    start: Uint32Array;
    /** Nodes. */
    targets: Uint32Array;
    /** Numbers of the links. */
    links: Uint32Array;
}

/** What a narrowing lets pass. */
interface Choice {
    graph: LinkGraph;
    lists: Lists;
    /** 1 for each link of the lists that passes; all do when null. */
    fits: Uint8Array | null;
    /** 1 for pages whose links count. */
    counts: Uint8Array;
    /** 1 for each block that passes; all do when null. */
    blocks: Uint8Array | null;
}

function choiceOf(survey: PackedSurvey, narrow: Narrowing): Choice {
    const graph = linkGraphOf(survey);
    const { isPage, nofollow, blockRegion, blockTemplate } = graph;
    const region = narrow.region === undefined ? -1 : REGIONS.indexOf(narrow.region);
    const templates = new Set<number>();
    survey.measured.templates.forEach(({ name, place }, number) => {
        if (narrow.template === name || narrow.template === place) templates.add(number);
    });
    const followed = narrow.followed === true;
    const all = once(survey, 'lists', [followed], () => listsOf(survey, graph, followed));
    const narrows = narrow.region !== undefined || narrow.template !== undefined;
    const passes = (block: number): boolean =>
        (region === -1 || blockRegion[block] === region) &&
        (narrow.template === undefined || templates.has(blockTemplate[block]!));
    return {
        graph,
        lists: all,
        fits:
            narrow.anchor === undefined
                ? null
                : anchored(survey, named(survey, all, followed), narrow.anchor.toLowerCase()),
        counts: once(survey, 'pages whose links count', [followed], () =>
            Uint8Array.from({ length: survey.count }, (_, node) =>
                isPage[node] === 1 && !(followed && nofollow[node] === 1) ? 1 : 0,
            ),
        ),
        blocks: narrows ? Uint8Array.from({ length: blockRegion.length }, (_, block) => (passes(block) ? 1 : 0)) : null,
    };
}

/** Links that count among those of each list: `a` links to pages, followed if asked. O(links). */
function listsOf(survey: PackedSurvey, graph: LinkGraph, followed: boolean): Lists {
    const { listStart, target, kind, follow } = graph;
    const lists = listStart.length - 1;
    const start = new Uint32Array(lists + 1);
    const targets = new Uint32Array(target.length);
    const links = new Uint32Array(target.length);
    let length = 0;
    for (let list = 0; list < lists; list++) {
        const end = listStart[list + 1]!;
        for (let link = listStart[list]!; link < end; link++) {
            const to = target[link]!;
            if (to < 0 || to >= survey.count || kind[link] !== A || (followed && follow[link] === 0)) continue;
            targets[length] = to;
            links[length++] = link;
        }
        start[list + 1] = length;
    }
    return { start, targets: targets.slice(0, length), links: links.slice(0, length) };
}

/** Anchors and names of the links of lists, in the order of those: made once anything asks for a text. O(links). */
function named(survey: PackedSurvey, { links }: Lists, followed: boolean): [InnerName, Uint32Array][] {
    return once(survey, 'names of links', [followed], () =>
        (['link_anchor', 'link_name'] as const).map((column): [InnerName, Uint32Array] => {
            const codes = survey.numbers(column);
            const own = new Uint32Array(links.length);
            for (let slot = 0; slot < own.length; slot++) own[slot] = codes[links[slot]!]!;
            return [column, own];
        }),
    );
}

/** Those with a text in their anchor or their name: 1 for each such link of the lists. O(links + words). */
function anchored(survey: PackedSurvey, columns: [InnerName, Uint32Array][], text: string): Uint8Array {
    const fits = new Uint8Array(columns[0]![1].length);
    for (const [column, codes] of columns) {
        const words = survey.texts(`${column}_words`).lower();
        const has = new Uint8Array(words.length);
        let some = false;
        for (let word = 0; word < words.length; word++) {
            if (!words[word]!.includes(text)) continue;
            has[word] = 1;
            some = true;
        }
        if (!some) continue;
        for (let slot = 0; slot < fits.length; slot++) fits[slot]! |= has[codes[slot]!]!;
    }
    return fits;
}

/** Pages with a link to a page of the set; a link to the page itself counts for nothing. */
export function linksTo(survey: PackedSurvey, set: Bits, narrow: Narrowing): Bits {
    const choice = choiceOf(survey, narrow);
    const { blockList, pageStart, pageBlocks } = choice.graph;
    const { start, targets } = choice.lists;
    const { fits, counts, blocks } = choice;
    const { count } = survey;
    const lists = start.length - 1;
    // For each list: the only page of the set it leads to, none, or several.
    const leads = new Int32Array(lists).fill(NONE);
    for (let list = 0; list < lists; list++) {
        const end = start[list + 1]!;
        for (let slot = start[list]!; slot < end; slot++) {
            const to = targets[slot]!;
            if (!set.has(to) || (fits !== null && fits[slot] === 0)) continue;
            if (leads[list] === NONE) leads[list] = to;
            else if (leads[list] !== to) {
                leads[list] = SEVERAL;
                break;
            }
        }
    }
    const found = new Bits(count);
    for (let node = 0; node < count; node++) {
        if (counts[node] === 0) continue;
        const end = pageStart[node + 1]!;
        for (let at = pageStart[node]!; at < end; at++) {
            const block = pageBlocks[at]!;
            const lead = leads[blockList[block]!]!;
            if (lead === NONE || lead === node || (blocks !== null && blocks[block] === 0)) continue;
            found.add(node);
            break;
        }
    }
    return found;
}

/** Pages that a page of the set links to, itself aside. */
export function linkedFrom(survey: PackedSurvey, set: Bits, narrow: Narrowing): Bits {
    const choice = choiceOf(survey, narrow);
    const { blockList, pageStart, pageBlocks } = choice.graph;
    const { start, targets } = choice.lists;
    const { fits, counts, blocks } = choice;
    const { count } = survey;
    const lists = start.length - 1;
    const from = new Int32Array(lists).fill(NONE);
    const nodes = set.nodes();
    for (let index = 0; index < nodes.length; index++) {
        const node = nodes[index]!;
        if (counts[node] === 0) continue;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const block = pageBlocks[at]!;
            const list = blockList[block]!;
            if (from[list] === SEVERAL || from[list] === node || (blocks !== null && blocks[block] === 0)) continue;
            from[list] = from[list] === NONE ? node : SEVERAL;
        }
    }
    const found = new Bits(count);
    for (let list = 0; list < lists; list++) {
        const source = from[list]!;
        if (source === NONE) continue;
        const end = start[list + 1]!;
        for (let slot = start[list]!; slot < end; slot++) {
            if (targets[slot] !== source && (fits === null || fits[slot] === 1)) found.add(targets[slot]!);
        }
    }
    return found;
}

/** Pages that some page of the set links to, and no page outside it. */
export function linkedOnlyFrom(survey: PackedSurvey, set: Bits, narrow: Narrowing): Bits {
    return linkedFrom(survey, set, narrow).and(linkedFrom(survey, set.not(), narrow).not());
}

/**
 * Pages that can be got to from one of the set by so many clicks, the set itself among them: as depth counts clicks,
 * from whatever page.
 */
export function withinClicks(survey: PackedSurvey, set: Bits, clicks: number, narrow: Narrowing): Bits {
    const choice = choiceOf(survey, narrow);
    const { blockList, pageStart, pageBlocks } = choice.graph;
    const { start, targets } = choice.lists;
    const { fits, counts, blocks } = choice;
    const { count } = survey;
    const allowed = survey.numbers('robots_allowed');
    const redirect = survey.numbers('redirect');
    const refresh = survey.numbers('refresh');
    const found = new Bits(count);
    const wasTaken = new Uint8Array(start.length - 1);
    let level: number[] = [];
    const reach = (node: number, into: number[]): void => {
        if (found.has(node)) return;
        found.add(node);
        into.push(node);
    };
    for (const node of set.nodes()) reach(node, level);
    for (let click = 0; ; click++) {
        // The level grows at its end while redirects are followed.
        for (let index = 0; index < level.length; index++) {
            const node = level[index]!;
            if (allowed[node] === 0) continue;
            for (const to of [redirect[node]!, refresh[node]!]) if (to >= 0 && to < count) reach(to, level);
        }
        if (click >= clicks || level.length === 0) return found;
        const next: number[] = [];
        for (const node of level) {
            if (allowed[node] === 0 || counts[node] === 0) continue;
            for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
                const block = pageBlocks[at]!;
                const list = blockList[block]!;
                if (wasTaken[list] === 1 || (blocks !== null && blocks[block] === 0)) continue;
                wasTaken[list] = 1;
                for (let slot = start[list]!; slot < start[list + 1]!; slot++) {
                    if (fits === null || fits[slot] === 1) reach(targets[slot]!, next);
                }
            }
        }
        level = next;
    }
}

/** Pages strictly dominated by one of the set. O(nodes). */
export function behind(survey: PackedSurvey, set: Bits): Bits {
    const dominator = survey.numbers('dominator');
    const found = new Bits(survey.count);
    // 0 not told yet, 1 behind, 2 not behind.
    const told = new Uint8Array(survey.count);
    const way: number[] = [];
    for (let node = 0; node < survey.count; node++) {
        way.length = 0;
        let at = node;
        let isBehind = 2;
        for (;;) {
            if (told[at] !== 0) {
                isBehind = told[at]!;
                break;
            }
            way.push(at);
            const above = dominator[at]!;
            if (above === -1) break;
            at = above;
        }
        // From the top down: behind what is in the set, or behind what is behind it.
        for (let index = way.length - 1; index >= 0; index--) {
            const step = way[index]!;
            const above = dominator[step]!;
            if (above !== -1) isBehind = told[above] === 1 || set.has(above) ? 1 : 2;
            told[step] = isBehind;
        }
    }
    for (let node = 0; node < survey.count; node++) if (told[node] === 1) found.add(node);
    return found;
}

/** URLs that redirect, by one hop or more, to one of the set. O(nodes + hops). */
export function redirectsTo(survey: PackedSurvey, set: Bits): Bits {
    const redirect = survey.numbers('redirect');
    const found = new Bits(survey.count);
    for (let node = 0; node < survey.count; node++) {
        let at = redirect[node]!;
        // A loop is gone round once at most: a survey follows no longer chains.
        for (let hops = 0; at >= 0 && at < survey.count && hops < 50; hops++) {
            if (set.has(at)) {
                found.add(node);
                break;
            }
            at = redirect[at]!;
        }
    }
    return found;
}

/** Pages whose accepted canonical, another page, is one of the set. */
export function canonicalTo(survey: PackedSurvey, set: Bits): Bits {
    const start = survey.numbers('canonical_start');
    const targets = survey.numbers('canonical');
    const found = new Bits(survey.count);
    for (let node = 0; node < survey.count; node++) {
        if (start[node + 1]! - start[node]! !== 1) continue;
        const to = targets[start[node]!]!;
        if (to >= 0 && to < survey.count && to !== node && set.has(to)) found.add(node);
    }
    return found;
}

/** Pages that a sitemap lists, by its address. */
export function listedBy(survey: PackedSurvey, sitemap: string): Bits {
    const file = survey.texts('sitemap_words').all().indexOf(sitemap);
    if (file === -1) return new Bits(survey.count);
    return once(survey, 'listed by sitemap', [file], () => {
        const start = survey.numbers('sitemap_start');
        const files = survey.numbers('sitemap');
        const found = new Bits(survey.count);
        for (let node = 0; node < survey.count; node++) {
            for (let at = start[node]!; at < start[node + 1]!; at++) if (files[at] === file) found.add(node);
        }
        return found;
    });
}

/** Evidence rows of lists from elsewhere, one after the other. */
function eachListRow(survey: PackedSurvey, see: (node: number, name: number) => void): void {
    const start = survey.numbers('evidence_row_start');
    const kinds = survey.numbers('evidence_row_kind');
    const names = survey.numbers('evidence_row_source');
    const isList = survey
        .texts('evidence_row_kind_words')
        .all()
        .map((kind) => LIST_KINDS.some((known) => known === kind));
    for (let node = 0; node < survey.count; node++) {
        for (let row = start[node]!; row < start[node + 1]!; row++) if (isList[kinds[row]!]) see(node, names[row]!);
    }
}

/** Pages that a list from elsewhere names, by the name of the list. */
export function namedIn(survey: PackedSurvey, list: string): Bits {
    const wanted = survey.texts('evidence_row_source_words').all().indexOf(list);
    if (wanted === -1) return new Bits(survey.count);
    return once(survey, 'named in list', [wanted], () => {
        const found = new Bits(survey.count);
        eachListRow(survey, (node, name) => {
            if (name === wanted) found.add(node);
        });
        return found;
    });
}

/** Names of the lists from elsewhere that name any page. */
export function listNames(survey: PackedSurvey): string[] {
    return once(survey, 'names of lists', [], () => {
        const names = new Set<number>();
        eachListRow(survey, (_, name) => names.add(name));
        const words = survey.texts('evidence_row_source_words').all();
        return [...names].map((name) => words[name]!).filter((name) => name !== '');
    });
}

/** Pages that would not be reached without a template, by its name or its place. */
export function heldBy(survey: PackedSurvey, template: string): Bits {
    const isPage = survey.numbers('page');
    let found = new Bits(survey.count);
    survey.measured.templates.forEach(({ name, place }, number) => {
        if (template !== name && template !== place) return;
        const without = once(survey, 'without templates', [], () =>
            withoutTemplates(
                modelOf(survey),
                survey.numbers('block_template'),
                survey.numbers('depth'),
                survey.numbers('parent'),
            ),
        );
        const held = once(survey, 'held by template', [number], () =>
            Bits.of(
                survey.count,
                without.lost(number).filter((node) => isPage[node] === 1),
            ),
        );
        found = found.or(held);
    });
    return found;
}
