/** The links of one page, summed up: what it is called, what feeds it, what it feeds. */
import { REGIONS } from '../page/links.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { quoted } from '../sets/tokens.ts';

/** One anchor of the links to a page. */
export interface Called {
    /** Empty for links without words. */
    anchor: string;
    /** True where it is an accessible name, the link itself having no words. */
    isName: boolean;
    links: number;
    pages: number;
}

/** Links of one kind: of a template, or of pages' own text in one section. */
export interface LinkGroup {
    /** "menu", "footer", "text". */
    where: string;
    /** Section the links come from, or lead to; empty where a template has them in several. */
    section: string;
    isTemplate: boolean;
    links: number;
    /** Other pages they come from, or lead to. */
    pages: number;
    /** The pages, in the set language. */
    set: string;
}

export interface PageLinks {
    called: Called[];
    fedBy: LinkGroup[];
    feeds: LinkGroup[];
}

const A = 0;

/** Needs the part `links`. O(links of lists + page blocks). */
export function pageLinksOf(survey: PackedSurvey, node: number): PageLinks {
    const graph = linkGraphOf(survey);
    const { pageStart, pageBlocks, blockList, blockRegion, blockTemplate, listStart, target, kind, isPage } = graph;
    const [anchors, names] = [survey.numbers('link_anchor'), survey.numbers('link_name')];
    const [anchorWords, nameWords] = [survey.texts('link_anchor_words'), survey.texts('link_name_words')];
    const sections = survey.numbers('section');
    const sectionWords = survey.texts('section_words');
    const page = `url is ${quoted(survey.url(node), true)}`;

    /** Links to the page in each list, by anchor. */
    const here = new Map<number, number[]>();
    for (let list = 0; list < listStart.length - 1; list++) {
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
            if (target[link] !== node || kind[link] !== A) continue;
            const own = here.get(list);
            if (own) own.push(link);
            else here.set(list, [link]);
        }
    }
    const called = new Map<string, Called & { last: number }>();
    const fedBy = new Map<string, LinkGroup & { last: number }>();
    const groupOf = (into: Map<string, LinkGroup & { last: number }>, block: number, section: string) => {
        const template = survey.measured.templates[blockTemplate[block]!];
        const region = REGIONS[blockRegion[block]!] ?? 'other';
        // Text belongs to a section; a menu is the same in all of them.
        const key = template ? `template ${blockTemplate[block]}` : `text ${section}`;
        let group = into.get(key);
        if (!group) {
            const isFrom = into === fedBy;
            const via = template ? ` via template ${quoted(template.name, true)}` : '';
            const of = template ? '' : `section is ${quoted(section)} and `;
            group = {
                where: template ? (region === 'nav' ? 'menu' : region === 'other' ? 'shared block' : region) : 'text',
                section: template ? '' : section,
                isTemplate: template !== undefined,
                links: 0,
                pages: 0,
                set: isFrom ? `${of}links to (${page})${via}` : `${of}linked from (${page})${via}`,
                last: -1,
            };
            into.set(key, group);
        }
        return group;
    };
    if (here.size > 0) {
        for (let source = 0; source < survey.count; source++) {
            if (isPage[source] !== 1 || source === node) continue;
            for (let at = pageStart[source]!; at < pageStart[source + 1]!; at++) {
                const block = pageBlocks[at]!;
                const links = here.get(blockList[block]!);
                if (!links) continue;
                const group = groupOf(fedBy, block, sectionWords.at(sections[source]!));
                group.links += links.length;
                if (group.last !== source) group.pages++;
                group.last = source;
                for (const link of links) {
                    const anchor = anchorWords.at(anchors[link]!);
                    const words = anchor || nameWords.at(names[link]!);
                    const isName = anchor === '' && words !== '';
                    const key = `${isName} ${words}`;
                    let item = called.get(key);
                    if (!item) called.set(key, (item = { anchor: words, isName, links: 0, pages: 0, last: -1 }));
                    item.links++;
                    if (item.last !== source) item.pages++;
                    item.last = source;
                }
            }
        }
    }
    const feeds = new Map<string, LinkGroup & { last: number }>();
    const fed = new Map<string, Set<number>>();
    if (isPage[node] === 1) {
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const block = pageBlocks[at]!;
            const list = blockList[block]!;
            for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
                const to = target[link]!;
                if (kind[link] !== A || to < 0 || to >= survey.count || to === node) continue;
                const group = groupOf(feeds, block, sectionWords.at(sections[to]!));
                group.links++;
                const targets = fed.get(group.set) ?? new Set();
                targets.add(to);
                fed.set(group.set, targets);
                group.pages = targets.size;
            }
        }
    }
    const plain = (groups: Map<string, LinkGroup & { last: number }>): LinkGroup[] =>
        [...groups.values()].map(({ last: _, ...group }) => group).sort((a, b) => b.pages - a.pages);
    return {
        called: [...called.values()].map(({ last: _, ...item }) => item).sort((a, b) => b.links - a.links),
        fedBy: plain(fedBy),
        feeds: plain(feeds),
    };
}
