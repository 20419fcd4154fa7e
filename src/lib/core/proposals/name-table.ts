/** By which words pages are called, over the whole site: what a run of words could lead to. */
import { losingVariants } from '../areas/variants.ts';
import { latest } from '../kept.ts';
import { gateOf } from '../columns/gate-facts.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { namesOf } from '../subjects/page-names.ts';
import { eachContentWord } from '../text/content-words.ts';
import type { GenericWords } from '../text/generic-words.ts';

interface Named {
    node: number;
    weight: number;
}

export interface NameTable {
    /** Pages by the stems of a name, in order, with a space between; the heaviest first. */
    byName: ReadonlyMap<string, readonly Named[]>;
    /** The same by each single stem of a name. */
    byStem: ReadonlyMap<string, readonly Named[]>;
    byteLength: number;
}

/** Stems of a longer name are not looked for. */
export const LONGEST_NAME = 8;
/** Of one name or stem this many pages are kept. */
const MOST_PAGES = 20;
const MOST_OF_STEM = 200;
const BYTES_PER_ENTRY = 80;
/** A name that is hardly the page's own. */
const LEAST_WEIGHT = 0.2;

/** Stems of a text that say something, in order. */
function contentStems(text: string, tag: string): string[] {
    const stems: string[] = [];
    eachContentWord(text, tag, (stem) => stems.push(stem));
    return stems;
}

/** Names of all indexable pages. O(titles, h1 and links of running text), once. */
export function nameTable(survey: PackedSurvey, generic: GenericWords): NameTable {
    return latest(survey, 'names of pages', generic.key, () => {
        const byName = new Map<string, Named[]>();
        const byStem = new Map<string, Named[]>();
        const isPage = survey.numbers('page');
        const gate = survey.numbers('gate');
        const losers = losingVariants(survey);
        let entries = 0;
        const put = (into: Map<string, Named[]>, key: string, named: Named, most: number): void => {
            const list = into.get(key);
            if (!list) into.set(key, [named]);
            else if (list.length < most && list[list.length - 1]!.node !== named.node) list.push(named);
            entries++;
        };
        for (let node = 0; node < survey.count; node++) {
            // Of several addresses of one page only the one that is meant is led to.
            if (isPage[node] !== 1 || gateOf(gate[node]!) !== 'indexable' || losers.has(node)) continue;
            const tag = survey.word('language', node);
            for (const { text, weight } of namesOf(survey, node, [], null, generic)) {
                if (weight < LEAST_WEIGHT) continue;
                const stems = contentStems(text, tag);
                if (stems.length === 0) continue;
                if (stems.length <= LONGEST_NAME) put(byName, stems.join(' '), { node, weight }, MOST_PAGES);
                for (const stem of new Set(stems))
                    put(byStem, stem, { node, weight: weight / stems.length }, MOST_OF_STEM);
            }
        }
        for (const list of byName.values()) list.sort((a, b) => b.weight - a.weight || a.node - b.node);
        return { byName, byStem, byteLength: entries * BYTES_PER_ENTRY };
    });
}

/**
 * Other pages that a run of words could lead to: those called by exactly these words first, then those whose names share
 * the most of them.
 */
export function pagesCalled(
    survey: PackedSurvey,
    words: string,
    tag: string,
    most: number,
    generic: GenericWords,
): number[] {
    const { byName, byStem } = nameTable(survey, generic);
    const stems = contentStems(words, tag);
    const scores = new Map<number, number>();
    for (const { node, weight } of byName.get(stems.join(' ')) ?? []) scores.set(node, 10 * weight);
    for (const stem of new Set(stems)) {
        const named = byStem.get(stem) ?? [];
        const rare = 1 / (1 + Math.log2(1 + named.length));
        const best = new Map<number, number>();
        for (const { node, weight } of named) best.set(node, Math.max(best.get(node) ?? 0, weight));
        for (const [node, weight] of best) scores.set(node, (scores.get(node) ?? 0) + weight * rare);
    }
    const standing = survey.numbers('standing');
    return [...scores]
        .sort(([a, x], [b, y]) => y - x || standing[b]! - standing[a]! || a - b)
        .slice(0, most)
        .map(([node]) => node);
}
