/** How templates are called in a sentence: "footer: Fees, Ladder hire". */
import { once } from '../kept.ts';
import { linkGraphOf } from '../packed/link-graph.ts';
import { headOf } from '../page/cut-text.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { blocksByTemplate } from './template-list.ts';

/** Words of a region, as a reader calls it. */
const REGION_WORDS: Record<string, string> = { nav: 'menu', other: 'block' };
/** What a block that no other page has is called, by its region. */
export const regionName = (region: string): string => OWN_WORDS[region] ?? region;
const OWN_WORDS: Record<string, string> = { nav: 'menu', main: 'text', other: 'body' };
const MOST_NAMED = 2;
const LONGEST_NAMED = 40;

/**
 * Its region, and the first words it holds; where another is called the same, the folder that its pages share as well,
 * and where that is the same too, which of them it is. Needs `core`, `text` and `links`. O(page blocks) once.
 */
export function templateWords(survey: PackedSurvey, template: number): string {
    return once(survey, 'template words', [], () => allWords(survey))[template]!;
}

function allWords(survey: PackedSurvey): string[] {
    const words = survey.measured.templates.map((_, template) => firstWords(survey, template));
    const alike = groups(words);
    if (alike.length === 0) return words;
    const folders = foldersOf(survey, new Set(alike.flat()));
    for (const group of alike) {
        for (const template of group) words[template] += ` in ${folders.get(template)!}`;
    }
    for (const group of groups(words)) {
        group.forEach((template, place) => (words[template] += `, ${place + 1} of ${group.length}`));
    }
    return words;
}

/** Places of equal words, where several are equal. */
function groups(words: readonly string[]): number[][] {
    const places = new Map<string, number[]>();
    words.forEach((word, place) => places.set(word, [...(places.get(word) ?? []), place]));
    return [...places.values()].filter(({ length }) => length > 1);
}

function firstWords(survey: PackedSurvey, template: number): string {
    const { region } = survey.measured.templates[template]!;
    const called = REGION_WORDS[region] ?? region;
    const { blockList, listStart } = linkGraphOf(survey);
    const list = blockList[blocksByTemplate(survey)[template]![0]!]!;
    const words = new Set<string>();
    for (let link = listStart[list]!; link < listStart[list + 1]! && words.size < MOST_NAMED; link++) {
        const word = survey.word('link_anchor', link) || survey.word('link_name', link);
        if (word !== '') words.add(word.length > LONGEST_NAMED ? `${headOf(word, LONGEST_NAMED - 1)}…` : word);
    }
    return words.size === 0 ? `${called} without words` : `${called}: ${[...words].join(', ')}`;
}

/** The deepest folder that the pages of each template share, as a path; with its origin where they share none. */
function foldersOf(survey: PackedSurvey, wanted: ReadonlySet<number>): Map<number, string> {
    const { pageStart, pageBlocks, blockTemplate, isPage } = linkGraphOf(survey);
    const shared = new Map<number, string>();
    for (let node = 0; node < survey.count; node++) {
        if (isPage[node] !== 1) continue;
        for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
            const template = blockTemplate[pageBlocks[at]!]!;
            if (!wanted.has(template)) continue;
            const path = survey.url(node).replace(/^[a-z]+:\/\/[^/]*/i, '');
            const folder = path.split('?', 1)[0]!.replace(/[^/]*$/, '');
            const before = shared.get(template);
            shared.set(template, before === undefined ? folder : commonFolder(before, folder));
        }
    }
    return shared;
}

function commonFolder(a: string, b: string): string {
    let at = 0;
    while (at < a.length && a[at] === b[at]) at++;
    return a.slice(0, a.lastIndexOf('/', at - 1) + 1) || '/';
}
