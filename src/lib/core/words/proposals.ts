/** Why a sentence is proposed, part by part. */
import { counted, listed } from './numbers.ts';

const quoted = (words: readonly string[]): string =>
    listed(
        words.map((word) => `“${word}”`),
        'and',
    );

/** How the words stand to the name they were found by. */
export interface SpeaksParams {
    words: readonly string[];
    from: 'said' | 'title' | 'h1' | 'heading' | 'address' | 'anchor';
    name: string;
    /** Pages whose text links there by that name. */
    links: number;
    isWhole: boolean;
}

const ORIGINS: Record<SpeaksParams['from'], string> = {
    said: 'the subject you gave it',
    title: 'its title',
    h1: 'its first heading',
    heading: 'a heading of it',
    address: 'its address',
    anchor: 'what other pages call it',
};

export function speaksOf({ words, from, name, links, isWhole }: SpeaksParams): string {
    const origin = `${ORIGINS[from]}${from === 'address' || isWhole ? '' : `, “${name}”`}`;
    const said = isWhole ? `the words of ${origin}` : `${quoted(words)}, of ${origin}`;
    return links > 0
        ? `${said}; ${counted(links, 'page')} ${links === 1 ? 'links' : 'link'} there by these words`
        : said;
}

export const rareOf = (word: string, pages: number, all: number): string =>
    pages === 0
        ? `“${word}” stands in the text of no page`
        : `“${word}” stands on ${counted(pages, 'page')} of ${counted(all, 'page').replace(/ pages?$/, '')}`;

export const aboutOf = (words: readonly string[]): string =>
    words.length === 0 ? 'the rest of the sentence is about other things' : `also in the sentence: ${words.join(', ')}`;

export const alikeOf = (words: readonly string[]): string =>
    words.length === 0 ? 'they share no rare words' : `both speak of ${words.join(', ')}`;

export interface NearParams {
    /** It leads to the same pages as those that lead to the target, 0 to 1. */
    same: number;
    isLed: boolean;
    beside: boolean;
}

export function nearOf({ same, isLed, beside }: NearParams): string {
    const parts: string[] = [];
    if (same > 0) parts.push('it leads to the same pages as others that link there');
    if (isLed) parts.push('the target links to it');
    if (beside) parts.push('it links to a page that links there');
    return parts.length === 0 ? 'no links between their neighbours' : parts.join('; ');
}

/**
 * @param titles of pages that links of the paragraph lead to, and elsewhere links beside those to the target
 * @param hasAny anything stands beside a link to the target
 */
export function companyOf(titles: readonly string[], hasAny: boolean): string {
    if (titles.length > 0) return `here, and elsewhere beside links to it: ${quoted(titles)}`;
    return hasAny ? 'none of the links that stand beside links to it is here' : 'links to it stand beside no others';
}

export const highOf = (standing: string, depth: number): string =>
    `standing ${standing}, ${depth === 0 ? 'the start page' : `${counted(depth, 'click')} deep`}`;

export const briefOf = (own: number): string =>
    own === 0 ? 'no other links in its text' : `${counted(own, 'link')} in its own text`;

/** From here on a part is said to be so. */
const SO_FROM = 0.12;

/** What each part says where it is so, and where it is not. */
const PART_NAMES = {
    speaks: ['The sentence speaks of it.', 'The sentence hardly speaks of it.'],
    rare: ['The words are rare here.', 'The words are common here.'],
    about: ['So does the rest of it.', 'The rest of it does not.'],
    alike: ['The two pages are alike.', 'The two pages are little alike.'],
    near: ['They are neighbours.', 'They are no neighbours.'],
    company: ['In its usual company.', 'Not in its usual company.'],
    high: ['The source stands near the start.', 'The source lies deep.'],
    brief: ['It gives little away.', 'It gives much away.'],
} as const;

export const partName = (part: keyof typeof PART_NAMES, value: number): string =>
    PART_NAMES[part][value >= SO_FROM ? 0 : 1];
