/** Pages by their addresses: folder by folder, or, where addresses are flat, by what else they have in common. */
import { templateWords } from '../areas/template-words.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { FORM, type MapFacts } from './map-facts.ts';
import type { MapTree } from './map-tree.ts';

/** `templates`: pages that carry the same shared blocks; `words`: a word of their address that many have. */
export const GROUPINGS = ['folders', 'templates', 'words', 'language'] as const;
export type Grouping = (typeof GROUPINGS)[number];

/** A word that more pages than this share tells them apart from nothing. */
const MOST_OF_SITE = 0.5;
const LEAST_GROUP = 3;
const LEAST_LETTERS = 3;

/** All pages, reached or not. Needs `text`, and for `templates` the measures. O(characters of addresses + page blocks) */
export function addressTree(survey: PackedSurvey, facts: MapFacts, by: Grouping): MapTree {
    const pages: number[] = [];
    for (let node = 0; node < facts.count; node++) if (facts.form[node]! <= FORM.unreached) pages.push(node);
    const isCut = (node: number): boolean => facts.apart[node] === 1;
    if (by === 'folders') return { ...folderTree(survey, pages), isCut };
    const group =
        by === 'templates' ? templateGroups(survey) : by === 'words' ? wordGroups(survey, pages) : languages(survey);
    return { ...groupTree(survey, pages, group), isCut };
}

/** Grows a tree item by item: an item is added behind the one it hangs from. */
class Growing {
    readonly parent: number[] = [];
    readonly node: number[] = [];
    readonly names: string[] = [];
    readonly keys: string[] = [];

    add(parent: number, node: number, name: string, key: string): number {
        this.parent.push(parent);
        this.node.push(node);
        this.names.push(name);
        this.keys.push(key);
        return this.parent.length - 1;
    }

    tree(): MapTree {
        return {
            parent: Int32Array.from(this.parent),
            node: Int32Array.from(this.node),
            nameOf: (item) => this.names[item]!,
            keyOf: (item) => this.keys[item]!,
        };
    }
}

/** `/a/` is the page of the folder it names; `/a/b` and `/a/?q` lie in it. */
function folderTree(survey: PackedSurvey, pages: readonly number[]): MapTree {
    const grown = new Growing();
    const folders = new Map<string, number>();
    const folder = (address: string): number => {
        const known = folders.get(address);
        if (known !== undefined) return known;
        // "https://host/a/b/" lies in "https://host/a/"; "https://host/" in nothing.
        const parts = address.split('/');
        const name = `${parts.at(-2)}/`;
        const above = parts.length <= 4 ? -1 : folder(`${parts.slice(0, -2).join('/')}/`);
        const item = grown.add(above, -1, name, address);
        folders.set(address, item);
        return item;
    };
    for (const node of pages) {
        const url = survey.url(node);
        const path = url.split('?', 1)[0]!;
        const cut = path.lastIndexOf('/') + 1;
        const item = folder(path.slice(0, cut));
        if (cut === url.length) grown.node[item] = node;
        else grown.add(item, node, url.slice(cut), url);
    }
    return grown.tree();
}

/** One group a key, the largest group first; those of one page alone stand beside them. */
function groupTree(
    survey: PackedSurvey,
    pages: readonly number[],
    { of, nameOf }: { of: (node: number) => string; nameOf: (key: string) => string },
): MapTree {
    const grown = new Growing();
    const groups = new Map<string, number>();
    const root = grown.add(-1, -1, 'all pages', '');
    for (const node of pages) {
        const key = of(node);
        let item = groups.get(key);
        if (item === undefined) {
            item = grown.add(root, -1, nameOf(key), key);
            groups.set(key, item);
        }
        const url = survey.url(node);
        grown.add(item, node, url.replace(/^https?:\/\/[^/]+/, ''), url);
    }
    return grown.tree();
}

function languages(survey: PackedSurvey): ReturnType<typeof templateGroups> {
    return { of: (node) => survey.word('language', node), nameOf: (key) => (key === '' ? 'says no language' : key) };
}

/** Pages that carry the same shared blocks; a group is called by the rarest of them. */
function templateGroups(survey: PackedSurvey): { of: (node: number) => string; nameOf: (key: string) => string } {
    const { pageStart, pageBlocks, blockTemplate } = linkGraphOf(survey);
    const { templates } = survey.measured;
    const of = (node: number): string => {
        const own = new Set<number>();
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const template = blockTemplate[pageBlocks[at]!]!;
            if (template >= 0) own.add(template);
        }
        return [...own].sort((a, b) => a - b).join(' ');
    };
    const nameOf = (key: string): string => {
        if (key === '') return 'no shared block';
        const own = key.split(' ').map(Number);
        const rarest = own.reduce((best, next) => (templates[next]!.pages < templates[best]!.pages ? next : best));
        const name = templateWords(survey, rarest);
        return own.length === 1 ? name : `${name}, and ${own.length - 1} more`;
    };
    return { of, nameOf };
}

/** Words of the last part of an address, without its ending. */
export function addressWords(url: string): string[] {
    const [path = ''] = url.replace(/^https?:\/\/[^/]+/, '').split('?', 1);
    const last = path.split('/').filter(Boolean).at(-1) ?? '';
    return last
        .replace(/\.[a-z0-9]{1,5}$/i, '')
        .toLowerCase()
        .split(/[^\p{L}]+/u)
        .filter((word) => word.length >= LEAST_LETTERS);
}

/** A page stands with the word of its address that most others have too; words that half of the site has tell nothing. */
function wordGroups(survey: PackedSurvey, pages: readonly number[]): ReturnType<typeof templateGroups> {
    const known = new Map<string, number>();
    for (const node of pages) {
        for (const word of new Set(addressWords(survey.url(node)))) known.set(word, (known.get(word) ?? 0) + 1);
    }
    const isGood = (word: string): boolean =>
        known.get(word)! >= LEAST_GROUP && known.get(word)! <= Math.max(LEAST_GROUP, pages.length * MOST_OF_SITE);
    return {
        of: (node) =>
            addressWords(survey.url(node))
                .filter(isGood)
                .reduce((best, word) => (best === '' || known.get(word)! > known.get(best)! ? word : best), ''),
        nameOf: (key) => (key === '' ? 'no word in common' : key),
    };
}
