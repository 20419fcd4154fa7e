/** What the text of one page could lead to: its words held against the names of all pages. */
import { linkGraphOf } from '../packed/link-graph.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import type { GenericWords } from '../text/generic-words.ts';
import { LONGEST_NAME, nameTable } from './name-table.ts';
import type { SourceText } from './source-text.ts';
import { NOTHING, type StemNumbers } from './stem-numbers.ts';

const A = 0;

/** Pages that `a` links of a page lead to. */
export function targetsOfPage(survey: PackedSurvey, node: number): Set<number> {
    const { pageStart, pageBlocks, blockList, listStart, target, kind } = linkGraphOf(survey);
    const targets = new Set<number>();
    for (let at = pageStart[node]!; at < pageStart[node + 1]!; at++) {
        const list = blockList[pageBlocks[at]!]!;
        for (let link = listStart[list]!; link < listStart[list + 1]!; link++) {
            if (kind[link] === A) targets.add(target[link]!);
        }
    }
    return targets;
}

/**
 * Pages that free words of a text call by a whole name, the likeliest first.
 * @param rarityOf of a stem
 * @param isOpen whether a page may be led to
 */
export function pagesSpokenOf(
    survey: PackedSurvey,
    text: SourceText,
    stems: StemNumbers,
    rarityOf: (stem: number) => number,
    isOpen: (node: number) => boolean,
    most: number,
    generic: GenericWords,
): number[] {
    const { byName } = nameTable(survey, generic);
    const scores = new Map<number, number>();
    for (const { first, last } of text.sentences) {
        for (let from = first; from < last; from++) {
            if (text.stem[from] === NOTHING || text.isTaken[from] === 1) continue;
            let key = '';
            let rare = 0;
            let length = 0;
            for (let at = from; at < last && length < LONGEST_NAME && text.isTaken[at] !== 1; at++) {
                const stem = text.stem[at]!;
                if (stem === NOTHING) continue;
                key += (key === '' ? '' : ' ') + stems.stemOf(stem);
                rare += rarityOf(stem);
                length++;
                for (const { node, weight } of byName.get(key) ?? []) {
                    const score = weight * rare;
                    if (isOpen(node) && score > (scores.get(node) ?? 0)) scores.set(node, score);
                }
            }
        }
    }
    return [...scores]
        .sort(([a, x], [b, y]) => y - x || a - b)
        .slice(0, most)
        .map(([node]) => node);
}
