/** What a page is called: by itself (title, h1, headings, address) and by the links of other pages. */
import { pathOf } from '../address/address.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { calledBy } from '../text/called.ts';
import { GENERIC_WORDS, type GenericWords } from '../text/generic-words.ts';
import { ownParts, siteNames } from './site-names.ts';

export type NameOrigin = 'said' | 'title' | 'h1' | 'heading' | 'address' | 'anchor';

export interface PageName {
    text: string;
    from: NameOrigin;
    /** How much it is the page's: 0 to 1. */
    weight: number;
    /** Pages whose text links to it by this name. */
    links: number;
}

/** A link that is taken as if it were not there. */
export interface HiddenLink {
    link: number;
}

const WEIGHTS = { said: 1, title: 1, h1: 1, address: 0.5, heading: 0.4, part: 0.8, head: 0.7 } as const;
/** Names by which links call a page, and headings, that are looked at: the commonest. */
const MOST_ANCHORS = 300;
const MOST_HEADINGS = 60;
/** "5.4. Constraints", "A.2 Names": what a heading is called without its number. */
const NUMBERING = /^\s*(?:[A-Z]\.)?\d+(?:\.\d+)*\.?\s+(?=\p{L})/u;
/** A heading without its number is less of a name: "Overview" may head many pages. */
const WITHOUT_NUMBER = 0.75;
/** What stands before the first comma, bracket or colon of a title. */
const HEAD = /^([^,;:(]{3,}?)\s*[,;:(]/u;
const LONGEST_ANCHOR = 100;
const IS_URL = /^(?:[a-z][a-z\d+.-]*:\/\/|www\.)\S+$/i;

/** Words of the last part of a path: "sharpening-a-chisel.html" says sharpening a chisel. */
export function addressWords(url: string): string {
    const path = pathOf(url).split('?', 1)[0]!.replace(/\/$/, '');
    let last = path.slice(path.lastIndexOf('/') + 1).replace(/\.[a-z]{2,5}$/i, '');
    try {
        last = decodeURIComponent(last);
    } catch {
        // Not encoded text: its letters are taken as they stand.
    }
    return last.replace(/[-_+.]+/g, ' ').trim();
}

/**
 * The names of a page, each text once, by its heaviest origin.
 * @param headings texts of its headings below the first, where they are known
 * @param hidden a link that is taken as not there
 */
export function namesOf(
    survey: PackedSurvey,
    node: number,
    headings: readonly string[] = [],
    hidden: HiddenLink | null = null,
    generic: GenericWords = GENERIC_WORDS,
): PageName[] {
    const names = new Map<string, PageName>();
    const add = (text: string, from: NameOrigin, weight: number, links = 0): void => {
        const key = text.trim().toLowerCase();
        if (key === '' || weight <= 0) return;
        const known = names.get(key);
        const all = links + (known?.links ?? 0);
        if (!known || known.weight < weight) names.set(key, { text: text.trim(), from, weight, links: all });
        else known.links = all;
    };
    const parts = ownParts(survey.texts('title').at(node), siteNames(survey));
    const titled: [string, NameOrigin, number][] = [
        [parts.join(' '), 'title', WEIGHTS.title],
        [survey.texts('h1').at(node), 'h1', WEIGHTS.h1],
        ...headings
            .slice(0, MOST_HEADINGS)
            .map((text): [string, NameOrigin, number] => [text, 'heading', WEIGHTS.heading]),
    ];
    // "Rust, and how to stop it" is a page on rust.
    for (const text of [parts.join(' '), survey.texts('h1').at(node)]) {
        const head = HEAD.exec(text)?.[1];
        if (head) titled.push([head, 'title', WEIGHTS.head]);
    }
    if (parts.length > 1) for (const part of parts) titled.push([part, 'title', WEIGHTS.part]);
    for (const [text, from, weight] of titled) {
        add(text, from, weight);
        const plain = text.replace(NUMBERING, '');
        if (plain !== text) add(plain, from, weight * WITHOUT_NUMBER);
    }
    add(addressWords(survey.url(node)), 'address', WEIGHTS.address);
    for (const { text, links, weight } of anchorNames(survey, node, hidden, generic))
        add(text, 'anchor', weight, links);
    return [...names.values()];
}

/**
 * By which words links in the text of other pages call it, the commonest first. What calls other pages as well weighs
 * only as much as the share of it that leads here; what one link alone says, less than what many say.
 */
export function anchorNames(
    survey: PackedSurvey,
    node: number,
    hidden: HiddenLink | null = null,
    generic: GenericWords = GENERIC_WORDS,
): { text: string; links: number; weight: number }[] {
    const { start, links, pages, times } = calledBy(survey);
    const anchor = survey.numbers('link_anchor');
    const words = survey.texts('link_anchor_words');
    const own = new Map<number, number>();
    for (let at = start[node]!; at < start[node + 1]!; at++) {
        const link = links[at]!;
        const count = pages[at]! - (hidden?.link === link ? 1 : 0);
        if (count > 0) own.set(anchor[link]!, (own.get(anchor[link]!) ?? 0) + count);
    }
    const hiddenAnchor = hidden ? anchor[hidden.link]! : -1;
    return [...own]
        .sort(([a, x], [b, y]) => y - x || a - b)
        .slice(0, MOST_ANCHORS)
        .flatMap(([number, count]) => {
            const text = words.at(number);
            if (text === '' || text.length > LONGEST_ANCHOR || IS_URL.test(text) || generic.has(text, '')) return [];
            const all = times[number]! - (number === hiddenAnchor ? 1 : 0);
            const share = Math.min(1, count / Math.max(1, all));
            return [{ text, links: count, weight: share * (1 - 0.5 / (1 + Math.log2(count))) }];
        });
}
